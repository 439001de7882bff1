/** One of these runs in every window; the one that gets the lock is the switch, the others wait to take over. */
import { wrap, type Remote } from 'comlink';
import type { Differing } from '../core/coverage';
import { SWITCH_LOCK } from '../exchange/protocol';
import { Switch } from '../exchange/switch';
import { Changes, openDatabase } from '../workspace';
import type { CoverageWorker } from './coverage.worker';

let reckoner: Remote<CoverageWorker> | undefined;
/** What takes long is worked out in a worker of its own, started when it is first asked. */
const reckon = (): Remote<CoverageWorker> =>
  (reckoner ??= wrap<CoverageWorker>(
    new Worker(new URL('./coverage.worker.ts', import.meta.url), { type: 'module' }),
  ));

void navigator.locks.request(SWITCH_LOCK, async () => {
  // A switch has no time to wait for room: it is told at once, says so, and tries again by itself.
  const db = await openDatabase({ patient: false });
  const running = new Switch(
    db,
    new Changes(),
    (...asked) => reckon().effect(...asked) as Promise<Differing>,
  );
  await running.start();
  // Held until this worker ends with its window, or its database is closed under it: then another window takes over.
  await new Promise<void>((resolve) => db.watch(({ failed }) => failed && resolve()));
  running.stop();
});
