export { filledIn } from './notices';
export { ExchangeClient } from './client';
export { callerLock, outsideLock, phoneLock, SWITCH_LOCK, type LiveCall } from './protocol';
export { PhoneClient, Refused } from './phones/client';
export type { Answers, MessageKnown, Parts } from './phones/protocol';
export { listenForTrouble } from './client';
