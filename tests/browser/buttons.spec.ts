/** Call buttons: seen and copied, on a plain page of another site, and what visitors do there. */
import { open, putInForce, setClock, visit, withSoftphone } from './bench';
import { expect, test } from './seeded';

test('a button is set with a sight of it, its contrast is told, and what is typed is text on a plain page', async ({
  page,
  context,
}) => {
  await open(page, '/by-itself/buttons');
  const card = page.getByRole('region', { name: 'Button on the site' });
  await expect(card.getByTestId('button-look')).toContainText('Call the yard');
  await expect(card).toContainText('it can be read');
  await card.getByLabel('Words', { exact: true }).fill('#804030');
  await expect(card).toContainText('it takes 4.5 to be read by most');
  await page.getByRole('heading', { name: 'Call buttons' }).click();
  await page.keyboard.press('Control+z');
  await expect(card).toContainText('it can be read');
  await card.getByLabel('What stands on it').fill('<img src=x> Call "us"');
  await card.getByLabel('What stands on it').press('Tab');
  await expect(card.getByLabel('HTML for your site')).toHaveValue(/&#60;img src=x&#62;/);
  const [plain] = await Promise.all([
    context.waitForEvent('page'),
    card.getByRole('link', { name: 'See it on a plain page' }).click(),
  ]);
  await expect(plain.getByRole('link', { name: '<img src=x> Call "us"' })).toBeVisible();
  await expect(plain.getByRole('img')).toHaveCount(0);
  await expect(plain.getByRole('link', { name: '(360) 555-0142' })).toHaveAttribute(
    'href',
    'tel:+13605550142',
  );
  const [there] = await Promise.all([
    context.waitForEvent('page'),
    plain.getByRole('link', { name: '<img src=x> Call "us"' }).click(),
  ]);
  await expect(there.getByRole('heading', { name: 'Lantern Cove Boatworks' })).toBeVisible();
});

test('a visitor calls, asks to be called back and books; outside the hours it says so', async ({
  page,
  context,
}) => {
  const staff = await withSoftphone(context, page);
  const there = await context.newPage();
  await there.goto('/visit?business=lantern-cove&button=site-button&dial=%2B13605550142');
  await there.getByRole('button', { name: 'Call the yard' }).click();
  await staff
    .getByRole('button', { name: /^Answer/ })
    .first()
    .click();
  await expect(there.getByTestId('visit-call')).toContainText('You are connected.');
  await there.getByRole('button', { name: 'Hang up' }).click();
  await expect(there.getByTestId('visit-ended')).toContainText('The call is over.');
  await there.getByRole('button', { name: 'Be called back' }).click();
  const form = there.getByRole('form');
  await form.getByLabel('Your name').fill('Ada Ferris');
  await form.getByLabel('Your number').fill('soon');
  await form.getByRole('button', { name: 'Ask for it' }).click();
  await expect(form.getByText('has letters in it. Type the digits.')).toBeVisible();
  // What was typed is there after a reload.
  await form.getByLabel('Your number').fill('(206) 555-0101');
  await there.reload();
  await there.getByRole('button', { name: 'Be called back' }).click();
  await expect(form.getByLabel('Your name')).toHaveValue('Ada Ferris');
  // On a day of their own: typed, or chosen from a month of the business's country.
  const day = form.getByLabel(/^On which day/);
  await day.fill('fryday');
  await form.getByRole('button', { name: 'Ask for it' }).click();
  await expect(form.getByText('Write a day, such as 24 Nov or tomorrow.')).toBeVisible();
  await day.fill('tomorrow');
  await day.press('Tab');
  await expect(day).toHaveValue('Wed 25 Nov 2026');
  await form.getByLabel('Choose in a calendar').click();
  await there.getByRole('button', { name: 'Friday, November 27, 2026' }).click();
  await expect(day).toHaveValue('Fri 27 Nov 2026');
  await form.getByRole('button', { name: 'Ask for it' }).click();
  await expect(there.getByRole('status')).toContainText('Thank you: one of us calls you that day.');
  await there.getByRole('button', { name: 'Book a time' }).click();
  await form.getByRole('button', { name: 'Book it' }).click();
  await expect(there.getByRole('status')).toContainText(/Booked: .* Write OFF \d{5}/);
  await visit(page, '/by-itself/tasks');
  await expect(page.getByRole('main')).toContainText('Call back Ada Ferris');
  await expect(page.getByRole('main')).toContainText('Fri 27 Nov 2026');
  await visit(page, '/by-itself/bookings');
  await expect(page.getByTestId('booking')).toContainText('Ada Ferris');
  const other = await context.newPage();
  await open(other, '/by-itself/buttons');
  await setClock(other, '2026-11-24T22:00');
  await there.reload();
  await expect(there.getByRole('status')).toContainText('The office is closed.');
  await expect(there.getByRole('status')).toContainText('Open again Wednesday, 25 November 2026 at 08:00.');
  await expect(there.getByRole('button', { name: 'Leave a message' })).toBeVisible();
});

test('a button that is not there leads to the number, and nothing of the business is shown', async ({
  page,
}) => {
  await open(page, '/by-itself/buttons');
  await page.getByRole('button', { name: 'Remove Button on the site' }).click();
  await putInForce(page);
  await page.goto('/visit?business=lantern-cove&button=site-button&dial=%2B13605550142');
  await expect(page.getByRole('heading', { name: 'Not reachable from here' })).toBeVisible();
  await expect(page.getByRole('link', { name: '+13605550142' })).toHaveAttribute('href', 'tel:+13605550142');
  await page.goto('/visit?business=gone&button=x&dial=javascript:1');
  await expect(page.getByRole('heading', { name: 'Not reachable from here' })).toBeVisible();
  await expect(page.getByRole('link')).toHaveCount(0);
});
