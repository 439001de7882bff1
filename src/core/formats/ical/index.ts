export {
  LARGEST_CALENDAR,
  readCalendar,
  type CalendarEvent,
  type CalendarRead,
  type WeeklyEvent,
} from './read';
export { writeEvents, writeHours, writeRota, type WrittenEvent } from './write';
