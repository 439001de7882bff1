/** One of these runs in every window; the one that gets the lock is the switch, the others wait to take over. */
import { SWITCH_LOCK } from '../exchange/protocol';
import { Switch } from '../exchange/switch';
import { Changes, openDatabase } from '../workspace';

void navigator.locks.request(SWITCH_LOCK, async () => {
  await new Switch(await openDatabase(), new Changes()).start();
  // Held until this worker ends with its window.
  await new Promise(() => {});
});
