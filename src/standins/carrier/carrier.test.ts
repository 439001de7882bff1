/** The carrier stand-in as a customer meets it: searching, setting aside, ordering, giving back. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fictionRangeOf, readNumber } from '../../core/numbering';
import {
  drop,
  emptyBook,
  giveBack,
  MOST_RESERVED,
  order,
  register,
  RESERVATION_MS,
  reserve,
  REST_MS,
  takeBack,
  takenNow,
} from './book';
import { Search, type CarrierBook } from './carrier';
import { simulatedCarrier } from './simulated';
import { goneWhenOrdered, inStock } from './stock';

const waits: number[] = [];
const carrier = simulatedCarrier((ms) => {
  waits.push(ms);
  return Promise.resolve();
});
const ask = (country: string, where = '', more: Partial<Search> = {}) =>
  carrier.search(Search.parse({ country, where, ...more }));
const found = async (...args: Parameters<typeof ask>) => {
  const result = await ask(...args);
  if (!result.ok) throw new Error(result.message);
  return result;
};
const numbers = async (...args: Parameters<typeof ask>) =>
  (await found(...args)).choices.map((c) => c.offers[0]!.e164);

describe('searching', () => {
  it.each([
    ['US', '360'],
    ['US', 'port t'],
    ['CA', 'Halifax'],
    ['GB', '020'],
    ['GB', '20'],
    ['IE', ''],
    ['AU', 'Sydney'],
    ['DE', 'Hamburg'],
    ['FR', '02'],
  ])('sells numbers kept for fiction in %s, %s, always the same', async (country, where) => {
    const result = await found(country, where);
    expect(result.choices.length).toBeGreaterThan(3);
    for (const { offers } of result.choices)
      for (const offer of offers) {
        expect(fictionRangeOf(offer.e164)?.country).toBe(country);
        expect(readNumber(offer.e164, country).ok).toBe(true);
        expect(offer.monthlyCents).toBeGreaterThan(0);
      }
    expect(await found(country, where)).toEqual(result);
  });

  it('puts the easiest to remember first, and says why', async () => {
    const { choices } = await found('US', '206');
    expect(choices.map((c) => c.score)).toEqual(choices.map((c) => c.score).sort((a, b) => b - a));
    expect(choices[0]!.reasons.length).toBeGreaterThan(0);
    const held = [{ e164: '+12065550150', label: 'Fax' }];
    const near = await found('US', '206', { held });
    expect(near.choices.some((c) => c.reasons.some((r) => r.includes('Fax')))).toBe(true);
  });

  it('with an open question: different numbers, from areas we are in first, and words of the business', async () => {
    const open = await found('US', '', { held: [{ e164: '+13605550142', label: 'Main line' }] });
    const endings = open.choices.map((c) => c.offers[0]!.e164.slice(-7));
    for (const ending of endings)
      expect(endings.filter((e) => e === ending).length, ending).toBeLessThanOrEqual(2);
    expect(open.choices[0]!.reasons).toContain('same area as Main line');
    expect((await found('IE', '')).choices).toHaveLength(24);
    const cove = await found('AU', '', { words: ['Lantern', 'Cove'] });
    expect(cove.choices[0]!.reasons[0]).toBe('spells COVE');
    // ITU-T E.161: C 2, O 6, V 8, E 3.
    expect(cove.choices[0]!.offers[0]!.e164).toContain('2683');
  });

  it('by what it should contain, also spelt; the closest where nothing has it', async () => {
    for (const e164 of await numbers('US', '', { pattern: '42', patternAt: 'end' }))
      expect(e164).toMatch(/42$/);
    expect(await numbers('AU', '', { pattern: '555-0-BOAT', patternAt: 'start' })).toContain('+61255502628');
    const none = await found('US', '360', { pattern: '555-0-BOAT' });
    expect(none.closest).toContain('55502628 (“555-0-BOAT”)');
    expect(none.choices[0]!.offers[0]!.e164).toMatch(/^\+13605550/);
    expect(await ask('US', '', { pattern: 'ñ' })).toMatchObject({ ok: false, refusal: 'not understood' });
  });

  it('by kind, like another but for the last digit, and several in a row', async () => {
    for (const { offers } of (await found('US', '', { kind: 'toll-free' })).choices)
      expect(offers[0]!.kind).toBe('toll-free');
    for (const { offers } of (await found('GB', '', { kind: 'mobile' })).choices)
      expect(offers[0]!.e164).toMatch(/^\+447700900/);
    for (const e164 of await numbers('US', '', { like: '+13605550142' })) {
      expect(e164.slice(0, -1)).toBe('+1360555014');
      expect(e164).not.toBe('+13605550142');
    }
    const blocks = await found('US', '', { row: 5 });
    for (const { offers } of blocks.choices) {
      expect(offers).toHaveLength(5);
      for (const [i, o] of offers.entries()) expect(Number(o.e164)).toBe(Number(offers[0]!.e164) + i);
    }
    expect(await ask('US', '360', { row: 20 })).toMatchObject({ ok: false, refusal: 'not offered' });
  });

  it('does not offer what is held or taken', async () => {
    const [first, second] = await numbers('US', '360');
    const left = await numbers('US', '360', { held: [{ e164: first!, label: 'x' }], taken: [second!] });
    expect(left).not.toContain(first);
    expect(left).not.toContain(second);
  });

  it('finds a state by its name and its short name, and says which of two wishes to loosen', async () => {
    const places = async (where: string) => {
      const found = await ask('US', where);
      if (!found.ok) throw new Error(found.message);
      return new Set(found.choices.flatMap((c) => c.offers.map((o) => o.area)));
    };
    for (const where of ['Minnesota', 'MN', 'minn'])
      for (const area of await places(where))
        expect(['218', '320', '507', '612', '651', '763', '952']).toContain(area);
    const excluded = await ask('US', 'Minnesota', { kind: 'toll-free' });
    expect(excluded).toMatchObject({ ok: false, refusal: 'not offered' });
    expect(excluded.ok || excluded.message).toMatch(
      /These wishes exclude each other: without the area “Minnesota” there are [\d,]+; of any kind instead of toll-free there are [\d,]+\. Loosen one of them\./,
    );
  });
  it('says when an area is unknown, not served, sold out, or slow', async () => {
    expect(await ask('US', '999')).toMatchObject({ ok: false, refusal: 'no such area' });
    expect(await ask('US', 'Atlantis')).toMatchObject({ ok: false, refusal: 'no such area' });
    expect(await ask('DE', 'Kiel')).toMatchObject({
      ok: false,
      message: expect.stringContaining('sells no numbers in Kiel'),
    });
    expect(await ask('NZ')).toMatchObject({ ok: false, message: expect.stringContaining('New Zealand') });
    expect(await ask('US', '212')).toMatchObject({ ok: false, refusal: 'area sold out' });
    waits.length = 0;
    expect((await ask('US', '415')).ok).toBe(true);
    expect(waits).toEqual([2500]);
  });
});

const free = Array.from({ length: 100 }, (_, i) => `+1360555${String(100 + i).padStart(4, '0')}`).filter(
  inStock,
);
const good = free.filter((n) => !goneWhenOrdered(n));
const gone = free.filter(goneWhenOrdered);
const reserved = (book: CarrierBook, business: string, list: string[], now = 0): CarrierBook => {
  const result = reserve(book, business, list, now);
  if (!result.ok) throw new Error(result.message);
  return result.book;
};

describe('the basket', () => {
  it('keeps numbers for ten minutes, from everybody else', () => {
    const book = reserved(emptyBook(), 'a', [good[0]!]);
    expect(reserve(book, 'b', [good[0]!], 1)).toMatchObject({ ok: false, refusal: 'taken in the meantime' });
    expect(takenNow(book, RESERVATION_MS - 1)).toContain(good[0]);
    expect(takenNow(book, RESERVATION_MS)).not.toContain(good[0]);
    expect(reserve(book, 'b', [good[0]!], RESERVATION_MS)).toMatchObject({ ok: true });
    expect(takenNow(drop(book, 'a', [good[0]!]), 1)).toEqual([]);
  });

  it('takes all of a block or none, and not too many', () => {
    const book = reserved(emptyBook(), 'a', [good[1]!]);
    const block = reserve(book, 'b', [good[0]!, good[1]!], 1);
    expect(block.ok).toBe(false);
    expect(reserve(emptyBook(), 'a', good.slice(0, MOST_RESERVED + 1), 0)).toMatchObject({ ok: false });
    expect(reserve(emptyBook(), 'a', ['+12025551234'], 0)).toMatchObject({
      ok: false,
      refusal: 'not offered',
    });
  });

  it('orders what it can, and names what it cannot', () => {
    const book = reserved(emptyBook(), 'a', [good[0]!, gone[0]!]);
    const { results, book: after } = order(book, 'a', [good[0]!, gone[0]!], 1000);
    expect(results.map((r) => r.ok)).toEqual([true, false]);
    expect(results[1]).toMatchObject({ refusal: 'taken in the meantime' });
    expect(after.sold).toEqual([{ e164: good[0], businessId: 'a' }]);
    const late = order(reserved(emptyBook(), 'a', [good[0]!]), 'a', [good[0]!], RESERVATION_MS);
    expect(late.results[0]).toMatchObject({ ok: false, refusal: 'reservation ran out' });
  });

  it('never sells a number twice, whatever two businesses do', () => {
    const few = free.slice(0, 6);
    const act = fc.record({
      what: fc.constantFrom('reserve', 'drop', 'order', 'give back', 'take back'),
      who: fc.constantFrom('a', 'b'),
      which: fc.subarray(few, { minLength: 1 }),
      wait: fc.constantFrom(0, 60_000, RESERVATION_MS, REST_MS),
    });
    fc.assert(
      fc.property(fc.array(act, { maxLength: 40 }), (acts) => {
        let book = emptyBook();
        let now = 0;
        const owners = new Map<string, string>();
        for (const { what, who, which, wait } of acts) {
          now += wait;
          if (what === 'reserve') {
            const result = reserve(book, who, which, now);
            if (result.ok) {
              book = result.book;
              for (const e164 of which) expect(owners.get(e164), 'sold and reserved').toBeUndefined();
            }
          } else if (what === 'drop') book = drop(book, who, which);
          else if (what === 'order') {
            const result = order(book, who, which, now);
            book = result.book;
            for (const r of result.results)
              if (r.ok) {
                expect(owners.get(r.offer.e164), 'sold twice').toBeUndefined();
                owners.set(r.offer.e164, who);
              }
          } else if (what === 'give back') {
            for (const e164 of which)
              if (owners.get(e164) === who) {
                book = giveBack(book, who, e164, now);
                owners.delete(e164);
              }
          } else {
            const back = takeBack(book, who, which[0]!, now);
            if (back.ok) {
              expect([undefined, who]).toContain(owners.get(which[0]!));
              owners.set(which[0]!, who);
              book = back.book;
            }
          }
          const sold = book.sold.map((s) => s.e164);
          expect(new Set(sold).size).toBe(sold.length);
          expect(new Map(book.sold.map((s) => [s.e164, s.businessId]))).toEqual(owners);
        }
      }),
      { numRuns: 300, seed: 3 },
    );
  });
});

describe('giving back', () => {
  it('keeps the number for who had it for thirty days', () => {
    const sold = register(emptyBook(), 'a', [good[0]!]);
    const book = giveBack(sold, 'a', good[0]!, 0);
    expect(takenNow(book, REST_MS - 1)).toEqual([good[0]]);
    expect(reserve(book, 'b', [good[0]!], 1)).toMatchObject({ ok: false });
    expect(takeBack(book, 'b', good[0]!, 1)).toMatchObject({ ok: false });
    expect(takeBack(book, 'a', good[0]!, REST_MS - 1)).toMatchObject({ ok: true });
    expect(takeBack(book, 'a', good[0]!, REST_MS)).toMatchObject({
      ok: false,
      message: expect.stringContaining('30 days'),
    });
    expect(reserve(book, 'b', [good[0]!], REST_MS)).toMatchObject({ ok: true });
  });
});
