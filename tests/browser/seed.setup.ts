/** Opens the demonstration in a new browser, as a person does who comes for the first time, and keeps what it stored. */
import { writeFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { openedJustNow, SEED, type State } from './seeded';

test('the demonstration opens in a browser that has nothing yet', async ({ page, context }) => {
  const opened = async () => {
    await page.goto('/');
    await page.getByRole('heading', { name: 'Who answers, this week' }).waitFor();
    await expect(page.getByTestId('saved')).toHaveText('Saved');
  };
  const kept = async () => (await context.storageState({ indexedDB: true })) as unknown as State;
  await opened();
  // On the day most tests begin with, not on that on which this runs: its past moves with it. What is found of its
  // promises is kept with it, for it takes a while.
  await context.setStorageState(openedJustNow(await kept()) as never);
  await opened();
  await page.waitForFunction(() => Object.keys(localStorage).some((key) => key.includes('verdicts')));
  const state = await kept();
  const stores = state.origins[0]!.indexedDB[0]!.stores.filter((s) => s.records.length);
  expect(stores.map((s) => s.name)).toContain('versions');
  writeFileSync(SEED, JSON.stringify(state));
});
