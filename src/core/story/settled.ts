/** Whether somebody has talked with whoever called in vain, since they did. */
import { factsOfCall, factsOfMessage, type Facts } from './facts';
import type { Row } from './log/rows';
import type { Kept } from './story';

/** When, how and by whom it came to be of no more account. */
export interface Settled {
  at: number;
  how: 'called back' | 'called again and talked' | 'said to be done';
  /** Who of ours talked; empty where that is not known. */
  personIds: readonly string[];
  /** The phone of ours it was called from. */
  phone?: string | undefined;
}

/** What has settled calls in vain, by number, the earliest first. */
export type Settling = ReadonlyMap<string, readonly Settled[]>;

/** What of an entry may settle another. */
type Settler = Pick<Row, 'at' | 'answeredAt'> & { facts: Facts };

/** Of calls and messages as they are kept. */
export function settling({ calls, messages }: Pick<Kept, 'calls' | 'messages'>): Settling {
  return settlingOf([
    ...calls.map((c): Settler => ({ at: c.at, answeredAt: c.answeredAt, facts: factsOfCall(c) })),
    ...messages.map((m): Settler => ({ at: m.at, answeredAt: m.answeredAt, facts: factsOfMessage(m) })),
  ]);
}

export function settlingOf(entries: Iterable<Settler>): Settling {
  const found = new Map<string, Settled[]>();
  const add = (number: string | null, settled: Settled) => {
    if (!number) return;
    const all = found.get(number);
    if (all) all.push(settled);
    else found.set(number, [settled]);
  };
  for (const { at, answeredAt, facts } of entries) {
    const { way, other, talked, withIds, phones } = facts;
    if (talked && way === 'out') add(other, { at, how: 'called back', personIds: withIds, phone: phones[0] });
    else if (talked && way === 'in') add(other, { at, how: 'called again and talked', personIds: withIds });
    if (way === 'in' && answeredAt !== undefined)
      add(other, { at: answeredAt, how: 'said to be done', personIds: [] });
  }
  for (const all of found.values()) all.sort((a, b) => a.at - b.at);
  return found;
}

/** @param all in order */
function firstAfter(all: readonly Settled[], at: number): Settled | undefined {
  let [low, high] = [0, all.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (all[middle]!.at > at) high = middle;
    else low = middle + 1;
  }
  return all[low];
}

/** What settled an entry: the first of it after the call; undefined where nothing has, or nothing was to be. */
export function settledBy(
  { facts, at, answeredAt: done }: Pick<Row, 'facts' | 'at' | 'answeredAt'>,
  by: Settling,
): Settled | undefined {
  if (!facts.missed) return undefined;
  const found = facts.other ? firstAfter(by.get(facts.other) ?? [], at) : undefined;
  if (found) return found;
  return done === undefined ? undefined : { at: done, how: 'said to be done', personIds: [] };
}
