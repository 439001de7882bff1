/** What every page keeps to, and what the frame does on all of them. */
import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { open, visit } from './bench';
import { PAGES, PHONES } from './paths';
import { expect, openedAt, test } from './seeded';

interface Part {
  /** Only these rules. */
  rules?: string[];
  /** Only what is in here. */
  within?: string;
  /** Without what is in here. */
  without?: string;
}

/** What axe finds wrong with a page, or a part of it, that keeps somebody from using it. */
async function seriousOn(page: Page, { rules, within, without }: Part = {}): Promise<string[]> {
  // Colours that are still on their way from day to night would be measured half-way.
  await page.waitForFunction(() => document.getAnimations().every((a) => a.playState !== 'running'));
  // In this window alone, without a second one to gather what frames of other origins say: there are none.
  const axe = new AxeBuilder({ page }).setLegacyMode();
  // What passes is not written down, nor where what fails stands: its markup tells that.
  axe.options({ resultTypes: ['violations'], selectors: false, preload: false });
  if (rules) axe.withRules(rules);
  if (within) axe.include(within);
  if (without) axe.exclude(without);
  const { violations } = await axe.analyze();
  return violations
    .filter((v) => v.impact === 'serious' || v.impact === 'critical')
    .map((v) => `${v.id}: ${v.nodes.map((n) => n.html).join(' | ')}`);
}

/** One window for all the pages that a worker looks at: what they load is there already then. */
const looking = test.extend<object, { window: Page }>({
  window: [
    async ({ browser }, use) => {
      const context = await browser.newContext({ storageState: openedAt('2026-11-24T10:15') as never });
      await use(await context.newPage());
      await context.close();
    },
    { scope: 'worker' },
  ],
});

for (const path of [...PAGES, ...PHONES])
  looking(`${path} has no serious accessibility violation, by day or by night`, async ({ window }) => {
    test.slow();
    await window.emulateMedia({ colorScheme: 'light' });
    await visit(window, path);
    await expect(window.locator('h1, form').first()).toBeVisible();
    // What is around every page is looked at on the first; of the ten alike hundreds of the extension map, one is.
    const page: Part = {
      ...(path === '/' || PHONES.includes(path) ? {} : { within: 'main' }),
      without: '.hundred:nth-of-type(n + 2)',
    };
    expect(await seriousOn(window, page)).toEqual([]);
    await window.emulateMedia({ colorScheme: 'dark' });
    await expect(window.locator('body')).toHaveCSS('background-color', 'rgb(18, 24, 30)');
    // Only colours differ by night.
    expect(await seriousOn(window, { ...page, rules: ['color-contrast', 'link-in-text-block'] })).toEqual([]);
  });

test('panels and dialogs have no serious accessibility violation either', async ({ page }) => {
  test.setTimeout(150_000);
  await open(page, '/changes');
  /** What stands over the page; the page itself is looked at above. */
  const check = async (what: string, within: string) => {
    for (const colorScheme of ['dark', 'light'] as const) {
      await page.emulateMedia({ colorScheme });
      const found = await seriousOn(page, {
        within,
        // Only colours differ by night.
        ...(colorScheme === 'dark' ? { rules: ['color-contrast', 'link-in-text-block'] } : {}),
      });
      expect(found.map((f) => `${what}, ${colorScheme}: ${f}`)).toEqual([]);
    }
  };
  await page.getByRole('button', { name: 'Bench' }).click();
  for (const tab of ['Mail', 'Outside phone', 'Clock', 'Carrier']) {
    await page.getByRole('tab', { name: tab }).click();
    await check(`bench ${tab}`, 'aside[aria-label=Bench]');
  }
  await page.getByRole('tab', { name: 'Clock' }).click();
  await page.getByLabel('Choose in a calendar').last().click();
  await expect(page.getByRole('dialog', { name: 'Choose a day and a time' })).toBeVisible();
  await check('a month', '.days');
  await page.keyboard.press('Escape');
  await page.getByRole('complementary', { name: 'Bench' }).getByRole('button', { name: 'Close' }).click();
  await page.keyboard.press('/');
  await expect(page.getByRole('dialog', { name: 'Find' })).toBeVisible();
  await check('find', '[role=dialog]');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Businesses and files' }).click();
  await check('business menu', '[role=menu]');
  await page.getByRole('menuitem', { name: 'Start with your own business' }).click();
  await expect(page.getByRole('dialog')).toBeVisible();
  await check('own business', '[role=dialog]');
});

test('what was typed or asked is there again after a reload', async ({ page }) => {
  await open(page, '/');
  await page.getByRole('link', { name: 'People' }).click();
  const form = page.locator('form', { hasText: 'Add one' });
  await form.getByLabel('Name').fill('Half a nam');
  await form.getByLabel('Site').selectOption('Winter store');
  await page.getByLabel('Who does something').selectOption('Rosa Delgado');
  await page.getByLabel('What they do').selectOption('declines');
  const outcome = await page.getByTestId('rehearsal-sentence').innerText();
  await page.reload();
  await expect(form.getByLabel('Name')).toHaveValue('Half a nam');
  await expect(form.getByLabel('Site')).toHaveValue('store');
  await expect(page.getByLabel('What they do')).toHaveValue('declines');
  await expect(page.getByTestId('rehearsal-sentence')).toHaveText(outcome);
});

test('the place of notices goes with the page while nothing is said, and stays in sight while something is', async ({
  page,
}) => {
  await open(page, '/hours');
  const notices = page.getByRole('region', { name: 'Notices' });
  const last = page.getByRole('button', { name: 'Add hours' });
  await last.scrollIntoViewIfNeeded();
  await page.mouse.wheel(0, 2000);
  await expect(notices).not.toBeInViewport();
  await page.getByRole('button', { name: 'Remove', exact: true }).last().click();
  await expect(notices.getByRole('button', { name: 'Undo' })).toBeInViewport();
});

test('the frame: find, keys, bench, and every stop of the wire leads somewhere', async ({ page }) => {
  await open(page, '/');
  const stops = page.getByRole('navigation', { name: 'The way of the work' }).getByRole('link');
  for (let i = 0; i < (await stops.count()); i++) {
    await stops.nth(i).click();
    await expect(stops.nth(i)).toHaveAttribute('aria-current', 'page');
    await expect(page.locator('h1').first()).toBeVisible();
  }
  await page.keyboard.press('/');
  await page.getByRole('searchbox', { name: 'A name, a number, or what to do' }).fill('555 0171');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/numbers#/);
  await page.keyboard.press('/');
  await page.getByRole('searchbox', { name: 'A name, a number, or what to do' }).fill('207');
  await expect(page.getByRole('dialog').getByRole('listitem').first()).toContainText('Noor Haddad');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Noor Haddad' })).toBeVisible();
  await page.locator('h1').click();
  await page.keyboard.press('?');
  await expect(page.getByText('This list')).toBeVisible();
  await page.getByRole('searchbox', { name: 'A key, or what it does' }).fill('undo');
  await expect(page.getByText('Ctrl Z', { exact: true })).toBeVisible();
  await expect(page.getByText('This list')).toHaveCount(0);
});

test('what to do is found by the words people have for it, and done where it belongs, by keys alone', async ({
  page,
}) => {
  await open(page, '/');
  const todo = async (words: string, title: string) => {
    await page.keyboard.press('Control+k');
    const field = page.getByRole('searchbox', { name: 'A name, a number, or what to do' });
    await expect(field).toBeFocused();
    await field.fill(words);
    await expect(page.getByRole('dialog').getByRole('listitem').first()).toContainText(title);
    await page.keyboard.press('Enter');
  };
  await todo('new employee', 'Add a person');
  const name = page.locator('form', { hasText: 'Add one' }).getByLabel('Name');
  await expect(page.locator('form', { hasText: 'Add one' }).locator(':focus')).toHaveCount(1);
  await name.fill('Ada Quill');
  await todo('close now', 'Close now until…');
  await expect(page.getByRole('button', { name: 'Close now until…' }).first()).toBeFocused();
  await todo('time zone', 'Name, time zone and clock of the business');
  await expect(page).toHaveURL(/\/begin\/business$/);
  await todo('forward pia', 'Forward calls of Pia Lindqvist');
  await expect(page).toHaveURL(/\/people\/pia\/reach/);
  await todo('call the charters', 'Rehearse a call to Charters');
  await expect(page.getByTestId('rehearsal-sentence').or(page.locator('h1')).first()).toBeVisible();
  await expect(page).toHaveURL(/\/answering\/rehearsal\?ask=/);
  await page.keyboard.press('Control+k');
  await page.getByRole('searchbox', { name: 'A name, a number, or what to do' }).fill('zebra');
  await expect(
    page.getByText('Nothing here is called “zebra”, and nothing is done by those words.'),
  ).toBeVisible();
});

test('keys by themselves do nothing while something is typed or a list is open, and can be switched off', async ({
  page,
}) => {
  await open(page, '/answering/winter-store');
  const drawer = page.getByRole('complementary', { name: 'Bench' });
  // A list that is open takes letters.
  await page.getByRole('button', { name: 'Add a step' }).last().click();
  await page.keyboard.press('b');
  await expect(page.getByRole('combobox', { name: 'Which step?' })).toHaveValue('b');
  await expect(drawer).toHaveCount(0);
  await page.keyboard.press('Escape');
  await page.locator('h1').first().click();
  await page.keyboard.press('b');
  await expect(drawer).toBeVisible();
  await drawer.getByRole('button', { name: 'Close' }).click();

  await page.locator('h1').first().click();
  await page.keyboard.press('?');
  const keys = page.getByRole('dialog', { name: 'Keys' });
  const alone = keys.getByRole('checkbox', { name: /^Keys do this by themselves/ });
  await keys.getByText(/^Keys do this by themselves/).click();
  await expect(alone).not.toBeChecked();
  await page.keyboard.press('Escape');
  await page.reload();
  await page.locator('h1').first().click();
  await page.keyboard.press('b');
  await page.keyboard.press('?');
  await page.keyboard.press('/');
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('dialog', { name: 'Find' })).toBeVisible();
  await expect(drawer).toHaveCount(0);
  await expect(keys).toBeHidden();
  // They are switched on again where they were switched off.
  await page.getByRole('searchbox', { name: 'A name, a number, or what to do' }).fill('keyboard');
  await page.keyboard.press('Enter');
  await keys.getByText(/^Keys do this by themselves/).click();
  await page.keyboard.press('Escape');
  await page.locator('h1').first().click();
  await page.keyboard.press('b');
  await expect(drawer).toBeVisible();
});

test('two windows of one browser stay in step, and undo works in both', async ({ context, page }) => {
  await open(page, '/people/pia');
  const other = await context.newPage();
  await open(other, '/people/pia');
  await page.getByLabel('Name', { exact: true }).fill('Pia Lind');
  await page.getByLabel('Name', { exact: true }).press('Tab');
  await expect(other.getByRole('heading', { name: 'Pia Lind · 203', exact: true })).toBeVisible();
  await expect(other.getByRole('link', { name: 'Review 1 change' })).toBeVisible();
  await other.locator('h1').click();
  await other.keyboard.press('Control+z');
  await expect(page.getByRole('heading', { name: 'Pia Lindqvist · 203' })).toBeVisible();
  await expect(page.getByRole('link', { name: 'No changes' })).toBeVisible();
  // What is typed wrong is said beside the field, kept there, and changes nothing.
  const extension = page.getByLabel('Extension', { exact: true });
  await extension.fill('201');
  await extension.press('Tab');
  await expect(page.getByText('201 belongs to Rosa Delgado.')).toBeVisible();
  await expect(extension).toHaveValue('201');
  await expect(page.getByRole('heading', { name: 'Pia Lindqvist · 203' })).toBeVisible();
});

test('hours: typed times change who answers, wrong ones are kept and explained', async ({ page }) => {
  await open(page, '/');
  await page.getByRole('link', { name: 'Hours' }).click();
  const tuesday = page.locator('#office').getByLabel('Open, Tue');
  await tuesday.fill('8-25');
  await tuesday.press('Tab');
  await expect(page.getByText('is not a span such as')).toBeVisible();
  await expect(tuesday).toHaveValue('8-25');
  await tuesday.fill('11-12, 13-17');
  await tuesday.press('Tab');
  await expect(page.locator('#office').getByText('Now: closed')).toBeVisible();
  await expect(page.getByTestId('rehearsal-sentence')).toContainText('Plays “Yard closed”');
  await page.getByRole('link', { name: 'Review 1 change' }).click();
  await expect(page.getByTestId('difference').first()).toContainText(
    'Main line (360) 555-0142, Tue 08:00–11:00',
  );
});

test('a person who leaves is brought back by one click', async ({ page }) => {
  await open(page, '/people/pia');
  await page.getByRole('link', { name: /Pia Lindqvist leaves/ }).click();
  await page.getByRole('button', { name: 'Pia Lindqvist leaves' }).click();
  await expect(page.getByRole('link', { name: 'Pia Lindqvist' })).toBeHidden();
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(page.getByRole('link', { name: 'Pia Lindqvist' })).toBeVisible();
});

test('a finding is put right by its fix', async ({ page }) => {
  await open(page, '/answering/rosa-direct');
  await page.getByRole('button', { name: /^Remove: Voicemail/ }).click();
  await expect(page.getByText('Rosa Delgado can end without an answer')).toBeVisible();
  await page.goto('/changes');
  await expect(page.getByRole('button', { name: 'Put in force' })).toBeDisabled();
  await page.getByText('In spite of 1 finding').click();
  await expect(page.getByRole('button', { name: 'Put in force' })).toBeEnabled();
  await page.getByRole('button', { name: 'Add voicemail Rosa Delgado' }).click();
  await expect(page.getByText('Rosa Delgado can end without an answer')).toBeHidden();
  await expect(page.getByText('Nothing differs for callers')).toBeVisible();
});

test('a browser without date arithmetic of its own loads it, and shows the same week', async ({ page }) => {
  await open(page, '/');
  const board = page.locator('main');
  const own = await board.innerText();
  await page.addInitScript(() => Reflect.deleteProperty(globalThis, 'Temporal'));
  await page.reload();
  await expect(page.getByRole('heading', { name: 'Who answers, this week' })).toBeVisible();
  expect(await page.evaluate(() => 'Temporal' in globalThis)).toBe(false);
  await expect.poll(() => board.innerText()).toBe(own);
});

test('damaged data is not overwritten but offered as a file', async ({ page }) => {
  await open(page, '/');
  await expect(page.getByTestId('saved')).toHaveText('Saved');
  await page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const request = indexedDB.open('upper-line');
        request.onsuccess = () => {
          const store = request.result.transaction('drafts', 'readwrite').objectStore('drafts');
          store.put({ businessId: 'lantern-cove', system: 'spoiled' }).onsuccess = () => resolve();
        };
      }),
  );
  await page.reload();
  await expect(
    page.getByRole('heading', { name: 'The stored data of this business is damaged' }),
  ).toBeVisible();
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the raw data' }).click();
  expect(
    JSON.stringify(
      await (
        await download
      )
        .createReadStream()
        .then((s) => s.toArray())
        .then((b) => Buffer.concat(b).toString()),
    ),
  ).toContain('spoiled');
  await page.getByRole('button', { name: 'Open a demonstration beside it' }).click();
  await expect(page.getByRole('heading', { name: 'Who answers, this week' })).toBeVisible();
});

test('the demonstration can be reset', async ({ page }) => {
  await open(page, '/people/tomas');
  await page.getByRole('link', { name: /Tomas Brandt leaves/ }).click();
  await page.getByRole('button', { name: 'Tomas Brandt leaves' }).click();
  await expect(page.getByRole('link', { name: 'Tomas Brandt' })).toBeHidden();
  await page.getByRole('button', { name: 'Businesses and files' }).click();
  await page.getByRole('menuitem', { name: 'Reset the demonstration' }).click();
  await expect(page.getByText('as it was on the first day')).toBeVisible();
  await page.getByRole('link', { name: 'People' }).click();
  await expect(page.getByRole('link', { name: 'Tomas Brandt' })).toBeVisible();
});

test('server routes answer with problem documents and refuse what is too large', async ({ request }) => {
  const bad = await request.post('/api/carrier/search', { data: { country: 'Atlantis', where: '' } });
  expect(bad.status()).toBe(422);
  expect(bad.headers()['content-type']).toContain('application/problem+json');
  expect(await bad.json()).toMatchObject({ status: 422, detail: expect.stringContaining('country') });
  const none = await request.post('/api/carrier/search', { data: { country: 'US', where: '212' } });
  expect(await none.json()).toMatchObject({ status: 409, title: 'area sold out' });
  const broken = await request.post('/api/carrier/search', {
    headers: { 'content-type': 'application/json' },
    data: Buffer.from('{"country":'),
  });
  expect(broken.status()).toBe(400);
  const huge = await request.post('/api/carrier/search', {
    data: { country: 'US', where: ''.padEnd(300_000, '5') },
  });
  expect(huge.status()).toBe(413);
  const page = await request.get('/');
  expect(page.headers()['content-security-policy']).toContain("default-src 'none'");
});
