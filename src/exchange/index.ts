export { filledIn } from './notices';
export { ExchangeClient } from './client';
export { callerLock, phoneLock, type LiveCall } from './protocol';
export { listenForTrouble } from './client';
