import { describe, expect, it } from 'vitest';
import { hostIn, isOutside, networkOf } from './networks';

// Addresses kept for documentation: RFC 5737 (192.0.2.0/24, 198.51.100.0/24, 203.0.113.0/24) and RFC 3849 (2001:db8::/32).
describe('networks that count as an office', () => {
  const offices = ['192.0.2.0/24', '2001:db8:1::/48'];
  it.each([
    ['192.0.2.1', false],
    ['192.0.3.1', true],
    ['203.0.113.77', true],
    ['2001:db8:1::5', false],
    ['2001:db8:2::5', true],
    // An IPv4 address written in IPv6 is the same address (RFC 4291 §2.5.5.2).
    ['::ffff:192.0.2.9', false],
    ['nonsense', true],
    ['', false],
  ])('%s is outside: %s', (address, outside) => expect(isOutside(address, offices)).toBe(outside));

  it('where none is named nothing is outside', () => expect(isOutside('203.0.113.77', [])).toBe(false));

  it.each(['192.0.2.0/24', '198.51.100.64/28', '192.0.2.8/31', '203.0.113.9/32', '2001:db8::/64'])(
    'a stand-in in %s has an address in it',
    (network) => expect(networkOf(hostIn(network), [network])).toBe(network),
  );
});
