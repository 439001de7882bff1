import { describe, expect, it } from 'vitest';
import { closeness, easeOf, keypadDigits, patternTest, readPattern, wordIn } from '..';

describe('letters on the keypad', () => {
  // ITU-T E.161 §3.3: ABC on 2, DEF 3, GHI 4, JKL 5, MNO 6, PQRS 7, TUV 8, WXYZ 9.
  it('are those of E.161', () => {
    expect(keypadDigits('abcdefghijklmnopqrstuvwxyz')).toBe('22233344455566677778889999');
    expect(keypadDigits('Boat24')).toBe('262824');
    expect(keypadDigits('smörgås')).toBeUndefined();
  });
  it('let digits spell words, the longest one', () => {
    expect(wordIn('5552628')).toEqual({ word: 'BOAT', at: 3 });
    expect(wordIn('0142')).toBeUndefined();
    expect(wordIn('5268376', new Map([['5268376', 'LANTERN']]))).toEqual({ word: 'LANTERN', at: 0 });
  });
});

describe('how easy a number is to remember', () => {
  it.each([
    ['5550000', 'ends with 0000'],
    ['5550123', 'steps up: 0123'],
    ['5559876', 'steps down: 9876'],
    ['5554242', '42 twice'],
    ['5551177', 'pairs: 11 77'],
    ['5551221', 'reads the same both ways: 1221'],
    ['5550100', 'round: ends with 00'],
    ['5552628', 'spells BOAT'],
    ['5550155', 'ends with 55'],
  ])('%s: %s', (local, reason) => {
    expect(easeOf(local).reasons).toContain(reason);
  });
  it('ranks what people like above what they do not', () => {
    const order = ['5550000', '5550123', '5550110', '5550197'].map((l) => easeOf(l).score);
    expect(order).toEqual([...order].sort((a, b) => b - a));
    expect(easeOf('5550197')).toEqual({ score: 0, reasons: [] });
  });
  it('knows what is near a number held', () => {
    const held = [{ e164: '+13605550142', label: 'Main line' }];
    expect(closeness('+13605550143', held).reasons).toEqual(['next after Main line']);
    expect(closeness('+13605550141', held).reasons).toEqual(['just before Main line']);
    expect(closeness('+13605550148', held).reasons).toEqual(['as Main line but for the last digit']);
    expect(closeness('+15095550142', held).reasons).toEqual(['same last four digits as Main line']);
    expect(closeness('+15095550177', held)).toEqual({ score: 0, reasons: [] });
  });
});

describe('what a number should contain', () => {
  const fits = (
    typed: string,
    where: 'anywhere' | 'start' | 'end',
    national = '3605550142',
    local = '5550142',
  ) => {
    const read = readPattern(typed, where);
    return read.ok && patternTest(read.pattern)(national, local);
  };
  it('is found anywhere, at the end, or after the area code', () => {
    expect(fits('42', 'end')).toBe(true);
    expect(fits('14', 'end')).toBe(false);
    expect(fits('555-01', 'start')).toBe(true);
    expect(fits('360', 'start')).toBe(false);
    expect(fits('60 55', 'anywhere')).toBe(true);
    expect(fits('0??2', 'anywhere')).toBe(true);
    expect(fits('0?3', 'anywhere')).toBe(false);
    expect(fits('', 'end')).toBe(true);
  });
  it('may be spelt', () => {
    expect(readPattern('555-0-BOAT', 'anywhere')).toMatchObject({
      ok: true,
      pattern: { digits: '55502628' },
    });
    expect(readPattern('ca++', 'end')).toMatchObject({ ok: false, message: expect.stringContaining('“+”') });
    expect(readPattern('1'.repeat(16), 'end')).toMatchObject({ ok: false });
  });
});
