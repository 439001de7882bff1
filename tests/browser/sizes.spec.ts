/** A business of five hundred people: no page draws much more than one of twelve would, and rows are there where they are looked at. */
import { execFileSync } from 'node:child_process';
import type { Page } from '@playwright/test';
import { visit } from './bench';
import { expect, test } from './seeded';

/** Pages that list what there are hundreds of. */
const PAGES = [
  '/numbers',
  '/people',
  '/people/groups',
  '/phones',
  '/hours',
  '/answering',
  '/answering/queues',
];

/** Elements a page may draw: these draw 700 to 2,700 of five hundred people, and up to 9,000 where all cards are drawn. */
const MOST = 4000;
/** How many there are once no more come. */
async function drawn(page: Page): Promise<number> {
  let before = -1;
  await expect
    .poll(async () => {
      const now = await page.locator('*').count();
      const same = now === before;
      before = now;
      return same;
    })
    .toBe(true);
  return before;
}

test('five hundred people: read from a file, walked through, edited, and only what is looked at is drawn', async ({
  page,
}, info) => {
  test.slow();
  const file = info.outputPath('large.upper-line.gz');
  execFileSync('npx', ['tsx', 'tests/fixtures/sized.ts', 'L', file]);
  await page.goto('/');
  await page.getByLabel('A file saved by Upper Line').setInputFiles(file);
  await page.getByRole('button', { name: 'Open it' }).click();
  await expect(page.getByRole('heading', { name: 'Who answers, this week' })).toBeVisible();
  await expect(page.getByTestId('saved')).toHaveText('Saved');

  // Every number has its lane; what it shows is drawn where it is seen.
  const lanes = page.locator('.week');
  await expect(lanes).toHaveCount(150);
  await expect(lanes.first().locator('.seg').first()).toBeVisible();
  await expect(lanes.last().locator('.seg')).toHaveCount(0);
  await lanes.last().scrollIntoViewIfNeeded();
  await expect(lanes.last().locator('.seg').first()).toBeVisible();
  // The arrows go from lane to lane there, too.
  const last = lanes.last().locator('.seg[tabindex="0"]').first();
  await last.focus();
  await page.keyboard.press('ArrowUp');
  await expect(lanes.nth(148).locator('.seg:focus')).toHaveCount(1);

  await page.getByText('Nothing found.').or(page.locator('.finding').first()).first().waitFor();
  for (const path of PAGES) {
    await visit(page, path);
    await expect(page.locator('h1').first()).toBeVisible();
    expect(await drawn(page), path).toBeLessThan(MOST);
  }
  await visit(page, '/people/p3');
  const name = page.getByLabel('Name', { exact: true }).first();
  await name.fill('Another Name');
  await name.blur();
  await expect(page.getByRole('heading', { name: 'Another Name' })).toBeVisible();
  await expect(page.getByTestId('saved')).toHaveText('Saved');
  await visit(page, '/changes');
  await expect(page.getByRole('heading', { name: 'Nothing differs for callers' })).toBeVisible();
  expect(await drawn(page)).toBeLessThan(MOST);
});
