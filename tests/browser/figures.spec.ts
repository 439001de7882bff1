/** Figures: questions asked of the log, the calls behind each figure, and what is taken along. */
import { readFileSync } from 'node:fs';
import Papa from 'papaparse';
import { PNG } from 'pngjs';
import type { Page } from '@playwright/test';
import { bench, callFrom, open, saved, setClock, visit } from './bench';
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
  await open(page, `/figures/questions?about=${about}`);
  const drawer = await bench(page, 'Clock');
  await drawer.getByLabel('How many days').selectOption(days);
  await drawer.getByRole('button', { name: 'Lay it down' }).click();
  await expect(drawer.getByText('stand in the log')).toBeVisible({ timeout: 45_000 });
  await drawer.getByRole('button', { name: 'Close' }).click();
  await page.getByLabel('Which days').selectOption('last week');
  await expect(page.getByTestId('figure').first()).toContainText(/[1-9]/);
  // What was stored is taken up day by day: all of it is in the figures once they stand still.
  const figures = () => page.getByTestId('figure').allInnerTexts();
  await expect(async () => {
    await settled(page);
    const before = await figures();
    await page.waitForTimeout(1500);
    await settled(page);
    expect(await figures()).toEqual(before);
  }).toPass();
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
  await open(page, '/figures/questions?about=waits');
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

test('the shortage of Tuesday mornings stands out, is found in a usual week, and is mended by a change of the plan', async ({
  page,
}) => {
  await ask(page, 'too-few', '90 days');
  await page.getByLabel('Which days').selectOption('last 90 days');
  for (const hour of ['Tue 09:00', 'Tue 10:00'])
    await expect(page.getByRole('row').filter({ hasText: hour })).toBeVisible();
  const cell = page.getByTestId('week-map').getByRole('button', { name: /^Tue 10:00/ });
  await cell.focus();
  await page.keyboard.press('Enter');
  await expect(behind(page).getByRole('heading', { name: 'Tue 10:00' })).toBeFocused();
  for (const text of await behind(page).getByTestId('log-entry').allInnerTexts())
    expect(text).toMatch(/Tue \d+ \w+, 10:/);

  await visit(page, '/figures/people');
  await page.getByLabel('A usual week').selectOption('20 times');
  const running = page.getByTestId('running');
  const run = async () => {
    await page.getByRole('button', { name: 'Run it', exact: true }).click();
    await expect(running).toHaveAttribute('aria-busy', 'true');
    await expect(running).toHaveAttribute('aria-busy', 'false', { timeout: 60_000 });
  };
  await run();
  const said = page.getByTestId('enough-said');
  await expect(said).toContainText(/^Tuesdays 9 to 11 you are (one person|two people|three people) short/);
  await expect(said).toContainText('20 times, through what is in force');
  // One less is worse, by the same callers.
  await page.getByRole('combobox', { name: 'What if' }).selectOption('somebody were ill');
  await page.getByLabel('Who', { exact: true }).selectOption('Idris Okafor');
  await page.getByRole('button', { name: 'Run it beside' }).click();
  const missed = page
    .getByTestId('outcome')
    .getByRole('row')
    .filter({ hasText: /^missed/ });
  await expect(missed).toContainText(/\+[\d.]+ points/, { timeout: 30_000 });

  // What is promised about load is broken as it is.
  await visit(page, '/answering/promises');
  await page.getByRole('button', { name: 'Promise something about load' }).click();
  const load = page.getByRole('region', { name: 'About load' });
  await load.getByLabel('Mon').uncheck();
  await load.getByRole('button', { name: 'Promise it' }).click();
  await expect(load.getByText('Choose a day.')).toBeVisible();
  await load.getByLabel('Tue').check();
  await load.getByLabel('To', { exact: true }).selectOption('11:00');
  await load.getByLabel('Answered, %').fill('72');
  await load.getByLabel('Answered, %').blur();
  await load.getByRole('button', { name: 'Promise it' }).click();
  const promise = page.getByTestId('load-promises').getByRole('listitem');
  await expect(promise).toContainText(
    'Of callers on a usual Tuesday from 9 to 11, 72 % are answered by a person within 20 s.',
  );
  await load.getByRole('button', { name: 'Hold them against the draft' }).click();
  await expect(promise).toContainText(/broken: 6\d %/, { timeout: 45_000 });

  // In the draft two who have less to do ring with the desk: that is enough.
  await visit(page, '/answering/main?step=main-front');
  await page.getByRole('combobox', { name: 'Who', exact: true }).click();
  await page.getByRole('option', { name: /Tomas Brandt ·/ }).click();
  await page.getByRole('option', { name: /Pia Lindqvist ·/ }).click();
  await page.keyboard.press('Escape');
  await saved(page);
  await visit(page, '/figures/people');
  await page.getByLabel('Through').selectOption('the draft');
  await run();
  await expect(said).toContainText('20 times, through the draft');
  await expect(said).not.toContainText('Tuesdays 9 to 11 you are');
  // Before it goes in force the promise is held against it: it is kept.
  await visit(page, '/changes');
  await expect(promise).toContainText(/kept: 7\d %/, { timeout: 60_000 });
  await expect(page.getByText(/broken promise/)).toHaveCount(0);
});

test('stopped, without callers and with what cannot be: what was run stays, and the rest is said in words', async ({
  page,
}) => {
  await open(page, '/figures/people');
  await page.getByLabel('Of the log').selectOption('the last 4 weeks');
  await page.getByLabel('Callers', { exact: true }).selectOption('as I type');
  await page.getByRole('button', { name: 'Run it', exact: true }).click();
  await expect(page.getByText('Choose the line they call.')).toBeVisible();
  await page.getByLabel('The line they call').selectOption('Main line');
  await page.getByLabel('Callers an hour').fill('20000');
  await page.getByLabel('Callers an hour').blur();
  await page.getByRole('button', { name: 'Run it', exact: true }).click();
  await expect(page.getByText('At most 10,000.')).toBeVisible();
  await page.getByLabel('Callers an hour').fill('0');
  await page.getByLabel('Callers an hour').blur();
  await page.getByRole('button', { name: 'Run it', exact: true }).click();
  await expect(page.getByRole('alert')).toContainText('With no callers there is nobody to miss');
  await page.getByLabel('Callers an hour').fill('90');
  await page.getByLabel('Callers an hour').blur();
  await page.getByLabel('A usual week').selectOption('500 times');
  await page.getByRole('button', { name: 'Run it', exact: true }).click();
  await expect(page.getByTestId('outcome')).toBeVisible({ timeout: 30_000 });
  await page.getByRole('button', { name: 'Stop' }).click();
  await expect(page.getByText(/^Stopped after \d+ weeks: what stands here is of those\./)).toBeVisible();
  await expect(page.getByTestId('outcome')).toBeVisible();
});

test('the formulas say what the worked example of the trade says', async ({ page }) => {
  await open(page, '/figures/formulas');
  // 100 calls in half an hour of three minutes each, 14 people: 17.4 % wait, 88.8 % within 20 s, 7.8 s in the mean.
  await page.getByLabel('Callers an hour').fill('200');
  await page.getByLabel('Callers an hour').blur();
  await page.getByLabel('People', { exact: true }).fill('14');
  await page.getByLabel('People', { exact: true }).blur();
  const row = page.getByTestId('services').getByRole('row').filter({ hasText: 'Erlang C' });
  await expect(row).toContainText('17.4 %');
  await expect(row).toContainText('88.8 %');
  await expect(row).toContainText('7.8 s');
  await expect(row).toContainText('71.4 %');
  await page.getByLabel('People', { exact: true }).fill('2.5');
  await page.getByLabel('People', { exact: true }).blur();
  await expect(page.getByText('A whole number.')).toBeVisible();
});

test('a member of staff sees their own figures and nobody else’s', async ({ page }) => {
  await ask(page, 'who');
  const everybody = Number(await figure(page, 'answered').getByRole('button').innerText());
  await visit(page, '/people/roles');
  await page.getByRole('button', { name: 'Look as Wren Halloran' }).click();
  await visit(page, '/figures/questions?about=who');
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

test('a board of one’s own is arranged by key, kept over a reload, and mailed on Monday with its charts', async ({
  page,
}) => {
  await open(page, '/figures/boards');
  await page.getByLabel('Name of the board').fill('Mornings');
  await page.getByRole('button', { name: 'Start it' }).click();
  await expect(page.getByText('There is nothing on it yet')).toBeVisible();
  const tiles = page.getByTestId('tile');
  const add = page.getByRole('button', { name: 'Add the tile' });
  await add.click();
  await page.getByLabel('Shown as').selectOption('its chart');
  await page.getByLabel('Line', { exact: true }).selectOption('Main line');
  await add.click();
  await page.getByLabel('Question').selectOption('How long do callers wait?');
  await page.getByLabel('Shown as').selectOption('one figure');
  await page.getByLabel('Figure', { exact: true }).selectOption('usual answer');
  await add.click();
  await expect(tiles).toHaveCount(3);
  await expect(tiles.first()).toContainText('Offered · last 28 days', { ignoreCase: true });
  // The last goes to the front, by keys alone.
  await page.getByRole('button', { name: /^Move usual answer/ }).focus();
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('button', { name: /^Move usual answer/ })).toBeFocused();
  await page.keyboard.press('ArrowLeft');
  await expect(tiles.first()).toContainText('usual answer');
  await page.reload();
  await expect(tiles).toHaveCount(3);
  await expect(tiles.first()).toContainText('usual answer');
  await page.getByRole('button', { name: /^Take away offered/ }).click();
  await expect(tiles).toHaveCount(2);
  await page.getByRole('button', { name: 'Take it back' }).click();
  await expect(tiles).toHaveCount(3);

  await page.getByRole('button', { name: 'Mail it on Mondays' }).click();
  await page.getByLabel(/^Addresses/).fill('rosa@lanterncove.example, nonsense');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('nonsense is no address.')).toBeVisible();
  await page.getByLabel(/^Addresses/).fill('rosa@lanterncove.example');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText(/Mailed on Mondays at seven to rosa@/)).toBeVisible();
  // On the next Monday at seven, by itself and once.
  await setClock(page, '2026-11-30T07:05');
  await expect(page.getByText('Mornings was mailed to one address.')).toBeVisible({ timeout: 30_000 });
  const drawer = await bench(page, 'Mail');
  await drawer
    .getByRole('button', { name: /Mornings: how it goes/ })
    .first()
    .click();
  await expect(page.getByTestId('mail-text')).toContainText('usual answer · last 28 days');
  await expect(drawer.getByRole('button', { name: /Mornings: how it goes/ })).toHaveCount(1);
});

test('the live board shows a call within a second of what happens, and a leader acts from it', async ({
  page,
  context,
}) => {
  await open(page, '/figures');
  const calls = page.getByTestId('board-calls');
  await expect(page.getByText('Nobody calls. What comes is here within a second.')).toBeVisible();
  await expect(page.getByTestId('today')).toContainText('offered');
  const outside = await callFrom(context, 'Main line');
  const call = calls.getByRole('listitem').filter({ hasText: 'Main line' });
  await expect(call).toContainText('on Main line');
  await expect(call).toContainText(/hears a recording|rings/);
  await expect(call).toContainText(/rings Rosa Delgado/, { timeout: 20_000 });
  await expect(
    page.getByTestId('board-people').getByRole('listitem').filter({ hasText: 'Rosa' }),
  ).toContainText('ringing');
  await outside.getByRole('button', { name: 'Hang up' }).click();
  await expect(page.getByText('Nobody calls.')).toBeVisible();

  // Somebody is logged out of the queue, and in again.
  const queue = page.getByTestId('board-queue').filter({ hasText: 'Front desk' });
  await queue.getByRole('button', { name: 'Log out Ines Morel' }).click();
  await expect(queue.getByRole('listitem').filter({ hasText: 'Ines Morel' })).toContainText('logged out');
  await queue.getByRole('button', { name: 'Log in Ines Morel' }).click();
  await expect(queue.getByRole('listitem').filter({ hasText: 'Ines Morel' })).not.toContainText('logged out');

  // The office is closed for a while: its numbers ring nobody now.
  await expect(page.getByTestId('board-nowhere')).toHaveCount(0);
  const office = page.getByRole('group', { name: 'Now, at Office hours' });
  await office.getByRole('button', { name: 'Close now until…' }).click();
  await office.getByRole('button', { name: 'Close now', exact: true }).click();
  await expect(office).toContainText('Closed until');
  await expect(page.getByTestId('board-nowhere')).toContainText('Main line');
});
