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
