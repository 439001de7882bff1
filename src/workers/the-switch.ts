/** The live switch of a browser, in the one worker that runs it. */
import { wrap, type Remote } from 'comlink';
import type { Differing } from '../core/coverage';
import { Switch } from '../exchange/switch';
import { Changes, openDatabase } from '../workspace';
import type { CoverageWorker } from './coverage.worker';

let reckoner: Remote<CoverageWorker> | undefined;
/** What takes long is worked out in a worker of its own, started when it is first asked. */
const reckon = (): Remote<CoverageWorker> =>
  (reckoner ??= wrap<CoverageWorker>(
    new Worker(new URL('./coverage.worker.ts', import.meta.url), { type: 'module' }),
  ));

/** @returns when its database was closed under it; else it ends with its worker */
export async function run(): Promise<void> {
  // A switch has no time to wait for room: it is told at once, says so, and tries again by itself.
  const db = await openDatabase({ patient: false });
  const running = new Switch(
    db,
    new Changes(),
    (...asked) => reckon().effect(...asked) as Promise<Differing>,
  );
  await running.start();
  await new Promise<void>((resolve) => db.watch(({ failed }) => failed && resolve()));
  running.stop();
}
