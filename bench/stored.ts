/** In the real interface: from an act to its being stored, for each kind of write; and pages while the voice speaks. */
import type { Page } from '@playwright/test';
import { bigBusiness } from './big';
import { ms, quantiles } from './measure';
import { readBusiness, withPage } from './served';

const TIMES = 15;

/** Times from an act until the frame says that all of it is stored, in milliseconds. */
async function untilStored(page: Page, act: (n: number) => Promise<void>): Promise<number[]> {
  const times: number[] = [];
  for (let n = 0; n < TIMES; n++) {
    await page.evaluate(() => {
      const shown = document.querySelector('[data-testid=saved]')!;
      const w = window as unknown as { began: number; stored: number };
      w.stored = w.began = 0;
      new MutationObserver((_, observer) => {
        if (shown.textContent?.startsWith('Saving')) w.began ||= performance.now();
        else if (w.began && shown.textContent === 'Saved') {
          w.stored ||= performance.now();
          observer.disconnect();
        }
      }).observe(shown, { characterData: true, childList: true, subtree: true });
    });
    await act(n);
    await page
      .waitForFunction(() => (window as unknown as { stored: number }).stored > 0, undefined, {
        timeout: 5000,
      })
      .then(async () => {
        times.push(
          await page.evaluate(() => {
            const w = window as unknown as { began: number; stored: number };
            return w.stored - w.began;
          }),
        );
      })
      // It was stored before the frame was drawn.
      .catch(() => times.push(0));
  }
  return times;
}
const tell = (what: string, times: number[]) => {
  const { p50, p95 } = quantiles(times);
  console.log(`${what}, shown as saving until stored: median ${ms(p50)}, 95th percentile ${ms(p95)}`);
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

  await page.goto(baseURL);
  await page.getByRole('heading', { name: 'Who answers, this week' }).waitFor();
  await readBusiness(page, bigBusiness(), 'Big Yard');
  await page.goto(`${baseURL}/people/p1`);
  const name = page.getByLabel('Name', { exact: true }).first();
  await name.waitFor();
  tell(
    'an edit, 500 people',
    await untilStored(page, async (n) => {
      await name.fill(`Person ${n} X`);
      await name.blur();
    }),
  );
  await page.locator('h1').first().click();
  tell('undo', await untilStored(page, () => page.keyboard.press('Control+z')));
  tell(
    'put in force',
    await untilStored(page, async (n) => {
      await page.goto(`${baseURL}/people/p2`);
      const field = page.getByLabel('Name', { exact: true }).first();
      await field.fill(`Person 2 ${n}`);
      await field.blur();
    }),
  );
});
