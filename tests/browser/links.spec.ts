/** Links to numbers, what calls go out of, and a call that comes in while another window hides the phone. */
import { expect } from '@playwright/test';
import { open, toSection } from './bench';
import { call, IDRIS, outsidePhone, staffPhone, test } from './talking';

test('a link to a number goes to the phone of this browser, or to its window that is open', async ({
  context,
  page,
}) => {
  await open(page, '/messages');
  // No phone was open in this browser yet.
  const [first] = await Promise.all([
    context.waitForEvent('page'),
    page.getByTestId('message').getByRole('link', { name: '(206) 555-0134' }).click(),
  ]);
  await expect(first.getByRole('heading', { name: 'No phone is set up in this browser' })).toBeVisible();
  await first.close();

  const idris = await staffPhone(context, IDRIS);
  const field = idris.getByRole('combobox', { name: 'Call a name, extension or number' });
  await page.getByTestId('message').getByRole('link', { name: '(206) 555-0134' }).click();
  await expect(field).toHaveValue('+12065550134');
  await field.fill('');
  await toSection(idris, 'Messages');
  // The same from a message on the phone itself, and from another page that hands over a link as RFC 3966 writes it.
  await idris.getByTestId('message').getByRole('link', { name: '(206) 555-0134' }).click();
  await expect(field).toHaveValue('+12065550134');
  await idris.close();
  const handed = await context.newPage();
  await handed.goto(`/call?to=${encodeURIComponent('tel:+1-604-555-0126;ext=3')}`);
  await expect(handed.getByRole('combobox', { name: 'Call a name, extension or number' })).toHaveValue(
    '+1-604-555-0126',
  );
  await expect(handed.getByRole('option').first()).toContainText('604');
});

test('calls go out of the desk phone, which rings first; what comes in is silent in this window', async ({
  context,
  page,
}) => {
  await page.goto('/');
  const idris = await staffPhone(context, IDRIS);
  await toSection(idris, 'Me');
  await idris
    .getByLabel('Calls from here go out of')
    .selectOption({ label: 'my desk phone, which rings first' });
  await expect(idris.getByText('they ring at your desk phone')).toBeVisible();
  await idris.close();

  const again = await staffPhone(context, IDRIS);
  await toSection(again, 'Call');
  // It is remembered. Somebody calls Idris: his desk phone rings, and is answered from here.
  const outside = await outsidePhone(context, '+16045550126');
  await outside.getByLabel('Number to call').fill('360 555 0142');
  await outside.getByRole('button', { name: 'Call', exact: true }).click();
  await expect(again.getByTestId('silent-here')).toContainText('It rings at your desk phone');
  await again.getByRole('button', { name: 'Answer on your desk phone' }).click();
  await expect(again.getByTestId('near')).toContainText('talks with you on your desk phone');
  await again.getByRole('button', { name: 'Take it here' }).click();
  await expect(again.getByTestId('talking')).toContainText('talked');

  await again.getByRole('button', { name: /^Hang up/ }).click();
  await call(again, '206 555 0134');
  await expect(again.getByText('Your desk phone rings: lifting it calls (206) 555-0134')).toBeVisible();
});
