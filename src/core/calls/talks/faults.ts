/** A phone that is gone in a talk, by no act of anybody: the others wait a moment for it. */
import { RANK, type CallState, type Run } from '../base/state';
import type { End } from '../base/talk';
import { leaves, otherOf, type Talk } from './ends';
import { comeBack, leaveToOther } from './passing';

/** So long the others are told "one moment", in milliseconds. */
export const GONE_MS = 10_000;

/** A phone is gone. */
export function gone(run: Run, call: Talk, end: End): void {
  if (end.gone !== undefined) return;
  end.gone = run.now;
  run.say(call, { t: 0, kind: 'phone gone', phone: end.phone, personId: end.personId });
  run.after(call, GONE_MS, 'still gone', RANK.fault, end.n);
}

/** It is there again, within time: the talk goes on by itself, held as it was. */
export function thereAgain(run: Run, call: Talk, end: End): void {
  if (end.gone === undefined) return;
  delete end.gone;
  run.say(call, { t: 0, kind: 'phone there again', phone: end.phone, personId: end.personId });
}

/**
 * It stays away: of three and more the others go on; of two, the other rings at the phones of who is gone, and goes on from
 * there as what is passed on and not taken. Nothing is handed on by it: whom they had called about this call is let go.
 */
export function stillGone(run: Run, call: CallState, n: number): void {
  const end = call.ends.find((e) => e.n === n);
  if (call.phase !== 'talking' || end?.gone === undefined || run.now - end.gone < GONE_MS) return;
  for (const second of run.callsAbout(call.request.id))
    if (second.request.from.kind === 'phone' && second.request.from.phoneId === end.phone)
      run.endQuietly(second, { kind: 'hung up', during: 'ringing' });
  const other = otherOf(call, end);
  if (!other) {
    leaves(run, call, end, 'system');
    return;
  }
  leaveToOther(run, call, end, other);
  const { phone: by, personId } = end;
  comeBack(
    run,
    call,
    { by, personId, to: null, ifNobody: { then: 'back' }, way: 'out' },
    'their phone was gone',
  );
}
