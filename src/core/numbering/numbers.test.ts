import fc from 'fast-check';
import google from 'google-libphonenumber';
import { describe, expect, it } from 'vitest';
import { parsePhoneNumberFromString } from 'libphonenumber-js/max';
import { fictionRangeOf, numbersOf, PROFILES, readNumber, writeNumber } from '.';

const { PhoneNumberFormat, PhoneNumberType, PhoneNumberUtil } = google;
const reference = PhoneNumberUtil.getInstance();

/** Mulberry32, a small published generator, so that the sample is the same every time. */
function random(seed: number): () => number {
  return () => {
    seed = (seed + 0x6d2b79f5) | 0;
    let t = Math.imul(seed ^ (seed >>> 15), 1 | seed);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
}

const COUNTRIES = ['US', 'CA', 'GB', 'AU', 'IE', 'NZ', 'DE', 'FR', 'SE', 'ES'];

/** Numbers near the country's example numbers: some valid, some not. */
function sample(country: string, n: number): string[] {
  const next = random(country.charCodeAt(0) * 256 + country.charCodeAt(1));
  const kinds = [PhoneNumberType.FIXED_LINE, PhoneNumberType.MOBILE, PhoneNumberType.TOLL_FREE];
  return Array.from({ length: n }, (_, i) => {
    const example = reference.getExampleNumberForType(country, kinds[i % 3]!);
    const digits = reference.format(example, PhoneNumberFormat.E164).split('');
    const changed = 1 + Math.floor(next() * 6);
    for (let k = 0; k < changed; k++) {
      const at = digits.length - 1 - Math.floor(next() * (digits.length - 3));
      digits[at] = String(Math.floor(next() * 10));
    }
    if (i % 17 === 0) digits.pop();
    return digits.join('');
  });
}

describe('against google-libphonenumber, the reference implementation', () => {
  it.each(COUNTRIES)('%s: same validity, country, type and formats', (country) => {
    let valid = 0;
    for (const e164 of sample(country, 300)) {
      const theirs = reference.parse(e164, country);
      const ours = parsePhoneNumberFromString(e164)!;
      const read = readNumber(e164, country);
      const isValid = reference.isValidNumber(theirs);
      // A range kept for fiction is accepted although no real number may be there.
      // And an N11 exchange is refused, which the reference lets through.
      const geographic = reference.getNumberType(theirs) === PhoneNumberType.FIXED_LINE_OR_MOBILE;
      const service = geographic && /^\+1\d{3}[2-9]11/.test(e164);
      expect(read.ok, e164).toBe((isValid && !service) || fictionRangeOf(e164) !== undefined);
      if (!isValid || !read.ok) continue;
      valid++;
      expect(read.number.country, e164).toBe(reference.getRegionCodeForNumber(theirs));
      expect(read.number.type, e164).toBe(
        Object.entries(PhoneNumberType).find(([, v]) => v === reference.getNumberType(theirs))?.[0],
      );
      expect(ours.formatNational(), e164).toBe(reference.format(theirs, PhoneNumberFormat.NATIONAL));
      expect(ours.formatInternational(), e164).toBe(
        reference.format(theirs, PhoneNumberFormat.INTERNATIONAL).replaceAll('-', ' '),
      );
    }
    expect(valid).toBeGreaterThan(30);
  });
});

describe('reading numbers', () => {
  it('takes any way of writing them', () => {
    for (const typed of [
      '(360) 555-0142',
      '360.555.0142',
      '1 360 555 0142',
      '+1-360-555-0142',
      ' 3605550142 ',
    ])
      expect(readNumber(typed, 'US')).toMatchObject({ ok: true, number: { e164: '+13605550142' } });
  });

  // RFC 3966 §3: tel:+1-201-555-0123 is a global number; §5.1.1: separators carry no meaning.
  it('reads tel: URIs', () => {
    expect(readNumber('tel:+1-201-555-0123', 'GB')).toMatchObject({
      ok: true,
      number: { e164: '+12015550123' },
    });
    expect(readNumber('tel:+1(201)555.0123', 'GB')).toMatchObject({
      ok: true,
      number: { e164: '+12015550123' },
    });
    // RFC 3966 §3: a local number means nothing outside its context.
    expect(readNumber('tel:7042;phone-context=example.com', 'US').ok).toBe(false);
  });

  // Numbers for fiction of the regulators (from memory); 0 or 9 is dialled for an outside line.
  it.each([
    ['0 030 23125123', 'DE', '0', '+493023125123', '0'],
    ['003023125123', 'DE', '0', '+493023125123', '0'],
    ['9 030 23125123', 'DE', '9', '+493023125123', '9'],
    ['030 23125123', 'DE', '0', '+493023125123', undefined],
    ['0044 20 7946 0958', 'DE', '0', '+442079460958', undefined],
    ['0 0044 20 7946 0958', 'DE', '0', '+442079460958', '0'],
    ['0 01 571 1234', 'IE', '0', '+35315711234', '0'],
    ['9 01 571 1234', 'IE', '9', '+35315711234', '9'],
    ['01 571 1234', 'IE', '0', '+35315711234', undefined],
    ['0 09 300 1234', 'NZ', '0', '+6493001234', '0'],
    ['9 09 300 1234', 'NZ', '9', '+6493001234', '9'],
    ['09 300 1234', 'NZ', '0', '+6493001234', undefined],
    ['0 020 7946 0958', 'GB', '0', '+442079460958', '0'],
    ['9 (360) 555-0142', 'US', '9', '+13605550142', '9'],
  ] as const)(
    'keeps what “%s” means in %s where %s is dialled first',
    (typed, country, digit, e164, stripped) => {
      const read = readNumber(typed, country, digit);
      expect(read.ok && [read.number.e164, read.number.strippedDigit]).toEqual([e164, stripped]);
    },
  );
  it('takes off the digit for an outside line, and says so', () => {
    expect(readNumber('9 1 360 555 0142', 'US', '9')).toMatchObject({
      ok: true,
      number: { e164: '+13605550142', strippedDigit: '9' },
    });
    const plain = readNumber('360 555 0142', 'US', '9');
    expect(plain.ok && plain.number.strippedDigit).toBeUndefined();
  });

  // ITU-T E.164 §6: at most 15 digits.
  it('says what is wrong', () => {
    expect(readNumber('+12345678901234567', 'US')).toMatchObject({
      ok: false,
      message: expect.stringContaining('15 digits'),
    });
    expect(readNumber('555-BOAT', 'US')).toMatchObject({
      ok: false,
      message: expect.stringContaining('letters'),
    });
    expect(readNumber('', 'US')).toMatchObject({ ok: false });
    const wrong = (typed: string, country = 'US') => {
      const read = readNumber(typed, country);
      return read.ok ? '' : read.message;
    };
    expect(wrong('555 0142')).toContain('too short');
    expect(wrong('360 155 0142')).toContain('no such number can be given out');
    // A number of another country, typed as it is written there.
    expect(wrong('020 7946 0123')).toContain('in United Kingdom: then write +44 20 7946 0123');
    expect(wrong('(360) 555-0142', 'GB')).toContain('in United States: then write +1 360 555 0142');
    // NANP: the exchange code is never N11 (ATIS central office code guidelines, from memory).
    expect(readNumber('360 911 0142', 'US').ok).toBe(false);
    // NANP: area and exchange codes start with 2 to 9.
    expect(readNumber('160 555 0142', 'US').ok).toBe(false);
    expect(readNumber('360 155 0142', 'US').ok).toBe(false);
  });
});

describe('writing numbers', () => {
  it('is national at home and with country code elsewhere', () => {
    expect(writeNumber('+13605550142', 'US')).toBe('(360) 555-0142');
    expect(writeNumber('+13605550142', 'CA')).toBe('(360) 555-0142');
    expect(writeNumber('+442079460123', 'US')).toBe('+44 20 7946 0123');
    expect(writeNumber('+442079460123', 'GB')).toBe('020 7946 0123');
  });
});

describe('reading and writing again', () => {
  const homes = PROFILES.map((p) => p.country);
  const e164s = [
    ...COUNTRIES.flatMap((country) => sample(country, 120)),
    ...PROFILES.flatMap((p) => p.fiction.flatMap((r) => numbersOf(r).slice(0, 3))),
  ].flatMap((typed) => {
    const read = readNumber(typed, 'US');
    return read.ok ? [read.number.e164] : [];
  });

  it('is stable: what was written is read as the same number, wherever the business is', () => {
    expect(e164s.length).toBeGreaterThan(500);
    fc.assert(
      fc.property(fc.constantFrom(...e164s), fc.constantFrom(...homes), (e164, home) => {
        const written = writeNumber(e164, home);
        const read = readNumber(written, home);
        expect(read, `${written} in ${home}`).toMatchObject({ ok: true, number: { e164 } });
        expect(writeNumber(read.ok ? read.number.e164 : '', home)).toBe(written);
      }),
      { numRuns: 3000, seed: 5 },
    );
  });

  // RFC 3966 §5.1.1: visual separators carry no meaning.
  it('does not depend on how the digits are parted', () => {
    const separators = fc.array(fc.constantFrom('', ' ', '-', '.', ' (', ') ', '-'), {
      minLength: 15,
      maxLength: 15,
    });
    fc.assert(
      fc.property(fc.constantFrom(...e164s), separators, (e164, parts) => {
        const typed = `+${[...e164.slice(1)].map((d, i) => (i ? parts[i % 15] : '') + d).join('')}`;
        expect(readNumber(typed, 'US'), typed).toMatchObject({ ok: true, number: { e164 } });
      }),
      { numRuns: 1500, seed: 6 },
    );
  });
});

describe('ranges kept for fiction', () => {
  it('are all accepted as numbers of their country', () => {
    for (const { country, fiction } of PROFILES)
      for (const range of fiction) {
        const numbers = numbersOf(range);
        for (const e164 of [numbers[0]!, numbers[Math.floor(numbers.length / 2)]!, numbers.at(-1)!]) {
          expect(readNumber(e164, country), e164).toMatchObject({ ok: true });
          expect(fictionRangeOf(e164)?.range, e164).toBe(range);
        }
      }
  });

  // NANPA: 555-0100 to 555-0199; Ofcom: 07700 900000 to 900999 (from memory).
  it('end where the regulators end them', () => {
    expect(fictionRangeOf('+13605550199')).toBeDefined();
    expect(fictionRangeOf('+13605550200')).toBeUndefined();
    expect(fictionRangeOf('+447700900999')).toBeDefined();
    expect(fictionRangeOf('+447700901000')).toBeUndefined();
    expect(readNumber('+447700901000', 'GB').ok).toBe(false);
  });
});
