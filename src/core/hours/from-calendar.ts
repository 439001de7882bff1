/** What a calendar says, as changes to a rota or as exceptions to hours. */
import type { Hours, HoursException, Rota } from '../system/shape/hours';
import { calendarOf } from './days';
import { addDays, dayNumber } from './zone';

/** An event of a calendar: whole days (both included), or from one local moment to another (ISO, no zone). */
export interface DatedEvent {
  name: string;
  days?: { from: string; to: string } | null | undefined;
  times?: { from: string; to: string } | null | undefined;
}

/**
 * Events named after somebody become swaps of a rota.
 * @param people by the name they go by
 * @returns the swaps, and the names that nobody here goes by, each once
 */
export function swapsFrom(
  events: readonly DatedEvent[],
  people: readonly { id: string; name: string }[],
): { swaps: Rota['swaps']; unknown: string[] } {
  const byName = new Map(people.map((p) => [p.name.toLowerCase(), p.id]));
  const unknown = new Set<string>();
  const swaps = events.flatMap((e) => {
    const personId = byName.get(e.name.toLowerCase());
    if (!personId) {
      unknown.add(e.name);
      return [];
    }
    return e.times
      ? [{ ...e.times, personId }]
      : [{ from: `${e.days!.from}T00:00`, to: `${addDays(e.days!.to, 1)}T00:00`, personId }];
  });
  return { swaps, unknown: [...unknown] };
}

/** So many exceptions are taken at once, as many as a set of hours may have. */
export const MOST_EXCEPTIONS = 200;
const minuteOf = (moment: string) => Number(moment.slice(11, 13)) * 60 + Number(moment.slice(14, 16));

/**
 * Events as exceptions: whole days are closed, days of the same name stand together; an event with times on one day is when
 * it is open on that day.
 * @param open the kind of period that those times are of
 * @returns exceptions without ids, how many more there are than are taken, and what goes over midnight and is left out
 */
export function exceptionsFrom(
  events: readonly DatedEvent[],
  open: string,
): { list: Omit<HoursException, 'id'>[]; more: number; skipped: string[] } {
  const byName = new Map<string, Omit<HoursException, 'id'>>();
  const skipped = new Set<string>();
  for (const e of events) {
    if (e.days) {
      const { from, to } = e.days;
      const known = byName.get(e.name);
      if (from === to && known?.when.on === 'dates' && !known.times.length) known.when.dates.push(from);
      else
        byName.set(from === to && !known ? e.name : `${e.name} ${from}`, {
          name: e.name,
          when: from === to ? { on: 'dates', dates: [from] } : { on: 'range', from, to },
          times: [],
          holiday: null,
        });
      continue;
    }
    const { from, to } = e.times!;
    const [start, end] = [minuteOf(from), minuteOf(to) || 1440];
    if (from.slice(0, 10) !== to.slice(0, 10) && end !== 1440) {
      skipped.add(e.name);
      continue;
    }
    if (end <= start) continue;
    byName.set(`${e.name} ${from}`, {
      name: e.name,
      when: { on: 'dates', dates: [from.slice(0, 10)] },
      times: [{ day: null, from: start, to: end, kind: open }],
      holiday: null,
    });
  }
  const all = [...byName.values()];
  return {
    list: all.slice(0, MOST_EXCEPTIONS),
    more: Math.max(0, all.length - MOST_EXCEPTIONS),
    skipped: [...skipped],
  };
}

/** Events of every week as the periods of a week, in its order. */
export const weekFrom = (
  weekly: readonly { name: string; days: readonly number[]; from: number; to: number }[],
): Hours['weekly'] =>
  weekly
    .flatMap(({ name, days, from, to }) => days.map((day) => ({ day, from, to, kind: name.slice(0, 30) })))
    .sort((a, b) => a.day - b.day || a.from - b.from);

/** Whether two weeks have the same periods, whatever order they stand in. */
export const sameWeek = (a: Hours['weekly'], b: Hours['weekly']): boolean => {
  const text = (week: Hours['weekly']) =>
    week
      .map((p) => `${p.day} ${p.from} ${p.to} ${p.kind}`)
      .sort()
      .join();
  return text(a) === text(b);
};

/** Exceptions that hours do not have yet: on some day of theirs other times would hold than hold now. */
export const newTo = <E extends Omit<HoursException, 'id'>>(hours: Hours, list: readonly E[]): E[] =>
  list.filter((e) => {
    const days =
      e.when.on === 'dates'
        ? e.when.dates
        : e.when.on === 'range'
          ? Array.from({ length: dayNumber(e.when.to) - dayNumber(e.when.from) + 1 }, (_, i) =>
              addDays((e.when as { from: string }).from, i),
            )
          : [];
    const times = (all: readonly { from: number; to: number }[]) =>
      all
        .map((t) => `${t.from}-${t.to}`)
        .sort()
        .join();
    return (
      !days.length ||
      days.some((day) => {
        const now = calendarOf(hours).on(dayNumber(day));
        return !now.exception || times(now.spans) !== times(e.times);
      })
    );
  });
