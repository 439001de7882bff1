/** Calls abroad: who may, what it costs before it is dialled, and credit that is counted. */
import { expect } from '@playwright/test';
import { open, saved } from './bench';
import { call, IDRIS, JONAH, staffPhone, test } from './talking';

const PARIS = '9 011 33 1 99 00 12 34';

test('who may not call abroad is told so before dialling; who may sees what it costs, and it is counted', async ({
  context,
  page,
}) => {
  await open(page, '/numbers/dialling');
  const card = page.getByTestId('calls-abroad');
  await card.getByLabel('Who may call abroad', { exact: true }).selectOption('some');
  await card.getByRole('combobox', { name: 'Who may call abroad: people' }).click();
  await card.getByRole('option', { name: /Idris Okafor/ }).click();
  await page.keyboard.press('Escape');
  await saved(page);
  await page.goto('/changes');
  await page.getByRole('button', { name: 'Put in force', exact: true }).click();
  await expect(page.getByText('In force: callers get this')).toBeVisible();

  const jonah = await staffPhone(context, JONAH);
  const field = (phone: typeof jonah) =>
    phone.getByRole('combobox', { name: 'Call a name, extension or number' });
  await field(jonah).fill(PARIS);
  await expect(jonah.getByTestId('call-field')).toContainText('This phone may not call abroad.');

  const idris = await staffPhone(context, IDRIS);
  await field(idris).fill(PARIS);
  await expect(idris.getByTestId('call-field')).toContainText('Abroad, to France: $0.03 a minute');
  await open(page, '/numbers/costs');
  const credit = page.getByTestId('credit');
  await credit.getByLabel('Put up credit, in USD').fill('5');
  await credit.getByRole('button', { name: 'Put it up' }).click();
  await expect(credit).toContainText('$5.00 left of $5.00');

  await call(idris, PARIS);
  await expect(idris.getByTestId('talking')).toContainText('calling');
  await idris.getByRole('button', { name: /Stop calling/ }).click();
  await expect(idris.getByTestId('talking')).toHaveCount(0);
  // Nobody answered: it cost nothing.
  await expect(credit).toContainText('$5.00 left of $5.00');
});
