export { filledIn } from './notices';
export { ExchangeClient } from './client';
export { callerLock, phoneLock, type LiveCall, type Said } from './protocol';
