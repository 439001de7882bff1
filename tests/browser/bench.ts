/** Driving the bench the way a person does. */
import type { Page } from '@playwright/test';

/** Sets the bench clock. @param local local time of the business: "2026-11-24T10:15" */
export async function setClock(page: Page, local: string): Promise<void> {
  await page.getByRole('button', { name: 'Bench' }).click();
  const bench = page.getByRole('complementary', { name: 'Bench' });
  await bench.getByRole('tab', { name: 'Clock' }).click();
  await bench.getByLabel('Set it to').fill(local);
  await bench.getByRole('button', { name: 'Set the clock' }).click();
  await bench.getByText('was set and runs on').waitFor();
  await bench.getByRole('button', { name: 'Close' }).click();
}

/** Opens a page of the demonstration on Tuesday 24 November 2026 at 10:15. */
export async function open(page: Page, path: string): Promise<void> {
  await page.goto('/');
  await page.getByRole('heading', { name: 'Who answers, this week' }).waitFor();
  await setClock(page, '2026-11-24T10:15');
  await page.goto(path);
  await page.locator('h1').first().waitFor();
}
