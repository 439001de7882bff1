/** In the real interface: from an act to its being stored, for each kind of write; and pages while the voice speaks. */
import type { Page } from '@playwright/test';
import { saved, setClock } from '../tests/browser/bench';
import { bigBusiness } from './big';
import { ms, quantiles } from './measure';
import { readBusiness, withPage } from './served';

const TIMES = 15;
const FEWER = 5;

interface Watched {
  /** When the event happened that led to the first write, and when the last write was complete. */
  from: number;
  until: number;
  open: number;
}
/** Notes in the page when what is written began with an event, and when it lies on the disk. */
function watch(): void {
  const watched: Watched = { from: 0, until: 0, open: 0 };
  Object.assign(window, { watched });
  let last = 0;
  for (const kind of ['click', 'keydown', 'input', 'change', 'focusout'])
    addEventListener(kind, (e) => (last = e.timeStamp), true);
  const { transaction } = IDBDatabase.prototype;
  IDBDatabase.prototype.transaction = function (...given) {
    const tx = transaction.apply(this, given);
    if (given[1] !== 'readwrite') return tx;
    watched.from ||= last;
    watched.open++;
    tx.addEventListener('complete', () => {
      watched.until = performance.now();
      watched.open--;
    });
    return tx;
  };
}

/** Times from an act until all that it wrote was complete, in milliseconds. */
async function untilStored(page: Page, times: number, act: (n: number) => Promise<void>): Promise<number[]> {
  const taken: number[] = [];
  const seen = () => page.evaluate(() => (window as unknown as { watched: Watched }).watched);
  for (let n = 0; n < times; n++) {
    await page.evaluate(() =>
      Object.assign((window as unknown as { watched: Watched }).watched, { from: 0, until: 0 }),
    );
    await act(n);
    for (;;) {
      const { from, until, open } = await seen();
      if (until > from && open === 0 && (await page.getByTestId('saved').innerText()) === 'Saved') {
        taken.push(until - from);
        break;
      }
      await page.waitForTimeout(20);
    }
  }
  return taken;
}
const tell = (what: string, times: number[]) => {
  const { p50, p95 } = quantiles(times);
  console.log(
    `${what}, from the act until stored: median ${ms(p50)}, 95th percentile ${ms(p95)} (${times.length} times)`,
  );
};

await withPage(async (page, baseURL) => {
  const answered = async () => {
    const from = performance.now();
    await (await fetch(baseURL)).text();
    return performance.now() - from;
  };
  const speak = () =>
    fetch(`${baseURL}/api/speech`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ text: 'Welcome to the yard. '.repeat(40), language: 'en-us', speed: 1 }),
    });
  const speaking = Array.from({ length: 200 }, speak);
  const times: number[] = [];
  for (let i = 0; i < 50; i++) times.push(await answered());
  const statuses = (await Promise.all(speaking)).map((r) => r.status);
  console.log(
    `a page while 200 greetings are asked for: median ${ms(quantiles(times).p50)}, worst ${ms(Math.max(...times))}; ${statuses.filter((s) => s === 200).length} spoken, ${statuses.filter((s) => s === 503).length} asked to come again`,
  );

  await page.addInitScript(watch);
  await page.goto(baseURL);
  await page.getByRole('heading', { name: 'Who answers, this week' }).waitFor();
  tell('the clock', await untilStored(page, FEWER, (n) => setClock(page, `2026-11-24T1${n}:15`)));
  await page.goto(`${baseURL}/people/rosa/reach`);
  const quiet = page.locator('label', { hasText: 'Do not disturb' }).first();
  await quiet.waitFor();
  tell('a setting that holds at once', await untilStored(page, TIMES, () => quiet.click()));
  await page.goto(`${baseURL}/messages`);
  const mark = page.getByRole('button', { name: /^Mark as (new|heard)$/ }).first();
  await mark.waitFor();
  tell('a message marked', await untilStored(page, TIMES, () => mark.click()));
  tell(
    'put in force',
    await untilStored(page, FEWER, async (n) => {
      await page.goto(`${baseURL}/people/rosa`);
      const name = page.getByLabel('Name', { exact: true }).first();
      await name.fill(`Rosa ${n}`);
      await name.blur();
      await saved(page);
      await page.goto(`${baseURL}/changes`);
      const button = page.getByRole('button', { name: 'Put in force', exact: true });
      await button.waitFor();
      const spite = page.getByText(/^In spite of/);
      await page
        .getByText('The promises are held against the draft')
        .waitFor({ state: 'detached', timeout: 45_000 });
      if (await spite.isVisible()) await spite.click();
      await page.evaluate(() =>
        Object.assign((window as unknown as { watched: Watched }).watched, { from: 0, until: 0 }),
      );
      await button.click();
    }),
  );

  await page.goto(`${baseURL}/data`);
  tell(
    'a file of 500 people read in',
    await untilStored(page, 1, () => readBusiness(page, bigBusiness(), 'Big Yard')),
  );
  await page.goto(`${baseURL}/people/p1`);
  const name = page.getByLabel('Name', { exact: true }).first();
  await name.waitFor();
  tell(
    'an edit, 500 people',
    await untilStored(page, TIMES, async (n) => {
      await name.fill(`Person ${n} X`);
      await name.blur();
    }),
  );
  await page.locator('h1').first().click();
  tell('undo, 500 people', await untilStored(page, TIMES, () => page.keyboard.press('Control+z')));
});
