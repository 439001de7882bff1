/** The way in: the order of the work, kinds of business, settings of the business, and what follows when it is in force. */
import { bench, open, putInForce, saved, visit } from './bench';
import { expect, test } from './seeded';

test('a business of one’s own begins as a kind, sees the week before anything is made, and undoes all of it at once', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Businesses and files' }).click();
  await page.getByRole('menuitem', { name: 'Start with your own business' }).click();
  const dialog = page.getByRole('dialog', { name: 'Start with your own business' });
  await dialog.getByLabel('Name').fill('Marrow & Tide');
  const zone = dialog.getByRole('combobox', { name: 'Time zone' });
  await zone.fill('minneapolis');
  await zone.press('ArrowDown');
  await zone.press('Enter');
  await expect(zone).toHaveValue(/Chicago.*Central Time/);
  await dialog.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(page.getByTestId('how-far')).toContainText('1 of 16 done. Next: Sites and their addresses.');
  await expect(page.getByTestId('task-business')).toContainText('Marrow & Tide, America/Chicago');

  await page.getByRole('link', { name: 'Answer the questions' }).click();
  await page.getByRole('radio', { name: /Shop with a Saturday/ }).check();
  const would = page.getByTestId('would-be');
  // Nothing is red before anything was typed.
  await expect(page.locator('[data-invalid="true"]')).toHaveCount(0);
  await expect(would).toContainText('Name who answers, and the week stands here.');
  await page.getByLabel('Who answers on weekdays?').fill('Ada Quill, Ben Stone');
  await page.getByLabel('Who answers on Saturdays?').fill('Ben');
  await page.getByLabel('When are you open on Saturdays?').fill('9-noonish');
  await expect(would).toContainText('"9-noonish" is not a span');
  await page.getByLabel('When are you open on Saturdays?').fill('9am-noon');
  await expect(would.getByRole('button', { name: /Your number, Sat .*: Ben/ })).toBeVisible();
  await expect(would).toContainText('Ada Quill (201), Ben Stone (202)');
  // A reload loses nothing.
  await page.reload();
  await expect(page.getByLabel('Who answers on weekdays?')).toHaveValue('Ada Quill, Ben Stone');
  await page.getByRole('button', { name: 'Make it so' }).click();
  await expect(page).toHaveURL(/\/answering\/plan/);
  await page.goto('/begin');
  await expect(page.getByTestId('task-people')).toContainText(
    '2 people; no e-mail address yet: Ada Quill, Ben Stone.',
  );
  await expect(page.getByTestId('task-hours')).toContainText('Shop hours');

  await page.getByRole('button', { name: 'Who is on call: not for us' }).click();
  await expect(page.getByTestId('task-rota')).toContainText('Not for us.');
  await saved(page);
  await page.reload();
  await expect(page.getByTestId('task-rota')).toContainText('Not for us.');
  await expect(page.getByTestId('how-far')).toContainText('of 15 done');

  await page.locator('h1').click();
  await page.keyboard.press('Control+z');
  await expect(page.getByTestId('task-people')).toContainText('Nothing yet.');
  await expect(page.getByTestId('task-hours')).toContainText('Nothing yet.');
});

test('the clock and the order of dates are the business’s, everywhere and at once, and come from its country', async ({
  page,
}) => {
  await page.goto('/begin/business');
  await expect(page.getByText('Today is Tue 24 Nov 2026.')).toBeVisible();
  await page.getByText('12-hour, 5:30 pm').click();
  await page.getByText('month first, Dec 19, 2026').click();
  await expect(page.getByText('Today is Tue Nov 24, 2026.')).toBeVisible();
  await saved(page);
  await page.goto('/hours');
  await expect(page.getByText('It is Tue Nov 24, 10:15 am.')).toBeVisible();
  await expect(page.getByText('8am-12pm, 1-5pm, or drag them in the strip')).toBeVisible();
  await expect(page.locator('.scale').first()).toHaveText('12 am6 am12 pm6 pmmidnight');
  const monday = page.getByLabel(/Mon/).first();
  await expect(monday).toHaveValue(/^8am-12pm, 1-5pm$/);
  await page.goto('/');
  await expect(page.getByRole('button', { name: /Main line, .* am to/ }).first()).toBeVisible();
  await page.goto('/begin/business');
  await page.getByLabel('Country').selectOption('DE');
  await expect(page.getByTestId('moves')).toContainText('Calls for help go to 112 or 110 instead of 911.');
  await page.getByRole('button', { name: 'Leave it' }).click();
  await expect(page.getByTestId('moves')).toHaveCount(0);
});

test('a day is chosen from a month by keys alone: in English, its weeks as in the country', async ({
  page,
}) => {
  await open(page, '/hours/year');
  await page.getByRole('button', { name: /^2026-12-24, Open/ }).click();
  const day = page.getByRole('form', { name: 'Other times on some days' }).getByLabel('First day');
  await expect(day).toHaveValue('Thu 24 Dec 2026');
  const month = page.getByRole('dialog', { name: 'Choose a day' });
  const focused = page.locator(':focus');
  await day.press('Alt+ArrowDown');
  await expect(focused).toHaveAccessibleName('Thursday, December 24, 2026');
  // First days of the week: Unicode CLDR, supplemental week data. US: Sunday.
  await expect(month.getByRole('columnheader', { includeHidden: true }).first()).toHaveText('Su');
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowRight');
  await expect(focused).toHaveAccessibleName('Friday, January 1, 2027');
  await page.keyboard.press('PageDown');
  await expect(focused).toHaveAccessibleName('Monday, February 1, 2027');
  await expect(month.getByLabel('Month', { exact: true })).toHaveValue('2');
  // It is left as it was, and the field has the focus again.
  await page.keyboard.press('Escape');
  await expect(month).toHaveCount(0);
  await expect(day).toBeFocused();
  await expect(day).toHaveValue('Thu 24 Dec 2026');
  await day.press('Alt+ArrowDown');
  await expect(focused).toHaveAccessibleName('Thursday, December 24, 2026');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Enter');
  await expect(day).toHaveValue('Thu 17 Dec 2026');
  await expect(day).toBeFocused();
  // A time is chosen with it.
  const clock = await bench(page, 'Clock');
  await clock.getByLabel('Choose in a calendar').click();
  const both = page.getByRole('dialog', { name: 'Choose a day and a time' });
  await both.getByRole('button', { name: 'Wednesday, November 25, 2026' }).click();
  await both.getByLabel('Time').fill('half');
  await both.getByLabel('Time').press('Enter');
  await expect(both.getByText('Write a time such as 17:30 or 5pm.')).toBeVisible();
  await both.getByLabel('Time').fill('5pm');
  await both.getByLabel('Time').press('Enter');
  await expect(both).toHaveCount(0);
  await expect(clock.getByLabel('Set it to')).toHaveValue('Wed 25 Nov 2026, 17:00');
  // DE: Monday.
  await clock.getByRole('button', { name: 'Close', exact: true }).click();
  await visit(page, '/begin/business');
  await page.getByLabel('Country').selectOption('DE');
  await page.getByTestId('moves').getByRole('button', { name: 'Change it' }).click();
  await visit(page, '/hours/year');
  await page.getByLabel('First day').press('Alt+ArrowDown');
  await expect(month.getByRole('columnheader', { includeHidden: true }).first()).toHaveText('Mo');
});

test('what went in force says for whom it changes something, tells them by mail, and is called in one go', async ({
  page,
  context,
}) => {
  await page.goto('/people/idris');
  const extension = page.getByLabel('Extension', { exact: true });
  await extension.fill('299');
  await extension.press('Tab');
  await putInForce(page);
  const after = page.getByTestId('after-force');
  await expect(after).toContainText('Of yourself: extension is 299 (was 202).');
  await after.getByRole('button', { name: 'Mail 1 person what changes for them' }).click();
  await expect(after.getByRole('button', { name: 'They have been told' })).toBeDisabled();
  await bench(page, 'Mail');
  await expect(page.getByText('What changes for you on the phones of Lantern Cove Boatworks')).toBeVisible();
  const [outside] = await Promise.all([
    context.waitForEvent('page'),
    after.getByRole('link', { name: 'Call Main line' }).click(),
  ]);
  await expect(outside.getByTestId('outside-call')).toContainText('Thank you for calling');
  await outside.getByRole('button', { name: 'Hang up' }).click();
  // Loading the window again does not call again.
  await outside.reload();
  await expect(outside.getByRole('button', { name: 'Call', exact: true })).toBeVisible();
});

test('as long as nobody has paired, what would ring is shown as if they had, and can be seen as it is', async ({
  page,
}) => {
  await page.goto('/people/dov');
  await page.goto('/changes');
  const note = page.getByTestId('supposed-as');
  await expect(note).toContainText('as if everybody had paired: 2 phones wait to be paired.');
  await note.getByRole('button', { name: 'As it is now' }).click();
  await expect(note).toContainText('as it is now');
  await page.reload();
  await expect(note).toContainText('as it is now');
});

test('a saved file of the business that is open says what would differ before it takes its place', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('heading', { name: 'Who answers, this week' }).waitFor();
  await page.getByRole('button', { name: 'Businesses and files' }).click();
  await page.getByRole('menuitem', { name: 'Save everything as a file' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: /^Save \d/ }).click();
  const path = (await (await download).path())!;
  await page.keyboard.press('Escape');
  await page.goto('/people/pia');
  const extension = page.getByLabel('Extension', { exact: true });
  await extension.fill('299');
  await extension.press('Tab');
  await saved(page);
  await page.getByLabel('A file saved by Upper Line').setInputFiles(path);
  const dialog = page.getByRole('dialog', { name: /^Open Lantern Cove/ });
  await expect(dialog.getByTestId('differs')).toContainText('People: 1 changed (Pia Lindqvist)');
  await expect(dialog.getByTestId('differs')).toContainText('Pia Lindqvist, extension: 299 → 203');
  await dialog.getByRole('button', { name: 'Leave it' }).click();
  await expect(extension).toHaveValue('299');
});

test('a queue is served by a group, and by whoever comes into it', async ({ page }) => {
  await page.goto('/answering/queues');
  const card = page.getByRole('region', { name: 'Front desk' });
  await card.getByRole('combobox', { name: 'Groups that serve it' }).click();
  await page.getByRole('option', { name: 'Charter desk' }).click();
  await page.keyboard.press('Escape');
  await saved(page);
  await page.reload();
  await expect(card.getByRole('combobox', { name: 'Groups that serve it' })).toContainText('Charter desk');
  await expect(
    card
      .getByRole('switch', { name: /Pia Lindqvist/ })
      .or(card.getByText('Pia Lindqvist'))
      .first(),
  ).toBeVisible();
  await card.getByLabel('Hold sound').selectOption('silence');
  await expect(page.getByRole('link', { name: 'Review 2 changes' })).toBeVisible();
});
