/** National profiles against things outside the project. */
import google from 'google-libphonenumber';
import isPostalCode, { type PostalCodeLocale } from 'validator/lib/isPostalCode.js';
import ipaddr from 'ipaddr.js';
import { describe, expect, it } from 'vitest';
import { Network } from '../system';
import { networkOf } from './networks';
import { addressForm, addressProblems, PROFILES, profileOf, ringCycle } from '.';

const { PhoneNumberType, PhoneNumberUtil } = google;
const reference = PhoneNumberUtil.getInstance();

/** Geographic area codes that google-libphonenumber knows in a country of the North American plan. */
function areaCodes(country: string): string[] {
  const found: string[] = [];
  for (let npa = 200; npa < 1000; npa++) {
    // 5xx personal numbers, 600 and 6xx non-geographic in Canada, 8xx toll-free and 900 premium are not areas.
    const number = reference.parse(`+1${npa}2345678`);
    const geographic = reference.getNumberType(number) === PhoneNumberType.FIXED_LINE_OR_MOBILE;
    if (geographic && reference.getRegionCodeForNumber(number) === country) found.push(String(npa));
  }
  return found;
}

describe('area codes', () => {
  // google-libphonenumber: an area code is known where numbers of it are valid.
  it.each(['US', 'CA'])('of %s are complete', (country) => {
    const nonGeographic = (code: string) => country === 'CA' && ['600', '622', '633'].includes(code);
    const ours = profileOf(country).areas.map((a) => a.code);
    expect([...ours].sort()).toEqual(areaCodes(country).filter((c) => !nonGeographic(c)));
    expect(new Set(ours).size).toBe(ours.length);
  });

  it.each(['GB', 'IE', 'AU', 'NZ', 'DE', 'FR'])('of %s begin numbers that exist', (country) => {
    const { areas, callingCode } = profileOf(country);
    for (const { code, places } of areas) {
      const tries = [4, 5, 6, 7, 8].flatMap((n) =>
        ['2345678', '4960000', '5551234', '7946000', '9012345', '3001234'].map((d) => (d + '0').slice(0, n)),
      );
      const exists = tries.some((rest) => {
        const number = reference.parse(`+${callingCode}${code.replace(/^0/, '')}${rest}`);
        return (
          reference.isValidNumberForRegion(number, country) &&
          reference.getNumberType(number) === PhoneNumberType.FIXED_LINE
        );
      });
      expect(exists, `${code} ${places[0]}`).toBe(true);
      expect(places[0]).toBeTruthy();
    }
  });
});

describe('national habits', () => {
  // Emergency numbers: facts of the trade, from memory. EU: 112 everywhere (Directive 2018/1972, Article 109).
  it.each([
    ['US', '911'],
    ['CA', '911'],
    ['GB', '999'],
    ['GB', '112'],
    ['IE', '112'],
    ['IE', '999'],
    ['AU', '000'],
    ['NZ', '111'],
    ['DE', '112'],
    ['DE', '110'],
    ['FR', '112'],
  ])('in %s, %s summons help', (country, number) => {
    expect(profileOf(country).emergency).toContain(number);
  });

  // ITU-T E.180 supplement 2, from memory: one ring cycle in seconds.
  it.each([
    ['US', 6],
    ['CA', 6],
    ['GB', 3],
    ['IE', 3],
    ['AU', 3],
    ['NZ', 3],
    ['DE', 5],
    ['FR', 5],
  ])('in %s a ring takes %d s', (country, seconds) => {
    expect(ringCycle(profileOf(country).ringback)).toBe(seconds);
  });

  it('calling codes are those of google-libphonenumber', () => {
    for (const p of PROFILES)
      expect(reference.getCountryCodeForRegion(p.country)).toBe(Number(p.callingCode));
  });

  // The validator package, an independent table of postal codes.
  it('postal codes are recognised as the validator package does', () => {
    const codes = [
      '98300',
      '98300-1234',
      'V6B 1A1',
      'SW1A 1AA',
      'EC1A1BB',
      'D02 X285',
      '2000',
      '6011',
      '10115',
      '75001',
      '1',
      'ABCDE',
      '123456',
    ];
    for (const { country, address } of PROFILES)
      for (const code of codes)
        expect(address.postalPattern.test(code), `${country} ${code}`).toBe(
          isPostalCode(code, country as PostalCodeLocale),
        );
  });
});

describe('street addresses', () => {
  const yard = { country: 'US', HNO: '12', RD: 'Lantern Cove Road', A3: 'Port Ansel', A1: 'WA', PC: '98300' };
  it('say which part help would miss', () => {
    expect(addressProblems(yard)).toEqual({});
    expect(addressProblems({ ...yard, A3: ' ' })).toEqual({ A3: expect.stringContaining('City is missing') });
    expect(addressProblems({ ...yard, PC: '9830' })).toEqual({ PC: expect.stringContaining('ZIP code') });
    expect(Object.keys(addressProblems({ country: 'US' }))).toEqual(['HNO', 'RD', 'A3', 'A1', 'PC']);
  });
  // Irish addresses often have no house number (common practice, no source).
  it('ask for what the country writes', () => {
    expect(addressProblems({ country: 'IE', RD: 'Quay Street', A3: 'Dingle', PC: 'V92 X2XX' })).toEqual({});
    expect(addressForm('GB').find((p) => p.part === 'PC')?.label).toBe('Postcode');
  });
});

describe('office networks', () => {
  // RFC 4632 §3.1 and RFC 4291 §2.3: prefix notation. Addresses from RFC 5737 and RFC 3849.
  it('are told from other text, as an independent library does', () => {
    for (const text of [
      '192.0.2.0/24',
      '2001:db8::/32',
      '192.0.2.0',
      '192.0.2.0/33',
      '300.1.1.0/8',
      'office',
    ])
      expect(Network.safeParse(text).success, text).toBe(ipaddr.isValidCIDR(text));
  });
  it('hold the addresses in them', () => {
    expect(networkOf('192.0.2.77', ['198.51.100.0/24', '192.0.2.0/24'])).toBe('192.0.2.0/24');
    expect(networkOf('192.0.3.77', ['192.0.2.0/24'])).toBeUndefined();
    expect(networkOf('2001:db8:1::5', ['192.0.2.0/24', '2001:db8::/32'])).toBe('2001:db8::/32');
    expect(networkOf('not an address', ['0.0.0.0/0'])).toBeUndefined();
    expect(networkOf('192.0.2.77', ['not a network'])).toBeUndefined();
  });
});
