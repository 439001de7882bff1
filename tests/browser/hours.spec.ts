/** Hours beyond the week: holidays, days off, closed for now, calendars, rotas, and the year at a glance. */
import type { Page } from '@playwright/test';
import ICAL from 'ical.js';
import { readFileSync } from 'node:fs';
import { open, saved, visit } from './bench';
import { expect, test } from './seeded';

const sentence = (page: Page) => page.getByTestId('rehearsal-sentence');
const at = (page: Page, local: string) =>
  page
    .getByRole('region', { name: 'Rehearsal' })
    .getByLabel(/^Moment of the call/)
    .fill(local);
async function fileOf(page: Page, act: () => Promise<void>): Promise<string> {
  const download = page.waitForEvent('download');
  await act();
  return readFileSync((await (await download).path())!, 'utf8');
}

test('a day off is added from the year, shown there, heard by a caller, and taken back', async ({ page }) => {
  test.setTimeout(150_000);
  await open(page, '/hours/year');
  await expect(page.getByRole('button', { name: /^2026-11-26, Thanksgiving Day: closed/ })).toBeVisible();
  await at(page, '2026-12-24T10:00');
  await expect(sentence(page)).toContainText('Plays “Welcome”');
  await page.getByRole('button', { name: /^2026-12-24, Open/ }).click();
  const form = page.getByRole('form', { name: 'Other times on some days' });
  await form.getByRole('button', { name: 'Add it' }).click();
  await expect(form.getByText('Give it a name.')).toBeVisible();
  await form.getByLabel('What it is').fill('Christmas Eve');
  await form.getByLabel('Times on those days').fill('9-25');
  await form.getByRole('button', { name: 'Add it' }).click();
  await expect(form.getByText('is not a span')).toBeVisible();
  await form.getByLabel('Times on those days').fill('11-13');
  await form.getByRole('button', { name: 'Add it' }).click();
  await expect(form.getByText('Say what those times are; closed has none.')).toBeVisible();
  await form.getByLabel('They are').selectOption('Open');
  await form.getByRole('button', { name: 'Add it' }).click();
  await expect(
    page.getByRole('button', { name: /^2026-12-24, Christmas Eve: Open 11:00–13:00/ }),
  ).toBeVisible();
  await expect(sentence(page)).toContainText('Plays “Yard closed”');
  await saved(page);
  await page.reload();
  const list = page.getByRole('region', { name: 'Exceptions' });
  await list.getByLabel('Times on Christmas Eve').fill('9-12');
  await list.getByLabel('Times on Christmas Eve').press('Tab');
  await expect(sentence(page)).toContainText('Plays “Welcome”');
  // A day off of a kind keeps it; closed is not turned into open by times alone.
  await list.getByLabel('What Christmas Eve is').selectOption('closed');
  await list.getByLabel('Times on Christmas Eve').fill('9-12');
  await list.getByLabel('Times on Christmas Eve').press('Tab');
  await expect(list.getByText('It is closed then.')).toBeVisible();
  await list.getByLabel('What Christmas Eve is').selectOption('Holiday');
  await expect(page.getByRole('button', { name: /^2026-12-24, Christmas Eve: Holiday/ })).toBeVisible();
  await list.getByRole('button', { name: 'Remove Christmas Eve' }).click();
  await expect(list).not.toContainText('Christmas Eve');
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(list).toContainText('Christmas Eve');
  // It is a month away, and seen before it goes in force.
  await saved(page);
  await visit(page, '/changes');
  // A year of every caller is worked out, off the page: that takes a while on a busy machine.
  await expect(page.getByRole('heading', { name: 'Later in the year' })).toBeVisible({ timeout: 60_000 });
  await expect(page.getByTestId('difference').first()).toContainText(
    'Main line (360) 555-0142, Thu 24 Dec 2026',
  );
});

test('the days of the year are walked with the keyboard', async ({ page }) => {
  await open(page, '/hours/year');
  await page.getByRole('button', { name: /^2026-11-24,/ }).focus();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('button', { name: /^2026-12-02,/ })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('First day')).toHaveValue('Wed 2 Dec 2026');
});

test('public holidays come from the list of the country, with a choice for each', async ({ page }) => {
  await open(page, '/hours/year?set=charter-hours');
  await page.getByRole('button', { name: 'Public holidays of US' }).click();
  await page.getByLabel('Region').selectOption('Washington');
  const labor = page.getByLabel('What to do on Labor Day');
  await labor.selectOption('Open 9-12');
  await page.getByLabel('What to do on Memorial Day').selectOption('As any other day');
  await page.getByRole('button', { name: /^Add \d+ holidays/ }).click();
  const list = page.getByRole('region', { name: 'Exceptions' });
  await expect(list.getByLabel('Times on Labor Day')).toHaveValue('9-12');
  await expect(list).not.toContainText('Memorial Day');
  await expect(list).toContainText('Thanksgiving Day');
  await expect(page.getByRole('button', { name: /^2027-09-06, Labor Day: Open 09:00–12:00/ })).toBeVisible();
});

test('closed now until: it holds for callers at once, and ends by a click or by itself', async ({ page }) => {
  await open(page, '/hours');
  const office = page.getByRole('group', { name: 'Now, at Office hours' });
  await office.getByRole('button', { name: 'Close now until…' }).click();
  await office.getByLabel('Closed until').fill('2026-11-24T09:00');
  await office.getByRole('button', { name: 'Close now' }).click();
  await expect(office.getByText('That moment has passed.')).toBeVisible();
  await office.getByLabel('Closed until').fill('2026-11-24T14:00');
  await office.getByRole('button', { name: 'Close now' }).click();
  await expect(office.getByRole('status')).toContainText('Closed until Tue 24 Nov, 14:00, then as written');
  await expect(sentence(page)).toContainText('Plays “Yard closed”');
  // It is no edit: callers get it without the draft going in force.
  await expect(page.getByRole('link', { name: 'No changes' })).toBeVisible();
  await at(page, '2026-11-24T14:00');
  await expect(sentence(page)).toContainText('Plays “Welcome”');
  await page.reload();
  await office.getByRole('button', { name: 'End it now' }).click();
  await expect(office).toContainText('Now: Open');
});

test('a span is dragged in the strip, and typed hours follow', async ({ page }) => {
  await open(page, '/hours');
  const card = page.getByRole('region', { name: 'Workshop hours' });
  // What lies behind the strip for rehearsals cannot be dragged.
  await page.getByRole('button', { name: 'Fold' }).click();
  const lane = card.locator('.lane[data-day="1"]');
  await lane.evaluate((el) => el.scrollIntoView({ block: 'center' }));
  const box = (await lane.boundingBox())!;
  const x = (hour: number) => box.x + (box.width * hour) / 24;
  const y = box.y + box.height / 2;
  // The end of Monday, 16:00, to 18:00.
  await page.mouse.move(x(16) - 2, y);
  await page.mouse.down();
  await page.mouse.move(x(17), y);
  await page.mouse.move(x(18), y);
  await page.mouse.up();
  await expect(card.getByLabel('Open, Mon')).toHaveValue('7-18');
  // A new span on Sunday, drawn from 10 to 12.
  const sunday = (await card.locator('.lane[data-day="7"]').boundingBox())!;
  await page.mouse.move(x(10), sunday.y + 8);
  await page.mouse.down();
  await page.mouse.move(x(11), sunday.y + 8);
  await page.mouse.move(x(12), sunday.y + 8);
  await page.mouse.up();
  await expect(card.getByLabel('Open, Sun')).toHaveValue('10-12');
  await page.keyboard.press('Control+z');
  await expect(card.getByLabel('Open, Sun')).toHaveValue('');
});

test('hours go out as a calendar and days off come in from one', async ({ page }) => {
  await open(page, '/hours');
  const card = page.getByRole('region', { name: 'Office hours' });
  const text = await fileOf(page, () => card.getByRole('button', { name: 'Save as a calendar' }).click());
  const root = new ICAL.Component(ICAL.parse(text) as unknown as unknown[]);
  const names = root.getAllSubcomponents('vevent').map((e) => String(e.getFirstPropertyValue('summary')));
  expect(names).toEqual(expect.arrayContaining(['Open', 'Lunch', 'Saturday', 'Thanksgiving Day']));

  await visit(page, '/hours/year');
  const input = page.getByLabel('A calendar file for Office hours');
  await input.setInputFiles({ name: 'x.ics', mimeType: 'text/calendar', buffer: Buffer.from('no calendar') });
  await expect(page.getByText('This is not an iCalendar file')).toBeVisible();
  const ics = [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:-//x//EN',
    'BEGIN:VEVENT',
    'UID:1',
    'DTSTAMP:20261101T000000Z',
    'DTSTART;VALUE=DATE:20270301',
    'DTEND;VALUE=DATE:20270304',
    'SUMMARY:Stocktaking <b>x</b>',
    'END:VEVENT',
    'END:VCALENDAR',
    '',
  ].join('\r\n');
  await input.setInputFiles({ name: 'x.ics', mimeType: 'text/calendar', buffer: Buffer.from(ics) });
  const dialog = page.getByRole('dialog', { name: 'Take into Office hours?' });
  await expect(dialog).toContainText(
    'Stocktaking <b>x</b> Mon 1 Mar 2027 to Wed 3 Mar 2027 8-12, 12-13, 13-17 → closed',
  );
  await dialog.getByRole('button', { name: 'Take 1 exception' }).click();
  await expect(
    page.getByRole('button', { name: /^2027-03-03, Stocktaking <b>x<\/b>: closed/ }),
  ).toBeVisible();

  // Our own calendar read back: the week is known as a week, and its days off are there already.
  await input.setInputFiles({ name: 'own.ics', mimeType: 'text/calendar', buffer: Buffer.from(text) });
  await expect(dialog).toContainText('It is as it is here: Open Mon–Fri 08:00–12:00 and 13:00–17:00');
  await expect(dialog.getByRole('button', { name: 'Nothing to take' })).toBeDisabled();
  await dialog.getByRole('button', { name: 'Leave it' }).click();
  // A changed one shows what was and what is, and takes the place of the week.
  const later = text.replaceAll('T080000', 'T090000').replaceAll('-480-720-', '-540-720-');
  await input.setInputFiles({ name: 'own.ics', mimeType: 'text/calendar', buffer: Buffer.from(later) });
  await expect(dialog.locator('del').first()).toContainText('Open Mon–Fri 08:00–12:00');
  await expect(dialog).toContainText('Open Mon–Fri 09:00–12:00 and 13:00–17:00');
  await dialog.getByRole('button', { name: /^Take the week/ }).click();
  await expect(dialog).toBeHidden();
  await visit(page, '/hours');
  await expect(card.getByLabel(/^Open.*Mon|Mon.*Open/).first()).toHaveValue('9-12, 13-17');
});

test('a rota: turns, a swap, a gap that is found, and the plan rings whoever has it', async ({ page }) => {
  await open(page, '/hours/rotas');
  const rota = page.getByRole('region', { name: 'Night watch' });
  await expect(rota).toContainText('On duty now: Callum Reyes');
  const form = rota.getByRole('form', { name: 'Somebody else for a time' });
  await form.getByRole('button', { name: 'Swap' }).click();
  await expect(form.getByText('Give a beginning and an end.')).toBeVisible();
  await form.getByLabel('From').fill('2026-11-24T08:00');
  await form.getByLabel('To', { exact: true }).fill('2026-11-25T08:00');
  await form.getByLabel('Who').selectOption('Wren Halloran');
  await form.getByRole('button', { name: 'Swap' }).click();
  await expect(rota).toContainText('On duty now: Wren Halloran');
  await page
    .getByRole('region', { name: 'Rehearsal' })
    .getByLabel('Number called')
    .selectOption({ label: 'Night watch · (360) 555-0160' });
  await expect(sentence(page)).toContainText('rings Wren Halloran 24 s');
  await rota.getByLabel('Hand over at').fill('breakfast');
  await rota.getByLabel('Hand over at').press('Tab');
  await expect(rota.getByText('Write a time such as 17:30 or 5pm.')).toBeVisible();
  const text = await fileOf(page, () => rota.getByRole('button', { name: 'Save as a calendar' }).click());
  expect(text).toContain('SUMMARY:Wren Halloran');
  await rota.getByLabel('A calendar file for Night watch').setInputFiles({
    name: 'r.ics',
    mimeType: 'text/calendar',
    buffer: Buffer.from(text.replace('SUMMARY:Mei Tanaka', 'SUMMARY:Somebody Else')),
  });
  await expect(rota.getByText(/Nobody here is called .*Somebody Else/)).toBeVisible();
});
