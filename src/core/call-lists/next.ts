/** Who is called next, and what follows from a call. */
import { addDays, localTime, momentOf } from '../hours';
import type { Whereabouts } from '../numbering';
import { mayBother, nextAllowed } from '../texting';
import type { CallList, Entry, Outcome } from './kept';

/** Whoever has somebody before them and does nothing about it for so long no longer has, in milliseconds. Common practice, no source. */
export const TAKEN_MS = 30 * 60_000;
/**
 * A list for selling is held against the registry at most so many days before a call: 47 CFR 64.1200(c)(2)(i)(D), 31 days, from
 * memory; this is information, no advice.
 */
export const REGISTRY_DAYS = 31;
/** The own list of those not to be called is kept for five years: 47 CFR 64.1200(d)(6), from memory. */
export const NEVER_YEARS = 5;

/** Whom nobody is to call from any list: what was written down longer ago no longer counts. @param at epoch milliseconds */
export function neverCalled(
  never: readonly { number: string; at: number }[] | undefined,
  at: number,
): Set<string> {
  const since = new Date(at);
  since.setUTCFullYear(since.getUTCFullYear() - NEVER_YEARS);
  return new Set((never ?? []).flatMap((n) => (n.at >= since.getTime() ? n.number : [])));
}

/** Why nobody of a list may be called now; empty where that may be. @param today ISO */
export function closedBecause(list: CallList, today: string): string {
  if (list.rests) return 'The list rests.';
  if (!list.selling) return '';
  if (!list.registry)
    return 'Say first how and when it was held against the registry of those not to be called.';
  return addDays(list.registry.on, REGISTRY_DAYS) < today
    ? `It was held against the registry more than ${REGISTRY_DAYS} days ago: hold it against it again.`
    : '';
}

export interface Sight {
  /** Epoch milliseconds. */
  now: number;
  where: (number: string) => Whereabouts;
  /** Whom nobody is to call. */
  never: ReadonlySet<string>;
}

/** Whether somebody is free to be taken: nobody has them, or has had them for too long. */
export const isFree = ({ state, takenAt }: Entry, now: number): boolean =>
  state === 'waits' || (state === 'taken' && now - (takenAt ?? 0) > TAKEN_MS);

export type Next =
  | { is: 'somebody'; entry: Entry }
  /** Nobody may be called before then. */
  | { is: 'later'; at: number }
  /** All that are left are before others. */
  | { is: 'with others' }
  | { is: 'over' };

/** Those who are due first: who was to be called again, then the list in its order. @param by who asks, by name */
export function nextOf(entries: readonly Entry[], by: string, { now, where, never }: Sight): Next {
  const mine = entries.find((e) => e.state === 'taken' && e.takenBy === by);
  if (mine) return { is: 'somebody', entry: mine };
  const left = entries.filter((e) => (e.state === 'waits' || e.state === 'taken') && !never.has(e.number));
  if (!left.length) return { is: 'over' };
  const free = left.filter((e) => isFree(e, now));
  if (!free.length) return { is: 'with others' };
  const due = free
    .filter((e) => (e.from ?? 0) <= now && mayBother(where(e.number), now))
    .sort((a, b) => (a.from ?? Infinity) - (b.from ?? Infinity) || a.order - b.order);
  if (due[0]) return { is: 'somebody', entry: due[0] };
  const soonest = free.flatMap((e) => nextAllowed(where(e.number), Math.max(now, e.from ?? 0)) ?? []);
  return soonest.length ? { is: 'later', at: Math.min(...soonest) } : { is: 'over' };
}

export interface Came {
  entry: Entry;
  /** Nobody calls them any more, from any list. */
  never: boolean;
  /** What somebody is to do. */
  task: { text: string; by: string } | null;
}

/** How a call ended. @param at epoch milliseconds @param zone of the business */
export function ended(
  entry: Entry,
  outcome: Outcome,
  { by, note, at, zone }: { by: string; note: string; at: number; zone: string },
): Came {
  const { takenBy: _, takenAt: __, from: ___, ...rest } = entry;
  const today = localTime(zone, at).date;
  const calls = [...entry.calls, { at, by, outcomeId: outcome.id, note }].slice(-100);
  const done = { ...rest, calls };
  switch (outcome.then) {
    case 'done':
      return { entry: { ...done, state: 'done' }, never: false, task: null };
    case 'again':
      return {
        // The same time of day as now is as good as any; their hours are looked at when it comes.
        entry: {
          ...done,
          state: 'waits',
          from: outcome.days
            ? momentOf(zone, addDays(today, outcome.days), localTime(zone, at).minute)
            : at + TAKEN_MS,
        },
        never: false,
        task: null,
      };
    case 'never':
      return { entry: { ...done, state: 'never' }, never: true, task: null };
    case 'task':
      return {
        entry: { ...done, state: 'done' },
        never: false,
        task: {
          text: `${outcome.name}: ${entry.name || entry.number}${note ? `. ${note}` : ''}`,
          by: addDays(today, outcome.days),
        },
      };
  }
}

export interface Tally {
  all: number;
  /** Called at least once. */
  called: number;
  left: number;
  done: number;
  never: number;
  leftOut: number;
  /** How calls ended, by outcome; the last of each person. */
  by: { outcomeId: string; n: number }[];
  /** Calls by who made them. */
  who: { name: string; n: number }[];
}
export function tallyOf(entries: readonly Entry[], { outcomes }: Pick<CallList, 'outcomes'>): Tally {
  const size = (state: Entry['state']) => entries.filter((e) => e.state === state).length;
  const last = entries.flatMap((e) => e.calls.at(-1)?.outcomeId ?? []);
  const who = new Map<string, number>();
  for (const { calls } of entries) for (const { by } of calls) who.set(by, (who.get(by) ?? 0) + 1);
  return {
    all: entries.length,
    called: entries.filter((e) => e.calls.length).length,
    left: size('waits') + size('taken'),
    done: size('done'),
    never: size('never'),
    leftOut: size('left out'),
    by: outcomes.map(({ id }) => ({ outcomeId: id, n: last.filter((l) => l === id).length })),
    who: [...who].map(([name, n]) => ({ name, n })).sort((a, b) => b.n - a.n),
  };
}
