/** What a staff phone is told of texts with people outside: those of the numbers its person may show. */
import { type TextKept, type ThreadKept } from '../../story';
import type { WishEntered } from '../../texting';
import type { System } from '../../system';
import { seesAll } from './business';

/** Numbers of ours that whoever uses a phone may text from, and whose texts they see. E.164. */
export function textLines(system: System, phoneId: string): Set<string> {
  const me = system.phones[phoneId]?.personId;
  const all = seesAll(system, phoneId);
  return new Set(
    Object.values(system.numbers)
      .filter(({ callerIdFor }) => all || callerIdFor === 'everybody' || (!!me && callerIdFor.includes(me)))
      .map((n) => n.e164),
  );
}

/** The number of ours a text is with. */
export const lineOfText = ({ way, from, to }: Pick<TextKept, 'way' | 'from' | 'to'>): string =>
  way === 'in' ? to : from;

/** So many of the last texts a phone is told of. */
export const TEXTS_TOLD = 2000;

export interface TextsKnown<T extends TextKept = TextKept, H extends ThreadKept = ThreadKept> {
  texts: T[];
  threads: H[];
  wishes: readonly WishEntered[];
  /** How many older ones there are that it is not told of. */
  older: number;
}

/** @param texts the oldest first */
export function textsKnown<T extends TextKept, H extends ThreadKept>(
  texts: readonly T[],
  threads: readonly H[],
  wishes: readonly WishEntered[],
  lines: ReadonlySet<string>,
): TextsKnown<T, H> {
  const theirs = texts.filter((t) => lines.has(lineOfText(t)));
  const told = theirs.slice(-TEXTS_TOLD);
  return {
    texts: told,
    threads: threads.filter((t) => lines.has(t.id.split(' ')[0]!)),
    wishes,
    older: theirs.length - told.length,
  };
}
