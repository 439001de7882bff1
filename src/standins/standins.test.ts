import { describe, expect, it } from 'vitest';
import { benchTime } from './clock/clock';
import { codeFrom, tryCode, type Invitation } from './registrar/pairing';

const CODE_LIFE_MS = 7 * 86_400_000;

describe('the registrar stand-in', () => {
  const open = (code: string, change: Partial<Invitation> = {}): Invitation => ({
    id: code,
    businessId: 'b',
    personId: 'p',
    phoneId: 'x',
    code,
    to: 'p@yard.example',
    mailId: null,
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

  it('refuses a code that has run out', () => {
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

it('the bench clock runs on from where it was set', () => {
  expect(benchTime({ mode: 'real' }, 5000)).toBe(5000);
  expect(benchTime({ mode: 'set', benchAt: 1_000_000, realAt: 5000 }, 5250)).toBe(1_000_250);
});
