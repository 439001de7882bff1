export { addDays, localTime, momentOf, nextClockChange, type LocalTime } from './zone';
export { boundaries, periodAt } from './weekly';
export { readSpans, writeSpans, writeTime, type Span, type TypedHours } from './typed';
export { DAY_NAMES, daysInWords, kindsOf, periodInWords } from './words';
