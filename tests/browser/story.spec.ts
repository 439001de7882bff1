/** The whole thread in one story: an empty business, a number, a person, a phone, a plan, in force, a real call, a message. */
import { readFileSync } from 'node:fs';
import { gunzipSync } from 'node:zlib';
import { expect, test, type BrowserContext, type Page } from '@playwright/test';
import { addStep, codeInLetter, currentBusiness, saved, setClock, setUpPhone, toSection } from './bench';

/** Every request the pages make must go to this server. */
function watchRequests(context: BrowserContext, baseURL: string): string[] {
  const foreign: string[] = [];
  context.on('request', (request) => {
    const url = new URL(request.url());
    if (url.protocol.startsWith('http') && url.origin !== baseURL) foreign.push(request.url());
  });
  return foreign;
}

/** What the browser refuses because of the security policy, and errors nobody handled. */
function watchErrors(context: BrowserContext): string[] {
  const errors: string[] = [];
  context.on('console', (message) => {
    if (message.type() === 'error') errors.push(message.text());
  });
  context.on('weberror', (error) => errors.push(error.error().message));
  return errors;
}

const strip = (page: Page) => page.getByRole('region', { name: 'Rehearsal' });
const bar = (page: Page, lane: string, kind: string) =>
  strip(page).locator('.lane', { hasText: lane }).locator(`.bar.${kind}`);

interface StandingLine {
  is: string;
  value: { standing: { revision?: number; registrations: Record<string, { online?: boolean }> } };
}
/** What a saved file holds, but for when it was saved and whether a softphone's window is open just then. */
function recordsOf(path: string): unknown[] {
  const [, ...lines] = gunzipSync(readFileSync(path)).toString().trim().split('\n');
  return lines.map((line) => {
    const record = JSON.parse(line) as StandingLine;
    if (record.is === 'standing') {
      delete record.value.standing.revision;
      for (const r of Object.values(record.value.standing.registrations)) delete r.online;
    }
    return record;
  });
}

test('from nothing to a message in the mailbox', async ({ context, page, baseURL }) => {
  test.setTimeout(process.env.CI ? 420_000 : 180_000);
  const foreign = watchRequests(context, baseURL!);
  const errors = watchErrors(context);
  await page.goto('/');
  await expect(page.getByText('Lantern Cove Boatworks')).toBeVisible();
  await setClock(page, '2026-11-24T10:15');

  await test.step('an own business beside the demonstration', async () => {
    await page.getByRole('button', { name: 'Start with your own business' }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByRole('button', { name: 'Start', exact: true }).click();
    await expect(dialog.getByText('Type the name of your business.')).toBeVisible();
    const zone = dialog.getByRole('combobox', { name: 'Time zone' });
    await expect(zone).toHaveValue(/Berlin/);
    await zone.fill('seattle');
    await page.getByRole('option', { name: /Pacific Time/ }).click();
    await dialog.getByLabel('Name').fill('Gull Point Chandlery');
    await dialog.getByRole('button', { name: 'Start', exact: true }).click();
    await expect(page.getByTitle('Gull Point Chandlery')).toBeVisible();
    await expect(page.getByTestId('how-far')).toContainText('1 of 16 done');
  });

  await test.step('1: look for a number and take one', async () => {
    await page.getByTestId('task-number').getByRole('link').click();
    const search = page.getByLabel('Area code or city');
    await search.fill('212');
    await expect(page.getByText('No numbers are left in New York')).toBeVisible();
    await search.fill('Belling');
    const offers = page.getByRole('list', { name: 'Numbers on offer' }).getByRole('listitem');
    await expect(offers.first()).toContainText('Bellingham');
    // Some are gone by the time they are ordered; the next one then.
    while (!(await page.getByText('is yours and in the draft').isVisible())) {
      await offers.first().getByRole('button', { name: /^Take/ }).click();
      await page.getByRole('button', { name: 'Order it' }).click();
      await expect(page.getByRole('heading', { name: 'Your order' })).toBeVisible();
    }
    await page.getByRole('link', { name: 'Say what it is for' }).click();
    await expect(page.locator('.held li')).toContainText('Main line');
    await expect(page.locator('.held li')).toContainText('No plan yet');
  });
  const number = (await page.locator('.held li b').first().innerText()).trim();
  expect(number).toMatch(/^\(360\) 555-01\d\d$/);

  await test.step('2: add a person; the next free extension is suggested', async () => {
    await page.getByRole('link', { name: 'People' }).click();
    await expect(page.getByText('Next free: 201')).toBeVisible();
    const form = page.locator('form', { hasText: 'Add one' });
    await form.getByLabel('Name').fill('Ada Fenwick');
    await form.getByLabel('E-mail').fill('not an address');
    await form.getByRole('button', { name: 'Add', exact: true }).click();
    await expect(form.getByText('That is not an e-mail address')).toBeVisible();
    await form.getByLabel('E-mail').fill('ada@gullpoint.example');
    await form.getByLabel('Extension').fill('911');
    await form.getByRole('button', { name: 'Add', exact: true }).click();
    await expect(form.getByText('911 is an emergency number')).toBeVisible();
    await form.getByLabel('Extension').fill('');
    await form.getByRole('button', { name: 'Add', exact: true }).click();
    // The form is ready for the next one; whoever was added is a link.
    await expect(form.getByLabel('Name')).toBeFocused();
    await expect(form.getByLabel('Name')).toHaveValue('');
    await form.getByRole('link', { name: 'Ada Fenwick' }).click();
    await expect(page.getByRole('heading', { name: 'Ada Fenwick · 201' })).toBeVisible();
    await expect(page.getByText('not invited yet')).toBeVisible();
  });

  let staff!: Page;
  await test.step('3: invite her, and pair the browser softphone', async () => {
    await page.getByRole('button', { name: /^Invite Ada Fenwick/ }).click();
    await page.getByRole('button', { name: 'Open the mail' }).click();
    const bench = page.getByRole('complementary', { name: 'Bench' });
    await bench.getByRole('button', { name: /Your phone at Gull Point Chandlery/ }).click();
    const letter = await bench.getByTestId('mail-text').innerText();
    expect(letter).toContain(number);
    const code = await codeInLetter(page);
    const download = page.waitForEvent('download');
    await bench.getByRole('button', { name: 'Save as .eml' }).click();
    const eml = readFileSync((await (await download).path())!, 'utf8');
    expect(eml).toMatch(/^To: .*ada@gullpoint\.example/m);
    await bench.getByRole('button', { name: 'Close' }).click();

    staff = await context.newPage();
    await staff.setViewportSize({ width: 390, height: 780 });
    await staff.goto('/phone');
    await staff.getByLabel('Business number').fill('(206) 555-0199');
    await staff.getByLabel('Six-digit code').fill(code);
    await staff.getByRole('button', { name: 'Pair', exact: true }).click();
    await expect(staff.getByText('No business here has this number')).toBeVisible();
    await staff.getByLabel('Business number').fill(number);
    await staff.getByLabel('Six-digit code').fill(code === '123456' ? '123457' : '123456');
    await staff.getByRole('button', { name: 'Pair', exact: true }).click();
    await expect(staff.getByText('4 tries are left')).toBeVisible();
    await staff.getByLabel('Six-digit code').fill(code);
    await staff.getByRole('button', { name: 'Pair', exact: true }).click();
    await setUpPhone(staff);
    await expect(staff.getByTestId('not-ready')).toContainText('You are not in force yet');
    await expect(page.getByText('registered · paired')).toBeVisible();
  });

  await test.step('4: write the plan', async () => {
    await page.getByRole('link', { name: 'Answering' }).click();
    await page.getByRole('button', { name: 'Start a plan for Main line' }).click();
    const add = (name: string) => addStep(page, name);
    await add('Play');
    await page
      .getByLabel('What the caller hears')
      .fill('Welcome to Gull Point Chandlery, one moment please, we are coming.');
    await add('Ring');
    await expect(page.getByTestId('step').nth(1)).toContainText('Ring Ada Fenwick, 18 s');
    await expect(page.getByTestId('step').nth(1)).toContainText('3 rings');
    await add('Voicemail');
    await expect(page.getByTestId('step').nth(2)).toContainText('Voicemail Ada Fenwick');
    await expect(bar(page, 'Caller hears', 'ringing')).toHaveAttribute('data-to', '22500');
    // The seconds, reordering, removing, and taking it all back.
    await page.getByTestId('step').nth(1).getByRole('button', { name: /^Ring/ }).click();
    await page.getByLabel('For how many seconds').fill('700');
    await expect(page.getByText('At most 600 seconds')).toBeVisible();
    await page.getByLabel('For how many seconds').fill('12');
    await expect(bar(page, 'Caller hears', 'ringing')).toHaveAttribute('data-to', '16500');
    await page.getByRole('button', { name: /^Move up: Ring/ }).click();
    await expect(page.getByTestId('step').nth(0)).toContainText('Ring Ada Fenwick, 12 s');
    await page.getByRole('button', { name: /^Remove: Voicemail/ }).click();
    await expect(page.getByTestId('step')).toHaveCount(2);
    await expect(strip(page).getByTestId('rehearsal-outcome')).toContainText('cut off');
    await page.getByRole('heading', { name: 'Main line' }).click();
    for (const _ of ['voicemail', 'order']) await page.keyboard.press('Control+z');
    await expect(page.getByTestId('step')).toHaveCount(3);
    await expect(page.getByTestId('step').nth(1)).toContainText('Ring Ada Fenwick, 12 s');
    await page.keyboard.press('Control+z');
    await expect(page.getByTestId('step').nth(1)).toContainText('18 s');
    await page.keyboard.press('Control+Shift+z');
    await expect(page.getByTestId('step').nth(1)).toContainText('12 s');
  });

  await test.step('5: rehearse how people behave', async () => {
    const outcome = strip(page).getByTestId('rehearsal-outcome');
    await expect(outcome).toContainText('then a message in Ada Fenwick');
    await strip(page).getByLabel('Who does something').selectOption('Ada Fenwick');
    await strip(page).getByLabel('Seconds of ringing').fill('5');
    // 4.5 s of welcome, 1 s until a softphone sounds, 5 s of ringing.
    await expect(outcome).toHaveText('answered by Ada Fenwick at 10.5 s');
    await expect(bar(page, 'Ada Fenwick', 'sounding')).toHaveAttribute('data-from', '5500');
    await strip(page).getByLabel('What they do').selectOption('declines');
    await expect(outcome).toContainText('until the tone');
    await expect(bar(page, 'Ada Fenwick', 'sounding')).toHaveAttribute('data-to', '10500');
    await strip(page).getByLabel('Who does something').selectOption('nobody answers');
    await expect(strip(page).getByTestId('rehearsal-sentence')).toContainText(
      'rings Ada Fenwick 12 s, nobody answered',
    );
  });

  await test.step('6: see what differs, and put it in force', async () => {
    await page.getByRole('link', { name: /Review \d+ changes/ }).click();
    const difference = page.getByTestId('difference');
    await expect(difference).toContainText('at all hours');
    await expect(difference).toContainText('No such number.');
    await expect(difference).toContainText('rings Ada Fenwick 12 s');
    await difference.getByRole('button', { name: 'Show the ring charts' }).click();
    await expect(difference.getByTestId('ring-chart')).toHaveCount(1);
    await page.getByRole('button', { name: 'Put in force' }).click();
    await expect(page.getByText('In force: callers get this from now on.')).toBeVisible();
    await expect(page.getByRole('link', { name: 'No changes' })).toBeVisible();
  });

  const outside = await context.newPage();
  await outside.setViewportSize({ width: 390, height: 780 });
  const business = await currentBusiness(page);
  const call = async () => {
    await outside.getByLabel('Number to call').fill(number);
    await outside.getByRole('button', { name: 'Call', exact: true }).click();
    await expect(outside.getByTestId('outside-call')).toContainText('Welcome to Gull Point Chandlery');
  };

  await test.step('7a: a real call rings the softphone; she answers and hangs up', async () => {
    await outside.goto(`/bench/phone?business=${business}`);
    await call();
    await expect(staff.getByTestId('ringing')).toContainText('(206) 555-0187');
    await expect(staff.getByTestId('ringing')).toContainText('Main line');
    await expect(outside.getByTestId('outside-call')).toContainText('You hear it ringing');
    await staff.getByRole('button', { name: /^Answer/ }).click();
    await expect(staff.getByTestId('talking')).toContainText('(206) 555-0187');
    await expect(outside.getByTestId('outside-call')).toContainText('You talk with Ada Fenwick');
    // Reloading either window does not drop the call.
    await outside.reload();
    await staff.reload();
    await expect(outside.getByTestId('outside-call')).toContainText('You talk with Ada Fenwick');
    await staff.getByRole('button', { name: 'Hang up' }).click();
    await expect(outside.getByTestId('outside-ended')).toContainText('answered by Ada Fenwick');
  });

  await test.step('7b: the caller hangs up while it rings', async () => {
    await call();
    await expect(staff.getByTestId('ringing')).toBeVisible();
    await outside.getByRole('button', { name: 'Hang up' }).click();
    await expect(staff.getByTestId('ringing')).toBeHidden();
    await expect(outside.getByTestId('outside-ended')).toContainText('hung up during the ringing');
    await expect(staff.getByText('missed')).toBeVisible();
  });

  await test.step('7c: nobody answers; the message is in every mailbox', async () => {
    await call();
    await expect(outside.getByTestId('outside-call')).toContainText('Speak now', { timeout: 40_000 });
    await outside.getByLabel('What you say').fill('The anchor chain <b>has come</b>.');
    await outside.reload();
    await expect(outside.getByLabel('What you say')).toHaveValue('The anchor chain <b>has come</b>.');
    await outside.waitForTimeout(2500);
    await outside.getByRole('button', { name: 'Hang up' }).click();
    await expect(outside.getByTestId('outside-ended')).toContainText('message left in Ada Fenwick');
    await toSection(staff, 'Messages');
    await expect(staff.getByTestId('message')).toContainText('The anchor chain <b>has come</b>.');
    await page.getByRole('link', { name: 'Messages' }).click();
    await expect(page.getByTestId('message')).toContainText('The anchor chain <b>has come</b>.');
    await page.getByRole('button', { name: 'Bench' }).click();
    await expect(
      page.getByRole('button', { name: /Message from \(206\) 555-0187 in Ada Fenwick/ }),
    ).toBeVisible();
    await page.getByRole('complementary', { name: 'Bench' }).getByRole('button', { name: 'Close' }).click();
    // The real call took the way that was rehearsed, to the tenth of a second.
    const real = page.getByTestId('call').first();
    await real.getByRole('button').click();
    for (const line of [
      '0.0 s  Play',
      '4.5 s  Ada Fenwick · Browser softphone: offered the call',
      '5.5 s  Ada Fenwick · Browser softphone: sounds',
      '16.5 s  nobody answered',
    ])
      await expect(real).toContainText(line);
  });

  await test.step('8: nothing is lost on reload, and a file brings it all to an empty browser', async () => {
    await saved(page);
    await page.reload();
    await expect(page.getByTestId('message')).toContainText('The anchor chain');
    await page.getByRole('button', { name: 'Businesses and files' }).click();
    await page.getByRole('menuitem', { name: 'Save everything as a file' }).click();
    await expect(page.getByTestId('file-size')).toHaveText(/^[\d.]+ [kM]B$/);
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: /^Save \d/ }).click();
    const path = (await (await download).path())!;
    const before = recordsOf(path);

    const fresh = await context.browser()!.newContext();
    const other = await fresh.newPage();
    await other.goto('/');
    await other.getByRole('heading', { name: 'Who answers, this week' }).waitFor();
    await other.getByLabel('A file saved by Upper Line').setInputFiles({
      name: 'broken.json',
      mimeType: 'application/json',
      buffer: Buffer.from('{"format":"upper-line-system","version":1}'),
    });
    await expect(other.getByText('The file is damaged')).toBeVisible();
    await other.getByLabel('A file saved by Upper Line').setInputFiles(path);
    const dialog = other.getByRole('dialog', { name: 'Open Gull Point Chandlery?' });
    await expect(dialog).toContainText('1 number, 1 person, 1 plan, 1 message, 3 calls');
    await dialog.getByRole('button', { name: 'Open it' }).click();
    await expect(other.getByText('Gull Point Chandlery').first()).toBeVisible();
    await other.getByRole('link', { name: 'Messages' }).click();
    await expect(other.getByTestId('message')).toContainText('The anchor chain');
    await other.getByRole('button', { name: 'Businesses and files' }).click();
    await other.getByRole('menuitem', { name: 'Save everything as a file' }).click();
    const again = other.waitForEvent('download');
    await other.getByRole('button', { name: /^Save \d/ }).click();
    expect(recordsOf((await (await again).path())!)).toEqual(before);
    await fresh.close();
  });

  expect(foreign, 'requests to other hosts').toEqual([]);
  expect(
    errors.filter((e) => !/status of 409/.test(e)),
    'errors in the console',
  ).toEqual([]);
});
