/** The times of a CPL script (RFC 3880 §4.2), as periods of a week. */
import type { PeriodOfWeek } from '../../system';
import { element, type Node } from './xml';

const DAYS = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'];

/** Whether a time zone is known by this name. */
export function isZone(zone: string): boolean {
  try {
    return zone !== '' && Boolean(new Intl.DateTimeFormat('en', { timeZone: zone }));
  } catch {
    return false;
  }
}

/** What a time may say besides when it begins, how long it lasts and on which days of the week (RFC 3880 §4.4). */
const MORE = [
  'until',
  'count',
  'bysecond',
  'byminute',
  'byhour',
  'bymonthday',
  'byyearday',
  'byweekno',
  'bymonth',
  'bysetpos',
];

/** Why a time is no period of every week, in words; undefined where it is one. */
export function notWeekly(a: Record<string, string>): string | undefined {
  const more = MORE.filter((name) => a[name] !== undefined);
  if (more.length) return `it goes by ${more.map((name) => `${name} ${a[name]}`).join(', ')}`;
  if (/Z$/i.test(a.dtstart ?? '') || /Z$/i.test(a.dtend ?? '')) return 'it is given in UTC';
  if (!['weekly', 'daily'].includes(a.freq ?? '')) return `it comes ${a.freq ?? 'once'}`;
  if ((a.interval ?? '1') !== '1') return `it comes every ${a.interval} times only`;
  return weeklyOf(a, '') ? undefined : 'its times cannot be read';
}

/** Weekly or daily times as periods; undefined where they repeat in another way. */
export function weeklyOf(a: Record<string, string>, kind: string): PeriodOfWeek[] | undefined {
  const start = /^(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)\d*$/.exec(a.dtstart ?? '');
  if (!start || !['weekly', 'daily'].includes(a.freq ?? '') || (a.interval ?? '1') !== '1') return undefined;
  if (MORE.some((name) => a[name] !== undefined) || /Z$/i.test(a.dtend ?? '')) return undefined;
  const from = Number(start[4]) * 60 + Number(start[5]);
  const to = endOf(a, from);
  if (to === undefined || to <= from || from >= 1440 || to > 2880) return undefined;
  const own = new Date(`${start[1]}-${start[2]}-${start[3]}T00:00:00Z`).getUTCDay() || 7;
  const days = a.byday
    ? a.byday.split(',').map((d) => DAYS.indexOf(d.trim().toUpperCase()) + 1)
    : a.freq === 'daily'
      ? [1, 2, 3, 4, 5, 6, 7]
      : [own];
  if (days.includes(0)) return undefined;
  // What goes over midnight is cut in two.
  return days.flatMap((day) =>
    to <= 1440
      ? [{ day, from, to, kind }]
      : [
          { day, from, to: 1440, kind },
          { day: (day % 7) + 1, from: 0, to: to - 1440, kind },
        ],
  );
}

function endOf(a: Record<string, string>, from: number): number | undefined {
  const d = /^P(?:(\d+)D)?(?:T(?:(\d+)H)?(?:(\d+)M)?(?:(\d+)S)?)?$/.exec(a.duration ?? '');
  if (d) {
    const minutes = Number(d[1] ?? 0) * 1440 + Number(d[2] ?? 0) * 60 + Number(d[3] ?? 0);
    return minutes > 1440 ? undefined : from + minutes;
  }
  const end = /^\d{8}T(\d\d)(\d\d)/.exec(a.dtend ?? '');
  if (!end) return undefined;
  const to = Number(end[1]) * 60 + Number(end[2]);
  return to > from ? to : to + 1440;
}

/** Periods as <time> elements, those of the same hours in one. @param content what a call gets at those times */
export function timesOf(
  periods: readonly Pick<PeriodOfWeek, 'day' | 'from' | 'to'>[],
  content: () => Node[],
): Node[] {
  const spans = new Map<string, number[]>();
  for (const p of periods) {
    const key = `${p.from} ${p.to}`;
    spans.set(key, [...(spans.get(key) ?? []), p.day]);
  }
  return [...spans].map(([key, days]) => {
    const [from, to] = key.split(' ').map(Number) as [number, number];
    return element(
      'time',
      {
        // 6 January 2020 was a Monday; the script repeats from there.
        dtstart: `202001${two(5 + Math.min(...days))}T${clock(from)}`,
        duration: duration(to - from),
        freq: 'weekly',
        byday: days.map((d) => DAYS[d - 1]!).join(','),
      },
      content(),
    );
  });
}

const two = (n: number): string => String(n).padStart(2, '0');
const clock = (minute: number): string => `${two(Math.floor(minute / 60))}${two(minute % 60)}00`;
/** ISO 8601, as iCalendar writes it. */
const duration = (minutes: number): string =>
  `PT${minutes >= 60 ? `${Math.floor(minutes / 60)}H` : ''}${minutes % 60 ? `${minutes % 60}M` : ''}`;
