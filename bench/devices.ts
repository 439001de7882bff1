/** Phones on other machines: what one relay carries, how soon a ring is there, and how soon a device is a phone. */
import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { chromium, type Page } from '@playwright/test';
import { addressOf, fetchFrom, RelayClient } from '../src/channel/relay';
import { ask, base64Url, hear, makeKeys, random, Sealed, type Bytes } from '../src/channel/sealed';
import { PROLOGUE } from '../src/exchange/devices/words';
import { setClock } from '../tests/browser/bench';
import { shared } from '../tests/server';
import { ms, quantiles } from './measure';

const { baseURL, launchOptions } = shared.use!;
const PHONES = 100;
/** As large as what a phone is told of its calls while twenty go on. */
const RING = { is: 'phone', message: { kind: 'told', part: 'calls', is: 'x'.repeat(20_000) } };
const NONE: Bytes = new Uint8Array();

const server = spawn('node', ['scripts/serve.mjs'], {
  env: { ...process.env, PORT: process.env.UPPER_LINE_PORT, HOST: '127.0.0.1' },
  stdio: 'ignore',
});
/** Resident memory of the server, in kB. */
const memory = (): number =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${server.pid}/status`, 'utf8'))![1]);
const sleep = (n: number) => new Promise((resolve) => setTimeout(resolve, n));
async function until(what: () => boolean | Promise<boolean>): Promise<void> {
  for (let tries = 0; tries < 3000; tries++) {
    if (await what()) return;
    await sleep(10);
  }
  throw new Error('It does not come to that.');
}
const quiet = {
  connected: () => {},
  cut: () => {},
  exchange: () => {},
  came: () => {},
  went: () => {},
  piece: () => {},
  replaced: () => {},
};

/** A hundred phones, each with keys of its own, and the exchange that tells all of them. */
async function relayed(): Promise<void> {
  const token = base64Url(random(32));
  const to = await addressOf(token);
  const own = await makeKeys();
  const fetching = fetchFrom(baseURL!);
  const sessions = new Map<string, Sealed>();
  const exchange = new RelayClient(
    { as: 'exchange', token },
    {
      ...quiet,
      piece: (peer, piece) => {
        void (async () => {
          if (sessions.has(peer)) return sessions.get(peer)!.receive(piece);
          const { message, keys } = await (await hear(own, PROLOGUE, piece)).answer(NONE);
          sessions.set(
            peer,
            new Sealed(
              keys,
              (p) => exchange.send(p, peer),
              () => {},
              () => {},
            ),
          );
          exchange.send(message, peer);
        })();
      },
    },
    fetching,
  );
  await until(() => exchange.isConnected);
  const before = memory();
  const ready: number[] = [];
  const rings: number[] = [];
  let rung = 0;
  const phones: RelayClient[] = [];
  for (let i = 0; i < PHONES; i++) {
    const keys = await makeKeys();
    const from = performance.now();
    let sealed: Sealed | null = null;
    let finish: Awaited<ReturnType<typeof ask>>['finish'] | null = null;
    const phone: RelayClient = new RelayClient(
      { as: 'phone', to },
      {
        ...quiet,
        exchange: () => {
          void ask(keys, own.publicKey, PROLOGUE, NONE).then((asked) => {
            finish = asked.finish;
            phone.send(asked.message);
          });
        },
        piece: (_, piece) => {
          if (sealed) return sealed.receive(piece);
          void finish!(piece).then(({ keys: agreed }) => {
            sealed = new Sealed(
              agreed,
              (p) => phone.send(p),
              () => rings.push(performance.now() - rung),
              () => {},
            );
            ready.push(performance.now() - from);
          });
        },
      },
      fetching,
    );
    phones.push(phone);
    await until(() => ready.length === i + 1);
  }
  await sleep(1000);
  const with100 = memory();
  const r = quantiles(ready);
  console.log(`relay, ${PHONES} phones: connected and agreed in ${ms(r.p50)}, 95th percentile ${ms(r.p95)}`);
  console.log(`relay, memory of the server by phone: ${((with100 - before) / PHONES).toFixed(0)} kB`);
  const all: number[] = [];
  for (let round = 0; round < 20; round++) {
    rings.length = 0;
    rung = performance.now();
    for (const session of sessions.values()) session.send(RING);
    await until(() => rings.length === PHONES);
    all.push(...rings);
  }
  const q = quantiles(all);
  console.log(`relay, 20 kB told to all ${PHONES} at once: ${ms(q.p50)}, 95th percentile ${ms(q.p95)}`);
  for (const phone of phones) phone.close();
  exchange.close();
}

/** Two browser processes: a device is let in, and rung. */
async function rung(): Promise<void> {
  const [office, elsewhere] = await Promise.all([
    chromium.launch(launchOptions),
    chromium.launch(launchOptions),
  ]);
  const on = async (browser: typeof office): Promise<Page> =>
    (await browser.newContext({ baseURL: baseURL!, permissions: ['microphone'] })).newPage();
  const page = await on(office);
  await page.goto('/');
  await page.getByRole('heading', { name: 'Who answers, this week' }).waitFor();
  await setClock(page, '2026-11-24T10:15');
  await page.goto('/people/idris');
  await page.getByRole('button', { name: /^Invite Idris/ }).click();
  await page.getByRole('button', { name: 'Open the mail' }).click();
  await page.getByRole('button', { name: /Your phone at Lantern Cove/ }).click();
  const link = /https?:\S+#join=\S+/.exec(await page.getByTestId('mail-text').innerText())![0];
  const device = await on(elsewhere);
  const opened = performance.now();
  await device.goto(link);
  await device.getByRole('button', { name: 'Ask to be let in' }).click();
  await page.goto('/phones/devices');
  await page.getByRole('button', { name: /^It is theirs/ }).click();
  await device.getByTestId('set-up').waitFor();
  console.log(
    `a device, from the opened link to a phone that is set up, nobody thinking: ${ms(performance.now() - opened)}`,
  );
  await page.evaluate(() => {
    const heard: Record<string, number> = {};
    Object.assign(window, { heard });
    new BroadcastChannel('upper-line:exchange').onmessage = ({ data }) => {
      for (const call of (
        data as { calls?: { request: { id: string }; legs: { phone: string; state: string }[] }[] }
      ).calls ?? [])
        if (call.legs.some((l) => l.phone === 'idris-browser' && l.state === 'sounding'))
          heard[call.request.id] ??= Date.now();
    };
  });
  await device.evaluate(() => {
    const shown: number[] = [];
    Object.assign(window, { shown });
    let rings = false;
    new MutationObserver(() => {
      const now = document.querySelector('[data-testid="ringing"]') !== null;
      if (now && !rings) shown.push(Date.now());
      rings = now;
    }).observe(document.body, { subtree: true, childList: true });
  });
  const times: number[] = [];
  const caller = await page.context().newPage();
  await caller.goto('/bench/phone?business=lantern-cove');
  for (let i = 0; i < 8; i++) {
    await caller.getByRole('button', { name: 'Main line', exact: true }).click();
    await caller.getByRole('button', { name: 'Call', exact: true }).click();
    const ringing = device.getByTestId('ringing');
    await ringing.waitFor();
    const at = await device.evaluate(() => (window as unknown as { shown: number[] }).shown.at(-1)!);
    const told = await page.evaluate(() =>
      Math.max(...Object.values((window as unknown as { heard: Record<string, number> }).heard)),
    );
    times.push(at - told);
    await caller.getByRole('button', { name: 'Hang up' }).click();
    await ringing.waitFor({ state: 'hidden' });
    await sleep(1800);
  }
  const q = quantiles(times);
  console.log(
    `a ring on another browser after the switch has said it: ${ms(q.p50)}, 95th percentile ${ms(q.p95)}`,
  );
  await office.close();
  await elsewhere.close();
}

try {
  await until(() =>
    fetch(`${baseURL}/api/health`).then(
      (r) => r.ok,
      () => false,
    ),
  );
  await relayed();
  await rung();
} finally {
  server.kill();
}
process.exit(0);
