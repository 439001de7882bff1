import PostalMime from 'postal-mime';
import { describe, expect, it } from 'vitest';
import { benchTime } from './clock/clock';
import { rawMessage } from './mail/compose';
import { invitationWords } from './mail/letters';
import { CODE_LIFE_MS, codeFrom, tryCode, type Invitation } from './registrar/pairing';

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
