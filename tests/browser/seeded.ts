/**
 * A browser in which the demonstration has been opened already, with the bench clock set: what most tests begin with. It is
 * made once, by opening it as a person does (`seed.setup.ts`), and laid into each new browser with the clock of this moment.
 */
import { readFileSync } from 'node:fs';
import { test as base, type BrowserContext } from '@playwright/test';
import { momentOf } from '../../src/core/hours';

/** Where the opened demonstration lies between the tests. */
export const SEED = 'test-results/seed.json';

interface KeyPath {
  keyPath?: string;
  keyPathArray?: string[];
}
interface Store extends KeyPath {
  name: string;
  autoIncrement: boolean;
  indexes: ({ name: string; unique: boolean; multiEntry: boolean } & KeyPath)[];
  records: { key?: string; value: unknown }[];
}
/** What Playwright writes down of a browser's data; only what is used here. */
export interface State {
  cookies: [];
  origins: {
    origin: string;
    localStorage: { name: string; value: string }[];
    indexedDB: { name: string; version: number; stores: Store[] }[];
  }[];
}

/** The moment at which most tests begin, as the business writes it. */
export const MOMENT = '2026-11-24T10:15';

/** Epoch milliseconds of a local time of the business: "2026-11-24T10:15". */
function momentAt(local: string): number {
  const [hours, minutes] = local.slice(11).split(':').map(Number);
  return momentOf('America/Los_Angeles', local.slice(0, 10), hours! * 60 + minutes!);
}

/** What is kept of a browser, as if all of it had happened so much later. @param by milliseconds */
function later(state: State, by: number): State {
  const moved = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.map(moved);
    if (typeof value !== 'object' || value === null) return value;
    return Object.fromEntries(
      Object.entries(value).map(([key, is]) => [
        key,
        ['at', 'sendAt', 'closedAt'].includes(key) ? (is as number) + by : moved(is),
      ]),
    );
  };
  for (const store of state.origins[0]!.indexedDB[0]!.stores)
    if (['messages', 'texts', 'threads', 'dealings', 'standing'].includes(store.name))
      for (const record of store.records) record.value = moved(record.value);
  return state;
}

/** The same with the clock of the business at a moment, from this one on. */
function clockAt(state: State, local: string): State {
  const settings = state.origins[0]!.indexedDB[0]!.stores.find((s) => s.name === 'settings')!;
  settings.records = [{ key: 'clock', value: { mode: 'set', benchAt: momentAt(local), realAt: Date.now() } }];
  return state;
}

/** What a browser keeps that has just opened the demonstration, as if it had done so when most tests begin. */
export function openedJustNow(state: State): State {
  const business = state.origins[0]!.indexedDB[0]!.stores.find((s) => s.name === 'businesses')!;
  const { createdAt } = business.records[0]!.value as { createdAt: number };
  return clockAt(later(state, momentAt(MOMENT) - createdAt), MOMENT);
}

/** The demonstration, opened at a local time of the business: "2026-11-24T10:15". */
export function openedAt(local: string): State {
  const state = JSON.parse(readFileSync(SEED, 'utf8')) as State;
  const by = momentAt(local) - momentAt(MOMENT);
  return clockAt(by ? later(state, by) : state, local);
}

export const test = base.extend<
  {
    /** Local time of the business at which a test begins. */
    moment: string;
    /** What its browser keeps then. */
    begin: State;
  },
  { kept: BrowserContext }
>({
  moment: [MOMENT, { option: true }],
  begin: async ({ moment }, use) => {
    await use(openedAt(moment));
  },
  // One for all tests of a worker: what was compiled for one need not be again for the next, half of what opening costs.
  kept: [
    async ({ browser }, use, { project }) => {
      const { contextOptions, viewport, timezoneId, locale, permissions, serviceWorkers, baseURL } =
        project.use;
      const context = await browser.newContext({
        ...contextOptions,
        baseURL: baseURL!,
        viewport: viewport!,
        timezoneId: timezoneId!,
        locale: locale!,
        permissions: permissions!,
        serviceWorkers: serviceWorkers!,
      });
      context.setDefaultTimeout(project.use.actionTimeout!);
      await use(context);
      await context.close();
    },
    { scope: 'worker' },
  ],
  context: async ({ kept, begin, permissions }, use) => {
    await kept.clearPermissions();
    await kept.grantPermissions(permissions!);
    await lay(kept, begin);
    await use(kept);
    for (const page of kept.pages().slice(1)) await page.close();
  },
});
export { expect } from '@playwright/test';

/** Has a browser keep what it is to begin with, and nothing else. No page of it is open. */
async function lay(context: BrowserContext, begin: State): Promise<void> {
  const page = context.pages()[0] ?? (await context.newPage());
  if (page.url() === 'about:blank') await page.goto('/favicon.svg');
  await page.evaluate(async ({ localStorage: own, indexedDB: databases }) => {
    const done = <T>(request: IDBRequest<T>) =>
      new Promise<T>((resolve, reject) => {
        request.onsuccess = () => resolve(request.result);
        request.onerror = () => reject(request.error!);
      });
    localStorage.clear();
    for (const { name, value } of own) localStorage.setItem(name, value);
    for (const { name } of await indexedDB.databases()) await done(indexedDB.deleteDatabase(name!));
    for (const { name, version, stores } of databases) {
      const opening = indexedDB.open(name, version);
      opening.onupgradeneeded = () => {
        for (const { name, records, indexes, autoIncrement, ...its } of stores) {
          const keyPath = its.keyPathArray ?? its.keyPath ?? null;
          const store = opening.result.createObjectStore(name, { autoIncrement, keyPath });
          for (const { name, keyPath, keyPathArray, ...its } of indexes)
            store.createIndex(name, keyPathArray ?? keyPath!, its);
          for (const { key, value } of records) store.add(value, key);
        }
      };
      (await done(opening)).close();
    }
  }, begin.origins[0]!);
}
