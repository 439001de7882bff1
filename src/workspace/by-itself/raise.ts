/** What follow-ups want done is put down in the transaction that stores what set it off: none is lost, and none is there twice. */
import { errandsOf, judge, type Errand, type Happening, type Sight } from '../../core/followups';
import type { Row } from '../../core/story';
import type { System } from '../../core/system';
import type { Transaction } from '../stored/db';
import type { ErrandRecord } from '../stored/records';
import { within } from '../stored/store';

export const tagsOf = (row: Row): readonly string[] => row.tags ?? [];
const sightOf = (system: System): Sight => ({ system, tagsOf });

/** As it begins: it waits, or cannot be done and says why. */
export const begun = (errand: Errand, businessId: string): ErrandRecord =>
  errand.doing
    ? { ...errand, businessId, state: 'waits', next: errand.due }
    : {
        ...errand,
        businessId,
        state: 'not done',
        at: errand.over,
        ...(errand.lacks ? { why: errand.lacks } : {}),
      };

/**
 * Puts down everything that follow-ups in force want done for what happened.
 * @param system in force @returns the ids of what is new
 */
export async function raise(
  tx: Transaction<'errands'>,
  businessId: string,
  system: System,
  happenings: readonly Happening[],
): Promise<string[]> {
  const followUps = Object.values(system.followUps);
  if (!followUps.length) return [];
  const store = tx.objectStore('errands');
  const ids: string[] = [];
  for (const happening of happenings)
    for (const followUp of followUps) {
      if (judge(followUp, happening, sightOf(system)).is !== 'applies') continue;
      for (const errand of errandsOf(followUp, happening, system)) {
        if ((await store.getKey(errand.id)) !== undefined) continue;
        within(store.put(begun(errand, businessId)));
        ids.push(errand.id);
      }
    }
  return ids;
}
