/** The simulated carrier's prices besides numbers, in cents of the business's currency. Invented. */
import type { Tariff } from '../../core/costs';

export const TARIFF: Tariff = { person: 1400, tollFreeMinute: 3, forwardedMinute: 2 };
