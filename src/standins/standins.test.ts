import PostalMime from 'postal-mime';
import { describe, expect, it } from 'vitest';
import { fictionRangeOf, readNumber } from '../core/numbering';
import { goneWhenOrdered, simulatedCarrier } from './carrier/simulated';
import { benchTime } from './clock/clock';
import { rawMessage } from './mail/compose';
import { invitationWords } from './mail/letters';
import { CODE_LIFE_MS, codeFrom, tryCode, type Invitation } from './registrar/pairing';

const waits: number[] = [];
const carrier = simulatedCarrier((ms) => {
  waits.push(ms);
  return Promise.resolve();
});
const search = (country: string, where: string, held: string[] = []) =>
  carrier.search({ country, where, held });

describe('the carrier stand-in', () => {
  it.each([
    ['US', '360'],
    ['US', 'port t'],
    ['CA', 'Halifax'],
    ['GB', '020'],
    ['GB', '20'],
    ['AU', 'Sydney'],
    ['AU', '02'],
  ])('sells numbers kept for fiction in %s, %s, always the same', async (country, where) => {
    const result = await search(country, where);
    if (!result.ok) throw new Error(result.message);
    expect(result.offers.length).toBeGreaterThan(3);
    for (const offer of result.offers) {
      expect(fictionRangeOf(offer.e164)?.country).toBe(country);
      expect(readNumber(offer.e164, country).ok).toBe(true);
      expect(offer.monthlyCents).toBeGreaterThan(0);
    }
    expect(await search(country, where)).toEqual(result);
  });

  it('does not offer what is held', async () => {
    const first = await search('US', '360');
    if (!first.ok) throw new Error();
    const held = first.offers.slice(0, 3).map((o) => o.e164);
    const second = await search('US', '360', held);
    expect(second.ok && second.offers.map((o) => o.e164)).not.toEqual(expect.arrayContaining([held[0]]));
  });

  it('says when an area is unknown, sold out, or slow', async () => {
    expect(await search('US', '999')).toMatchObject({ ok: false, refusal: 'no such area' });
    expect(await search('US', 'Atlantis')).toMatchObject({ ok: false, refusal: 'no such area' });
    expect(await search('US', '212')).toMatchObject({ ok: false, refusal: 'area sold out' });
    waits.length = 0;
    expect((await search('US', '415')).ok).toBe(true);
    expect(waits).toEqual([2500]);
  });

  it('takes an order, or says that somebody else was first', async () => {
    const offers = (await Promise.all(['360', '509', '206', '503'].map((a) => search('US', a)))).flatMap(
      (r) => (r.ok ? r.offers : []),
    );
    const results = await Promise.all(offers.map((o) => carrier.order(o.e164)));
    for (const [i, result] of results.entries())
      if (goneWhenOrdered(offers[i]!.e164))
        expect(result).toMatchObject({ ok: false, refusal: 'taken in the meantime' });
      else expect(result).toEqual({ ok: true, offer: offers[i] });
    expect(results.filter((r) => !r.ok).length).toBeGreaterThan(0);
    expect(await carrier.order('+12025551234')).toMatchObject({ ok: false, refusal: 'not offered' });
  });
});

describe('the registrar stand-in', () => {
  const open = (code: string, change: Partial<Invitation> = {}): Invitation => ({
    id: code,
    businessId: 'b',
    personId: 'p',
    phoneId: 'x',
    code,
    sentAt: 0,
    expiresAt: CODE_LIFE_MS,
    wrongTries: 0,
    state: 'open',
    ...change,
  });

  it('takes the right code once', () => {
    const first = tryCode([open('123456')], '123456', 1000);
    expect(first).toMatchObject({ ok: true, invitation: { phoneId: 'x', state: 'used' } });
    expect(tryCode(first.changed, '123456', 2000)).toMatchObject({
      ok: false,
      message: expect.stringContaining('used already'),
    });
  });

  it('refuses a code after 15 minutes', () => {
    expect(tryCode([open('123456')], '123456', CODE_LIFE_MS - 1).ok).toBe(true);
    expect(tryCode([open('123456')], '123456', CODE_LIFE_MS)).toMatchObject({
      ok: false,
      message: expect.stringContaining('expired'),
    });
  });

  it('locks codes after five wrong tries', () => {
    let invitations = [open('123456'), open('654321')];
    for (let i = 1; i <= 5; i++) {
      const tried = tryCode(invitations, '111111', 1000);
      expect(tried.ok).toBe(false);
      expect(tried.ok ? '' : tried.message).toContain(i < 5 ? 'left' : 'fifth wrong try');
      invitations = tried.changed;
    }
    expect(tryCode(invitations, '123456', 1000)).toMatchObject({
      ok: false,
      message: expect.stringContaining('locked'),
    });
    expect(tryCode([...invitations, open('222222')], '222222', 1000).ok).toBe(true);
  });

  it('makes codes of six digits', () => {
    for (const random of [0, 0.5, 0.9999999]) expect(codeFrom(random)).toMatch(/^[1-9]\d{5}$/);
  });
});

describe('mail', () => {
  const words = invitationWords({
    business: 'Müller & Søn',
    person: 'Zoë <b>Ünal</b>',
    extension: '201',
    businessNumber: '(360) 555-0142',
    code: '123456',
    page: 'http://localhost/phone',
  });

  // RFC 5322 §2.1.1 (lines of at most 998 characters, ended by CRLF), §3.6 (Date and From); RFC 2047 for the subject.
  it('is a message that a mail library reads back to the letter', async () => {
    const raw = await rawMessage({
      id: 'm1',
      to: { name: 'Zoë Ünal', address: 'zoe@yard.example' },
      from: { name: 'Müller & Søn', address: 'phones@upperline.example' },
      at: Date.UTC(2026, 10, 24, 18, 15),
      attachment: { name: 'message.webm', type: 'audio/webm', base64: btoa('sound') },
      ...words,
    });
    for (const line of raw.split('\r\n')) expect(line.length).toBeLessThan(998);
    const headers = raw.slice(0, raw.indexOf('\r\n\r\n'));
    // eslint-disable-next-line no-control-regex
    expect(headers).toMatch(/^[\x00-\x7f]*$/);
    const read = await PostalMime.parse(raw);
    expect(read.subject).toBe(words.subject);
    expect(read.text?.replaceAll('\r\n', '\n').trim()).toBe(words.text.trim());
    expect(read.to).toEqual([{ name: 'Zoë Ünal', address: 'zoe@yard.example' }]);
    expect(read.date).toBe('2026-11-24T18:15:00.000Z');
    expect(read.messageId).toBe('<m1@mail.upperline.example>');
    expect(new TextDecoder().decode(read.attachments[0]!.content as ArrayBuffer)).toBe('sound');
  });
});

it('the bench clock runs on from where it was set', () => {
  expect(benchTime({ mode: 'real' }, 5000)).toBe(5000);
  expect(benchTime({ mode: 'set', benchAt: 1_000_000, realAt: 5000 }, 5250)).toBe(1_000_250);
});
