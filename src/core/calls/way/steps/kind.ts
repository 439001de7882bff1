/** What a call does at a step of each kind. */
import type { Stop } from '../../../answering';
import type { Step } from '../../../system';
import { RANK, type CallState, type Run } from '../../base/state';

/** A stop at a step of a certain kind. */
export type At<S extends Step> = Omit<Stop, 'step'> & { step: S };

/**
 * Takes a call through a step.
 * @returns the step it goes on to at once, null for past the last one; undefined where the call stays in something, which
 * sends it on itself, or is over
 */
export type Walk<S extends Step> = (run: Run, call: CallState, stop: At<S>) => string | null | undefined;

/** Plays a recording. @returns whether there is anything to hear */
export function plays(run: Run, call: CallState, recordingId: string | null | undefined): boolean {
  const ms = recordingId ? (run.world(call).promptMs.get(recordingId) ?? 0) : 0;
  if (!recordingId || ms <= 0) return false;
  run.begin(call, 'prompt');
  call.until = run.now + ms;
  run.say(call, { t: 0, kind: 'prompt started', recordingId });
  run.after(call, ms, 'time out', RANK.timeout);
  return true;
}
