/** The simulated carrier's prices besides numbers, in cents of the business's currency. Invented. */
import type { Tariff } from '../../core/costs';
import type { Rates } from '../../core/system';

export const TARIFF: Tariff = { person: 1400, tollFreeMinute: 3, forwardedMinute: 2 };

/** Calls out, in cents a minute. Invented. */
export const RATES: Rates = {
  inland: 1,
  premium: 150,
  abroad: { US: 1, CA: 1, GB: 3, IE: 3, FR: 3, DE: 3, AU: 5, NZ: 5, MX: 8, CU: 95, SO: 110, TN: 85, LV: 70 },
  elsewhere: 40,
};
