/** Signed requests, against the examples of the standards. */
import { createHmac } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import { baseOf, codeOf, isAsSigned, parametersOf, signedRequest } from './signed-request';

const hex = (text: string) => Uint8Array.from(text.match(/../g)!, (b) => parseInt(b, 16));
const asHex = (base64: string) => Buffer.from(base64, 'base64').toString('hex');

// RFC 4231, sections 4.2 to 4.8 (keys and data that are text or can be; truncation is not used here).
it.each([
  ['0b'.repeat(20), 'Hi There', 'b0344c61d8db38535ca8afceaf0bf12b881dc200c9833da726e9376c2e32cff7'],
  [
    '4a656665',
    'what do ya want for nothing?',
    '5bdcc146bf60754e6a042426089575c75a003f089d2739839dec58b964ec3843',
  ],
  [
    'aa'.repeat(131),
    'Test Using Larger Than Block-Size Key - Hash Key First',
    '60e431591ee0b67f0d8a26aacbf5b77f8e0bc6213728c5140546040f0ee37f54',
  ],
  [
    'aa'.repeat(131),
    'This is a test using a larger than block-size key and a larger than block-size data. The key needs to be hashed before being used by the HMAC algorithm.',
    '9b09ffa71b942fcb27635fbcd5b0e944bfdc63644f0713938a7f51535c3a35e2',
  ],
])('HMAC-SHA-256 of RFC 4231', (key, data, code) => expect(asHex(codeOf(hex(key), data))).toBe(code));

it('signs as RFC 9421, B.2.5, does', () => {
  const secret = Buffer.from(
    'uzvJfB4u3N0Jy4T7NZ75MDVcr8zSTInedJtkgcu46YW4XByzNJjxBdtjUkdJPBtbmHhIDi6pcl8jsasjlTMtDQ==',
    'base64',
  );
  const components = [
    { name: 'date', value: 'Tue, 20 Apr 2021 02:07:55 GMT' },
    { name: '@authority', value: 'example.com' },
    { name: 'content-type', value: 'application/json' },
  ];
  const parameters = parametersOf(components, 1618884473, 'test-shared-secret');
  expect(parameters).toBe(
    '("date" "@authority" "content-type");created=1618884473;keyid="test-shared-secret"',
  );
  expect(codeOf(secret, baseOf(components, parameters))).toBe('pxcQw6G3AjtMBQjwo8XzkZf/bws5LelbaMk5rGIGtE8=');
});

describe('a request', () => {
  const url = 'https://records.example/calls?from=phone';
  const made = signedRequest(url, '{"name":"Łódź"}', 'f 1', 'secret', 1_764_000_000_999);
  it('has the digest of its body and a signature that Node’s own crypto comes to', () => {
    const base = [
      '"@method": POST',
      `"@target-uri": ${url}`,
      `"content-digest": ${made.headers['Content-Digest']}`,
      '"content-type": application/json',
      '"idempotency-key": "f 1"',
      `"@signature-params": ("@method" "@target-uri" "content-digest" "content-type" "idempotency-key");created=1764000000;keyid="hooks"`,
    ].join('\n');
    const code = createHmac('sha256', 'secret').update(base).digest('base64');
    expect(made.headers.Signature).toBe(`upper-line=:${code}:`);
    expect(isAsSigned(url, made, 'secret')).toBe(true);
  });
  it('is not as signed where anything of it is another', () => {
    expect(isAsSigned(url, made, 'Secret')).toBe(false);
    expect(isAsSigned(`${url}2`, made, 'secret')).toBe(false);
    expect(isAsSigned(url, { ...made, body: '{"name":"Lodz"}' }, 'secret')).toBe(false);
    const headers = { ...made.headers, 'Idempotency-Key': '"f 2"' };
    expect(isAsSigned(url, { ...made, headers }, 'secret')).toBe(false);
  });
});
