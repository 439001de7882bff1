/** The log: everything that was dealt with, found again, settled, noted, and asked again with today's draft. */
import { readFileSync } from 'node:fs';
import Papa from 'papaparse';
import type { Page } from '@playwright/test';
import { bench, callFrom, open, putInForce, saved, setClock, visit, withSoftphone } from './bench';
import { expect, test } from './seeded';

/** Lays down a week of calls, and opens the log on it. */
async function withPast(page: Page): Promise<void> {
  await open(page, '/messages/log');
  const drawer = await bench(page, 'Clock');
  await drawer.getByRole('button', { name: 'Lay it down' }).click();
  await expect(drawer.getByText(/calls and \d+ messages stand in the log/)).toBeVisible();
  await drawer.getByRole('button', { name: 'Close' }).click();
  // The log has heard of it.
  await expect(count(page)).toHaveText(/^[1-9][\d,]{2,} entries$/);
}
const rows = (page: Page) => page.getByTestId('log-entry');
const count = (page: Page) => page.getByTestId('log-count');
const entry = (page: Page) => page.getByTestId('entry');
/** What is shown is what was asked for last. */
const settled = (page: Page) => expect(count(page)).toHaveAttribute('aria-busy', 'false');

test('a week of calls is searched, narrowed, kept under a name, and found again after a reload', async ({
  page,
}) => {
  await withPast(page);
  await expect(count(page)).toHaveText(/^[3-7]\d\d entries$/);
  const search = page.getByRole('searchbox', { name: 'Search the log' });
  await search.fill('winter');
  await expect(rows(page).first()).toContainText('Winter store');
  for (const text of await rows(page).allInnerTexts()) expect(text).toContain('Winter store');
  await search.fill('(206) 555-0121');
  await settled(page);
  for (const text of await rows(page).allInnerTexts()) expect(text).toContain('555-0121');
  await search.fill('no such word');
  await expect(page.getByRole('heading', { name: 'Nothing is found by that' })).toBeVisible();
  await page.getByRole('button', { name: 'Show everything' }).click();
  await expect(search).toHaveValue('');

  await page.getByLabel('What is shown').selectOption('missed, not called back yet');
  await page.getByLabel('Which line').selectOption('Night watch');
  await settled(page);
  const shown = await count(page).innerText();
  await page.getByRole('button', { name: 'Keep this search' }).click();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('Give it a name.')).toBeVisible();
  await page.getByLabel('Name of the search').fill('Nights still open');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await page.getByRole('button', { name: 'Show everything' }).click();
  await page.reload();
  await page.getByRole('button', { name: 'Nights still open', exact: true }).click();
  await expect(count(page)).toHaveText(shown);
  for (const text of await rows(page).allInnerTexts())
    expect(text).toMatch(/Night watch[^]*not called back yet/);
  await page.getByRole('button', { name: 'Forget the search Nights still open' }).click();
  await expect(page.getByRole('button', { name: 'Nights still open', exact: true })).toHaveCount(0);
});

test('by the keyboard: a line is opened, noted, said to be done, and that is taken back', async ({
  context,
  page,
}) => {
  await withPast(page);
  await page.getByLabel('What is shown').selectOption('missed, not called back yet');
  await page.getByLabel('Which line').selectOption('Main line');
  await settled(page);
  const before = Number(/^\d+/.exec(await count(page).innerText())![0]);
  await rows(page).first().focus();
  await page.keyboard.press('ArrowDown');
  await expect(rows(page).nth(1)).toBeFocused();
  await page.keyboard.press('Enter');
  const title = await rows(page).nth(1).locator('b').innerText();
  await expect(entry(page).getByRole('heading', { level: 2 })).toHaveText(title);
  await expect(entry(page).getByRole('heading', { name: 'How it went' })).toBeVisible();

  await entry(page).getByRole('button', { name: 'Keep the note' }).click();
  await expect(entry(page).getByText('Write something down first.')).toBeVisible();
  await entry(page).getByLabel('Add a note').fill('Wants the blue <b>paint</b>');
  await page.keyboard.press('Control+Enter');
  await expect(page.getByTestId('saved')).toHaveText('Saved');
  // Another window has it at once, as text.
  const other = await context.newPage();
  await other.goto('/messages/log');
  await other.getByRole('searchbox', { name: 'Search the log' }).fill('blue <b>paint</b>');
  await expect(rows(other)).toHaveCount(1);
  const notes = other.getByRole('region', { name: 'Notes' });
  await expect(notes.getByRole('listitem')).toContainText('Wants the blue <b>paint</b>');
  await expect(notes.getByRole('listitem')).toContainText('whoever runs the system, Tue 24 Nov');
  // A second one stands beside it, and is taken away by undo alone.
  await notes.getByLabel('Add a note').fill('Ordered two litres');
  await notes.getByRole('button', { name: 'Keep the note' }).click();
  const here = entry(page).getByRole('region', { name: 'Notes' }).getByRole('listitem');
  await expect(here).toHaveText([/blue <b>paint/, /Ordered two litres/]);
  await other.locator('h1').first().click();
  await other.keyboard.press('Control+z');
  await expect(here).toHaveText([/blue <b>paint/]);
  await other.close();

  // Given to somebody, it is theirs in every window, and in what waits to be called back.
  const number = /\(\d{3}\) \d{3}-\d{4}/.exec(title)![0];
  const waiting = await context.newPage();
  await waiting.goto('/messages/call-back');
  const waits = waiting.getByRole('listitem').filter({ hasText: number });
  await expect(waits.getByRole('button', { name: /^Give it to/ })).toBeVisible();
  await entry(page)
    .getByRole('button', { name: /^Give it to/ })
    .click();
  await entry(page)
    .getByLabel(/^Who sees to/)
    .selectOption('Mei Tanaka');
  await expect(rows(page).nth(1)).toContainText('not called back yet; Mei Tanaka sees to it');
  await expect(waits.getByRole('button', { name: /^Mei Tanaka sees to it/ })).toBeVisible();
  await waiting.close();

  await entry(page).getByRole('button', { name: 'Done' }).click();
  // Others of the same number are settled with it.
  await expect(count(page)).not.toContainText(`${before} entries`);
  await page.locator('h1').first().click();
  await page.keyboard.press('Control+z');
  await expect(count(page)).toContainText(`${before} entries`);
});

test('a number becomes a contact, its whole story is shown, and it goes out as CSV', async ({ page }) => {
  await withPast(page);
  const search = page.getByRole('searchbox', { name: 'Search the log' });
  await search.fill('(206) 555-0121');
  await settled(page);
  const calls = await rows(page).count();
  expect(calls).toBeGreaterThan(1);
  await entry(page)
    .getByRole('button', { name: /^Make a contact/ })
    .click();
  await entry(page).getByRole('button', { name: 'Add it' }).click();
  await expect(entry(page).getByText('Give the contact a name.')).toBeVisible();
  await entry(page)
    .getByLabel(/^Name of the contact/)
    .fill('=Ada Ferris');
  await entry(page).getByRole('button', { name: 'Add it' }).click();
  await expect(rows(page).first()).toContainText('=Ada Ferris');
  await entry(page).getByRole('button', { name: 'Everything with =Ada Ferris' }).click();
  await expect(page.getByLabel('Contact')).toHaveValue(/contact-/);
  await expect(rows(page)).toHaveCount(calls);

  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save what is shown as CSV' }).click();
  const { data } = Papa.parse<Record<string, string>>(
    readFileSync(await (await download).path(), 'utf8').trim(),
    { header: true },
  );
  expect(data).toHaveLength(calls);
  expect(new Set(data.map((row) => row['number']))).toEqual(new Set(['(206) 555-0121']));
  // Nothing in it is a formula to a spreadsheet.
  expect(new Set(data.map((row) => row['with']))).toEqual(new Set(["'=Ada Ferris"]));
});

test('a real call is asked again with the draft: the same caller, moment and behaviour', async ({ page }) => {
  await withPast(page);
  await page.getByLabel('What is shown').selectOption('missed');
  await page.getByRole('searchbox', { name: 'Search the log' }).fill('hung up main line');
  await settled(page);
  const when = await rows(page).first().locator('.soft').innerText();
  await entry(page).getByRole('link', { name: 'Rehearse this call' }).click();
  await expect(page.getByRole('heading', { name: 'Rehearsal' })).toBeVisible();
  await expect(page.getByLabel('What happens').getByText(when)).toBeVisible();
  await expect(page.getByTestId('page-outcome')).toContainText('hung up');
});

test('ninety days are in the log, also what pages have no more; a note to an old call is found at once', async ({
  page,
}) => {
  await open(page, '/messages/log');
  const drawer = await bench(page, 'Clock');
  await drawer.getByLabel('How many days').selectOption('90 days');
  await drawer.getByRole('button', { name: 'Lay it down' }).click();
  await expect(drawer.getByText('stand in the log')).toBeVisible({ timeout: 45_000 });
  await drawer.getByRole('button', { name: 'Close' }).click();
  await expect(count(page)).toHaveText(/^[5-9],\d\d\d entries$/);
  const all = await count(page).innerText();
  await page.getByLabel('To day').fill('2026-09-01');
  await page.getByLabel('To day').blur();
  await settled(page);
  await expect(rows(page).first()).toContainText(' Sep');
  await rows(page).nth(2).click();
  await entry(page).getByLabel('Add a note').fill('Asked for teak');
  await entry(page).getByRole('button', { name: 'Keep the note' }).click();
  await expect(entry(page).getByRole('listitem').filter({ hasText: 'Asked for teak' })).toBeVisible();
  const search = page.getByRole('searchbox', { name: 'Search the log' });
  await search.fill('asked for teak');
  await expect(count(page)).toHaveText(/^1 entry of/);
  // After a reload it is whole from the first look on.
  await page.reload();
  await expect(count(page)).toHaveText(/^1 entry of/);
  await page.getByRole('button', { name: 'Show everything' }).click();
  await expect(count(page)).toHaveText(all);
  await page.getByRole('button', { name: /^Show more of/ }).click();
  // More come by themselves when the end of the list comes near.
  await expect.poll(() => rows(page).count()).toBeGreaterThanOrEqual(120);
});

test('the past goes as it came, and what was there before it stays', async ({ page }) => {
  await withPast(page);
  const drawer = await bench(page, 'Clock');
  await drawer.getByRole('button', { name: 'Take it away' }).click();
  await expect(drawer.getByText(/went for good/)).toBeVisible();
  await drawer.getByRole('button', { name: 'Close' }).click();
  // The three messages and seven texts of the demonstration stay.
  await expect(count(page)).toHaveText('10 entries');
  await visit(page, '/messages');
  await expect(page.getByTestId('message')).toHaveCount(3);
});

test('a ringing phone says who that is and what they wanted last, before anybody lifts', async ({
  context,
  page,
}) => {
  const staff = await withSoftphone(context, page);
  const first = await callFrom(context, 'Main line');
  await expect(staff.getByTestId('ringing')).toBeVisible();
  await expect(staff.getByTestId('before')).toHaveCount(0);
  await first.getByRole('button', { name: 'Hang up' }).click();
  await expect(staff.getByTestId('ringing')).toHaveCount(0);
  await first.close();
  const again = await callFrom(context, 'Main line');
  const before = staff.getByTestId('before');
  await expect(before.getByRole('listitem')).toHaveCount(1);
  await expect(before).toContainText('the caller hung up');
  await expect(before).toContainText('not called back yet');
  await staff.keyboard.press('Enter');
  await expect(staff.getByTestId('talking')).toBeVisible();
  await again.getByRole('button', { name: 'Hang up' }).click();
  // It stands in the log of whoever runs the system as it was: called in vain, then talked.
  await visit(page, '/messages/log');
  await expect(rows(page).filter({ hasText: 'talked' }).first()).toContainText('with Idris Okafor');
  await expect(rows(page).filter({ hasText: 'the caller hung up' }).first()).toContainText(
    /called again .* later and talked with Idris Okafor/,
  );
});

test('an entry is deleted for good after asking once more, and calls go by a rule in force', async ({
  page,
}) => {
  await withPast(page);
  const number = async () => {
    await settled(page);
    return Number(/[\d,]+/.exec((await count(page).innerText()).replace(',', ''))![0]);
  };
  const before = await number();
  await entry(page).getByRole('button', { name: 'Delete for good…' }).click();
  const sure = entry(page).getByRole('group', { name: 'Delete this entry for good' });
  await sure.getByRole('button', { name: 'Leave it' }).click();
  await entry(page).getByRole('button', { name: 'Delete for good…' }).click();
  await sure.getByRole('button', { name: 'Delete it' }).click();
  await expect(count(page)).toHaveText(`${before - 1} entries`);

  // The list above it has its new length.
  await settled(page);
  await page.getByText('How long it is kept').click();
  await page.getByLabel('Days that calls are kept').fill('0');
  await page.getByRole('button', { name: 'Keep it so' }).click();
  await expect(page.getByText('At least 1 day.')).toBeVisible();
  await page.getByLabel('Days that calls are kept').fill('3');
  await page.getByRole('button', { name: 'Keep it so' }).click();
  await saved(page);
  await expect(page.getByRole('list', { name: 'What went for good' })).toContainText('1 entry deleted');
  await putInForce(page);
  await setClock(page, '2026-11-24T11:20');
  await visit(page, '/messages/log');
  await page.getByText('How long it is kept').click();
  await expect(page.getByRole('list', { name: 'What went for good' })).toContainText(
    'deleted for good, by the rule of how long they are kept',
  );
  expect(await number()).toBeLessThan(before - 20);
  await page.reload();
  await page.getByText('How long it is kept').click();
  await expect(page.getByLabel('Days that calls are kept')).toHaveValue('3');
});
