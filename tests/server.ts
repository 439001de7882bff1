/** The built server on a free port, and the browser it is driven with. */
import { existsSync } from 'node:fs';
import { createServer } from 'node:net';
import type { PlaywrightTestConfig } from '@playwright/test';

export function freePort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const address = probe.address();
      probe.close(() => resolve(typeof address === 'object' && address ? address.port : 0));
    });
  });
}

// Worker processes read the configuration again and must come to the same port.
process.env.UPPER_LINE_PORT ??= String(await freePort());
const port = process.env.UPPER_LINE_PORT;

/** Debian's Chromium without a window system where it is there: it takes two thirds of the time. */
const chromium = (): string =>
  ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'].find((path) => existsSync(path)) ??
  '/usr/bin/chromium';

export const shared: PlaywrightTestConfig = {
  // Three for each of two cores: real calls wait for real seconds, and half of the time nothing is worked out.
  workers: 6,
  // Each test has a browser of its own: none need wait for the others of its file.
  fullyParallel: true,
  // Real calls take real seconds; on a busy machine one may be late. A third failure counts.
  retries: process.env.CI ? 2 : 0,
  timeout: process.env.CI ? 120_000 : 60_000,
  globalTimeout: 3_900_000,
  expect: { timeout: process.env.CI ? 20_000 : 10_000 },
  use: {
    actionTimeout: process.env.CI ? 30_000 : 15_000,
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    timezoneId: 'Europe/Berlin',
    locale: 'en-US',
    permissions: ['microphone'],
    // What blinks is drawn anew in every frame of every window: a fifth of the processor while it rings.
    contextOptions: { reducedMotion: 'reduce' },
    // Pages kept in the browser would be those of another test's build; what keeps them has a test of its own.
    serviceWorkers: 'block',
    // Writing one down of every test takes a tenth of the time of all of them.
    trace: process.env.CI ? 'on-first-retry' : 'retain-on-failure',
    launchOptions: {
      executablePath: chromium(),
      args: [
        '--no-sandbox',
        '--disable-gpu',
        // A tenth less of the processor: no process of its own for what is not drawn, scripts taken apart once.
        '--in-process-gpu',
        '--disable-features=V8ScriptStreaming',
        '--disable-quic',
        // Windows of one test, and of the next, share what was compiled.
        '--process-per-site',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--autoplay-policy=no-user-gesture-required',
        '--use-fake-device-for-media-stream',
        '--use-fake-ui-for-media-stream',
      ],
    },
  },
  webServer: {
    command: 'node scripts/serve.mjs',
    url: `http://127.0.0.1:${port}`,
    env: { PORT: port, HOST: '127.0.0.1' },
    reuseExistingServer: false,
  },
};
