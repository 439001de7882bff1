/** Talking on staff phones: calling, holding, handing on, adding, parking, and outside phones that are called. */
import { expect } from '@playwright/test';
import { bench, open } from './bench';
import { call, IDRIS, JONAH, outsidePhone, staffPhone, test } from './talking';
import type { Page } from '@playwright/test';

const wire = (phone: Page) => phone.getByTestId('wire').getByRole('listitem');
const act = (phone: Page, words: string | RegExp) =>
  phone.getByTestId('talking').getByRole('button', { name: words });
const answer = (phone: Page) =>
  phone
    .getByTestId('ringing')
    .getByRole('button', { name: /^Answer/ })
    .click();

declare global {
  interface Window {
    listened: { opened: number; received: string };
  }
}
/** Writes down what a window is sent, and whether it opens a database. */
const listened = (phone: Page) =>
  phone.addInitScript(() => {
    window.listened = { opened: 0, received: '' };
    const open = indexedDB.open.bind(indexedDB);
    indexedDB.open = (...args) => {
      window.listened.opened++;
      return open(...args);
    };
    window.BroadcastChannel = class extends BroadcastChannel {
      constructor(name: string) {
        super(name);
        this.addEventListener('message', (e) => (window.listened.received += JSON.stringify(e.data)));
      }
    };
  });

test('a colleague is called by name, and held, and taken back by key; without a microphone one types', async ({
  context,
  page,
}) => {
  await page.goto('/');
  const jonah = await staffPhone(context, JONAH, async (phone) => {
    await phone.addInitScript(() => {
      navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException('no', 'NotFoundError'));
    });
    await listened(phone);
  });
  const idris = await staffPhone(context, IDRIS);
  const field = jonah.getByRole('combobox', { name: 'Call a name, extension or number' });
  await field.fill('idr');
  await expect(jonah.getByRole('option')).toContainText([/Idris Okafor\s*202/]);
  await expect(jonah.getByRole('option').first()).toContainText('free');
  await field.press('Enter');
  await expect(jonah.getByTestId('talking')).toContainText('calling');
  await expect(idris.getByTestId('ringing')).toContainText('Jonah Achterberg');
  await answer(idris);
  await expect(wire(jonah).first()).toContainText('Idris Okafor');
  await expect(jonah.getByTestId('talking')).toContainText('talked');
  await expect(jonah.getByTestId('sound')).toContainText('No microphone was found');
  await jonah.getByRole('button', { name: 'Type instead of speaking' }).click();
  await jonah.getByLabel('Type instead of speaking').fill('Hello from a quiet place');
  await jonah.getByLabel('Type instead of speaking').press('Enter');
  await expect(idris.getByTestId('words')).toContainText('Hello from a quiet place');

  await idris.keyboard.press('?');
  await expect(idris.getByRole('dialog', { name: 'Keys' })).toContainText('In a call: transfer');
  await idris.keyboard.press('Escape');
  await expect(idris.getByRole('dialog', { name: 'Keys' })).toHaveCount(0);
  await expect(idris.getByTestId('talking')).toBeVisible();
  await idris.keyboard.press('h');
  await expect(wire(jonah).first()).toHaveAttribute('data-state', 'holds');
  await expect(wire(idris).first()).toContainText('hears music');
  await idris.keyboard.press('h');
  await expect(wire(idris).first()).toHaveAttribute('data-state', 'talks');
  await idris.keyboard.press('Escape');
  await expect(jonah.getByTestId('talking')).toHaveCount(0);

  // The phone knows what it is told, and is told no private number and no message of others; it opens no database.
  const { opened, received } = await jonah.evaluate(() => window.listened);
  expect(opened).toBe(0);
  expect(received).toContain('Idris Okafor');
  expect(received).not.toContain('+13605550188');
  expect(received).not.toContain('The timber is here');
});

test('a caller is passed on after a word, and at once, and comes back where nobody takes them', async ({
  context,
  page,
}) => {
  await page.goto('/');
  const jonah = await staffPhone(context, JONAH);
  const idris = await staffPhone(context, IDRIS);
  const outside = await outsidePhone(context, '(360) 555-0134');
  await outside.getByRole('button', { name: 'Winter store', exact: true }).click();
  await outside.getByRole('button', { name: 'Call', exact: true }).click();
  await answer(jonah);
  await expect(outside.getByTestId('outside-call')).toContainText('You talk with Jonah Achterberg');

  await act(jonah, 'Transfer…').click();
  await jonah.getByRole('combobox', { name: /^Transfer to/ }).fill('idris');
  await jonah.getByRole('combobox', { name: /^Transfer to/ }).press('Enter');
  await jonah.getByRole('button', { name: 'After a word' }).click();
  await expect(outside.getByTestId('outside-call')).toContainText('You are held, and hear music');
  await expect(jonah.getByTestId('ahead')).toContainText('comes back to you where nobody answers');
  await answer(idris);
  await expect(act(jonah, 'All three together')).toBeVisible();
  await act(jonah, /^Put .* through/).click();
  await expect(outside.getByTestId('outside-call')).toContainText('You talk with Idris Okafor');
  await expect(jonah.getByTestId('talking')).toHaveCount(0);

  // Back at once, to Jonah's mailbox-less phone: declined, it comes back to Idris.
  await act(idris, 'Transfer…').click();
  await idris.getByRole('combobox', { name: /^Transfer to/ }).fill('212');
  await idris.getByRole('combobox', { name: /^Transfer to/ }).press('Enter');
  await idris.getByRole('button', { name: 'Transfer at once' }).click();
  await expect(jonah.getByTestId('ringing')).toBeVisible();
  await jonah
    .getByTestId('ringing')
    .getByRole('button', { name: /^Not now/ })
    .click();
  await expect(idris.getByTestId('ringing')).toBeVisible();
  await answer(idris);
  await expect(outside.getByTestId('outside-call')).toContainText('You talk with Idris Okafor');
  await act(idris, 'Hang up').click();
  await expect(outside.getByTestId('outside-ended')).toContainText(
    'Jonah Achterberg passed it on to Idris Okafor',
  );
});

test('an outside number is called, sees what was chosen, and its keys are heard of', async ({
  context,
  page,
}) => {
  await page.goto('/');
  const idris = await staffPhone(context, IDRIS);
  const outside = await outsidePhone(context, '(604) 555-0126');
  const field = idris.getByRole('combobox', { name: 'Call a name, extension or number' });
  await field.fill('+1 604 555 0126');
  await expect(idris.getByTestId('shows')).toBeVisible();
  await idris.getByTestId('shows').selectOption('a hidden number');
  await field.press('Enter');
  await expect(outside.getByTestId('outside-ringing')).toContainText('a hidden number');
  await outside.getByRole('button', { name: 'Lift' }).click();
  await expect(outside.getByTestId('outside-talking')).toContainText('You talk with Idris Okafor');
  await outside.getByTestId('listens-for-tones').waitFor({ state: 'attached' });
  await act(idris, /^Keypad/).click();
  for (const key of ['4', '7', '#'])
    await idris.getByRole('button', { name: `Key ${key}`, exact: true }).click();
  await expect(idris.getByRole('status', { name: 'Keys pressed' })).toHaveText('47#');
  // They went as tones, and were read at the other end.
  await expect(outside.getByTestId('tones')).toContainText('47#');
  await outside.getByRole('button', { name: 'Hang up' }).click();
  await expect(idris.getByTestId('talking')).toHaveCount(0);
  // Help is never called without knowing where it would be sent.
  await field.fill('911');
  await expect(idris.getByTestId('before-dialling')).toContainText('Help is sent to 12 Lantern Cove Road');
});

test('a call is parked and fetched by another phone; a third party joins', async ({ context, page }) => {
  await page.goto('/');
  const jonah = await staffPhone(context, JONAH);
  const idris = await staffPhone(context, IDRIS);
  const outside = await outsidePhone(context, '(360) 555-0134');
  await outside.getByRole('button', { name: 'Winter store', exact: true }).click();
  await outside.getByRole('button', { name: 'Call', exact: true }).click();
  await answer(jonah);
  await act(jonah, /^Park on 280/).click();
  await expect(outside.getByTestId('outside-call')).toContainText('You wait, and hear music');
  await expect(idris.getByTestId('near')).toContainText('waits on 280');
  await idris.getByRole('button', { name: 'Fetch' }).click();
  await expect(outside.getByTestId('outside-call')).toContainText('You talk with Idris Okafor');
  await act(idris, 'Add…').click();
  await idris.getByRole('combobox', { name: /^Add/ }).fill('jonah');
  await idris.getByRole('combobox', { name: /^Add/ }).press('Enter');
  await answer(jonah);
  await expect(wire(idris)).toHaveCount(3);
  await expect(outside.getByTestId('outside-call')).toContainText(
    'You talk with Idris Okafor and Jonah Achterberg',
  );
  await act(idris, 'Hang up').click();
  await expect(outside.getByTestId('outside-call')).toContainText('You talk with Jonah Achterberg');
  await act(jonah, 'Hang up').click();
  await expect(outside.getByTestId('outside-ended')).toBeVisible();
});

test('an outside phone that nobody sits at does what is set for it on the bench', async ({
  context,
  page,
}) => {
  await page.goto('/');
  await page.getByRole('heading', { name: 'Who answers, this week' }).waitFor();
  const drawer = await bench(page, 'Outside');
  await drawer.getByLabel('Outside number', { exact: true }).fill('604 555 012');
  await drawer.getByRole('button', { name: 'Set', exact: true }).click();
  await expect(drawer.getByText(/too short|not a number|digits/i).first()).toBeVisible();
  await drawer.getByLabel('Outside number', { exact: true }).fill('604 555 0126');
  await drawer.getByLabel('What it does').selectOption('is busy');
  await drawer.getByRole('button', { name: 'Set', exact: true }).click();
  await expect(drawer.getByRole('list', { name: 'What outside phones do' })).toContainText(
    '(604) 555-0126 is busy',
  );
  const idris = await staffPhone(context, IDRIS);
  await call(idris, '604 555 0126');
  await expect(idris.getByTestId('call-ended')).toHaveText('(604) 555-0126: busy.');
});

test('a rehearsal goes on after the answer, and is kept as a promise', async ({ page }) => {
  await page.goto('/');
  await open(page, '/answering/rehearsal');
  await page.getByLabel('Number called').selectOption({ label: 'Rosa Delgado, direct · (360) 555-0171' });
  await page.getByLabel('What Rosa Delgado does').selectOption('answers');
  await page.getByRole('button', { name: 'Somebody transfers, holds, parks…' }).click();
  const act = page.getByRole('group', { name: 'Act 1' });
  await act.getByLabel('Who acts, 1').selectOption('Rosa Delgado');
  await act.getByLabel('To whom, 1').selectOption('Pia Lindqvist');
  await expect(page.getByText('Rosa Delgado passed it on to Pia Lindqvist').first()).toBeVisible();
  await expect(page.getByText(/back at Rosa Delgado: nobody answered/).first()).toBeVisible();
});
