/**
 * A browser in which the demonstration has been opened already, with the bench clock set: what most tests begin with. It is
 * made once, by opening it as a person does (`seed.setup.ts`), and laid into each new browser with the clock of this moment.
 */
import { mkdtempSync, readFileSync, rmSync, statfsSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { test as base, type BrowserContext } from '@playwright/test';
import { shared } from '../server';
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

/** Where a browser keeps its data for a while: in memory where there is room, for storing waits for the disk. */
function inMemory(): string {
  try {
    const { bavail, bsize } = statfsSync('/dev/shm');
    return bavail * bsize > 1e9 ? '/dev/shm' : tmpdir();
  } catch {
    return tmpdir();
  }
}

/** The demonstration, opened at a local time of the business: "2026-11-24T10:15". */
export function openedAt(local: string): State {
  const state = JSON.parse(readFileSync(SEED, 'utf8')) as State;
  const settings = state.origins[0]!.indexedDB[0]!.stores.find((s) => s.name === 'settings')!;
  const [hours, minutes] = local.slice(11).split(':').map(Number);
  const benchAt = momentOf('America/Los_Angeles', local.slice(0, 10), hours! * 60 + minutes!);
  settings.records = [{ key: 'clock', value: { mode: 'set', benchAt, realAt: Date.now() } }];
  return state;
}

export const test = base.extend<
  {
    /** Local time of the business at which a test begins. */
    moment: string;
  },
  {
    /** The one browser of a worker: what it has read and compiled once serves all its tests, a third of their time. */
    home: BrowserContext;
  }
>({
  home: [
    async ({ playwright }, use) => {
      const { launchOptions, ...options } = shared.use!;
      const folder = mkdtempSync(join(inMemory(), 'browser-'));
      const { baseURL, viewport, timezoneId, locale, permissions, serviceWorkers } = options;
      const context = await playwright.chromium.launchPersistentContext(folder, {
        ...launchOptions,
        ...{ baseURL, viewport, timezoneId, locale, permissions, serviceWorkers },
      } as Parameters<typeof playwright.chromium.launchPersistentContext>[1]);
      await use(context);
      await context.close();
      rmSync(folder, { recursive: true, force: true });
    },
    { scope: 'worker' },
  ],
  // Each test has it as new: with the data it begins with, and no page open.
  context: async ({ home, storageState, actionTimeout }, use) => {
    home.setDefaultTimeout(actionTimeout ?? 0);
    await home.setStorageState(storageState as never);
    await use(home);
    for (const page of home.pages()) await page.close();
    await home.unrouteAll();
    await home.clearCookies();
  },
  moment: ['2026-11-24T10:15', { option: true }],
  storageState: async ({ moment }, use) => {
    // Playwright writes more than its types say of what it reads.
    await use(openedAt(moment) as never);
  },
});
export { expect } from '@playwright/test';
