export {
  addDays,
  dateOf,
  dayNumber,
  localTime,
  momentOf,
  momentOfDay,
  nextClockChange,
  weekdayOf,
  type LocalTime,
} from './zone';
export { calendarOf, daysOf, inForceOrder, type Calendar, type Day, type DaySpan } from './days';
export { handovers, onDuty, shiftsOf, type Shift } from './rota';
export { boundaries, isHoliday, periodAt } from './weekly';
export { readSpans, writeSpans, writeTime, type Span, type TypedHours } from './typed';
export { copyDay } from './copy';
export { exceptionsFrom, swapsFrom, type DatedEvent } from './from-calendar';
export { timesOf } from './exception-times';
export { dateInWords, DAY_NAMES, daysInWords, kindsOf, periodInWords } from './words';
