/** In the real interface: from something that happens in one of 50 calls to the redrawn live board, and from a report that is worked out to its drawn page. */
import type { Page } from '@playwright/test';
import { setClock } from '../tests/browser/bench';
import { ms, quantiles } from './measure';
import { withPage } from './served';

const CALLS = 50;
const EVENTS = 120;
const MAIN = '+13605550142';
const BUSINESS = 'lantern-cove';

/** What the page of a board or a report is watched with, in the page itself. */
interface Watch {
  /** When what is drawn next was told to the page. */
  heard: number;
  /** What a worker says is what is waited for. */
  byWorker: boolean;
  drawn: number[];
}
declare global {
  interface Window {
    watch: Watch;
  }
}

/** Every frame that changes what is below `selector`, and how long after `heard` it had been drawn. */
const watch = (page: Page, selector: string): Promise<void> =>
  page.evaluate((of) => {
    new MutationObserver(() => {
      const from = window.watch.heard;
      if (!from) return;
      window.watch.heard = 0;
      // A task set from within a frame runs once that frame has been drawn.
      requestAnimationFrame(() => setTimeout(() => window.watch.drawn.push(performance.now() - from)));
    }).observe(document.querySelector(of)!, {
      subtree: true,
      childList: true,
      characterData: true,
      attributes: true,
    });
  }, selector);

function say(what: string, times: readonly number[], of: number): void {
  const { p50, p95 } = quantiles(times);
  console.log(`${what}: median ${ms(p50)}, 95th percentile ${ms(p95)} (${times.length} of ${of})`);
}

async function board(page: Page, baseURL: string): Promise<void> {
  await page.goto(`${baseURL}/figures`);
  await page.getByTestId('board-people').waitFor();
  await page.evaluate(
    async ([count, businessId, e164]) => {
      const clock = await new Promise<{ benchAt: number; realAt: number }>((resolve) => {
        const open = indexedDB.open('upper-line');
        open.onsuccess = () => {
          const get = open.result.transaction('settings').objectStore('settings').get('clock');
          get.onsuccess = () => resolve(get.result as { benchAt: number; realAt: number });
        };
      });
      const channel = new BroadcastChannel('upper-line:exchange');
      const act = (action: object) =>
        channel.postMessage({ kind: 'act', id: crypto.randomUUID(), businessId, action });
      // The exchange of a page that has just opened is there once it answers.
      await new Promise<void>((answers) => {
        const asks = setInterval(() => channel.postMessage({ kind: 'ask', businessId }), 50);
        channel.onmessage = () => {
          clearInterval(asks);
          answers();
        };
      });
      const ids: string[] = [];
      const place = (n: number) => {
        const id = `bench-${n}`;
        ids.push(id);
        // Whoever calls is there as long as their window is.
        void navigator.locks.request(`upper-line:caller:${id}`, () => new Promise(() => {}));
        act({
          kind: 'place',
          request: {
            id,
            at: clock.benchAt + Date.now() - clock.realAt,
            from: { kind: 'outside', number: `+120655501${String(n % 100).padStart(2, '0')}` },
            to: { kind: 'number', e164 },
            behaviour: null,
          },
        });
      };
      for (let n = 0; n < count; n++) {
        place(n);
        await new Promise((resolve) => setTimeout(resolve, 40));
      }
      // The oldest leaves, another comes: time and again.
      Object.assign(window, {
        next(n: number) {
          window.watch.heard = performance.now();
          if (n % 2) place(count + n);
          else act({ kind: 'hang up', callId: ids.shift(), by: 'caller' });
        },
      });
    },
    [CALLS, BUSINESS, MAIN] as const,
  );
  await page.waitForFunction(
    (count) => document.querySelectorAll('[data-testid=board-calls] > li').length >= count - 2,
    CALLS,
  );
  await watch(page, '[data-testid=board-calls]');
  await page.evaluate(() => (window.watch.drawn.length = 0));
  for (let n = 0; n < EVENTS; n++) {
    await page.evaluate((i) => (window as unknown as { next(n: number): void }).next(i), n);
    await page.waitForTimeout(250);
  }
  say(
    `live board of ${CALLS} calls, from an act to drawn`,
    await page.evaluate(() => window.watch.drawn),
    EVENTS,
  );
}

const QUESTIONS = ['how-many', 'missed', 'waits', 'who', 'earns-its-place', 'too-few', 'cost', 'wants'];

async function reports(page: Page, baseURL: string): Promise<void> {
  await page.goto(`${baseURL}/figures/questions`);
  await page.getByLabel('Which days').selectOption('last 90 days');
  const settled = () => page.locator('[data-testid=report-state][aria-busy=false]').waitFor();
  await settled();
  await watch(page, 'main');
  await page.evaluate(() => (window.watch.byWorker = true));
  const times: number[] = [];
  for (const about of [...QUESTIONS, ...QUESTIONS, ...QUESTIONS]) {
    await page.locator(`nav[aria-label=Questions] a[href="?about=${about}"]`).click();
    await settled();
    await page.waitForTimeout(600);
    // The first frame after the report was told is the one it is drawn in; what was drawn before belongs to the question.
    times.push(...(await page.evaluate(() => window.watch.drawn.splice(0).slice(-1))));
  }
  say('a report, from worked out to drawn', times, 3 * QUESTIONS.length);
}

await withPage(async (page, baseURL) => {
  // What runs this file gives functions their names by it, in the page as well.
  await page.addInitScript('globalThis.__name = (f) => f');
  await page.addInitScript(() => {
    window.watch = { heard: 0, byWorker: false, drawn: [] };
    // The first listener of a worker is told before the page's own.
    window.Worker = class extends Worker {
      constructor(...args: ConstructorParameters<typeof Worker>) {
        super(...args);
        this.addEventListener('message', () => {
          if (window.watch.byWorker) window.watch.heard = performance.now();
        });
      }
    };
  });
  await page.goto(baseURL);
  await page.getByRole('heading', { name: 'Who answers, this week' }).waitFor();
  await setClock(page, '2026-11-24T10:15');
  await board(page, baseURL);
  await reports(page, baseURL);
});
