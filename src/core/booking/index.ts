export { freeTimes, isFree, mostAtOnce, openings, type Asked, type Span } from './free';
export { Booking, freshCode, takenBy, wishOfBooking } from './kept';
