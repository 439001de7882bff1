/** Porting, texting and proofs over days of bench time. */
import { describe, expect, it } from 'vitest';
import { MOST_SENT, MOST_TRIES, PROOF_LIFE_MS, sendProof, tryProof, type Proof } from '../proof/proof';
import { arrivalOf, firstPortDay, portStanding, type Port, type PortFacts } from './porting';
import { REVIEW_MS, textingStanding, type TextingFacts } from './approval';
import { carriesTexts, deliveryOf } from './texting';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
const zone = 'America/Los_Angeles';
/** Tuesday 24 November 2026, 10:15 in Los Angeles. */
const now = Date.UTC(2026, 10, 24, 18, 15);

describe('porting', () => {
  const facts: PortFacts = {
    provider: 'Tidewater Telecom',
    accountNumber: '4401-7731',
    pin: '',
    billName: 'Lantern Cove Boatworks',
    billAddress: '12 Lantern Cove Road',
    wantedOn: '2026-12-04',
  };
  const port = (change: Partial<PortFacts> = {}, e164 = '+13605550133'): Port => ({
    id: 'p',
    numberId: 'n',
    e164,
    zone,
    standIn: null,
    attempts: [{ at: now, facts: { ...facts, ...change } }],
    cancelledAt: null,
  });
  const stageAfter = (p: Port, ms: number) => portStanding(p, now + ms).stage;

  it('goes from submitted to moved over days', () => {
    const p = port();
    expect(stageAfter(p, 0)).toBe('submitted');
    expect(stageAfter(p, 4 * HOUR)).toBe('checked');
    expect(stageAfter(p, 2 * DAY)).toBe('date confirmed');
    // 4 December, 10:00 in Los Angeles is 18:00 UTC.
    const moves = Date.UTC(2026, 11, 4, 18);
    expect(arrivalOf(p)).toBe(moves);
    expect(portStanding(p, moves - 1).stage).toBe('date confirmed');
    expect(portStanding(p, moves)).toMatchObject({ stage: 'moved', next: null });
  });

  it('tells the day only once it is confirmed', () => {
    expect(portStanding(port(), now).movesAt).toBeNull();
    expect(portStanding(port(), now + 2 * DAY).movesAt).not.toBeNull();
  });

  it.each([
    ['accountNumber', { accountNumber: '12' }],
    ['pin', { pin: '0000' }],
    ['billAddress', { billAddress: 'P.O. Box 12' }],
    ['wantedOn', { wantedOn: '2026-11-25' }],
  ])('is refused for its %s, and can be corrected and sent again', (field, change) => {
    const p = port(change);
    expect(portStanding(p, now + 20 * HOUR)).toMatchObject({ stage: 'checked', refusal: null });
    expect(portStanding(p, now + 26 * HOUR)).toMatchObject({ stage: 'refused', refusal: { field } });
    expect(arrivalOf(p)).toBeNull();
    const again = {
      ...p,
      attempts: [...p.attempts, { at: now + 2 * DAY, facts: { ...facts, wantedOn: '2026-12-07' } }],
    };
    expect(portStanding(again, now + 2 * DAY)).toMatchObject({ stage: 'submitted', refusal: null });
    expect(portStanding(again, now + 30 * DAY).stage).toBe('moved');
  });

  it('is refused while the number is locked there', () => {
    expect(portStanding(port({}, '+13605550199'), now + 2 * DAY)).toMatchObject({ stage: 'refused' });
    expect(stageAfter(port({ provider: 'Tidewater Telecom (unlocked)' }, '+13605550199'), 2 * DAY)).toBe(
      'date confirmed',
    );
  });

  it('can be called off', () => {
    const p = { ...port(), cancelledAt: now + DAY };
    expect(portStanding(p, now + 30 * DAY)).toMatchObject({ stage: 'cancelled', movesAt: null, next: null });
    expect(arrivalOf(p)).toBeNull();
  });

  // 26 November 2026 is a Thursday; five working days after Tuesday 24 November are over on Tuesday 1 December.
  it('needs five working days', () => {
    expect(firstPortDay(now, zone)).toBe('2026-12-01');
  });
});

describe('approval to text', () => {
  const facts: TextingFacts = {
    legalName: 'Lantern Cove Boatworks',
    taxId: '00-0000000',
    website: 'https://lanterncove.example',
    contact: 'rosa@lanterncove.example',
    purpose: 'Tell customers when their boat is ready',
    sample: 'Your boat is ready. Reply STOP to end.',
    consent: 'They tick a box on the order.',
  };
  const text = {
    id: 't',
    way: 'out' as const,
    from: '+13605550142',
    to: '+12065550134',
    text: 'Hello',
    at: now + DAY,
  };

  // Common practice, no source: about two weeks.
  it('takes two weeks, and texts wait for it', () => {
    expect(textingStanding([], now)).toEqual({ stage: 'not asked' });
    const asked = [{ at: now, facts }];
    expect(textingStanding(asked, now + REVIEW_MS - 1).stage).toBe('in review');
    expect(deliveryOf(text, asked, now + REVIEW_MS - 1)).toEqual({ state: 'held' });
    expect(textingStanding(asked, now + REVIEW_MS)).toEqual({ stage: 'approved', since: now + 14 * DAY });
    expect(deliveryOf(text, asked, now + REVIEW_MS)).toEqual({ state: 'delivered', at: now + 14 * DAY });
    const later = { ...text, at: now + 20 * DAY };
    expect(deliveryOf(later, asked, now + 20 * DAY)).toMatchObject({ at: now + 20 * DAY });
  });

  it('is needed where the country wants it, and never for texts that come in', () => {
    expect(deliveryOf({ ...text, from: '+447700900123' }, [], now + DAY)).toMatchObject({
      state: 'delivered',
    });
    expect(deliveryOf({ ...text, way: 'in' }, [], now + DAY)).toMatchObject({ state: 'delivered' });
    expect(carriesTexts({ country: 'US', kind: 'geographic' })).toBe(true);
    expect(carriesTexts({ country: 'GB', kind: 'geographic' })).toBe(false);
    expect(carriesTexts({ country: 'GB', kind: 'mobile' })).toBe(true);
  });

  it.each([
    ['sample', { sample: 'Your boat is ready.' }],
    ['purpose', { purpose: 'News' }],
    ['website', { website: 'none' }],
  ])('is refused for its %s with the reason, and can be asked again', (field, change) => {
    const refused = [{ at: now, facts: { ...facts, ...change } }];
    expect(textingStanding(refused, now + REVIEW_MS)).toMatchObject({ stage: 'refused', field });
    expect(deliveryOf(text, refused, now + REVIEW_MS)).toEqual({ state: 'held' });
    const again = [...refused, { at: now + 15 * DAY, facts }];
    expect(textingStanding(again, now + 30 * DAY).stage).toBe('approved');
  });
});

describe('proving a linked phone', () => {
  const fresh = (code: string, id = code) => ({
    id,
    phoneId: 'dov',
    number: '+13605550188',
    by: 'text' as const,
    code,
  });
  const sent = (code: string, at = now, before: Proof[] = []): Proof[] => {
    const result = sendProof(before, fresh(code), at);
    if (!result.ok) throw new Error(result.message);
    return result.proofs;
  };
  it('takes the code, once, however it is spaced', () => {
    const tried = tryProof(sent('123456'), 'dov', '123 456', now + 1000);
    expect(tried.ok).toBe(true);
    expect(tryProof(tried.proofs, 'dov', '123456', now + 2000)).toMatchObject({
      ok: false,
      message: expect.stringContaining('used already'),
    });
  });
  it('refuses a wrong one, and voids the code after three', () => {
    let proofs = sent('123456');
    for (let i = 0; i < MOST_TRIES; i++) {
      const tried = tryProof(proofs, 'dov', '654321', now + i);
      expect(tried.ok).toBe(false);
      proofs = tried.proofs;
    }
    expect(tryProof(proofs, 'dov', '123456', now + 9)).toMatchObject({
      ok: false,
      message: expect.stringContaining('void'),
    });
    expect(tryProof(sent('123456'), 'dov', 'abc', now).message).toContain('six digits');
    expect(tryProof([], 'dov', '123456', now).message).toContain('No code');
  });
  it('refuses a late one, and an earlier one', () => {
    const proofs = sent('123456');
    expect(tryProof(proofs, 'dov', '123456', now + PROOF_LIFE_MS)).toMatchObject({
      ok: false,
      message: expect.stringContaining('expired'),
    });
    const newer = sent('777777', now + 1000, proofs);
    expect(tryProof(newer, 'dov', '123456', now + 2000).message).toContain('earlier message');
    expect(tryProof(newer, 'dov', '777777', now + 2000).ok).toBe(true);
  });
  it('sends no more than five codes an hour', () => {
    let proofs: Proof[] = [];
    for (let i = 0; i < MOST_SENT; i++) proofs = sent(String(100_000 + i), now + i, proofs);
    expect(sendProof(proofs, fresh('999999'), now + 10)).toMatchObject({ ok: false });
    expect(sendProof(proofs, fresh('999999'), now + HOUR + 10)).toMatchObject({ ok: true });
  });
});
