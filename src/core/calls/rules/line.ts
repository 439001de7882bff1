/** On which line of ours a call is, and on which phones that line stands. */
import { linesOn, type Phone, type System } from '../../system';
import type { CallState } from '../base/state';
import { isOurs, type End } from '../base/talk';
import { lastOf } from '../base/trace';

type OnLine = Pick<CallState, 'numberId' | 'trace'>;

/** The number of ours that a call is on the line of: the one that was called, or the one it shows outside. Null for none. */
export function lineOf({ numberId, trace }: OnLine, { numbers }: Pick<System, 'numbers'>): string | null {
  if (numberId) return numberId;
  const out = lastOf(trace, 'goes out');
  const shown = out?.shows?.e164;
  return Object.values(numbers).find((n) => n.e164 === shown)?.id ?? null;
}

/** The phones on which the line of a number stands. */
export const phonesOnLine = ({ phones }: Pick<System, 'phones'>, numberId: string): Phone[] =>
  Object.values(phones).filter((p) => linesOn(p).numberIds.includes(numberId));

/** Whether a phone has the line of a person, or that of the number a call is on. */
export function hasLineOf(
  phone: Phone | undefined,
  personId: string | null,
  call: OnLine,
  system: Pick<System, 'numbers'>,
): boolean {
  if (!phone) return false;
  const { personIds, numberIds } = linesOn(phone);
  if (personId !== null && personIds.includes(personId)) return true;
  return numberIds.length > 0 && numberIds.includes(lineOf(call, system) ?? '');
}

/** Who of ours holds a call whose line stands on a phone, so that it may be taken back there. */
export const heldForLine = (
  call: OnLine & Pick<CallState, 'ends'>,
  phone: Phone | undefined,
  system: Pick<System, 'numbers'>,
): End | undefined =>
  call.ends.find(
    (e) =>
      isOurs(e) &&
      e.holds !== undefined &&
      e.gone === undefined &&
      hasLineOf(phone, e.personId, call, system),
  );
