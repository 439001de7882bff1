/** Phones on other machines: each a browser process of its own, with nothing of the owner's in it. */
import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, expect, type Browser, type Page, type TestInfo } from '@playwright/test';
import { freePort } from '../server';
import { test as base } from './seeded';
import { setUpPhone } from './bench';

export const test = base.extend<{
  /** Another machine: a browser process of its own. @returns a page of it */
  machine: (before?: (page: Page) => Promise<unknown>, baseURL?: string) => Promise<Page>;
  /** A server of its own, that serves other machines too, and may be ended and begun again. */
  ownServer: OwnServer;
}>({
  machine: async ({ browserName: _ }, use, info) => {
    const others: Browser[] = [];
    await use(async (before, baseURL) => {
      const { browser, page } = await otherMachine(info, baseURL);
      others.push(browser);
      await before?.(page);
      return page;
    });
    for (const other of others) await other.close();
  },
  ownServer: async ({ browserName: _ }, use) => {
    const server = new OwnServer(await freePort(), await freePort());
    await server.start();
    await use(server);
    await server.stop();
    rmSync(server.folder, { recursive: true, force: true });
  },
});
export { expect };

/** A browser process of its own, 390 wide. */
export async function otherMachine(
  { project }: TestInfo,
  at?: string,
): Promise<{ browser: Browser; page: Page }> {
  const { launchOptions, baseURL, viewport: _, ...rest } = project.use;
  const browser = await chromium.launch(launchOptions);
  const context = await browser.newContext({
    baseURL: at ?? baseURL!,
    // An authority that was made for this test is trusted by nobody else.
    ignoreHTTPSErrors: true,
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

/** `npm start -- --share`, without building. */
export class OwnServer {
  readonly folder = mkdtempSync(join(tmpdir(), 'shared-'));
  private process: ChildProcess | null = null;
  constructor(
    private readonly port: number,
    private readonly sharedPort: number,
  ) {}
  get here(): string {
    return `http://127.0.0.1:${this.port}`;
  }
  get shared(): string {
    return `https://127.0.0.1:${this.sharedPort}`;
  }
  async start(): Promise<void> {
    this.process = spawn('node', ['scripts/serve.mjs', '--share', '--address', '127.0.0.1'], {
      env: {
        ...process.env,
        PORT: String(this.port),
        SHARED_PORT: String(this.sharedPort),
        UPPER_LINE_KEYS: this.folder,
      },
      stdio: 'ignore',
    });
    await expect
      .poll(() =>
        fetch(`${this.here}/api/health`).then(
          (r) => r.ok,
          () => false,
        ),
      )
      .toBe(true);
  }
  async stop(): Promise<void> {
    const { process: running } = this;
    this.process = null;
    if (!running || running.exitCode !== null) return;
    const gone = once(running, 'exit');
    running.kill();
    await gone;
  }
}

/** Invites somebody, and reads the link in their mail. @returns the link */
export async function invitedBy(page: Page, personId: string, first: string, server = ''): Promise<string> {
  await page.goto(`${server}/people/${personId}`);
  await page.getByRole('button', { name: new RegExp(`^Invite ${first}`) }).click();
  await page.getByRole('button', { name: 'Open the mail' }).click();
  await page
    .getByRole('button', { name: /Your phone at Lantern Cove/ })
    .first()
    .click();
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
