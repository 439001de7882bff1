/** What of a call was recorded: when, with whose consent, and where gaps are. */
import type { Consent } from '../../numbering';
import { CALLER } from '../base/talk';
import type { Trace } from '../base/trace';

export interface RecordedSpan {
  /** Milliseconds from the arrival of the call. */
  from: number;
  to: number;
}
export interface Recorded {
  /** The phone it was begun on, or null where it was by rule. */
  by: string | null;
  personId: string | null;
  consent: Consent;
  /** What was recorded: pauses and holds by one of ours are left out. */
  spans: RecordedSpan[];
  /** When notices were said. */
  notices: number[];
}

/** Each recording of a call, the first first. */
export function recordedIn(trace: Trace): Recorded[] {
  const all: Recorded[] = [];
  let now: Recorded | null = null;
  let since: number | null = null;
  let paused = false;
  const held = new Set<string>();
  const notices: number[] = [];
  const look = (t: number) => {
    const runs = now !== null && !paused && held.size === 0;
    if (runs && since === null) since = t;
    else if (!runs && since !== null) {
      if (t > since) (now ?? all.at(-1))?.spans.push({ from: since, to: t });
      since = null;
    }
  };
  for (const e of trace) {
    switch (e.kind) {
      case 'record notice':
        notices.push(e.t);
        now?.notices.push(e.t);
        break;
      case 'record on':
        now = { by: e.by, personId: e.personId, consent: e.consent, spans: [], notices: notices.splice(0) };
        all.push(now);
        paused = false;
        break;
      case 'record paused':
        paused = true;
        break;
      case 'record again':
        paused = false;
        break;
      case 'held':
        if (e.phone !== CALLER) held.add(e.phone);
        break;
      case 'taken back':
      case 'leaves':
        held.delete(e.phone);
        break;
      case 'record off':
      case 'asked afterwards':
      case 'ended':
        now = null;
        held.clear();
        break;
      default:
        continue;
    }
    look(e.t);
  }
  return all;
}
