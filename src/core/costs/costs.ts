/** What a system costs a month: numbers and people at the carrier's prices, minutes from the call log or from rehearsals. */
import { Behaviour, rehearse, type Trace } from '../calls';
import { outsideNumber } from '../calls/base/trace';
import { piecesOf, unansweredCall } from '../coverage';
import { asPaired, isLinked, type NumberHeld, type Standing, type System } from '../system';

/** Prices in cents of the business's currency. */
export interface Tariff {
  person: number;
  tollFreeMinute: number;
  /** A minute in which a call is sent on to an outside phone. */
  forwardedMinute: number;
}

/** What a call that was made or worked out used up, in minutes. */
export interface Used {
  tollFree: number;
  forwarded: number;
}

const MINUTE_MS = 60_000;
/** Weeks in a month: 365 / 12 / 7. */
export const WEEKS_A_MONTH = 365 / 12 / 7;
/** How soon somebody answers whose phone sounds, in seconds. Common practice, no source. */
const ANSWERS_AFTER_S = 6;

/** Minutes that one call used. @param number it was made to */
export function usedBy(trace: Trace, number: NumberHeld, system: System): Used {
  const end = trace.at(-1)?.t ?? 0;
  const answered = trace.find((e) => e.kind === 'answered');
  const phone = answered?.kind === 'answered' ? answered.phone : null;
  const own = phone ? system.phones[phone] : undefined;
  const outside =
    phone !== null && (outsideNumber(phone) !== undefined || (own !== undefined && isLinked(own)));
  return {
    tollFree: number.kind === 'toll-free' ? end / MINUTE_MS : 0,
    forwarded: outside && answered ? (end - answered.t) / MINUTE_MS : 0,
  };
}

/**
 * Minutes a month from rehearsals: calls spread evenly over the hours of the week in which a phone is rung (over the whole
 * week where none ever is), answered by whoever's phone sounds first.
 * @param calls a week; @param talk minutes each; @param week its first and last moment, epoch milliseconds
 */
export function estimated(
  system: System,
  standing: Standing,
  number: NumberHeld,
  calls: number,
  talk: number,
  week: readonly [number, number],
): Used {
  const behaviour = Behaviour.parse({
    otherwise: { does: 'answers', after: ANSWERS_AFTER_S },
    caller: { talks: talk * 60 },
  });
  const paired = asPaired(standing);
  const pieces = piecesOf(system, standing, number, ...week);
  const ringing = pieces.filter((p) => p.trace.some((e) => e.kind === 'leg offered'));
  const counted = ringing.length ? ringing : pieces;
  const whole = counted.reduce((sum, p) => sum + p.to - p.from, 0);
  const used: Used = { tollFree: 0, forwarded: 0 };
  for (const { from, to } of counted) {
    const one = usedBy(
      rehearse(system, paired, { ...unansweredCall(number, from), behaviour }),
      number,
      system,
    );
    const share = ((to - from) / whole) * calls * WEEKS_A_MONTH;
    used.tollFree += one.tollFree * share;
    used.forwarded += one.forwarded * share;
  }
  return used;
}

/** Minutes a month from the log: what calls to a number used up, carried forward to a month. @param days the log covers */
export function logged(system: System, number: NumberHeld, traces: readonly Trace[], days: number): Used {
  const sum: Used = { tollFree: 0, forwarded: 0 };
  for (const trace of traces) {
    const one = usedBy(trace, number, system);
    sum.tollFree += one.tollFree;
    sum.forwarded += one.forwarded;
  }
  const month = 365 / 12 / Math.max(days, 1);
  return { tollFree: sum.tollFree * month, forwarded: sum.forwarded * month };
}
