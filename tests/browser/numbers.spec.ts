/** Numbers, sites and dialling: the main stories, driven as a person does. */
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { neverAskedToText, open, setClock, visit } from './bench';
import { expect, test } from './seeded';

const bench = (page: Page) => page.getByRole('complementary', { name: 'Bench' });
const openBench = async (page: Page, tab: string) => {
  await page.getByRole('button', { name: 'Bench' }).click();
  await bench(page).getByRole('tab', { name: tab }).click();
};
const closeBench = (page: Page) => bench(page).getByRole('button', { name: 'Close' }).click();
const offers = (page: Page) => page.getByRole('list', { name: 'Numbers on offer' }).getByRole('listitem');
const aside = (page: Page) => page.getByRole('list', { name: 'Numbers set aside' }).getByRole('listitem');
const held = (page: Page) => page.getByRole('list', { name: 'Numbers held' }).getByRole('listitem');
const take = (page: Page, number: string) =>
  offers(page).filter({ hasText: number }).getByRole('button', { name: /^Take/ }).click();
const downloaded = async (page: Page, act: () => Promise<void>): Promise<string> => {
  const download = page.waitForEvent('download');
  await act();
  return readFileSync((await (await download).path())!, 'utf8');
};
const putInForce = async (page: Page) => {
  await visit(page, '/changes');
  await page.getByRole('button', { name: 'Put in force' }).click();
  await expect(page.getByText('Nothing differs for callers')).toBeVisible();
  await expect(page.getByRole('link', { name: 'No changes' })).toBeVisible();
};

test('find numbers, set them aside, order; one fails and its neighbour is offered', async ({ page }) => {
  await open(page, '/numbers/get');
  await page.getByLabel('Area code or city').fill('360');
  await expect(offers(page).first()).toContainText(/steps up: 0123|next after|ends with/);
  await take(page, '(360) 555-0123');
  // (360) 555-0147 is one of those that are gone by the time they are ordered.
  await take(page, '(360) 555-0147');
  await expect(aside(page)).toHaveCount(2);
  await expect(aside(page).first()).toContainText(/(10 min 0|9 min 5\d) s left/);
  await expect(page.getByText('2 numbers: $8.00 a month more than now.')).toBeVisible();
  await page.reload();
  await expect(aside(page)).toHaveCount(2);
  // The carrier takes its time to say what is free beside the one that is gone.
  let answers = () => {};
  const answered = new Promise<void>((resolve) => (answers = resolve));
  await page.route('**/api/carrier/**', (route) => answered.then(() => route.continue()));
  await page.getByRole('button', { name: 'Order all 2' }).click();
  const order = page.getByRole('status').filter({ hasText: 'Your order' });
  await expect(order).toContainText('(360) 555-0123 is yours and in the draft');
  await expect(order).toContainText('(360) 555-0147: Somebody else took this number');
  await expect(order).toContainText('The nearest one that is free is looked for.');
  await expect(order).toHaveAttribute('aria-busy', 'true');
  answers();
  await expect(order).toContainText(/The nearest one free is \(360\) 555-014[68]/);
  await order.getByRole('button', { name: 'Take this instead' }).click();
  await expect(aside(page)).toHaveCount(1);
  await order.getByRole('link', { name: 'Say what it is for' }).click();
  await expect(held(page)).toHaveCount(7);
  await expect(page.locator('aside').getByRole('heading', { name: '(360) 555-0123' })).toBeVisible();

  await test.step('a reservation runs out visibly', async () => {
    await visit(page, '/numbers/get');
    await setClock(page, '2026-11-24T10:40');
    await expect(aside(page)).toContainText('the ten minutes are over');
    await aside(page).getByRole('button', { name: 'Let go' }).click();
    await expect(aside(page)).toHaveCount(0);
  });
});

test('what a number should contain: letters, the end, like ours, several in a row', async ({ page }) => {
  await open(page, '/numbers/get');
  const pattern = page.getByLabel('Digits or letters in it');
  await pattern.fill('ends with');
  await pattern.fill('b+');
  await expect(page.getByText('No key carries “+”')).toBeVisible();
  await pattern.fill('42');
  await page.getByLabel('Where in it').selectOption('at the end');
  await expect(offers(page).first().locator('b')).toHaveText(/42$/);
  await pattern.fill('555-0-BOAT');
  await expect(
    page.getByText('No number here has 55502628 (“555-0-BOAT”). These come closest.'),
  ).toBeVisible();
  await page.getByLabel('Country').selectOption('Australia');
  await expect(offers(page).filter({ hasText: 'spells BOAT' }).first()).toBeVisible();
  await page.getByLabel('Country').selectOption('New Zealand');
  await expect(page.getByText('The carrier sells no numbers in New Zealand')).toBeVisible();
  await page.getByLabel('Country').selectOption('United States');
  await pattern.fill('');
  await page
    .getByLabel('Same but for the last digit as')
    .selectOption({ label: 'Main line, (360) 555-0142' });
  await expect(offers(page).first().locator('b')).toHaveText(/^\(360\) 555-014\d$/);
  await page.getByLabel('Same but for the last digit as').selectOption('another number…');
  await page.getByLabel('That number').fill('509 555');
  await expect(page.getByText('too short')).toBeVisible();
  await page.getByLabel('That number').fill('509 555 0147');
  await expect(offers(page).first().locator('b')).toHaveText(/^\(509\) 555-014\d$/);
  await page.reload();
  await expect(page.getByLabel('That number')).toHaveValue('509 555 0147');
  await page.getByLabel('Same but for the last digit as').selectOption('no number');
  await page.getByLabel('How many in a row').fill('4');
  await expect(offers(page).first()).toContainText('4 in a row');
  await offers(page).first().getByRole('button', { name: /^Take/ }).click();
  await expect(aside(page)).toHaveCount(4);
});

test('a slow search can be cancelled, and a carrier that cannot be reached is said', async ({ page }) => {
  await open(page, '/numbers/get');
  // Slower than any machine is busy: it does not answer at all.
  await page.route('**/api/carrier/**', () => undefined);
  await page.getByLabel('Area code or city').fill('415');
  await expect(page.getByText('Asking the carrier…')).toBeVisible();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByText('Stopped.')).toBeVisible();
  await page.unroute('**/api/carrier/**');
  await page.route('**/api/carrier/**', (route) => route.abort());
  await page.getByLabel('Area code or city').fill('360');
  await expect(page.getByText('The carrier cannot be reached.')).toBeVisible();
  await page.unroute('**/api/carrier/**');
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(offers(page).first()).toContainText('(360)');
});

test('say what a number is for, give it to people, give it back and bring it back', async ({ page }) => {
  await open(page, '/numbers#n-charters');
  const sheet = page.locator('aside .card').first();
  await sheet.getByLabel('Label').fill('  ');
  await sheet.getByLabel('Label').blur();
  await expect(sheet.getByText('Give it a name.')).toBeVisible();
  await sheet.getByLabel('Label').fill('Boat charters');
  await sheet.getByLabel('Label').blur();
  await expect(held(page).filter({ hasText: 'Boat charters' })).toContainText(
    'rings Pia Lindqvist and Callum Reyes 20 s',
  );
  await expect(sheet).toContainText('Now · Mon–Wed, Fri, Sat 09:00–18:00');
  await sheet.getByLabel('Name sent with it').fill('LANTERN COVE BOATS');
  await sheet.getByLabel('Name sent with it').blur();
  await expect(sheet.getByText('That has 18 characters; 15 fit.')).toBeVisible();

  await test.step('one step gives it to a person, another shares it', async () => {
    const goes = sheet.getByLabel('Where calls to Boat charters go');
    await goes.selectOption('Wren Halloran, then their voicemail');
    await expect(held(page).filter({ hasText: 'Boat charters' })).toContainText(
      'Rings Wren Halloran 18 s, nobody answered; message left in Winter store',
    );
    await goes.selectOption('several people together…');
    await sheet.getByRole('combobox', { name: 'Whose phones all ring' }).click();
    for (const name of ['Pia Lindqvist · 203', 'Mei Tanaka · 205'])
      await page.getByRole('option', { name, exact: true }).click();
    await page.keyboard.press('Escape');
    await sheet.getByRole('button', { name: 'Share it' }).click();
    await expect(held(page).filter({ hasText: 'Boat charters' })).toContainText(
      /Rings (Mei Tanaka and Pia Lindqvist|Pia Lindqvist and Mei Tanaka) 18 s/,
    );
    await expect(held(page).filter({ hasText: 'Boat charters' })).toContainText('shared');
  });

  await test.step('give it back: what breaks, what callers hear, and it can be brought back', async () => {
    await sheet.getByRole('button', { name: 'Give back Boat charters' }).click();
    const dialog = page.getByRole('dialog');
    await expect(dialog).toContainText('has no number any more and takes no calls');
    await dialog.getByLabel('The carrier says').selectOption({ index: 1 });
    await dialog.getByRole('button', { name: 'Give it back' }).click();
    await expect(held(page)).toHaveCount(5);
    const back = page.getByRole('list', { name: 'Numbers not in the draft' });
    await expect(back).toContainText('callers reach it until the draft is in force');
    await putInForce(page);
    await visit(page, '/numbers');
    await expect(back).toContainText('callers are told that it has changed to (360) 555-0142');
    await expect(back).toContainText('30 days more');
    await back.getByRole('button', { name: /^Bring back/ }).click();
    await expect(held(page)).toHaveCount(6);
  });
});

test('bring a number over: refused, put right, moved; callers reach the old provider meanwhile', async ({
  page,
  context,
}) => {
  await open(page, '/numbers/bring');
  await expect(page.getByRole('heading', { name: 'Do not cancel the old line' })).toBeVisible();
  const form = page.locator('form', { hasText: 'Ask for a number' });
  const send = () => form.getByRole('button', { name: 'Send the request' }).click();
  await form.getByLabel('The number to bring over').fill('360 555 0142');
  await send();
  await expect(form.getByText('You hold this number already, as “Main line”.')).toBeVisible();
  await form.getByLabel('The number to bring over').fill('360 555 0133');
  await form.getByLabel('Present provider').fill('Tidewater Telecom');
  await send();
  await expect(form.getByText('The account number is missing')).toBeVisible();
  await form.getByLabel('Account number there').fill('44');
  await form.getByLabel('Name on the bill').fill('Lantern Cove Boatworks');
  await page.reload();
  await expect(form.getByLabel('Account number there')).toHaveValue('44');
  await form.getByLabel('Address on the bill').fill('12 Lantern Cove Road');
  await form.getByLabel('a number of ours stands in').selectOption({ label: '(360) 555-0142, Main line' });
  await send();
  const card = page.locator('article', { hasText: '(360) 555-0133' });
  await expect(card).toContainText('Callers still reach Tidewater Telecom');
  await expect(card).toContainText('(360) 555-0142 (Main line) stands in');

  await setClock(page, '2026-11-26T10:15');
  await expect(card).toContainText('Tidewater Telecom knows no account “44”');
  await card.getByRole('button', { name: 'Put it right' }).click();
  await card.getByLabel('Account number there').fill('44017731');
  await card.getByRole('button', { name: 'Send it again' }).click();
  await expect(card.getByText('Refused:')).toBeHidden();
  await setClock(page, '2026-11-29T10:15');
  await expect(card).toContainText('until Thu 3 Dec, 10:00');
  await putInForce(page);

  const phone = await context.newPage();
  const call = async () => {
    await phone.goto('/bench/phone?business=lantern-cove');
    await phone.getByLabel('Number to call').fill('360 555 0133');
    await phone.getByRole('button', { name: 'Call', exact: true }).click();
  };
  await call();
  await expect(phone.getByTestId('outside-ended')).toContainText(
    'the provider the number is coming from still has it',
  );
  await setClock(page, '2026-12-03T10:00');
  await call();
  await expect(phone.getByText('Thank you for calling Lantern Cove Boatworks')).toBeVisible();
  await phone.getByRole('button', { name: 'Hang up' }).click();
  await visit(page, '/numbers/bring');
  await expect(card).toContainText('The number is here.');
});

test('a linked phone is proved by a code before calls go to it', async ({ page }) => {
  await open(page, '/people/wren');
  await page.getByRole('button', { name: 'Link an outside phone' }).click();
  await page.getByLabel('Its number').fill('360 555 0142');
  await page.getByRole('button', { name: 'Link it' }).click();
  await expect(page.getByText('That is your own Main line')).toBeVisible();
  await page.getByLabel('Its number').fill('9 509 555 0177');
  await page.getByRole('button', { name: 'Link it' }).click();
  await expect(page.getByText('The 9 for an outside line was taken off')).toBeVisible();
  await expect(page.getByText('Not proved yet')).toBeVisible();
  await page.getByRole('button', { name: 'Text a code' }).click();
  const field = page.getByLabel('Code from the text');
  for (const left of ['2 tries are left', 'One try is left', 'it is void']) {
    await field.fill('000000');
    await page.getByRole('button', { name: 'Prove it' }).click();
    await expect(page.getByText(left)).toBeVisible();
  }
  await page.getByRole('button', { name: 'Call with a code' }).click();
  await openBench(page, 'Outside phone');
  const got = bench(page).getByRole('list', { name: 'What outside phones got' });
  await expect(got.getByText('It rings.')).toBeVisible();
  await got.getByRole('button', { name: 'Pick up' }).click();
  const spoken = await got.getByText('A voice says').innerText();
  await closeBench(page);
  const code = /is ((?:\d, ){5}\d)\./.exec(spoken)![1]!.replaceAll(', ', '');
  await page.getByLabel('Code from the call').fill(code);
  await page.getByRole('button', { name: 'Prove it' }).click();
  await expect(page.getByText(/^Proved Tue 24 Nov/)).toBeVisible();

  await test.step('a late code is refused', async () => {
    await page.getByLabel('Its number').fill('509 555 0178');
    await page.getByLabel('Its number').blur();
    await page.getByRole('button', { name: 'Text a code' }).click();
    await setClock(page, '2026-11-24T10:40');
    await expect(page.getByText('The last code has expired.')).toBeVisible();
  });
});

test('texting waits for an approval that takes two weeks', async ({ page }) => {
  await open(page, '/messages/texts');
  await neverAskedToText(page);
  await page.getByRole('button', { name: 'Write to another number' }).click();
  await page.getByLabel('To', { exact: true }).fill('206 555 0134');
  await page.getByLabel('Text', { exact: true }).fill('Your boat is ready.');
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  await expect(page.getByTestId('thread')).toContainText('held back until you may text');
  await page.getByRole('link', { name: 'Approval and rules of texting' }).click();
  await page.getByRole('button', { name: 'Ask for approval' }).click();
  await expect(page.getByText('The tax number is missing.')).toBeVisible();
  await page.getByLabel('Tax number').fill('00-0000000');
  await page.getByLabel('Website').fill('lanterncove.example');
  await page.getByLabel('E-mail of whoever').fill('rosa@lanterncove.example');
  await page.getByLabel('Who gets which texts').fill('Customers whose boat is ready, once each.');
  await page.getByLabel('A text as you').fill('Your boat is ready.');
  await page.getByLabel('How people agree').fill('They tick a box.');
  await page.getByRole('button', { name: 'Ask for approval' }).click();
  await expect(page.getByText('In review')).toBeVisible();
  await setClock(page, '2026-12-08T10:16');
  await expect(page.getByText('does not say how to opt out').first()).toBeVisible();
  await page.getByLabel('A text as you').fill('Your boat is ready. Reply STOP to end.');
  await page.getByRole('button', { name: 'Ask again' }).click();
  await setClock(page, '2026-12-22T10:17');
  await expect(page.getByText('Your texts go out.')).toBeVisible();
  await openBench(page, 'Outside phone');
  await expect(bench(page).getByRole('list', { name: 'What outside phones got' })).toContainText(
    'Your boat is ready.',
  );
  await closeBench(page);
  await page.getByRole('link', { name: 'What came and went' }).click();
  await expect(page.getByTestId('thread')).toContainText('delivered Tue 22 Dec');
});

test('sites: a missing city is named, help is told where, and PIDF-LO is what it should be', async ({
  page,
}) => {
  await open(page, '/numbers/sites');
  await page.getByLabel('A new site').fill('Sail loft');
  await page.getByRole('button', { name: 'Add it' }).click();
  const sheet = page.locator('aside .card').first();
  await expect(sheet.getByRole('heading', { name: 'Sail loft' })).toBeVisible();
  for (const [label, text] of [
    ['House number', '3'],
    ['Street', 'Quay & Sons <Street>'],
    ['State', 'WA'],
    ['ZIP code', '9830'],
  ] as const) {
    await sheet.getByLabel(label).fill(text);
    await sheet.getByLabel(label).blur();
  }
  await expect(sheet.getByText('City is missing: help must find the door.')).toBeVisible();
  await expect(sheet.getByText('“9830” is not a ZIP code of United States.')).toBeVisible();
  await sheet.getByLabel('City').fill('Port Ansel');
  await sheet.getByLabel('City').blur();
  await expect(sheet.getByText('City is missing')).toBeHidden();
  await sheet.getByLabel('Networks').fill('the office');
  await sheet.getByLabel('Networks').blur();
  await expect(sheet.getByText('“the” is not a network.')).toBeVisible();
  await sheet.getByLabel('Networks').fill('203.0.113.0/24');
  await sheet.getByLabel('Networks').blur();
  const address = sheet.getByLabel('Try an address');
  await address.pressSequentially('203.0.113.7');
  await expect(sheet.getByText('In the office: Sail loft, by 203.0.113.0/24.')).toBeVisible();
  await address.fill('192.168.7.9');
  await expect(sheet.getByText('Outside: in no network of any site.')).toBeVisible();

  const xml = await downloaded(page, () =>
    page.getByRole('button', { name: 'Save all as locations' }).click(),
  );
  // The browser's own XML parser reads it; names and namespaces as in RFC 4119 and RFC 5139.
  const parts = await page.evaluate((text) => {
    const doc = new DOMParser().parseFromString(text, 'application/xml');
    const ca = 'urn:ietf:params:xml:ns:pidf:geopriv10:civicAddr';
    return {
      error: doc.querySelector('parsererror')?.textContent ?? '',
      root: [doc.documentElement.localName, doc.documentElement.namespaceURI],
      sites: [...doc.getElementsByTagNameNS('urn:ietf:params:xml:ns:pidf', 'tuple')].length,
      streets: [...doc.getElementsByTagNameNS(ca, 'RD')].map((e) => e.textContent),
      parents: [...doc.getElementsByTagNameNS(ca, 'civicAddress')].map((e) => e.parentElement?.nodeName),
      contact: doc.querySelector('contact')?.textContent,
    };
  }, xml);
  expect(parts).toEqual({
    error: '',
    root: ['presence', 'urn:ietf:params:xml:ns:pidf'],
    sites: 3,
    streets: ['Lantern Cove Road', 'Old Mill Lane', 'Quay & Sons <Street>'],
    parents: ['gp:location-info', 'gp:location-info', 'gp:location-info'],
    contact: 'tel:+13605550142',
  });

  await test.step('somebody is told when an emergency number is called', async () => {
    await openBench(page, 'Outside phone');
    await bench(page).getByLabel('Digits', { exact: true }).fill('911');
    await bench(page).getByRole('button', { name: 'Dial', exact: true }).click();
    await expect(bench(page).getByText('Put through to 911')).toBeVisible();
    await bench(page).getByRole('tab', { name: 'Mail' }).click();
    await bench(page)
      .getByRole('button', { name: /Emergency call to 911 from The yard/ })
      .first()
      .click();
    await expect(bench(page).getByTestId('mail-text')).toContainText(
      '12 Lantern Cove Road, Port Ansel WA 98300',
    );
  });
});

test('dialling: what digits get, the map of extensions, renumbering with a preview', async ({ page }) => {
  await open(page, '/numbers/dialling');
  const digits = page.getByLabel('Digits, one after the other');
  const result = page.getByRole('status').filter({ hasText: /\w/ });
  await digits.fill('9 1 360 555 0142');
  await expect(result).toContainText('Outside call to (360) 555-0142, which is your own Main line.');
  // Rosa's own direct number is hers alone, so it is what her calls show.
  await expect(result).toContainText('They see (360) 555-0171 LANTERN COVE.');
  await expect(result).toContainText('At once');
  await digits.fill('*6791 360 555 0142');
  await expect(result).toContainText('They see a hidden number.');
  await page.getByLabel('Who dials').selectOption('Wren Halloran');
  await digits.fill('91 206 555 0134');
  await expect(result).toContainText('They see (360) 555-0142 LANTERN COVE.');
  await page.getByLabel('Who dials').selectOption('Rosa Delgado');
  await digits.fill('911');
  await expect(result).toContainText('Emergency call to 911, with the address of The yard');
  await expect(result).toContainText('Rosa Delgado and Idris Okafor told at once');
  await expect(result).toContainText('they ring back (360) 555-0171');
  await digits.fill('91360');
  await expect(result).toContainText('After 16 s');
  await digits.fill('20a');
  await expect(page.getByText('A desk phone has no key “a”')).toBeVisible();
  await digits.fill('203');
  await expect(result).toContainText('Extension 203: Pia Lindqvist.');

  await page.getByRole('button', { name: '201, taken: Rosa Delgado' }).focus();
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText('202 taken: Idris Okafor')).toBeVisible();
  await page.getByRole('button', { name: /^950, blocked/ }).hover();
  await expect(page.getByText('people dial that for an outside line').first()).toBeVisible();
  await expect(page.getByRole('button', { name: '275, reserved: season staff' })).toBeVisible();

  await page.getByRole('button', { name: 'Renumber' }).click();
  const front = page.getByLabel('Put in front');
  await front.fill('9');
  await expect(page.getByText('19 cannot be as proposed')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Renumber 19' })).toBeDisabled();
  await front.fill('3');
  await expect(page.getByRole('row', { name: 'Rosa Delgado 201 3201' })).toBeVisible();
  await page.getByRole('button', { name: 'Renumber 19' }).click();
  await expect(page.getByText('They have 4 digits.')).toBeVisible();
  await digits.fill('3203');
  await expect(result).toContainText('Extension 3203: Pia Lindqvist.');
  await digits.fill('3310');
  await expect(result).toContainText('Extension 3310: Front desk.');
  await page.locator('h1').click();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('They have 3 digits.')).toBeVisible();

  await test.step('without a digit for an outside line an extension waits', async () => {
    await page.getByLabel('For an outside line people dial').selectOption('nothing first');
    await digits.fill('203');
    await expect(result).toContainText('After 4 s');
  });
});

test('numbers out as CSV and in again, after a preview', async ({ page }) => {
  await open(page, '/numbers');
  const text = await downloaded(page, () =>
    page.getByRole('button', { name: 'Save numbers as CSV' }).click(),
  );
  expect(text.split('\r\n')).toHaveLength(7);
  const read = (name: string, content: string | Buffer) =>
    page
      .getByLabel('CSV file of numbers')
      .setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(content) });
  await read(
    'list.csv',
    text.replace('Workshop', 'The workshop').replace('department', 'night') + '\r\n555,x,,,,,',
  );
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText(
    '7 rows: 0 new, 0 with changes, 5 as they are, 2 wrong, which are left out',
  );
  await expect(dialog.getByRole('row', { name: /^8 / })).toContainText('not a whole telephone number');
  await dialog.getByRole('button', { name: 'Leave it' }).click();
  await expect(held(page).filter({ hasText: '0143' })).toContainText('Workshop');

  await read('list.csv', text.replace(',Workshop,', ',<b>Workshop</b>,'));
  await expect(dialog).toContainText('1 with changes');
  await dialog.getByRole('button', { name: 'Apply 1 row' }).click();
  await expect(held(page).filter({ hasText: '0143' })).toContainText('<b>Workshop</b>');

  await read('other.csv', 'phone;name\n1;2\n');
  await expect(dialog).toContainText('There is no column “number”');
  await dialog.getByRole('button', { name: 'Leave it' }).click();
  await read('big.csv', 'number\n' + '+13605550142\n'.repeat(100_000));
  await expect(dialog).toContainText('more than 5,000 rows');
});

test('an empty business: every room says what to do first, and a number has its price', async ({ page }) => {
  await open(page, '/');
  await page.getByRole('button', { name: 'Start with your own business' }).click();
  await page.getByRole('dialog').getByLabel('Name').fill('Gull Point Chandlery');
  await page.getByRole('dialog').getByRole('button', { name: 'Start', exact: true }).click();
  await expect(page.getByTitle('Gull Point Chandlery')).toBeVisible();
  for (const [path, words] of [
    ['/numbers', 'You hold no number yet'],
    ['/numbers/bring', 'Nothing is on its way'],
    ['/numbers/texting', 'in United States, geographic and toll-free numbers can text'],
    ['/numbers/sites', 'No site yet'],
    ['/numbers/dialling', '0 taken'],
    ['/numbers/get', 'Nothing yet. What you take is kept'],
  ] as const) {
    await visit(page, path);
    await expect(page.getByText(words)).toBeVisible();
  }
  await visit(page, '/numbers/costs');
  await expect(page.getByTestId('total')).toHaveText('$0.00');
  await visit(page, '/numbers/get');
  await page.getByLabel('Area code or city').fill('206');
  await take(page, '(206) 555-0102');
  await page.getByRole('button', { name: 'Order it' }).click();
  await expect(page.getByText('is yours and in the draft')).toBeVisible();
  await visit(page, '/numbers/costs');
  await expect(page.getByTestId('total')).toHaveText('$4.00');
  await expect(page.getByText('$0.00 as in force, $4.00 with the draft')).toBeVisible();
});
