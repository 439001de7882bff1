/** Texts by conversation: what waits and who has it, parts while writing, files, later, stops, and what others write as text. */
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { bench, neverAskedToText, open, visit } from './bench';
import { expect, test } from './seeded';

/** Somebody outside texts a number of the business. */
async function textIn(page: Page, words: string, from?: string): Promise<void> {
  const drawer = await bench(page, 'Outside phone');
  if (from) await drawer.getByLabel('From the outside number').fill(from);
  await drawer.getByLabel('What they write').fill(words);
  await drawer.getByRole('button', { name: 'Text it' }).click();
  await expect(drawer.getByText('It is there')).toBeVisible();
  await drawer.getByRole('button', { name: 'Close' }).click();
}
const field = (page: Page) => page.getByLabel('Text', { exact: true });
const thread = (page: Page) => page.getByTestId('thread');
const conversation = (page: Page, name: string) => page.getByTestId('conversation').filter({ hasText: name });

/** Somebody of ours at the texts. */
async function lookAs(page: Page, name: string): Promise<void> {
  await open(page, '/people/roles');
  await page.getByRole('button', { name: `Look as ${name}` }).click();
  await visit(page, '/messages/texts');
}

test('a text that comes in waits, is answered in as many parts as are said, and what it holds is text', async ({
  page,
}) => {
  await open(page, '/messages/texts');
  await textIn(page, 'See <b>this</b>: https://boats.example/keel or javascript:alert(1)');
  const first = page.getByTestId('conversation').first();
  await expect(first).toContainText('waits since');
  await first.click();
  await expect(thread(page)).toContainText('See <b>this</b>');
  const link = thread(page).getByRole('link');
  await expect(link).toHaveCount(1);
  await expect(link).toHaveAttribute('href', 'https://boats.example/keel');
  await expect(link).toHaveAttribute('rel', /noopener/);

  const parts = page.getByTestId('parts');
  await expect(parts).toContainText('1 part, 160 left, $0.008');
  await field(page).fill('a'.repeat(161));
  await expect(parts).toContainText('2 parts, 145 left, $0.016');
  await field(page).fill(`It’s ready${'!'.repeat(80)}`);
  await expect(parts).toContainText('2 parts');
  await page.getByRole('button', { name: "Write ' instead: 1 part" }).click();
  await expect(field(page)).toHaveValue(`It's ready${'!'.repeat(80)}`);
  // What is being written is there again after a reload.
  await page.reload();
  await expect(field(page)).toHaveValue(/^It's ready/);
  await field(page).fill('x'.repeat(1601));
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  await expect(page.getByText('This is longer than 1,600 letters')).toBeVisible();
  await expect(field(page)).toHaveValue('x'.repeat(1601));
  await field(page).fill('Come at noon');
  await field(page).press('Control+Enter');
  await expect(thread(page).getByRole('listitem').last()).toContainText('Come at noon');
  await expect(field(page)).toHaveValue('');
  await expect(thread(page).getByRole('listitem').last()).toContainText('delivered');
  await expect(first).not.toContainText('waits since');
  // The whole conversation is taken along as one file.
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save this conversation as a file' }).click();
  const file = await saving;
  expect(file.suggestedFilename()).toMatch(/^texts-.*\.txt$/);
  const lines = readFileSync(await file.path(), 'utf8')
    .trim()
    .split('\n');
  expect(lines[0]).toMatch(/^Texts with /);
  expect(lines.at(-2)).toContain('See <b>this</b>: https://boats.example/keel');
  expect(lines.at(-1)).toMatch(/^2026-11-24 10:\d\d .*: Come at noon$/);
  // It stands in the log, too.
  await visit(page, '/messages/log');
  await page.getByLabel('What is shown').selectOption('texts');
  await expect(page.getByTestId('log-entry').first()).toContainText('Come at noon');
});

test('whoever answers STOP gets no more from any number, and that is said where one would write', async ({
  page,
}) => {
  await open(page, '/messages/texts');
  await conversation(page, '(206) 555-0176').click();
  await textIn(page, 'stop', '206 555 0176');
  await expect(page.getByText('They asked for no more texts')).toBeVisible();
  await expect(thread(page).getByRole('listitem').last()).toContainText('Reply START to get them again');
  await expect(thread(page).getByRole('listitem').last()).toContainText('by itself');
  await expect(field(page)).toHaveCount(0);
  await page.getByRole('button', { name: 'Write to another number' }).click();
  await page.getByLabel('From', { exact: true }).selectOption({ label: 'Workshop, (360) 555-0143' });
  await page.getByLabel('To', { exact: true }).fill('206 555 0176');
  await field(page).fill('Hello');
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  await expect(page.getByText('They want no texts, and said so.')).toBeVisible();
  await conversation(page, '(206) 555-0176').click();
  await textIn(page, 'START', '206 555 0176');
  await expect(field(page)).toBeVisible();
  // What was spoken is entered, and taken back.
  await page.getByRole('button', { name: 'They said that they want no texts' }).click();
  await expect(page.getByText('They said that they want no texts (')).toBeVisible();
  await page.getByRole('button', { name: 'They may be texted again' }).click();
  await expect(field(page)).toBeVisible();
});

test('a text to another number: what is wrong is said beside the field; without approval it waits', async ({
  page,
}) => {
  await open(page, '/messages/texts');
  await neverAskedToText(page);
  await page.getByRole('button', { name: 'Write to another number' }).click();
  await page.getByLabel('To', { exact: true }).fill('12');
  await field(page).fill('Hello');
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  await expect(page.getByLabel('To', { exact: true })).toHaveAttribute('aria-invalid', 'true');
  await page.getByLabel('To', { exact: true }).fill('(206) 555-0199');
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  await expect(thread(page)).toContainText('Hello');
  await expect(thread(page)).toContainText('held back until you may text');
});

test('who begins to answer has it in every window; a colleague is told, takes it over, and closes it', async ({
  page,
  context,
}) => {
  await lookAs(page, 'Idris Okafor');
  await conversation(page, '(206) 555-0176').click();
  const other = await context.newPage();
  await lookAs(other, 'Rosa Delgado');
  await conversation(other, '(206) 555-0176').click();
  await field(page).pressSequentially('Yes');
  await expect(page.getByText('You have it.')).toBeVisible();
  await expect(conversation(other, '(206) 555-0176')).toContainText('Idris Okafor has it');
  await expect(other.getByText('Idris Okafor has it. What you send')).toBeVisible();
  await other.getByRole('button', { name: 'Take it over' }).click();
  await expect(page.getByText('Rosa Delgado has it. What you send')).toBeVisible();
  await expect(field(page)).toHaveValue('Yes');
  await other.getByRole('button', { name: 'Done with it' }).click();
  await expect(conversation(page, '(206) 555-0176')).toContainText('done with');
  await other.getByRole('button', { name: 'Undo', exact: true }).last().click();
  await expect(conversation(page, '(206) 555-0176')).toContainText('waits since');
  // An answer of theirs opens it again.
  await other.getByRole('button', { name: 'Done with it' }).click();
  await textIn(page, 'Are you there?', '206 555 0176');
  await expect(conversation(page, '(206) 555-0176')).toContainText('waits since');
  await other.close();
});

test('a ready-made answer is written, filled in and sent later; that is called off and taken back', async ({
  page,
}) => {
  await open(page, '/messages/texts');
  await page.getByText('Ready-made answers (3)').click();
  await page.getByRole('button', { name: 'Write one' }).click();
  await page.getByLabel('What it is called').fill('Thanks');
  await page.getByLabel('What it says').fill('Thank you, {first name}. {boat}');
  await expect(page.getByText('{boat} is nothing that is filled in')).toBeVisible();
  await page.getByLabel('What it says').fill('Thank you, {first name}. {business}');
  await page.getByRole('button', { name: 'Keep it', exact: true }).click();
  await expect(page.getByText('Ready-made answers (4)')).toBeVisible();
  // Nothing is known of whoever is no contact: the field stands there, and is not sent.
  await conversation(page, '(206) 555-0176').click();
  await page.getByLabel('Ready-made answer', { exact: true }).selectOption({ label: 'Thanks' });
  await expect(field(page)).toHaveValue('Thank you, {first name}. Lantern Cove Boatworks');
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  await expect(page.getByText('{first name} is still in it')).toBeVisible();
  await conversation(page, 'Harrow').click();
  await page.getByLabel('Ready-made answer', { exact: true }).selectOption({ label: 'Thanks' });
  await expect(field(page)).toHaveValue(/^Thank you, \w+\. Lantern Cove Boatworks$/);
  await page.getByRole('button', { name: 'Send it later' }).click();
  await page.getByLabel('It goes').fill('2026-11-24T09:00');
  await page.getByRole('button', { name: 'Keep it for then' }).click();
  await expect(page.getByText('That moment has passed.')).toBeVisible();
  // What is no moment is not sent at the moment that stood there before, by no way of sending.
  await page.getByLabel('It goes').fill('tomorrow 5pm');
  await page.getByLabel('It goes').press('Tab');
  await expect(page.getByLabel('It goes')).toHaveValue('Wed 25 Nov 2026, 17:00');
  await page.getByLabel('It goes').fill('tomorow 5');
  await page.getByRole('button', { name: 'Keep it for then' }).click();
  await expect(page.getByText('Write a day and a time, such as 24 Nov 5pm.')).toBeVisible();
  await field(page).press('Control+Enter');
  await expect(page.getByLabel('It goes')).toHaveValue('tomorow 5');
  await expect(page.getByRole('list', { name: 'Texts that are to go later' })).toHaveCount(0);
  await page.getByLabel('It goes').fill('2026-11-24T10:16');
  await page.getByRole('button', { name: 'Keep it for then' }).click();
  const later = page.getByRole('list', { name: 'Texts that are to go later' });
  await expect(later).toContainText('Tue 24 Nov, 10:16');
  await later.getByRole('button', { name: 'Do not send it' }).click();
  await expect(later).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo', exact: true }).last().click();
  await expect(later).toContainText('Thank you');
  // At its time it goes by itself.
  await expect(later).toHaveCount(0, { timeout: 75_000 });
  await expect(thread(page).getByRole('listitem').last()).toContainText('Thank you');
});

test('a picture goes and comes; what is too large or no picture is said; a landline takes none', async ({
  page,
}) => {
  await open(page, '/messages/texts');
  await conversation(page, 'Harrow').click();
  const chooser = page.getByLabel('Picture or file to go with it');
  const png = Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    'base64',
  );
  await chooser.setInputFiles({
    name: 'mast.png',
    mimeType: 'image/png',
    buffer: Buffer.from('<script>alert(1)</script>'),
  });
  await expect(page.getByText('mast.png is none of what texts carry')).toBeVisible();
  await chooser.setInputFiles({
    name: 'large.pdf',
    mimeType: 'application/pdf',
    buffer: Buffer.concat([Buffer.from('%PDF-1.4\n'), Buffer.alloc(1_200_000)]),
  });
  await expect(page.getByText('large.pdf has 1.2 MB: texts carry 1 MB together.')).toBeVisible();
  await chooser.setInputFiles({ name: 'mast <b>.png', mimeType: 'image/png', buffer: png });
  await expect(page.getByRole('list', { name: 'Files that go with it' })).toContainText('mast <b>.png');
  await expect(page.getByTestId('parts')).toContainText('$0.025');
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  const picture = thread(page).getByRole('img', { name: 'mast <b>.png' });
  await expect(picture).toBeVisible();
  await expect
    .poll(() => picture.evaluate((img: HTMLImageElement) => [img.naturalWidth, img.src.slice(0, 5)]))
    .toEqual([1, 'blob:']);
  await page.reload();
  await expect(picture).toBeVisible();
  const drawer = await bench(page, 'Outside phone');
  await drawer.getByLabel('Outside number that is texted').fill('(360) 555-0134');
  await drawer.getByRole('button', { name: 'Set for texts' }).click();
  await drawer.getByRole('button', { name: 'Close' }).click();
  await field(page).fill('Hello');
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  await expect(thread(page).getByRole('listitem').last()).toContainText(
    'This number takes calls only: it is a landline.',
  );
});

test.describe('late in the evening', () => {
  test.use({ moment: '2026-11-24T21:30' });
  test('it is said what time it is where a text would go, and it is kept for the morning', async ({
    page,
  }) => {
    await open(page, '/messages/texts');
    await conversation(page, 'Harrow').click();
    await expect(page.getByTestId('quiet')).toContainText('It is 21:30 there (by its area code');
    await page.getByRole('button', { name: 'Send it Wed 25 Nov, 08:00' }).click();
    await field(page).fill('She is in the water');
    await page.getByRole('button', { name: 'Keep it for then' }).click();
    await expect(page.getByRole('list', { name: 'Texts that are to go later' })).toContainText(
      'Wed 25 Nov, 08:00',
    );
    // Whoever has just written is answered at any time.
    await textIn(page, 'When?', '360 555 0134');
    await expect(page.getByTestId('quiet')).toHaveCount(0);
  });
});
