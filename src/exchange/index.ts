export { FarExchange, relayAt, type Cut, type FarTold, type Identity, type RelayFor } from './devices/far';
export type { Standing as DeviceStanding } from './devices/words';
export { hold } from './hold';
export { filledIn } from './notices';
export { ExchangeClient } from './client';
export { callerLock, outsideLock, phoneLock, SWITCH_LOCK, type LiveCall } from './protocol';
export { PhoneClient, Refused } from './phones/client';
export type { Answers, MessageKnown, Parts } from './phones/protocol';
export { listenForTrouble } from './client';
