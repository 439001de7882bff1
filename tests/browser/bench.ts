/** Driving the bench the way a person does. */
import { expect, type BrowserContext, type Locator, type Page } from '@playwright/test';

/** Opens the bench at one of its tabs. */
export async function bench(page: Page, tab: string): Promise<Locator> {
  await page.getByRole('button', { name: 'Bench' }).click();
  const drawer = page.getByRole('complementary', { name: 'Bench' });
  // A tab that has just been drawn does not hear a click yet.
  const chosen = drawer.getByRole('tab', { name: tab });
  await expect(async () => {
    await chosen.click();
    await expect(chosen).toHaveAttribute('aria-selected', 'true', { timeout: 1000 });
  }).toPass();
  return drawer;
}

/** Sets the bench clock. @param local local time of the business: "2026-11-24T10:15" */
export async function setClock(page: Page, local: string): Promise<void> {
  const drawer = await bench(page, 'Clock');
  await drawer.getByLabel('Set it to').fill(local);
  await drawer.getByRole('button', { name: 'Set the clock' }).click();
  await drawer.getByText('was set and runs on').waitFor();
  // A clock that had been set before reads the same: until this one is shown and kept, nothing may be left.
  await expect(drawer.getByText(/^It is/)).toContainText(`${Number(local.slice(8, 10))} `);
  await expect(drawer.getByText(/^It is/)).toContainText(local.slice(11, 16));
  await saved(page);
  await drawer.getByRole('button', { name: 'Close' }).click();
}

/** What was done is stored: from then on a reload shows it. */
export const saved = (page: Page): Promise<void> => expect(page.getByTestId('saved')).toHaveText('Saved');

/** The code in the letter that is open on the bench. */
export const codeInLetter = async (page: Page): Promise<string> =>
  /code (\d{6})/.exec(await page.getByTestId('mail-text').innerText())![1]!;

/** Goes through what a phone asks of its person after pairing. */
export async function setUpPhone(phone: Page): Promise<void> {
  const steps = phone.getByTestId('set-up');
  await steps.getByRole('button', { name: /^(Allow the microphone|Go on)$/ }).click();
  await steps.getByRole('heading', { name: 'Notifications' }).waitFor();
  await steps.getByRole('button', { name: /^(Later|Go on)$/ }).click();
  await steps.getByRole('button', { name: 'It works' }).click();
  await steps
    .getByRole('button', { name: /^(That is where I am|Later)$/ })
    .first()
    .click();
  await steps.getByRole('button', { name: 'To the phone' }).click();
}

/** Opens a page of the demonstration. */
export async function open(page: Page, path: string): Promise<void> {
  await visit(page, path);
  await page.locator('h1').first().waitFor();
}

/** Goes to a page as a link does that leads there; a window that shows nothing yet opens it. */
export async function visit(page: Page, path: string): Promise<void> {
  if (page.url() === 'about:blank') return void (await page.goto(path));
  await page.evaluate((to) => {
    const link = document.createElement('a');
    link.href = to;
    document.body.append(link);
    link.click();
    link.remove();
  }, path);
  await page.waitForURL((url) => url.pathname + url.search + url.hash === path);
  // The address comes first, what it shows with the next frame.
  await page.evaluate(() => new Promise((drawn) => requestAnimationFrame(() => setTimeout(drawn))));
}

/** The same in a browser that has nothing yet, on Tuesday 24 November 2026 at 10:15. */
export async function openFresh(page: Page, path: string): Promise<void> {
  await page.goto('/');
  await page.getByRole('heading', { name: 'Who answers, this week' }).waitFor();
  await setClock(page, '2026-11-24T10:15');
  await open(page, path);
}

/** The id of the business that this browser opens. */
export const currentBusiness = (page: Page): Promise<string> =>
  page.evaluate(
    () =>
      new Promise<string>((resolve) => {
        const open = indexedDB.open('upper-line');
        open.onsuccess = () => {
          const get = open.result.transaction('settings').objectStore('settings').get('business');
          get.onsuccess = () => {
            open.result.close();
            resolve(String(get.result));
          };
        };
      }),
  );

/** Opens the demonstration, with Idris's browser softphone paired in a window of its own. */
export async function withSoftphone(context: BrowserContext, page: Page, server = ''): Promise<Page> {
  await page.goto(`${server}/people/idris`);
  await page.getByRole('button', { name: /^Invite Idris/ }).click();
  await page.getByRole('button', { name: 'Open the mail' }).click();
  await page.getByRole('button', { name: /Your phone at Lantern Cove/ }).click();
  const code = await codeInLetter(page);
  const staff = await context.newPage();
  // Every frequency that the window makes sound with.
  await staff.addInitScript(() => {
    const made: number[] = [];
    Object.assign(window, { made });
    const Original = window.OscillatorNode;
    window.OscillatorNode = class extends Original {
      constructor(audio: BaseAudioContext, options?: OscillatorOptions) {
        super(audio, options);
        made.push(this.frequency.value);
      }
    };
  });
  await staff.goto(`${server}/phone`);
  await staff.getByLabel('Business number').fill('(360) 555-0142');
  await staff.getByLabel('Six-digit code').fill(code);
  await staff.getByRole('button', { name: 'Pair', exact: true }).click();
  await setUpPhone(staff);
  await expect(staff.getByTestId('phone-state')).toContainText('this phone is ready');
  return staff;
}

/** Calls one of the business's numbers from the outside phone, by its label. */
export async function callFrom(context: BrowserContext, label: string): Promise<Page> {
  const outside = await context.newPage();
  await outside.goto('/bench/phone?business=lantern-cove');
  await outside.getByRole('button', { name: label, exact: true }).click();
  await outside.getByRole('button', { name: 'Call', exact: true }).click();
  await expect(outside.getByTestId('outside-call')).toBeVisible();
  return outside;
}

/** Puts the draft in force, whatever the checks say of it, and waits until it is. */
export async function putInForce(page: Page): Promise<void> {
  await saved(page);
  await page.goto('/changes');
  const spite = page.getByText(/^In spite of/);
  const button = page.getByRole('button', { name: 'Put in force', exact: true });
  // The promises are held against the draft first, which takes a while on a busy machine.
  await expect(button.or(spite).first()).toBeVisible();
  await expect(page.getByText('The promises are held against the draft')).toHaveCount(0, { timeout: 45_000 });
  if (await spite.isVisible()) await spite.click();
  await button.click();
  await expect(page.getByRole('link', { name: 'No changes' })).toBeVisible();
}

/** The business has not asked yet whether it may text: what is sent waits. */
export async function neverAskedToText(page: Page): Promise<void> {
  await page.evaluate(
    () =>
      new Promise<void>((resolve, reject) => {
        const opening = indexedDB.open('upper-line');
        opening.onerror = () => reject(opening.error!);
        opening.onsuccess = () => {
          const db = opening.result;
          const tx = db.transaction('dealings', 'readwrite');
          const store = tx.objectStore('dealings');
          const all = store.getAll();
          all.onsuccess = () => {
            for (const dealings of all.result as object[]) store.put({ ...dealings, texting: [] });
          };
          tx.oncomplete = () => {
            db.close();
            resolve();
          };
        };
      }),
  );
  await page.reload();
}

/** Opens a section of a staff phone that is too small to show all at once. */
export const toSection = (
  phone: Page,
  name: 'Call' | 'Recent' | 'Messages' | 'Texts' | 'People' | 'Me',
): Promise<void> =>
  phone
    .getByRole('navigation', { name: 'Sections of the phone' })
    .getByRole('button', { name: new RegExp(`^${name}\\b`) })
    .click();

/** Adds a step under one of the lists of a plan, by its name. */
export async function addStep(page: Page, name: string, under: 'first' | 'last' = 'last'): Promise<void> {
  const buttons = page.getByRole('button', { name: 'Add a step' });
  await (under === 'first' ? buttons.first() : buttons.last()).click();
  await page.getByRole('combobox', { name: 'Which step?' }).fill(name);
  await page.keyboard.press('Enter');
}
