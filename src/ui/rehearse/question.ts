/** A rehearsal asked in full: which calls, when, and how everybody behaves. */
import { z } from 'zod';
import { Act, type Behaviour, type CallRequest, type Trace } from '$core/calls';
import { Then, type NumberHeld } from '$core/system';

export const Question = z.object({
  numberId: z.string().nullable(),
  /** The caller's number in E.164, or empty where it is hidden. */
  caller: z.string(),
  suspected: z.boolean(),
  /** Epoch milliseconds; null is now. */
  at: z.number().nullable(),
  people: z.record(z.string(), Act),
  /** Phones that behave in a way of their own. */
  phones: z.record(z.string(), Act),
  keys: z.array(z.object({ after: z.number(), press: z.string() })),
  says: z.record(z.string(), z.string()),
  /** What people do once it is answered. */
  then: z.array(Then).max(20).default([]),
  /** Seconds after which the caller gives up; null is never. */
  patience: z.number().nullable(),
  seed: z.number().int(),
  /** So many calls, so many seconds apart. */
  calls: z.number().int().min(1).max(20),
  apart: z.number().min(0).max(600),
});
export type Question = z.infer<typeof Question>;

export const freshQuestion = (caller: string): Question => ({
  numberId: null,
  caller,
  suspected: false,
  at: null,
  people: {},
  phones: {},
  keys: [],
  says: {},
  then: [],
  patience: null,
  seed: 0,
  calls: 1,
  apart: 20,
});

export const behaviourOf = (q: Question): Behaviour => ({
  people: q.people,
  phones: q.phones,
  otherwise: { does: 'nothing' },
  caller: { hangsUpAfter: q.patience, talks: 60, message: 12, keys: q.keys, says: q.says },
  ...(q.then.length ? { then: q.then } : {}),
});

const KEYS_OF_A_PHONE = /[0-9*#]/g;

/** The calls a question asks about. @param now epoch milliseconds, where it asks about now */
export const requestsOf = (q: Question, number: NumberHeld, now: number): CallRequest[] =>
  Array.from({ length: q.calls }, (_, i) => ({
    id: `call-${i + 1}`,
    at: (q.at ?? now) + i * q.apart * 1000,
    from: { kind: 'outside', number: q.caller || null, ...(q.suspected ? { suspected: true } : {}) },
    to: { kind: 'number', e164: number.e164 },
    behaviour: behaviourOf(q),
    seed: q.seed,
  }));

/** A phone that is rung or passed over, by its id or as an outside number, and for whom; null where there is none. */
export interface Rung {
  phone: string | null;
  personId: string | null;
}

/** Every phone that is rung or passed over on the way of a call, each once. */
export function rungIn(traces: readonly Trace[]): Rung[] {
  const seen = new Map<string, Rung>();
  for (const e of traces.flat())
    if (e.kind === 'leg offered' || e.kind === 'not rung')
      seen.set(`${e.phone} ${e.personId}`, { phone: e.phone, personId: e.personId });
  return [...seen.values()];
}

/**
 * What is wrong with each entry of keys: what is no key, or keys that nothing on the call's way listened to. A wrong key
 * was listened to; the trace says of it that it leads nowhere.
 * @param trace the call as it was worked out with these keys
 */
export function keysUnheard(keys: Question['keys'], trace: Trace | undefined): (string | null)[] {
  const heard = (trace ?? []).flatMap((e) => (e.kind === 'key' ? [e.key] : []));
  return keys.map(({ press }) => {
    const wrong = press.replace(KEYS_OF_A_PHONE, '');
    if (wrong) return `A phone has the keys 0 to 9, * and #: “${wrong}” is none.`;
    const lost = [...press].filter((key) => {
      const found = heard[0] === key;
      if (found) heard.shift();
      return !found;
    });
    return trace && lost.length ? `Nothing on this way listens to ${lost.join(' ')}.` : null;
  });
}

/** The part of an address that asks a question, for a link within this browser. */
export const asLink = (q: Question): string => `?ask=${encodeURIComponent(JSON.stringify(q))}`;

export function fromLink(text: string | null): Question | undefined {
  if (!text) return undefined;
  try {
    return Question.parse(JSON.parse(text));
  } catch {
    return undefined;
  }
}
