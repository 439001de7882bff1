/** The screens one by one: what a person does there, and what happens when it goes wrong. */
import { test as fresh } from '@playwright/test';
import type { Page } from '@playwright/test';
import { addStep, codeInLetter, open, setClock, setUpPhone, visit } from './bench';
import { PAGES, PHONES } from './paths';
import { expect, test } from './seeded';

const sendInvitation = async (page: Page): Promise<string> => {
  await page.getByRole('button', { name: /^Invite.*Jonah/ }).click();
  await page.getByRole('button', { name: 'Open the mail' }).click();
  const bench = page.getByRole('complementary', { name: 'Bench' });
  await bench.getByRole('tab', { name: 'Mail' }).click();
  await bench
    .getByRole('button', { name: /Your phone at Lantern Cove/ })
    .first()
    .click();
  const code = await codeInLetter(page);
  await bench.getByRole('button', { name: 'Close' }).click();
  return code;
};
const pairWith = async (page: Page, code: string): Promise<void> => {
  await page.getByLabel('Business number').fill('360-555-0142');
  await page.getByLabel('Six-digit code').fill(code);
  await page.getByRole('button', { name: 'Pair', exact: true }).click();
};

test('pairing: a code runs out after a week by the bench clock', async ({ context, page }) => {
  await open(page, '/phones');
  const jonah = page.getByRole('row', { name: /Jonah Achterberg/ });
  await expect(jonah).toContainText('not invited yet');
  const code = await sendInvitation(page);
  await expect(jonah).toContainText('Not paired yet');
  await setClock(page, '2026-12-01T10:31');
  await expect(jonah).toContainText('Code ran out Tue 1 Dec');
  const staff = await context.newPage();
  await staff.goto('/phone');
  await pairWith(staff, code);
  await expect(staff.getByText('This code has expired')).toBeVisible();
  const second = await sendInvitation(page);
  await pairWith(staff, second);
  await setUpPhone(staff);
  await expect(staff.getByTestId('phone-state')).toContainText('this phone is ready');
  await expect(jonah).toContainText('registered · paired');
  // The same phone in a second window waits until the first is closed.
  const twin = await context.newPage();
  await twin.goto('/phone');
  await twin.getByRole('button', { name: /Jonah Achterberg · 212/ }).click();
  await expect(twin.getByTestId('phone-state')).toContainText('open in another window');
  await staff.getByRole('button', { name: 'Sign this phone out' }).click();
  await expect(staff.getByRole('heading', { name: 'Pair this phone' })).toBeVisible();
  await expect(jonah).toContainText(/not invited yet|Not paired yet|Code/);
});

test('pairing: five wrong tries lock the code', async ({ context, page }) => {
  await open(page, '/phones');
  const code = await sendInvitation(page);
  const staff = await context.newPage();
  await staff.goto('/phone');
  for (const left of ['4 tries', '3 tries', '2 tries', 'One try', 'fifth wrong try']) {
    await pairWith(staff, code === '999999' ? '999998' : '999999');
    await expect(staff.getByText(left)).toBeVisible();
  }
  await pairWith(staff, code);
  await expect(staff.getByText('This code is locked')).toBeVisible();
  await expect(page.getByRole('row', { name: /Jonah Achterberg/ })).toContainText(
    'Code locked after five wrong tries',
  );
});

test('inviting somebody without an address says what is missing', async ({ page }) => {
  await open(page, '/people/anselm');
  await page.getByRole('button', { name: 'Add a phone' }).click();
  await page.getByLabel('Kind of phone').selectOption('Browser softphone');
  await page.getByRole('button', { name: 'Add it' }).click();
  await page.getByRole('button', { name: /^Invite Anselm/ }).click();
  await expect(page.getByText('Anselm Frey has no e-mail address to send the invitation to.')).toBeVisible();
});

test('answering: start a plan, name it, fill it, use it for a number, remove it', async ({ page }) => {
  await open(page, '/answering/winter-store');
  await page.getByRole('button', { name: 'Remove this plan' }).click();
  await expect(
    page.getByText('Remove the plan Winter store (Winter store then without a plan)'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Start a plan', exact: true }).click();
  await page.getByLabel('Name of the plan').fill('Store in winter');
  await page.getByLabel('Name of the plan').press('Tab');
  await expect(page.getByRole('heading', { name: 'Store in winter' })).toBeVisible();
  await page.getByRole('button', { name: 'Use it for Winter store' }).click();
  await expect(page.getByText('Answers (509) 555-0118')).toBeVisible();
  const add = (name: string) => addStep(page, name);
  await add('By hours');
  await page.getByLabel('Hours', { exact: true }).selectOption('Office hours');
  await expect(page.getByText('Lunch · Mon–Fri 12:00–13:00')).toBeVisible();
  // Into the first branch.
  await addStep(page, 'Ring', 'first');
  await page.getByRole('combobox', { name: 'Who', exact: true }).click();
  await page.getByRole('option', { name: /Wren Halloran/ }).click();
  await page.getByRole('option', { name: /Mei Tanaka/ }).click();
  await page.keyboard.press('Escape');
  await page.getByLabel('How', { exact: true }).selectOption('One after the other');
  await expect(page.getByTestId('step').nth(1)).toContainText(
    'Ring Wren Halloran and Mei Tanaka, one after the other, 18 s each',
  );
  await add('Voicemail');
  await page.getByRole('button', { name: 'Start a mailbox for Store in winter' }).click();
  await expect(page.getByText('Heard by Wren Halloran, Mei Tanaka')).toBeVisible();
  await expect(page.getByTestId('rehearsal-sentence')).toContainText(
    'rings Mei Tanaka 18 s, nobody answered; message left in Store in winter',
  );
});

test('hours: another kind of period, copied over the week, becomes a branch', async ({ page }) => {
  await open(page, '/hours');
  const workshop = page.locator('#workshop-hours');
  await workshop.getByLabel('Another kind of period').fill('Tea');
  await workshop.getByRole('button', { name: 'Add kind' }).click();
  await workshop.getByLabel('Tea, Mon').fill('10-11');
  await workshop.getByLabel('Tea, Mon').press('Tab');
  await expect(workshop.getByText('Two periods of the same day overlap.')).toBeVisible();
  await workshop.getByLabel('Tea, Mon').fill('16-16:30');
  await workshop.getByLabel('Tea, Mon').press('Tab');
  await workshop.getByRole('button', { name: 'Copy the day' }).click();
  await expect(workshop.getByLabel('Tea, Fri')).toHaveValue('16-16:30');
  await expect(workshop.getByLabel('Tea, Sat')).toHaveValue('');
  const open5 = await workshop.getByLabel('Open, Fri').inputValue();
  await workshop.getByLabel('Copy', { exact: true }).selectOption('Fri');
  await workshop.getByLabel('to', { exact: true }).selectOption('Sun');
  await workshop.getByRole('button', { name: 'Copy the day' }).click();
  await expect(workshop.getByLabel('Tea, Sun')).toHaveValue('16-16:30');
  await expect(workshop.getByLabel('Open, Sun')).toHaveValue(open5);
  await page.goto('/answering/workshop');
  await page.getByRole('button', { name: 'Add a branch for Tea' }).click();
  await expect(page.getByText('Tea · Mon–Fri, Sun 16:00–16:30')).toBeVisible();
});

test('messages: heard, deleted and brought back', async ({ page }) => {
  await open(page, '/messages');
  const wire = page.getByRole('navigation', { name: 'The way of the work' });
  await expect(wire).toContainText('2 new');
  const first = page.getByTestId('message').filter({ hasText: 'mast step' });
  await first.getByRole('button', { name: 'Mark as heard' }).click();
  await expect(wire).toContainText('1 new');
  await first.getByRole('button', { name: 'Delete' }).click();
  await expect(page.getByText('mast step')).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(page.getByText('mast step')).toBeVisible();
});

test('a page at rest rests: nothing is worked out again and again', async ({ page }) => {
  await page.addInitScript(() => {
    const { setTimeout: real } = window;
    const counted = { timers: 0 };
    Object.assign(window, {
      counted,
      setTimeout: (...args: Parameters<typeof real>) => {
        counted.timers++;
        return real(...args);
      },
    });
  });
  await open(page, '/');
  await expect(page.getByText(/to fix/).first()).toBeVisible();
  const timers = () =>
    page.evaluate(() => (window as unknown as { counted: { timers: number } }).counted.timers);
  await page.waitForTimeout(2000);
  const before = await timers();
  await page.waitForTimeout(3000);
  // A clock may tick.
  expect((await timers()) - before).toBeLessThan(10);
});

fresh('data of a newer version is left alone and can be saved', async ({ page }) => {
  await page.goto('/favicon.svg');
  await page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const request = indexedDB.open('upper-line', 99);
        request.onupgradeneeded = () => request.result.createObjectStore('future').put('tomorrow', 1);
        request.onsuccess = () => {
          request.result.close();
          resolve();
        };
      }),
  );
  await page.goto('/');
  await expect(
    page.getByRole('heading', { name: 'This browser holds data of a newer version' }),
  ).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the raw data' }).click();
  const text = Buffer.concat(await (await (await download).createReadStream()).toArray()).toString();
  expect(JSON.parse(text)).toEqual({ future: ['tomorrow'] });
});

test('no screen needs scrolling sideways at 1024, nor the phones at 390', async ({ page }) => {
  // Every page there is, one after the other.
  test.setTimeout(240_000);
  await open(page, '/');
  const wide = () =>
    page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
  /** Fields too narrow to type in, and stops of the way of the work that run into the next. */
  const squeezed = () =>
    page.evaluate(() => {
      const seen = (e: Element) => e.getBoundingClientRect().width > 1 && e.checkVisibility();
      const fields = [...document.querySelectorAll<HTMLInputElement>('main input.bx--text-input')]
        .filter((e) => seen(e) && e.getBoundingClientRect().width < 70)
        .map((e) => e.getAttribute('aria-label') ?? e.labels?.[0]?.textContent?.trim() ?? e.id);
      const stops = [...document.querySelectorAll('nav[aria-label="The way of the work"] a')];
      return [
        ...fields,
        ...stops.flatMap((stop, i) => {
          const next = stops[i + 1];
          return next && next.getBoundingClientRect().left - stop.getBoundingClientRect().right < 3
            ? [`${stop.textContent} ${next.textContent}`]
            : [];
        }),
      ];
    });
  for (const [width, paths] of [
    [1024, PAGES],
    [390, PHONES],
  ] as const) {
    await page.setViewportSize({ width, height: 768 });
    for (const path of paths) {
      await visit(page, path);
      await expect(page.locator('h1, form').first()).toBeVisible();
      expect(await wide(), `${path} at ${width}`).toBeLessThanOrEqual(0);
      expect(await squeezed(), `${path} at ${width}`).toEqual([]);
    }
  }
});

test('reading a file in place of a business says so first, and leaving it changes nothing', async ({
  page,
}) => {
  await open(page, '/people/pia');
  await page.getByRole('button', { name: 'Businesses and files' }).click();
  await page.getByRole('menuitem', { name: 'Save everything as a file' }).click();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: /^Save \d/ }).click();
  const path = (await (await download).path())!;
  await page.getByRole('link', { name: /Pia Lindqvist leaves/ }).click();
  await page.getByRole('button', { name: 'Pia Lindqvist leaves' }).click();
  await expect(page.getByTestId('saved')).toHaveText('Saved');
  const file = page.getByLabel('A file saved by Upper Line');
  await file.setInputFiles(path);
  const dialog = page.getByRole('dialog', { name: 'Open Lantern Cove Boatworks?' });
  await expect(dialog).toContainText('Lantern Cove Boatworks is in this browser already.');
  await expect(dialog).toContainText('6 numbers, 13 people, 9 plans');
  await dialog.getByRole('button', { name: 'Leave it' }).click();
  await expect(page.getByRole('link', { name: 'Pia Lindqvist' })).toBeHidden();
  await file.setInputFiles(path);
  await dialog.getByRole('button', { name: 'Put it in its place' }).click();
  await page.getByRole('link', { name: 'People' }).click();
  await expect(page.getByRole('link', { name: 'Pia Lindqvist' })).toBeVisible();
});

test('the strip names the number it rehearses, whichever way that came about', async ({ page }) => {
  await open(page, '/answering/rosa-direct');
  const called = page.getByLabel('Number called');
  const label = () => called.evaluate((s: HTMLSelectElement) => s.selectedOptions[0]?.textContent?.trim());
  await expect(page.getByTestId('rehearsal-sentence')).toContainText('Rings Rosa Delgado 18 s');
  await expect.poll(label).toContain('Rosa Delgado, direct');
  await page
    .getByRole('navigation', { name: 'Plans' })
    .getByRole('link', { name: /Winter store/ })
    .click();
  await expect.poll(label).toContain('Winter store');
  await called.selectOption('n-charters');
  await expect(page.getByTestId('rehearsal-sentence')).toContainText('Plays “Charters”');
  await expect.poll(label).toContain('Charters');
  await page.reload();
  await expect.poll(label).toContain('Winter store');
  await page.goto('/numbers#n-charters');
  await expect.poll(label).toContain('Charters');
  await page.getByRole('link', { name: 'Night watch' }).click();
  await expect(page.getByTestId('rehearsal-sentence')).toContainText('Rings Dov Petrenko 30 s');
  await page.getByRole('link', { name: 'Charters' }).click();
  const site = page.getByLabel('Site', { exact: true });
  await site.selectOption('Winter store');
  await page.locator('h1').click();
  await page.keyboard.press('Control+z');
  await expect(site).toHaveValue('yard');
});

test('name and time zone of the business are changed, with what callers get then shown first', async ({
  page,
}) => {
  await open(page, '/');
  await page.getByRole('button', { name: 'Businesses and files' }).click();
  await page.getByRole('menuitem', { name: 'Settings of the business' }).click();
  const zone = page.getByRole('combobox', { name: 'Time zone' });
  await expect(zone).toHaveValue(/Pacific Time/);
  await zone.fill('minneapolis');
  await page.getByRole('option', { name: /Central Time/ }).click();
  const effect = page.getByTestId('zone-effect');
  await expect(effect).toContainText('Office hours, Workshop hours, Charter season');
  await expect(effect).toContainText('Where it was 10:15, it is 12:15');
  await expect(effect).toContainText('Main line, Mon–Wed', { timeout: 60_000 });
  await page.getByRole('button', { name: 'Change it' }).click();
  await expect(effect).toBeHidden();
  await expect(page.getByRole('link', { name: 'Review 1 change' })).toBeVisible();
  const name = page.getByLabel('Name', { exact: true });
  await name.fill('Lantern Cove Boats');
  await name.press('Tab');
  await expect(page.getByTitle('Lantern Cove Boats')).toBeVisible();
  await page.locator('h1').first().click();
  await page.keyboard.press('Control+z');
  await expect(page.getByTitle('Lantern Cove Boatworks')).toBeVisible();
});

test('undo takes back what was done last, whatever it was: a message, then the edit before it', async ({
  page,
}) => {
  await open(page, '/people/pia');
  const name = page.getByLabel('Name', { exact: true });
  await name.fill('Pia L.');
  await name.press('Tab');
  await expect(page.getByRole('heading', { name: 'Pia L. · 203' })).toBeVisible();
  await page
    .getByRole('link', { name: /^Messages/ })
    .first()
    .click();
  const messages = page.getByTestId('message');
  await expect(messages.first()).toBeVisible();
  const before = await messages.count();
  await messages
    .first()
    .getByRole('button', { name: /^Delete/ })
    .click();
  await expect(messages).toHaveCount(before - 1);
  await page.locator('h1').first().click();
  await page.keyboard.press('Control+z');
  await expect(page.getByText(/^Undone: Deleted/)).toBeVisible();
  await expect(messages).toHaveCount(before);
  await page.keyboard.press('Control+z');
  await expect(page.getByText(/^Undone: Change the name of Pia/)).toBeVisible();
});

test('what is set by hand stands on the overview with who set it, and is ended there', async ({ page }) => {
  await open(page, '/');
  const holds = page.getByTestId('holds-now');
  await expect(holds).toContainText('Nothing: what callers get is what plans and hours say.');
  await visit(page, '/figures');
  await page.getByRole('button', { name: 'Log out Ines Morel' }).click();
  const office = page.getByRole('group', { name: 'Now, at Office hours' });
  await office.getByRole('button', { name: 'Close now until…' }).click();
  await office.getByRole('button', { name: 'Close now', exact: true }).click();
  await expect(office).toContainText('Closed until');
  await visit(page, '/people/idris/reach');
  await page.locator('label', { hasText: 'Do not disturb' }).first().click();
  await page.getByLabel('Do not disturb until').selectOption('for an hour');
  await visit(page, '/');
  const row = (who: string) => holds.getByRole('listitem').filter({ hasText: who });
  await expect(holds.getByRole('listitem')).toHaveCount(3);
  await expect(row('Office hours')).toContainText(/are closed, whatever they say.*until Tue 24 Nov, 11:30/);
  await expect(row('Ines Morel')).toContainText(/is logged out of Front desk.*until somebody ends it/);
  await expect(row('Idris Okafor')).toContainText(/is not to be disturbed.*until Tue 24 Nov, 11:15/);
  await expect(row('Idris Okafor')).toContainText('Whoever calls now: ');
  for (const who of ['Office hours', 'Ines Morel', 'Idris Okafor']) {
    await row(who)
      .getByRole('button', { name: /^End it/ })
      .click();
    await expect(row(who)).toHaveCount(0);
    await expect(holds.getByRole('heading')).toBeFocused();
  }
  await expect(holds).toContainText('Nothing: what callers get');
  await page.keyboard.press('Control+z');
  await expect(row('Idris Okafor')).toBeVisible();
});
