/** Where somebody works, in time. */
import type { Person } from './shape/people';
import type { System } from './shape/schema';

/** The time zone somebody works in: their site's, else the business's. */
export const zoneOf = (person: Pick<Person, 'siteId'>, { sites, business }: System): string =>
  (person.siteId && sites[person.siteId]?.timeZone) || business.timeZone;
