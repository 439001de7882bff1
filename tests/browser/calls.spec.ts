/** Real calls on the demonstration: what rings, what is heard, what is left. */
import PostalMime from 'postal-mime';
import { readFileSync } from 'node:fs';
import { bench, callFrom, open, saved, setClock, withSoftphone, visit } from './bench';
import { expect, test } from './seeded';

test('a window that closes hands its calls over, and the caller notices nothing', async ({
  context,
  page,
}) => {
  const staff = await withSoftphone(context, page);
  const outside = await callFrom(context, 'Main line');
  await expect(staff.getByTestId('ringing')).toBeVisible();
  // ITU-T E.180 supplement 2, from memory: North American ringing is 440 and 480 Hz.
  expect(await staff.evaluate(() => (window as unknown as { made: number[] }).made)).toEqual([440, 480]);
  // The first window of the browser runs the switch; it is closed while the phones ring.
  await page.close();
  await staff.keyboard.press('Enter');
  await expect(staff.getByTestId('talking')).toBeVisible();
  await expect(outside.getByTestId('outside-call')).toContainText('You talk with Idris Okafor');
  await outside.getByRole('button', { name: 'Hang up' }).click();
  await expect(staff.getByText('you talked')).toBeVisible();
  // A softphone whose window is closed is no longer rung.
  await staff.close();
  const admin = await context.newPage();
  await admin.goto('/phones');
  await expect(admin.getByRole('row', { name: /Idris Okafor 202 Browser softphone/ })).toContainText(
    'Its window is closed',
  );
});

test('declining stops that person’s phones, and do not disturb keeps them silent', async ({
  context,
  page,
}) => {
  const staff = await withSoftphone(context, page);
  const outside = await callFrom(context, 'Main line');
  await expect(staff.getByTestId('ringing')).toContainText('your desk phone');
  await staff.keyboard.press('Escape');
  await expect(staff.getByTestId('ringing')).toBeHidden();
  await expect(outside.getByTestId('outside-call')).toContainText('You hear it ringing');
  await outside.getByRole('button', { name: 'Hang up' }).click();

  await staff.getByText('off', { exact: true }).click();
  await expect(staff.getByTestId('phone-state')).toContainText('do not disturb');
  await outside.getByRole('button', { name: 'Call', exact: true }).click();
  await expect(outside.getByTestId('outside-call')).toContainText('You hear it ringing');
  await outside.waitForTimeout(2500);
  await expect(staff.getByTestId('ringing')).toBeHidden();
  await outside.getByRole('button', { name: 'Hang up' }).click();
  await page.bringToFront();
  await page.goto('/messages');
  await page.getByTestId('call').first().getByRole('button').click();
  await expect(page.getByTestId('call').first()).toContainText(
    'Idris Okafor · Browser softphone: not rung, do not disturb',
  );
  // The clock is free again once no call is going on.
  await setClock(page, '2026-03-03T10:15');
  await outside.bringToFront();
  await outside.getByRole('button', { name: 'Call', exact: true }).click();
  await expect(outside.getByTestId('outside-call')).toContainText('You hear it ringing');
  await outside.getByRole('button', { name: 'Hang up' }).click();
  await expect(outside.getByTestId('outside-ended')).toContainText('rang Rosa Delgado and Ines Morel');
});

test('what a caller records is in the mailbox to be heard, and in the mail', async ({ context, page }) => {
  test.setTimeout(90_000);
  await open(page, '/');
  await setClock(page, '2026-11-24T20:00');
  const outside = await callFrom(context, 'Main line');
  await expect(outside.getByTestId('outside-call')).toContainText('The yard is closed now');
  await page.getByRole('button', { name: 'Bench' }).click();
  const bench = page.getByRole('complementary', { name: 'Bench' });
  await bench.getByRole('tab', { name: 'Clock' }).click();
  await bench.getByRole('button', { name: 'Back to real time' }).click();
  await expect(bench.getByText('A call is going on')).toBeVisible();
  await bench.getByRole('button', { name: 'Close' }).click();

  await expect(outside.getByRole('button', { name: 'Or record it' })).toBeVisible({ timeout: 40_000 });
  await outside.getByRole('button', { name: 'Or record it' }).click();
  await expect(outside.getByText('recording…')).toBeVisible();
  await outside.waitForTimeout(2500);
  await outside.getByRole('button', { name: 'Hang up' }).click();
  await expect(outside.getByTestId('outside-ended')).toContainText('message left in Front desk');

  await page.goto('/messages');
  const message = page.getByTestId('message').filter({ hasText: '(206) 555-0187' }).first();
  await expect(message).toContainText('Front desk');
  expect(await message.locator('audio').evaluate((a: HTMLAudioElement) => a.src.slice(0, 11))).toBe(
    'data:audio/',
  );
  await expect
    .poll(() => message.locator('audio').evaluate((a: HTMLAudioElement) => a.readyState))
    .toBeGreaterThan(0);
  await page.getByRole('button', { name: 'Bench' }).click();
  const letter = bench.getByRole('listitem').filter({ hasText: 'to rosa.delgado' }).first();
  await letter.getByRole('button').click();
  const download = page.waitForEvent('download');
  await letter.getByRole('button', { name: 'Save as .eml' }).click();
  const mail = await PostalMime.parse(readFileSync((await (await download).path())!));
  expect(mail.subject).toBe('Message from (206) 555-0187 in Front desk');
  expect((mail.attachments[0]!.content as ArrayBuffer).byteLength).toBeGreaterThan(500);
});

test('a plan is written with the keyboard alone', async ({ page }) => {
  await visit(page, '/answering/rosa-direct');
  const ring = page.getByRole('button', { name: /^Ring Rosa Delgado/ });
  await ring.focus();
  await page.keyboard.press('Alt+ArrowDown');
  await expect(page.getByTestId('step').nth(1)).toContainText('Ring Rosa Delgado');
  await expect(ring).toBeFocused();
  await page.keyboard.press('Alt+ArrowUp');
  await expect(page.getByTestId('step').nth(0)).toContainText('Ring Rosa Delgado');
  await page.keyboard.press('Delete');
  await expect(page.getByTestId('step')).toHaveCount(1);
  await page.keyboard.press('Control+z');
  await expect(page.getByTestId('step')).toHaveCount(2);
});

test('a number gets its emergency address', async ({ page }) => {
  await visit(page, '/numbers#n-charters');
  const site = page.getByLabel('Site', { exact: true });
  await site.selectOption('no site');
  await expect(page.getByRole('link', { name: 'Numbers 1 to fix' })).toBeVisible();
  await expect(page.getByTestId('saved')).toHaveText('Saved');
  await visit(page, '/numbers/sites');
  await page.getByLabel('A new site').fill('Charter dock');
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByText('Street is missing').first()).toBeVisible();
  await expect(page.getByRole('link', { name: 'Numbers 2 to fix' })).toBeVisible();
  for (const [label, text] of [
    ['House number', '7'],
    ['Street', 'Dock Street'],
    ['City', 'Port Ansel'],
    ['State', 'WA'],
    ['ZIP code', '98300'],
  ] as const) {
    await page.getByLabel(label, { exact: true }).fill(text);
    await page.getByLabel(label, { exact: true }).blur();
  }
  await expect(page.getByTestId('saved')).toHaveText('Saved');
  await visit(page, '/numbers#n-charters');
  await site.selectOption('Charter dock');
  await expect(page.getByRole('link', { name: 'Numbers 6 held' })).toBeVisible();
});

test('the bench clock runs ten times as fast, a call with it, and stays as it is while one goes on', async ({
  context,
  page,
}) => {
  await open(page, '/');
  await setClock(page, '2026-11-24T20:00');
  const drawer = await bench(page, 'Clock');
  const fast = drawer.locator('label', { hasText: 'Ten times as fast' });
  const toggle = drawer.getByRole('switch', { name: 'Ten times as fast' });
  await fast.click();
  await expect(toggle).toBeChecked();
  await saved(page);
  // Half a minute of the bench is three seconds of whoever waits for it.
  await expect(drawer.getByText(/^It is/)).toContainText('20:00:3', { timeout: 8000 });

  const outside = await callFrom(context, 'Main line');
  await expect(outside.getByTestId('outside-call')).toContainText('Speak now');
  await page.bringToFront();
  await fast.click();
  await expect(drawer.getByText('A call is going on')).toBeVisible();
  await expect(toggle).toBeChecked();
  await outside.getByRole('button', { name: 'Hang up' }).click();
  await expect(outside.getByTestId('outside-ended')).toBeVisible();
  // The switch may still be storing the end of it.
  await expect(async () => {
    await fast.click();
    await expect(toggle).not.toBeChecked({ timeout: 1000 });
  }).toPass();
});
