export {
  addDays,
  dateOf,
  dayNumber,
  localTime,
  momentOf,
  momentOfDay,
  nextClockChange,
  offsetAt,
  weekdayOf,
  type LocalTime,
} from './zone';
export { calendarOf, daysOf, inForceOrder, type Calendar, type Day, type DaySpan } from './days';
export { handovers, onDuty, shiftsOf, type Shift } from './rota';
export { boundaries, isHoliday, periodAt } from './weekly';
export { EXAMPLE_SPANS, readSpans, readTime, writeSpans, type Span, type TypedHours } from './typed';
export {
  dayAndMonth,
  fieldTime,
  habitOf,
  momentInFull,
  writeAs,
  writeHour,
  writeTime,
  writingOf,
  writtenAs,
  type Writing,
} from './writing';
export { choiceOf, isMeant, offsetInWords, zoneChoices, type ZoneChoice } from './zone-choices';
export { readDate, readMoment } from './typed-dates';
export { copyDay } from './copy';
export { exceptionsFrom, newTo, sameWeek, swapsFrom, weekFrom, type DatedEvent } from './from-calendar';
export { timesOf } from './exception-times';
export { dateInWords, DAY_NAMES, daysInWords, kindsOf, periodInWords } from './words';
