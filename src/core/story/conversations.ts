/** Texts as conversations: one for each number of ours and each number outside. */
import type { Contact, NumberHeld, System } from '../system';
import { wishOf } from '../texting';
import { known } from './known';
import type { TextKept, ThreadKept } from './records';

export interface Conversation<T extends TextKept = TextKept> {
  /** Of the two numbers. */
  key: string;
  /** E.164. */
  ours: string;
  theirs: string;
  contact: Contact | undefined;
  /** Undefined where the number is no longer ours. */
  line: NumberHeld | undefined;
  /** Those that came and went, the oldest first. */
  texts: readonly T[];
  /** Those that are to go later, the next first. */
  later: readonly T[];
  /** Since when what they wrote waits for an answer, epoch milliseconds; null where nothing does. */
  waitsSince: number | null;
  /** Who has it, by id. */
  assignedTo: string | undefined;
  /** Somebody said that nothing is to be done, and nothing has come since. */
  closed: boolean;
  /** When something came or went last; of one with nothing but what is to go, when that was written. */
  lastAt: number;
}

export const conversationKey = (ours: string, theirs: string): string => `${ours} ${theirs}`;

/** Words that are answered by themselves wait for nobody; a refusal in other words is looked at. */
const needsNobody = (text: string): boolean => {
  const wish = wishOf(text);
  return wish === 'stop' || wish === 'start' || wish === 'help';
};

/** The one with the newest text first. @param threads what ours have done about them besides writing */
export function conversations<T extends TextKept>(
  texts: readonly T[],
  threads: readonly ThreadKept[],
  system: System,
): Conversation<T>[] {
  const { contacts, lines } = known(system);
  const done = new Map(threads.map((t) => [t.id, t]));
  const found = new Map<string, { ours: string; theirs: string; texts: T[] }>();
  for (const text of texts) {
    const [ours, theirs] = text.way === 'in' ? [text.to, text.from] : [text.from, text.to];
    const key = conversationKey(ours, theirs);
    const there = found.get(key);
    if (there) there.texts.push(text);
    else found.set(key, { ours, theirs, texts: [text] });
  }
  return [...found]
    .map(([key, { ours, theirs, texts }]): Conversation<T> => {
      const gone = texts.filter((t) => t.sendAt === undefined).sort((a, b) => a.at - b.at);
      const later = texts.filter((t) => t.sendAt !== undefined).sort((a, b) => a.sendAt! - b.sendAt!);
      const thread = done.get(key);
      const answered = gone.findLastIndex((t) => t.way === 'out' && !t.byItself);
      const lastAt = gone.at(-1)?.at ?? later.at(-1)!.at;
      const lastIn = gone.findLast((t) => t.way === 'in')?.at ?? -Infinity;
      const closed = thread?.closedAt !== undefined && thread.closedAt >= lastIn;
      const waits = closed
        ? undefined
        : gone.slice(answered + 1).find((t) => t.way === 'in' && !needsNobody(t.text));
      return {
        key,
        ours,
        theirs,
        contact: contacts.get(theirs),
        line: lines.get(ours),
        texts: gone,
        later,
        waitsSince: waits?.at ?? null,
        assignedTo: thread?.assignedTo,
        closed,
        lastAt,
      };
    })
    .sort((a, b) => b.lastAt - a.lastAt);
}

/** What is done to a conversation. `seen` is who had it as the window showed it: where that is another now, nothing is done. */
export type ThreadChange =
  { does: 'give'; to: string | undefined; seen: string | undefined } | { does: 'close' } | { does: 'open' };

/** Where a conversation stands. */
export type Standing = 'waits' | 'open' | 'done with';
export const standingOf = ({ waitsSince, closed }: Conversation): Standing =>
  waitsSince !== null ? 'waits' : closed ? 'done with' : 'open';
