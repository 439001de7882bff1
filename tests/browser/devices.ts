/** Phones on other machines: each a browser process of its own, with nothing of the owner's in it. */
import { chromium, expect, type Browser, type Page, type TestInfo } from '@playwright/test';
import { test as base } from './seeded';
import { setUpPhone } from './bench';

export const test = base.extend<{
  /** Another machine: a browser process of its own. @returns a page of it */
  machine: (before?: (page: Page) => Promise<unknown>) => Promise<Page>;
}>({
  machine: async ({}, use, info) => {
    const others: Browser[] = [];
    await use(async (before) => {
      const { browser, page } = await otherMachine(info);
      others.push(browser);
      await before?.(page);
      return page;
    });
    for (const other of others) await other.close();
  },
});
export { expect };

async function otherMachine({ project }: TestInfo): Promise<{ browser: Browser; page: Page }> {
  const { launchOptions, baseURL, viewport: _, ...rest } = project.use;
  const browser = await chromium.launch(launchOptions);
  const context = await browser.newContext({
    baseURL: baseURL!,
    // Otherwise it would have what the owner's browser begins with.
    storageState: { cookies: [], origins: [] },
    viewport: { width: 390, height: 844 },
    permissions: rest.permissions!,
    timezoneId: rest.timezoneId!,
    locale: rest.locale!,
    serviceWorkers: 'block',
    reducedMotion: 'reduce',
  });
  return { browser, page: await context.newPage() };
}

/** Invites somebody, and reads the link in their mail. @returns the link */
export async function invitedBy(page: Page, personId: string, first: string): Promise<string> {
  await page.goto(`/people/${personId}`);
  await page.getByRole('button', { name: new RegExp(`^Invite ${first}`) }).click();
  await page.getByRole('button', { name: 'Open the mail' }).click();
  await page.getByRole('button', { name: /Your phone at Lantern Cove/ }).first().click();
  const link = /https?:\S+#join=\S+/.exec(await page.getByTestId('mail-text').innerText())![0];
  await page.getByRole('complementary', { name: 'Bench' }).getByRole('button', { name: 'Close' }).click();
  return link;
}

/** Opens the link on another machine and asks. */
export async function askIn(device: Page, link: string, name: string): Promise<void> {
  await device.goto(link);
  await device.getByLabel('What you call this device').fill(name);
  await device.getByRole('button', { name: 'Ask to be let in' }).click();
}

/** The owner says that it is theirs; it is set up, and ready. */
export async function letIn(page: Page, device: Page, name: string): Promise<void> {
  await page.getByTestId('asks-in').getByRole('link', { name: 'Look at it' }).click();
  await page.getByRole('button', { name: `It is theirs ${name}` }).click();
  await setUpPhone(device);
  await expect(device.getByTestId('phone-state')).toContainText('this phone is ready');
}
