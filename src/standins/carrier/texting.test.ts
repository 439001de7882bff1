/** What becomes of texts at the carrier: delivered, late, refused, as real ones are. */
import { describe, expect, it } from 'vitest';
import { deliveryOf, fateOf, TextMessage, type TextHabits } from './texting';

const MAIN = '+13605550142';
const ADA = '+12065550134';
const text = (change: Partial<TextMessage> = {}): TextMessage => ({
  id: 't',
  way: 'out',
  from: MAIN,
  to: ADA,
  text: 'Ready',
  at: 0,
  ...change,
});
const fate = (change: Partial<TextMessage> = {}, habits: TextHabits = {}) =>
  fateOf(text(change), [], habits, 0);
const file = { hash: 'a'.repeat(64), name: 'mast.jpg', type: 'image/jpeg' as const, size: 900_000 };

describe('what the other phone makes of it', () => {
  it.each([
    ['calls only', 'landline'],
    ['not in service', 'no such number'],
    ['blocks them', 'blocked'],
    ['is off', 'unreachable'],
  ] as const)('%s: %s', (habit, failed) => expect(fate({}, { [ADA]: habit }).failed).toBe(failed));
  it('takes words and files, or words only', () => {
    expect(fate().failed).toBeUndefined();
    expect(fate({ files: [file] }).failed).toBeUndefined();
    expect(fate({}, { [ADA]: 'words only' }).failed).toBeUndefined();
    expect(fate({ files: [file] }, { [ADA]: 'words only' }).failed).toBe('no files');
  });
  // Ofcom's numbers for drama: 020 7946 0xxx are landlines, 07700 900xxx mobiles.
  it('a landline of a country that tells them apart takes none', () => {
    expect(fate({ to: '+442079460123' }).failed).toBe('landline');
    expect(fate({ to: '+447700900123' }).failed).toBeUndefined();
  });
});

describe('the pace of a number', () => {
  // Common practice, no source: one part a second.
  it('is one part a second, and more than a minute of them is refused', () => {
    const gone: TextMessage[] = [];
    for (let i = 0; i < 70; i++) {
      const t = text({ id: `t${i}`, at: 0 });
      gone.push({ ...t, fate: fateOf(t, gone, {}, 0) });
    }
    expect(gone[0]!.fate).toEqual({ after: 2500 });
    expect(gone[9]!.fate!.after - gone[8]!.fate!.after).toBe(1000);
    expect(gone.filter((t) => t.fate?.failed === 'pace')).toHaveLength(10);
    // Another number of ours has a pace of its own, and a minute later it goes again.
    expect(fateOf(text({ from: '+13605550143' }), gone, {}, 0)).toEqual({ after: 2500 });
    expect(fateOf(text({ at: 61_000 }), gone, {}, 61_000)).toEqual({ after: 2500 });
  });
});

describe('where it is', () => {
  const approved = [] as never;
  const mobile = '+447700900123';
  it('to go later, on its way, delivered or failed', () => {
    const out = text({ from: mobile, fate: { after: 2500 } });
    expect(deliveryOf({ ...out, sendAt: 90 }, approved, 0)).toEqual({ state: 'later', at: 90 });
    expect(deliveryOf(out, approved, 2499)).toEqual({ state: 'on its way', since: 0 });
    expect(deliveryOf(out, approved, 2500)).toEqual({ state: 'delivered', at: 2500 });
    const failed = { ...out, fate: { after: 2500, failed: 'landline' as const } };
    expect(deliveryOf(failed, approved, 2500)).toEqual({ state: 'failed', at: 2500, why: 'landline' });
  });
  it('what the carrier did not take waits for no approval', () => {
    const refused = text({ fate: { after: 0, failed: 'pace' } });
    expect(deliveryOf(refused, [], 0)).toEqual({ state: 'failed', at: 0, why: 'pace' });
    expect(deliveryOf(text({ fate: { after: 2500 } }), [], 9e9)).toEqual({ state: 'held' });
  });
});

describe('what is taken', () => {
  const says = (change: Partial<TextMessage>) =>
    TextMessage.safeParse(text(change)).error?.issues[0]?.message ?? 'taken';
  it('words, or files without words, and neither is nothing', () => {
    expect(says({})).toBe('taken');
    expect(says({ text: '  ' })).toBe('Write something.');
    expect(says({ text: '', files: [file] })).toBe('taken');
  });
  it('not more than a megabyte, five files, ten parts', () => {
    expect(says({ files: [file, file] })).toContain('1 MB');
    expect(says({ files: Array(6).fill({ ...file, size: 1 }) as (typeof file)[] })).toContain('5 files');
    expect(says({ text: 'ж'.repeat(671) })).toContain('10 parts');
    expect(says({ text: 'x'.repeat(10_000) })).toContain('1,600');
  });
});
