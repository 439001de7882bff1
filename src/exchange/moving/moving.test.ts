/** The exchange moves: everything arrives as it was, to whoever has the link and after a word; what is cut off stays where it was. */
import { describe, expect, it } from 'vitest';
import { Relayed } from '../../../tests/fixtures/relayed';
import { random } from '../../channel/sealed';
import { Giver } from './giver';
import { Taker } from './taker';
import { PART, readMove, writeMove, type MoveLink } from './words';

async function until(what: () => boolean): Promise<void> {
  for (let i = 0; i < 2000; i++) {
    if (what()) return;
    await new Promise((r) => setTimeout(r, 5));
  }
  throw new Error('It does not come to that.');
}
/** Both ends, with all they are told. */
async function ends(change: (link: MoveLink) => MoveLink = (l) => l) {
  const relayed = new Relayed();
  const told = { asked: [] as string[], gone: [] as number[], taken: 0, failed: [] as string[], unknown: 0 };
  const giver = await Giver.offer(
    'Lantern Cove Boatworks',
    {
      asked: (kind) => told.asked.push(kind),
      gone: (n) => told.gone.push(n),
      taken: () => told.taken++,
      failed: (why, all) => {
        told.failed.push(why);
        if (all) told.unknown++;
      },
    },
    (token, to) => relayed.connect({ as: 'exchange', token }, to),
  );
  const link = readMove(`#${writeMove(await giver.link())}`)!;
  const got = { waits: '', all: [] as [Blob, unknown, unknown][], failed: [] as string[] };
  const taker = new Taker(
    change(link),
    'a browser on a test',
    {
      waits: (business) => (got.waits = business),
      got: () => {},
      all: (file, calls, around) => got.all.push([file, calls, around]),
      failed: (why) => got.failed.push(why),
    },
    (to, heard) => relayed.connect({ as: 'phone', to }, heard),
  );
  return { relayed, giver, taker, told, got, link };
}

describe('the exchange moves to another machine', () => {
  it('all of it, with calls and what stands around, and it is known to be there', async () => {
    const { relayed, giver, taker, told, got } = await ends();
    await until(() => told.asked.length > 0);
    expect(told.asked).toEqual(['a browser on a test']);
    expect(got.waits).toBe('Lantern Cove Boatworks');
    // Nothing goes before somebody has said yes.
    expect(got.all).toEqual([]);
    const file = new Blob([random(60_000), ...Array.from({ length: 40 }, () => random(65_536)), random(7)]);
    await giver.give(file, { businessId: 'b' }, [{ key: 'views:b', value: [1] }]);
    await until(() => got.all.length > 0);
    const [arrived, calls, around] = got.all[0]!;
    expect(Buffer.from(await arrived.arrayBuffer()).equals(Buffer.from(await file.arrayBuffer()))).toBe(true);
    expect([calls, around]).toEqual([{ businessId: 'b' }, [{ key: 'views:b', value: [1] }]]);
    expect(told.gone).toEqual([PART, 2 * PART, file.size]);
    expect(told.taken).toBe(0);
    // Both know it by then.
    await taker.taken();
    expect(told.taken).toBe(1);
    relayed.restart();
    await new Promise((r) => setTimeout(r, 50));
    expect(told.failed).toEqual([]);
    giver.close();
    taker.close();
  });

  it('with another secret nobody is let in, and nobody is asked', async () => {
    const { giver, taker, told, got } = await ends((l) => ({ ...l, secret: l.address + l.address.slice(1) }));
    await until(() => got.failed.some((why) => why.includes('not the link')));
    expect(told.asked).toEqual([]);
    giver.close();
    taker.close();
  });

  it('cut off in the middle, or not stored there, it stays', async () => {
    const { relayed, giver, taker, told, got } = await ends();
    await until(() => told.asked.length > 0);
    relayed.hands = (piece, way) => (way === 'to phone' ? [] : [piece]);
    const giving = giver.give(new Blob([random(50_000)]), null, []);
    taker.failed('There is no room.');
    await until(() => told.failed.length > 0);
    expect(told.failed[0]).toBe('There is no room.');
    relayed.restart();
    await until(() => told.failed.length > 1);
    expect(told.failed[1]).toContain('not reached');
    expect(told.unknown).toBe(0);
    await giving;
    expect(told.taken).toBe(0);
    expect(got.all).toEqual([]);
    giver.close();
    taker.close();
  });

  it('cut off once everything was sent, nobody here says that it stays: it may be there', async () => {
    const { relayed, giver, taker, told, got } = await ends();
    await until(() => told.asked.length > 0);
    await giver.give(new Blob([random(10)]), null, []);
    await until(() => got.all.length > 0);
    relayed.restart();
    await until(() => told.failed.length > 0);
    expect(told.unknown).toBe(1);
    giver.close();
    taker.close();
  });

  it('what is no link is told apart', () => {
    expect(readMove('#join=x')).toBeUndefined();
    expect(readMove('move=a.b.c')).toBeUndefined();
  });
});
