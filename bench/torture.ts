/**
 * What a hard life does to what was said to be saved: the browser killed in the middle, storage full, the database taken away,
 * records damaged, the switch killed in each phase of a call. Prints how much was lost, half there, or not told.
 */
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Browser, type Page } from '@playwright/test';
import { shared } from '../tests/server';

const KILLS = Number(process.env.KILLS ?? 60);
const { baseURL, launchOptions } = shared.use!;
const found = { lost: 0, half: 0, untold: 0 };
const tell = (what: keyof typeof found, words: string) => {
  found[what]++;
  console.log(`  ${what}: ${words}`);
};

const server = spawn('node', ['scripts/serve.mjs'], {
  env: { ...process.env, PORT: process.env.UPPER_LINE_PORT, HOST: '127.0.0.1' },
  stdio: 'ignore',
});
const profile = mkdtempSync(join(tmpdir(), 'torture-'));
let running: ChildProcess;
let port = 9400;

/** A browser that keeps its data in the profile, to be killed. */
async function open(): Promise<{ browser: Browser; page: Page }> {
  port++;
  running = spawn(
    launchOptions!.executablePath!,
    [
      ...launchOptions!.args!,
      '--headless',
      `--remote-debugging-port=${port}`,
      `--user-data-dir=${profile}`,
      'about:blank',
    ],
    { stdio: 'ignore', detached: true },
  );
  for (let tries = 0; ; tries++) {
    try {
      const browser = await chromium.connectOverCDP(`http://127.0.0.1:${port}`);
      const page = browser.contexts()[0]!.pages()[0] ?? (await browser.contexts()[0]!.newPage());
      return { browser, page };
    } catch (error) {
      if (tries > 60) throw error;
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
  }
}
async function kill(browser: Browser): Promise<void> {
  const over = new Promise((resolve) => running.once('exit', resolve));
  process.kill(-running.pid!, 'SIGKILL');
  await over;
  await browser.close().catch(() => {});
}

const field = (path: string, label: string | RegExp, text: (n: number) => string) => ({
  path,
  label,
  text,
});
/** Thirteen kinds: each changes another kind of object, or another part of one. */
const EDITS = [
  field('/people/rosa', 'Name', (n) => `Rosa ${n}`),
  field('/people/idris', 'E-mail', (n) => `idris${n}@lanterncove.example`),
  field('/people/ines', 'Extension', (n) => String(380 + (n % 15))),
  field('/numbers#n-main', 'Label', (n) => `Main ${n}`),
  field('/numbers#n-main', 'Notes', (n) => `A note ${n}`),
  field('/numbers/sites#yard', 'Name', (n) => `The yard ${n}`),
  field('/people/groups', 'Name', (n) => `A group ${n}`),
  field('/answering/queues', 'Name', (n) => `A queue ${n}`),
  field('/hours', 'Name of these hours', (n) => `Hours ${n}`),
  field('/hours/rotas', 'Name of this rota', (n) => `Rota ${n}`),
  field('/answering/main', 'Name of the plan', (n) => `Main ${n}`),
  field('/messages/mailboxes', 'Name of the mailbox', (n) => `Mailbox ${n}`),
  field('/messages/recordings', 'Name of the recording', (n) => `Recording ${n}`),
];

/** Edits, and a kill a little after: what was shown as saved is there, and nothing is half there. */
async function kills(): Promise<void> {
  for (let n = 0; n < KILLS; n++) {
    const edit = EDITS[n % EDITS.length]!;
    const { browser, page } = await open();
    await page.goto(baseURL + edit.path);
    const input = page.getByLabel(edit.label, { exact: true }).first();
    await input.waitFor();
    const text = edit.text(n);
    await input.fill(text);
    await input.blur();
    if (n % 3)
      await page.waitForFunction(
        () => document.querySelector('[data-testid=saved]')?.textContent === 'Saved',
      );
    else await page.waitForTimeout(n % 7);
    const said = await page.getByTestId('saved').innerText();
    const held = await input.inputValue();
    await kill(browser);
    const again = await open();
    await again.page.goto(baseURL + edit.path);
    const value = again.page.getByLabel(edit.label, { exact: true }).first();
    const shown = await value
      .waitFor({ timeout: 20_000 })
      .then(() => value.inputValue())
      .catch(() => null);
    if (shown === null) tell('half', `${edit.path} does not open`);
    else if (said === 'Saved' && held === text && shown !== text)
      tell('lost', `${String(edit.label)} ${text}, shown ${shown}`);
    await kill(again.browser);
  }
}

/** Nothing can be written: each act is told, and nothing claims to be done. */
async function full(): Promise<void> {
  for (const edit of EDITS) {
    const { browser, page } = await open();
    await page.goto(baseURL + edit.path);
    const input = page.getByLabel(edit.label, { exact: true }).first();
    await input.waitFor();
    await page.evaluate(() => {
      const { transaction } = IDBDatabase.prototype;
      IDBDatabase.prototype.transaction = function (...given) {
        if (given[1] === 'readwrite') throw new DOMException('full', 'QuotaExceededError');
        return transaction.apply(this, given);
      };
    });
    await input.fill(edit.text(77));
    await input.blur();
    const told = await page
      .getByTestId('storage-alarm')
      .waitFor({ timeout: 5000 })
      .then(() => true)
      .catch(() => false);
    if (!told || (await page.getByTestId('saved').innerText()) !== 'Not saved')
      tell('untold', `full: ${edit.path}`);
    await kill(browser);
  }
}

/** Damaged records: told, and the rest is there. */
async function damaged(): Promise<void> {
  const stores = {
    messages: { id: 'bad', businessId: 'lantern-cove' },
    mail: { id: 'bad', businessId: 'lantern-cove' },
    calls: { id: 'bad', businessId: 'lantern-cove' },
    invitations: { id: 'bad', businessId: 'lantern-cove' },
    edits: { businessId: 'lantern-cove', seq: 1 },
    exchange: { businessId: 'lantern-cove', snapshot: {} },
    heads: { businessId: 'lantern-cove', base: 'x' },
  };
  for (const [store, record] of Object.entries(stores)) {
    const { browser, page } = await open();
    await page.goto(baseURL!);
    await page.getByTestId('saved').waitFor();
    await page.evaluate(
      ([store, record]) =>
        new Promise<void>((resolve) => {
          const open = indexedDB.open('upper-line');
          open.onsuccess = () => {
            const tx = open.result.transaction(store as string, 'readwrite');
            tx.objectStore(store as string).put(record);
            tx.oncomplete = () => {
              open.result.close();
              resolve();
            };
          };
        }),
      [store, record] as const,
    );
    await page.goto(`${baseURL}/people`);
    const notes = page.getByTestId('data-notes');
    const trouble = page.getByRole('heading', { name: /is damaged/ });
    const told = await notes
      .or(trouble)
      .first()
      .waitFor({ timeout: 10_000 })
      .then(() => true)
      .catch(() => false);
    if (!told) tell('untold', `damaged: ${store}`);
    if (await trouble.isVisible()) {
      await page.getByRole('button', { name: 'Go on without the last edits' }).click();
      await notes.waitFor();
    }
    if (told) {
      await page.goto(`${baseURL}/data`);
      const card = page.getByTestId('unread');
      await card.getByRole('button', { name: 'Save as a raw file' }).click();
      await card.getByRole('button', { name: /^Let go of/ }).click();
      await card.waitFor({ state: 'detached' });
    }
    await kill(browser);
  }
}

/** The database taken away under a window. */
async function closed(): Promise<void> {
  const { browser, page } = await open();
  await page.goto(`${baseURL}/people`);
  await page.getByTestId('saved').waitFor();
  const other = await browser.contexts()[0]!.newPage();
  await other.goto(`${baseURL}/favicon.svg`);
  await other.evaluate(() => indexedDB.deleteDatabase('upper-line'));
  const told = await page
    .getByTestId('storage-alarm')
    .waitFor({ timeout: 5000 })
    .then(() => true)
    .catch(() => false);
  if (!told) tell('untold', 'the database was deleted');
  await kill(browser);
}

/** A call, and everything killed in one of its phases: it ends, and is in the log. */
async function calls(): Promise<void> {
  const phases: [string, string, number][] = [
    ['prompt', 'Main line', 1500],
    ['ringing', 'Main line', 6000],
    ['ringing on', 'Main line', 15_000],
    ['greeting', 'Rosa Delgado, direct', 20_000],
    ['message', 'Rosa Delgado, direct', 30_000],
    ['later', 'Main line', 25_000],
    ['night', 'Winter store', 5000],
  ];
  for (const [phase, label, after] of phases) {
    const { browser, page } = await open();
    await page.goto(`${baseURL}/bench/phone?business=lantern-cove`);
    const button = page.getByRole('button', { name: label, exact: true });
    await button
      .or(page.getByRole('button', { name: 'Call', exact: true }))
      .first()
      .waitFor();
    if (await button.isVisible()) await button.click();
    await page.getByRole('button', { name: 'Call', exact: true }).click();
    await page.getByTestId('outside-call').waitFor();
    await page.waitForTimeout(after);
    const before = await count(page);
    await kill(browser);
    const again = await open();
    await again.page.goto(baseURL!);
    const kept = await again.page
      .waitForFunction(
        (before) =>
          new Promise<boolean>((resolve) => {
            const open = indexedDB.open('upper-line');
            open.onsuccess = () => {
              const all = open.result.transaction('calls').objectStore('calls').count();
              all.onsuccess = () => {
                open.result.close();
                resolve(all.result > before);
              };
            };
          }),
        before,
        { timeout: 25_000, polling: 500 },
      )
      .then(() => true)
      .catch(() => false);
    if (!kept) tell('lost', `a call, killed in: ${phase}`);
    await kill(again.browser);
  }
}
const count = (page: Page): Promise<number> =>
  page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        const open = indexedDB.open('upper-line');
        open.onsuccess = () => {
          const all = open.result.transaction('calls').objectStore('calls').count();
          all.onsuccess = () => {
            open.result.close();
            resolve(all.result);
          };
        };
      }),
  );

try {
  for (let tries = 0; tries < 100; tries++)
    if (
      await fetch(baseURL!).then(
        () => true,
        () => false,
      )
    )
      break;
    else await new Promise((resolve) => setTimeout(resolve, 100));
  // Named on the command line, only those.
  const wanted = process.argv.slice(2);
  for (const [what, run] of Object.entries({ kills, full, damaged, calls, closed })) {
    if (wanted.length && !wanted.includes(what)) continue;
    console.log(what === 'kills' ? `${KILLS} kills over ${EDITS.length} edits` : what);
    await run();
  }
} finally {
  try {
    process.kill(-running!.pid!, 'SIGKILL');
  } catch {
    // It has ended already.
  }
  server.kill();
  rmSync(profile, { recursive: true, force: true, maxRetries: 5 });
}
console.log(`lost ${found.lost}, half ${found.half}, untold ${found.untold}`);
process.exit(found.lost + found.half + found.untold ? 1 : 0);
