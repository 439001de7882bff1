/**
 * Recording a meeting: by a phone of ours that is in it, whose person may record by the rules of the business. All who are in
 * hear so first, wherever they are, and so does whoever comes in later; it ends when that phone leaves.
 */
import { begins, mayHaveRecorded, notice } from '../talks/recording';
import { RANK, type CallIn, type Run } from '../base/state';
import type { NotDone } from '../base/trace';

type Meets = CallIn<'meeting'>;

/** The one of them by whom the meeting is recorded, or is about to be. */
export const recorderOf = (inside: readonly Meets[]): Meets | undefined => inside.find((c) => c.recorded);

/** @param inside all who are in, the one who has it recorded among them @returns why not */
export function recordMeeting(run: Run, call: Meets, inside: readonly Meets[]): NotDone | undefined {
  const { from } = call.request;
  if (from.kind !== 'phone' || call.meeting.stage !== 'in') return 'not in this call';
  const personId = run.world(call).system.phones[from.phoneId]?.personId ?? null;
  const why = mayHaveRecorded(run, call, personId);
  if (why) return why;
  if (recorderOf(inside)) return 'it is recorded already';
  // What is said to people of several places: the strictest way.
  call.recorded = { by: from.phoneId, personId, consent: 'all', is: 'announced', since: run.now };
  announce(run, call, inside);
  return undefined;
}

/** Somebody comes in: they hear that it is recorded; where it is only about to be it begins once they have. */
export function tellNewcomer(run: Run, call: Meets, inside: readonly Meets[]): void {
  const recorder = recorderOf(inside);
  if (!recorder?.recorded || recorder === call) return;
  if (recorder.recorded.is !== 'announced') return void notice(run, call);
  recorder.recorded = { ...recorder.recorded, since: run.now };
  announce(run, recorder, [call]);
}

/** Which announcement it was: of two the last counts. In milliseconds since the call began. */
const whichOf = ({ request, recorded }: Meets): number => (recorded?.since ?? 0) - request.at;

function announce(run: Run, recorder: Meets, to: readonly Meets[]): void {
  const ms = Math.max(...to.map((c) => notice(run, c)));
  run.after(recorder, ms, 'recording', RANK.timeout, whichOf(recorder));
}

/** An announcement is over: where it was the last, all have heard it. */
export function announced(run: Run, call: Meets, which: number): void {
  if (call.recorded?.is === 'announced' && whichOf(call) === which) begins(run, call);
}
