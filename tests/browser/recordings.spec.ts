/** Recordings: spoken, recorded, read from files, heard by callers; what is refused, and what is not lost. */
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { decode as readWav } from 'node-wav';
import { toneFile, wavOf } from '../fixtures/wav';
import { open, saved, setClock, visit } from './bench';
import { expect, test } from './seeded';

const card = (page: Page, name: string) => page.getByRole('article', { name });
const length = (page: Page) => page.getByTestId('recording-length');
const file = (name: string, buffer: Buffer, mimeType = 'audio/wav') => ({ name, mimeType, buffer });

test('words are spoken, their length is the call’s, and other words are no longer said', async ({ page }) => {
  await open(page, '/messages/recordings');
  await page.getByRole('link', { name: /^Yard closed/ }).click();
  await expect(length(page)).toHaveText('about 7.5 s by its words');
  await card(page, 'Yard closed').getByRole('button', { name: 'Speak its words' }).click();
  await expect(length(page)).toHaveText(/^\d+\.?\d* s, spoken$/);
  const seconds = Number.parseFloat(await length(page).innerText());
  expect(seconds).toBeGreaterThan(3);
  expect(seconds).toBeLessThan(9);
  await saved(page);
  await page.reload();
  await expect(length(page)).toHaveText(`${seconds} s, spoken`);
  await card(page, 'Yard closed').getByRole('button', { name: 'Listen to Yard closed' }).click();
  await expect(card(page, 'Yard closed').getByRole('button', { name: 'Stop Yard closed' })).toBeVisible();
  // What differs for callers is told: the sound is another one.
  await visit(page, '/changes');
  await expect(page.getByTestId('difference').first()).toContainText('Main line');
  await page.goBack();
  await page.getByLabel('Its words').fill('The yard is closed. Call again tomorrow.');
  await page.getByLabel('Its words').press('Tab');
  await expect(length(page)).toHaveText('about 3 s by its words');
  await page.getByRole('heading', { name: 'Recordings' }).click();
  await page.keyboard.press('Control+z');
  await expect(length(page)).toHaveText(`${seconds} s, spoken`);
});

test('a greeting is recorded with the microphone, listened to, done again and kept', async ({ page }) => {
  await open(page, '/messages/recordings');
  await page.getByRole('link', { name: /^Lunch/ }).click();
  const lunch = card(page, 'Lunch');
  await lunch.getByText('Without silence at its ends').click();
  await lunch.getByRole('button', { name: 'Record', exact: true }).click();
  await expect(lunch.getByRole('meter')).toBeVisible();
  await expect(lunch.getByTestId('recorded-seconds')).toHaveText(/^[2-9]\.\d s$/, { timeout: 15_000 });
  await lunch.getByRole('button', { name: 'Stop', exact: true }).click();
  await expect(lunch.getByText(/s recorded\.$/)).toBeVisible();
  await lunch.getByRole('button', { name: 'Listen to it' }).click();
  await lunch.getByRole('button', { name: 'Do it again' }).click();
  await expect(lunch.getByTestId('recorded-seconds')).toHaveText(/^[2-9]\.\d s$/, { timeout: 15_000 });
  await lunch.getByRole('button', { name: 'Stop', exact: true }).click();
  await lunch.getByRole('button', { name: 'Keep it' }).click();
  await expect(length(page)).toHaveText(/s, recorded$/);
  // Words may be written beside it: what was recorded stays.
  await page.getByLabel('Its words').fill('Gone for lunch.');
  await page.getByLabel('Its words').press('Tab');
  await saved(page);
  await page.reload();
  await expect(length(page)).toHaveText(/s, recorded$/);
});

test('a file of 2 GB is refused unread, and a sound there is no room for is offered as a file', async ({
  page,
}) => {
  // Stand-ins for what cannot be had in a test: a file that says it is that large, and a storage that is full.
  await page.addInitScript(() => {
    const size = Object.getOwnPropertyDescriptor(Blob.prototype, 'size')!.get!;
    Object.defineProperty(Blob.prototype, 'size', {
      get(this: Blob): number {
        return this instanceof File && this.name === 'huge.wav' ? 2_000_000_000 : (size.call(this) as number);
      },
    });
    const put = Object.getOwnPropertyDescriptor(IDBObjectStore.prototype, 'put')!
      .value as IDBObjectStore['put'];
    IDBObjectStore.prototype.put = function (this: IDBObjectStore, ...args: Parameters<typeof put>) {
      if (this.name === 'sounds') throw new DOMException('full', 'QuotaExceededError');
      return put.apply(this, args);
    };
  });
  await open(page, '/messages/recordings');
  await page.getByRole('button', { name: 'Make a recording' }).click();
  const fresh = card(page, 'New recording');
  const input = fresh.locator('input[type=file]');
  await input.setInputFiles(file('huge.wav', toneFile(1)));
  await expect(fresh.getByRole('alert')).toContainText('The file has 2000 MB. At most 200 MB are read.');
  await input.setInputFiles(file('tone.wav', toneFile(3)));
  await expect(fresh.getByRole('alert')).toContainText('no room left for this sound');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    fresh.getByRole('button', { name: 'Save it as a file' }).click(),
  ]);
  expect(readWav(readFileSync(await download.path())).sampleRate).toBe(8000);
  await expect(length(page)).toHaveText('neither words nor sound');
});

test('sound files are read into telephone form and saved again; what is no sound is refused', async ({
  page,
}) => {
  await open(page, '/messages/recordings');
  await page.getByRole('button', { name: 'Make a recording' }).click();
  const fresh = card(page, 'New recording');
  const input = fresh.locator('input[type=file]');
  for (const [given, says] of [
    [file('x.wav', Buffer.from('no sound at all')), 'This is no sound that the browser can read'],
    [file('empty.wav', Buffer.alloc(0)), 'The file is empty'],
    [file('silence.wav', wavOf(Array<number>(8000).fill(0))), 'There is only silence in it'],
  ] as const) {
    await input.setInputFiles(given);
    await expect(fresh.getByRole('alert')).toContainText(says);
    await expect(length(page)).toHaveText('neither words nor sound');
  }
  await input.setInputFiles(file('tone.wav', toneFile(3)));
  await expect(length(page)).toHaveText('3 s, from a file');
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    fresh.getByRole('button', { name: 'Save as WAV' }).click(),
  ]);
  const read = readWav(readFileSync(await download.path()));
  expect([read.sampleRate, read.channelData.length, read.channelData[0]!.length]).toEqual([8000, 1, 24_000]);
  await fresh.getByRole('button', { name: 'Make music' }).click();
  await expect(length(page)).toHaveText(/^\d+\.?\d* s, music$/);
});

test('the microphone refused says what to do', async ({ browser }) => {
  const context = await browser.newContext({ permissions: [] });
  const page = await context.newPage();
  await page.addInitScript(() => {
    navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException('no', 'NotAllowedError'));
  });
  await visit(page, '/messages/recordings');
  await page.getByRole('button', { name: 'Record', exact: true }).click();
  await expect(page.getByRole('alert')).toContainText(
    'The microphone is not allowed. Allow it in the browser',
  );
  await context.close();
});

test('one recording takes the place of another everywhere, and that is undone', async ({ page }) => {
  await open(page, '/messages/recordings');
  await page.getByRole('link', { name: /^Welcome/ }).click();
  const welcome = card(page, 'Welcome');
  await expect(welcome.getByRole('listitem').first()).toContainText('Main line: Play “Welcome”');
  await welcome.getByLabel('Heard in its place').selectOption('Charters');
  await welcome.getByRole('button', { name: 'Replace it everywhere' }).click();
  await expect(welcome.getByText('Nowhere yet.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(welcome.getByRole('listitem').first()).toContainText('Main line: Play “Welcome”');
});

test('a word the machine says wrongly is respelt, and all that are silent are spoken', async ({ page }) => {
  await open(page, '/messages/recordings');
  const voice = page.getByRole('region', { name: 'The voice' });
  await voice.getByLabel('A word').fill('Boatworks');
  await voice.getByLabel('Say it as').fill('boat works');
  await voice.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(voice.getByLabel('Said as, Boatworks')).toHaveValue('boat works');
  await voice.getByLabel('A word').fill('boatworks');
  await voice.getByRole('button', { name: 'Add', exact: true }).click();
  await expect(voice.getByText('This word has a spelling already.')).toBeVisible();
  await page.getByRole('button', { name: /^Speak the \d+ without a sound$/ }).click();
  await expect(page.getByRole('navigation', { name: 'Recordings' })).not.toContainText('by its words', {
    timeout: 40_000,
  });
});

test('a script is read in one go: each that is kept leads to the next', async ({ page }) => {
  await open(page, '/messages/script');
  await page.getByLabel('Recordings of').selectOption('Main line');
  const now = page.getByRole('region', { name: 'To be read now' });
  const first = await page.getByTestId('script-words').innerText();
  await now.getByText('Without silence at its ends').click();
  await now.getByRole('button', { name: 'Record', exact: true }).click();
  await expect(now.getByTestId('recorded-seconds')).toHaveText(/^[2-9]\.\d s$/, { timeout: 15_000 });
  await now.getByRole('button', { name: 'Stop', exact: true }).click();
  await now.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByTestId('script-words')).not.toHaveText(first);
  await expect(now).toContainText(/^2 of/);
});

test('a caller hears the sound of the welcome', async ({ page, context }) => {
  await open(page, '/messages/recordings');
  await page.getByRole('link', { name: /^Yard closed/ }).click();
  await card(page, 'Yard closed')
    .locator('input[type=file]')
    .setInputFiles(file('closed.wav', toneFile(6)));
  await expect(length(page)).toHaveText('6 s, from a file');
  await saved(page);
  await visit(page, '/changes');
  const put = page.getByRole('button', { name: 'Put in force', exact: true });
  await expect(put).toBeEnabled({ timeout: 20_000 });
  await put.click();
  await expect(page.getByText('In force: callers get this')).toBeVisible();
  await setClock(page, '2026-11-24T20:00');
  const outside = await context.newPage();
  await outside.goto('/bench/phone?business=lantern-cove');
  await outside.getByLabel('Number to call').fill('360 555 0142');
  await outside.getByRole('button', { name: 'Call', exact: true }).click();
  await expect(outside.getByTestId('caller-sound')).toHaveAttribute('data-playing', /closed/, {
    timeout: 10_000,
  });
});

test('a mailbox greets by occasion, a dated greeting ends by itself, and the rehearsal follows', async ({
  page,
}) => {
  await open(page, '/messages/mailboxes');
  const front = page.getByTestId('mailbox').filter({ hasText: 'calls come from Main line' });
  await expect(front.getByTestId('usual-greeting')).toContainText('plays now');
  await front.getByRole('button', { name: 'Add a greeting for an occasion' }).click();
  // Behind the one for Christmas.
  const greeting = front.getByTestId('greeting').nth(1);
  await greeting.getByLabel('When it plays').selectOption('on some days');
  await greeting.getByLabel(/^What it says/).selectOption('Yard closed');
  await expect(greeting).toContainText('plays now');
  await greeting.getByLabel('To, with this day').fill('2026-11-20');
  await expect(greeting.getByRole('alert')).toHaveText('It ends before it begins.');
  await greeting.getByLabel('To, with this day').fill('2026-11-25');
  await expect(greeting.getByRole('alert')).toHaveCount(0);
  await saved(page);
  // Until the last of the days, and no longer: told as what differs.
  await visit(page, '/changes');
  await expect(page.getByTestId('difference').first()).toContainText('The yard is closed now.');
  await setClock(page, '2026-11-26T10:15');
  await visit(page, '/messages/mailboxes');
  await expect(front.getByTestId('usual-greeting')).toContainText('plays now');
  await expect(greeting).not.toContainText('plays now');
  await greeting.getByRole('button', { name: /^Remove the greeting/ }).click();
  await expect(greeting).toHaveCount(0);
});

test('a message is listened to at the speed somebody likes, and is heard then', async ({ page }) => {
  await open(page, '/messages');
  const message = page.getByTestId('message').filter({ hasText: 'mast step' });
  await expect(message.getByText('new', { exact: true })).toBeVisible();
  await page.route('/api/speech', (route) => route.abort());
  await message.getByRole('button', { name: /^Listen to the message/ }).click();
  await expect(message.getByRole('alert')).toContainText('The voice cannot be reached');
  await page.unroute('/api/speech');
  await message.getByRole('button', { name: /^Listen to the message/ }).click();
  const audio = message.locator('audio');
  await expect(audio).toBeVisible();
  await message.getByLabel('How fast it is played').selectOption('2 ×');
  const played = () => audio.evaluate((a: HTMLAudioElement) => [a.playbackRate, a.duration > 2]);
  await expect.poll(played).toEqual([2, true]);
  await audio.evaluate((a: HTMLAudioElement) => a.play());
  await expect(message.getByText('new', { exact: true })).toHaveCount(0);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    message.getByRole('link', { name: 'Download' }).click(),
  ]);
  expect(readWav(readFileSync(await download.path())).sampleRate).toBe(8000);
});

test('messages are searched, given to a colleague, noted, archived, deleted and brought back', async ({
  page,
}) => {
  await open(page, '/messages');
  const messages = page.getByTestId('message');
  const before = await messages.count();
  expect(before).toBeGreaterThan(1);
  await page.getByRole('searchbox', { name: 'Search messages' }).fill('mast');
  await expect(messages).toHaveCount(1);
  await expect(messages).toContainText('mast step');
  await messages.getByRole('button', { name: 'Write a note' }).click();
  await messages.getByLabel('Note for colleagues').fill('Quote sent on Tuesday');
  await messages.getByLabel('Note for colleagues').press('Tab');
  await messages.getByRole('button', { name: /^Give it to/ }).click();
  await messages.getByLabel(/^Who sees to the message/).selectOption('Tomas Brandt');
  await expect(page.getByText('Tomas Brandt sees to the message from')).toBeVisible();
  await page.getByRole('searchbox', { name: 'Search messages' }).fill('quote tuesday');
  await expect(messages).toHaveCount(1);
  await page.reload();
  await expect(messages).toHaveCount(1);
  await expect(page.getByRole('searchbox', { name: 'Search messages' })).toHaveValue('quote tuesday');
  await page.getByRole('button', { name: 'Clear search input' }).click();
  await page.getByLabel('Who sees to them').selectOption('Tomas Brandt');
  await expect(messages).toHaveCount(1);
  await messages.getByRole('button', { name: 'Archive', exact: true }).click();
  await expect(messages).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(messages).toHaveCount(1);
  await page.getByLabel('Who sees to them').selectOption('whoever sees to it');
  await expect(messages).toHaveCount(before);

  await page.getByText('choose all shown').click();
  const several = page.getByRole('group', { name: 'With those chosen' });
  await expect(several).toContainText(`${before} chosen`);
  await several.getByRole('button', { name: 'Delete them' }).click();
  await expect(page.getByText('No message is left by this choice')).toBeVisible();
  await page.getByLabel('Where they lie').selectOption('Deleted, kept 30 days');
  await expect(messages).toHaveCount(before);
  await messages.first().getByRole('button', { name: 'Back to the inbox' }).click();
  await expect(messages).toHaveCount(before - 1);
  // What lies in the bin is gone after a month.
  await setClock(page, '2026-12-26T10:15');
  await expect(messages).toHaveCount(0);
  await page.getByLabel('Where they lie').selectOption('Inbox');
  await expect(messages).toHaveCount(1);
});

test('a mailbox keeps messages for so many days, and says what is no number', async ({ page }) => {
  await open(page, '/messages/mailboxes');
  const front = page.getByTestId('mailbox').filter({ hasText: 'calls come from Main line' });
  await front.getByLabel('Kept for days').fill('a week');
  await front.getByLabel('Kept for days').press('Tab');
  await expect(front.getByText('Write a number of days, or nothing.')).toBeVisible();
  await front.getByLabel('Kept for days').fill('30');
  await front.getByLabel('Kept for days').press('Tab');
  await saved(page);
  await page.reload();
  await expect(front.getByLabel('Kept for days')).toHaveValue('30');
});
