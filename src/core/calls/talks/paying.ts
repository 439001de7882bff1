/** Calls out that cost: whether they may go, how long they can be paid for, and what they came to. */
import { countOut, centsLeft, isStopped, whyNotOut, type Asks } from '../rules/allowed';
import { costingSince, costOf, metered, rateOf } from '../rules/meter';
import { RANK, type CallState, type Run } from '../base/state';
import type { End } from '../base/talk';
import { outsideNumber, type NotAllowed } from '../base/trace';
import { classOf } from '../../numbering';

const MINUTE_MS = 60_000;
/** It is said when so many minutes are left; at none the call ends. */
export const SAID_AT = [2, 1, 0] as const;
/** A timer names the end and the minutes in one number. */
export const OF_AN_END = 10;

const asks = (run: Run, call: CallState): Asks => {
  const { standing, memory, rates, now } = run;
  return { system: run.world(call).system, standing, memory, rates, now };
};

/** Whose call out it is: of a phone of ours, its person. */
const payer = (run: Run, call: CallState): string | null => {
  const { from } = call.request;
  return from.kind === 'phone' ? (run.world(call).system.phones[from.phoneId]?.personId ?? null) : null;
};

/** Why a call may not go out, or null. Where it looks like fraud, calls to that country are stopped, and it is said. */
export function mayNotGoOut(
  run: Run,
  call: CallState,
  personId: string | null,
  e164: string,
): NotAllowed | null {
  const asked = asks(run, call);
  const why = whyNotOut(asked, personId, e164);
  const { country } = classOf(e164, asked.system.business.country);
  if (why === 'it looks like fraud' && country && !isStopped(asked, country)) {
    (run.memory.stopped ??= {})[country] = run.now;
    run.say(call, { t: 0, kind: 'stopped', country });
  }
  return why;
}

/**
 * Somebody outside whom we called is in a talk: it costs, as long as it can be paid for. So it is reckoned from their answer,
 * whoever of ours talks with them now.
 * @param placed the call they were called with, where that was about this one
 */
export function costsFrom(
  run: Run,
  call: CallState,
  { n, phone }: Pick<End, 'n' | 'phone'>,
  placed = call,
): void {
  const number = outsideNumber(phone);
  if (!number || !run.rates) return;
  if (!placed.trace.some((e) => e.kind === 'goes out' && e.number === number)) return;
  const rate = rateOf(run.rates, number, run.world(call).system.business.country);
  const { credit, day } = centsLeft(asks(run, call), payer(run, placed));
  const left = Math.min(credit ?? Infinity, day ?? Infinity);
  const since = costingSince(call.trace).get(number);
  if (!rate || left === Infinity || since === undefined) return;
  const minutes = Math.floor(left / rate);
  const sofar = run.now - call.request.at - since;
  for (const before of SAID_AT) {
    const due = (minutes - before) * MINUTE_MS - sofar;
    // What was due before was said before; that nothing is left is always due.
    if (due >= 0 || before === 0)
      run.after(call, Math.max(0, due), 'credit', RANK.timeout, n * OF_AN_END + before);
  }
}

/** A call is over: what it cost is counted. */
export function wentOut(run: Run, call: CallState): void {
  // Who called a number of ours and talked with one of us has called nobody outside; most have, and all are asked.
  if (call.request.to.kind === 'number' && call.endCount <= 2) return;
  const calls = metered(call.trace);
  if (!calls.length) return;
  const { system } = run.world(call);
  const { standing, memory, now } = run;
  const cents = run.rates ? costOf(call.trace, run.rates, system.business.country) : 0;
  countOut({ system, standing, memory, now }, payer(run, call), cents, calls);
}
