/** One current picture of each main view, from the demonstration, into docs/screenshots. */
import { test, type Page } from '@playwright/test';
import { setClock } from '../browser/bench';

const folder = 'docs/screenshots';
const shot = (page: Page, name: string) => page.screenshot({ path: `${folder}/${name}.png` });

test('pictures of the demonstration', async ({ page }) => {
  await page.goto('/');
  await setClock(page, '2026-11-24T10:15');
  await page.reload();
  await page.getByRole('heading', { name: 'Who answers, this week' }).waitFor();
  await page.waitForTimeout(500);
  await shot(page, 'overview');
  for (const view of ['numbers', 'hours', 'answering', 'people/rosa', 'phones', 'messages', 'changes']) {
    await page.goto(`/${view}`);
    await page.waitForTimeout(700);
    await shot(page, view.split('/')[0]!);
  }
});
