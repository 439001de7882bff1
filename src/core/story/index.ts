export {
  circleOf,
  circleOfGroup,
  circlesKnown,
  circlesOf,
  membersOf,
  type About,
  type Circle,
  type CircleKept,
  type WordsKept,
} from './circles';
export { behaviourBehind } from './again';
export {
  conversationKey,
  conversations,
  standingOf,
  type Conversation,
  type ThreadChange,
} from './conversations';
export { courseOf, NO_COURSE, type Course, type QueueWait, type TalkPart } from './course';
export { factsOfCall, type Facts, type Way } from './facts';
export { dueBy, withoutCaller } from './keeping';
export { conversationText, logJson, logTable } from './out';
export { ANY, Question, SavedView, says, tester, VIEWS, type View } from './question';
export type { CallKept, FaxChange, FaxKept, MessageKept, Remark, TextKept, ThreadKept } from './records';
export { settledBy, settling, settlingOf, type Settled, type Settling } from './settled';
export { toAnswer, type ToAnswer } from './to-answer';
export { known } from './known';
export { detailOf, lasting, settledInWords, titleOf } from './words';
export {
  callEntry,
  endOf,
  faxEntry,
  keptWith,
  lastOf,
  messageEntry,
  storyOf,
  textEntry,
  type Entry,
  type Kept,
} from './story';
export { dayOf, Log } from './log/log';
export { PACKED_VERSION, packed, unpacked } from './log/packed';
export {
  callRow,
  ENTRY_KINDS,
  faxRow,
  messageRow,
  partiesOf,
  rowKey,
  searchOf,
  textRow,
  type EntryKind,
  type Row,
} from './log/rows';
