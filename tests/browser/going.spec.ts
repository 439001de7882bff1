/** How it goes: questions asked of the log, the calls behind each figure, and what is taken along. */
import { readFileSync } from 'node:fs';
import Papa from 'papaparse';
import { PNG } from 'pngjs';
import type { Page } from '@playwright/test';
import { bench, open, visit } from './bench';
import { expect, test } from './seeded';

const state = (page: Page) => page.getByTestId('report-state');
const figure = (page: Page, name: string) =>
  page.getByTestId('figure').filter({ has: page.getByText(name, { exact: true }) });
const behind = (page: Page) => page.getByTestId('behind');
/** The path of the file that something saves. */
async function fileOf(page: Page, act: () => Promise<void>): Promise<string> {
  const download = page.waitForEvent('download');
  await act();
  return (await download).path();
}
const settled = (page: Page) => expect(state(page)).toHaveAttribute('aria-busy', 'false');

/** Lays down a past, and asks a question of it. */
async function ask(page: Page, about: string, days = '7 days'): Promise<void> {
  await open(page, `/going/questions?about=${about}`);
  const drawer = await bench(page, 'Clock');
  await drawer.getByLabel('How many days').selectOption(days);
  await drawer.getByRole('button', { name: 'Lay it down' }).click();
  await expect(drawer.getByText('stand in the log')).toBeVisible({ timeout: 45_000 });
  await drawer.getByRole('button', { name: 'Close' }).click();
  await page.getByLabel('Which days').selectOption('last week');
  await expect(page.getByTestId('figure').first()).toContainText(/[1-9]/);
  await settled(page);
}

test('how many called: each figure leads to its calls, compared and narrowed, as table, chart, CSV and PNG', async ({
  page,
}) => {
  await ask(page, 'how-many');
  const offered = Number(await figure(page, 'offered').getByRole('button').innerText());
  const answered = Number(await figure(page, 'answered').getByRole('button').innerText());
  const missed = Number(await figure(page, 'missed').getByRole('button').innerText());
  expect(answered + missed).toBe(offered);
  await figure(page, 'missed').getByRole('button').click();
  await expect(behind(page)).toContainText(`${missed} calls`);
  await behind(page).getByTestId('log-entry').first().click();
  await expect(behind(page).getByTestId('entry')).toContainText('How it went');
  await behind(page).getByRole('button', { name: 'Close' }).click();
  await expect(figure(page, 'missed')).toContainText('Offered less answered');

  // The parts add up to the whole, in the file as on the page.
  const csv = await fileOf(page, () => page.getByRole('button', { name: 'as CSV' }).click());
  const rows = Papa.parse<Record<string, string>>(readFileSync(csv, 'utf8').trim(), { header: true }).data;
  expect(rows).toHaveLength(7);
  expect(rows.reduce((sum, row) => sum + Number(row['offered']), 0)).toBe(offered);
  await expect(page.getByTestId('chart')).toHaveAttribute('data-drawn', 'yes');
  const png = await fileOf(page, () => page.getByRole('button', { name: 'as PNG' }).click());
  expect(PNG.sync.read(readFileSync(png)).width).toBeGreaterThan(600);

  // On Tuesdays only.
  await page.getByText('Only some of them').click();
  for (const day of ['Mon', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'])
    await page.getByRole('group', { name: 'Which weekdays' }).getByLabel(day).uncheck();
  const tuesday = rows.find((row) => new Date(`${row['day']}T12:00Z`).getUTCDay() === 2)!;
  await expect(figure(page, 'offered').getByRole('button')).toHaveText(tuesday['offered']!);
  // A reload asks the same again.
  await page.reload();
  await expect(figure(page, 'offered').getByRole('button')).toHaveText(tuesday['offered']!);
});

test('days in the wrong order, to come, or without a call are said in words, and nothing is drawn of them', async ({
  page,
}) => {
  await open(page, '/going/questions?about=waits');
  await page.getByLabel('First day').fill('2026-11-20');
  await page.getByLabel('First day').blur();
  await page.getByLabel('Last day').fill('2026-11-19');
  await page.getByLabel('Last day').blur();
  await expect(page.getByText('The last day is before the first.')).toBeVisible();
  await page.getByLabel('Last day').fill('2026-11-21');
  await page.getByLabel('Last day').blur();
  await expect(page.getByText('The last day is before the first.')).toHaveCount(0);
  await page.getByLabel('First day').fill('2016-01-01');
  await page.getByLabel('First day').blur();
  await page.getByLabel('Last day').fill('2025-12-31');
  await page.getByLabel('Last day').blur();
  await expect(page.getByTestId('nothing')).toHaveText('No calls of that kind in these days.');
  await page.getByLabel('Last day').fill('2040-12-31');
  await page.getByLabel('Last day').blur();
  await page.getByLabel('First day').fill('2040-01-01');
  await page.getByLabel('First day').blur();
  await expect(page.getByTestId('nothing')).toHaveText('Those days are still to come.');
  await expect(page.getByTestId('chart')).toHaveCount(0);
});

test('Tuesday mornings stand out where people are too few, and by keyboard too lead to who was missed', async ({
  page,
}) => {
  await ask(page, 'too-few', '30 days');
  await page.getByLabel('Which days').selectOption('last 28 days');
  const first = page.getByRole('row').filter({ hasText: /^Tue (09|10):00/ });
  await expect(first.first()).toBeVisible();
  const cell = page.getByTestId('week-map').getByRole('button', { name: /^Tue 10:00/ });
  await cell.focus();
  await page.keyboard.press('Enter');
  await expect(behind(page).getByRole('heading', { name: 'Tue 10:00' })).toBeFocused();
  for (const text of await behind(page).getByTestId('log-entry').allInnerTexts())
    expect(text).toMatch(/Tue \d+ \w+, 10:/);
});

test('a member of staff sees their own figures and nobody else’s', async ({ page }) => {
  await ask(page, 'who');
  const everybody = Number(await figure(page, 'answered').getByRole('button').innerText());
  await visit(page, '/people/roles');
  await page.getByRole('button', { name: 'Look as Wren Halloran' }).click();
  await visit(page, '/going/questions?about=who');
  await expect(page.getByTestId('whose')).toHaveText('Calls that rang at you, that you answered or placed.');
  await settled(page);
  await expect(figure(page, 'answered')).toBeVisible();
  await expect(async () => {
    const own = Number(
      await figure(page, 'answered')
        .locator('.value')
        .innerText()
        .then((t) => /\d+/.exec(t)![0]),
    );
    expect(own).toBeLessThan(everybody);
  }).toPass();
  await expect(page.getByLabel('Who of us').locator('option')).toHaveText([
    'all you may see',
    'Wren Halloran',
  ]);
});
