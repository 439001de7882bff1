/** What the other side sees of somebody who calls out: a number of the business, and the name sent with it. */
import { once } from '../../once';
import type { NumberHeld, System } from '../../system';

export interface Shown {
  e164: string;
  /** Empty where none is set. */
  name: string;
}

/** Whether a person may show a number; null is a phone that belongs to nobody. */
const may = (number: NumberHeld, personId: string | null): boolean =>
  number.callerIdFor === 'everybody' || (personId !== null && number.callerIdFor.includes(personId));

/** Numbers that everybody may show, and those who may show another one. */
const offered = once((system: System) => {
  const numbers = Object.values(system.numbers);
  return {
    everybody: numbers.filter((n) => may(n, null)),
    named: new Set(numbers.flatMap((n) => (n.callerIdFor === 'everybody' ? [] : n.callerIdFor))),
  };
});

/** Every number of the business counts as ours: for the plan, in which those on their way have arrived. */
const allOurs = (): boolean => true;

/**
 * The number a person's calls show: a direct number that is theirs alone, else the business's usual one, else the first
 * they may show. Undefined where they may show none; the other side then sees a hidden number.
 * @param isOurs whether a number is with us by now: one that is still with another provider cannot be shown
 */
export function numberShownBy(
  system: System,
  personId: string | null,
  isOurs: (e164: string) => boolean = allOurs,
): NumberHeld | undefined {
  const { everybody, named } = offered(system);
  const allowed = (
    personId !== null && named.has(personId)
      ? Object.values(system.numbers).filter((n) => may(n, personId))
      : everybody
  ).filter((n) => isOurs(n.e164));
  return (
    allowed.find((n) => n.use === 'direct' && n.callerIdFor !== 'everybody' && n.callerIdFor.length === 1) ??
    allowed.find((n) => n.e164 === system.business.defaultCallerId) ??
    allowed[0]
  );
}

/** Numbers a person may show on calls they make, those first that theirs usually show. */
export function numbersToShow(
  system: System,
  personId: string | null,
  isOurs: (e164: string) => boolean = allOurs,
): NumberHeld[] {
  const usual = numberShownBy(system, personId, isOurs);
  const others = Object.values(system.numbers).filter(
    (n) => n !== usual && may(n, personId) && isOurs(n.e164),
  );
  return usual ? [usual, ...others] : others;
}

/**
 * What is sent with one call.
 * @param chosen a number for this call, or that none is shown; what its person may not show is not shown
 */
export function shownOn(
  system: System,
  personId: string | null,
  chosen: string | undefined,
  isOurs?: (e164: string) => boolean,
): Shown | null {
  if (chosen === 'hidden') return null;
  const number = chosen && numbersToShow(system, personId, isOurs).find((n) => n.e164 === chosen);
  return number ? { e164: number.e164, name: number.callerName } : shownBy(system, personId, isOurs);
}

/** What is sent with a call that a person makes, or null where they may show nothing. */
export function shownBy(
  system: System,
  personId: string | null,
  isOurs: (e164: string) => boolean = allOurs,
): Shown | null {
  const number = numberShownBy(system, personId, isOurs);
  return number ? { e164: number.e164, name: number.callerName } : null;
}
