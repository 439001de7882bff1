export { freeTimes, isFree, mostAtOnce, openings, type Asked, type Span } from './free';
export { takenIn, type DatedEvent, type TakenByEvent } from './from-calendar';
export { Booking, CODE_DIGITS, freshCode, spansOf, takenBy, wishOfBooking } from './kept';
