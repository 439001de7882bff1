/** Talking between real windows: from lifting to the first sound, and from an act to its showing at the other end, among live calls. */
import { existsSync, readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { BUSINESS, IDRIS, JONAH, paired } from '../tests/browser/paired';
import type { State } from '../tests/browser/seeded';
import { ms, quantiles } from './measure';
import { withPage } from './served';

const SEED = 'test-results/seed.json';
/** Calls that go on besides. */
const LIVE = 49;
const LIFTS = 10;
const ACTS = 40;

if (!existsSync(SEED)) console.log('talking: not measured, run the browser tests once first');
else
  await withPage(async (first, baseURL) => {
    const state = paired(JSON.parse(readFileSync(SEED, 'utf8')) as State);
    state.origins[0]!.origin = baseURL;
    const context = await first
      .context()
      .browser()!
      .newContext({
        storageState: state as never,
        baseURL,
        permissions: ['microphone'],
        serviceWorkers: 'block',
      });
    const home = await context.newPage();
    await home.goto('/');
    const phone = async (id: string): Promise<Page> => {
      const page = await context.newPage();
      await page.goto(`/phone?business=${BUSINESS}&as=${id}`);
      await page.getByTestId('phone-state').filter({ hasText: /ready/ }).waitFor();
      return page;
    };
    const [jonah, idris] = [await phone(JONAH), await phone(IDRIS)];

    const lifts: number[] = [];
    for (let n = 0; n < LIFTS; n++) {
      const field = jonah.getByRole('combobox', { name: 'Call a name, extension or number' });
      await field.fill('202');
      await field.press('Enter');
      const answer = idris.getByTestId('ringing').getByRole('button', { name: /^Answer/ });
      await answer.waitFor();
      // The stand-in microphone of the browser beeps: the first of it that is heard.
      const heard = jonah.evaluate(
        () =>
          new Promise<number>((resolve) => {
            const context = new AudioContext();
            const analyser = context.createAnalyser();
            analyser.fftSize = 512;
            const samples = new Float32Array(analyser.fftSize);
            let from: MediaStream | null = null;
            const look = setInterval(() => {
              const element = document.querySelector<HTMLAudioElement>('audio[data-testid="voice"]');
              const stream = element?.srcObject as MediaStream | null;
              if (stream && stream !== from)
                context.createMediaStreamSource((from = stream)).connect(analyser);
              analyser.getFloatTimeDomainData(samples);
              // Any sound at all: a connection that carries nothing is silent to the last digit.
              if (!from || !samples.some((s) => s !== 0)) return;
              clearInterval(look);
              resolve(Date.now());
              void context.close();
            }, 5);
          }),
      );
      const lifted = await idris.evaluate(() => {
        const button = [...document.querySelectorAll<HTMLButtonElement>('[data-testid=ringing] button')].find(
          (b) => b.textContent?.trim().startsWith('Answer'),
        );
        button!.click();
        return Date.now();
      });
      lifts.push((await heard) - lifted);
      if (n < LIFTS - 1) {
        await jonah.keyboard.press('Escape');
        await idris.getByTestId('talking').waitFor({ state: 'detached' });
      }
    }
    const { p50: median } = quantiles(lifts);
    console.log(
      `lift to first sound between two windows: median ${ms(median)} (aim under 300 ms; ${LIFTS} times)`,
    );

    // Callers of the main line, held by one window, that go their way meanwhile.
    await home.evaluate(
      async ([business, live]) => {
        const channel = new BroadcastChannel('upper-line:exchange');
        for (let n = 0; n < live; n++) {
          const id = `bench-${n}`;
          await new Promise<void>((held) => {
            void navigator.locks.request(`upper-line:caller:${id}`, () => {
              held();
              return new Promise(() => {});
            });
          });
          const request = {
            id,
            at: 0,
            from: { kind: 'outside', number: null },
            to: { kind: 'number', e164: '+13605550142' },
            behaviour: null,
          };
          channel.postMessage({
            kind: 'act',
            id: `act-${n}`,
            businessId: business,
            action: { kind: 'place', request },
          });
        }
      },
      [BUSINESS, LIVE] as const,
    );
    await home.waitForTimeout(2000);
    await jonah.evaluate(() => {
      const shown: number[] = ((window as unknown as { shown: number[] }).shown = []);
      let last = '';
      new MutationObserver(() => {
        const now = document.querySelector('[data-testid=wire] li')?.getAttribute('data-state') ?? '';
        if (now !== last) shown.push(Date.now());
        last = now;
      }).observe(document.body, { subtree: true, childList: true, attributes: true });
    });
    const times: number[] = [];
    for (let n = 0; n < ACTS; n++) {
      const before = await jonah.evaluate(() => (window as unknown as { shown: number[] }).shown.length);
      const pressed = await idris.evaluate(() => {
        dispatchEvent(new KeyboardEvent('keydown', { key: 'h' }));
        return Date.now();
      });
      await jonah.waitForFunction((n) => (window as unknown as { shown: number[] }).shown.length > n, before);
      const at = await jonah.evaluate((n) => (window as unknown as { shown: number[] }).shown[n]!, before);
      times.push(at - pressed);
      await idris.waitForTimeout(120);
    }
    const { p50, p95 } = quantiles(times);
    console.log(
      `an act shown at the other end among ${LIVE + 1} live calls: median ${ms(p50)}, 95th percentile ${ms(p95)} (aim under 100 ms; ${ACTS} acts)`,
    );
  });
