/** Follow-ups that set each other off without end: these are refused. */
import type { FollowUp } from './shape/follow-ups';

/** What one may set off, in turn; itself included. */
const setOffBy = (one: FollowUp, all: readonly FollowUp[]): FollowUp[] =>
  all.filter((other) => {
    const { when } = other;
    return when.is === 'tagged' && one.then.some((t) => t.do === 'tag' && t.tag === when.tag);
  });

/** The names of those that go round, the one that was given first; undefined where it sets nothing off that comes back to it. */
export function circleOf(one: FollowUp, all: readonly FollowUp[]): string[] | undefined {
  const walk = (at: FollowUp, way: readonly FollowUp[]): string[] | undefined => {
    for (const next of setOffBy(at, all)) {
      if (next.id === one.id) return way.map((f) => f.name);
      if (way.some((f) => f.id === next.id)) continue;
      const found = walk(next, [...way, next]);
      if (found) return found;
    }
    return undefined;
  };
  return walk(one, [one]);
}

/**
 * Whether it answers every text with a text, at once again: with a program at the other end that answers as well this has no end.
 */
export const answersForEver = ({ when, then, pauseDays }: FollowUp): boolean =>
  when.is === 'text' && !when.words.length && pauseDays === 0 && then.some((t) => t.do === 'text');
