/** The times of a CPL script (RFC 3880 §4.2), as periods of a week. */
import type { PeriodOfWeek } from '../../system';

const DAYS = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'];

/** Whether a time zone is known by this name. */
export function isZone(zone: string): boolean {
  try {
    return zone !== '' && Boolean(new Intl.DateTimeFormat('en', { timeZone: zone }));
  } catch {
    return false;
  }
}

/** Weekly or daily times as periods; undefined where they repeat in another way. */
export function weeklyOf(a: Record<string, string>, kind: string): PeriodOfWeek[] | undefined {
  const start = /^(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)/.exec(a.dtstart ?? '');
  if (!start || !['weekly', 'daily'].includes(a.freq ?? '') || (a.interval ?? '1') !== '1') return undefined;
  const from = Number(start[4]) * 60 + Number(start[5]);
  const to = endOf(a, from);
  if (to === undefined || to <= from) return undefined;
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
