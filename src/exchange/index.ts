export { filledIn } from './notices';
export { ExchangeClient } from './client';
export { callerLock, outsideLock, phoneLock, type LiveCall } from './protocol';
export { PhoneClient, Refused } from './phones/client';
export type { Answers, MessageKnown, Parts } from './phones/protocol';
export { listenForTrouble } from './client';
