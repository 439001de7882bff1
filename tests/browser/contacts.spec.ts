/** Contacts: read from cards after a look, joined with who is known, changed, found, and written as cards. */
import { readFileSync } from 'node:fs';
import ICAL from 'ical.js';
import Papa from 'papaparse';
import { bench, open, saved, visit } from './bench';
import { expect, test } from './seeded';

const card = (...lines: string[]) => ['BEGIN:VCARD', 'VERSION:4.0', ...lines, 'END:VCARD', ''].join('\r\n');
const file = (text: string) => ({ name: 'people.vcf', mimeType: 'text/vcard', buffer: Buffer.from(text) });

/** Of one pixel. */
const GIF = Buffer.from('R0lGODlhAQABAIAAAAAAAP///ywAAAAAAQABAAACAUwAOw==', 'base64');

test('a file of cards is looked at first, joined with who is known, taken once, and undone', async ({
  page,
}) => {
  await open(page, '/messages/contacts');
  await expect(page.getByTestId('contact-row')).toHaveCount(2);
  const input = page.locator('input[type=file][accept*=".vcf"]');
  await input.setInputFiles(file('no card at all'));
  await expect(page.getByRole('alert')).toContainText('a header with “name” and “number” is needed');
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
  await expect(sheet.getByRole('list', { name: 'With Harrow Point Sailing Club' })).toContainText(
    'Keel bolts',
  );
  const addresses = sheet.getByLabel('E-mail addresses');
  await addresses.fill('not an address');
  await addresses.blur();
  await expect(sheet.getByText(/e-?mail/i).last()).toBeVisible();
  await expect(addresses).toHaveValue('not an address');
  await addresses.fill('club@harrow.example');
  await addresses.blur();
  // What each is for, and a picture, which is looked at by its bytes.
  await sheet.getByLabel('What (360) 555-0134 is for').selectOption('work');
  const picture = sheet.getByLabel('Picture of Harrow Point Sailing Club');
  await picture.setInputFiles({ name: 'club.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await expect(sheet.getByText('club.png is no picture that this browser reads.')).toBeVisible();
  await picture.setInputFiles({ name: 'club.gif', mimeType: 'image/gif', buffer: GIF });
  const shown = sheet.getByRole('img', { name: 'Picture of Harrow Point Sailing Club' });
  await expect(shown).toBeVisible();
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: /vCard/ }).click();
  const cards = readFileSync(await (await saving).path(), 'utf8');
  expect(cards).toMatch(/TEL;VALUE=uri;TYPE=work:tel:\+13605550134/);
  expect(cards).toContain('PHOTO:data:image/jpeg;base64,/9j/');
  await sheet.getByRole('button', { name: 'Take the picture away' }).click();
  await expect(shown).toHaveCount(0);
  await page.locator('h1').first().click();
  await page.keyboard.press('Control+z');
  await expect(shown).toBeVisible();
  await sheet.getByLabel('Firm').fill('Harrow Point');
  await sheet.getByLabel('Firm').blur();
  await saved(page);
  const drawer = await bench(page, 'Clock');
  await drawer.getByRole('button', { name: 'Lay it down' }).click();
  await expect(drawer.getByText('stand in the log')).toBeVisible();
  await drawer.getByRole('button', { name: 'Close' }).click();
  const calls = sheet.getByRole('list', { name: /^With Harrow/ }).getByRole('listitem');
  await expect(calls.first()).toContainText('Harrow Point Sailing Club');
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
  await expect(page.getByTestId('forgotten')).toContainText(`${all.entries.length} entries deleted for good`);
  await visit(page, '/messages/log');
  await page.getByRole('button', { name: 'Show everything' }).click();
  await page.getByRole('searchbox', { name: 'Search the log' }).fill('555-0134');
  // The message of another number with the same end is all that is left of it.
  for (const text of await page.getByTestId('log-entry').allInnerTexts())
    expect(text).not.toContain('(360) 555-0134');
});

test('a list as CSV is read by its header, put on lists, and written again', async ({ page }) => {
  await open(page, '/messages/contacts');
  const input = page.locator('input[type=file][accept*=".csv"]');
  await input.setInputFiles({
    name: 'people.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      'First Name;Last Name;Company;Mobile Phone;Tags\r\nBo;Linde;Linde Sails;(206) 555-0102;Regular customers, Elsewhere\r\n',
    ),
  });
  const seen = page.getByRole('region', { name: 'What the file has' });
  await expect(seen).toContainText('1 new');
  await expect(seen.getByRole('listitem')).toContainText('there is no list “Elsewhere”');
  await seen.getByRole('button', { name: 'Take 1 contact' }).click();
  await page.getByTestId('contact-row').filter({ hasText: 'Bo Linde' }).click();
  await expect(page.getByTestId('contact-sheet').getByLabel('Firm')).toHaveValue('Linde Sails');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save all as CSV' }).click();
  const { data } = Papa.parse<Record<string, string>>(readFileSync(await (await download).path(), 'utf8'), {
    header: true,
  });
  expect(data.find((row) => row['name'] === 'Bo Linde')).toMatchObject({
    firm: 'Linde Sails',
    number: '+12065550102',
    lists: 'Regular customers',
  });
});

test('shortcuts of the business call in one tap and by two digits; what gets in the way is said', async ({
  page,
  context,
}) => {
  await open(page, '/messages/contacts');
  await page.getByText('Shortcuts of the business (3)').click();
  await page.getByLabel('Leads to').selectOption({ label: 'Noor Haddad, 207' });
  await page.getByLabel('Two digits, or none').fill('20');
  await page.getByRole('button', { name: 'Add the shortcut' }).click();
  await expect(page.getByText('20 is the beginning of 209 (Ines Morel).')).toBeVisible();
  await page.getByLabel('Two digits, or none').fill('43');
  await page.getByRole('button', { name: 'Add the shortcut' }).click();
  await expect(page.getByRole('list', { name: 'Shortcuts of the business' })).toContainText('43');
  // A phone has what is in force.
  const phone = await context.newPage();
  await phone.goto('/phone?business=lantern-cove&as=noor-computer');
  const rows = phone.getByRole('region', { name: 'Shortcuts' });
  await expect(rows.getByRole('listitem')).toHaveCount(3);
  await phone.getByRole('combobox', { name: 'Call a name, extension or number' }).fill('42');
  await expect(phone.getByRole('option').first()).toContainText('555-0139');
  await phone.getByRole('combobox', { name: 'Call a name, extension or number' }).fill('');
  await rows.getByRole('button', { name: 'Call Tomas Brandt' }).click();
  await expect(phone.getByTestId('talking')).toContainText('Tomas Brandt');
  await phone.getByRole('button', { name: 'Stop calling' }).click();
  await phone.close();
});

test('a contact of one’s own is seen on no other phone; a shortcut of one’s own has a group and a code', async ({
  page,
  context,
}) => {
  await open(page, '/');
  const [mine, hers] = [await context.newPage(), await context.newPage()];
  await mine.goto('/phone?business=lantern-cove&as=noor-computer');
  await hers.goto('/phone?business=lantern-cove&as=rosa-mobile-app');
  for (const phone of [mine, hers])
    await phone
      .getByRole('navigation', { name: 'Sections of the phone' })
      .getByRole('button', { name: /^People/ })
      .click();
  await mine.getByRole('button', { name: 'A contact of my own' }).click();
  const form = mine.getByRole('form', { name: 'A contact of your own' });
  await form.getByLabel('Name').fill('Sister');
  await form.getByRole('button', { name: 'Keep it' }).click();
  await expect(form.getByText('It needs a number.')).toBeVisible();
  await form.getByLabel('Numbers').fill('206 555 0155');
  await form.getByRole('button', { name: 'Keep it' }).click();
  const list = mine.getByRole('region', { name: 'Contacts' });
  await expect(list.getByRole('listitem').filter({ hasText: 'Sister' })).toContainText('only yours');
  await expect(hers.getByRole('region', { name: 'Contacts' })).toContainText('Harrow Point');
  await expect(hers.getByText('Sister')).toHaveCount(0);
  // It is who calls on her phone, and a row there.
  await list
    .getByRole('listitem')
    .filter({ hasText: 'Sister' })
    .getByRole('button', { name: /^Make a shortcut/ })
    .click();
  await mine.getByRole('button', { name: 'Call', exact: true }).click();
  const rows = mine.getByRole('region', { name: 'Shortcuts' });
  await expect(rows).toContainText('Sister');
  await rows.getByRole('button', { name: 'Arrange mine' }).click();
  await rows.getByLabel('Short code').fill('7');
  await rows.getByLabel('Short code').blur();
  await expect(rows.getByText('Two digits.')).toBeVisible();
  await rows.getByLabel('Short code').fill('77');
  await rows.getByLabel('Short code').blur();
  await rows.getByLabel('Group').selectOption('Family');
  await expect(rows.getByRole('heading', { name: 'Family' })).toBeVisible();
  await mine.reload();
  await expect(rows.getByRole('button', { name: 'Call Sister' })).toContainText('77');
  // Taken away, and back.
  await mine.getByRole('button', { name: 'People', exact: true }).click();
  await list
    .getByRole('listitem')
    .filter({ hasText: 'Sister' })
    .getByRole('button', { name: /^Remove/ })
    .click();
  await expect(list.locator('b', { hasText: 'Sister' })).toHaveCount(0);
  await mine.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(list.locator('b', { hasText: 'Sister' })).toBeVisible();
  await mine.close();
  await hers.close();
});
