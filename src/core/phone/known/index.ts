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
export { meetingsKnown, MEETINGS_TOLD, type MeetingKnown } from './meetings';
export { lineOfText, textLines, textsKnown, TEXTS_TOLD, type TextsKnown } from './texts';
export { readRequest } from './read-request';
export { mayAsk, type PhoneRequest } from './requests';
export { withoutTheirs, withTried } from './tried';
