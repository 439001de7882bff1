/** One current picture of each main view, from the demonstration, into docs/screenshots. */
import { test, type Page } from '@playwright/test';
import { codeInLetter, setClock, setUpPhone } from '../browser/bench';

const folder = 'docs/screenshots';
const shot = async (page: Page, name: string) => {
  // Fonts, the last redraw, and notices that come in.
  await page.waitForTimeout(700);
  await page.screenshot({ path: `${folder}/${name}.png` });
};

test('pictures of the demonstration', async ({ context, page }) => {
  test.setTimeout(180_000);
  await page.goto('/');
  await setClock(page, '2026-11-24T10:15');
  await page.getByRole('button', { name: 'Businesses and files' }).click();
  await page.getByRole('menuitem', { name: 'Reset the demonstration' }).click();
  await page.getByText('as it was on the first day').waitFor();
  await page.goto('/');
  await shot(page, 'overview');
  for (const view of ['hours', 'people/rosa', 'phones']) {
    await page.goto(`/${view}`);
    await shot(page, view.split('/')[0]!);
  }

  await page.goto('/numbers#n-main');
  await shot(page, 'numbers');
  await page.goto('/numbers/sites');
  await shot(page, 'sites');
  await page.goto('/numbers/dialling');
  await page.getByLabel('Digits, one after the other').fill('9 1 360 555 0142');
  await shot(page, 'dialling');
  await page.goto('/numbers/costs');
  await shot(page, 'costs');
  await page.goto('/numbers/texting');
  await page.getByLabel('To', { exact: true }).fill('206 555 0134');
  await page.getByLabel('Text', { exact: true }).fill('Your boat is ready. Reply STOP to end.');
  await page.getByRole('button', { name: 'Send', exact: true }).click();
  await shot(page, 'texting');
  await page.goto('/numbers/get');
  await page.getByLabel('Area code or city').fill('360');
  const offers = page.getByRole('list', { name: 'Numbers on offer' }).getByRole('listitem');
  for (const e164 of ['(360) 555-0123', '(360) 555-0155'])
    await offers.filter({ hasText: e164 }).getByRole('button', { name: /^Take/ }).click();
  await page.getByRole('list', { name: 'Numbers set aside' }).getByRole('listitem').nth(1).waitFor();
  await shot(page, 'get-a-number');
  await page.goto('/numbers/bring');
  const form = page.locator('form', { hasText: 'Ask for a number' });
  for (const [label, text] of [
    ['The number to bring over', '360 555 0133'],
    ['Present provider', 'Tidewater Telecom'],
    ['Account number there', '44017731'],
    ['Name on the bill', 'Lantern Cove Boatworks'],
    ['Address on the bill', '12 Lantern Cove Road'],
  ] as const)
    await form.getByLabel(label).fill(text);
  await form.getByRole('button', { name: 'Send the request' }).click();
  await page.locator('article', { hasText: '(360) 555-0133' }).waitFor();
  await page.locator('h1').scrollIntoViewIfNeeded();
  await page.evaluate(() => scrollTo(0, 0));
  await shot(page, 'bring-a-number');
  // The pictures that follow are of the demonstration as it is on a first visit.
  await page.getByRole('button', { name: 'Businesses and files' }).click();
  await page.getByRole('menuitem', { name: 'Reset the demonstration' }).click();
  await page.getByText('as it was on the first day').waitFor();

  await page.goto('/answering/main?step=main-front');
  await page.getByLabel('For how many seconds').fill('24');
  await page.getByLabel('Who does something').selectOption('Ines Morel');
  await shot(page, 'answering');
  await page.goto('/changes');
  await page.getByRole('button', { name: 'Show the ring charts' }).first().click();
  await shot(page, 'changes');

  // Idris pairs his softphone; a customer calls Rosa's colleagues, and later leaves a message.
  await page.goto('/people/idris');
  await page.getByRole('button', { name: /^Invite Idris/ }).click();
  await page.getByRole('button', { name: /Your phone at Lantern Cove/ }).click();
  await shot(page, 'bench');
  const code = await codeInLetter(page);
  const staff = await context.newPage();
  await staff.setViewportSize({ width: 390, height: 800 });
  await staff.goto('/phone');
  await staff.getByLabel('Business number').fill('(360) 555-0142');
  await staff.getByLabel('Six-digit code').fill(code);
  await staff.getByRole('button', { name: 'Pair', exact: true }).click();
  await setUpPhone(staff);
  await staff.getByText('this phone is ready').waitFor();
  await shot(staff, 'staff-phone');

  const outside = await context.newPage();
  await outside.setViewportSize({ width: 390, height: 800 });
  await outside.goto('/bench/phone?business=lantern-cove');
  await outside.getByRole('button', { name: 'Main line' }).click();
  await outside.getByRole('button', { name: 'Call', exact: true }).click();
  await staff.getByTestId('ringing').waitFor();
  await shot(staff, 'staff-phone-ringing');
  await shot(outside, 'outside-phone');
  await staff.getByRole('button', { name: /^Answer/ }).click();
  await staff.waitForTimeout(1500);
  await staff.getByRole('button', { name: 'Hang up' }).click();
  await outside.getByTestId('outside-ended').waitFor();
  await page.goto('/messages');
  await page.getByTestId('call').first().getByRole('button').click();
  await shot(page, 'messages');
});
