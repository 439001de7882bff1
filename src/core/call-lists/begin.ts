/** The entries of a list from those it is for: nobody twice, and those who are not to be called left out. */
import type { Receiver } from '../rounds';
import type { System } from '../system';
import { MOST_ENTRIES, type Entry } from './kept';

/** @param never whom nobody is to call @returns entries, and how many could not be taken up, by why */
export function entriesOf(
  listId: string,
  receivers: readonly Receiver[],
  never: ReadonlySet<string>,
  system: System,
): { entries: Entry[]; not: { why: string; n: number }[] } {
  const not = new Map<string, number>();
  const miss = (why: string) => void not.set(why, (not.get(why) ?? 0) + 1);
  const ours = new Set<string | null>([
    ...Object.values(system.numbers).map((n) => n.e164),
    ...Object.values(system.phones).map((p) => p.number),
  ]);
  const entries = new Map<string, Entry>();
  for (const { number, name, contact, fields, wrong } of receivers) {
    if (!number) {
      miss(wrong || 'No number is known.');
      continue;
    }
    if (entries.has(number)) miss('They are in it twice: they are called once.');
    else if (ours.has(number)) miss('It is a number of yours, or of a colleague.');
    else if (entries.size >= MOST_ENTRIES) miss(`A list has at most ${MOST_ENTRIES} people.`);
    else {
      const out = never.has(number) ? 'They want no calls.' : contact?.blocked ? 'They are blocked.' : '';
      const { number: _, name: __, ...rest } = fields;
      entries.set(number, {
        id: `${listId} ${number}`,
        listId,
        order: entries.size,
        number,
        name: (name || contact?.name || '').slice(0, 200),
        fields: Object.fromEntries(
          Object.entries(rest).map(([k, v]) => [k.slice(0, 60), String(v).slice(0, 500)] as const),
        ),
        state: out ? 'left out' : 'waits',
        ...(out ? { why: out } : {}),
        calls: [],
      });
    }
  }
  return { entries: [...entries.values()], not: [...not].map(([why, n]) => ({ why, n })) };
}
