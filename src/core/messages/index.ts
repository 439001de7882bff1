export { messageSummary, waitingIn, type Held, type MessageChange } from './held';
export { keptPin, pinFits, pinProblem } from './pin';
export {
  ALL_MESSAGES,
  BIN_DAYS,
  inbox,
  overdue,
  type Folder,
  type InboxQuestion,
  type Message,
} from './inbox';
