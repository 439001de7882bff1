/** What people type wrongly: said beside the field, nothing lost, nothing half done. */
import type { Locator, Page } from '@playwright/test';
import { open, saved, visit } from './bench';
import { expect, test } from './seeded';

/** The message beside a field. */
const beside = (field: Locator) =>
  field.locator('xpath=ancestor::*[contains(@class, "bx--form-item")][1]').locator('.bx--form-requirement');
const noChanges = (page: Page) => expect(page.getByRole('link', { name: 'No changes' })).toBeVisible();

test('extensions: of somebody else, an emergency number, in the way, no digits', async ({ page }) => {
  await open(page, '/people/wren');
  const field = page.getByLabel('Extension', { exact: true });
  for (const [typed, message] of [
    ['201', '201 belongs to Rosa Delgado'],
    ['911', '911 is an emergency number'],
    ['20', '20 is the beginning of 20'],
    ['2011', '2011 begins with 201'],
    ['950', 'people dial that for an outside line'],
    ['abc', '2 to 6 digits'],
    ['', '2 to 6 digits'],
  ] as const) {
    await field.fill(typed);
    await field.blur();
    await expect(beside(field)).toContainText(message);
    await expect(field).toHaveValue(typed);
  }
  await noChanges(page);
  await page.reload();
  await expect(field).toHaveValue('211');
});

test('numbers to bring over: letters, too short, abroad, impossible, ours', async ({ page }) => {
  await open(page, '/numbers/bring');
  const form = page.locator('form', { hasText: 'Ask for a number' });
  const field = form.getByLabel('The number to bring over');
  for (const [typed, message] of [
    ['', 'Type a telephone number'],
    ['555-BOAT', 'has letters in it'],
    ['555 0142', 'too short'],
    ['020 7946 0123', 'in United Kingdom: then write +44 20 7946 0123'],
    ['360 911 0142', 'no such number can be given out'],
    ['+34 912 345 678', 'cannot take over numbers of this country'],
    ['+1 360 555 0133 360 555 0133', 'at most 15 digits'],
    ['9 360 555 0142', 'You hold this number already, as “Main line”'],
  ] as const) {
    await field.fill(typed);
    await form.getByRole('button', { name: 'Send the request' }).click();
    await expect(beside(field)).toContainText(message);
    await expect(field).toHaveValue(typed);
  }
  await expect(page.getByText('Nothing is on its way')).toBeVisible();
  await noChanges(page);
});

test('star codes and reserved extensions: wrong ones change nothing', async ({ page }) => {
  await open(page, '/numbers/dialling');
  const hide = page.getByLabel('hide caller ID');
  for (const [typed, message] of [
    ['*ab', 'A star code is * and 1 to 3 digits'],
    ['*82', '*82 is there twice'],
    ['*7', '*7 is the beginning of *72'],
  ] as const) {
    await hide.fill(typed);
    await hide.blur();
    await expect(beside(hide)).toContainText(message);
  }
  const habits = page.locator('aside form').filter({ hasText: 'Reserve' });
  await habits.getByLabel('From').fill('290');
  await habits.getByLabel('To').fill('280');
  await habits.getByLabel('For what').fill('loft');
  await habits.getByRole('button', { name: 'Reserve' }).click();
  await expect(habits).toContainText('from is not after to');
  await noChanges(page);
  await habits.getByLabel('To').fill('294');
  await habits.getByRole('button', { name: 'Reserve' }).click();
  await expect(page.getByText('20 reserved')).toBeVisible();
});

test('files: another encoding, a quote left open, 5,000 rows; leaving changes nothing', async ({ page }) => {
  await open(page, '/numbers/sites');
  const read = (name: string, content: Buffer) =>
    page.getByLabel('CSV file of sites').setInputFiles({ name, mimeType: 'text/csv', buffer: content });
  const dialog = page.getByRole('dialog');
  const leave = () => dialog.getByRole('button', { name: 'Leave it' }).click();

  await read('open.csv', Buffer.from('name,city\n"Sail loft,Port Ansel\n'));
  await expect(dialog).toContainText('Quotes do not match');
  await leave();
  const latin = Buffer.from(
    'name;house number;street;city;state;postal code\nBootshaus S\u00fcd;3;Quay Street;Port Ansel;WA;98300\nBarn;1;Lane;;WA;98300\n',
    'latin1',
  );
  await read('latin.csv', latin);
  await expect(dialog).toContainText('it was read as Windows-1252');
  await expect(dialog.getByRole('row', { name: /Bootshaus Süd/ })).toContainText('new');
  await expect(dialog.getByRole('row', { name: /Barn/ })).toContainText('City is missing');
  await dialog.getByRole('button', { name: 'Apply 1 row' }).click();
  await expect(page.getByRole('link', { name: 'Bootshaus Süd' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'Barn' })).toBeHidden();

  const many = Array.from({ length: 5000 }, (_, i) => `Hut ${i},${i},Quay Street,Port Ansel,WA,98300`);
  await read('many.csv', Buffer.from(`name,house number,street,city,state,postal code\n${many.join('\n')}`));
  await expect(dialog).toContainText('5,000 rows: 5,000 new');
  await expect(dialog).toContainText('and 4,800 more');
  await leave();
  await expect(page.getByRole('link', { name: /^Hut/ })).toHaveCount(0);
});

test('costs: a toll-free number is a decision with a figure', async ({ page }) => {
  await open(page, '/numbers/get');
  await page.getByLabel('Kind').selectOption('toll-free');
  const offers = page.getByRole('list', { name: 'Numbers on offer' }).getByRole('listitem');
  await expect(offers.first()).toContainText(/\((800|888)\)/);
  while (!(await page.getByText('is yours and in the draft').isVisible())) {
    await offers.first().getByRole('button', { name: /^Take/ }).click();
    await page.getByRole('button', { name: 'Order it' }).click();
    await expect(page.getByRole('heading', { name: 'Your order' })).toBeVisible();
  }
  await page.getByRole('link', { name: 'Say what it is for' }).click();
  await page.getByLabel(/^Where calls to Number 7 go/).selectOption('Wren Halloran, then their voicemail');
  await saved(page);
  await visit(page, '/numbers/costs');
  const total = async () => Number((await page.getByTestId('total').innerText()).replace(/[^\d.]/g, ''));
  const minutes = page.getByRole('row', { name: /^Toll-free minutes/ });
  await expect(minutes).toContainText('Number 7');
  const before = await total();
  await page.getByLabel('Minutes of talk in each').fill('6');
  await expect.poll(total).toBeGreaterThan(before);
  await page.getByLabel('Calls a week to each number').fill('0');
  await expect(minutes).toContainText('$0.00');
});
