export {
  LARGEST_CALENDAR,
  readCalendar,
  type CalendarEvent,
  type CalendarRead,
  type WeeklyEvent,
} from './read';
export { writeTasks, type WrittenTask } from './tasks';
export { writeAppointment, type WrittenAppointment } from './appointment';
export { writeEvents, writeHours, writeRota, type WrittenEvent } from './write';
