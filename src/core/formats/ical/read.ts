/** Reading calendars (iCalendar, RFC 5545): days off for hours, and turns for rotas. */
import ICAL from 'ical.js';
import { addDays, localTime } from '../../hours';

/** A calendar file larger than this is not read, in characters. */
export const LARGEST_CALENDAR = 5_000_000;
/** So many occurrences of one event are followed before it is given up. */
const MOST_REPEATS = 20_000;
/** So many events are kept. */
const MOST_EVENTS = 2000;

export interface CalendarEvent {
  name: string;
  /** Whole days: the first and the last, ISO. Null where it has times. */
  days: { from: string; to: string } | null;
  /** Local date and time of the business, such as 2027-05-03T08:00; null for whole days. */
  times: { from: string; to: string } | null;
}

export type CalendarRead =
  { ok: true; events: CalendarEvent[]; notes: string[] } | { ok: false; message: string };

/**
 * Reads the events of a calendar that touch a span of days. Repeating events are taken apart.
 * @param from @param to first and last day, ISO @param zone of the business, in which times are given back
 */
export function readCalendar(text: string, zone: string, from: string, to: string): CalendarRead {
  if (text.length > LARGEST_CALENDAR) return { ok: false, message: 'This file is too large for a calendar.' };
  let root: ICAL.Component;
  try {
    root = new ICAL.Component(ICAL.parse(text) as unknown as unknown[]);
  } catch (error) {
    const why = error instanceof Error ? error.message.slice(0, 120) : '';
    return { ok: false, message: `This is not an iCalendar file${why ? `: ${why}` : ''}.` };
  }
  if (root.name !== 'vcalendar') return { ok: false, message: 'This is not an iCalendar file.' };
  const notes = new Set<string>();
  const events: CalendarEvent[] = [];
  const known = new Set(
    root.getAllSubcomponents('vtimezone').map((z) => String(z.getFirstPropertyValue('tzid'))),
  );
  for (const component of root.getAllSubcomponents('vevent')) {
    const event = new ICAL.Event(component);
    const name =
      String(event.summary ?? '')
        .trim()
        .slice(0, 80) || 'Without a name';
    if (!event.startDate) {
      notes.add(`“${name}” has no start and was left out.`);
      continue;
    }
    const tzid = component.getFirstProperty('dtstart')?.getFirstParameter('tzid');
    const own = tzid && !known.has(tzid) ? (isZone(tzid) ? tzid : null) : undefined;
    if (own === null) notes.add(`The time zone “${tzid}” is not known: its times are read as of ${zone}.`);
    for (const { start, end } of occurrences(event, from, to, name, notes)) {
      if (events.length >= MOST_EVENTS) {
        notes.add(`Only the first ${MOST_EVENTS} events were read.`);
        return { ok: true, events, notes: [...notes] };
      }
      events.push(asEvent(name, start, end, zone, own));
    }
  }
  events.sort((a, b) => begin(a).localeCompare(begin(b)));
  return { ok: true, events, notes: [...notes] };
}

const begin = (e: CalendarEvent): string => e.days?.from ?? e.times!.from;

function isZone(zone: string): boolean {
  try {
    localTime(zone, 0);
    return true;
  } catch {
    return false;
  }
}

function* occurrences(
  event: ICAL.Event,
  from: string,
  to: string,
  name: string,
  notes: Set<string>,
): Generator<{ start: ICAL.Time; end: ICAL.Time }> {
  const touches = (start: ICAL.Time, end: ICAL.Time) => dateText(start) <= to && dateText(end) >= from;
  if (!event.isRecurring()) {
    if (touches(event.startDate, event.endDate)) yield { start: event.startDate, end: event.endDate };
    return;
  }
  const steps = event.iterator();
  for (let n = 0; ; n++) {
    if (n >= MOST_REPEATS) {
      notes.add(`“${name}” repeats too often and was read in part.`);
      return;
    }
    const next = steps.next() as ICAL.Time | null;
    if (!next || dateText(next) > to) return;
    const { startDate, endDate } = event.getOccurrenceDetails(next);
    if (touches(startDate, endDate)) yield { start: startDate, end: endDate };
  }
}

const two = (n: number): string => String(n).padStart(2, '0');
const dateText = (t: ICAL.Time): string => `${t.year}-${two(t.month)}-${two(t.day)}`;
const timeText = (t: ICAL.Time): string => `${dateText(t)}T${two(t.hour)}:${two(t.minute)}`;

/** @param own a zone known by name only, null for one not known at all */
function asEvent(
  name: string,
  start: ICAL.Time,
  end: ICAL.Time,
  zone: string,
  own: string | null | undefined,
): CalendarEvent {
  if (start.isDate) {
    // The end of whole days is not part of them (RFC 5545 §3.6.1).
    const last = addDays(dateText(end), -1);
    const from = dateText(start);
    return { name, days: { from, to: last < from ? from : last }, times: null };
  }
  const local = (t: ICAL.Time): string => {
    // Floating times, and those of a zone nobody knows, are what the clock here says.
    if (own === null || (own === undefined && t.zone === ICAL.Timezone.localTimezone)) return timeText(t);
    const at = own ? momentIn(own, t) : t.toUnixTime() * 1000;
    const { date, minute } = localTime(zone, at);
    return `${date}T${two(Math.floor(minute / 60))}:${two(Math.floor(minute % 60))}`;
  };
  return { name, days: null, times: { from: local(start), to: local(end) } };
}

function momentIn(zone: string, t: ICAL.Time): number {
  const utc = Date.UTC(t.year, t.month - 1, t.day, t.hour, t.minute);
  const shown = localTime(zone, utc);
  const local = Date.parse(`${shown.date}T00:00:00Z`) + shown.minute * 60_000;
  return utc - (local - utc);
}
