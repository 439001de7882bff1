/** Call buttons: readable by WCAG, nothing typed is markup in a foreign page, open and closed by the hours, asked at a pace. */
import { XMLParser } from 'fast-xml-parser';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoSystem } from '../../../demo/lantern-cove';
import { momentOf } from '../hours';
import type { CallButton } from '../system';
import { contrastOf, mayNotAsk, offeredAt, readable, snippetOf, visitAddress } from '.';

const system = demoSystem();
const button = system.buttons['site-button']!;
const at = (day: string, hour: number) => momentOf('America/Los_Angeles', day, hour * 60);

describe('contrast', () => {
  // WCAG 2.2, definition of relative luminance and contrast ratio: black on white is 21 to 1. Understanding SC 1.4.3: #777777
  // on white is 4.47 and not enough, #767676 is 4.54 and the lightest grey that is (from memory).
  it.each([
    ['#000000', '#ffffff', 21],
    ['#ffffff', '#ffffff', 1],
    ['#777777', '#ffffff', 4.47],
    ['#767676', '#ffffff', 4.54],
  ])('of %s on %s is %d', (a, b, ratio) => {
    expect(contrastOf(a, b)).toBeCloseTo(ratio, 1);
    expect(contrastOf(b, a)).toBe(contrastOf(a, b));
  });
  it('is that of the published formula, for any two colours', () => {
    const luminance = (hex: string) => {
      const [r, g, b] = [1, 3, 5]
        .map((i) => parseInt(hex.slice(i, i + 2), 16) / 255)
        .map((c) => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4)) as [number, number, number];
      return 0.2126 * r + 0.7152 * g + 0.0722 * b;
    };
    const colour = fc.integer({ min: 0, max: 0xffffff }).map((n) => `#${n.toString(16).padStart(6, '0')}`);
    fc.assert(
      fc.property(colour, colour, (a, b) => {
        const [x, y] = [luminance(a), luminance(b)].sort((m, n) => n - m) as [number, number];
        expect(Math.abs(contrastOf(a, b) - (x + 0.05) / (y + 0.05))).toBeLessThan(0.02);
      }),
    );
  });
  it('too little is said, for what stands on it and for the button itself', () => {
    expect(readable(button.look).wrong).toEqual([]);
    expect(readable({ ...button.look, ink: '#7a2e2d' }).wrong[0]).toContain(
      'What stands on it has a contrast of',
    );
    expect(readable({ ...button.look, background: '#ffffe0', ink: '#000000' }).wrong).toHaveLength(1);
  });
});

describe('the HTML', () => {
  const where = {
    origin: 'https://phones.example',
    businessId: 'lantern-cove',
    number: '+13605550142',
    written: '(360) 555-0142',
  };
  const links = (html: string) => {
    const parser = new XMLParser({
      ignoreAttributes: false,
      attributeNamePrefix: '',
      processEntities: true,
      htmlEntities: true,
    });
    return (parser.parse(`<x>${html}</x>`) as { x: { a: { href: string; '#text': string; rel?: string }[] } })
      .x;
  };
  it('is two links, one to a page of ours and one that dials; an XML reader finds nothing else', () => {
    const { a, ...others } = links(snippetOf(button, where));
    expect(Object.keys(others)).toEqual([]);
    expect(a).toHaveLength(2);
    expect(new URL(a[0]!.href).searchParams.get('button')).toBe('site-button');
    expect(a[0]!.rel).toBe('noopener');
    expect(a[1]!.href).toBe('tel:+13605550142');
  });
  it('has nothing of what was typed as markup, whatever that is', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', minLength: 1, maxLength: 40 }), (says) => {
        const html = snippetOf({ ...button, says: `<img src=x onerror="x">&'${says}` }, where);
        expect(html.match(/</g)).toHaveLength(4);
        expect(html.match(/"/g)!.length % 2).toBe(0);
        expect(html).not.toMatch(/<(?!\/?a[ >])/);
      }),
    );
  });
  it('an id with signs of an address in it stays one', () => {
    const address = new URL(visitAddress(where, 'a&b=c#d'));
    expect(address.searchParams.get('button')).toBe('a&b=c#d');
  });
});

describe('what is offered', () => {
  const may = (change: Partial<CallButton>, moment: number) =>
    offeredAt({ ...button, ...change }, system, moment);
  it('in the hours a call, outside them a message and when it is open again', () => {
    expect(may({}, at('2026-11-24', 10))).toEqual({
      open: true,
      opens: null,
      can: { call: 'call', callBack: true, book: true },
    });
    expect(may({}, at('2026-11-24', 22))).toMatchObject({
      open: false,
      opens: at('2026-11-25', 8),
      can: { call: 'message' },
    });
    // Over Thanksgiving, a holiday of the demonstration (5 U.S.C. 6103).
    expect(may({}, at('2026-11-25', 20)).opens).toBe(at('2026-11-27', 8));
    expect(may({ hoursId: null }, at('2026-11-25', 3)).open).toBe(true);
  });
  it('no more than it can do', () => {
    expect(may({ offers: ['call back'], calendarId: null }, at('2026-11-24', 10)).can).toEqual({
      call: null,
      callBack: true,
      book: false,
    });
    expect(may({ numberId: null }, at('2026-11-24', 10)).can.call).toBeNull();
    expect(may({ calendarId: 'gone' }, at('2026-11-24', 10)).can.book).toBe(false);
  });
});

it('one visitor may ask three times an hour, and all together not for ever', () => {
  const mine = [1, 2, 3].map((n) => ({ at: n * 60_000, visitor: 'v' }));
  expect(mayNotAsk(mine.slice(0, 2), 'v', 200_000)).toBeUndefined();
  expect(mayNotAsk(mine, 'v', 200_000)).toContain('several times');
  expect(mayNotAsk(mine, 'other', 200_000)).toBeUndefined();
  expect(mayNotAsk(mine, 'v', 62 * 60_000)).toBeUndefined();
  const many = Array.from({ length: 30 }, (_, i) => ({ at: i, visitor: `v${i}` }));
  expect(mayNotAsk(many, 'new', 1000)).toContain('Very many');
});
