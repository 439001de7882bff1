/** What becomes of messages: answered, blocked, looked through, told of, listened to by keypad, taken along. */
import AdmZip from 'adm-zip';
import type { Locator, Page } from '@playwright/test';
import { bench, callFrom, neverAskedToText, open, putInForce, visit } from './bench';
import { expect, test } from './seeded';

const message = (page: Page, from: string) => page.getByTestId('message').filter({ hasText: from });
const mailbox = (page: Page, name: string) => page.getByRole('region', { name, exact: true });
async function more(box: Locator): Promise<void> {
  await box.getByText('How a message ends, key 0').click();
}
/** Presses keys on the keypad that is open. */
async function press(where: Locator | Page, keys: string): Promise<void> {
  for (const key of keys) await where.getByRole('button', { name: `Key ${key}`, exact: true }).click();
}

test('whoever called is called back from a phone, which rings first; another is said to be done', async ({
  context,
  page,
}) => {
  // A desk phone of the bench, operated in a window of its own.
  const desk = await context.newPage();
  await desk.goto('/phone?business=lantern-cove&as=rosa-desk');
  await desk.getByTestId('phone-state').waitFor();
  await open(page, '/messages/call-back');
  const list = page.getByRole('list', { name: 'To answer' }).locator('> li');
  // Three who called, and one who wrote.
  await expect(list).toHaveCount(4);
  await expect(list.last()).toContainText('wrote 1 text');
  await list.last().getByRole('button', { name: /^Done/ }).click();
  await expect(list).toHaveCount(3);
  // Whoever has waited longest stands first.
  await expect(list.first()).toContainText('(360) 555-0187');
  await list
    .first()
    .getByRole('button', { name: /^Call back/ })
    .click();
  await list.first().getByLabel('From').selectOption('Rosa Delgado · Desk phone');
  await list
    .first()
    .getByRole('button', { name: /^Call \(360\)/ })
    .click();
  await expect(desk.getByTestId('ringing')).toContainText('Lift to call (360) 555-0187');
  await desk.getByRole('button', { name: 'Lift and call' }).click();
  await expect(list).toHaveCount(2);
  await expect(desk.getByTestId('talking')).toContainText('calling');
  await desk.getByRole('button', { name: 'Stop calling' }).click();
  await list.first().getByRole('button', { name: /^Done/ }).click();
  await expect(list).toHaveCount(1);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(list).toHaveCount(2);
  await visit(page, '/messages');
  await expect(message(page, '(360) 555-0187')).toContainText('answered Tue 24 Nov, 10:');
  await expect(page.getByTestId('call').first()).toContainText('rang (360) 555-0187');
});

test('a caller is texted back: what is wrong is said beside the text', async ({ page }) => {
  await open(page, '/messages');
  await neverAskedToText(page);
  const card = message(page, '(206) 555-0134');
  await card.getByRole('button', { name: /^Text back/ }).click();
  await card.getByRole('button', { name: 'Send' }).click();
  await expect(card.getByText('Write something.')).toBeVisible();
  await card.getByLabel('Text', { exact: true }).fill('The step is in. Come by.');
  await card.getByRole('button', { name: 'Send' }).click();
  await expect(page.getByText('The carrier holds it back until texting is approved.')).toBeVisible();
});

test('spam is put aside and looked through; a blocked number is refused at once until it is unblocked', async ({
  context,
  page,
}) => {
  await open(page, '/messages');
  await message(page, '(604) 555-0126').getByRole('button', { name: 'Spam', exact: true }).click();
  await expect(message(page, '(604) 555-0126')).toHaveCount(0);
  await page.getByLabel('Where they lie').selectOption('Spam');
  const card = message(page, '(604) 555-0126');
  await card.getByRole('button', { name: /^Block/ }).click();
  await expect(card).toContainText('blocked');
  await visit(page, '/answering/callers');
  const list = page.getByRole('list', { name: 'Block list' });
  await expect(list).toContainText('(604) 555-0126');
  await expect(list).toContainText('set by whoever runs the system');
  const outside = await context.newPage();
  await outside.goto('/bench/phone?business=lantern-cove');
  await outside.getByLabel('Number of this phone').selectOption('(604) 555-0126');
  await outside.getByRole('button', { name: 'Charters', exact: true }).click();
  await outside.getByRole('button', { name: 'Call', exact: true }).click();
  await expect(outside.getByTestId('outside-ended')).toContainText('refused: the caller is blocked');
  await list.getByRole('button', { name: /^Unblock/ }).click();
  await expect(list).toContainText('Nobody.');
  await outside.getByRole('button', { name: 'Call', exact: true }).click();
  await expect(outside.getByTestId('outside-call')).toBeVisible();
  await outside.getByRole('button', { name: 'Hang up' }).click();
  // A number that is none, and one's own.
  const form = page.getByRole('form', { name: 'Block a number' });
  await form.getByLabel('Number to block').fill('12');
  await form.getByRole('button', { name: 'Block' }).click();
  await expect(form.getByText('too short')).toBeVisible();
  await form.getByLabel('Number to block').fill('(360) 555-0142');
  await form.getByRole('button', { name: 'Block' }).click();
  await expect(form.getByText('That is a number of your own.')).toBeVisible();
});

test('a weak PIN is refused; with a good one the mailbox is listened to from a desk phone', async ({
  page,
}) => {
  await open(page, '/messages/mailboxes');
  const box = mailbox(page, 'Rosa Delgado');
  await more(box);
  const pin = box.getByLabel('PIN', { exact: true });
  for (const [typed, why] of [
    ['1234', 'run of digits'],
    ['2020', 'repeats itself'],
    ['2017', 'extension 201'],
  ] as const) {
    await pin.fill(typed);
    await box.getByRole('button', { name: 'Set', exact: true }).click();
    await expect(box.getByText(new RegExp(why))).toBeVisible();
    await expect(pin).toHaveValue(typed);
  }
  await pin.fill('4827');
  await box.getByRole('button', { name: 'Set', exact: true }).click();
  await expect(box.getByText(/set by whoever runs the system/)).toBeVisible();
  await visit(page, '/messages');
  await message(page, '(360) 555-0187').getByRole('button', { name: 'Mark as new' }).click();

  const drawer = await bench(page, 'Outside phone');
  await drawer.getByLabel('Phone', { exact: true }).selectOption('Rosa Delgado · Desk phone');
  await drawer.getByLabel('Digits', { exact: true }).fill('*98');
  await drawer.getByRole('button', { name: 'Dial', exact: true }).click();
  const hears = drawer.getByTestId('desk-hears');
  await expect(hears).toContainText('Enter the PIN of Rosa Delgado');
  await press(drawer, '4828#');
  await expect(hears).toContainText('That is not it.');
  await press(drawer, '4827#');
  await expect(hears).toContainText('You have 1 new message and no heard messages.');
  await press(drawer, '1');
  await expect(hears).toContainText(/Message 1 of 1, from \(360\) 555-0187, \w+day \d/);
  // The words are spoken, not only shown.
  await expect(drawer.getByTestId('caller-sound')).toHaveAttribute('data-playing', /words/, {
    timeout: 15_000,
  });
  await expect(hears).toContainText('The timber is here', { timeout: 15_000 });
  await press(drawer, '3');
  await expect(hears).toContainText('You have no new messages and no heard messages.');
  await press(drawer, '*');
  await expect(drawer.getByText(/listened to Rosa Delgado/)).toBeVisible();
  await drawer.getByRole('button', { name: 'Close' }).click();
  await expect(message(page, '(360) 555-0187')).toHaveCount(0);
  await page.getByLabel('Where they lie').selectOption('Deleted, kept 30 days');
  await expect(message(page, '(360) 555-0187')).toHaveCount(1);
});

test('key 0 leads to the office, the light of the phone goes on, and who is told by text is', async ({
  context,
  page,
}) => {
  // The call rings, is greeted, rings again and is greeted again, in real time.
  test.setTimeout(150_000);
  await open(page, '/messages/mailboxes');
  const box = mailbox(page, 'Rosa Delgado');
  await more(box);
  await box.getByLabel('Who presses 0 gets').selectOption('Front office');
  await expect(box.getByText('Say so in the greeting')).toBeVisible();
  await box.getByLabel('Notice by text to').fill('206 555 01');
  await box.getByLabel('Notice by text to').press('Tab');
  await expect(box.getByText(/“206 555 01”: .*too short/)).toBeVisible();
  await box.getByLabel('Notice by text to').fill('206-555-0111');
  await box.getByLabel('Notice by text to').press('Tab');
  await expect(box.getByLabel('Notice by text to')).toHaveValue('(206) 555-0111');
  await box.locator('label', { hasText: 'mails carry what was said' }).click();
  await putInForce(page);
  await visit(page, '/phones/rosa-desk');
  const light = page.getByTestId('message-light').first();
  await expect(light).toContainText('message light off');

  const outside = await callFrom(context, 'Rosa Delgado, direct');
  await expect(outside.getByTestId('outside-call')).toContainText('This is Rosa', { timeout: 30_000 });
  await press(outside, '0');
  await expect(outside.getByTestId('outside-call')).toContainText('You hear it ringing.');
  // Nobody of the office takes it: back to the greeting, past it, and a message is left.
  await expect(outside.getByTestId('outside-call')).toContainText('This is Rosa', { timeout: 40_000 });
  await press(outside, '#');
  await expect(outside.getByTestId('outside-call')).toContainText('Speak now.');
  await outside.getByLabel('What you say').fill('It is about the keel, whenever you can.');
  await outside.waitForTimeout(2500);
  await outside.getByRole('button', { name: 'Hang up' }).click();
  await expect(light).toContainText('message light on: 1 new');
  await page.getByText('What the phone is sent').click();
  await expect(page.getByText('Messages-Waiting: yes')).toBeVisible();
  const drawer = await bench(page, 'Mail');
  await drawer
    .getByRole('button', { name: /Message from/ })
    .first()
    .click();
  await expect(page.getByTestId('mail-text')).not.toContainText('the keel');
  await expect(page.getByTestId('mail-text')).toContainText('Listen to it in the inbox, or dial in.');
});

test('a message that falls silent ends by itself', async ({ context, page }) => {
  test.setTimeout(120_000);
  await open(page, '/messages/mailboxes');
  const box = mailbox(page, 'Front desk');
  await more(box);
  await box.getByLabel('Seconds of silence that end it').fill('zwei');
  await box.getByLabel('Seconds of silence that end it').press('Tab');
  await expect(box.getByText('Write a number of seconds, or nothing.')).toBeVisible();
  await box.getByLabel('Seconds of silence that end it').fill('2');
  await box.getByLabel('Seconds of silence that end it').press('Tab');
  await putInForce(page);
  // The browser's stand-in microphone beeps once a second: here it is silent for good.
  const outside = await context.newPage();
  await outside.addInitScript(() => {
    navigator.mediaDevices.getUserMedia = () => {
      const audio = new AudioContext();
      return Promise.resolve(audio.createMediaStreamDestination().stream);
    };
  });
  await outside.goto('/bench/phone?business=lantern-cove');
  await outside.getByRole('button', { name: 'Winter store', exact: true }).click();
  await outside.getByRole('button', { name: 'Call', exact: true }).click();
  await expect(outside.getByTestId('outside-call')).toContainText('Speak now.', { timeout: 60_000 });
  await outside.getByRole('button', { name: 'Or record it' }).click();
  await expect(outside.getByTestId('outside-ended')).toBeVisible({ timeout: 30_000 });
});

test('all messages of a mailbox are taken along as a folder', async ({ page }) => {
  await open(page, '/messages/mailboxes');
  const box = mailbox(page, 'Front desk');
  await more(box);
  const download = page.waitForEvent('download');
  await box.getByRole('button', { name: 'Save all messages as a zip' }).click();
  const file = await download;
  expect(file.suggestedFilename()).toBe('Front desk.zip');
  const zip = new AdmZip(await file.path());
  expect(zip.getEntry('messages.csv')!.getData().toString('utf8')).toContain('It is about the mast step.');
  expect(zip.getEntries()).toHaveLength(2);
});

test('how somebody is reached goes into a CPL script and is read back, seen before it is set', async ({
  page,
}) => {
  await open(page, '/people/rosa/reach');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as a call script' }).click();
  expect((await download).suggestedFilename()).toBe('Rosa Delgado.cpl.xml');
  await expect(page.getByText('A call script says all of it.')).toBeVisible();
  const read = (xml: string) =>
    page
      .getByLabel('Read a call script')
      .setInputFiles({ name: 'x.xml', mimeType: 'application/xml', buffer: Buffer.from(xml) });
  await read('<cpl><incoming>');
  await expect(page.getByRole('alert')).toContainText('not well-formed');
  await read('<cpl><incoming><location url="tel:+12065550111"><redirect/></location></incoming></cpl>');
  await expect(page.getByText('Read. Look at it, then set it.')).toBeVisible();
  await expect(page.locator('.lane', { hasText: '(206) 555-0111' })).toHaveCount(1);
  await page.getByRole('button', { name: 'Leave it as it was' }).click();
});
