/** The server: what every answer carries, pages that there are not, a voice that holds nobody up; and life without it. */
import { spawn, type ChildProcess } from 'node:child_process';
import { cpSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { expect, test } from '@playwright/test';
import { bench } from './bench';

test('every answer carries the headers that protect it, and the server says that it is well', async ({
  request,
  page,
}) => {
  await page.goto('/');
  const loaded = page.locator('link[rel=modulepreload]').first();
  await loaded.waitFor({ state: 'attached' });
  const script = await loaded.getAttribute('href');
  for (const path of [
    '/',
    '/favicon.svg',
    script!,
    '/api/health',
    '/nowhere/at/all',
    '/components.cdx.json',
  ]) {
    const answer = await request.get(path);
    const headers = answer.headers();
    expect(headers['x-content-type-options'], path).toBe('nosniff');
    expect(headers['referrer-policy'], path).toBe('same-origin');
    expect(headers['permissions-policy'], path).toContain('microphone=(self)');
    expect(headers['cross-origin-opener-policy'], path).toBe('same-origin');
  }
  expect(await (await request.get('/api/health')).json()).toEqual({ status: 'ok' });
  // CycloneDX 1.5: what ships, with licences; the voice among it, under its own.
  const list = (await (await request.get('/components.cdx.json')).json()) as {
    bomFormat: string;
    components: { name: string; licenses?: unknown }[];
  };
  expect(list.bomFormat).toBe('CycloneDX');
  const voice = list.components.find((c) => /espeak-ng/.test(c.name));
  expect(JSON.stringify(voice?.licenses)).toContain('GPL-3.0');
});

test('names that nothing can have are pages that there are not', async ({ page }) => {
  for (const path of [
    '/people/__proto__',
    '/people/constructor',
    '/phones/toString',
    '/answering/valueOf',
    '/people/a%2Fb',
  ]) {
    const answer = await page.goto(path);
    expect(answer!.status(), path).toBe(404);
    await expect(page.getByRole('heading', { name: 'There is no such page' })).toBeVisible();
  }
  await page.goto('/answering/nowhere');
  await expect(page.getByRole('heading', { name: 'This plan is no longer here' })).toBeVisible();
});

test('two hundred greetings at once hold up no page: they are spoken in turn, or asked to come again', async ({
  request,
}) => {
  const asked = Array.from({ length: 200 }, (_, i) =>
    request.post('/api/speech', {
      data: { text: `Welcome to the yard, number ${i}.`, language: 'en-us', speed: 1 },
    }),
  );
  const page = await request.get('/api/health');
  expect(page.status()).toBe(200);
  const answers = await Promise.all(asked);
  const by = (status: number) => answers.filter((a) => a.status() === status);
  expect(by(200).length + by(503).length).toBe(200);
  expect(by(200).length).toBeGreaterThan(10);
  const [busy] = by(503);
  expect(Number(busy!.headers()['retry-after'])).toBeGreaterThan(0);
  expect(((await busy!.json()) as { detail: string }).detail).toMatch(
    /busy with others\. Ask again in \d+ s/,
  );
});

const freePort = () =>
  new Promise<number>((resolve) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number };
      probe.close(() => resolve(port));
    });
  });
const serve = async (
  port: number,
  folder = '.',
  more: Record<string, string> = {},
): Promise<ChildProcess> => {
  const server = spawn('node', [`${folder}/scripts/serve.mjs`], {
    env: { ...process.env, PORT: String(port), ...more },
    stdio: 'pipe',
  });
  await new Promise<void>((resolve, reject) => {
    server.stdout!.once('data', () => resolve());
    server.once('exit', () =>
      reject(new Error(`The server does not begin: ${String(server.stderr!.read())}`)),
    );
  });
  return server;
};

test('the demonstration is given its past after the first page, once, and it stays taken away', async ({
  page,
}) => {
  const port = await freePort();
  const server = await serve(port, '.', { UPPER_LINE_PAST_DAYS: '21' });
  try {
    await page.goto(`http://127.0.0.1:${port}/`);
    await page.getByRole('heading', { name: 'Who answers, this week' }).waitFor();
    await expect(page.getByText('has a past of 21 days now')).toBeVisible({ timeout: 60_000 });
    await page.goto(`http://127.0.0.1:${port}/messages/log`);
    await expect(page.getByTestId('log-count')).toHaveText(/^[12],\d\d\d entries$/);
    const drawer = await bench(page, 'Clock');
    await drawer.getByRole('button', { name: 'Take it away' }).click();
    await expect(drawer.getByText(/went for good/)).toBeVisible();
    await page.reload();
    await expect(page.getByTestId('log-count')).toHaveText('10 entries');
    // Who begins with the demonstration anew has it again.
    await page.getByRole('button', { name: 'Businesses and files' }).click();
    await page.getByRole('menuitem', { name: 'Reset the demonstration' }).click();
    await expect(page.getByText('as it was on the first day')).toBeVisible();
    await expect(page.getByText('has a past of 21 days now')).toBeVisible({ timeout: 60_000 });
  } finally {
    server.kill();
  }
});

test.describe('a new version', () => {
  test.use({ serviceWorkers: 'allow' });
  test('is offered, and used when somebody wants it', async ({ page }) => {
    test.setTimeout(120_000);
    const folder = 'test-results/a-later-build';
    rmSync(folder, { recursive: true, force: true });
    cpSync('build', `${folder}/build`, { recursive: true });
    cpSync('scripts', `${folder}/scripts`, { recursive: true });
    const port = await freePort();
    let server = await serve(port, folder);
    try {
      await page.goto(`http://127.0.0.1:${port}/`);
      await page.getByRole('heading', { name: 'Who answers, this week' }).waitFor();
      await page.evaluate(() => navigator.serviceWorker.ready);
      await page.reload();
      await page.getByRole('heading', { name: 'Who answers, this week' }).waitFor();
      await expect(page.getByTestId('new-version')).toHaveCount(0);

      // The same server with a later build: whatever keeps the pages differs.
      const ended = new Promise((resolve) => server.once('exit', resolve));
      server.kill();
      await ended;
      const worker = `${folder}/build/client/service-worker.js`;
      writeFileSync(worker, `${readFileSync(worker, 'utf8')}\n// a later build\n`);
      for (const packed of ['br', 'gz']) rmSync(`${worker}.${packed}`, { force: true });
      server = await serve(port, folder);
      await page.evaluate(async () => (await navigator.serviceWorker.getRegistration())!.update());
      const offer = page.getByTestId('new-version');
      // All its pages are kept first.
      await expect(offer).toContainText('A new version of Upper Line is here', { timeout: 60_000 });
      const loaded = page.waitForEvent('load');
      await offer.getByRole('button', { name: 'now' }).click();
      await loaded;
      await page.getByRole('heading', { name: 'Who answers, this week' }).waitFor();
      await expect(offer).toHaveCount(0);
    } finally {
      server.kill();
      rmSync(folder, { recursive: true, force: true });
    }
  });
});

test.describe('with the server stopped', () => {
  test.use({ serviceWorkers: 'allow' });
  test('pages open, reload and store; what needs the server says so in place', async ({ page }) => {
    test.setTimeout(300_000);
    const port = await freePort();
    let server = await serve(port);
    const at = (path: string) => `http://127.0.0.1:${port}${path}`;
    try {
      await page.goto(at('/'));
      await page.getByRole('heading', { name: 'Who answers, this week' }).waitFor();
      await page.evaluate(() => navigator.serviceWorker.ready);
      await page.reload();
      await expect.poll(() => page.evaluate(() => navigator.serviceWorker.controller !== null)).toBe(true);
      const ended = new Promise((resolve) => server.once('exit', resolve));
      server.kill();
      await ended;

      for (const path of [
        '/',
        '/numbers',
        '/hours/year',
        '/answering',
        '/people/rosa/reach',
        '/phones',
        '/changes',
        '/data',
        '/phone',
        '/bench/phone',
      ]) {
        await page.goto(at(path));
        await expect(page.locator('h1, h2, form, main').first(), path).toBeVisible();
        await expect(page.getByText('This page could not be shown')).toHaveCount(0);
      }
      await page.goto(at('/people/rosa'));
      const name = page.getByLabel('Name', { exact: true }).first();
      await name.fill('Rosa Delgado-Finch');
      await name.blur();
      await expect(page.getByTestId('saved')).toHaveText('Saved');
      await page.reload();
      await expect(page.getByRole('heading', { name: 'Rosa Delgado-Finch' })).toBeVisible();
      await page.goto(at('/messages/recordings'));
      await page.getByRole('button', { name: 'Speak its words' }).first().click();
      await expect(page.getByText('The voice cannot be reached').first()).toBeVisible();
      await page.goto(at('/numbers/get'));
      await page.getByLabel('Area code or city').fill('360');
      await expect(page.getByText('The carrier cannot be reached.')).toBeVisible();

      server = await serve(port);
      await page.getByRole('button', { name: 'Try again' }).click();
      await expect(page.getByRole('list', { name: 'Numbers on offer' })).toBeVisible();
    } finally {
      server.kill();
    }
  });
});
