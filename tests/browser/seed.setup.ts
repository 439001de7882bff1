/** Opens the demonstration in a new browser, as a person does who comes for the first time, and keeps what it stored. */
import { writeFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { SEED, type State } from './seeded';

test('the demonstration opens in a browser that has nothing yet', async ({ page }) => {
  await page.goto('/');
  await page.getByRole('heading', { name: 'Who answers, this week' }).waitFor();
  await expect(page.getByTestId('saved')).toHaveText('Saved');
  const state = (await page.context().storageState({ indexedDB: true })) as unknown as State;
  const stores = state.origins[0]!.indexedDB[0]!.stores.filter((s) => s.records.length);
  expect(stores.map((s) => s.name)).toContain('versions');
  writeFileSync(SEED, JSON.stringify(state));
});
