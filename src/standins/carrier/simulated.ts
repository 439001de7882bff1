/** A simulated carrier. It behaves like a real one: some areas are sold out, and some searches are slow. */
import type { Carrier, Search, SearchResult } from './carrier';
import { searchStock } from './search';

/** Areas that take their time to answer, with the delay in milliseconds. */
export const SLOW: Readonly<Record<string, number>> = { '415': 2500, '0161': 2500 };

/** @param wait how a delay passes; a test passes none */
export const simulatedCarrier = (wait: (ms: number) => Promise<void>): Carrier => ({
  async search(search: Search): Promise<SearchResult> {
    const delay = SLOW[search.where] ?? 0;
    if (delay) await wait(delay);
    return searchStock(search);
  },
});
