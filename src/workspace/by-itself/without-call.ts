/** What sets follow-ups off without a call or a text: a number that has moved, somebody who has paired no phone. */
import type { Happening } from '../../core/followups';
import type { System } from '../../core/system';
import { portStanding } from '../../standins/carrier/porting';
import type { Db } from '../stored/db';
import { readMany } from '../stored/reading';
import { DealingsRecord } from '../stored/records';
import type { Change } from '../stored/sync';
import { raise } from './raise';

const DAY_MS = 86_400_000;

/** Puts it down, once each, where it came about after what is in force was put there. @returns what changed */
export async function raiseWithoutCall(
  db: Db,
  businessId: string,
  system: System,
  now: number,
): Promise<Change[]> {
  const waiting = Object.values(system.followUps).filter((f) => !f.rests);
  const moved = waiting.some((f) => f.when.is === 'number moved');
  const days = waiting.flatMap((f) => (f.when.is === 'not paired' ? f.when.days : []));
  if (!moved && !days.length) return [];
  const since = (await readMany(db, 'versions', businessId)).at(-1)?.at ?? now;
  const happenings: Happening[] = [];
  if (moved) {
    const dealings = DealingsRecord.safeParse(await db.get('dealings', businessId)).data;
    for (const port of dealings?.ports ?? []) {
      const { stage, movesAt } = portStanding(port, now);
      if (stage === 'moved' && movesAt !== null && movesAt >= since && system.numbers[port.numberId])
        happenings.push({ is: 'number moved', numberId: port.numberId, at: movesAt });
    }
  }
  if (days.length) {
    const invitations = await readMany(db, 'invitations', businessId);
    for (const { personId, sentAt, state } of invitations) {
      // Whoever has paired by another invitation has a phone.
      const paired = invitations.some((i) => i.personId === personId && i.state === 'used');
      if (paired || state === 'withdrawn' || !system.people[personId]) continue;
      for (const n of new Set(days)) {
        const at = sentAt + n * DAY_MS;
        if (at <= now && at >= since) happenings.push({ is: 'not paired', personId, at, days: n });
      }
    }
  }
  if (!happenings.length) return [];
  return db.write('call', async (open) => {
    const tx = open('errands');
    const ids = await raise(tx, businessId, system, happenings);
    await tx.done;
    return ids.length ? [{ businessId, what: 'errands' as const, ids }] : [];
  });
}
