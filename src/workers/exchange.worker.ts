/** One of these runs in every window; the one that gets the lock is the switch, the others wait to take over. */
import { wrap, type Remote } from 'comlink';
import type { Differing } from '../core/coverage';
import { SWITCH_LOCK } from '../exchange/protocol';
import { hold } from '../exchange/hold';
import { Switch } from '../exchange/switch';
import { serveVisits } from '../exchange/visits/here';
import { Changes, openDatabase, type Db } from '../workspace';
import type { CoverageWorker } from './coverage.worker';

let reckoner: Remote<CoverageWorker> | undefined;
/** What takes long is worked out in a worker of its own, started when it is first asked. */
const reckon = (): Remote<CoverageWorker> =>
  (reckoner ??= wrap<CoverageWorker>(
    new Worker(new URL('./coverage.worker.ts', import.meta.url), { type: 'module' }),
  ));

/** The door for phones on other machines is made once there is any. @returns how to close it */
function openGateWhenWanted(db: Db, running: Switch): () => void {
  const changes = new Changes();
  let close = () => {};
  let opening: Promise<void> | undefined;
  let closed = false;
  const look = async () => {
    if (opening || !(await db.getAllKeys('devices')).length) return;
    opening = import('../exchange/devices/open').then(({ openGate }) => {
      if (!closed) close = openGate(db, running);
    });
    await opening;
  };
  const failed = (error: unknown) => console.error('Phones on other machines could not be dealt with', error);
  changes.listen(({ what }) => {
    if (what === 'devices' || what === 'businesses') void look().catch(failed);
  });
  void look().catch(failed);
  return () => {
    closed = true;
    changes.close();
    close();
  };
}

void navigator.locks.request(SWITCH_LOCK, async () => {
  // A switch has no time to wait for room: it is told at once, says so, and tries again by itself.
  const db = await openDatabase({ patient: false });
  const running = new Switch(
    db,
    new Changes(),
    (...asked) => reckon().effect(...asked) as Promise<Differing>,
  );
  await running.start();
  const closeGate = openGateWhenWanted(db, running);
  const closeVisits = serveVisits({
    db,
    now: () => running.now(),
    inForce: (businessId) => running.inForceOf(businessId),
    hold,
  });
  // Held until this worker ends with its window, or its database is closed under it: then another window takes over.
  await new Promise<void>((resolve) => db.watch(({ failed }) => failed && resolve()));
  closeGate();
  closeVisits();
  running.stop();
});
