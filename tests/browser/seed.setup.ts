/** Opens the demonstration in a new browser, as a person does who comes for the first time, and keeps what it stored. */
import { writeFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { setClock } from './bench';
import { SEED, type State } from './seeded';

test('the demonstration opens in a browser that has nothing yet', async ({ page }) => {
  // What the demonstration tells of its past lies before the moment it is opened at: not the day on which this runs.
  await page.clock.setFixedTime(new Date('2026-11-24T18:15:00Z'));
  await page.goto('/');
  await page.getByRole('heading', { name: 'Who answers, this week' }).waitFor();
  await expect(page.getByTestId('saved')).toHaveText('Saved');
  // On the day most tests begin with: what is found of its promises is kept with it, for it takes a while.
  await setClock(page, '2026-11-24T10:15');
  await page.reload();
  await page.waitForFunction(() => Object.keys(localStorage).some((key) => key.includes('verdicts')));
  const state = (await page.context().storageState({ indexedDB: true })) as unknown as State;
  const stores = state.origins[0]!.indexedDB[0]!.stores.filter((s) => s.records.length);
  expect(stores.map((s) => s.name)).toContain('versions');
  writeFileSync(SEED, JSON.stringify(state));
});
