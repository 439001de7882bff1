export { FIELDS, fieldsIn, fieldsLeft, filled, filledBy, unknownFields, type Filled } from './fields';
export { ANSWER_MS, mayBother, nextAllowed } from './hours';
export { madeCheaper, MOST_PARTS, partsOf, type Parts } from './parts';
export { allStopped, answerTo, stoppedBy, wishOf, type Stopped, type Wish, type WishEntered } from './wishes';
