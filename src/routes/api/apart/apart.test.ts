/** Work in a process of its own: in turn, with an end in any case. */
import { afterEach, describe, expect, it } from 'vitest';
import { notDone } from './answers';
import { Absent, Apart, Busy, Gone, Late } from './apart';

/** A process that waits for so many milliseconds, works without a pause, or dies. */
const CODE = `
let n = 0;
process.on('disconnect', () => process.exit());
process.on('message', (m) => {
  if (m.die) process.exit(1);
  if (m.busy) for (;;) {}
  if (m.absent) return process.send({ ok: false, absent: true, message: 'no such package' });
  setTimeout(() => process.send({ ok: true, answer: { said: m.say, n: ++n } }), m.ms ?? 0);
});`;
interface Asked {
  say?: string;
  ms?: number;
  busy?: boolean;
  die?: boolean;
  absent?: boolean;
}
let made: Apart<Asked>[] = [];
const apart = (options: Partial<ConstructorParameters<typeof Apart>[1]> = {}) => {
  const it = new Apart<Asked>(CODE, { deadline: 5000, waiting: 3, usual: 1000, ...options });
  made.push(it);
  return it;
};
afterEach(() => {
  for (const one of made) one.stop();
  made = [];
});

describe('work apart', () => {
  it('is done in turn, by one process', async () => {
    const one = apart();
    const all = await Promise.all(['a', 'b', 'c'].map((say) => one.ask<{ n: number }>({ say })));
    expect(all).toEqual([
      { said: 'a', n: 1 },
      { said: 'b', n: 2 },
      { said: 'c', n: 3 },
    ]);
  });
  it('is refused when too much waits, with when to ask again', async () => {
    const one = apart({ waiting: 2 });
    const going = ['a', 'b', 'c'].map((say) => one.ask({ say, ms: 300 }, 4));
    const refused = await one.ask({ say: 'd' }).catch((e: unknown) => e);
    expect(refused).toBeInstanceOf(Busy);
    // Three of four units at a second each.
    expect((refused as Busy).seconds).toBe(12);
    const answer = notDone(refused, 'The voice');
    expect(answer.status).toBe(503);
    expect(answer.headers.get('retry-after')).toBe('12');
    expect(await answer.json()).toMatchObject({
      detail: 'The voice is busy with others. Ask again in 12 s.',
    });
    await Promise.all(going);
  });
  it('ends at its deadline, and the next is done all the same', async () => {
    const one = apart({ deadline: 400 });
    const stuck = one.ask({ busy: true }).catch((e: unknown) => e);
    const next = one.ask<{ said: string }>({ say: 'next' });
    expect(await stuck).toBeInstanceOf(Late);
    expect((await next).said).toBe('next');
  });
  it('ends when whoever asked has gone, running or waiting', async () => {
    const one = apart();
    const [running, waiting] = [new AbortController(), new AbortController()];
    const first = one.ask({ busy: true }, 1, running.signal).catch((e: unknown) => e);
    const second = one.ask({ say: 'b' }, 1, waiting.signal).catch((e: unknown) => e);
    const third = one.ask<{ said: string }>({ say: 'c' });
    waiting.abort();
    running.abort();
    expect(await first).toBeInstanceOf(Gone);
    expect(await second).toBeInstanceOf(Gone);
    expect((await third).said).toBe('c');
  });
  it('survives that its process dies', async () => {
    const one = apart();
    await expect(one.ask({ die: true })).rejects.toThrow('ended by itself');
    expect(await one.ask({ say: 'again' })).toMatchObject({ said: 'again' });
  });
  it('says so where what it needs is not installed', async () => {
    const refused = await apart()
      .ask({ absent: true })
      .catch((e: unknown) => e);
    expect(refused).toBeInstanceOf(Absent);
    expect(await notDone(refused, 'The voice').json()).toMatchObject({
      status: 501,
      detail: expect.stringContaining('not installed'),
    });
  });
});
