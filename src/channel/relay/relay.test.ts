/** The relay: who hears whom, what is refused, and that nothing is left when all are gone. */
import { describe, expect, it } from 'vitest';
import { base64Url, random } from '../sealed';
import { addressOf, LIMITS, NotTaken, Relay, type FromRelay, type Limits } from '.';

const token = (): string => base64Url(random(32));
function setUp(limits: Partial<Limits> = {}) {
  let now = 0;
  let n = 0;
  const relay = new Relay(
    () => now,
    () => `id-${String(++n).padStart(10, '0')}`,
    { ...LIMITS, ...limits },
  );
  /** Connects somebody, with what they are told. */
  async function join(hello: Parameters<Relay['connect']>[0], waiting = () => 0) {
    const told: FromRelay[] = [];
    const state = { closed: false };
    const ticket = await relay.connect(hello, {
      line: (l) => told.push(l),
      waiting,
      close: () => (state.closed = true),
    });
    return { told, ticket, state, last: () => told.at(-1) };
  }
  return { relay, join, sleep: (ms: number) => (now += ms) };
}
const pieces = (told: readonly FromRelay[]) => told.flatMap((l) => (l.is === 'piece' ? [l.piece] : []));

describe('a relay', () => {
  it('passes pieces both ways, each phone its own', async () => {
    const { relay, join } = setUp();
    const secret = token();
    const to = await addressOf(secret);
    const early = await join({ as: 'phone', to });
    expect(early.last()).toEqual({ is: 'exchange', there: false });
    const exchange = await join({ as: 'exchange', token: secret });
    expect(early.last()).toEqual({ is: 'exchange', there: true });
    const other = await join({ as: 'phone', to });
    const [a, b] = exchange.told.flatMap((l) => (l.is === 'came' ? [l.peer] : []));
    relay.pass({ ticket: early.ticket, pieces: ['aa', 'bb'] });
    expect(exchange.last()).toEqual({ is: 'piece', from: a, piece: 'bb' });
    relay.pass({ ticket: exchange.ticket, to: b!, pieces: ['cc'] });
    expect(pieces(other.told)).toEqual(['cc']);
    expect(pieces(early.told)).toEqual([]);
  });

  it('only whoever knows the token is the exchange; a second window of it replaces the first', async () => {
    const { relay, join } = setUp();
    const secret = token();
    const to = await addressOf(secret);
    const first = await join({ as: 'exchange', token: secret });
    const phone = await join({ as: 'phone', to });
    const stranger = await join({ as: 'exchange', token: token() });
    relay.pass({ ticket: phone.ticket, pieces: ['aa'] });
    expect(pieces(stranger.told)).toEqual([]);
    const second = await join({ as: 'exchange', token: secret });
    expect(first.last()).toEqual({ is: 'replaced' });
    expect(first.state.closed).toBe(true);
    relay.pass({ ticket: phone.ticket, pieces: ['bb'] });
    expect(pieces(second.told)).toEqual(['bb']);
    expect(pieces(first.told)).toEqual(['aa']);
  });

  it('phones hear when the exchange goes, the exchange when a phone does; nothing is left then', async () => {
    const { relay, join } = setUp();
    const secret = token();
    const exchange = await join({ as: 'exchange', token: secret });
    const phone = await join({ as: 'phone', to: await addressOf(secret) });
    const came = exchange.told.find((l) => l.is === 'came')!;
    relay.gone(exchange.ticket);
    expect(phone.last()).toEqual({ is: 'exchange', there: false });
    expect(() => relay.pass({ ticket: phone.ticket, pieces: ['aa'] })).toThrow('not connected');
    const back = await join({ as: 'exchange', token: secret });
    expect(back.told).toContainEqual(came);
    relay.gone(phone.ticket);
    expect(back.last()).toMatchObject({ is: 'went' });
    relay.gone(back.ticket);
    expect(relay.connections).toBe(0);
    expect((relay as unknown as { places: Map<string, unknown> }).places.size).toBe(0);
  });

  it('one that the exchange drops is let go; nobody else drops any', async () => {
    const { relay, join } = setUp();
    const secret = token();
    const exchange = await join({ as: 'exchange', token: secret });
    const phone = await join({ as: 'phone', to: await addressOf(secret) });
    const other = await join({ as: 'exchange', token: token() });
    const came = exchange.told.find((l) => l.is === 'came');
    const peer = came?.is === 'came' ? came.peer : '';
    relay.drop(other.ticket, peer);
    relay.drop(phone.ticket, peer);
    expect(phone.state.closed).toBe(false);
    relay.drop(exchange.ticket, peer);
    expect(phone.state.closed).toBe(true);
  });

  it.each<[string, Partial<Limits>, number]>([
    ['more connections than it carries', { connections: 2 }, 503],
    ['more phones of one business', { phones: 1 }, 503],
  ])('refuses %s', async (_, limits, status) => {
    const { join } = setUp(limits);
    const secret = token();
    await join({ as: 'exchange', token: secret });
    const to = await addressOf(secret);
    await join({ as: 'phone', to });
    await expect(join({ as: 'phone', to })).rejects.toMatchObject({ status });
  });

  it('refuses a pace beyond its own, and takes more once time has gone by', async () => {
    const { relay, join, sleep } = setUp({ pieces: 10, seconds: 2 });
    const secret = token();
    await join({ as: 'exchange', token: secret });
    const { ticket } = await join({ as: 'phone', to: await addressOf(secret) });
    for (let i = 0; i < 20; i++) relay.pass({ ticket, pieces: ['aa'] });
    expect(() => relay.pass({ ticket, pieces: ['aa'] })).toThrow(NotTaken);
    sleep(100);
    relay.pass({ ticket, pieces: ['aa'] });
    expect(() => relay.pass({ ticket, pieces: ['aa'] })).toThrow('more at once');
  });

  it('lets go who takes nothing, and keeps nothing for them', async () => {
    const { relay, join } = setUp({ waiting: 100 });
    const secret = token();
    const exchange = await join({ as: 'exchange', token: secret });
    const phone = await join({ as: 'phone', to: await addressOf(secret) }, () => 101);
    const came = exchange.told.find((l) => l.is === 'came');
    expect(() =>
      relay.pass({ ticket: exchange.ticket, to: came?.is === 'came' ? came.peer : '', pieces: ['aa'] }),
    ).toThrow('let go');
    expect(phone.state.closed).toBe(true);
  });
});
