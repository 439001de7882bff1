/**
 * What each role sees and may do. The pages of the administration offer what a role may, with all data in one browser; a
 * staff phone is told only what its person may see.
 */
import type { Role } from '../system';

/** What there is to do, in the order it is told. */
export const ROLE_ACTS = {
  'own phones': 'pair their own phones, set do not disturb, hear their own messages',
  directory: 'see the directory, with the numbers they are allowed to see',
  'own page': 'see their own page: extension, numbers, hours, absences',
  'own absence': 'say when they are away and who stands in',
  'see the system': 'see every page: numbers, plans, hours, people, phones, calls',
  'change the system': 'change the draft, and put it in force',
  'every number': 'see everybody’s private mobile number',
  'give roles': 'make somebody an administrator or an owner, or take that from them',
  businesses: 'start, read in and reset whole businesses',
} as const;
export type Act = keyof typeof ROLE_ACTS;

const STAFF: readonly Act[] = ['own phones', 'directory', 'own page', 'own absence'];
const ADMINISTRATOR: readonly Act[] = [...STAFF, 'see the system', 'change the system', 'every number'];
const MAY: Record<Role, readonly Act[]> = {
  owner: [...ADMINISTRATOR, 'give roles', 'businesses'],
  administrator: ADMINISTRATOR,
  staff: STAFF,
  // A room's phone is anybody's: it shows no person's things.
  'shared room': ['directory'],
};

/** Whether a role may do something. */
export const may = (role: Role, act: Act): boolean => MAY[role].includes(act);

/** The roles that may do something. */
export const rolesThatMay = (act: Act): Role[] =>
  (Object.keys(MAY) as Role[]).filter((role) => MAY[role].includes(act));
