/** Who waits for an answer: those who called in vain or left a message, and those who wrote; everybody once. */
import type { CallBack } from '../calls';
import type { Conversation } from './conversations';
import type { FaxKept, TextKept } from './records';

export interface ToAnswer<T extends TextKept = TextKept> {
  /** E.164. */
  number: string;
  /** Since when, and when they tried last, epoch milliseconds. */
  since: number;
  last: number;
  /** Calls in vain and messages, where there are any. */
  callBack: CallBack | undefined;
  /** Conversations by text that wait, by number of ours. */
  texts: readonly Conversation<T>[];
  /** Faxes that nobody has seen to, the oldest first. */
  faxes: readonly FaxKept[];
  /** Who sees to it; undefined is nobody in particular. */
  assignedTo: string | undefined;
}

/** Whoever has waited longest stands first. @param conversations those that do not wait are passed over */
export function toAnswer<T extends TextKept>(
  callBacks: readonly CallBack[],
  conversations: readonly Conversation<T>[],
  faxes: readonly FaxKept[] = [],
): ToAnswer<T>[] {
  const found = new Map<string, ToAnswer<T>>(
    callBacks.map((c) => [
      c.number,
      {
        number: c.number,
        since: c.since,
        last: c.last,
        callBack: c,
        texts: [],
        faxes: [],
        assignedTo: c.assignedTo,
      },
    ]),
  );
  for (const c of conversations) {
    if (c.waitsSince === null) continue;
    const lastIn = c.texts.findLast((t) => t.way === 'in')?.at ?? c.waitsSince;
    const known = found.get(c.theirs);
    found.set(c.theirs, {
      number: c.theirs,
      since: Math.min(known?.since ?? Infinity, c.waitsSince),
      last: Math.max(known?.last ?? 0, lastIn),
      callBack: known?.callBack,
      texts: [...(known?.texts ?? []), c],
      faxes: known?.faxes ?? [],
      assignedTo: known?.assignedTo ?? c.assignedTo,
    });
  }
  for (const f of faxes) {
    if (f.way === 'out' || f.folder !== undefined || f.answeredAt !== undefined) continue;
    const known = found.get(f.from);
    found.set(f.from, {
      number: f.from,
      since: Math.min(known?.since ?? Infinity, f.at),
      last: Math.max(known?.last ?? 0, f.at),
      callBack: known?.callBack,
      texts: known?.texts ?? [],
      faxes: [...(known?.faxes ?? []), f],
      assignedTo: known?.assignedTo ?? f.assignedTo,
    });
  }
  return [...found.values()].sort((a, b) => a.since - b.since);
}
