export { knownTo, ownPhones, phonesRungFor, seesAll, unseenNumbers, type Known } from './business';
export { callsKnown, hidden, unseenIn, type CallsKnown } from './calls';
export { mayAsk, type PhoneRequest } from './requests';
export { withoutTheirs, withTried } from './tried';
