/**
 * Follow-ups tried on what has been dealt with: to what they would have applied, what each would have got and when, and why not.
 * All of a system's go together, for they share what one receiver gets in a day.
 */
import TinyQueue from 'tinyqueue';
import { localTime } from '../hours';
import type { Whereabouts } from '../numbering';
import type { Row, Settling } from '../story';
import { usualByItself, type FollowUp } from '../system';
import { stoppedBy, type WishEntered } from '../texting';
import { errandsOf, receiverOf, type Doing, type Errand } from './errands';
import { judge, overAt, type Happening, type Sight } from './happenings';
import { decide, type Known } from './sending';

/** What one thing came to, or would have. */
export interface Got {
  doing: Doing | null;
  /** When it would have been done, epoch milliseconds; null is not at all. */
  at: number | null;
  /** Why later than it was due, or not at all. */
  why: string;
}
export interface Line {
  /** What set it off. */
  happening: Happening;
  got: Got[];
}
export interface Tried {
  /** Happenings of the kind it waits for. */
  about: number;
  /** How often each of its conditions was the first that did not hold, by its place. */
  notSo: readonly number[];
  /** Those it applied to, the newest first. */
  lines: readonly Line[];
}

export interface Past {
  happenings: readonly Happening[];
  /** What settled calls in vain and talks there were, see `settlingOf`. */
  settling: Settling;
  /** Texts that came from a number. */
  textsOf: (number: string) => readonly Row[];
  wishes: readonly WishEntered[];
  /** Where somebody may be. */
  where: (number: string) => Whereabouts;
}

/** Whether somebody was talked with since a moment and until another. */
export const talkedBetween = (settling: Settling, number: string, since: number, until: number): boolean =>
  (settling.get(number) ?? []).some((s) => s.at > since && s.at <= until && s.how !== 'said to be done');

/** Why somebody gets no texts, in words; null where nothing is against it. */
export function stopInWords(
  said: readonly { way: 'in' | 'out'; from: string; text: string; at: number }[],
  wishes: readonly WishEntered[],
  number: string,
  at: number,
): string | null {
  const stopped = stoppedBy(said, wishes, number, at + 1);
  return stopped && 'They want no texts, and said so.';
}

/** What happened of itself: calls, texts and messages as they were, once each, for `Past`. */
export const happeningsOf = (rows: Iterable<Row>): Happening[] =>
  Array.from(rows, (row): Happening => ({ is: 'dealt with', row })).sort((a, b) => overAt(a) - overAt(b));

interface Due {
  at: number;
  order: number;
  errand: Errand;
  got: Got;
}

/**
 * @param followUps all that are in it; those that rest are passed over
 * @returns by the id of each
 */
export function tryOn(followUps: readonly FollowUp[], past: Past, sight: Sight): Map<string, Tried> {
  const { system } = sight;
  const { timeZone: zone } = system.business;
  const { perDay, lateHours } = system.business.byItself ?? usualByItself();
  const found = new Map(
    followUps.map((f) => [f.id, { about: 0, notSo: f.if.map(() => 0), lines: [] as Line[] }]),
  );
  const queue = new TinyQueue<Due>([], (a, b) => a.at - b.at || a.order - b.order);
  let order = 0;
  for (const happening of past.happenings)
    for (const followUp of followUps) {
      const judged = judge(followUp, happening, sight);
      if (judged.is === 'another matter') continue;
      const mine = found.get(followUp.id)!;
      mine.about++;
      if (judged.is === 'not so') {
        mine.notSo[judged.condition]!++;
        continue;
      }
      const errands = errandsOf(followUp, happening, system);
      const got = errands.map((e): Got => ({ doing: e.doing, at: null, why: e.lacks ?? '' }));
      mine.lines.push({ happening, got });
      for (const [i, errand] of errands.entries())
        if (errand.doing) queue.push({ at: errand.due, order: order++, errand, got: got[i]! });
    }
  const last = new Map<string, number>();
  const daily = new Map<string, number>();
  const forSame = new Set<string>();
  const same = (about: { kind: string; id: string }, receiver: string) =>
    `${receiver} ${about.kind} ${about.id}`;
  const known: Known = {
    now: 0,
    zone,
    perDay,
    lateHours,
    stopped: (number) =>
      stopInWords(
        past.textsOf(number).map((r) => ({ way: 'in', from: number, text: r.facts.text, at: r.at })),
        past.wishes,
        number,
        known.now,
      ),
    talkedSince: (number, since) => talkedBetween(past.settling, number, since, known.now),
    lastSent: (id, receiver) => last.get(`${id} ${receiver}`) ?? null,
    sentOn: (receiver, day) => daily.get(`${receiver} ${day}`) ?? 0,
    sentFor: (about, receiver) => forSame.has(same(about, receiver)),
    where: past.where,
    held: () => null,
  };
  for (let due = queue.pop(); due; due = queue.pop()) {
    const { errand, got } = due;
    known.now = due.at;
    const decision = decide(errand, known);
    switch (decision.is) {
      case 'wait':
        got.why = decision.why;
        queue.push({ ...due, at: decision.until });
        break;
      case 'not':
        got.why = decision.why;
        break;
      case 'do': {
        got.at = due.at;
        const receiver = receiverOf(errand.doing!);
        if (receiver === null) break;
        if (errand.about) forSame.add(same(errand.about, receiver));
        last.set(`${errand.followUpId} ${receiver}`, due.at);
        const key = `${receiver} ${localTime(zone, due.at).date}`;
        daily.set(key, (daily.get(key) ?? 0) + 1);
        break;
      }
    }
  }
  for (const mine of found.values()) mine.lines.reverse();
  return found;
}

/** How what would have been done comes out, by what it is and why: the most frequent first. */
export function countsOf(
  lines: readonly Line[],
): { what: Doing['do'] | null; why: string; done: boolean; n: number }[] {
  const counts = new Map<string, { what: Doing['do'] | null; why: string; done: boolean; n: number }>();
  for (const { got } of lines)
    for (const { doing, at, why } of got) {
      const key = `${doing?.do ?? ''} ${at !== null} ${why}`;
      const known = counts.get(key);
      if (known) known.n++;
      else counts.set(key, { what: doing?.do ?? null, why, done: at !== null, n: 1 });
    }
  return [...counts.values()].sort((a, b) => b.n - a.n);
}
