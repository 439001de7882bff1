import jsQR from 'jsqr';
import { simpleParser } from 'mailparser';
import { PNG } from 'pngjs';
import PostalMime from 'postal-mime';
import { describe, expect, it } from 'vitest';
import { InvitationWording, usualInvitation } from '../../core/system';
import { rawMessage } from './compose';
import {
  invitationParts,
  invitationWords,
  PhoneSettings,
  pairingLink,
  readLink,
  unknownPlaceholders,
} from './invitation';
import { ARRIVES_MS, deliveryOf, oneSlip, refusal, RETURNS_MS, usualDomain } from './post';

const page = 'http://localhost:4173/phone';
const facts = {
  name: 'Zoë <b>Ünal</b>',
  business: 'Müller & Søn',
  extension: '201',
  phone: 'mobile app',
  link: pairingLink(page, '+13605550142', '123456'),
  number: '(360) 555-0142',
  code: '123456',
  until: 'Tuesday 1 December at 10:15',
};
const words = invitationWords(usualInvitation(), facts);
const settings: PhoneSettings = {
  format: 'upper-line-phone',
  version: 1,
  business: 'Müller & Søn',
  number: '+13605550142',
  code: '123456',
  page,
};
const send = async () =>
  rawMessage({
    id: 'm1',
    to: { name: 'Zoë Ünal', address: 'zoe@yard.example' },
    from: { name: 'Müller & Søn', address: 'phones@upperline.example' },
    at: Date.UTC(2026, 10, 24, 18, 15),
    ...words,
    attachments: await invitationParts(settings),
  });

describe('the invitation', () => {
  // RFC 5322 §2.1.1 (lines of at most 998 characters, ended by CRLF), §3.6 (Date and From); RFC 2047 for the subject.
  it('is a message that two mail libraries read back to the letter', async () => {
    const raw = await send();
    for (const line of raw.split('\r\n')) expect(line.length).toBeLessThan(998);
    const headers = raw.slice(0, raw.indexOf('\r\n\r\n'));
    // eslint-disable-next-line no-control-regex
    expect(headers).toMatch(/^[\x00-\x7f]*$/);
    const read = await PostalMime.parse(raw);
    expect(read.subject).toBe('Your phone at Müller & Søn: extension 201');
    expect(read.text?.replaceAll('\r\n', '\n').trim()).toBe(words.text.trim());
    expect(read.to).toEqual([{ name: 'Zoë Ünal', address: 'zoe@yard.example' }]);
    expect(read.date).toBe('2026-11-24T18:15:00.000Z');
    expect(read.messageId).toBe('<m1@mail.upperline.example>');
    const other = await simpleParser(raw, { skipImageLinks: true });
    expect(other.subject).toBe(read.subject);
    expect(other.text?.trim()).toBe(words.text.trim());
    expect(other.attachments.map((a) => [a.filename, a.contentType, a.cid ?? ''])).toEqual([
      ['pairing-picture.png', 'image/png', 'pairing-picture'],
      ['phone-settings.json', 'application/json', ''],
    ]);
    expect(other.html).toContain('src="cid:pairing-picture"');
  });

  it('names are text in its HTML, never markup', () => {
    expect(words.html).toContain('Hello Zoë &lt;b&gt;Ünal&lt;/b&gt;,');
    expect(words.html).not.toContain('<b>');
    expect(words.html).toContain(`<a href="${facts.link.replaceAll('&', '&amp;')}">`);
  });

  // ISO/IEC 18004; read back by an independent decoder, jsqr.
  it('its picture says the link', async () => {
    const read = await PostalMime.parse(await send());
    const png = PNG.sync.read(Buffer.from(read.attachments[0]!.content as ArrayBuffer));
    const code = jsQR(new Uint8ClampedArray(png.data), png.width, png.height);
    expect(code?.data).toBe(facts.link);
    expect(readLink(code!.data)).toEqual({ number: '+13605550142', code: '123456', join: '' });
  });

  it('its file sets a phone up', async () => {
    const read = await PostalMime.parse(await send());
    const file = new TextDecoder().decode(read.attachments[1]!.content as ArrayBuffer);
    expect(PhoneSettings.parse(JSON.parse(file))).toEqual(settings);
  });

  it('words that could pair nobody are refused, and so are braces that nothing fills', () => {
    const wording = (text: string) => InvitationWording.safeParse({ ...usualInvitation(), text }).success;
    expect(wording('Open {link}')).toBe(true);
    expect(wording('Number {number}, code {code}')).toBe(true);
    expect(wording('Number {number}')).toBe(false);
    expect(unknownPlaceholders('Hello {name}, {nmae} {}')).toEqual(['nmae', '']);
  });

  it.each(['not a link', 'https://example.org/', 'tel:+13605550142', ''])('%j is no pairing link', (text) =>
    expect(readLink(text)).toBeUndefined(),
  );
});

describe('the post', () => {
  it('takes a moment, and some letters come back with the reason', () => {
    const at = (to: string, now: number) => deliveryOf({ to, at: 0 }, 'lanterncove.example', now);
    expect(at('rosa@lanterncove.example', ARRIVES_MS - 1).state).toBe('on its way');
    expect(at('rosa@lanterncove.example', ARRIVES_MS).state).toBe('arrived');
    expect(at('rosa@lanterncvoe.example', RETURNS_MS - 1).state).toBe('on its way');
    expect(at('rosa@lanterncvoe.example', RETURNS_MS)).toEqual({
      state: 'came back',
      words: expect.stringContaining('Is it lanterncove.example?'),
    });
  });

  // Status codes of RFC 3463 §3.2 and §3.3: 5.1.1 bad mailbox, 5.1.2 bad domain, 4.2.2 mailbox full. (from memory)
  it.each([
    ['nobody@yard.example', '5.1.1'],
    ['rosa@yard.invalid', '5.1.2'],
    ['rosa@yard.exampel', '5.1.2'],
    ['rosa.full@yard.example', '4.2.2'],
    ['rosa@yard.example', null],
    ['rosa@elsewhere.example', null],
  ])('%s', (address, code) => expect(refusal(address, 'yard.example')?.slice(0, 5) ?? null).toBe(code));

  it('knows a slip of one character from another name', () => {
    for (const slip of ['yrad', 'yad', 'yaard', 'yarf']) expect(oneSlip(slip, 'yard')).toBe(true);
    for (const other of ['yard', 'dray', 'y', 'yardarm']) expect(oneSlip(other, 'yard')).toBe(false);
  });

  it('takes for usual what at least two are at', () => {
    expect(usualDomain(['a@x.example', 'b@y.example', 'c@Y.example', ''])).toBe('y.example');
    expect(usualDomain(['a@x.example'])).toBeUndefined();
  });
});
