export { Round, shifted } from './kept';
export { prepare, type Asked, type Line, type Prepared, type Sight } from './prepare';
export {
  contactsOn,
  MOST_RECEIVERS,
  numberToText,
  readReceivers,
  type Read,
  type Receiver,
} from './receivers';
