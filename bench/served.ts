/** The built server on a free port with a browser before it, ended when the work is done. */
import { spawn } from 'node:child_process';
import { chromium, type JSHandle, type Locator, type Page } from '@playwright/test';
import { shared } from '../tests/server';
import { writeFile } from '../src/workspace/file/write';
import type { Whole } from '../src/workspace/businesses';

export async function withPage(work: (page: Page, baseURL: string) => Promise<void>): Promise<void> {
  const { baseURL, launchOptions } = shared.use!;
  const server = spawn('node', ['scripts/serve.mjs'], {
    env: { ...process.env, PORT: process.env.UPPER_LINE_PORT, HOST: '127.0.0.1' },
    stdio: 'ignore',
  });
  const browser = await chromium.launch(launchOptions);
  try {
    const answers = () =>
      fetch(baseURL!).then(
        () => true,
        () => false,
      );
    for (let tries = 0; tries < 100 && !(await answers()); tries++)
      await new Promise((resolve) => setTimeout(resolve, 100));
    await work(await browser.newPage({ viewport: { width: 1280, height: 800 } }), baseURL!);
  } finally {
    await browser.close();
    server.kill();
  }
}

/**
 * Times from a key press to the frame in which what it changes below `drawn` has been drawn, in milliseconds; they go on.
 * @param atOnce what is drawn later than with the key itself, such as what lies out of sight, does not count
 */
export const keysDrawn = (page: Page, drawn: string, atOnce = false): Promise<JSHandle<number[]>> =>
  page.evaluateHandle(
    ([drawn, atOnce]) => {
      const times: number[] = [];
      let pressed = 0;
      addEventListener('keydown', (e) => (pressed = e.timeStamp), true);
      if (atOnce) addEventListener('input', () => setTimeout(() => (pressed = 0)), true);
      new MutationObserver(() => {
        if (!pressed) return;
        const from = pressed;
        pressed = 0;
        // A task set from within a frame runs once that frame has been drawn.
        requestAnimationFrame(() => setTimeout(() => times.push(performance.now() - from)));
      }).observe(document.querySelector(drawn)!, {
        subtree: true,
        childList: true,
        characterData: true,
        attributes: true,
      });
      return times;
    },
    [drawn, atOnce] as const,
  );

/** Types words into a search field and takes them out again, key by key. */
export async function typeWords(page: Page, field: Locator, words: readonly string[]): Promise<void> {
  await field.focus();
  for (const word of words) {
    await page.keyboard.type(word, { delay: 120 });
    for (const _ of word) {
      await page.keyboard.press('Backspace');
      await page.waitForTimeout(120);
    }
    await page.waitForTimeout(200);
  }
}

/** Reads a business from a file, as a person does. */
export async function readBusiness(page: Page, whole: Whole, name: string): Promise<void> {
  await page.getByLabel('A file saved by Upper Line').setInputFiles({
    name: 'big.upper-line.gz',
    mimeType: 'application/gzip',
    buffer: Buffer.concat(await writeFile(whole, 0)),
  });
  await page.getByRole('button', { name: 'Open it' }).click();
  await page.getByText(name).first().waitFor();
}
