/** What is said first to whoever is called: who calls, or that the call is for a charter; it belongs to the number they see. */
import type { CallState, Run } from '../base/state';
import { outsideNumber } from '../base/trace';

/** Somebody outside answered whom we called: what the number shown has for it is said to them first. */
export function announce(run: Run, call: CallState, phone: string): void {
  const number = outsideNumber(phone);
  const out = number && call.trace.findLast((e) => e.kind === 'goes out' && e.number === number);
  if (!out || out.kind !== 'goes out' || !out.shows) return;
  const { numbers, promptMs } = run.world(call);
  const recordingId = numbers.get(out.shows.e164)?.announceId;
  const ms = recordingId ? promptMs.get(recordingId) : undefined;
  if (recordingId && ms !== undefined) run.say(call, { t: 0, kind: 'announced', phone, recordingId, ms });
}
