/** Star codes dialled by themselves: what they change, and which of them are carried out. */
import type { StarCode, Standing, System } from '../system';
import { phoneName } from './names';
import type { CallState } from './state';
import { outcomeOf } from './trace';

/** Codes that are carried out, with the do not disturb they set. Forwarding and voicemail follow. */
const DO_NOT_DISTURB: Partial<Record<StarCode['does'], boolean>> = {
  'do not disturb on': true,
  'do not disturb off': false,
};

/** Whether a code is carried out by now. */
export const isCarriedOut = (does: StarCode['does']): boolean =>
  does in DO_NOT_DISTURB || does === 'hide caller ID' || does === 'show caller ID';

/** What a star code does, in words, and whether it is carried out. */
export const featureInWords = (does: StarCode['does']): string =>
  does in DO_NOT_DISTURB ? does : `${does}, which is not carried out yet`;

/**
 * The change that a call to a star code makes to the settings of whoever the phone belongs to, or null where it makes
 * none. @param now epoch milliseconds
 */
export function settingOf(
  system: System,
  { request, trace }: Pick<CallState, 'request' | 'trace'>,
  now: number,
): ((standing: Standing) => Standing) | null {
  const outcome = outcomeOf(trace)?.outcome;
  if (outcome?.kind !== 'feature' || request.from.kind !== 'phone') return null;
  const { phoneId } = request.from;
  const personId = system.phones[phoneId]?.personId;
  const value = DO_NOT_DISTURB[outcome.does];
  if (!personId || value === undefined) return null;
  const by = `${phoneName(system, phoneId)}, by ${outcome.code}`.slice(0, 80);
  return (standing) => ({ ...standing, dnd: { ...standing.dnd, [personId]: { value, at: now, by } } });
}
