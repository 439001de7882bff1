/** Parts of texts, by 3GPP TS 23.038 and 23.040. */
import fc from 'fast-check';
// Written by others, held against: https://www.npmjs.com/package/split-sms
import splitter from 'split-sms';
import { describe, expect, it } from 'vitest';
import { madeCheaper, partsOf } from './parts';

const lengths = (text: string) => partsOf(text).parts.map((p) => p.length);

describe('the default alphabet', () => {
  // TS 23.040: 140 octets are 160 septets; with a header of 6 octets and a fill bit, 153.
  it.each([
    [160, [160]],
    [161, [153, 8]],
    [306, [153, 153]],
    [307, [153, 153, 1]],
  ])('%i letters', (n, parts) => expect(lengths('a'.repeat(n))).toEqual(parts));
  it('has an escape before a character of the extension table, which stays with it', () => {
    expect(lengths('€'.repeat(80))).toEqual([80]);
    // 152 and an escaped one would be 154: it begins the next part.
    expect(lengths('a'.repeat(152) + '€' + 'b'.repeat(10))).toEqual([152, 11]);
    expect(partsOf('a'.repeat(158) + '€').left).toBe(0);
  });
  it('says what is left of the part', () => {
    expect(partsOf('').left).toBe(160);
    expect(partsOf('a'.repeat(161)).left).toBe(145);
  });
});

describe('two octets for each', () => {
  // TS 23.040: 140 octets are 70 units; with the header 67.
  it.each([
    [70, [70]],
    [71, [67, 4]],
    [134, [67, 67]],
  ])('%i letters', (n, parts) => expect(lengths('ж'.repeat(n))).toEqual(parts));
  it('splits no character of two units', () => {
    expect(lengths('ж'.repeat(66) + '⛵'.repeat(3) + '🚤🚤')).toEqual([67, 6]);
    expect(lengths('ж'.repeat(66) + '🚤' + 'ж'.repeat(9))).toEqual([66, 11]);
  });
  it('names the first character that makes it so, and a cheaper one where there is one', () => {
    expect(partsOf('It’s ready').dear).toEqual({ character: '’', cheaper: "'" });
    expect(partsOf('Łódź').dear).toEqual({ character: 'Ł', cheaper: null });
    expect(partsOf('em cão').dear).toEqual({ character: 'ã', cheaper: 'a' });
    expect(partsOf('Café').dear).toBeNull();
    expect(madeCheaper('“It’s” – ready… 🚤')).toBe('"It\'s" - ready... 🚤');
  });
  it('composes before it counts: two code points that are one letter are one', () => {
    expect(partsOf('Cafe\u0301')).toEqual(partsOf('Café'));
    expect(partsOf('e\u0301'.repeat(160)).parts).toHaveLength(1);
  });
});

const texts = fc.oneof(
  fc.string({ maxLength: 700 }),
  fc.string({ unit: 'grapheme', maxLength: 400 }),
  fc
    .array(fc.constantFrom('a', ' ', '€', '[', 'é', '@', '\n', 'ж', '🚤', '’'), { maxLength: 500 })
    .map((c) => c.join('')),
  fc.array(fc.constantFrom('a', '€', '{', 'à', 'Z'), { maxLength: 700 }).map((c) => c.join('')),
);

it('cuts to the text again, and no part is longer than fits', () => {
  fc.assert(
    fc.property(texts, (text) => {
      const { parts, alphabet } = partsOf(text);
      expect(parts.join('')).toBe(text.normalize('NFC'));
      for (const part of parts)
        expect(part.length).toBeLessThanOrEqual(parts.length === 1 ? 160 : alphabet === 'UCS-2' ? 67 : 153);
    }),
  );
});

it('counts as a library does that others wrote', () => {
  fc.assert(
    fc.property(texts, (written) => {
      const text = written.normalize('NFC');
      const theirs = splitter.split(text);
      const ours = partsOf(text);
      expect(ours.alphabet).toBe(theirs.characterSet === 'GSM' ? 'GSM 7 bit' : 'UCS-2');
      expect(ours.parts).toHaveLength(Math.max(1, theirs.parts.length));
      expect(ours.left).toBe(theirs.remainingInPart);
    }),
    { numRuns: 500 },
  );
});
