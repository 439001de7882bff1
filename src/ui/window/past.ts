/** The past of the demonstration: laid down once, after it was opened first, while somebody may be at work already. */
import { proxy } from 'comlink';
import type { Past } from '$standins/past/past';
import { storePast, wasLaid } from '$workspace';
import type { PastWorker } from '../../workers/past.worker';
import { Latest } from '../asked/latest';
import type { OpenBusiness } from './open-business.svelte';

/** Works a past out, off the page. */
export const pastMaker = (): Latest<PastWorker> =>
  new Latest<PastWorker>(
    () => new Worker(new URL('../../workers/past.worker.ts', import.meta.url), { type: 'module' }),
  );

/**
 * Lays down days before now. @param told how many calls have been worked out, of so many
 * @returns what there is; null where it was stopped, and nothing was laid down
 */
export async function layDown(
  business: OpenBusiness,
  maker: Latest<PastWorker>,
  days: number,
  told: (done: number, of: number) => void = () => {},
): Promise<Past | null> {
  const { id, db, view, standing, now, workspace } = business;
  const past = await maker.ask(
    (w) => w.make(id, view.inForce.system, standing, now, days, proxy(told)) as Promise<Past>,
  );
  if (!past) return null;
  await storePast(db, id, past);
  await workspace.changed('calls', 'messages', 'texts');
  return past;
}

const LOCK = 'upper-line:past';
/** The first page comes first. */
const quiet = (): Promise<void> =>
  new Promise((resolve) =>
    'requestIdleCallback' in window
      ? requestIdleCallback(() => resolve(), { timeout: 5000 })
      : setTimeout(resolve, 2000),
  );

/** The demonstration gets its past, where the server says that it has one, and none was laid down before. */
export async function givePast(business: OpenBusiness): Promise<void> {
  const { view, db, id } = business;
  if (view.business.kind !== 'demonstration' || (await wasLaid(db, id))) return;
  const answer = await fetch('/api/demonstration');
  const { pastDays } = (await answer.json()) as { pastDays: number };
  if (!pastDays) return;
  await quiet();
  // One window does it.
  await navigator.locks.request(LOCK, { ifAvailable: true }, async (lock) => {
    if (!lock || (await wasLaid(db, id))) return;
    const maker = pastMaker();
    try {
      const past = await layDown(business, maker, pastDays);
      if (past?.calls.length)
        business.say({
          kind: 'info',
          title: `The demonstration has a past of ${pastDays} days now: it stands in the log.`,
        });
    } finally {
      maker.stop();
    }
  });
}
