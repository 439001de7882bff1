/** The simulated carrier's prices besides numbers, in cents of the business's currency. Invented. */
import type { Tariff } from '../../core/costs';
import type { Rates } from '../../core/system';

export const TARIFF: Tariff = { person: 1400, tollFreeMinute: 3, forwardedMinute: 2 };

/** Texts that go out, in cents: each part, and each file in place of the parts. Invented. */
export const TEXT_RATES = { part: 0.8, file: 2.5 };

/** What a text costs, in cents. @param parts of its words @param files how many go with it */
export const textCents = (parts: number, files: number): number =>
  files ? files * TEXT_RATES.file : parts * TEXT_RATES.part;

/** Calls out, in cents a minute. Invented. */
export const RATES: Rates = {
  inland: 1,
  premium: 150,
  abroad: { US: 1, CA: 1, GB: 3, IE: 3, FR: 3, DE: 3, AU: 5, NZ: 5, MX: 8, CU: 95, SO: 110, TN: 85, LV: 70 },
  elsewhere: 40,
};
