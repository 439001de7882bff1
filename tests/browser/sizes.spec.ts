/** A business of five hundred people is as quick as one of twelve: nothing stands still, and rows are there where they are looked at. */
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

/** So many times what three thousand plain rows take, and a page stands still. */
const MOST = 4;
/** What this machine takes to draw three thousand plain rows, in milliseconds: what stands still is told by that, not by a clock. */
const rowsDrawn = (page: Page): Promise<number> =>
  page.evaluate(() => {
    const times = [1, 2, 3].map(() => {
      const from = performance.now();
      const list = document.createElement('ul');
      for (let i = 0; i < 3000; i++) {
        const row = document.createElement('li');
        row.textContent = `Row ${i}`;
        list.append(row);
      }
      document.body.append(list);
      void list.offsetHeight;
      list.remove();
      return performance.now() - from;
    });
    return times.sort((a, b) => a - b)[1]!;
  });

const standingStill = (page: Page): Promise<number[]> =>
  page.evaluate(() => (window as unknown as { still: number[] }).still.splice(0));

test('five hundred people: read from a file, walked through, edited, and nothing stands still', async ({
  page,
}, info) => {
  test.slow();
  const file = info.outputPath('large.upper-line.gz');
  execFileSync('npx', ['tsx', 'tests/fixtures/sized.ts', 'L', file]);
  await page.addInitScript(() => {
    const still: number[] = [];
    Object.assign(window, { still });
    new PerformanceObserver((list) => still.push(...list.getEntries().map((e) => e.duration))).observe({
      entryTypes: ['longtask'],
    });
  });
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
  const machine = await rowsDrawn(page);
  await standingStill(page);
  const found: string[] = [];
  for (const path of PAGES) {
    await visit(page, path);
    await expect(page.locator('h1').first()).toBeVisible();
    for (const ms of await standingStill(page))
      if (ms > MOST * machine) found.push(`${path}: ${ms / machine}`);
  }
  await visit(page, '/people/p3');
  const name = page.getByLabel('Name', { exact: true }).first();
  await name.fill('Another Name');
  await name.blur();
  await expect(page.getByRole('heading', { name: 'Another Name' })).toBeVisible();
  await expect(page.getByTestId('saved')).toHaveText('Saved');
  await visit(page, '/changes');
  await expect(page.getByRole('heading', { name: 'Nothing differs for callers' })).toBeVisible();
  for (const ms of await standingStill(page)) if (ms > MOST * machine) found.push(`an edit: ${ms / machine}`);
  expect(found).toEqual([]);
});
