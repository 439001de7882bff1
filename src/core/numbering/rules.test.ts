import { describe, expect, it } from 'vitest';
import {
  checkExtension,
  ExtensionIndex,
  hundredOf,
  nextFreeExtension,
  profileOf,
  renumber,
  ringCycle,
  ringsIn,
  sortDialled,
} from '.';

const us = {
  country: 'US',
  extensionLength: 3,
  outsideDigit: '9',
  starCodes: profileOf('US').starCodes,
};
const rosa = { extension: '201', who: 'Rosa' };

describe('extensions', () => {
  it('are free, and not in the way of anything', () => {
    expect(checkExtension('202', [rosa], us)).toBeUndefined();
    expect(checkExtension('201', [rosa], us)).toContain('belongs to Rosa');
    expect(checkExtension('2015', [rosa], us)).toContain('begins with 201');
    expect(checkExtension('20', [rosa], us)).toContain('beginning of 201');
    expect(checkExtension('910', [rosa], us)).toContain('outside line');
    expect(checkExtension('2a', [], us)).toContain('digits');
  });

  it('never shadow an emergency number', () => {
    const plain = { ...us, outsideDigit: '' };
    expect(checkExtension('911', [], us)).toContain('is an emergency number');
    for (const extension of ['911', '91', '9112'])
      expect(checkExtension(extension, [], plain)).toContain('911');
    expect(checkExtension('999', [], { ...plain, country: 'GB' })).toContain('999');
    expect(checkExtension('150', [], { ...plain, country: 'FR' })).toContain('15');
  });

  it('suggests the next free one', () => {
    expect(nextFreeExtension([], us)).toBe('201');
    expect(nextFreeExtension([rosa], us)).toBe('202');
    expect(nextFreeExtension([rosa, { extension: '203', who: 'Pia' }], us)).toBe('202');
    expect(nextFreeExtension([], { ...us, extensionLength: 2 })).toBe('21');
    const all = Array.from({ length: 799 }, (_, i) => ({ extension: String(101 + i), who: 'x' }));
    expect(nextFreeExtension(all, us)).toBe('100');
  });
});

describe('the map of extensions', () => {
  const b = { ...us, reserved: [{ from: '210', to: '214', note: 'season staff' }] };
  it('says what each of a hundred is, and what it clashes with', () => {
    const cells = hundredOf('2', new ExtensionIndex([rosa, { extension: '2025', who: 'Fax room' }]), b);
    const cell = (extension: string) => cells.find((c) => c.extension === extension)!;
    expect(cells).toHaveLength(100);
    expect(cell('201')).toMatchObject({ state: 'taken', words: 'Rosa' });
    expect(cell('202')).toMatchObject({ state: 'blocked', words: expect.stringContaining('Fax room') });
    expect(cell('212')).toMatchObject({ state: 'reserved', words: 'season staff' });
    expect(cell('215').state).toBe('free');
    for (const c of hundredOf('9', new ExtensionIndex([]), b)) expect(c.state).toBe('blocked');
    const plain = { ...b, outsideDigit: '' };
    const blocked = hundredOf('9', new ExtensionIndex([]), plain).filter((c) => c.state === 'blocked');
    expect(blocked.map((c) => c.extension)).toEqual(['911']);
    // N11 and 988 are services in North America (from memory): without a digit first they would be hidden.
    const kept = hundredOf('4', new ExtensionIndex([]), plain).filter((c) => c.state === 'reserved');
    expect(kept.map((c) => c.extension)).toEqual(['411']);
    expect(nextFreeExtension([{ extension: '210', who: 'x' }], { ...plain, reserved: [] })).toBe('212');
    expect(hundredOf('4', new ExtensionIndex([]), b).every((c) => c.state === 'free')).toBe(true);
  });
  it('proposes no reserved one', () => {
    const taken = ['209'].map((extension) => ({ extension, who: 'x' }));
    expect(nextFreeExtension(taken, b)).toBe('215');
  });
});

describe('renumbering', () => {
  const two = { ...us, extensionLength: 2, reserved: [{ from: '40', to: '49', note: 'loft' }] };
  const staff = ['21', '22', '35'].map((extension) => ({
    id: `p${extension}`,
    who: `P ${extension}`,
    extension,
  }));
  it('from two to three digits puts digits in front, of reserved ones too', () => {
    const next = renumber(staff, 3, '2', two);
    expect(next.rows.map((r) => r.to)).toEqual(['221', '222', '235']);
    expect(next.rows.every((r) => r.problem === undefined)).toBe(true);
    expect(next.reserved).toEqual([{ from: '240', to: '249', note: 'loft' }]);
  });
  it('names those who cannot be as proposed', () => {
    expect(renumber(staff, 3, '9', two).rows[0]!.problem).toContain('outside line');
    const back = renumber([...staff, { id: 'q', who: 'Q', extension: '121' }], 2, '', us);
    expect(back.rows.map((r) => r.to)).toEqual(['21', '22', '35', '21']);
    expect(back.rows.filter((r) => r.problem).map((r) => r.who)).toEqual(['P 21', 'Q']);
    expect(renumber(staff, 3, '9', { ...two, outsideDigit: '' }).rows.some((r) => r.problem)).toBe(false);
    const emergency = renumber([{ id: 'r', who: 'R', extension: '11' }], 3, '9', {
      ...two,
      outsideDigit: '',
    });
    expect(emergency.rows[0]!.problem).toContain('911');
  });
  it('drops a reserved block that a shorter length turns round', () => {
    const b = { ...us, reserved: [{ from: '290', to: '310', note: 'x' }] };
    expect(renumber([], 2, '', b).reserved).toEqual([]);
  });
});

describe('dialling', () => {
  const has = (e: string) => e === '201';
  // 47 CFR §9.16 (Kari's Law): an emergency call needs no prefix.
  it('puts emergency calls straight through', () => {
    expect(sortDialled('911', us, has)).toEqual({ kind: 'emergency', number: '911' });
    expect(sortDialled('9911', us, has)).toEqual({ kind: 'emergency', number: '911' });
    expect(sortDialled('112', { ...us, country: 'GB', outsideDigit: '' }, has)).toMatchObject({
      kind: 'emergency',
    });
  });
  it('tells extensions from outside numbers', () => {
    expect(sortDialled('201', us, has)).toEqual({ kind: 'extension', extension: '201' });
    expect(sortDialled('9 1 360 555 0142', us, has)).toEqual({ kind: 'outside', e164: '+13605550142' });
    expect(sortDialled('299', us, has)).toMatchObject({ kind: 'nothing' });
  });
});

describe('ring cadences', () => {
  // ITU-T E.180 supplement 2, from memory: one cycle is 6 s in North America, 3 s in Britain and Australia, 5 s in Germany and France.
  it.each([
    ['US', 6],
    ['CA', 6],
    ['GB', 3],
    ['AU', 3],
    ['DE', 5],
    ['FR', 5],
  ])('%s rings every %d s', (country, seconds) => {
    expect(ringCycle(profileOf(country).ringback)).toBeCloseTo(seconds, 6);
  });

  it('counts 18 s as three rings in North America and six in Britain', () => {
    expect(ringsIn(18, profileOf('US').ringback)).toBe(3);
    expect(ringsIn(18, profileOf('GB').ringback)).toBe(6);
    expect(ringsIn(19, profileOf('US').ringback)).toBe(4);
  });
});
