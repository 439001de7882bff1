export { Doing, Errand, errandsOf, receiverOf } from './errands';
export { FOLLOW_FIELDS, filledFor, wrongFields } from './fields';
export {
  dueAt,
  endOf,
  hasWord,
  judge,
  keyOf,
  overAt,
  rowOf,
  type Happening,
  type Judged,
  type Sight,
} from './happenings';
export { decide, LATE_MS, waitAfter, type Decision, type Known } from './sending';
export {
  countsOf,
  happeningsOf,
  stopInWords,
  talkedBetween,
  tryOn,
  type Got,
  type Line,
  type Past,
  type Tried,
} from './trial';
export { afterInWords, followUpInWords, ifInWords, thenInWords, whenInWords } from './words';
export { exampleOf } from './example';
export { starters } from './starters';
export { waitsAsBefore, type WaitsAsBefore } from './waiting';
export { Kept, Task, troubledBy, type TaskChange } from './kept';
