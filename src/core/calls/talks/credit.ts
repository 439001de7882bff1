/** What can be paid for runs out while somebody outside is talked with. */
import type { CallState, Run } from '../base/state';
import { isOurs } from '../base/talk';
import { leaves } from './ends';
import { OF_AN_END, SAID_AT } from './paying';

/**
 * So many minutes are left for somebody outside: that is said to ours, where one is still in it. At none they are out of it,
 * and the others go on as where they had hung up. @param of the end, and the minutes
 */
export function creditDue(run: Run, call: CallState, of: number): void {
  const minutes = SAID_AT.find((m) => m === of % OF_AN_END);
  const outside = call.ends.find((e) => e.n === Math.floor(of / OF_AN_END));
  if (call.phase !== 'talking' || !outside || minutes === undefined) return;
  const told = call.ends.find(isOurs);
  if (told || minutes === 0) run.say(call, { t: 0, kind: 'credit', minutes, phone: (told ?? outside).phone });
  if (minutes === 0) leaves(run, call, outside, 'system');
}
