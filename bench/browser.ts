/** In the real interface: from a key press in a seconds field to the redrawn ring chart, and what the first page weighs. */
import { spawn } from 'node:child_process';
import { chromium } from '@playwright/test';
import { shared } from '../tests/server';
import { writeFile } from '../src/workspace/file';
import { bigBusiness } from './big';

/** Rounds of key presses; the machine is shared, so the quietest round says most. */
const ROUNDS = 3;
const KEYS = 100;
const { baseURL, launchOptions } = shared.use!;
const server = spawn('node', ['build'], {
  env: { ...process.env, PORT: process.env.UPPER_LINE_PORT, HOST: '127.0.0.1' },
  stdio: 'ignore',
});
const browser = await chromium.launch(launchOptions);
try {
  for (let tries = 0; tries < 100; tries++) {
    if (
      await fetch(baseURL!).then(
        () => true,
        () => false,
      )
    )
      break;
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  const network = await page.context().newCDPSession(page);
  await network.send('Network.enable');
  let bytes = 0;
  network.on('Network.loadingFinished', (e) => (bytes += e.encodedDataLength));
  await page.goto(baseURL!);
  await page.getByRole('heading', { name: 'Who answers, this week' }).waitFor();
  await page.waitForLoadState('networkidle');
  console.log(`first page, transferred: ${(bytes / 1000).toFixed(0)} kB`);

  await page.getByLabel('A file saved by Upper Line').setInputFiles({
    name: 'big.json',
    mimeType: 'application/json',
    buffer: Buffer.from(writeFile(bigBusiness(), 0)),
  });
  await page.getByRole('button', { name: 'Open it' }).click();
  await page.getByText('Big Yard').first().waitFor();
  await page.goto(`${baseURL}/answering/plan-7?step=ring-7`);
  const field = page.getByLabel('For how many seconds');
  await field.focus();
  const redrawn = await page.evaluateHandle(() => {
    const chart = document.querySelector('[data-testid=ring-chart]')!;
    const times: number[] = [];
    let pressed = 0;
    addEventListener('keydown', (e) => (pressed = e.timeStamp), true);
    new MutationObserver(() => {
      if (!pressed) return;
      const from = pressed;
      pressed = 0;
      // A task set from within a frame runs once that frame has been drawn.
      requestAnimationFrame(() => setTimeout(() => times.push(performance.now() - from)));
    }).observe(chart, { subtree: true, attributes: true, childList: true, characterData: true });
    return times;
  });
  for (let round = 1; round <= ROUNDS; round++) {
    await redrawn.evaluate((times: number[]) => times.splice(0));
    for (let i = 0; i < KEYS; i++) {
      await page.keyboard.press(i % 40 < 20 ? 'ArrowUp' : 'ArrowDown');
      await page.waitForTimeout(100);
    }
    const times = ((await redrawn.jsonValue()) as number[]).sort((a, b) => a - b);
    const at = (share: number) =>
      times[Math.min(times.length - 1, Math.floor(times.length * share))]!.toFixed(0);
    console.log(
      `key press to redrawn ring chart, 500 people, round ${round}: median ${at(0.5)} ms, 95th percentile ${at(0.95)} ms`,
    );
  }
} finally {
  await browser.close();
  server.kill();
}
