/** What would stand if everybody had paired their phones and proved their numbers. */
import type { Phone } from '../shape/people';
import type { System } from '../shape/schema';
import { isLinked } from '../defaults';
import { accountId, accountsOn, newRegistration } from './registration';
import { asPaired, type PairedStanding, type Standing } from './standing';

/** Every account of a phone: of whoever it is, and of those on its keys. */
const accountsOf = (phone: Phone): string[] => [
  ...new Set([phone.id, ...accountsOn(phone).map((personId) => accountId(phone, personId))]),
];

/** As if every phone of a system had been paired, and every linked phone been proved. */
export function asAllPaired({ phones }: Pick<System, 'phones'>, standing: Standing): PairedStanding {
  const registrations = { ...standing.registrations };
  const proved = { ...standing.proved };
  for (const phone of Object.values(phones)) {
    if (isLinked(phone)) proved[phone.id] ??= { number: phone.number, at: 0 };
    else
      for (const id of accountsOf(phone))
        registrations[id] ??= newRegistration({ pairedAt: 0, outside: phone.outsideOffice });
  }
  return asPaired({ ...standing, registrations, proved });
}

/** Phones that no call can ring yet, because nobody has paired or proved them. */
export const notPairedYet = ({ phones }: Pick<System, 'phones'>, standing: Standing): string[] =>
  Object.values(phones)
    .filter((p) => (isLinked(p) ? standing.proved[p.id]?.number !== p.number : !standing.registrations[p.id]))
    .map((p) => p.id);
