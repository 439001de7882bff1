/** A round of texts as it would go: one line for each, what it says, in how many parts and when, or why it does not go. */
import type { Whereabouts } from '../numbering';
import type { System } from '../system';
import { FIELDS, filled, filledBy, MOST_PARTS, nextAllowed, partsOf } from '../texting';
import type { Receiver } from './receivers';

export interface Line {
  number: string | null;
  name: string;
  /** What they get; null where they get nothing. */
  text: string | null;
  parts: number;
  /** When it goes, epoch milliseconds. */
  at: number | null;
  /** When it leaves here; it waits for the morning where they are. */
  due: number | null;
  /** Why they get nothing. */
  why: string;
}
export interface Prepared {
  lines: Line[];
  goes: number;
  parts: number;
  /** How many get nothing, by why; the most frequent first. */
  leftOut: { why: string; n: number }[];
  /** When the first and the last of them go. */
  first: number | null;
  last: number | null;
}

export interface Asked {
  text: string;
  /** The number it goes out from, E.164. */
  from: string;
  /** When the first may go, epoch milliseconds. */
  start: number;
  receivers: readonly Receiver[];
  /** How and when those of a file agreed to be texted; empty is that they did not. */
  consent: string;
}
export interface Sight {
  system: System;
  /** Who wants no texts. */
  stopped: ReadonlySet<string>;
  where: (number: string) => Whereabouts;
  /** How long the carrier takes for one part, in milliseconds. */
  paceMs: number;
}

function textFor({ text, from }: Asked, one: Receiver, system: System): string | { lacks: string } {
  const facts = {
    contact: one.contact ?? (one.name ? { name: one.name } : undefined),
    business: system.business,
    by: undefined,
    from,
  };
  const { text: done, empty } = filledBy(text, (field) => {
    const own = one.fields[field];
    if (own) return own;
    if (!Object.hasOwn(FIELDS, field)) return '';
    const made = filled(`{${field}}`, facts);
    return made.empty.length ? '' : made.text;
  });
  return empty.length ? { lacks: `Nothing is known for ${empty.join(', ')}.` } : done;
}

/** Numbers of the business, and of phones of colleagues. */
interface Ours {
  lines: ReadonlySet<string>;
  phones: ReadonlySet<string | null>;
}

/** Why somebody gets nothing, before anything is filled in; empty where nothing is against it. */
function against(
  one: Receiver,
  { consent }: Asked,
  { stopped }: Sight,
  seen: ReadonlySet<string>,
  ours: Ours,
): string {
  const { number, contact, wrong } = one;
  if (!number) return wrong || 'No number is known.';
  if (seen.has(number)) return 'They are in it twice: they get it once.';
  if (stopped.has(number)) return 'They want no texts, and said so.';
  if (contact?.blocked) return 'They are blocked.';
  if (ours.lines.has(number)) return 'It is a number of yours.';
  if (ours.phones.has(number)) return 'It is the phone of a colleague.';
  if (!contact?.consent && !consent.trim()) return 'They have not agreed to be texted.';
  return '';
}

/** @returns a line for each, in order; those that go one after the other, as the carrier takes them */
export function prepare(asked: Asked, sight: Sight): Prepared {
  const seen = new Set<string>();
  const ours: Ours = {
    lines: new Set(Object.values(sight.system.numbers).map((n) => n.e164)),
    phones: new Set(Object.values(sight.system.phones).map((p) => p.number)),
  };
  const why = new Map<string, number>();
  let [due, parts, goes] = [asked.start, 0, 0];
  let first: number | null = null;
  let last: number | null = null;
  const lines = asked.receivers.map((one): Line => {
    const { number, name } = one;
    const not = (words: string): Line => {
      why.set(words, (why.get(words) ?? 0) + 1);
      return { number, name, text: null, parts: 0, at: null, due: null, why: words };
    };
    const reason = against(one, asked, sight, seen, ours);
    if (number) seen.add(number);
    if (reason) return not(reason);
    const text = textFor(asked, one, sight.system);
    if (typeof text !== 'string') return not(text.lacks);
    const size = partsOf(text).parts.length;
    if (size > MOST_PARTS) return not(`It would take more than ${MOST_PARTS} parts.`);
    const at = nextAllowed(sight.where(number!), due);
    if (at === null) return not('There is no hour at which they may be texted.');
    const line: Line = { number, name, text, parts: size, at, due, why: '' };
    due += size * sight.paceMs;
    parts += size;
    goes++;
    first = Math.min(first ?? at, at);
    last = Math.max(last ?? at, at);
    return line;
  });
  return {
    lines,
    goes,
    parts,
    leftOut: [...why].map(([words, n]) => ({ why: words, n })).sort((a, b) => b.n - a.n),
    first,
    last,
  };
}
