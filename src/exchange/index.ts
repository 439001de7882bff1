export { filledIn } from './notices';
export { ExchangeClient } from './client';
export { callerLock, outsideLock, phoneLock, type LiveCall } from './protocol';
export { listenForTrouble } from './client';
