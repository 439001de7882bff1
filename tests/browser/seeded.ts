/**
 * A browser in which the demonstration has been opened already, with the bench clock set: what most tests begin with. It is
 * made once, by opening it as a person does (`seed.setup.ts`), and laid into each new browser with the clock of this moment.
 */
import { readFileSync } from 'node:fs';
import { test as base } from '@playwright/test';
import { momentOf } from '../../src/core/hours';

/** Where the opened demonstration lies between the tests. */
export const SEED = 'test-results/seed.json';

/** What Playwright writes down of a browser's data; only what is used here. */
export interface State {
  cookies: [];
  origins: {
    origin: string;
    localStorage: [];
    indexedDB: { stores: { name: string; records: { key?: string; value: unknown }[] }[] }[];
  }[];
}

/** The demonstration, opened at a local time of the business: "2026-11-24T10:15". */
export function openedAt(local: string): State {
  const state = JSON.parse(readFileSync(SEED, 'utf8')) as State;
  const settings = state.origins[0]!.indexedDB[0]!.stores.find((s) => s.name === 'settings')!;
  const [hours, minutes] = local.slice(11).split(':').map(Number);
  const benchAt = momentOf('America/Los_Angeles', local.slice(0, 10), hours! * 60 + minutes!);
  // What happened before it was opened happened as long before this moment.
  const stores = state.origins[0]!.indexedDB[0]!.stores;
  const records = (name: string) => stores.find((s) => s.name === name)?.records ?? [];
  const opened = (records('businesses')[0]!.value as { createdAt: number }).createdAt;
  const moved = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.map(moved);
    if (typeof value !== 'object' || value === null) return value;
    return Object.fromEntries(
      Object.entries(value).map(([key, is]) => [
        key,
        ['at', 'sendAt', 'closedAt'].includes(key) ? (is as number) + benchAt - opened : moved(is),
      ]),
    );
  };
  for (const name of ['messages', 'texts', 'threads', 'dealings', 'standing'])
    for (const record of records(name)) record.value = moved(record.value);
  settings.records = [{ key: 'clock', value: { mode: 'set', benchAt, realAt: Date.now() } }];
  return state;
}

export const test = base.extend<{
  /** Local time of the business at which a test begins. */
  moment: string;
}>({
  moment: ['2026-11-24T10:15', { option: true }],
  storageState: async ({ moment }, use) => {
    // Playwright writes more than its types say of what it reads.
    await use(openedAt(moment) as never);
  },
});
export { expect } from '@playwright/test';
