/** Where calls to a number go right now, in words. */
import { outcomeInWords, rehearse, sentence } from '$core/calls';
import { unansweredCall } from '$core/coverage';
import type { NumberHeld, PairedStanding, System } from '$core/system';
import { portStanding } from '$standins/carrier/porting';
import type { View } from '$workspace';
import { momentText } from '../format';

/** What an unanswered call gets at a moment. @param paired standing state as rehearsals reckon with it */
export function goesNow(number: NumberHeld, system: System, paired: PairedStanding, moment: number): string {
  if (!number.planId) return 'No plan yet: callers hear that it is not in service.';
  const trace = rehearse(system, paired, unansweredCall(number, moment));
  return sentence(trace, system) || outcomeInWords(trace, system);
}

/** Whom callers reach while a number is on its way, or an empty text when it is ours. */
export function stillElsewhere(number: NumberHeld, view: View, now: number, zone: string): string {
  const port = view.dealings.ports.findLast((p) => p.e164 === number.e164 && p.cancelledAt === null);
  if (!port) return '';
  const { stage, movesAt } = portStanding(port, now);
  if (stage === 'moved') return '';
  const { provider } = port.attempts.at(-1)!.facts;
  return movesAt
    ? `Until ${momentText(movesAt, zone)} callers still reach ${provider}.`
    : `It has not moved yet: callers still reach ${provider}.`;
}
