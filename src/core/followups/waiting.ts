/** What still waits of follow-ups that have been changed or removed since: it goes as it was, unless somebody calls it off. */
import type { System } from '../system';
import type { Kept } from './kept';

export interface WaitsAsBefore {
  followUpId: string;
  name: string;
  is: 'changed' | 'removed' | 'resting';
  /** What waits. */
  ids: string[];
}

/**
 * @param before @param now what was and is in force @param since when it is, epoch milliseconds: what came about after that is
 * by the rules as they are
 */
export function waitsAsBefore(
  before: Pick<System, 'followUps'>,
  now: Pick<System, 'followUps'>,
  kept: readonly Kept[],
  since: number,
): WaitsAsBefore[] {
  return Object.values(before.followUps).flatMap((was): WaitsAsBefore[] => {
    const is = now.followUps[was.id];
    const { name: _, ...doesNow } = is ?? { name: '' };
    const { name, ...did } = was;
    if (is && JSON.stringify(doesNow) === JSON.stringify(did)) return [];
    const ids = kept
      .filter((k) => k.followUpId === was.id && k.state === 'waits' && k.over <= since)
      .map((k) => k.id);
    return ids.length
      ? [{ followUpId: was.id, name, is: !is ? 'removed' : is.rests ? 'resting' : 'changed', ids }]
      : [];
  });
}
