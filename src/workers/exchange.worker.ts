/**
 * One of these runs in every window; the one that gets the lock is the switch, the others wait to take over. Whoever waits
 * loads the switch a while after its page, so that it can take over where the server has gone meanwhile.
 */
import { SWITCH_LOCK } from '../exchange/protocol';

/** So long a page has for itself, in milliseconds. */
const LOADED_AFTER_MS = 20_000;

const load = () => import('./the-switch');
const later = setTimeout(() => void load().catch(() => {}), LOADED_AFTER_MS);

/** Where the switch cannot be loaded another window may have it; this one asks again. */
const AGAIN_MS = 2000;

async function wait(): Promise<void> {
  await navigator.locks.request(SWITCH_LOCK, async () => {
    clearTimeout(later);
    const { run } = await load();
    await run();
  });
}
const forever = (): void => void wait().catch(() => setTimeout(forever, AGAIN_MS));
forever();
