/** Calls out that cost: whether they may go, how long they can be paid for, and what they came to. */
import { countOut, centsLeft, isStopped, whyNotOut, type Asks } from '../base/allowed';
import { costOf, metered, rateOf } from '../base/meter';
import { RANK, type CallState, type Run } from '../base/state';
import { outsideNumber, type NotAllowed } from '../base/trace';
import { classOf } from '../../numbering';
import { talkOutcome } from './ends';

const MINUTE_MS = 60_000;
/** It is said when so many minutes are left; at none the call ends. */
const SAID_AT = [2, 1, 0] as const;

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

/** Somebody outside answered whom we called: from now on it costs, as long as it can be paid for. */
export function startsToCost(run: Run, call: CallState, phone: string): void {
  const number = outsideNumber(phone);
  if (!number || !run.rates || !call.trace.some((e) => e.kind === 'goes out' && e.number === number)) return;
  const rate = rateOf(run.rates, number, run.world(call).system.business.country);
  const { credit, day } = centsLeft(asks(run, call), payer(run, call));
  const left = Math.min(credit ?? Infinity, day ?? Infinity);
  if (!rate || left === Infinity) return;
  const minutes = Math.floor(left / rate);
  for (const before of SAID_AT)
    if (minutes >= before) run.after(call, (minutes - before) * MINUTE_MS, 'credit', RANK.timeout, before);
}

/** So many minutes are left: that is said to ours, or the call ends. */
export function creditDue(run: Run, call: CallState, minutes: number): void {
  const outside = call.ends.find((e) => outsideNumber(e.phone));
  const ours = call.ends.find((e) => !outsideNumber(e.phone));
  if (!outside || !ours || (minutes !== 0 && minutes !== 1 && minutes !== 2)) return;
  run.say(call, { t: 0, kind: 'credit', minutes, phone: ours.phone });
  if (minutes === 0) run.end(call, 'system', talkOutcome(call));
}

/** A call is over: what it cost is counted. */
export function wentOut(run: Run, call: CallState): void {
  if (!call.trace.some((e) => e.kind === 'goes out' || e.kind === 'joins')) return;
  const calls = metered(call.trace);
  if (!calls.length) return;
  const { system } = run.world(call);
  const { standing, memory, now } = run;
  const cents = run.rates ? costOf(call.trace, run.rates, system.business.country) : 0;
  countOut({ system, standing, memory, now }, payer(run, call), cents, calls);
}
