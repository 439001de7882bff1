/** Contacts and numbers of ours by number: found once for each system. */
import { once } from '../once';
import type { System } from '../system';

export const known = once((system: System) => ({
  contacts: new Map(Object.values(system.contacts).flatMap((c) => c.numbers.map((n) => [n, c] as const))),
  lines: new Map(Object.values(system.numbers).map((n) => [n.e164, n] as const)),
}));
