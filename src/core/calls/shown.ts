/** What the other side sees of somebody who calls out: a number of the business, and the name sent with it. */
import type { NumberHeld, System } from '../system';

export interface Shown {
  e164: string;
  /** Empty where none is set. */
  name: string;
}

/** Whether a person may show a number; null is a phone that belongs to nobody. */
const may = (number: NumberHeld, personId: string | null): boolean =>
  number.callerIdFor === 'everybody' || (personId !== null && number.callerIdFor.includes(personId));

/**
 * The number a person's calls show: a direct number that is theirs alone, else the business's usual one, else the first
 * they may show. Undefined where they may show none; the other side then sees a hidden number.
 */
export function numberShownBy(system: System, personId: string | null): NumberHeld | undefined {
  const allowed = Object.values(system.numbers).filter((n) => may(n, personId));
  return (
    allowed.find((n) => n.use === 'direct' && n.callerIdFor !== 'everybody') ??
    allowed.find((n) => n.e164 === system.business.defaultCallerId) ??
    allowed[0]
  );
}

/** What is sent with a call that a person makes, or null where they may show nothing. */
export function shownBy(system: System, personId: string | null): Shown | null {
  const number = numberShownBy(system, personId);
  return number ? { e164: number.e164, name: number.callerName } : null;
}
