/** The load run on two cores, and its events beside a bare event loop: in a browser, where it runs, and in Node. */
import { createServer } from 'node:http';
import { isMainThread, parentPort, Worker as Thread, workerData } from 'node:worker_threads';
import { chromium } from '@playwright/test';
import { build, type Rolldown } from 'vite';
import { DEMO_ID } from '../demo/lantern-cove';
import { trafficOf } from '../src/core/staffing';
import { callRow, Log } from '../src/core/story';
import { pastOf } from '../src/standins/past/past';
import { freePort, shared } from '../tests/server';
import { answerOf, NOW, standing, system, WEEKS, type Asked, type Events, type Weeks } from './load-run';
import { ms } from './measure';

/** Times the events are measured in the browser, each in a new one: the machine is shared, and the middle of them says most. */
const TIMES = 5;

/** Asks a new worker. */
type Ask = <T extends Weeks | Events>(asked: Asked) => Promise<T>;

async function measure(where: string, ask: Ask, traffic: Asked['traffic']): Promise<void> {
  const from = performance.now();
  const half = WEEKS / 2;
  const done = await Promise.all(
    [0, half].map((first) => ask<Weeks>({ traffic, weeks: { from: first, to: first + half } })),
  );
  const took = performance.now() - from;
  const calls = done.reduce((sum, d) => sum + d.calls, 0);
  console.log(
    `${WEEKS} usual weeks of ${(calls / WEEKS).toFixed(0)} calls on two cores, ${where}: ${ms(took)} (aim 10 s), the first two weeks after ${ms(Math.min(...done.map((d) => d.first)))} (aim 1 s), ${Math.round((calls * 1000) / took).toLocaleString('en-US')} calls a second`,
  );
}
const told = (where: string, { rate, alone, waits }: Events): void =>
  console.log(
    `events of traces a second in a load run, ${where}: ${Math.round(rate).toLocaleString('en-US')}, a share of ${(rate / alone).toFixed(3)} of a bare event loop with a heap of ${waits}, as the engine's is (aim 0.33)`,
  );

/** The worker as a page has it: bundled and made small as what ships is. */
async function workerCode(): Promise<string> {
  const made = (await build({
    configFile: false,
    logLevel: 'error',
    publicDir: false,
    define: { 'process.env.NODE_ENV': '"production"' },
    build: {
      write: false,
      minify: true,
      lib: { entry: 'bench/load.worker.ts', formats: ['es'] },
    },
  })) as Rolldown.RolldownOutput[];
  return made[0]!.output[0].code;
}

if (!isMainThread) parentPort!.postMessage(answerOf(workerData as Asked));
else {
  const log = new Log();
  for (const call of pastOf(DEMO_ID, system, standing, NOW, 90).calls) log.put(callRow(call));
  const { traffic } = trafficOf(log, { from: '2026-08-31', to: '2026-11-22' }, system)!;

  const inNode: Ask = (asked) =>
    new Promise((resolve, reject) => {
      const thread = new Thread(new URL(import.meta.url), { workerData: asked });
      thread.once('message', resolve);
      thread.once('error', reject);
    });
  await measure('in Node', inNode, traffic);
  told('in Node', await inNode<Events>({ traffic }));

  const code = await workerCode();
  const server = createServer((request, response) => {
    const isCode = request.url?.endsWith('.js');
    response.setHeader('content-type', isCode ? 'text/javascript' : 'text/html');
    response.end(isCode ? code : '<!doctype html>');
  });
  const port = await freePort();
  await new Promise<void>((listens) => server.listen(port, '127.0.0.1', listens));
  const withBrowser = async (work: (ask: Ask) => Promise<void>) => {
    const browser = await chromium.launch(shared.use!.launchOptions);
    const page = await browser.newPage();
    await page.goto(`http://127.0.0.1:${port}/`);
    await work((asked) =>
      page.evaluate(
        (asked) =>
          new Promise<never>((resolve, reject) => {
            const worker = new Worker('/load.js', { type: 'module' });
            worker.onmessage = ({ data }) => resolve(data as never);
            worker.onerror = ({ message }) => reject(new Error(message));
            worker.postMessage(asked);
          }),
        asked,
      ),
    );
    await browser.close();
  };
  await withBrowser((ask) => measure('in the browser', ask, traffic));
  const made: Events[] = [];
  for (let i = 0; i < TIMES; i++)
    await withBrowser(async (ask) => void made.push(await ask<Events>({ traffic })));
  made.sort((a, b) => a.rate / a.alone - b.rate / b.alone);
  told(`in the browser, the middle of ${TIMES} times`, made[(TIMES - 1) / 2]!);
  server.close();
}
