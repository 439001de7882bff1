/** The relay as it is reached: connections that stay open, a hundred phones at once, and what is refused. */
import { describe, expect, it } from 'vitest';
import { addressOf, RelayClient, type Fetch, type RelayTold } from '../../../channel/relay';
import { base64Url, random } from '../../../channel/sealed';
import { POST as connect } from './+server';
import { POST as drop } from './drop/+server';
import { relay } from './here';
import { POST as pass } from './pass/+server';

const ROUTES: Record<string, typeof connect> = {
  '/api/relay': connect,
  '/api/relay/pass': pass,
  '/api/relay/drop': drop,
};
/** Requests are answered by the routes themselves. */
const fetching: Fetch = async (path, body, signal) => {
  const request = new Request(`http://relay.example${path}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
    signal,
  });
  return ROUTES[path]!({ request } as Parameters<typeof connect>[0]);
};
const post = (path: string, body: unknown) => fetching(path, body, new AbortController().signal);

const QUIET: RelayTold = {
  connected: () => {},
  cut: () => {},
  exchange: () => {},
  came: () => {},
  went: () => {},
  piece: () => {},
  replaced: () => {},
};
const bytes = (text: string) => new TextEncoder().encode(text) as Uint8Array<ArrayBuffer>;
const words = (piece: Uint8Array) => new TextDecoder().decode(piece);
async function until(what: () => boolean): Promise<void> {
  for (let i = 0; i < 1000; i++) {
    if (what()) return;
    await new Promise((r) => setTimeout(r, 10));
  }
  throw new Error('It does not come to that.');
}

describe('the relay, as it is reached', () => {
  it('a hundred phones at once: twenty say fifty things each, all arrive, in order, at whom they are for', async () => {
    const token = base64Url(random(32));
    const to = await addressOf(token);
    const before = relay.connections;
    const heard = new Map<string, string[]>();
    const exchange: RelayClient = new RelayClient(
      { as: 'exchange', token },
      {
        ...QUIET,
        came: (peer) => heard.set(peer, []),
        went: (peer) => heard.delete(peer),
        piece: (peer, piece) => {
          heard.get(peer)!.push(words(piece));
          exchange.send(bytes(`heard ${words(piece)}`), peer);
        },
      },
      fetching,
    );
    const answers = Array.from({ length: 100 }, () => [] as string[]);
    const phones = answers.map(
      (mine) =>
        new RelayClient(
          { as: 'phone', to },
          { ...QUIET, piece: (_, piece) => mine.push(words(piece)) },
          fetching,
        ),
    );
    await until(() => heard.size === 100 && phones.every((p) => p.isConnected));
    for (const [i, phone] of phones.entries())
      for (let n = 0; n < (i < 20 ? 50 : 1); n++) phone.send(bytes(`${i}:${n}`));
    await until(() => answers.every((a, i) => a.length === (i < 20 ? 50 : 1)));
    for (const [i, a] of answers.entries())
      expect(a).toEqual(Array.from({ length: i < 20 ? 50 : 1 }, (_, n) => `heard ${i}:${n}`));
    for (const phone of phones) phone.close();
    await until(() => heard.size === 0);
    exchange.close();
    await until(() => relay.connections === before);
  });

  it('one that is cut off connects again by itself', async () => {
    const token = base64Url(random(32));
    const cuts: string[] = [];
    let connected = 0;
    const client = new RelayClient(
      { as: 'exchange', token },
      { ...QUIET, connected: () => connected++, cut: (why) => cuts.push(why) },
      fetching,
    );
    await until(() => connected === 1);
    client.anew();
    await until(() => connected === 2);
    expect(cuts).toEqual(['']);
    client.close();
  });

  it.each<[string, string, unknown, number]>([
    ['a connection as something else', '/api/relay', { as: 'owner', token: 'x' }, 422],
    ['an address that is none', '/api/relay', { as: 'phone', to: '../../etc' }, 422],
    ['pieces of nobody', '/api/relay/pass', { ticket: 'nobody-at-all', pieces: ['aa'] }, 404],
    ['a piece that is no base64url', '/api/relay/pass', { ticket: 'nobody-at-all', pieces: ['<b>'] }, 422],
    [
      'more in a request than it takes',
      '/api/relay/pass',
      { ticket: 'nobody-at-all', pieces: ['a'.repeat(600_000)] },
      413,
    ],
  ])('refuses %s', async (_, path, body, status) => {
    const response = await post(path, body);
    expect(response.status).toBe(status);
    expect(await response.json()).toMatchObject({ status, detail: expect.any(String) as string });
  });
});
