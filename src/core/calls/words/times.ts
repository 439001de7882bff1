/** How long what took in a call: for the log. */
import { CALLER } from '../base/talk';
import type { Trace } from '../base/trace';

/** In seconds. */
export interface CallTimes {
  /** From the first phone that sounded to the answer, or to the end of ringing. */
  rang: number;
  /** In queues, ringing included. */
  waited: number;
  /** From the first answer to the end. */
  talked: number;
  /** Of that, held by one of ours. */
  held: number;
}

/** Of a call that is over, or up to its last event. */
export function timesOf(trace: Trace): CallTimes {
  // What is asked after a talk is no part of it.
  const end = (trace.find((e) => e.kind === 'asked afterwards') ?? trace.at(-1))?.t ?? 0;
  const first = (kind: Trace[number]['kind']) => trace.find((e) => e.kind === kind)?.t;
  const answered = first('answered');
  const sounding = first('leg sounding');
  const rungUntil = answered ?? trace.findLast((e) => e.kind === 'ringing over')?.t ?? end;
  const waited = trace.reduce((sum, e) => (e.kind === 'left queue' ? sum + e.waitedSeconds * 1000 : sum), 0);
  const queued = first('queued');
  const served =
    queued !== undefined && !trace.some((e) => e.kind === 'left queue') ? (answered ?? end) - queued : 0;
  const holds = new Map<string, number>();
  let held = 0;
  const takenBack = (phone: string, t: number) => {
    const since = holds.get(phone);
    if (since !== undefined) held += t - since;
    holds.delete(phone);
  };
  for (const e of trace) {
    if (e.kind === 'held' && e.phone !== CALLER) holds.set(e.phone, e.t);
    else if (e.kind === 'taken back' || e.kind === 'leaves') takenBack(e.phone, e.t);
    // Whoever gives the call away holds it no longer.
    else if (e.kind === 'passed on') takenBack(e.by, e.t);
  }
  for (const phone of [...holds.keys()]) takenBack(phone, end);
  const seconds = (ms: number) => Math.round(ms / 1000);
  return {
    rang: sounding === undefined ? 0 : seconds(Math.max(0, rungUntil - sounding)),
    waited: seconds(waited + served),
    talked: answered === undefined ? 0 : seconds(end - answered),
    held: seconds(held),
  };
}
