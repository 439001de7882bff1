/**
 * Bringing a number over from another provider. Where a request stands is worked out from what was asked and when, so
 * that it needs no clock of its own: the same request at the same moment is always at the same stage.
 */
import { z } from 'zod';
import { E164, Id } from '../../core/system/shape/primitives';
import { addDays, localTime, momentOf } from '../../core/hours';

const field = (what: string) =>
  z.string().trim().min(1, `${what} is missing: the carrier asks for it.`).max(80);

/** What a carrier asks for. Account number and PIN are whatever the present provider uses. */
export const PortFacts = z.object({
  provider: field('The present provider'),
  accountNumber: field('The account number'),
  pin: z.string().trim().max(20),
  billName: field('The name on the bill'),
  billAddress: field('The address on the bill'),
  wantedOn: z.iso.date('Choose a day.'),
});
export type PortFacts = z.infer<typeof PortFacts>;

export const Port = z.object({
  id: Id,
  numberId: Id,
  e164: E164,
  zone: z.string(),
  /** A number of ours that stands in until then: the old line can be forwarded to it. */
  standIn: E164.nullable(),
  /** Each time it was sent, the last one counts. */
  attempts: z.array(z.object({ at: z.number(), facts: PortFacts })).min(1),
  cancelledAt: z.number().nullable(),
});
export type Port = z.infer<typeof Port>;

export type PortStage = 'submitted' | 'checked' | 'date confirmed' | 'moved' | 'refused' | 'cancelled';
export interface PortStanding {
  stage: PortStage;
  /** Stages with the moment they were or will be reached, epoch milliseconds; none that are not known yet. */
  passed: { stage: PortStage; at: number }[];
  /** What comes next and when, or null when nothing does. */
  next: { stage: PortStage; at: number } | null;
  /** Why it was refused, and which field puts it right. */
  refusal: { field: keyof PortFacts; reason: string } | null;
  movesAt: number | null;
}

const HOUR = 3_600_000;
const CHECKED_AFTER = 4 * HOUR;
const REFUSED_AFTER = 26 * HOUR;
const CONFIRMED_AFTER = 48 * HOUR;
/** The carrier needs so many working days. Common practice, no source: simple ports take one to ten. */
export const WORKING_DAYS = 5;
/** Numbers move at this minute of the day. */
const MOVES_AT_MINUTE = 10 * 60;

/** The first day on which a number can move that is asked for at a moment. @returns ISO date */
export function firstPortDay(at: number, zone: string): string {
  let { date } = localTime(zone, at);
  for (let left = WORKING_DAYS; left > 0;) {
    date = addDays(date, 1);
    if (localTime(zone, momentOf(zone, date, 720)).day <= 5) left--;
  }
  return date;
}

/** What the losing provider finds wrong, or null. The stand-in's rules are listed on the bench. */
export function portRefusal(
  e164: string,
  facts: PortFacts,
  at: number,
  zone: string,
): PortStanding['refusal'] {
  if ((facts.accountNumber.match(/\d/g) ?? []).length < 5)
    return {
      field: 'accountNumber',
      reason: `${facts.provider} knows no account “${facts.accountNumber}”. It stands at the top of the bill and has 5 digits or more.`,
    };
  if (facts.pin === '0000')
    return {
      field: 'pin',
      reason: `${facts.provider} says the PIN is wrong. Ask them for the port-out PIN of the account.`,
    };
  if (/\bp\.? ?o\.? box\b/i.test(facts.billAddress))
    return {
      field: 'billAddress',
      reason: 'The address is not the one on the bill: a box is never the service address.',
    };
  const first = firstPortDay(at, zone);
  if (facts.wantedOn < first)
    return { field: 'wantedOn', reason: `Too soon: the first day possible is ${first}.` };
  if (e164.endsWith('99'))
    return {
      field: 'provider',
      reason: `${facts.provider} has locked the number. Ask them to unlock it, then send this again with “unlocked” after their name.`,
    };
  return null;
}

/** Where a port stands at a moment (epoch milliseconds). */
export function portStanding(port: Port, now: number): PortStanding {
  const { at, facts } = port.attempts.at(-1)!;
  const unlocked = /unlocked/i.test(facts.provider);
  const found = portRefusal(port.e164, facts, at, port.zone);
  const refusal = found?.field === 'provider' && unlocked ? null : found;
  const movesAt = refusal
    ? null
    : Math.max(momentOf(port.zone, facts.wantedOn, MOVES_AT_MINUTE), at + CONFIRMED_AFTER);
  const way: { stage: PortStage; at: number }[] = refusal
    ? [
        { stage: 'submitted', at },
        { stage: 'checked', at: at + CHECKED_AFTER },
        { stage: 'refused', at: at + REFUSED_AFTER },
      ]
    : [
        { stage: 'submitted', at },
        { stage: 'checked', at: at + CHECKED_AFTER },
        { stage: 'date confirmed', at: at + CONFIRMED_AFTER },
        { stage: 'moved', at: movesAt! },
      ];
  if (port.cancelledAt !== null && port.cancelledAt <= now) {
    const passed = way.filter((s) => s.at <= port.cancelledAt!);
    return {
      stage: 'cancelled',
      passed: [...passed, { stage: 'cancelled', at: port.cancelledAt }],
      next: null,
      refusal: null,
      movesAt: null,
    };
  }
  const passed = way.filter((s) => s.at <= now);
  const { stage } = passed.at(-1) ?? way[0]!;
  const next = way.find((s) => s.at > now) ?? null;
  return {
    stage,
    passed,
    // That it will be refused is not known before it is.
    next: next?.stage === 'refused' ? { stage: 'date confirmed', at: at + CONFIRMED_AFTER } : next,
    refusal: stage === 'refused' ? refusal : null,
    movesAt: stage === 'date confirmed' || stage === 'moved' ? movesAt : null,
  };
}

/** The moment from which a number is ours as things were asked for, or null when it will not come. */
export const arrivalOf = (port: Port): number | null =>
  port.cancelledAt !== null ? null : portStanding(port, Number.MAX_SAFE_INTEGER).movesAt;
