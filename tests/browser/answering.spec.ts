/** Plans of every kind on screen: mistakes found, menus and queues tried, promises, rehearsals, coverage, files. */
import type { Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { addStep, bench, open, saved, setClock, visit } from './bench';
import { expect, test } from './seeded';

async function fileOf(page: Page, act: () => Promise<void>): Promise<string> {
  const download = page.waitForEvent('download');
  await act();
  return readFileSync((await (await download).path())!, 'utf8');
}

test('the three planted mistakes are found and put right by their fixes', async ({ page }) => {
  await open(page, '/');
  await page.getByRole('button', { name: /Show all/ }).click();
  const finding = (title: string) => page.locator('.finding', { hasText: title });
  for (const [title, fix] of [
    ['Key 6 of Service menu leads nowhere of its own', 'Remove the key'],
    ['Nobody is on duty in Night watch from Sat 19 Dec 2026', 'Take that swap back'],
    ['(509) 555-0147 can swallow calls to Service menu', 'Ask for a key press'],
  ] as const) {
    await finding(title).getByRole('button', { name: fix }).click();
    await expect(finding(title)).toHaveCount(0);
  }
  await expect(page.getByRole('link', { name: 'Review 3 changes' })).toBeVisible();
  await page.locator('h1').first().click();
  await page.keyboard.press('Control+z');
  await expect(finding('(509) 555-0147 can swallow calls to Service menu')).toBeVisible();
  await visit(page, '/answering/service?step=storage-menu');
  await expect(page.getByRole('button', { name: 'Key 6 has a branch' })).toHaveCount(0);
});

test('a menu is written key by key, refused where a key would be there twice, and tried', async ({
  page,
}) => {
  await open(page, '/answering/rosa-direct');
  await addStep(page, 'Menu', 'first');
  const panel = page.locator('aside');
  await panel
    .getByLabel(/What the menu says/)
    .first()
    .selectOption('Storage');
  await panel.getByRole('button', { name: 'Add a branch for key 7' }).click();
  await expect(page.getByRole('button', { name: 'Key 7', exact: true })).toBeVisible();
  await panel.getByLabel('Key for spelling a name').selectOption('5');
  await expect(panel.getByRole('button', { name: 'Key 5 is for names' })).toBeDisabled();
  await panel.getByLabel('Times it is played').fill('9');
  await expect(panel.getByText('At most 5 times.')).toBeVisible();
  await panel.getByRole('button', { name: 'Remove the branch Key 2' }).click();
  await expect(page.getByRole('button', { name: 'Key 2', exact: true })).toHaveCount(0);
  await expect(page.getByText('Key 1 of Rosa Delgado leads nowhere of its own').first()).toBeVisible();
});

test('a live caller hears the menu, presses keys, is asked, and what they said is in the message', async ({
  context,
  page,
}) => {
  test.setTimeout(150_000);
  await open(page, '/answering/rosa-direct');
  for (const kind of ['Ask', 'Notify']) {
    await addStep(page, kind);
    // Before the voicemail, which takes the call.
    const added = page.getByTestId('step').filter({ hasText: kind }).last();
    await added.getByRole('button', { name: /^Move up/ }).click();
  }
  await page.locator('aside').getByLabel('To', { exact: true }).fill('desk@lanterncove.example');
  await page.locator('aside').getByLabel('To', { exact: true }).press('Tab');
  const ring = page.getByTestId('step').filter({ hasText: 'Ring Rosa' });
  await ring.getByRole('button', { name: /^Remove/ }).click();
  await page.getByRole('link', { name: /Review/ }).click();
  // Without Rosa's phones a promise about them is broken.
  await page.getByText('In spite of 1 finding that should stop this').click();
  await page.getByRole('button', { name: 'Put in force', exact: true }).click();
  await expect(page.getByText('In force: callers get this')).toBeVisible();

  const outside = await context.newPage();
  await outside.goto('/bench/phone?business=lantern-cove');
  await outside.getByLabel('Number to call').fill('(360) 555-0171');
  await outside.getByRole('button', { name: 'Call', exact: true }).click();
  const call = outside.getByTestId('outside-call');
  await expect(call).toContainText('What is your name, please?');
  await call.getByLabel('Your answer').fill('Ada <i>Fenwick</i>');
  await call.getByRole('button', { name: 'Say it' }).click();
  await expect(call).toContainText('What are you calling about?');
  await call.getByLabel('Your answer').fill('A loose keel');
  await call.getByRole('button', { name: 'Say it' }).click();
  await expect(call).toContainText('Speak now.', { timeout: 20_000 });
  await call.getByLabel('What you say').fill('Please call me.');
  await outside.waitForTimeout(2500);
  await outside.getByRole('button', { name: 'Hang up' }).click();
  await expect(outside.getByTestId('outside-ended')).toContainText('message left in Rosa Delgado');

  await visit(page, '/messages');
  const message = page.getByTestId('message').filter({ hasText: 'Please call me.' });
  await expect(message.getByTestId('message-notes')).toHaveText(
    'Name: Ada <i>Fenwick</i> · Reason: A loose keel',
  );
  const drawer = await bench(page, 'Mail');
  await drawer.getByRole('button', { name: /Rosa Delgado: .* called Rosa Delgado, direct/ }).click();
  await expect(drawer.getByTestId('mail-text')).toContainText('(206) 555-0187 called Rosa Delgado, direct');
});

test('a queue: who serves it, its keys, and a caller who waits too long', async ({ page }) => {
  await open(page, '/answering/queues');
  const card = page.getByRole('region', { name: 'Front desk' });
  await card.getByLabel('Key to be called back').selectOption('1');
  await expect(card.getByText('Key 1 leaves the queue already.')).toBeVisible();
  await card.getByLabel('Longest wait, in seconds').fill('30');
  await card.getByLabel('Extension').fill('201');
  await card.getByLabel('Extension').press('Tab');
  await expect(card.getByText('201 belongs to Rosa Delgado.')).toBeVisible();
  await card.getByLabel('Who is rung').selectOption('One after the other');
  await visit(page, '/answering/rehearsal');
  await page.getByRole('textbox', { name: 'At', exact: true }).fill('2026-11-24T12:10');
  const trace = page.getByTestId('trace');
  await expect(trace).toContainText('waits in Front desk, number 1');
  await expect(trace).toContainText('leaves Front desk after 30 s: waited too long');
  await expect(trace).toContainText('asked for Boat');
});

test('callers: a contact is put through to whoever looks after them, a wrong number is refused in place', async ({
  page,
}) => {
  await open(page, '/answering/callers');
  const form = page.getByRole('form', { name: 'Add a contact' });
  await form.getByLabel('Name').fill('Ada Fenwick');
  await form.getByLabel('Numbers they call from').fill('(360) 555-0134');
  await form.getByRole('button', { name: 'Add a contact' }).click();
  await expect(form.getByText('Harrow Point Sailing Club has this number already.')).toBeVisible();
  await form.getByLabel('Numbers they call from').fill('206 555 0187');
  await form.getByRole('button', { name: 'Add a contact' }).click();
  await page.getByLabel('Who looks after Ada Fenwick').selectOption('Noor Haddad');
  await saved(page);
  await visit(page, '/answering/rehearsal');
  await page.getByRole('textbox', { name: 'At', exact: true }).fill('2026-11-24T12:10');
  await expect(page.getByTestId('trace')).toContainText('the caller: A contact');
  await page.getByLabel(/^Calling from/).fill('206 555 0199');
  await page.getByLabel(/^Calling from/).press('Tab');
  await expect(page.getByTestId('page-outcome')).toContainText('busy tone');
});

test('a promise is broken by an edit, said where the edit was made, and stops it until looked at', async ({
  page,
}) => {
  await open(page, '/answering/promises');
  await expect(page.getByText('All of them are kept.')).toBeVisible();
  await visit(page, '/answering/winter-store');
  await page
    .getByTestId('step')
    .filter({ hasText: 'Ring Wren' })
    .getByRole('button', { name: /^Ring/ })
    .click();
  await page.getByLabel('For how many seconds').fill('40');
  await expect(page.getByRole('link', { name: 'Review 1 change' })).toBeVisible();
  await saved(page);
  await visit(page, '/answering/promises');
  const broken = page.getByTestId('promise').filter({ hasText: 'The store never loses a message' });
  await expect(broken.getByRole('status')).toHaveText('Broken');
  await expect(broken).toContainText('Broken first on Tue 24 Nov, 00:00');
  await expect(page.getByRole('link', { name: /Answering/ }).first()).toContainText('3 to fix');
  await visit(page, '/changes');
  await expect(page.getByText('In spite of 1 finding that should stop this')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Put in force' })).toBeDisabled();
  await visit(page, '/answering/promises');
  await broken.getByText('Change it').click();
  await broken.getByLabel('Within so many seconds').fill('45');
  await expect(broken.getByRole('status')).toHaveText('Kept');
});

test('a rehearsal in full: keys, several calls, compared, kept as a promise, opened by its link', async ({
  page,
  context,
}) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await open(page, '/answering/rehearsal');
  await page.getByRole('textbox', { name: 'At', exact: true }).fill('2026-11-24T12:10');
  await page.getByRole('button', { name: 'Presses a key' }).click();
  await page.getByLabel('Keys, time 1').fill('1x');
  await page.getByLabel('Keys, time 1').press('Tab');
  await expect(page.getByText('“x” is none.')).toBeVisible();
  await page.getByLabel('Keys, time 1').fill('1');
  await page.getByLabel('Keys, time 1').press('Tab');
  await expect(page.getByText('Nothing on this way listens')).toHaveCount(0);
  await page.getByLabel('What Tomas Brandt does').selectOption('answers');
  await expect(page.getByTestId('page-outcome')).toContainText('answered by Tomas Brandt at 29 s');
  await page.getByRole('button', { name: 'Hold this to compare' }).click();
  await page.getByLabel('What Tomas Brandt does').selectOption('is on a call');
  await expect(page.getByRole('region', { name: 'Held to compare' })).toContainText(
    'answered by Tomas Brandt',
  );
  await expect(page.getByTestId('page-outcome')).toContainText('a message in Workshop');
  await page.getByRole('button', { name: 'Next step' }).click();
  await page.getByRole('button', { name: 'Next step' }).click();
  await expect(page.getByTestId('trace').locator('.at')).toContainText('By hours Office hours');
  await page.getByRole('button', { name: 'Copy as a link' }).click();
  const link = await page.evaluate(() => navigator.clipboard.readText());
  const json = await fileOf(page, () => page.getByRole('button', { name: 'Save as JSON' }).click());
  expect((JSON.parse(json) as { kind: string }[])[0]!.kind).toBe('arrived');
  await page.getByLabel('Calls', { exact: true }).fill('3');
  await expect(page.getByRole('button', { name: /^Call 3:/ })).toBeVisible();
  await page.goto(link);
  await expect(page.getByLabel('What Tomas Brandt does')).toHaveValue('is on a call');
  await page.getByRole('button', { name: 'Keep as a promise' }).click();
  await expect(page.getByText('Kept as a promise')).toBeVisible();
  await visit(page, '/answering/promises');
  await expect(page.getByTestId('promise').filter({ hasText: 'Main line, as rehearsed' })).toContainText(
    'comes to Workshop within',
  );
});

test("a rehearsal phone by phone: a mobile's own voicemail listens to being asked for a key, and the call goes on", async ({
  page,
}) => {
  await open(page, '/answering/rehearsal');
  await page.getByLabel('Number called').last().selectOption({ label: 'Night watch · (360) 555-0160' });
  await page.getByText('Phone by phone: Dov Petrenko').click();
  await page.getByLabel('What Own mobile does').selectOption('own voicemail takes it');
  await page.getByLabel('After how many seconds of ringing Own mobile acts').fill('10');
  await expect(page.getByTestId('trace')).toContainText(
    'Dov Petrenko · Own mobile: lifted, asked to press 1',
  );
  await expect(page.getByTestId('page-outcome')).toContainText('a message in Front desk');
});

test('a plan begins from a starting point, is dragged, copied into another, folded and shown', async ({
  page,
}) => {
  await open(page, '/answering');
  await page.getByRole('button', { name: 'Start a plan', exact: true }).click();
  await page.getByRole('button', { name: 'Office with a menu' }).click();
  await expect(page.getByTestId('step').first()).toContainText('Menu “Menu”, keys 1 and 4');
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await page.getByRole('button', { name: 'Small office' }).click();
  const steps = page.getByTestId('step');
  await expect(steps.nth(1)).toContainText('Play “Welcome”');
  // Dragged below the ringing, by its grip.
  await steps.nth(1).hover();
  const grip = (await steps.nth(1).locator('.grip').boundingBox())!;
  const target = (await steps.nth(2).boundingBox())!;
  await page.mouse.move(grip.x + 6, grip.y + 8);
  await page.mouse.down();
  await page.mouse.move(grip.x + 8, grip.y + 20, { steps: 4 });
  await page.mouse.move(target.x + 120, target.y + target.height - 4, { steps: 12 });
  await page.mouse.up();
  await expect(steps.nth(1)).toContainText('Ring');
  await expect(steps.nth(2)).toContainText('Play “Welcome”');
  await page.keyboard.press('Control+z');
  await expect(steps.nth(1)).toContainText('Play “Welcome”');
  await steps.nth(2).getByRole('button', { name: /^Ring/ }).focus();
  await page.keyboard.press('Control+c');
  await expect(page.getByText(/^Copied “Ring/)).toBeVisible();
  await page.getByRole('button', { name: /^Open · / }).click();
  await expect(page.getByRole('button', { name: /2 steps, folded/ })).toBeVisible();
  await visit(page, '/answering/rosa-direct');
  await addStep(page, 'Copied');
  await expect(page.getByTestId('step').nth(2)).toContainText('Ring');
  await page.getByRole('link', { name: 'See it as a picture' }).click();
  await expect(page.getByRole('img', { name: /Rosa Delgado/ })).toBeVisible();
  const svg = await fileOf(page, () => page.getByRole('button', { name: 'Save as SVG' }).click());
  expect(svg).toContain('<svg');
});

test('a step moves anywhere by keys and from a list of places, is inserted between others, and leads to its settings and back', async ({
  page,
}) => {
  await open(page, '/answering/main');
  const steps = page.getByTestId('step');
  const button = (name: RegExp) => page.getByRole('button', { name }).first();
  const order = () => steps.evaluateAll((all) => all.map((s) => s.querySelector('.line')!.textContent));
  const before = await order();
  await button(/^Ring Mei/).focus();
  await page.keyboard.press('Alt+ArrowLeft');
  await expect(button(/^Ring Mei/)).toBeFocused();
  await page.keyboard.press('Alt+ArrowRight');
  await expect.poll(order).toEqual(before);
  // Cut, and put down behind another: it keeps the keyboard.
  await page.keyboard.press('Control+x');
  await expect(page.getByText(/^Cut “Ring Mei/)).toBeVisible();
  await button(/^Play “Welcome”/).focus();
  await page.keyboard.press('Control+v');
  await expect(button(/^Ring Mei/)).toBeFocused();
  const moved = await order();
  expect(moved.indexOf(moved.find((w) => w!.startsWith('Ring Mei'))!)).toBe(
    moved.indexOf(moved.find((w) => w!.startsWith('Play “Welcome”'))!) + 1,
  );
  await page.keyboard.press('Control+z');
  await expect.poll(order).toEqual(before);
  // To any place, by typing.
  await button(/^Ring Mei/).click();
  await page.getByRole('button', { name: 'Move to…' }).click();
  await page.getByRole('searchbox', { name: 'Where to?' }).fill('first of all');
  await page.keyboard.press('Enter');
  await expect(steps.first()).toContainText('Ring Mei');
  await expect(button(/^Ring Mei/)).toBeFocused();
  await page.keyboard.press('Control+z');
  await expect.poll(order).toEqual(before);
  // Its settings, and back.
  await button(/^Ring Mei/).focus();
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-step-panel] :focus')).toHaveCount(1);
  await page.getByLabel('Note').focus();
  await page.keyboard.press('Escape');
  await expect(button(/^Ring Mei/)).toBeFocused();
  // Between two others: typed, added, and the cursor is in its first field.
  await button(/^Play “Welcome”/).focus();
  await page.keyboard.press('Insert');
  await page.keyboard.type('voice');
  await page.keyboard.press('Enter');
  await expect(page.locator('[data-step-panel] :focus')).toHaveCount(1);
  const inserted = await order();
  const welcome = inserted.findIndex((w) => w!.startsWith('Play “Welcome”'));
  expect(inserted[welcome + 1]).toContain('Voicemail');
  await page.getByRole('button', { name: /^Insert a step after: Play “Welcome”/ }).click();
  await page.keyboard.press('Escape');
  await expect(button(/^Play “Welcome”/)).toBeFocused();
  // What is removed hands the keyboard on.
  await button(/^Ring Mei/).focus();
  await page.keyboard.press('Delete');
  await expect(page.locator('.what:focus')).toHaveCount(1);
});

test('a step is dragged into a branch that is empty; a plan without a number is rehearsed', async ({
  page,
}) => {
  await open(page, '/answering');
  await page.getByRole('button', { name: 'Start a plan', exact: true }).click();
  await page.getByRole('button', { name: 'Office with a menu' }).click();
  await addStep(page, 'Play');
  await expect(page.getByRole('region', { name: 'Rehearsal' }).getByLabel('Number called')).toHaveValue(
    /^plan:/,
  );
  await expect(page.getByTestId('rehearsal-outcome')).not.toBeEmpty();
  const panel = page.locator('aside');
  await page
    .getByRole('button', { name: /^Menu “Menu”/ })
    .first()
    .click();
  await panel.getByRole('button', { name: 'Add a branch for key 7' }).click();
  await panel.getByLabel('Key back to the menu before').selectOption('*');
  await expect(page.getByTestId('step').first()).toContainText('* goes back');
  const step = page.getByTestId('step').filter({ hasText: 'Play' }).last();
  await step.scrollIntoViewIfNeeded();
  await step.hover();
  const grip = (await step.locator('.grip').boundingBox())!;
  const empty = page
    .locator('.br', { has: page.getByRole('button', { name: 'Key 7', exact: true }) })
    .locator('ol')
    .first();
  await page.mouse.move(grip.x + 6, grip.y + 8);
  await page.mouse.down();
  await page.mouse.move(grip.x + 8, grip.y - 12, { steps: 4 });
  const target = (await empty.boundingBox())!;
  await page.mouse.move(target.x + 90, target.y + target.height / 2, { steps: 14 });
  await page.mouse.move(target.x + 92, target.y + target.height / 2, { steps: 3 });
  await page.mouse.up();
  await expect(empty.getByTestId('step')).toContainText('Play');
});

test('plans go out as JSON, CPL and VoiceXML and come back; wrong files are refused', async ({ page }) => {
  await open(page, '/answering/service');
  const files = page.locator('aside');
  const json = await fileOf(page, () => files.getByRole('button', { name: 'JSON' }).click());
  const cpl = await fileOf(page, () => files.getByRole('button', { name: 'call script' }).click());
  await expect(files.getByText('A call script cannot say:')).toBeVisible();
  expect(await fileOf(page, () => files.getByRole('button', { name: 'VoiceXML' }).click())).toContain(
    'version="2.1"',
  );
  const read = (name: string, text: string) =>
    page
      .getByLabel('A plan as JSON or a call script')
      .setInputFiles({ name, mimeType: 'text/plain', buffer: Buffer.from(text) });
  await read('x.xml', '<!DOCTYPE cpl [<!ENTITY a "b">]><cpl/>');
  await expect(page.getByText('A script with a document type or entities is not read.')).toBeVisible();
  await read('x.json', json.replace(/"version": \d+/, '"version": 99'));
  await expect(page.getByText('This file is of version 99')).toBeVisible();
  await read('script.cpl.xml', cpl);
  const dialog = page.getByRole('dialog', { name: 'Add this plan?' });
  await expect(dialog).toContainText('By who it is');
  await dialog.getByRole('button', { name: 'Leave it' }).click();
  await read('x.json', json);
  await dialog.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByRole('heading', { name: 'Service menu 2' })).toBeVisible();
});

test('coverage of a day, a week and a year, of one person, as files', async ({ page }) => {
  await open(page, '/');
  const ask = page.getByRole('group', { name: 'What is shown' });
  const csv = await fileOf(page, () => page.getByRole('button', { name: 'Save as CSV' }).click());
  expect(csv.split('\r\n')[0]).toContain('seconds until voicemail');
  expect(csv).toContain('2026-11-24 08:00');
  await ask.getByLabel('When can somebody be rung').selectOption('when Ines Morel is rung');
  await expect(page.getByRole('button', { name: /^Main line, .* after 4 s$/ }).first()).toBeVisible();
  await expect(page.getByRole('button', { name: /^Winter store/ })).toHaveCount(0);
  await ask.getByLabel('When can somebody be rung').selectOption('whoever is rung');
  await ask.getByText('Day', { exact: true }).click();
  await ask.getByLabel('Day shown').fill('2026-11-26');
  await ask.getByLabel('Day shown').press('Tab');
  // Thanksgiving: closed all day.
  const main = page.getByRole('button', { name: /^Main line, / });
  await expect(main).toHaveCount(1);
  await main.focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('status').filter({ hasText: 'Main line' })).toContainText(
    'Plays “Yard closed”',
  );
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('button', { name: /^Workshop, / })).toBeFocused();
  await ask.getByText('Year', { exact: true }).click();
  await expect(page.getByRole('group', { name: 'Main line, a year' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('group', { name: 'Main line, a year' })).toBeVisible();
});

test('the draft goes in force later, once; an earlier version is brought back and undone', async ({
  page,
}) => {
  await open(page, '/answering/winter-store');
  await page
    .getByTestId('step')
    .filter({ hasText: 'Ring Wren' })
    .getByRole('button', { name: /^Ring/ })
    .click();
  await page.getByLabel('For how many seconds').fill('20');
  await page.getByRole('link', { name: 'Review 1 change' }).click();
  await page.getByRole('button', { name: 'At a later moment…' }).click();
  await page.getByLabel('In force from').fill('2026-11-24T09:00');
  await page.getByRole('button', { name: 'Plan it' }).click();
  await expect(page.getByText('That moment has passed.')).toBeVisible();
  await page.getByLabel('In force from').fill('2026-11-24T12:00');
  await page.getByRole('button', { name: 'Plan it' }).click();
  await expect(page.getByTestId('planned')).toContainText('Goes in force on Tue 24 Nov, 12:00');
  await page.reload();
  await expect(page.getByTestId('planned')).toContainText('Goes in force on Tue 24 Nov, 12:00');
  await setClock(page, '2026-11-24T12:01');
  await expect(page.getByText('In force as planned: callers get this from now on.')).toBeVisible();
  await expect(page.getByText('Nothing differs for callers')).toBeVisible();
  await expect(page.getByTestId('planned')).toHaveCount(0);

  await page.getByText('2 versions kept').click();
  await page.getByRole('button', { name: /^Bring back version/ }).click();
  await expect(page.getByTestId('difference').first()).toContainText('Winter store');
  await expect(page.getByTestId('difference').first()).toContainText(
    'Rings Wren Halloran and Jonah Achterberg 18 s',
  );
  await saved(page);
  await page.reload();
  await expect(page.getByText('1 edit waits')).toBeVisible();
  await page.locator('h1').first().click();
  await page.keyboard.press('Control+z');
  await expect(page.getByText('Nothing differs for callers')).toBeVisible();
});

test('what changes is told once, as what was and what is; one change is looked at and taken back alone', async ({
  page,
}) => {
  await open(page, '/people/pia');
  const extension = page.getByLabel('Extension', { exact: true });
  for (const digits of ['298', '299']) {
    await extension.fill(digits);
    await extension.press('Tab');
    await saved(page);
  }
  await visit(page, '/answering/winter-store');
  await page
    .getByTestId('step')
    .filter({ hasText: 'Ring Wren' })
    .getByRole('button', { name: /^Ring/ })
    .click();
  await page.getByLabel('For how many seconds').fill('40');
  await saved(page);
  await visit(page, '/people');
  const form = page.locator('form', { hasText: 'Add one' });
  await form.getByLabel('Name').fill('Ada Quill');
  await form.getByRole('button', { name: 'Add' }).click();
  await saved(page);

  await visit(page, '/changes');
  const net = page.getByTestId('net-changes');
  const change = (name: string) => net.getByRole('listitem').filter({ hasText: name });
  await expect(change('Pia Lindqvist')).toContainText(/extension: 203 .*299/);
  await expect(change('Pia Lindqvist')).not.toContainText('298');
  await expect(change('Winter store')).toContainText(/step changed .*18 s.* 40 s/);
  await expect(change('Ada Quill').first()).toContainText('new');
  await expect(page.getByTestId('price')).toContainText(/cost \$[\d.]+ a month; \$[\d.]+ before/);
  const store = page.getByTestId('difference').filter({ hasText: 'Winter store' });
  await expect(store.first()).toBeVisible();

  // Each by itself: an extension that callers dial, a phone of somebody who would not be there, a plan.
  await net.getByRole('button', { name: 'What it alone does to callers: Pia Lindqvist' }).click();
  await expect(page.getByTestId('alone')).toContainText('Only what changes of Pia Lindqvist');
  await expect(page.getByTestId('difference').first()).toContainText('dialling 203 (Pia Lindqvist)');
  for (const difference of await page.getByTestId('difference').all())
    await expect(difference).not.toContainText('Winter store');
  await net
    .getByRole('button', { name: 'What it alone does to callers: Ada Quill · Browser softphone' })
    .click();
  await expect(page.getByTestId('alone')).toContainText('goes with other changes: by itself it cannot be');
  await expect(page.getByTestId('difference')).toHaveCount(0);
  await net.getByRole('button', { name: 'What it alone does to callers: Winter store' }).click();
  await expect(page.getByTestId('difference').first()).toContainText('Winter store');

  await net.getByRole('button', { name: 'Take back: Winter store' }).click();
  await expect(change('Winter store')).toHaveCount(0);
  await expect(page.getByRole('heading', { name: 'What changes' })).toBeFocused();
  await expect(page.getByTestId('alone')).toHaveCount(0);
  await expect(store).toHaveCount(0);
  await expect(change('Pia Lindqvist')).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(change('Winter store')).toBeVisible();
});

test('who changed what, and who put it in force, is told', async ({ page }) => {
  await open(page, '/people/roles');
  await page.getByRole('button', { name: 'Look as Idris Okafor' }).click();
  await visit(page, '/answering/winter-store?step=winter-ring');
  await page.getByTestId('step').filter({ hasText: 'Ring Wren' }).locator('.what').click();
  await page.getByLabel('For how many seconds').fill('21');
  await saved(page);
  await page.getByRole('link', { name: 'Review 1 change' }).click();
  await page.getByText('History of edits').click();
  const history = page.locator('.history li');
  await expect(history).toHaveCount(1);
  await expect(history).toContainText('Tue 24 Nov, 10:15 · Idris Okafor · in the draft');
  await page.getByRole('button', { name: 'Put in force', exact: true }).click();
  await page.getByText('2 versions kept').click();
  await expect(page.getByText('by Idris Okafor, in force')).toBeVisible();
  await page.reload();
  await page.getByText('2 versions kept').click();
  await expect(page.getByText('by whoever runs the system')).toBeVisible();
});

test('what differs below a key is told for those who press it, and coverage shows what they get', async ({
  page,
}) => {
  await open(page, '/answering/service');
  await page.getByTestId('step').filter({ hasText: 'Ring Workshop crew' }).locator('.what').click();
  await page.getByLabel('Seconds each').fill('14');
  await saved(page);
  await visit(page, '/changes');
  const difference = page.getByTestId('difference');
  await expect(difference.first()).toContainText('Main line (360) 555-0142, pressing 1, ');
  await expect(difference.first()).toContainText('14 s, nobody answered');
  for (const d of await difference.all()) await expect(d).toContainText('pressing 1');

  await visit(page, '/');
  await page.getByLabel('Who calls').selectOption('pressing 7');
  await expect(page.getByRole('button', { name: /^Main line, / }).first()).toBeVisible();
  await expect(page.getByRole('button', { name: /^Workshop, / })).toHaveCount(0);
  await page.reload();
  await expect(page.getByLabel('Who calls')).toHaveValue(/7/);
  await page.getByLabel('Who calls').selectOption('a new caller');
  await expect(page.getByRole('button', { name: /^Workshop, / }).first()).toBeVisible();
});

test('that a key reaches a person becomes a promise from the menu, and is broken by an edit below it', async ({
  page,
}) => {
  await open(page, '/answering/service');
  await page.getByTestId('step').filter({ hasText: 'Menu “Service”' }).locator('.what').click();
  await page.getByRole('button', { name: 'Promise that key 7 reaches a person' }).click();
  await expect(page.getByText('Main line: key 7 reaches a person, ')).toBeVisible();
  await saved(page);
  await visit(page, '/answering/promises');
  const promise = page.getByTestId('promise').filter({ hasText: 'key 7 reaches a person' });
  await expect(promise.getByRole('status')).toHaveText('Kept');
  await visit(page, '/answering/service');
  const below = page.getByTestId('step').filter({ hasText: 'Callum Reyes and Pia Lindqvist, by chance' });
  await below.getByRole('button', { name: /^Remove: / }).click();
  await saved(page);
  await visit(page, '/answering/promises');
  await expect(promise.getByRole('status')).toHaveText('Broken');
});
