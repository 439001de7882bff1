/** The built server on a free port with a browser before it, ended when the work is done. */
import { spawn } from 'node:child_process';
import { chromium, type Page } from '@playwright/test';
import { shared } from '../tests/server';
import { writeFile } from '../src/workspace/file';
import type { Whole } from '../src/workspace/businesses';

export async function withPage(work: (page: Page, baseURL: string) => Promise<void>): Promise<void> {
  const { baseURL, launchOptions } = shared.use!;
  const server = spawn('node', ['build'], {
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

/** Reads a business from a file, as a person does. */
export async function readBusiness(page: Page, whole: Whole, name: string): Promise<void> {
  await page.getByLabel('A file saved by Upper Line').setInputFiles({
    name: 'big.json',
    mimeType: 'application/json',
    buffer: Buffer.from(writeFile(whole, 0)),
  });
  await page.getByRole('button', { name: 'Open it' }).click();
  await page.getByText(name).first().waitFor();
}
