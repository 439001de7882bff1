/** Texts by conversation: what waits, parts while writing, STOP, and what others write as text. */
import type { Page } from '@playwright/test';
import { bench, open, visit } from './bench';
import { expect, test } from './seeded';

/** Somebody outside texts a number of the business. */
async function textIn(page: Page, words: string): Promise<void> {
  const drawer = await bench(page, 'Outside phone');
  await drawer.getByLabel('What they write').fill(words);
  await drawer.getByRole('button', { name: 'Text it' }).click();
  await expect(drawer.getByText('It is there')).toBeVisible();
  await drawer.getByRole('button', { name: 'Close' }).click();
}

test('a text that comes in waits, is answered in as many parts as are said, and what it holds is text', async ({
  page,
}) => {
  await open(page, '/messages/texts');
  await textIn(page, 'See <b>this</b>: https://boats.example/keel or javascript:alert(1)');
  const conversation = page.getByTestId('conversation').first();
  await expect(conversation).toContainText('waits since');
  const thread = page.getByTestId('thread');
  await expect(thread).toContainText('See <b>this</b>');
  const link = thread.getByRole('link');
  await expect(link).toHaveCount(1);
  await expect(link).toHaveAttribute('href', 'https://boats.example/keel');
  await expect(link).toHaveAttribute('rel', /noopener/);

  const field = page.getByLabel('Text', { exact: true });
  const parts = page.getByTestId('parts');
  await expect(parts).toContainText('1 part, 160 left');
  await field.fill('a'.repeat(161));
  await expect(parts).toContainText('2 parts, 145 left');
  await field.fill(`It’s ready${'!'.repeat(80)}`);
  await expect(parts).toContainText('2 parts');
  await page.getByRole('button', { name: "Write ' instead: 1 part" }).click();
  await expect(field).toHaveValue(`It's ready${'!'.repeat(80)}`);
  // What is being written is there again after a reload.
  await page.reload();
  await expect(field).toHaveValue(/^It's ready/);
  await field.fill('x'.repeat(1601));
  await page.getByRole('button', { name: 'Send' }).click();
  await expect(page.getByText('This is longer than 1,600 letters')).toBeVisible();
  await expect(field).toHaveValue('x'.repeat(1601));
  await field.fill('Come at noon');
  await field.press('Control+Enter');
  await expect(thread.getByRole('listitem').last()).toContainText('Come at noon');
  await expect(field).toHaveValue('');
  await expect(conversation).not.toContainText('waits since');
  // It stands in the log, too.
  await visit(page, '/messages/log');
  await page.getByLabel('What is shown').selectOption('texts');
  await expect(page.getByTestId('log-entry').first()).toContainText('Come at noon');
});

test('whoever answers STOP gets no more, and that is said where one would write', async ({ page }) => {
  await open(page, '/messages/texts');
  await textIn(page, 'stop');
  await expect(page.getByText('They answered STOP')).toBeVisible();
  await expect(page.getByLabel('Text', { exact: true })).toHaveCount(0);
  await textIn(page, 'START');
  await expect(page.getByLabel('Text', { exact: true })).toBeVisible();
});

test('a text to another number: what is wrong is said beside the field', async ({ page }) => {
  await open(page, '/messages/texts');
  await page.getByRole('button', { name: 'Write to another number' }).click();
  await page.getByLabel('To', { exact: true }).fill('12');
  await page.getByLabel('Text', { exact: true }).fill('Hello');
  await page.getByRole('button', { name: 'Send' }).click();
  await expect(page.getByLabel('To', { exact: true })).toHaveAttribute('aria-invalid', 'true');
  await page.getByLabel('To', { exact: true }).fill('(206) 555-0199');
  await page.getByRole('button', { name: 'Send' }).click();
  await expect(page.getByTestId('thread')).toContainText('Hello');
  await expect(page.getByTestId('thread')).toContainText('held back until you may text');
});
