export {
  LARGEST_CALENDAR,
  readCalendar,
  type CalendarEvent,
  type CalendarRead,
  type WeeklyEvent,
} from './read';
export { writeTasks, type WrittenTask } from './tasks';
export { readReply, uidOf, writeInvitation, writeReply, type Invited } from './invitation';
export { writeAppointment, type WrittenAppointment } from './appointment';
export { writeEvents, writeHours, writeRota, type WrittenEvent } from './write';
