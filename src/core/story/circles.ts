/** What colleagues write to each other: conversations of two or more of them, or of a group. */
import type { System } from '../system';

export interface CircleKept {
  id: string;
  /** Epoch milliseconds. */
  at: number;
  /** Who is in it by name; of a group's, those of the group at any moment. */
  memberIds: readonly string[];
  groupId?: string | undefined;
  name?: string | undefined;
  /** Up to when each of them has seen it, epoch milliseconds. */
  seen: Readonly<Record<string, number>>;
}
/** What words are about: whoever may see it opens it; everybody in the conversation reads what it is. */
export interface About {
  is: 'call' | 'message' | 'contact';
  id: string;
  /** What it is, as whoever wrote sees it. */
  words: string;
}
export interface WordsKept {
  id: string;
  circleId: string;
  at: number;
  /** Who wrote it, by id. */
  by: string;
  text: string;
  files?: readonly { hash: string; name: string; type: string; size: number }[] | undefined;
  about?: About | undefined;
}

export interface Circle<C extends CircleKept = CircleKept, W extends WordsKept = WordsKept> {
  kept: C;
  /** What it is called by whoever looks. */
  name: string;
  /** The others in it who are still here. */
  others: readonly string[];
  /** The oldest first. */
  words: readonly W[];
  /** How many of others' words were written since one looked. */
  unread: number;
  lastAt: number;
}

/** The one conversation of the same people has the same name for all of them. */
export const circleOf = (memberIds: readonly string[]): string =>
  `with ${[...new Set(memberIds)].sort().join(' ')}`;
export const circleOfGroup = (groupId: string): string => `group ${groupId}`;

/** Who is in it now. */
export function membersOf(
  { memberIds, groupId }: Pick<CircleKept, 'memberIds' | 'groupId'>,
  { people, groups }: Pick<System, 'people' | 'groups'>,
): string[] {
  if (groupId === undefined) return memberIds.filter((id) => people[id]);
  return (groups[groupId]?.members ?? []).flatMap((m) => (m.kind === 'person' && people[m.id] ? [m.id] : []));
}

/** The conversations somebody is in, the one with the newest words first. */
export function circlesOf<C extends CircleKept, W extends WordsKept>(
  circles: readonly C[],
  words: readonly W[],
  personId: string,
  system: Pick<System, 'people' | 'groups'>,
): Circle<C, W>[] {
  const by = new Map<string, W[]>();
  for (const w of words) {
    const known = by.get(w.circleId);
    if (known) known.push(w);
    else by.set(w.circleId, [w]);
  }
  return circles
    .filter((c) => membersOf(c, system).includes(personId))
    .map((kept): Circle<C, W> => {
      const others = membersOf(kept, system).filter((id) => id !== personId);
      const said = (by.get(kept.id) ?? []).sort((a, b) => a.at - b.at);
      const seen = kept.seen[personId] ?? 0;
      const group = kept.groupId === undefined ? undefined : system.groups[kept.groupId]?.name;
      return {
        kept,
        name:
          kept.name || group || others.map((id) => system.people[id]!.name).join(', ') || 'nobody any more',
        others,
        words: said,
        unread: said.filter((w) => w.by !== personId && w.at > seen).length,
        lastAt: said.at(-1)?.at ?? kept.at,
      };
    })
    .sort((a, b) => b.lastAt - a.lastAt);
}

/** So many of the last words a phone is told of. */
export const WORDS_TOLD = 1000;

/** What somebody's phone is told: conversations they are in, and nothing of others. */
export function circlesKnown<C extends CircleKept, W extends WordsKept>(
  circles: readonly C[],
  words: readonly W[],
  personId: string | null,
  system: Pick<System, 'people' | 'groups'>,
): { circles: C[]; words: W[]; older: number } {
  const mine = personId ? circles.filter((c) => membersOf(c, system).includes(personId)) : [];
  const ids = new Set(mine.map((c) => c.id));
  const theirs = words.filter((w) => ids.has(w.circleId));
  const told = theirs.slice(-WORDS_TOLD);
  return { circles: mine, words: told, older: theirs.length - told.length };
}
