/** Serving a queue from a phone, what colleagues see of one another, and being rung when somebody is free. */
import { expect } from '@playwright/test';
import { open, saved, toSection } from './bench';
import { call, IDRIS, JONAH, outsidePhone, staffPhone, test } from './talking';

const answer = { name: /^Answer/ };

test('whoever serves a queue logs out and in, pauses with a reason, and sees who waits', async ({
  context,
  page,
}) => {
  await open(page, '/answering/queues');
  const idris = await staffPhone(context, IDRIS);
  await toSection(idris, 'Me');
  const serving = idris.getByTestId('serving');
  await expect(serving).toContainText('you take its calls');
  await expect(serving).toContainText('nobody waits');
  await serving.getByRole('button', { name: 'Pause…' }).click();
  await serving.getByLabel('Why').selectOption('a meal');
  await expect(serving).toContainText('paused: a meal');
  // The administration sees it, and may end it.
  const card = page.getByRole('region', { name: 'Front desk' });
  await expect(card).toContainText('paused: a meal');
  await expect(card).toContainText('set by Idris Okafor');
  await card.getByRole('button', { name: 'Take calls again' }).click();
  await expect(serving).toContainText('you take its calls');

  await serving.getByRole('button', { name: 'Log out' }).click();
  await expect(serving).toContainText('logged out');
  await idris.getByText('Silent for an hour').click();
  await expect(idris.getByTestId('phone-state')).toContainText('do not disturb');
  await serving.getByRole('button', { name: 'Log in' }).click();
  await expect(serving).toContainText('Before its calls reach you');
  await expect(serving).toContainText('Do not disturb is on');
  await serving.getByRole('button', { name: 'Switch it off' }).click();
  await serving.getByRole('button', { name: 'Log in' }).click();
  await expect(serving).toContainText('you take its calls');

  await page.getByLabel('Paused after calls missed in a row').selectOption('2');
  await saved(page);
  await page.reload();
  await expect(page.getByLabel('Paused after calls missed in a row')).toHaveValue('2');
});

test('a word of one’s own is seen by colleagues; whoever is busy is called when free', async ({
  context,
  page,
}) => {
  await page.goto('/');
  const idris = await staffPhone(context, IDRIS);
  await toSection(idris, 'Me');
  await idris.getByLabel('A word of your own').fill('in the paint shop');
  await idris.getByRole('button', { name: 'Say it' }).click();
  const jonah = await staffPhone(context, JONAH);
  const field = jonah.getByRole('combobox', { name: 'Call a name, extension or number' });
  await field.fill('idr');
  await expect(jonah.getByRole('option').first()).toContainText('free · “in the paint shop”');
  await field.fill('');

  // Idris is not to be disturbed: Jonah cannot reach him, and is rung when that ends.
  await idris.getByText('Silent for an hour').click();
  await expect(idris.getByTestId('phone-state')).toContainText('do not disturb');
  await call(jonah, '202');
  // His mailbox takes it: Jonah leaves nothing there.
  await jonah.getByRole('button', { name: /Stop calling/ }).click();
  await jonah.getByRole('button', { name: 'Ring me when Idris Okafor is free' }).click();
  await expect(jonah.getByTestId('wanted')).toContainText('rings when Idris Okafor is free, until');
  await idris.getByText('on: no phone of yours rings').click();
  await jonah.getByTestId('ringing').getByRole('button', { name: 'Lift and call' }).click();
  await idris.getByTestId('ringing').getByRole('button', answer).click();
  await expect(jonah.getByTestId('talking')).toContainText('talked');
  await expect(jonah.getByTestId('wanted')).toHaveCount(0);
});

test('a line that several answer shows what goes on there, and is taken back from hold by another', async ({
  context,
  page,
}) => {
  await open(page, `/phones/${IDRIS}`);
  const lines = page.getByTestId('lines-on-it');
  await expect(lines).toContainText('Rosa Delgado');
  const idris = await staffPhone(context, IDRIS);
  const line = idris.getByTestId('line').filter({ hasText: 'Winter store' });
  await expect(line).toContainText('free');
  // From where people are put to the line, it stands on the phone at once after it is in force.
  const jonah = await staffPhone(context, JONAH);
  const outside = await outsidePhone(context, '+12065550187');
  await outside.getByLabel('Number to call').fill('+15095550118');
  await outside.getByRole('button', { name: 'Call', exact: true }).click();
  await jonah.getByTestId('ringing').getByRole('button', answer).click();
  await expect(line).toContainText('on a call: Jonah Achterberg');
  await expect(line.getByRole('button')).toHaveCount(0);
  await jonah.getByTestId('talking').press('h');
  await expect(line).toContainText('held by Jonah Achterberg');
  await line.getByRole('button', { name: 'Take back' }).click();
  await expect(idris.getByTestId('talking')).toContainText('talked');
  await expect(jonah.getByTestId('line').filter({ hasText: 'Winter store' })).toContainText(
    'on a call: Idris Okafor',
  );
  await expect(jonah.getByTestId('talking')).toHaveCount(0);
});

test('who waits is sent on from the live board, and is first in the queue again where nobody takes the call', async ({
  context,
  page,
}) => {
  await open(page, '/figures');
  const idris = await staffPhone(context, IDRIS);
  const jonah = await staffPhone(context, JONAH);
  await call(jonah, '310');
  const row = page.getByTestId('board-calls').getByRole('listitem').filter({ hasText: 'Jonah Achterberg' });
  await expect(row).toContainText('waits in Front desk');
  const send = async () => {
    await row.getByRole('button', { name: 'Send Jonah Achterberg on' }).click();
    const field = page.getByRole('combobox', { name: 'Send Jonah Achterberg on to' });
    await expect(field).toBeFocused();
    await field.fill('Idris');
    await page.getByRole('option').first().waitFor();
    await field.press('Enter');
    await expect(field).toHaveCount(0);
  };
  await send();
  const ringing = idris.getByTestId('ringing');
  await expect(ringing).toContainText('If you do not take it, it goes back to Front desk.');
  await ringing.getByRole('button', { name: /^Not now/ }).click();
  await expect(ringing).toHaveCount(0);
  await expect(row).toContainText('waits in Front desk');
  await send();
  await expect(ringing).toContainText('goes back to Front desk');
  await ringing.getByRole('button', answer).click();
  await expect(row).toContainText('talks with Idris Okafor');
  await expect(row.getByRole('button', { name: /on$/ })).toHaveCount(0);
  // What was done stands in the log with the call.
  await jonah
    .getByTestId('talking')
    .getByRole('button', { name: /^Hang up/ })
    .click();
  await expect(page.getByText('Nobody calls.')).toBeVisible();
});
