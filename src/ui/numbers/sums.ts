/** Sums of money, each currency by itself. */
import { totals, type Sum } from '$core/costs';
import { priceText } from '../format';

/** "$121.00 + €4.00" */
export const sumText = (sums: readonly Sum[]): string =>
  totals(sums)
    .map(({ cents, currency }) => priceText(cents, currency))
    .join(' + ');
