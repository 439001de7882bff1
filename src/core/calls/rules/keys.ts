/** The keys a caller of a rehearsal presses. */
import { RANK, type CallState, type Run } from '../base/state';

/** Milliseconds between two keys pressed one after the other. Common practice, no source. */
const BETWEEN_KEYS_MS = 300;

/** The system asks for keys: a caller of a rehearsal presses the next entry of theirs; what is left of the last is dropped. */
export function usualKeys(run: Run, call: CallState): void {
  const entry = call.request.behaviour?.caller.keys?.[call.pressed++];
  if (!entry) return;
  for (const [i, key] of [...entry.press].entries())
    run.after(call, entry.after * 1000 + i * BETWEEN_KEYS_MS, 'press', RANK.human, key.charCodeAt(0));
}
