/** Digit maps and the dial plan: what a phone sends, after how long, and what that gets. */
import fc from 'fast-check';
import google from 'google-libphonenumber';
import { describe, expect, it } from 'vitest';
import {
  DigitMap,
  dialClashes,
  digitMapOf,
  handDialled,
  PARTIAL_SECONDS,
  profileOf,
  PROFILES,
  sortDialled,
} from '.';

const business = (country: string, outsideDigit: '' | '0' | '9', extensionLength = 3) => ({
  country,
  outsideDigit,
  extensionLength,
  starCodes: profileOf(country).starCodes,
  digitSeconds: 4,
});

describe('digit maps (RFC 3435 §2.1.5)', () => {
  // The dial plan of RFC 3435 §2.1.5, with the digit map given there for it.
  const gateway = DigitMap.parse('(0T|00T|[1-7]xxx|8xxxxxxx|#xxxxxxx|*xx|91xxxxxxxxxx|9011x.T)');
  it.each([
    ['0', 'whole after timer'],
    ['00', 'whole after timer'],
    ['01', 'nothing'],
    ['1', 'more'],
    ['4567', 'whole'],
    ['81234567', 'whole'],
    ['#1234567', 'whole'],
    ['*67', 'whole'],
    ['91360555014', 'more'],
    ['913605550142', 'whole'],
    ['9011', 'whole after timer'],
    ['90114420794601', 'whole after timer'],
    ['92', 'nothing'],
  ])('%s is %s', (keys, state) => {
    expect(gateway.look(keys).state).toBe(state);
  });

  // RFC 3435 §2.1.5: with (xxxxxxx|x11) and "41" dialled, a further "1" makes 411 whole at once.
  it('sends the first whole match without waiting for a longer one', () => {
    const map = DigitMap.parse('(xxxxxxx|x11)');
    expect(map.look('41').state).toBe('more');
    expect(map.look('411')).toEqual({ state: 'whole', entry: 'x11' });
    expect(map.feed('4112345')).toEqual({ used: '411', at: { state: 'whole', entry: 'x11' } });
    expect(map.look('4123456').state).toBe('whole');
  });

  it('waits for the timer where an entry says so, and takes the longest by then', () => {
    const map = DigitMap.parse('2xxT|2xxxxx');
    expect(map.feed('201').at).toEqual({ state: 'whole after timer', entry: '2xxT' });
    expect(map.feed('201345').at).toEqual({ state: 'whole', entry: '2xxxxx' });
    expect(map.feed('2013').at.state).toBe('more');
  });

  it.each(['', '(', 'x..', '.5', '[5', '[a]', '2Tx', 'q', '1||2'])('refuses %j', (text) => {
    expect(() => DigitMap.parse(text)).toThrow(SyntaxError);
  });

  it('reads what it writes', () => {
    expect(DigitMap.parse(gateway.toString()).toString()).toBe(gateway.toString());
  });
});

describe('what somebody gets who dials by hand', () => {
  const us = business('US', '9');
  const has = (e: string) => e === '201' || e === '211';
  const dial = (keys: string, b = us) => handDialled(keys, b, has, digitMapOf(b, ['201', '211']));

  it('9 then 11 digits is an outside call, at once', () => {
    expect(dial('913605550142')).toMatchObject({
      got: { kind: 'outside', e164: '+13605550142' },
      after: 0,
      sent: '913605550142',
    });
  });
  // 47 CFR §9.16 (Kari's Law): no prefix may be needed.
  it('911 is an emergency call at once, and so is 9911', () => {
    expect(dial('911')).toMatchObject({ got: { kind: 'emergency', number: '911' }, after: 0 });
    expect(dial('9911')).toMatchObject({ got: { kind: 'emergency' }, after: 0 });
    expect(dial('9115')).toMatchObject({ sent: '911', unheard: '5', got: { kind: 'emergency' } });
  });
  it('an extension goes at once behind an outside digit, and waits without one', () => {
    expect(dial('201')).toMatchObject({ got: { kind: 'extension', extension: '201' }, after: 0 });
    const plain = business('US', '');
    expect(dial('201', plain)).toMatchObject({ got: { kind: 'extension' }, after: 4 });
    expect(dial('2065550142', plain)).toMatchObject({
      got: { kind: 'outside', e164: '+12065550142' },
      after: 0,
    });
    expect(dial('911', plain)).toMatchObject({ got: { kind: 'emergency' }, after: 0 });
  });
  it('star codes, services and what lies abroad', () => {
    expect(dial('*78')).toMatchObject({ got: { kind: 'feature', does: 'do not disturb on' }, after: 0 });
    expect(dial('9411')).toMatchObject({ got: { kind: 'service', number: '411' } });
    expect(dial('9011442079460123')).toMatchObject({
      got: { kind: 'outside', e164: '+442079460123' },
      after: 4,
    });
  });
  // ATIS vertical service codes, from memory: *67 goes in front of a number and holds for that call.
  it('a code in front hides the caller ID for one call, and never that of an emergency call', () => {
    expect(dial('*67913605550142')).toMatchObject({
      got: { kind: 'outside', e164: '+13605550142', callerId: 'hidden' },
      after: 0,
    });
    expect(dial('*82913605550142')).toMatchObject({ got: { callerId: 'shown' } });
    expect(dial('*67911')).toMatchObject({ got: { kind: 'emergency', number: '911' }, after: 0 });
    expect(dial('*67')).toMatchObject({ got: { kind: 'nothing' }, after: PARTIAL_SECONDS });
    expect(dial('*67').why).toContain('*67 goes in front of an outside number');
    expect(dial('*67201')).toMatchObject({ got: { kind: 'nothing' }, sent: '*672' });
  });
  it('half a number is given up after a while, and nonsense at once', () => {
    expect(dial('91360')).toMatchObject({ got: { kind: 'nothing' }, after: PARTIAL_SECONDS });
    expect(dial('*1')).toMatchObject({ got: { kind: 'nothing' }, after: 0, sent: '*1' });
    expect(dial('250')).toMatchObject({ got: { kind: 'nothing' } });
  });
  it('an emergency number that begins an outside call is said', () => {
    expect(dialClashes(us)).toEqual([]);
    expect(dialClashes(business('AU', '0'))[0]).toContain('000');
    expect(dialClashes(business('AU', '9'))).toEqual([]);
  });
});

describe('the digit map and the dial resolver agree', () => {
  const EXTENSIONS = ['201', '202', '211', '350'];
  const cases = [
    business('US', '9'),
    business('US', ''),
    business('CA', '0'),
    business('GB', '9'),
    business('AU', '9'),
    business('FR', '9'),
    business('DE', '0'),
    business('NZ', ''),
  ];
  /** Digits as people dial them: whole numbers, extensions, codes, parts of them and noise, up to 12 keys. */
  const keys = (b: (typeof cases)[number]) => {
    const { emergency, dialling } = profileOf(b.country);
    const national = {
      US: '12065550142',
      CA: '6045550126',
      GB: '02079460123',
      AU: '0255501234',
      FR: '0199001234',
      DE: '03023125123',
      NZ: '093001234',
    }[b.country]!;
    const digits = fc.string({ unit: fc.constantFrom(...'0123456789'), maxLength: 12 });
    const known = fc.constantFrom(
      ...EXTENSIONS,
      ...emergency,
      ...emergency.map((e) => b.outsideDigit + e),
      ...b.starCodes.map((s) => s.code),
      ...dialling.services.map((s) => b.outsideDigit + s.replaceAll('x', '1')),
      b.outsideDigit + national,
      ...b.starCodes.flatMap((s) => [s.code + b.outsideDigit + national, s.code + emergency[0]!]),
    );
    const changed = fc
      .tuple(known, fc.nat(11), fc.constantFrom(...'0123456789'))
      .map(([k, at, d]) => k.slice(0, at) + d + k.slice(at + 1));
    return fc.oneof(
      digits,
      known,
      changed,
      fc.tuple(known, digits).map(([a, d]) => (a + d).slice(0, 12)),
    );
  };

  it.each(cases.map((b) => [`${b.country} with “${b.outsideDigit}” first`, b] as const))('%s', (_, b) => {
    const map = digitMapOf(b, EXTENSIONS);
    const has = (e: string) => EXTENSIONS.includes(e);
    fc.assert(
      fc.property(keys(b), (typed) => {
        const got = sortDialled(typed, b, has, 'by hand');
        const { used, at } = map.feed(typed);
        const cutShort = used !== typed;
        // What the resolver knows as something, the phone sends whole, unless an emergency number is its beginning.
        if (got.kind !== 'nothing' && typed) {
          const urgent = cutShort && sortDialled(used, b, has, 'by hand').kind === 'emergency';
          expect(urgent || (!cutShort && at.state.startsWith('whole')), `${typed}: ${at.state}`).toBe(true);
        }
        // What the phone gives up on, the resolver knows nothing of either.
        if (!cutShort && (at.state === 'nothing' || at.state === 'more') && typed)
          expect(got.kind, typed).toBe('nothing');
      }),
      { numRuns: 1500, seed: 7 },
    );
  });
});

describe('every number of a country can be dialled by hand', () => {
  const { PhoneNumberFormat, PhoneNumberType, PhoneNumberUtil } = google;
  const reference = PhoneNumberUtil.getInstance();
  const types = Object.values(PhoneNumberType).filter(
    (t): t is google.PhoneNumberType =>
      typeof t === 'number' && t !== PhoneNumberType.UNKNOWN && t !== PhoneNumberType.PAGER,
  );

  // google-libphonenumber: an example of each kind of number that a country has, in its national format.
  it.each(PROFILES.map((p) => p.country))('%s', (country) => {
    for (const type of types) {
      const example = reference.getExampleNumberForType(country, type);
      if (!example) continue;
      const national = reference.format(example, PhoneNumberFormat.NATIONAL).replace(/\D/g, '');
      const e164 = reference.format(example, PhoneNumberFormat.E164);
      for (const outside of ['', '9'] as const) {
        const b = business(country, outside);
        const by = handDialled(outside + national, b, () => false, digitMapOf(b, ['201']));
        expect(by, `${outside}${national}`).toMatchObject({ got: { kind: 'outside', e164 }, unheard: '' });
      }
    }
  });
});
