export { LARGEST_CALENDAR, readCalendar, type CalendarEvent, type CalendarRead } from './read';
export { writeEvents, writeHours, writeRota, type WrittenEvent } from './write';
