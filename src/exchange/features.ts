/** What star codes dialled on a phone change in the standing state. */
import { outcomeOf, phoneName, type CallState } from '../core/calls';
import type { Standing, System } from '../core/system';

/** The change that a call to a star code makes, or null where it makes none. @param now bench time, epoch milliseconds */
export function settingOf(
  system: System,
  { request, trace }: Pick<CallState, 'request' | 'trace'>,
  now: number,
): ((standing: Standing) => Standing) | null {
  const outcome = outcomeOf(trace)?.outcome;
  if (outcome?.kind !== 'feature' || request.from.kind !== 'phone') return null;
  const { phoneId } = request.from;
  const personId = system.phones[phoneId]?.personId;
  const value = { 'do not disturb on': true, 'do not disturb off': false }[outcome.does as string];
  if (!personId || value === undefined) return null;
  const by = `${phoneName(system, phoneId)}, by ${outcome.code}`.slice(0, 80);
  return (standing) => ({ ...standing, dnd: { ...standing.dnd, [personId]: { value, at: now, by } } });
}
