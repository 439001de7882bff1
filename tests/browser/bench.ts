/** Driving the bench the way a person does. */
import { expect, type Locator, type Page } from '@playwright/test';

/** Opens the bench at one of its tabs. */
export async function bench(page: Page, tab: string): Promise<Locator> {
  await page.getByRole('button', { name: 'Bench' }).click();
  const drawer = page.getByRole('complementary', { name: 'Bench' });
  await drawer.getByRole('tab', { name: tab }).click();
  return drawer;
}

/** Sets the bench clock. @param local local time of the business: "2026-11-24T10:15" */
export async function setClock(page: Page, local: string): Promise<void> {
  const drawer = await bench(page, 'Clock');
  await drawer.getByLabel('Set it to').fill(local);
  await drawer.getByRole('button', { name: 'Set the clock' }).click();
  await drawer.getByText('was set and runs on').waitFor();
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

/** Opens a page of the demonstration on Tuesday 24 November 2026 at 10:15. */
export async function open(page: Page, path: string): Promise<void> {
  await page.goto('/');
  await page.getByRole('heading', { name: 'Who answers, this week' }).waitFor();
  await setClock(page, '2026-11-24T10:15');
  await page.goto(path);
  await page.locator('h1').first().waitFor();
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
