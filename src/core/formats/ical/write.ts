/** Writing calendars (iCalendar, RFC 5545): hours with their exceptions, rotas, and coverage. */
import ICAL from 'ical.js';
import {
  addDays,
  calendarOf,
  dateOf,
  dayNumber,
  localTime,
  momentOfDay,
  nextClockChange,
  shiftsOf,
} from '../../hours';
import type { Hours, Rota } from '../../system';
import { forLine, forLines } from '../clean';

const DAYS = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'];

/** An event of a calendar to be written: a span of time, or whole days. */
export interface WrittenEvent {
  uid: string;
  name: string;
  note?: string;
  /** Epoch milliseconds. */
  from: number;
  to: number;
}

/** A calendar with nothing in it yet. @param at when it is written, epoch milliseconds */
function calendar(name: string, zone: string, from: number, to: number): ICAL.Component {
  const root = new ICAL.Component(['vcalendar', [], []]);
  root.updatePropertyWithValue('prodid', '-//Upper Line//Hours//EN');
  root.updatePropertyWithValue('version', '2.0');
  root.updatePropertyWithValue('calscale', 'GREGORIAN');
  root.updatePropertyWithValue('name', forLine(name));
  root.addSubcomponent(timeZone(zone, from, to));
  return root;
}

/** The offsets of a zone from one moment to another, as its changes of clocks. */
export function timeZone(zone: string, from: number, to: number): ICAL.Component {
  const component = new ICAL.Component('vtimezone');
  component.updatePropertyWithValue('tzid', zone);
  const offset = (at: number) => {
    const local = localTime(zone, at);
    return Math.round((local.days * 86_400_000 + local.minute * 60_000 - at) / 1000);
  };
  let before = offset(from);
  const add = (start: ICAL.Time, was: number, is: number) => {
    const part = new ICAL.Component(is > was ? 'daylight' : 'standard');
    part.addPropertyWithValue('dtstart', start);
    part.addPropertyWithValue('tzoffsetfrom', ICAL.UtcOffset.fromSeconds(was));
    part.addPropertyWithValue('tzoffsetto', ICAL.UtcOffset.fromSeconds(is));
    component.addSubcomponent(part);
  };
  add(ICAL.Time.fromData({ year: 1970, month: 1, day: 1, hour: 0, minute: 0, second: 0 }), before, before);
  for (let at = nextClockChange(zone, from); at < to; at = nextClockChange(zone, at)) {
    const is = offset(at);
    // The onset is given in the time that held before it (RFC 5545 §3.6.5).
    add(floating(at + before * 1000), before, is);
    before = is;
  }
  return component;
}

/** Milliseconds since 1970 of a wall clock, as a time without a zone. */
export function floating(wall: number): ICAL.Time {
  const d = new Date(wall);
  return ICAL.Time.fromData({
    year: d.getUTCFullYear(),
    month: d.getUTCMonth() + 1,
    day: d.getUTCDate(),
    hour: d.getUTCHours(),
    minute: d.getUTCMinutes(),
    second: d.getUTCSeconds(),
  });
}

const wallOf = (zone: string, at: number): number => {
  const { days, minute } = localTime(zone, at);
  return days * 86_400_000 + Math.round(minute * 60_000);
};

interface Times {
  zone: string;
  /** When the file is written, epoch milliseconds. */
  now: number;
}

function event(uid: string, name: string, { now }: Times): ICAL.Component {
  const component = new ICAL.Component('vevent');
  component.updatePropertyWithValue('uid', uid);
  component.updatePropertyWithValue('summary', forLine(name));
  component.updatePropertyWithValue('dtstamp', utc(now));
  return component;
}

function setSpan(component: ICAL.Component, zone: string, fromWall: number, toWall: number): void {
  for (const [name, wall] of [
    ['dtstart', fromWall],
    ['dtend', toWall],
  ] as const) {
    const property = component.addPropertyWithValue(name, floating(wall));
    property.setParameter('tzid', zone);
  }
}

const HOUR_MS = 3_600_000;
/** Whether the wall clock of a moment comes twice. */
const comesTwice = (zone: string, at: number): boolean =>
  [at - HOUR_MS, at + HOUR_MS].some((other) => wallOf(zone, other) === wallOf(zone, at));

/** A moment in UTC. @param at epoch milliseconds */
export function utc(at: number): ICAL.Time {
  const time = floating(at);
  time.zone = ICAL.Timezone.utcTimezone;
  return time;
}

/** When a single event is: in the zone; an hour that comes twice is told apart in UTC. */
export function writeTimes(
  component: ICAL.Component,
  zone: string,
  { from, to }: { from: number; to: number },
): void {
  if (!comesTwice(zone, from) && !comesTwice(zone, to))
    return setSpan(component, zone, wallOf(zone, from), wallOf(zone, to));
  component.addPropertyWithValue('dtstart', utc(from));
  component.addPropertyWithValue('dtend', utc(to));
}

/** Spans of time as a calendar. */
export function writeEvents(
  name: string,
  events: readonly WrittenEvent[],
  times: Times & { from: number; to: number },
): string {
  const root = calendar(name, times.zone, times.from, times.to);
  for (const e of events) {
    const component = event(e.uid, e.name, times);
    writeTimes(component, times.zone, e);
    if (e.note) component.updatePropertyWithValue('description', forLines(e.note));
    root.addSubcomponent(component);
  }
  return `${root.toString()}\r\n`;
}

/**
 * Hours as a calendar: each period of the week as a weekly event, left out on the days of exceptions, whose own times
 * stand as single events; a day that is closed by an exception is a whole-day event with its name.
 * @param from first day written, ISO @param days how many
 */
export function writeHours(hours: Hours, times: Times, from: string, days: number): string {
  const { zone } = times;
  const first = dayNumber(from);
  const start = momentOfDay(zone, first, 0);
  const root = calendar(hours.name, zone, start, momentOfDay(zone, first + days, 0));
  const days_ = Array.from({ length: days }, (_, i) => first + i);
  const special = days_.filter((day) => calendarOf(hours).on(day).exception);
  const spans = new Map<string, { from: number; to: number; kind: string; days: number[] }>();
  for (const p of hours.weekly) {
    const key = `${p.from} ${p.to} ${p.kind}`;
    const known = spans.get(key);
    if (known) known.days.push(p.day);
    else spans.set(key, { from: p.from, to: p.to, kind: p.kind, days: [p.day] });
  }
  for (const [key, span] of spans) {
    const weekday = (day: number) => ((day + 3) % 7) + 1;
    const begins = days_.find((day) => span.days.includes(weekday(day)));
    if (begins === undefined) continue;
    const component = event(`${hours.id}-${key.replace(/\W+/g, '-')}@upperline.example`, span.kind, times);
    const wall = begins * 86_400_000;
    setSpan(component, zone, wall + span.from * 60_000, wall + span.to * 60_000);
    component.addPropertyWithValue(
      'rrule',
      ICAL.Recur.fromData({
        freq: 'WEEKLY',
        byday: [...span.days].sort((a, b) => a - b).map((d) => DAYS[d - 1]!),
      }),
    );
    for (const day of special)
      if (span.days.includes(weekday(day)) && day >= begins) {
        const left = component.addPropertyWithValue(
          'exdate',
          floating(day * 86_400_000 + span.from * 60_000),
        );
        left.setParameter('tzid', zone);
      }
    root.addSubcomponent(component);
  }
  for (const day of special) {
    const { spans: own, exception } = calendarOf(hours).on(day);
    for (const span of own) {
      const component = event(
        `${hours.id}-${exception!.id}-${day}-${span.from}@upperline.example`,
        `${span.kind}: ${exception!.name}`,
        times,
      );
      setSpan(component, zone, day * 86_400_000 + span.from * 60_000, day * 86_400_000 + span.to * 60_000);
      root.addSubcomponent(component);
    }
    if (own.length) continue;
    const component = event(`${hours.id}-${exception!.id}-${day}@upperline.example`, exception!.name, times);
    component.addPropertyWithValue('dtstart', ICAL.Time.fromDateString(dateOf(day)));
    component.addPropertyWithValue('dtend', ICAL.Time.fromDateString(addDays(dateOf(day), 1)));
    root.addSubcomponent(component);
  }
  return `${root.toString()}\r\n`;
}

/** A rota as a calendar: one event for each shift. */
export function writeRota(
  rota: Rota,
  nameOf: (personId: string) => string,
  times: Times,
  from: number,
  to: number,
): string {
  const shifts = shiftsOf(rota, times.zone, from, to);
  return writeEvents(
    rota.name,
    shifts.map((s, i) => ({
      uid: `${rota.id}-${s.from}-${i}@upperline.example`,
      name: s.personId ? nameOf(s.personId) : 'Nobody on duty',
      from: s.from,
      to: s.to,
    })),
    { ...times, from, to },
  );
}
