/** The staff's side of a phone: pairing it, what it asks for, what it says when it is not ready. */
import type { BrowserContext, Page } from '@playwright/test';
import { codeInLetter, open, saved, setUpPhone, toSection } from './bench';
import { expect, test } from './seeded';

/** Invites Jonah and follows the link of his letter in a window of its own. */
async function followed(
  context: BrowserContext,
  page: Page,
  before?: (staff: Page) => Promise<unknown>,
): Promise<Page> {
  await open(page, '/people/jonah');
  await page.getByRole('button', { name: /^Invite/ }).click();
  await page.getByRole('button', { name: 'Open the mail' }).click();
  await page.getByRole('button', { name: /Your phone at Lantern Cove/ }).click();
  const code = await codeInLetter(page);
  const drawer = page.getByRole('complementary', { name: 'Bench' });
  const link = (await drawer.getByRole('link', { name: 'Open the link' }).getAttribute('href'))!;
  expect(link).toContain(`code=${code}`);
  await drawer.getByRole('button', { name: 'Close' }).click();
  const staff = await context.newPage();
  await staff.setViewportSize({ width: 390, height: 780 });
  await before?.(staff);
  await staff.goto(link);
  // Opening the link pairs nothing yet: programs that look into mail open links.
  await expect(staff.getByText('Read from the link.')).toBeVisible();
  await expect(page.getByText('Not paired yet')).toBeVisible();
  await staff.getByRole('button', { name: 'Pair', exact: true }).click();
  return staff;
}

test('setting up: microphone, a level that moves, a tone, and another address than the site’s', async ({
  context,
  page,
}) => {
  const staff = await followed(context, page);
  const steps = staff.getByTestId('set-up');
  await expect(steps).toContainText('1 of 5: Microphone');
  await expect(steps).toContainText('So that callers hear you.');
  await steps.getByRole('button', { name: /^(Allow the microphone|Go on)$/ }).click();
  await expect(steps).toContainText('So that a call shows while you look at another window.');
  await steps.getByRole('button', { name: /^(Later|Go on)$/ }).click();
  const listen = steps.getByRole('button', { name: 'Listen' });
  if (await listen.isVisible()) await listen.click();
  // The browser's stand-in microphone beeps.
  await expect
    .poll(async () => Number(await steps.getByTestId('level').getAttribute('value')), { timeout: 10_000 })
    .toBeGreaterThan(0.1);
  expect(await steps.getByLabel('Microphone').locator('option').count()).toBeGreaterThan(1);
  await steps.getByRole('button', { name: 'Play a tone on Where it rings' }).click();
  await expect(steps.getByRole('alert')).toHaveCount(0);
  await steps.getByRole('button', { name: 'It works' }).click();
  await expect(steps).toContainText('3 Old Mill Lane, Drayhorse');
  await steps.getByRole('button', { name: 'I am elsewhere' }).click();
  await steps.getByRole('button', { name: 'This is where I am' }).click();
  await expect(steps.getByText('Street is missing: help must find the door.')).toBeVisible();
  for (const [label, text] of [
    ['House number', '8'],
    ['Street', 'Gull Row'],
    ['City', 'Port Ansel'],
    ['State', 'WA'],
    ['ZIP code', '98300'],
  ] as const)
    await steps
      .getByLabel(label, { exact: true })
      .or(steps.getByLabel(`${label} (optional)`))
      .fill(text);
  await steps.getByLabel('ZIP code').press('Tab');
  await steps.getByRole('button', { name: 'This is where I am' }).click();
  await expect(steps.getByRole('heading', { name: 'Ready' })).toBeVisible();
  await expect(steps).toContainText('Calls to 212 ring here, as long as this window is open.');
  await steps.getByRole('button', { name: 'To the phone' }).click();
  await expect(staff.getByTestId('phone-state')).toContainText('this phone is ready');
  // The address waits in the draft for whoever does the phones.
  await expect(page.getByRole('link', { name: 'Review 1 change' })).toBeVisible();
  await staff.reload();
  await toSection(staff, 'Me');
  await expect(staff.getByRole('heading', { name: 'If somebody calls you now' })).toBeVisible();
});

test('without a microphone it says so, and why that matters', async ({ context, page }) => {
  const staff = await followed(context, page, (window) =>
    window.addInitScript(() => {
      navigator.mediaDevices.getUserMedia = () => Promise.reject(new DOMException('no', 'NotAllowedError'));
      navigator.permissions.query = () => Promise.resolve({ state: 'prompt' } as PermissionStatus);
    }),
  );
  const steps = staff.getByTestId('set-up');
  await steps.getByRole('button', { name: 'Allow the microphone' }).click();
  await expect(steps.getByRole('alert')).toContainText('The browser refuses the microphone.');
  await steps.getByRole('button', { name: 'Later' }).click();
  await steps.getByRole('button', { name: /^(Later|Go on)$/ }).click();
  await steps.getByRole('button', { name: 'It works' }).click();
  await steps.getByRole('button', { name: 'That is where I am' }).click();
  await expect(steps.getByRole('heading', { name: 'Not quite ready' })).toBeVisible();
  await expect(steps).toContainText('without it nobody hears you');
  await steps.getByRole('button', { name: 'To the phone' }).click();
  await expect(staff.getByTestId('not-ready')).toContainText('The browser refuses the microphone.');
  await expect(staff.getByTestId('phone-state')).toContainText('not ready yet');
});

test('looking somebody up shows what one may see; on a desk the phone is a panel; signing out ends it', async ({
  context,
  page,
}) => {
  const staff = await followed(context, page);
  await setUpPhone(staff);
  await toSection(staff, 'Me');
  await staff.getByRole('button', { name: 'Look somebody up' }).click();
  const dialog = staff.getByRole('dialog');
  await dialog.getByRole('searchbox').fill('petr');
  await expect(dialog.getByRole('listitem')).toContainText('Dov Petrenko');
  await expect(dialog.getByRole('listitem')).not.toContainText('555-0188');
  await dialog.getByRole('searchbox').fill('230');
  await expect(dialog.getByRole('listitem')).toContainText('Front office');
  await staff.keyboard.press('Escape');
  await staff.setViewportSize({ width: 1100, height: 780 });
  await toSection(staff, 'Call');
  const [left, right] = await Promise.all(
    ['If somebody calls you now', 'Messages'].map((name) =>
      staff.getByRole('heading', { name }).boundingBox(),
    ),
  );
  expect(right!.x).toBeGreaterThan(left!.x + 300);
  await staff.getByRole('button', { name: 'Sign this phone out' }).click();
  await expect(staff.getByRole('heading', { name: 'Pair this phone' })).toBeVisible();
  await expect(page.getByText('registered · paired')).toHaveCount(0);
});

test('a group is dialled in the order of its members, and keeps it', async ({ page }) => {
  await open(page, '/people/groups');
  const group = page.getByRole('region', { name: 'Workshop crew' });
  await group.getByLabel('When it is dialled they ring').selectOption('one after the other');
  await group.getByRole('button', { name: 'up Anselm Frey' }).click();
  await expect(group.getByRole('list', { name: 'Members in order' })).toHaveText(
    /Tomas Brandt.*Anselm Frey.*Mei Tanaka/s,
  );
  await saved(page);
  await page.goto('/numbers/dialling');
  await page.getByLabel('Digits, one after the other').fill('231');
  await expect(page.getByText('Extension 231: Workshop crew.')).toBeVisible();
  await page.goto('/people/groups');
  await group.getByLabel('Extension').fill('201');
  await group.getByLabel('Extension').press('Tab');
  await expect(group.getByText('201 belongs to Rosa Delgado.')).toBeVisible();
  await group.getByRole('button', { name: 'Remove Workshop crew' }).click();
  await expect(group).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(group.getByLabel('Extension')).toHaveValue('231');
});

test('codecs, transport and the delay of a desk phone stand on its card', async ({ page }) => {
  await open(page, '/phones/wren-desk');
  await page.getByRole('button', { name: 'up PCMU' }).click();
  await page.getByLabel('Transport').selectOption('UDP');
  await page.getByLabel('Seconds until it sounds').fill('soon');
  await page.getByLabel('Seconds until it sounds').press('Tab');
  await expect(page.getByText('Whole seconds, 0 to 30.')).toBeVisible();
  await page.getByLabel('Seconds until it sounds').fill('2');
  await page.getByLabel('Seconds until it sounds').press('Tab');
  await page.getByRole('button', { name: /New password/ }).click();
  const card = page.getByRole('article', { name: 'Account of Wren Halloran' });
  await expect(card).toContainText('opus, PCMU, G722, PCMA');
  await expect(card).toContainText('5060');
  await expect(card).toContainText('[1-8]xx');
  await page.getByRole('button', { name: 'I have them' }).click();
  await expect(card).toHaveCount(0);
  await page.getByRole('button', { name: 'Sign it out' }).click();
  await expect(page.getByText('no account yet: nothing can sign on')).toBeVisible();
});
