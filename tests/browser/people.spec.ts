/** People, their phones and how they come in service, driven as an administrator and as staff would. */
import { readFileSync } from 'node:fs';
import { simpleParser } from 'mailparser';
import Papa from 'papaparse';
import type { Locator, Page } from '@playwright/test';
import {
  addStep,
  bench,
  codeInLetter,
  currentBusiness,
  open,
  saved,
  setUpPhone,
  toSection,
  visit,
} from './bench';
import { expect, test } from './seeded';

const cell = (page: Page, row: string, column: string): Locator =>
  page.getByRole('row', { name: row }).locator(`.${column}`);
const saveAs = async (page: Page, act: () => Promise<void>): Promise<string> => {
  const download = page.waitForEvent('download');
  await act();
  return readFileSync((await (await download).path())!, 'utf8');
};
const paste = async (page: Page, text: string) => {
  await visit(page, '/people/list');
  await page.getByLabel('Paste a list').fill(text);
  await page.getByRole('button', { name: 'Read it' }).click();
};
const status = (page: Page) => page.getByTestId('list-status');
const undo = async (page: Page) => {
  await page.locator('h1').first().click();
  await page.keyboard.press('Control+z');
  await expect(page.getByText(/^Undone:/).first()).toBeVisible();
  await saved(page);
};

test('the table is changed where it stands, by keyboard; what is refused stays with its reason', async ({
  page,
}) => {
  await open(page, '/people');
  await page.getByRole('gridcell', { name: '201' }).click();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('F2');
  await page.keyboard.type('rosa.delgado@lanterncove.example');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Rosa Delgado has this e-mail address already.')).toBeVisible();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('idris@lanterncove.example');
  await page.keyboard.press('Enter');
  await expect(cell(page, '202 Idris', 'email')).toHaveText('idris@lanterncove.example');
  // Enter went on to the next row: typing opens the cell there.
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('9');
  await page.keyboard.type('99');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Extensions cannot start with 9')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(cell(page, 'Pia', 'extension')).toHaveText('203');
  await undo(page);
  await expect(cell(page, '202 Idris', 'email')).toHaveText('idris.okafor@lanterncove.example');
  await page.getByRole('searchbox', { name: 'Filter people' }).fill('store 21');
  await expect(page.getByRole('status').filter({ hasText: '2 of 13 people' })).toBeVisible();
  await expect(page.getByRole('row', { name: /Wren Halloran/ })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('searchbox', { name: 'Filter people' })).toHaveValue('store 21');
});

test.describe('a list', () => {
  test('is shown with its errors beside their cells, put right there, and applied as one edit', async ({
    page,
  }) => {
    await open(page, '/people');
    await paste(
      page,
      'Full name,Email,Team,Colour,Ext\nAda Fenwick,ada@lanterncove.example,Front office,red,\nBo Li,bo@,Sail loft,blue,201\nRosa Delgado,rosa.delgado@lanterncove.example,Charter desk,,\n',
    );
    await expect(status(page)).toContainText('3 rows: 1 new, 1 with changes, 0 as they are, 1 wrong');
    await expect(page.locator('.changes').first()).toContainText('group nothing → Charter desk');
    await expect(status(page)).toContainText('Not read: Colour.');
    await expect(page.getByText('That is not an e-mail address')).toBeVisible();
    await expect(page.getByText('There is no group “Sail loft”.')).toBeVisible();
    await expect(page.getByText('201 belongs to Rosa Delgado.')).toBeVisible();
    // The extension that would be given stands in its cell.
    await expect(page.getByLabel('extension, row 1')).toHaveAttribute('placeholder', '213');
    await page.getByLabel('e-mail, row 2').fill('bo@lanterncove.example');
    await page.getByLabel('extension, row 2').fill('');
    await page.keyboard.press('Tab');
    await page.getByRole('button', { name: 'Make them' }).click();
    await expect(status(page)).toContainText('2 new, 1 with changes');
    await page.reload();
    await expect(page.getByLabel('e-mail, row 2')).toHaveValue('bo@lanterncove.example');
    await page.getByRole('button', { name: 'Apply 3 rows' }).click();
    await expect(page.getByRole('row', { name: /214 Bo Li/ })).toContainText('0 of 1 phone paired');
    await visit(page, '/people/groups');
    await expect(page.getByRole('region', { name: 'Sail loft' })).toContainText('Bo Li');
    await expect(page.getByRole('region', { name: 'Charter desk' })).toContainText('Rosa Delgado');
    await undo(page);
    await expect(page.getByRole('region', { name: 'Sail loft' })).toHaveCount(0);
    await visit(page, '/people');
    await expect(page.getByRole('row', { name: /Bo Li/ })).toHaveCount(0);
  });

  test('a column can be read as something else, and rows left out stay to be put right', async ({ page }) => {
    await open(page, '/people');
    await paste(page, 'who knows\tmail\nAda Fenwick\tada@lanterncove.example\nBo Li\tbo\n');
    await expect(page.getByLabel('Column who knows is read as')).toHaveValue('');
    await page.getByLabel('Column who knows is read as').selectOption('name');
    await expect(status(page)).toContainText('1 new');
    await page
      .getByLabel('Extensions not given are')
      .selectOption('the next free one in a hundred for each site');
    await expect(page.getByLabel('name, row 1')).toHaveValue('Ada Fenwick');
    await page.getByRole('button', { name: 'Apply 1 row' }).click();
    await expect(status(page)).toContainText('1 row: 0 new, 0 with changes, 0 as they are, 1 wrong');
    await expect(page.getByLabel('name, row 1')).toHaveValue('Bo Li');
    await page.getByRole('button', { name: 'Leave it' }).click();
    await expect(page.getByLabel('Paste a list')).toBeVisible();
  });

  test('vCards of several versions, and a file that is no list', async ({ page }) => {
    await open(page, '/people');
    await visit(page, '/people/list');
    const card = (version: string, name: string) =>
      `BEGIN:VCARD\r\nVERSION:${version}\r\nFN:${name}\r\nTEL;TYPE=cell:+12065550123\r\nEND:VCARD\r\n`;
    const give = (name: string, text: string) =>
      page
        .locator('.start input[type="file"]')
        .setInputFiles({ name, mimeType: 'text/vcard', buffer: Buffer.from(text) });
    await give('nothing.csv', '');
    await expect(page.getByRole('alert')).toContainText('The file is empty.');
    await give('cards.vcf', card('4.0', 'Ada Fenwick') + card('2.1', 'Old Card'));
    await expect(status(page)).toContainText('1 new');
    await expect(page.getByText('This card is of version 2.1')).toBeVisible();
    await page.getByRole('button', { name: 'Apply 1 row' }).click();
    await expect(status(page)).toContainText('1 row:');
    await saved(page);
    await visit(page, '/people');
    await page.getByRole('link', { name: 'Ada Fenwick' }).click();
    await expect(page.getByText('linked, not proved')).toBeVisible();
  });

  test('people out as CSV: another program reads the same list', async ({ page }) => {
    await open(page, '/people');
    const text = await saveAs(page, () => page.getByRole('button', { name: 'Save people as CSV' }).click());
    const { data } = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true });
    expect(data).toHaveLength(13);
    expect(data[0]).toMatchObject({
      name: 'Rosa Delgado',
      extension: '201',
      groups: 'Front office',
      phones: 'desk; mobile app',
    });
    await paste(page, text);
    await expect(status(page)).toContainText('0 new, 0 with changes, 13 as they are');
    await expect(page.getByRole('button', { name: 'Nothing to apply' })).toBeDisabled();
  });
});

test('away with a stand-in: the rehearsal rings the stand-in', async ({ page }) => {
  await open(page, '/people/rosa');
  await expect(page.locator('.lane', { hasText: /Desk phone|Mobile app/ })).toHaveCount(2);
  await page.getByLabel('From').fill('2026-11-23');
  await page.getByLabel('To', { exact: true }).fill('2026-11-25');
  await page.getByLabel('Stands in', { exact: true }).selectOption('Ines Morel');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByRole('list', { name: 'Days away' })).toContainText(
    'Mon 23 Nov 2026 to Wed 25 Nov 2026',
  );
  await expect(page.locator('.lane', { hasText: 'Ines Morel ·' })).toHaveCount(1);
  await visit(page, '/people');
  await expect(page.getByTestId('rehearsal-sentence')).toContainText('rings Ines Morel and Idris Okafor');
});

test('further extensions, working hours and caller ID of a person', async ({ page }) => {
  await open(page, '/people/pia');
  await page.getByRole('button', { name: 'Add an extension' }).click();
  const further = page.locator('.further');
  await expect(further.getByLabel('Extension')).toHaveValue('213');
  await further.getByLabel('Extension').fill('230');
  await further.getByLabel('Extension').press('Tab');
  await expect(further.getByText('230 belongs to Front office.')).toBeVisible();
  await further.getByLabel('Extension').fill('240');
  await further.getByLabel('Until').fill('20 nov 2026');
  await further.getByLabel('Until').press('Tab');
  await expect(further.getByText('It has run out.')).toBeVisible();
  await page.getByLabel('Working hours').selectOption('Workshop hours');
  await page
    .getByRole('button', { name: 'Numbers they may show' })
    .or(page.getByRole('combobox', { name: /Numbers they may show/ }))
    .first()
    .click();
  await page.getByRole('option', { name: /Main line/ }).click();
  await page.keyboard.press('Escape');
  await expect(page.getByText('Their calls show (360) 555-0143, Workshop.')).toBeVisible();
  // Somebody's only extension that ran out is found, and freed by one click.
  await visit(page, '/');
  await page.getByRole('button', { name: /Show all/ }).click();
  await expect(page.getByText('Extension 240 no longer leads to Pia Lindqvist')).toBeVisible();
  await page.getByRole('button', { name: 'Free it' }).click();
  await expect(page.getByText('Extension 240 no longer leads')).toHaveCount(0);
});

test('leaving: everything that rang her is handed on, and undone her phones are as they were', async ({
  page,
}) => {
  // She is the last owner: somebody else must be one first.
  await open(page, '/people/rosa/leaving');
  await page.getByRole('button', { name: 'Rosa Delgado leaves' }).click();
  await expect(page.getByText('Rosa Delgado is the last owner')).toBeVisible();
  await visit(page, '/people/idris');
  await page.getByLabel('Role', { exact: true }).selectOption('owner');
  await saved(page);
  await visit(page, '/people/rosa');
  await page.getByRole('link', { name: /Rosa Delgado leaves/ }).click();
  const list = page.getByRole('list', { name: 'To hand on' });
  await expect(list).toContainText('Plan Rosa Delgado rings them alone (calls to Rosa Delgado, direct)');
  await expect(list.getByText('nobody is left there').first()).toBeVisible();
  await page.getByLabel('Hand everything to').selectOption('everything to Ines Morel');
  await expect(list.getByText('nobody is left there')).toHaveCount(0);
  await page.getByLabel('Who gets: Plan Rosa Delgado').selectOption('Mei Tanaka');
  await page.getByLabel('Who gets: Turns in the rota Night watch').selectOption('Pia Lindqvist');
  await page.getByLabel('Who gets: Serves the queue Front desk').selectOption('Mei Tanaka');
  await page.getByLabel(/^Mailbox/).selectOption('passed on to Idris Okafor');
  await page.getByLabel('Extension 201').selectOption('leads to Idris Okafor for a time');
  // What is no day holds the form back, though a good one stood there before.
  await page.getByLabel('Until').fill('soon');
  await page.getByRole('button', { name: 'Rosa Delgado leaves' }).click();
  await expect(page.getByText('Write a day, such as 24 Nov or tomorrow.')).toBeVisible();
  await page.getByLabel('Until').fill('yesterday');
  await page.getByRole('button', { name: 'Rosa Delgado leaves' }).click();
  await expect(page.getByText('Write a day from today on')).toBeVisible();
  await page.getByLabel('Until').fill('28 feb');
  await page.getByRole('button', { name: 'Rosa Delgado leaves' }).click();
  await expect(page.getByRole('heading', { name: 'People', exact: true })).toBeVisible();
  await expect(page.getByRole('row', { name: /Rosa Delgado/ })).toHaveCount(0);
  await visit(page, '/answering/rosa-direct');
  await expect(page.getByTestId('step').first()).toContainText('Ring Mei Tanaka');
  await visit(page, '/hours/rotas');
  await expect(page.getByRole('region', { name: 'Night watch' })).toContainText(
    'Pia Lindqvist, Sat 5 Dec 2026',
  );
  await visit(page, '/answering/queues');
  await expect(page.getByText('Mei Tanaka').first()).toBeVisible();
  await visit(page, '/people/idris');
  await expect(page.locator('.further').getByLabel('Extension')).toHaveValue('201');
  await expect(page.locator('.further').getByLabel('What it is for')).toHaveValue('for Rosa Delgado');
  await undo(page);
  await visit(page, '/phones');
  await expect(page.getByRole('row', { name: /Rosa Delgado 201 Desk phone/ })).toContainText('registered');
  // She has her place in the list again.
  await visit(page, '/people');
  await expect(page.getByRole('row').nth(1)).toContainText('Rosa Delgado');
});

test('a desk phone registers with its card, is refused with other details, and locks', async ({ page }) => {
  await open(page, '/phones/idris-desk');
  await page.getByRole('button', { name: /New password/ }).click();
  const card = page.getByRole('article', { name: 'Account of Idris Okafor' });
  await expect(page.getByText('of 116 bits')).toBeVisible();
  const fact = async (name: string) =>
    (
      await card
        .locator('dt', { hasText: new RegExp(`^${name}$`) })
        .locator('+ dd')
        .innerText()
    ).trim();
  const [user, password] = [await fact('User'), await fact('Password')];
  expect(password).toMatch(/^[2-9a-zA-Z]{20}$/);
  await expect(page.getByText('Its password is no longer right')).toBeVisible();
  const drawer = await bench(page, 'Staff phones');
  const said = drawer.getByRole('list', { name: 'What was said' });
  const sign = async (secret: string) => {
    await drawer.getByLabel('User').fill(user);
    await drawer.getByLabel('Password').fill(secret);
    await drawer.getByRole('button', { name: 'Register' }).click();
  };
  for (let i = 1; i <= 4; i++) {
    await sign('wrong');
    await expect(said).toContainText(`The password is wrong. ${5 - i} more`);
  }
  await sign('wrong');
  await expect(said).toContainText('for the fifth time');
  await sign(password);
  await expect(said).toContainText('The account is locked');
  await drawer.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByText(/^locked until/)).toBeVisible();
  await page.getByRole('button', { name: /New password/ }).click();
  await expect(card).not.toContainText(password);
  await expect(card).toContainText(user);
  const fresh = await fact('Password');
  const again = await bench(page, 'Staff phones');
  await again.getByLabel('Knows').selectOption('MD5 only: an older phone');
  await again.getByLabel('User').fill(user);
  await again.getByLabel('Password').fill(fresh);
  await again.getByRole('button', { name: 'Register' }).click();
  await expect(again.getByRole('list', { name: 'What was said' })).toContainText('with a MD5 digest');
  await expect(again.getByRole('list', { name: 'What was said' })).toContainText(
    '200 OK: Registered for 600 seconds.',
  );
  await again.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByText('registered · paired')).toBeVisible();
  // The password is shown once: a reload does not bring it back.
  await page.reload();
  await expect(page.getByText('password made')).toBeVisible();
  await expect(page.getByText(fresh)).toHaveCount(0);
});

test('where a stand-in is and how it is decides what rings', async ({ page }) => {
  await open(page, '/phones');
  const drawer = await bench(page, 'Staff phones');
  await drawer.getByLabel('How Rosa Delgado’s Desk phone is').selectOption('no network');
  await drawer.getByLabel('Where Mei Tanaka’s Desk phone is').selectOption('outside the office');
  await drawer.getByRole('button', { name: 'Close' }).click();
  const row = (name: string) => page.getByRole('row', { name });
  await expect(row('Rosa Delgado 201 Desk phone')).toContainText('It has no network; calls go to it in vain');
  await expect(row('Mei Tanaka 205 Desk phone')).toContainText('Used outside, where it may not ring');
  await page.getByLabel('Which phones').selectOption('only those used outside');
  await expect(page.locator('tbody tr')).toHaveCount(2);
  await row('Mei Tanaka 205 Desk phone').getByRole('link', { name: 'Desk phone' }).click();
  await page.locator('.bx--toggle__switch').first().click();
  await expect(page.getByText('It rings wherever it is plugged in.')).toBeVisible();
  await visit(page, '/phones');
  await expect(row('Mei Tanaka 205 Desk phone')).not.toContainText('may not ring');
});

test('a key on a colleague’s desk phone is drawn, labelled and has an account', async ({ page }) => {
  await open(page, '/phones/rosa-desk');
  await expect(page.getByRole('img', { name: 'Keys: Rosa, Slipway' })).toBeVisible();
  await page.getByLabel('Add a key for').selectOption('Ines Morel · 209');
  await page.getByLabel('Key 3: Ines Morel').fill('Ines');
  await page.getByLabel('Key 3: Ines Morel').press('Tab');
  await expect(page.getByRole('img', { name: 'Keys: Rosa, Slipway, Ines' })).toBeVisible();
  await page.getByRole('button', { name: 'Make its account' }).click();
  await expect(page.getByRole('article', { name: 'Account of Ines Morel' })).toContainText('209');
  await visit(page, '/people/ines');
  await expect(page.getByText('of Rosa Delgado: a key')).toBeVisible();
});

test.describe('invitations', () => {
  test('say what they are told to, to everybody who has none; a letter that comes back is found and corrected', async ({
    page,
  }) => {
    await open(page, '/people/jonah');
    await page.getByLabel('E-mail').fill('jonah@lanterncov.example');
    await page.getByLabel('E-mail').press('Tab');
    await expect(page.getByRole('link', { name: /Review 1 change/ })).toBeVisible();
    await saved(page);
    await visit(page, '/phones/invitations');
    await page.getByLabel('Text').fill('Come to {plaice}');
    await page.getByLabel('Text').press('Tab');
    await expect(page.getByText('{plaice} is not filled in by anything')).toBeVisible();
    await page.getByLabel('Text').fill('Come to us');
    await page.getByLabel('Text').press('Tab');
    await expect(page.getByText('Nobody could pair with this')).toBeVisible();
    await page.getByLabel('Text').fill('Ahoy {name},\n\nopen {link}');
    await page.getByLabel('Text').press('Tab');
    await expect(page.getByTestId('letter-preview')).toContainText('Ahoy Idris Okafor,');
    await page.getByRole('button', { name: 'Invite all 2' }).click();
    await page.getByRole('button', { name: 'Open the mail' }).click();
    const drawer = page.getByRole('complementary', { name: 'Bench' });
    await drawer.getByRole('button', { name: /Your phone at Lantern Cove.*extension 202/ }).click();
    await expect(drawer.getByTestId('mail-text')).toContainText('Ahoy Idris Okafor,');
    const eml = await saveAs(page, () => drawer.getByRole('button', { name: 'Save as .eml' }).click());
    const letter = await simpleParser(eml);
    expect(letter.attachments.map((a) => a.filename)).toEqual(['pairing-picture.png', 'phone-settings.json']);
    await drawer.getByRole('button', { name: 'Close' }).click();
    const idris = page.getByRole('row', { name: /Idris Okafor/ });
    await idris.getByRole('button', { name: /^Take back/ }).click();
    await expect(idris).toContainText('It cannot ring');
    // Twenty seconds later one letter is back.
    await expect(page.getByRole('row', { name: /Jonah/ })).toContainText('Is it lanterncove.example?', {
      timeout: 30_000,
    });
    await visit(page, '/');
    await page.getByRole('button', { name: /Show all/ }).click();
    const finding = page.locator('.finding', { hasText: 'The mail to Jonah Achterberg came back' });
    await finding.getByLabel('E-mail of Jonah Achterberg').fill('jonah@lanterncove.example');
    await finding.getByLabel('E-mail of Jonah Achterberg').press('Tab');
    await expect(finding).toHaveCount(0);
  });

  test('are taken up by picture, file or hand; what is wrong is said in place', async ({ context, page }) => {
    await open(page, '/phones/idris-browser');
    await page.getByRole('button', { name: /^Invite/ }).click();
    await page.getByRole('button', { name: 'Open the mail' }).click();
    const drawer = page.getByRole('complementary', { name: 'Bench' });
    await drawer.getByRole('button', { name: /Your phone at/ }).click();
    const code = await codeInLetter(page);
    const picture = Buffer.from(
      (await drawer.getByRole('img').getAttribute('src'))!.split(',')[1]!,
      'base64',
    );
    const staff = await context.newPage();
    await staff.setViewportSize({ width: 390, height: 780 });
    await staff.goto('/phone');
    const file = staff.getByLabel('Picture or settings file of the mail');
    await file.setInputFiles({ name: 'x.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
    await expect(staff.getByRole('alert')).toContainText('This picture cannot be opened');
    // A picture, and no code in it: the page itself.
    await file.setInputFiles({ name: 'y.png', mimeType: 'image/png', buffer: await staff.screenshot() });
    await expect(staff.getByRole('alert')).toContainText('No code was found in this picture');
    await file.setInputFiles({ name: 'z.json', mimeType: 'application/json', buffer: Buffer.from('{}') });
    await expect(staff.getByRole('alert')).toContainText('neither the picture nor the settings file');
    await staff.getByLabel('Business number').fill('(360) 555-0188');
    await staff.getByLabel('Six-digit code').fill(code);
    await staff.getByRole('button', { name: 'Pair', exact: true }).click();
    await expect(staff.getByText('That is a private phone of Dov Petrenko')).toBeVisible();
    await file.setInputFiles({ name: 'letter.png', mimeType: 'image/png', buffer: picture });
    await expect(staff.getByText('Read from the picture')).toBeVisible();
    await expect(staff.getByLabel('Six-digit code')).toHaveValue(code);
    await staff.getByLabel('Bench: this window plays a phone').selectOption('outside the office');
    await staff.getByRole('button', { name: 'Pair', exact: true }).click();
    await expect(staff.getByText('This phone may be used in the office only')).toBeVisible();
    await staff.getByLabel('Bench: this window plays a phone').selectOption('in the office');
    await staff.getByRole('button', { name: 'Pair', exact: true }).click();
    await setUpPhone(staff);
    await expect(staff.getByTestId('phone-state')).toContainText('this phone is ready');
    // Taken out of the office it stops ringing, and says so on both sides.
    await toSection(staff, 'Me');
    await staff.getByLabel('Bench: this window plays a phone').selectOption('outside the office');
    await toSection(staff, 'Call');
    await expect(staff.getByTestId('not-ready')).toContainText(
      'outside the office, where this phone may not ring',
    );
    await drawer.getByRole('button', { name: 'Close' }).click();
    await expect(page.getByText('Used outside, where it may not ring')).toBeVisible();
    const again = await context.newPage();
    await again.goto(`/phone?number=%2B13605550142&code=${code}`);
    await again.getByRole('button', { name: 'Pair', exact: true }).click();
    await expect(again.getByText('This code has been used already')).toBeVisible();
  });
});

test('roles: staff are offered their own page and the directory, and a reload keeps it so', async ({
  page,
}) => {
  await open(page, '/people/roles');
  await page.getByRole('button', { name: 'Look as Pia Lindqvist' }).click();
  await expect(page.getByText('You see the pages as Pia Lindqvist, staff.')).toBeVisible();
  await expect(page.getByRole('navigation', { name: 'The way of the work' }).getByRole('link')).toHaveText([
    /^Your page/,
    /^Directory/,
    /^Figures/,
  ]);
  // It leads to a page that she may see.
  await expect(page.getByRole('heading', { name: 'Your page, Pia Lindqvist' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Your page, Pia Lindqvist' })).toBeVisible();
  await page.getByLabel('From').fill('2026-12-01');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(page.getByRole('list', { name: 'Days away' })).toContainText('Tue 1 Dec 2026');
  await visit(page, '/people/rosa');
  await expect(page.getByText('This page is for whoever does the phones')).toBeVisible();
  await visit(page, '/people/directory');
  // Dov's private mobile is for his groups; Pia is in none of them.
  await expect(page.getByRole('row', { name: /Dov Petrenko/ })).not.toContainText('555-0188');
  await page.getByRole('button', { name: 'Back to all pages' }).click();
  await visit(page, '/people/directory');
  await expect(page.getByRole('row', { name: /Dov Petrenko/ })).toContainText('(360) 555-0188');
});

test('the directory: presence, as a list on one page, as cards, as CSV and vCards', async ({ page }) => {
  await open(page, '/people/directory');
  await expect(page.getByRole('row', { name: /Jonah Achterberg/ })).toContainText('no phone on');
  await page.getByLabel('As seen by').selectOption('as Tomas Brandt sees it');
  await expect(page.getByRole('row', { name: /Dov Petrenko/ })).not.toContainText('555-0188');
  await page.getByLabel('In the order of').selectOption('by site');
  await expect(page.getByRole('heading', { name: 'Winter store' })).toBeVisible();
  const cards = await saveAs(page, () => page.getByRole('button', { name: 'Save as vCards' }).click());
  expect(cards.match(/BEGIN:VCARD/g)).toHaveLength(16);
  expect(cards).not.toContain('3605550188');
  const csv = await saveAs(page, () => page.getByRole('button', { name: 'Save as CSV' }).click());
  expect(Papa.parse(csv, { header: true, skipEmptyLines: true }).data).toHaveLength(16);
  // On paper: the list alone, on one page of Letter.
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByText('who has which number, Tue 24 Nov 2026')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Bench' })).toBeHidden();
  const pdf = await page.pdf({ format: 'Letter' });
  expect(pdf.toString('latin1').match(/\/Type \/Page\b(?!s)/g)).toHaveLength(1);
  await page.emulateMedia({ media: 'screen' });
  await page.getByRole('tab', { name: 'Cards' }).click();
  await expect(page.getByRole('article').filter({ hasText: 'Rosa Delgado' })).toContainText(
    '*78 on, *79 off',
  );
});

test('the yard from an empty business: two files, invitations, and a call that rings every phone', async ({
  context,
  page,
}) => {
  test.setTimeout(150_000);
  await open(page, '/numbers/sites');
  const sites = await saveAs(page, () => page.getByRole('button', { name: 'Save sites as CSV' }).click());
  await visit(page, '/people');
  // Direct numbers and hours are not there yet in an empty business.
  const list = await saveAs(page, () => page.getByRole('button', { name: 'Save people as CSV' }).click());
  const rows = Papa.parse<Record<string, string>>(list, { header: true, skipEmptyLines: true }).data;
  const people = Papa.unparse(
    rows.map(({ 'direct number': _, ...row }) => ({
      ...row,
      groups: row.groups ? `${row.groups}; Everybody` : 'Everybody',
    })),
  );

  await test.step('an empty business with a number', async () => {
    await page.getByRole('button', { name: 'Businesses and files' }).click();
    await page.getByRole('menuitem', { name: 'Start with your own business' }).click();
    await page.getByRole('dialog').getByLabel('Name').fill('The yard again');
    await page.getByRole('dialog').getByRole('button', { name: 'Start', exact: true }).click();
    await expect(page.getByTestId('how-far')).toBeVisible();
    await page.getByTestId('task-number').getByRole('link').click();
    await page.getByLabel('Area code or city').fill('Belling');
    const offers = page.getByRole('list', { name: 'Numbers on offer' }).getByRole('listitem');
    await expect(offers.first()).toContainText('Bellingham');
    while (!(await page.getByText('is yours and in the draft').isVisible())) {
      await offers.first().getByRole('button', { name: /^Take/ }).click();
      await page.getByRole('button', { name: 'Order it' }).click();
      await expect(page.getByRole('heading', { name: 'Your order' })).toBeVisible();
    }
  });

  await test.step('sites and people by file', async () => {
    await visit(page, '/numbers/sites');
    await page
      .getByLabel('CSV file of sites')
      // Who is told of emergency calls is not there yet.
      .setInputFiles({
        name: 'sites.csv',
        mimeType: 'text/csv',
        buffer: Buffer.from(
          sites.replaceAll('Rosa Delgado; Idris Okafor', '').replaceAll('Wren Halloran', ''),
        ),
      });
    await page.getByRole('button', { name: 'Apply 2 rows' }).click();
    await expect(page.getByRole('dialog')).toBeHidden();
    await saved(page);
    await visit(page, '/people/list');
    await page
      .locator('.start input[type="file"]')
      .setInputFiles({ name: 'people.csv', mimeType: 'text/csv', buffer: Buffer.from(people) });
    await expect(status(page)).toContainText('13 rows');
    await page.getByRole('button', { name: 'Make them' }).click();
    await page.getByRole('button', { name: 'Apply 13 rows' }).click();
    await expect(page.getByRole('status').filter({ hasText: /^13 people$/ })).toBeVisible();
    await saved(page);
    await visit(page, '/people/groups');
    await expect(page.getByRole('region', { name: 'Everybody' })).toContainText('Dov Petrenko');
  });

  await test.step('a plan that rings everybody, in force', async () => {
    await visit(page, '/answering');
    await page.getByRole('button', { name: 'Start a plan for Main line' }).click();
    await addStep(page, 'Ring');
    await page
      .getByRole('combobox', { name: /Groups/ })
      .or(page.getByRole('group', { name: 'Groups' }).getByRole('button'))
      .first()
      .click();
    await page.getByRole('option', { name: 'Everybody' }).click();
    await page.keyboard.press('Escape');
    await expect(page.getByTestId('step').first()).toContainText('Everybody');
    await addStep(page, 'Voicemail');
    await saved(page);
    await visit(page, '/changes');
    await page
      .getByText(/^In spite of/)
      .click({ timeout: 3000 })
      .catch(() => {});
    await page.getByRole('button', { name: 'Put in force' }).click();
    await expect(page.getByText('In force: callers get this from now on.')).toBeVisible();
  });

  await test.step('apps and softphones by invitation', async () => {
    await visit(page, '/phones');
    await page.getByRole('button', { name: /^Invite all 7/ }).click();
    await page.getByRole('button', { name: 'Open the mail' }).click();
    const drawer = page.getByRole('complementary', { name: 'Bench' });
    await drawer.getByRole('tab', { name: 'Staff phones' }).click();
    // Anselm has no address in the list: his desk phone needs none.
    await drawer.getByRole('button', { name: 'Let stand-ins take up all 7' }).click();
    await expect(drawer.getByText('None is waiting.')).toBeVisible({ timeout: 20_000 });
    await drawer.getByRole('button', { name: 'Close' }).click();
  });

  await test.step('desk phones by a file of their accounts', async () => {
    await visit(page, '/phones/desk');
    await page.getByRole('button', { name: 'Make 8 accounts' }).click();
    const accounts = await saveAs(page, () => page.getByRole('button', { name: 'Save as a file' }).click());
    const drawer = await bench(page, 'Staff phones');
    await drawer
      .getByLabel('File of accounts')
      .setInputFiles({ name: 'a.json', mimeType: 'application/json', buffer: Buffer.from(accounts) });
    await expect(drawer.getByText('8 of 8 registered.')).toBeVisible();
    await drawer.getByRole('button', { name: 'Close' }).click();
  });

  await test.step('the private mobile by a code', async () => {
    await visit(page, '/people');
    await page.getByRole('link', { name: 'Dov Petrenko' }).click();
    await page.getByRole('button', { name: 'Text a code' }).click();
    const drawer = await bench(page, 'Outside phone');
    const text = await drawer.getByRole('list', { name: 'What outside phones got' }).innerText();
    await drawer.getByRole('button', { name: 'Close' }).click();
    await page.getByLabel('Code from the text').fill(/(\d{6}) is your code/.exec(text)![1]!);
    await page.getByRole('button', { name: 'Prove it' }).click();
    await expect(page.getByText(/^Proved/)).toBeVisible();
  });

  await visit(page, '/phones');
  await expect(page.getByTestId('phones-ready')).toHaveText('16 of 16 accounts can ring now');

  await test.step('a call rings them all', async () => {
    const business = await currentBusiness(page);
    const outside = await context.newPage();
    await outside.goto(`/bench/phone?business=${business}`);
    await outside.getByRole('button', { name: 'Main line', exact: true }).click();
    await outside.getByRole('button', { name: 'Call', exact: true }).click();
    await expect(outside.getByTestId('outside-call')).toContainText('You hear it ringing');
    await outside.waitForTimeout(7000);
    await outside.getByRole('button', { name: 'Hang up' }).click();
    await visit(page, '/messages');
    const call = page.getByTestId('call').first();
    await call.getByRole('button').click();
    const lines = (await call.innerText()).split('\n');
    expect(lines.filter((l) => l.endsWith(': sounds'))).toHaveLength(16);
    expect(lines.filter((l) => l.includes('not rung'))).toEqual([]);
  });
});
