/** Contacts: read from cards after a look, joined with who is known, changed, found, and written as cards. */
import { readFileSync } from 'node:fs';
import ICAL from 'ical.js';
import { bench, open, saved, visit } from './bench';
import { expect, test } from './seeded';

const card = (...lines: string[]) => ['BEGIN:VCARD', 'VERSION:4.0', ...lines, 'END:VCARD', ''].join('\r\n');
const file = (text: string) => ({ name: 'people.vcf', mimeType: 'text/vcard', buffer: Buffer.from(text) });

test('a file of cards is looked at first, joined with who is known, taken once, and undone', async ({
  page,
}) => {
  await open(page, '/messages/contacts');
  await expect(page.getByTestId('contact-row')).toHaveCount(2);
  const input = page.locator('input[type=file][accept*=".vcf"]');
  await input.setInputFiles(file('no card at all'));
  await expect(page.getByRole('alert')).toHaveText('There is no card in it.');
  await input.setInputFiles(
    file(
      card('FN:Bo <i>Linde</i>', 'ORG:Linde Sails', 'TEL:(206) 555-0102', 'NOTE:Pays in cash') +
        card('FN:Harrow Point', 'TEL:+1 360 555 0134', 'TEL:+1 360 555 0135', 'EMAIL:club@harrow.example') +
        card('FN:Nobody') +
        card('FN:Left Out', 'TEL:206 555 0103'),
    ),
  );
  const seen = page.getByRole('region', { name: 'What the file has' });
  await expect(seen).toContainText('2 new, 1 known with something to add, 0 the same, 1 not taken');
  await expect(seen.getByRole('listitem').filter({ hasText: 'Harrow Point' })).toContainText(
    'known: adds (Harrow Point Sailing Club): the number +13605550135; the address club@harrow.example',
  );
  await expect(seen.getByRole('listitem').filter({ hasText: 'Nobody' })).toContainText('It has no number');
  await seen.locator('label', { hasText: 'Left Out' }).click();
  await seen.getByRole('button', { name: 'Take 2 contacts' }).click();
  await saved(page);
  await expect(page.getByTestId('contact-row')).toHaveCount(3);
  await page.getByTestId('contact-row').filter({ hasText: 'Bo <i>Linde</i>' }).click();
  const sheet = page.getByTestId('contact-sheet');
  await expect(sheet.getByLabel('Firm')).toHaveValue('Linde Sails');
  await expect(sheet.getByLabel('Note')).toHaveValue('Pays in cash');
  // The same again is the same.
  await input.setInputFiles(
    file(card('FN:Bo', 'ORG:Linde Sails', 'TEL:(206) 555-0102', 'NOTE:Pays in cash')),
  );
  await expect(seen).toContainText('0 new, 0 known with something to add, 1 the same');
  await seen.getByRole('button', { name: 'Leave it' }).click();

  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save all as vCards' }).click();
  const written = readFileSync(await (await download).path(), 'utf8');
  // Read by a library that others wrote.
  const cards = (
    ICAL.parse(written.trim().replace(/END:VCARD\r\nBEGIN/g, 'END:VCARD\r\nBEGIN')) as unknown[][]
  ).flat();
  expect(JSON.stringify(cards)).toContain('tel:+13605550135');

  await page.locator('h1').first().click();
  await page.keyboard.press('Control+z');
  await expect(page.getByTestId('contact-row')).toHaveCount(2);
});

test('a contact is changed where it stands, what is wrong is said beside the field, and its story is there', async ({
  page,
}) => {
  await open(page, '/messages/contacts');
  await page.getByRole('searchbox', { name: 'Search contacts' }).fill('harrow');
  await expect(page.getByTestId('contact-row')).toHaveCount(1);
  const sheet = page.getByTestId('contact-sheet');
  await expect(sheet).toContainText('No call, message or text yet.');
  const addresses = sheet.getByLabel('E-mail addresses');
  await addresses.fill('not an address');
  await addresses.blur();
  await expect(sheet.getByText(/e-?mail/i).last()).toBeVisible();
  await expect(addresses).toHaveValue('not an address');
  await addresses.fill('club@harrow.example');
  await addresses.blur();
  await sheet.getByLabel('Firm').fill('Harrow Point');
  await sheet.getByLabel('Firm').blur();
  await saved(page);
  const drawer = await bench(page, 'Clock');
  await drawer.getByRole('button', { name: 'Lay it down' }).click();
  await expect(drawer.getByText('stand in the log')).toBeVisible();
  await drawer.getByRole('button', { name: 'Close' }).click();
  const calls = sheet.getByRole('list', { name: /^With Harrow/ }).getByRole('listitem');
  await expect(calls.first()).toContainText('Harrow Point Sailing Club called');
  await sheet.getByRole('button', { name: /in the log$/i }).click();
  await expect(page.getByRole('heading', { name: 'Log' })).toBeVisible();
  for (const text of await page.getByTestId('log-entry').allInnerTexts())
    expect(text).toContain('Harrow Point');
  await visit(page, '/messages/contacts');
  await expect(sheet.getByLabel('Firm')).toHaveValue('Harrow Point');

  // What they may ask for: to have it, and to have it deleted.
  const download = page.waitForEvent('download');
  await sheet.getByRole('button', { name: 'Take all about them along' }).click();
  const all = JSON.parse(readFileSync(await (await download).path(), 'utf8')) as {
    contact: { firm: string };
    entries: { number: string }[];
  };
  expect(all.contact.firm).toBe('Harrow Point');
  expect(new Set(all.entries.map((e) => e.number))).toEqual(new Set(['+13605550134']));
  await sheet.getByRole('button', { name: 'Delete all about them for good…' }).click();
  await expect(sheet.getByRole('group', { name: 'Delete for good' })).toContainText(
    `${all.entries.length} entries`,
  );
  await sheet.getByRole('button', { name: 'Delete for good', exact: true }).click();
  await page.getByRole('searchbox', { name: 'Search contacts' }).fill('');
  await expect(page.getByTestId('contact-row')).toHaveCount(1);
  await expect(page.getByTestId('forgotten')).toContainText(
    `${all.entries.length} entries with somebody deleted for good`,
  );
  await visit(page, '/messages/log');
  await page.getByRole('button', { name: 'Show everything' }).click();
  await page.getByRole('searchbox', { name: 'Search the log' }).fill('555-0134');
  // The message of another number with the same end is all that is left of it.
  for (const text of await page.getByTestId('log-entry').allInnerTexts())
    expect(text).not.toContain('(360) 555-0134');
});
