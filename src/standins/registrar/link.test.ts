/** The link of an invitation: it works once, for a day, and five wrong ones lock it. */
import { describe, expect, it } from 'vitest';
import { LINK_MS, MOST_TRIES, tryLink, type Invitation } from './pairing';

const SENT = Date.UTC(2026, 10, 24, 18, 15);
const secret = 's'.repeat(43);
const invitation = (change: Partial<Invitation> = {}): Invitation => ({
  id: 'i',
  businessId: 'b',
  personId: 'p',
  phoneId: 'f',
  code: '123456',
  secret,
  to: 'noor@yard.example',
  mailId: null,
  sentAt: SENT,
  expiresAt: SENT + 7 * LINK_MS,
  wrongTries: 0,
  state: 'open',
  ...change,
});

describe('the link of an invitation', () => {
  it('makes a phone, and is used then', () => {
    const tried = tryLink(invitation(), secret, SENT + LINK_MS - 1);
    expect(tried).toMatchObject({ ok: true, invitation: { state: 'used' } });
  });
  it.each<[string, Invitation | undefined, number, string]>([
    ['of nothing', undefined, SENT, 'belongs to no invitation'],
    ['of a letter that had none', invitation({ secret: undefined }), SENT, 'belongs to no invitation'],
    ['after a day', invitation(), SENT + LINK_MS, '24 hours'],
    ['of one that runs out earlier', invitation({ expiresAt: SENT + 1000 }), SENT + 1000, '24 hours'],
    ['withdrawn', invitation({ state: 'withdrawn' }), SENT, 'withdrawn'],
    ['locked', invitation({ state: 'locked' }), SENT, 'locked'],
  ])('%s is refused in words, and nothing changes', (_, of, at, words) => {
    const tried = tryLink(of, secret, at);
    expect(tried).toMatchObject({ ok: false, message: expect.stringContaining(words) as string });
    expect(tried).not.toHaveProperty('changed');
    expect(tried).not.toHaveProperty('again');
  });
  it('used before, it is told apart: somebody else may have read it', () => {
    expect(tryLink(invitation({ state: 'used' }), secret, SENT)).toMatchObject({ ok: false, again: true });
    // Whoever guesses at one that was used has read nothing.
    expect(tryLink(invitation({ state: 'used' }), 'x'.repeat(43), SENT)).not.toHaveProperty('again');
  });
  it('wrong five times, it is locked', () => {
    let now = invitation();
    for (let n = 1; n <= MOST_TRIES; n++) {
      const tried = tryLink(now, 'x'.repeat(43), SENT);
      if (tried.ok || !tried.changed) throw new Error('It counts.');
      now = tried.changed;
      expect(now.wrongTries).toBe(n);
    }
    expect(now.state).toBe('locked');
    expect(tryLink(now, secret, SENT)).toMatchObject({ ok: false });
  });
});
