export {
  knownTo,
  ownPhones,
  phonesRungFor,
  seesAll,
  unseenNumbers,
  withOwnContacts,
  type Known,
} from './business';
export { callsKnown, hidden, unseenIn, type CallsKnown } from './calls';
export { lineOfText, textLines, textsKnown, TEXTS_TOLD, type TextsKnown } from './texts';
export { mayAsk, type PhoneRequest } from './requests';
export { withoutTheirs, withTried } from './tried';
