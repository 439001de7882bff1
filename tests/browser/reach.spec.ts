/** How somebody is reached: set by themselves, for them, or by star codes; what it does to callers. */
import type { Page } from '@playwright/test';
import { bench, callFrom, open, putInForce, saved, withSoftphone, visit, setClock } from './bench';
import { expect, test } from './seeded';

const effect = (page: Page) => page.getByTestId('effect');
const ready = (page: Page) => expect(effect(page)).toHaveAttribute('data-ready', 'true');
const lane = (page: Page, name: string) => page.locator('.lane', { hasText: name });

test('the order of ringing is seen before it is set, holds at once, and can be taken back', async ({
  page,
}) => {
  await open(page, '/people/rosa/reach');
  await expect(lane(page, 'Desk phone')).toHaveCount(1);
  await expect(lane(page, 'Mobile app')).toHaveCount(1);
  await page.getByLabel('Nobody answers', { exact: true }).selectOption('Pia Lindqvist · 203');
  await expect(page.getByRole('heading', { name: 'With this, somebody who dials 201' })).toBeVisible();
  await expect(lane(page, 'Pia Lindqvist ·')).toHaveCount(1);
  await page.getByLabel('Seconds', { exact: true }).fill('12');
  // What is being changed is kept over a reload, and holds for nobody yet.
  await page.reload();
  await expect(page.getByRole('heading', { name: 'With this, somebody who dials 201' })).toBeVisible();
  await expect(page.getByLabel('Seconds', { exact: true })).toHaveValue('12');
  // What it does to callers stands above the button, which moves while that comes.
  await ready(page);
  await page.getByRole('button', { name: 'Set it' }).click();
  await expect(page.getByRole('heading', { name: 'If somebody dials 201 now' })).toBeVisible();
  await expect(page.getByText(/set by whoever runs the system, Tue 24 Nov/).first()).toBeVisible();
  // It is not an edit of the draft: nothing waits to be put in force.
  await expect(page.getByRole('link', { name: 'No changes' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(lane(page, 'Pia Lindqvist ·')).toHaveCount(0);
  await expect(page.getByLabel('Seconds', { exact: true })).toHaveValue('18');
});

test('undo takes back settings and edits in the order they were made, over a reload too', async ({
  page,
}) => {
  await open(page, '/people/rosa/reach');
  const forward = page.getByLabel('Always, before anything rings');
  const seconds = page.getByLabel('Seconds', { exact: true });
  await forward.selectOption('Pia Lindqvist · 203');
  await page.getByRole('button', { name: 'Set it' }).click();
  await expect(page.getByRole('heading', { name: 'If somebody dials 201 now' })).toBeVisible();
  await visit(page, '/people/rosa');
  await page.getByLabel('Name', { exact: true }).fill('Rosa D.');
  await page.getByLabel('Name', { exact: true }).press('Tab');
  await saved(page);
  await visit(page, '/people/rosa/reach');
  await forward.selectOption('no: the phones ring');
  await seconds.fill('12');
  await page.getByRole('button', { name: 'Set it' }).click();
  await expect(page.getByRole('heading', { name: 'If somebody dials 201 now' })).toBeVisible();
  await page.reload();
  await page.getByRole('heading', { level: 1 }).click();
  const press = async (keys: string, said: string) => {
    await page.keyboard.press(keys);
    await expect(page.getByText(said).last()).toBeVisible();
  };
  await press('Control+z', 'Undone: Set for Rosa Delgado: forwarding always, the order of ringing');
  await expect(seconds).toHaveValue('18');
  await expect(forward).toHaveValue(/pia/);
  await press('Control+z', 'Undone: Change the name of Rosa Delgado');
  await press('Control+z', 'Undone: Set for Rosa Delgado: forwarding always');
  await expect(forward).not.toHaveValue(/pia/);
  await press('Control+Shift+Z', 'Done again: Set for Rosa Delgado: forwarding always');
  await expect(forward).toHaveValue(/pia/);
});

test('phones ring one after the other; a late one is said to hardly ring', async ({ page }) => {
  await open(page, '/people/rosa/reach');
  await page.getByRole('button', { name: 'Then ring…' }).click();
  await expect(page.locator('.chart .bar.sounding')).toHaveCount(4);
  const second = page.locator('ol > li').nth(1);
  await second.getByLabel('Seconds').fill('5');
  await expect(second.getByText('Mobile app starts to sound after 2 s: hardly a ring.')).toBeVisible();
  await page.getByRole('button', { name: /Remove step 1/ }).click();
  await page.getByRole('button', { name: /Remove step 1/ }).click();
  await expect(page.getByText('No phone rings: a call goes on at once.')).toBeVisible();
  await expect(page.getByText('No phone rings.', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Leave it as it was' }).click();
  await expect(page.getByLabel('Seconds')).toHaveValue('18');
});

test.describe('a forward that can do no good is refused beside the field', () => {
  for (const [typed, why] of [
    ['201', 'That is yourself'],
    ['9 911', 'emergency number'],
    ['(360) 555-0142', 'That is your own Main line'],
    ['+1 900 234 5678', 'premium-rate'],
    ['555', 'Nobody has extension 555'],
  ] as const)
    test(typed, async ({ page }) => {
      await open(page, '/people/rosa/reach');
      await page.getByLabel('Nobody answers', { exact: true }).selectOption('a number…');
      const field = page.getByLabel('Nobody answers: number');
      await field.fill(typed);
      await field.press('Enter');
      await expect(page.getByText(new RegExp(why))).toBeVisible();
      await expect(field).toHaveValue(typed);
      await expect(page.getByRole('button', { name: 'Set it' })).toHaveCount(0);
      await field.fill('9 (206) 555-0111');
      await field.press('Enter');
      await expect(page.getByText('9 for an outside line was left off')).toBeVisible();
      await expect(lane(page, '(206) 555-0111')).toHaveCount(1);
    });
  test('in a circle', async ({ page }) => {
    await open(page, '/people/pia/reach');
    await page.getByLabel('Always, before anything rings').selectOption('Rosa Delgado · 201');
    await page.getByRole('button', { name: 'Set it' }).click();
    await visit(page, '/people/rosa/reach');
    await page.getByLabel('Always, before anything rings').selectOption('Pia Lindqvist · 203');
    await expect(page.getByText('Rosa Delgado → Pia Lindqvist → Rosa Delgado')).toBeVisible();
  });
});

test('a forward ends by itself, and the overview, the directory and the phones say the same of it', async ({
  page,
}) => {
  await open(page, '/people/idris/reach');
  await page.getByLabel('Always, before anything rings').selectOption('Rosa Delgado · 201');
  await page.getByLabel('Sent on until').selectOption('for two hours');
  await page.getByLabel('Declined', { exact: true }).selectOption('Pia Lindqvist · 203');
  await page.getByRole('button', { name: 'Set it' }).click();
  await expect(page.getByRole('heading', { name: 'If somebody dials 202 now' })).toBeVisible();
  const told = 'sends all calls on to Rosa Delgado until Tue 24 Nov, 12:15';
  await visit(page, '/phones');
  await expect(page.getByTestId('held').first()).toHaveText(told);
  await visit(page, '/people/directory');
  await expect(page.getByRole('row', { name: /Idris Okafor/ }).getByTestId('held')).toHaveText(told);
  await visit(page, '/people/idris');
  await expect(page.getByTestId('holds-now')).toContainText('until Tue 24 Nov, 12:15');
  await visit(page, '/');
  await expect(page.getByTestId('holds-now')).toContainText(
    'Idris Okafor sends all calls on to Rosa Delgado',
  );
  await setClock(page, '2026-11-24T12:16');
  await expect(page.getByTestId('holds-now')).toContainText(
    'Nothing: what callers get is what plans and hours say.',
  );
  await visit(page, '/people/idris/reach');
  await expect(page.getByLabel('Always, before anything rings')).toHaveValue('');
  await expect(page.getByLabel('Declined', { exact: true })).toHaveValue('person pia');
});

test('staff say themselves who sees the number of their own mobile', async ({ page }) => {
  await open(page, '/people/roles');
  await page.getByRole('button', { name: 'Look as Dov Petrenko' }).click();
  await expect(page).toHaveURL(/\/people\/dov$/);
  await page.getByRole('link', { name: /^How you are reached/ }).click();
  await page.getByLabel('Who sees the number of the own mobile').selectOption('everybody');
  await expect(page.getByText(/set by Dov Petrenko/).first()).toBeVisible();
});

test('do not disturb says which numbers then reach nobody, ends by itself, and lets exceptions through', async ({
  page,
}) => {
  await open(page, '/people/rosa/reach');
  await ready(page);
  await expect(effect(page)).toContainText(
    'Nothing: callers of the business’s numbers get what the plans say.',
  );
  await page.locator('label', { hasText: 'Do not disturb' }).first().click();
  await expect(effect(page).getByRole('listitem').first()).toContainText(
    'Rosa Delgado, direct, at all hours: reaches nobody, only voicemail.',
  );
  await page.getByLabel('Do not disturb until').selectOption('for two hours');
  await expect(effect(page).getByRole('listitem').first()).toContainText(
    'Rosa Delgado, direct, Tue 10:15–12:15: reaches nobody',
  );
  await page.getByLabel('every contact').check({ force: true });
  await page.getByRole('button', { name: 'Set it' }).click();
  await expect(page.getByRole('heading', { name: 'If somebody dials 201 now' })).toBeVisible();
  await expect(page.getByLabel('every contact')).toBeChecked();
});

test('quiet hours of every day and whole days are told for the week before they are set', async ({
  page,
}) => {
  await open(page, '/people/rosa/reach');
  await page.locator('label', { hasText: 'Quiet hours' }).click();
  await page.getByLabel('Daily from').fill('18:30');
  await page.getByLabel('Daily from').press('Tab');
  await page.getByLabel('Sat', { exact: true }).check({ force: true });
  const told = /00:00–08:00 and 18:30–24:00, Sat all day: reaches nobody, only voicemail/;
  await expect(effect(page)).toContainText(told);
  // Only the days: both times are the same.
  await page.getByLabel('Daily from').fill('08:00');
  await page.getByLabel('Daily from').press('Tab');
  await expect(page.getByText('From and to are the same: only those days are quiet.')).toBeVisible();
  await expect(effect(page)).toContainText('Sat all day: reaches nobody');
  await page.getByRole('button', { name: 'Set it' }).click();
  await expect(page.getByText('Set for Rosa Delgado: quiet hours')).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Sat', { exact: true })).toBeChecked();
});

test('a linked phone is switched off, shows the business’s number, and asks for a key, each by itself', async ({
  page,
}) => {
  await open(page, '/people/dov/reach');
  await expect(lane(page, 'Own mobile')).toHaveCount(1);
  await expect(page.getByText(/set by Dov Petrenko, on the staff page/)).toBeVisible();
  await page.getByLabel('It shows').selectOption('the caller’s number');
  await expect(page.getByText(/Own mobile shows the caller/)).toBeVisible();
  const phone = page.getByRole('region', { name: 'Own mobile' });
  await phone.locator('label', { hasText: 'Press 1 to take a call' }).click();
  await expect(phone).toContainText('no: its own voicemail can take it');
  await phone.locator('label', { hasText: 'Own mobile' }).click();
  await expect(page.getByText('No phone is left that rings')).toBeVisible();
  await expect(page.getByText('not rung: switched off')).toBeVisible();
});

test('a linked phone shows the business’s number; lifting it asks for a key, and only the key takes the call', async ({
  page,
}) => {
  await open(page, '/people/dov/reach');
  const drawer = await bench(page, 'Outside phone');
  await drawer.getByLabel('Phone', { exact: true }).selectOption('Rosa Delgado · Desk phone');
  await drawer.getByLabel('Digits', { exact: true }).fill('210');
  await drawer.getByRole('button', { name: 'Dial', exact: true }).click();
  const rings = drawer.getByRole('list', { name: 'Ringing outside now' });
  await expect(rings).toContainText('Dov Petrenko · Own mobile', { timeout: 20_000 });
  await expect(rings).toContainText('shows (360) 555-0142');
  await rings.getByRole('button', { name: 'Lift' }).click();
  await expect(rings).toContainText('To take it press 1');
  await page.waitForTimeout(4000);
  await expect(drawer.getByText('They talk.')).toHaveCount(0);
  await rings.getByRole('button', { name: 'Press 1' }).click();
  await expect(drawer.getByText('They talk.')).toBeVisible();
  await rings.getByRole('button', { name: 'Hang up' }).click();
  await expect(rings).toHaveCount(0);
});

test('a star code on the desk phone forwards, and the page says where that came from', async ({ page }) => {
  await open(page, '/people/rosa/reach');
  const drawer = await bench(page, 'Outside phone');
  await drawer.getByLabel('Phone', { exact: true }).selectOption('Rosa Delgado · Desk phone');
  await drawer.getByLabel('Digits', { exact: true }).fill('*72 201');
  await drawer.getByRole('button', { name: 'Dial', exact: true }).click();
  await expect(drawer.getByRole('status')).toContainText('*72: not done, That is yourself');
  await drawer.getByLabel('Digits', { exact: true }).fill('*72203');
  await drawer.getByRole('button', { name: 'Dial', exact: true }).click();
  await expect(drawer.getByRole('status')).toContainText(
    '*72: forwarding on: calls go to Pia Lindqvist (203)',
  );
  await drawer.getByRole('button', { name: 'Close' }).click();
  await expect(page.getByText(/set by Rosa Delgado · Desk phone, by \*72, Tue 24 Nov/)).toBeVisible();
  await expect(lane(page, 'Pia Lindqvist ·')).toHaveCount(1);
});

test('staff set their own reach on their own page, and nobody else’s', async ({ page }) => {
  await open(page, '/people/roles');
  await page.getByRole('button', { name: 'Look as Pia Lindqvist' }).click();
  await visit(page, '/people/pia');
  await page.getByRole('link', { name: /How you are reached/ }).click();
  await page.getByLabel('Callers who hide their number').selectOption('are refused');
  await page.getByRole('button', { name: 'Set it' }).click();
  await expect(page.getByText(/set by Pia Lindqvist, Tue 24 Nov/)).toBeVisible();
  await visit(page, '/people/rosa/reach');
  await expect(page.getByText('This page is for whoever does the phones')).toBeVisible();
});

test('a phone that was without network does not undo what was set later elsewhere', async ({
  context,
  page,
}) => {
  const staff = await withSoftphone(context, page);
  await staff.getByLabel('Bench: its network').selectOption('no network');
  await expect(staff.getByTestId('phone-state')).toContainText('no network');
  await staff.locator('label', { hasText: 'Do not disturb' }).click();
  await expect(staff.getByTestId('waits')).toContainText('Do not disturb is on');
  // Meanwhile the administration sets it, on and off again.
  await visit(page, '/people/idris/reach');
  const toggle = page.locator('label', { hasText: 'Do not disturb' }).first();
  await toggle.click();
  await expect(page.getByText('Idris Okafor is not to be disturbed')).toBeVisible();
  await toggle.click();
  await expect(page.getByText('Idris Okafor is rung again')).toBeVisible();
  await staff.getByLabel('Bench: its network').selectOption('in reach');
  await expect(staff.getByText('Not set: it was set again later')).toBeVisible();
  await expect(staff.getByText('Do not disturb stays as whoever runs the system set it.')).toBeVisible();
  await expect(staff.getByTestId('phone-state')).toContainText('this phone is ready');
  await expect(staff.getByTestId('waits')).toHaveCount(0);
});

test('a stranger says who they are; whoever is rung reads it and lets them leave a message', async ({
  context,
  page,
}) => {
  test.setTimeout(150_000);
  const staff = await withSoftphone(context, page);
  await visit(page, '/people/idris/reach');
  await page.getByLabel('Who says their name first').selectOption('everybody from outside');
  await page.getByRole('button', { name: 'Set it' }).click();
  await expect(page.getByText(/set by whoever runs the system/).first()).toBeVisible();
  // The front office is rung as a group: nobody is asked for a name then.
  const group = await callFrom(context, 'Main line');
  await expect(staff.getByTestId('ringing')).toBeVisible();
  await expect(staff.getByTestId('notes')).toHaveCount(0);
  await expect(staff.getByRole('button', { name: /Let them leave a message/ })).toHaveCount(0);
  await group.getByRole('button', { name: 'Hang up' }).click();
  await group.close();
  // A number straight to Idris follows how he is reached.
  await visit(page, '/numbers#n-winter-store');
  await page.getByLabel('Where calls to Winter store go').selectOption('Idris Okafor, then their voicemail');
  await putInForce(page);
  const outside = await callFrom(context, 'Winter store');
  await expect(outside.getByTestId('outside-call')).toContainText('Please say your name.');
  await outside.getByLabel('Your answer').fill('Jo from the <b>chandlery</b>');
  await outside.getByRole('button', { name: 'Say it' }).click();
  await expect(staff.getByTestId('notes')).toContainText('Jo from the <b>chandlery</b>');
  await staff.keyboard.press('v');
  await expect(outside.getByTestId('outside-call')).toContainText('leave a message');
});

test('from empty: somebody who is only in the draft, with a phone that is not paired and no mailbox, is set up all the same', async ({
  page,
}) => {
  await visit(page, '/');
  await page.getByRole('button', { name: 'Start with your own business' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name').fill('Gull Point Chandlery');
  await dialog.getByRole('button', { name: 'Start', exact: true }).click();
  await expect(page.getByText('Gull Point Chandlery', { exact: true })).toBeVisible();
  await page.getByTestId('task-people').getByRole('link').click();
  const form = page.locator('form', { hasText: 'Add one' });
  await form.getByLabel('Name').fill('Ada Fenwick');
  await form.getByRole('button', { name: 'Add', exact: true }).click();
  await form.getByRole('link', { name: 'Ada Fenwick' }).click();
  await page.getByRole('link', { name: /Which phones, how long/ }).click();
  await expect(page.getByText('not rung: not paired')).toBeVisible();
  await expect(page.getByText('No phone rings.', { exact: true })).toBeVisible();
  await page.getByLabel('No phone can ring').selectOption('a number…');
  await page.getByLabel('No phone can ring: number').fill('206 555 0111');
  await page.getByLabel('No phone can ring: number').press('Enter');
  await expect(lane(page, '(206) 555-0111')).toHaveCount(1);
  await page.getByRole('button', { name: 'Set it' }).click();
  await expect(page.getByText(/set by whoever runs the system/)).toBeVisible();
  await page.reload();
  await expect(lane(page, '(206) 555-0111')).toHaveCount(1);
  // The call-back list and the block list are empty, and say what belongs there.
  await visit(page, '/messages/call-back');
  await expect(page.getByText('Nobody waits for an answer')).toBeVisible();
  await visit(page, '/answering/callers');
  await expect(page.getByRole('list', { name: 'Block list' })).toContainText('Nobody.');
});
