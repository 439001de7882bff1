/** Texts as conversations: one for each number of ours and each number outside. */
import type { Contact, NumberHeld, System } from '../system';
import type { TextKept } from './records';

export interface Conversation {
  /** Of the two numbers. */
  key: string;
  /** E.164. */
  ours: string;
  theirs: string;
  contact: Contact | undefined;
  /** Undefined where the number is no longer ours. */
  line: NumberHeld | undefined;
  /** The oldest first. */
  texts: readonly TextKept[];
  /** Since when what they wrote waits for an answer, epoch milliseconds; null where nothing does. */
  waitsSince: number | null;
}

export const conversationKey = (ours: string, theirs: string): string => `${ours} ${theirs}`;

/**
 * The one with the newest text first.
 * @param needsNone whether words of theirs wait for no answer, such as those that want no more texts
 */
export function conversations(
  texts: readonly TextKept[],
  system: System,
  needsNone: (text: string) => boolean = () => false,
): Conversation[] {
  const contacts = new Map(
    Object.values(system.contacts).flatMap((c) => c.numbers.map((n) => [n, c] as const)),
  );
  const lines = new Map(Object.values(system.numbers).map((n) => [n.e164, n] as const));
  const found = new Map<string, { ours: string; theirs: string; texts: TextKept[] }>();
  for (const text of texts) {
    const [ours, theirs] = text.way === 'in' ? [text.to, text.from] : [text.from, text.to];
    const key = conversationKey(ours, theirs);
    const known = found.get(key);
    if (known) known.texts.push(text);
    else found.set(key, { ours, theirs, texts: [text] });
  }
  return [...found]
    .map(([key, { ours, theirs, texts }]): Conversation => {
      const inOrder = texts.sort((a, b) => a.at - b.at);
      const answered = inOrder.findLastIndex((t) => t.way === 'out');
      const waits = inOrder.slice(answered + 1).find((t) => !needsNone(t.text));
      return {
        key,
        ours,
        theirs,
        contact: contacts.get(theirs),
        line: lines.get(ours),
        texts: inOrder,
        waitsSince: waits?.at ?? null,
      };
    })
    .sort((a, b) => b.texts.at(-1)!.at - a.texts.at(-1)!.at);
}
