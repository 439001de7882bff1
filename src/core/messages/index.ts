export {
  ALL_MESSAGES,
  BIN_DAYS,
  inbox,
  overdue,
  type Folder,
  type InboxQuestion,
  type Message,
} from './inbox';
