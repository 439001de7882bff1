/**
 * What a hard life does to what was said to be saved: the browser killed in the middle, storage full, the database taken away,
 * records damaged, the switch killed in each phase of a call. Prints how much was lost, half there, or not told.
 */
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Browser, type Page } from '@playwright/test';
import type { CallState } from '../src/core/calls';
import { callFrom, putInForce, setClock, withSoftphone } from '../tests/browser/bench';
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

/** A browser that keeps its data in the profile, to be killed. */
async function open(): Promise<{ browser: Browser; page: Page }> {
  // The browser takes a free port and writes it down: one that was left running would answer on a fixed one.
  const written = join(profile, 'DevToolsActivePort');
  rmSync(written, { force: true });
  running = spawn(
    launchOptions!.executablePath!,
    [
      ...launchOptions!.args!,
      '--headless',
      '--remote-debugging-port=0',
      `--user-data-dir=${profile}`,
      'about:blank',
    ],
    { stdio: 'ignore', detached: true },
  );
  for (let tries = 0; ; tries++) {
    try {
      const port = readFileSync(written, 'utf8').split('\n')[0];
      const browser = await chromium.connectOverCDP(`http://127.0.0.1:${port}`);
      const context = browser.contexts()[0]!;
      // A browser that was started by hand knows no base for paths.
      const based = (page: Page) => {
        const goto = page.goto.bind(page);
        page.goto = (path, options) => goto(new URL(path, baseURL).href, options);
        return page;
      };
      const another = context.newPage.bind(context);
      context.newPage = async () => based(await another());
      return { browser, page: context.pages()[0] ? based(context.pages()[0]!) : await context.newPage() };
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
    await page.goto(edit.path);
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
    await again.page.goto(edit.path);
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
    await page.goto(edit.path);
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
    await page.goto('/');
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
    await page.goto('/people');
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
      await page.goto('/data');
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
  await page.goto('/people');
  await page.getByTestId('saved').waitFor();
  const other = await browser.contexts()[0]!.newPage();
  await other.goto('/favicon.svg');
  await other.evaluate(() => indexedDB.deleteDatabase('upper-line'));
  const told = await page
    .getByTestId('storage-alarm')
    .waitFor({ timeout: 5000 })
    .then(() => true)
    .catch(() => false);
  if (!told) tell('untold', 'the database was deleted');
  await kill(browser);
}

/** How a call comes to each phase that it can be killed in. */
interface Killed {
  phase: CallState['phase'];
  label: string;
  /** Local time of the business: from nine the office answers, at noon the line leads to the menu and the queue. */
  clock: string;
  /** What is done on the way: keys or words, each in the phase that it is for. */
  ways?: [phase: CallState['phase'], act: string][];
}
const MORNING = '2026-11-24T10:15';
const NOON = '2026-11-24T12:15';
const QUEUE: Killed['ways'] = [['menu', '310']];
const KILLED: Killed[] = [
  { phase: 'prompt', label: 'Main line', clock: NOON },
  { phase: 'ringing', label: 'Main line', clock: NOON },
  { phase: 'menu', label: 'Main line', clock: NOON },
  { phase: 'queued', label: 'Main line', clock: NOON, ways: QUEUE },
  { phase: 'ringing', label: 'Main line', clock: MORNING },
  { phase: 'talking', label: 'Main line', clock: MORNING, ways: [['ringing', 'answer']] },
  { phase: 'naming', label: 'Winter store', clock: MORNING },
  { phase: 'greeting', label: 'Rosa Delgado, direct', clock: MORNING },
  { phase: 'inbox', label: 'Rosa Delgado, direct', clock: MORNING, ways: [['greeting', '*']] },
  { phase: 'tone', label: 'Rosa Delgado, direct', clock: MORNING },
  { phase: 'message', label: 'Rosa Delgado, direct', clock: MORNING, ways: [['message', 'say']] },
  { phase: 'queued', label: 'Main line', clock: NOON },
  { phase: 'asked', label: 'Main line', clock: NOON },
];
const WORDS = 'It is about the keel.';

/** A call, and everything killed in one of its phases: it ends, is in the log, and what was said is in the mailbox. */
async function calls(): Promise<void> {
  const softphone = await open();
  await softphone.page.goto('/');
  await softphone.page.getByTestId('saved').waitFor();
  await setClock(softphone.page, MORNING);
  const staff = await withSoftphone(softphone.browser.contexts()[0]!, softphone.page);
  const phone = staff.url();
  await softphone.page.goto('/messages/mailboxes');
  const mailbox = softphone.page.getByRole('region', { name: 'Rosa Delgado', exact: true });
  await mailbox.getByText('How a message ends, key 0').click();
  await mailbox.getByLabel('PIN', { exact: true }).fill('4827');
  await mailbox.getByRole('button', { name: 'Set', exact: true }).click();
  await mailbox.getByText(/set by whoever runs the system/).waitFor();
  await softphone.page.goto('/people/idris/reach');
  await softphone.page.getByLabel('Who says their name first').selectOption('everybody from outside');
  await softphone.page.getByRole('button', { name: 'Set it' }).click();
  await softphone.page
    .getByText(/set by whoever runs the system/)
    .first()
    .waitFor();
  await softphone.page.goto('/numbers#n-winter-store');
  await softphone.page
    .getByLabel('Where calls to Winter store go')
    .selectOption('Idris Okafor, then their voicemail');
  await putInForce(softphone.page);
  await kill(softphone.browser);
  for (const killed of KILLED) {
    const { browser, page } = await open();
    const context = browser.contexts()[0]!;
    await page.goto('/');
    await page.getByTestId('saved').waitFor();
    await setClock(page, killed.clock);
    const staff = await context.newPage();
    await staff.goto(phone);
    await staff.getByTestId('phone-state').waitFor();
    const had = await stored(page);
    const outside = await callFrom(context, killed.label);
    const ways = [...(killed.ways ?? [])];
    for (let there = false; !there;) {
      const { phase } = await stored(page);
      const way = ways[0];
      if (way && phase === way[0]) {
        ways.shift();
        if (way[1] === 'answer') await staff.getByRole('button', { name: /^Answer/ }).click();
        else if (way[1] === 'say') {
          await outside.getByLabel('What you say').fill(WORDS);
          await outside.waitForTimeout(1500);
        } else
          for (const key of way[1])
            await outside.getByRole('button', { name: `Key ${key}`, exact: true }).click();
      }
      there = !ways.length && (await stored(page)).phase === killed.phase;
      if (phase === 'over') throw new Error(`The call was over before it was ${killed.phase}.`);
      await page.waitForTimeout(30);
    }
    await kill(browser);
    const again = await open();
    await again.page.goto('/');
    let now = await stored(again.page);
    for (let tries = 0; now.calls === had.calls && tries < 120; tries++) {
      await again.page.waitForTimeout(500);
      now = await stored(again.page);
    }
    console.log(`  killed while ${killed.phase}: ${now.calls - had.calls} call kept`);
    if (now.calls !== had.calls + 1) tell('lost', `a call, killed in: ${killed.phase}`);
    if (killed.ways?.some(([, act]) => act === 'say') && !now.texts.includes(WORDS))
      tell('lost', 'what a caller had said');
    await kill(again.browser);
  }
}
/** What is stored of calls: how many there were, in which phase one is, and what messages say. */
const stored = (page: Page) => page.evaluate(readStored);
function readStored(): Promise<{ calls: number; phase: string | null; texts: string }> {
  return new Promise((resolve, reject) => {
    const open = indexedDB.open('upper-line');
    open.onerror = () => reject(new Error('The database does not open.'));
    open.onsuccess = () => {
      const tx = open.result.transaction(['calls', 'exchange', 'messages']);
      const [calls, exchange, messages] = ['calls', 'exchange', 'messages'].map((name) =>
        tx.objectStore(name).getAll(),
      );
      tx.oncomplete = () => {
        open.result.close();
        const going = (exchange!.result as { snapshot: { calls: { phase: string }[] } }[])
          .flatMap((record) => record.snapshot.calls)
          .map((call) => call.phase);
        resolve({
          calls: calls!.result.length,
          phase: going.find((phase) => phase !== 'over') ?? going.at(-1) ?? null,
          texts: JSON.stringify(messages!.result),
        });
      };
    };
  });
}

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
