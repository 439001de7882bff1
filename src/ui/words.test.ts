import { describe, expect, it } from 'vitest';
import { demonstration } from '../../demo/lantern-cove';
import { emptyStanding, newRegistration } from '../core/system';
import { count, dayText, durationText, fieldText, momentText, priceText } from './format';
import { find } from './find';
import { phoneState } from './pages/phone-state';

const NOW = Date.UTC(2026, 10, 24, 18, 15);
const LA = 'America/Los_Angeles';
const whole = demonstration(NOW);
const system = whole.draft.system;

describe('moments, durations and prices', () => {
  it('are those of the business, wherever the browser is', () => {
    expect(momentText(NOW, LA)).toBe('Tue 24 Nov, 10:15');
    expect(dayText(NOW, LA)).toBe('Tue 24');
    expect(fieldText(NOW, LA)).toBe('2026-11-24T10:15');
    expect(fieldText(Date.UTC(2026, 10, 24, 8), LA)).toBe('2026-11-24T00:00');
  });
  it('are short', () => {
    expect([0, 999, 59_499, 60_000, 130_000].map(durationText)).toEqual([
      '0 s',
      '1 s',
      '59 s',
      '1 min 0 s',
      '2 min 10 s',
    ]);
    expect(priceText(400, 'USD')).toBe('$4.00');
    expect([count(1, 'number'), count(2, 'number'), count(0, 'person', 'people')]).toEqual([
      '1 number',
      '2 numbers',
      '0 people',
    ]);
  });
});

describe('find', () => {
  const titles = (query: string) => find(system, query).map((h) => h.title);
  it('knows numbers in any format, extensions, names and plans', () => {
    expect(titles('(360) 555-0171')).toEqual(['(360) 555-0171']);
    expect(titles('+13605550171')).toEqual(['(360) 555-0171']);
    expect(titles('0171')).toEqual(['(360) 555-0171']);
    expect(titles('207')).toEqual(['Noor Haddad']);
    expect(titles('lindq')).toEqual(['Pia Lindqvist']);
    expect(titles('night')).toEqual(['(360) 555-0160', 'Night watch']);
    expect(titles('office h')).toEqual(['Office hours']);
  });
  it('finds nothing for nothing', () => {
    expect(titles('  ')).toEqual([]);
    expect(titles('<b>')).toEqual([]);
    expect(find(system, 'a').length).toBeLessThanOrEqual(12);
  });
});

describe('where a phone stands', () => {
  const jonah = system.phones['jonah-browser']!;
  const invited = (change: object) => [
    {
      id: 'i',
      businessId: 'b',
      personId: 'jonah',
      phoneId: jonah.id,
      code: '123456',
      to: 'jonah.achterberg@lanterncove.example',
      mailId: null,
      sentAt: NOW,
      expiresAt: NOW + 900_000,
      wrongTries: 0,
      state: 'open' as const,
      ...change,
    },
  ];
  const words = (invitations: ReturnType<typeof invited>, now = NOW + 1000) =>
    phoneState(jonah, emptyStanding(), invitations, now, LA);

  it('is said plainly, with what to do', () => {
    expect(words([])).toEqual({ words: 'not invited yet', on: false, unpaired: true });
    expect(words(invited({})).words).toBe('invited Tue 24 Nov, 10:15, not paired yet');
    expect(words(invited({}), NOW + 900_000).words).toContain('code expired');
    expect(words(invited({ state: 'locked' })).words).toContain('five wrong tries');
    expect(words(invited({ state: 'withdrawn' })).words).toBe('not invited yet');
  });
  it('tells phones that are on from those that are off', () => {
    const standing = {
      ...emptyStanding(),
      registrations: { [jonah.id]: newRegistration({ pairedAt: NOW, online: false }) },
    };
    expect(phoneState(jonah, standing, [], NOW, LA)).toMatchObject({
      on: false,
      unpaired: false,
      words: expect.stringContaining('window is closed'),
    });
    const mobile = system.phones['dov-linked-mobile']!;
    expect(phoneState(mobile, standing, [], NOW, LA)).toMatchObject({
      on: false,
      unpaired: false,
      words: expect.stringContaining('not proved'),
    });
    const proved = { ...standing, proved: { [mobile.id]: { number: mobile.number!, at: NOW } } };
    expect(phoneState(mobile, proved, [], NOW, LA)).toMatchObject({ on: true, unpaired: false });
  });
});
