/** One current picture of each main view, from the demonstration, into docs/screenshots. */
import { test, type Page } from '@playwright/test';
import { askIn, invitedBy, letIn, otherMachine } from '../browser/devices';
import { codeInLetter, saved, setClock, setUpPhone } from '../browser/bench';

const folder = 'docs/screenshots';
const shot = async (page: Page, name: string) => {
  // Fonts, the last redraw, and notices that come in.
  await page.waitForTimeout(700);
  await page.screenshot({ path: `${folder}/${name}.png` });
};

test('pictures of the demonstration', async ({ context, page }) => {
  test.setTimeout(300_000);
  await page.goto('/');
  await setClock(page, '2026-11-24T10:15');
  await page.getByRole('button', { name: 'Businesses and files' }).click();
  await page.getByRole('menuitem', { name: 'Reset the demonstration' }).click();
  await page.getByText('as it was on the first day').waitFor();
  await page.goto('/');
  await shot(page, 'overview');
  for (const [view, name] of [
    ['begin', 'begin'],
    ['people', 'people'],
  ] as const) {
    await page.goto(`/${view}`);
    await shot(page, name);
  }
  await page.goto('/people/rosa/reach');
  await page.getByLabel('Nobody answers', { exact: true }).selectOption('Pia Lindqvist · 203');
  await page.locator('[data-testid=effect][data-ready=true]').waitFor();
  await page.waitForTimeout(1500);
  await shot(page, 'reach');
  await page.getByRole('button', { name: 'Leave it as it was' }).click();
  await page.goto('/numbers#n-main');
  await shot(page, 'numbers');
  await page.goto('/answering/rehearsal');
  await page.getByRole('textbox', { name: 'At', exact: true }).fill('2026-11-24T12:10');
  await page.getByRole('button', { name: 'Presses a key' }).click();
  await page.getByLabel('Keys, time 1').fill('1');
  await page.getByLabel('Keys, time 1').press('Tab');
  await page.getByLabel('What Anselm Frey does').selectOption('answers');
  await page.getByLabel('What Anselm Frey does').blur();
  await page.evaluate(() => scrollTo(0, 0));
  await shot(page, 'rehearsal');

  await page.goto('/answering/main?step=main-front');
  await page.getByLabel('For how many seconds').fill('24');
  await page.getByLabel('Who does something').selectOption('Ines Morel');
  await saved(page);
  await shot(page, 'answering');
  await page.goto('/changes');
  await page.getByRole('button', { name: 'Show the ring charts' }).first().click();
  await page.getByText('The promises are held against the draft').waitFor({ state: 'detached' });
  await shot(page, 'changes');

  // A letter that comes back, and phones with something the matter.
  await page.goto('/people/jonah');
  await page.getByLabel('E-mail').fill('jonah.achterberg@lanterncov.example');
  await page.getByLabel('E-mail').press('Tab');
  await saved(page);
  await page.goto('/phones/invitations');
  await page.getByRole('button', { name: /^Invite Jonah/ }).click();
  await page.getByRole('button', { name: 'Open the mail' }).click();
  const drawer = page.getByRole('complementary', { name: 'Bench' });
  await drawer.getByRole('tab', { name: 'Staff phones' }).click();
  await drawer.getByLabel('How Noor Haddad’s Computer softphone is').selectOption('asleep');
  await drawer.getByLabel('Where Mei Tanaka’s Desk phone is').selectOption('outside the office');
  await drawer.getByRole('button', { name: 'Close' }).click();
  await page.getByText('The mail came back').waitFor({ timeout: 40_000 });

  // Idris pairs his softphone; a customer calls Rosa's colleagues, and later leaves a message.
  await page.goto('/people/idris');
  await page.getByRole('button', { name: /^Invite Idris/ }).click();
  await page.getByRole('button', { name: 'Open the mail' }).click();
  await page
    .getByRole('button', { name: /Your phone at Lantern Cove/ })
    .first()
    .click();
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
  await staff.getByRole('button', { name: /^Answer/ }).click();
  await staff.getByTestId('talking').getByRole('button', { name: 'Transfer…' }).click();
  await staff.getByRole('combobox', { name: /^Transfer to/ }).fill('tomas');
  await staff.getByRole('combobox', { name: /^Transfer to/ }).press('Enter');
  await staff.getByRole('button', { name: 'After a word' }).click();
  await shot(staff, 'staff-phone-talking');
  await staff.setViewportSize({ width: 1280, height: 800 });
  await staff.getByTestId('colleagues').waitFor();
  await shot(staff, 'staff-phone-desk');
  await staff.getByRole('button', { name: /^Back to/ }).click();
  await staff.getByRole('button', { name: 'Hang up' }).click();
  await outside.getByTestId('outside-ended').waitFor();
  await page.goto('/messages/texts');
  await page.getByTestId('conversation').filter({ hasText: 'Harrow' }).click();
  await page.getByRole('button', { name: 'Fold' }).click();
  await page.getByRole('heading', { name: 'Texts', exact: true }).hover();
  await shot(page, 'texts');
  await page.goto('/messages/log');
  await page.getByRole('button', { name: 'Bench' }).click();
  await drawer.getByRole('tab', { name: 'Clock' }).click();
  await drawer.getByRole('button', { name: 'Lay it down' }).click();
  await drawer.getByText('stand in the log').waitFor();
  await drawer.getByRole('button', { name: 'Close' }).click();
  await page.getByTestId('log-entry').filter({ hasText: 'talked' }).nth(1).click();
  await page.getByRole('heading', { name: 'Log' }).hover();
  await shot(page, 'log');

  await page.goto('/by-itself');
  await page.getByRole('button', { name: 'Change it' }).first().click();
  await page.getByRole('table', { name: 'What each would have got' }).waitFor({ timeout: 30_000 });
  await shot(page, 'by-itself');
  await page.goto('/messages/log');

  // A past of ninety days: what it says, and what a usual week of it is like.
  await page.getByRole('button', { name: 'Bench' }).click();
  await drawer.getByRole('tab', { name: 'Clock' }).click();
  await drawer.getByLabel('How many days').selectOption('90 days');
  await drawer.getByRole('button', { name: 'Lay it down' }).click();
  await drawer.getByText('stand in the log').waitFor({ timeout: 60_000 });
  await drawer.getByRole('button', { name: 'Close' }).click();
  await page.goto('/figures/questions?about=too-few');
  await page.getByLabel('Which days').selectOption('last 90 days');
  await page.getByRole('row', { name: /^Tue 10:00/ }).waitFor({ timeout: 30_000 });
  await page
    .getByTestId('week-map')
    .getByRole('button', { name: /^Tue 10:00/ })
    .click();
  await page.getByTestId('behind').getByTestId('log-entry').first().waitFor();
  await page.evaluate(() => scrollTo(0, 0));
  await shot(page, 'too-few');
  await page.goto('/figures/people');
  await page.getByRole('button', { name: 'Run it', exact: true }).click();
  await page.locator('[data-testid=running][aria-busy=true]').waitFor();
  await page
    .locator('[data-testid=running][aria-busy=false]')
    .waitFor({ state: 'attached', timeout: 90_000 });
  await shot(page, 'enough-people');
  await outside.reload();
  await outside.getByRole('button', { name: 'Main line' }).click();
  await outside.getByRole('button', { name: 'Call', exact: true }).click();
  await page.goto('/figures');
  await page
    .getByTestId('board-calls')
    .getByText(/rings Rosa/)
    .waitFor({ timeout: 30_000 });
  await shot(page, 'now');
});

test('phones on other machines: one is there, one waits for a word', async ({ page }, info) => {
  test.setTimeout(120_000);
  await page.goto('/');
  await page.getByRole('heading', { name: 'Who answers, this week' }).waitFor();
  await setClock(page, '2026-11-24T10:15');
  const [first, second] = [await otherMachine(info), await otherMachine(info)];
  await askIn(first.page, await invitedBy(page, 'idris', 'Idris'), 'Idris’s mobile');
  await letIn(page, first.page, 'Idris’s mobile');
  await askIn(second.page, await invitedBy(page, 'jonah', 'Jonah'), 'the tablet in the workshop');
  await second.page.getByTestId('asking').waitFor();
  await page.getByTestId('asks-in').getByRole('link', { name: 'Look at it' }).click();
  await page.getByRole('cell', { name: 'connected now' }).waitFor();
  // What was said last has gone by.
  await page.getByTestId('asks-in').waitFor({ state: 'detached' });
  await shot(page, 'phones');
  await first.browser.close();
  await second.browser.close();
});
