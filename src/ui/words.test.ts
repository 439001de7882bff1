import { describe, expect, it } from 'vitest';
import { demonstration } from '../../demo/lantern-cove';
import { emptyStanding, newRegistration } from '../core/system';
import { count, dayText, durationText, fieldText, momentText, priceText } from './format';
import { agoText } from './format';
import { filterPeople, searchable } from './people/filter';
import { whereItStands, type Known } from './phones/where';
import type { Phone } from '../core/system';
import type { Invitation } from '../workspace';

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

describe('where a phone stands', () => {
  const jonah = system.phones['jonah-browser']!;
  const desk = system.phones['rosa-desk']!;
  const invitation = (change: object = {}): Invitation => ({
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
    state: 'open',
    ...change,
  });
  const stands = (phone: Phone, change: Partial<Known> = {}) =>
    whereItStands(phone, phone.personId, {
      standing: emptyStanding(),
      invitations: [],
      delivery: () => ({ state: 'arrived', words: '' }),
      now: NOW + 120_000,
      zone: LA,
      ...change,
    });

  it('an invitation is said with its age and what to do', () => {
    expect(stands(jonah)).toMatchObject({
      stage: 'not invited',
      unpaired: true,
      todo: 'Send an invitation.',
    });
    const invited = (change: object, more: Partial<Known> = {}) =>
      stands(jonah, { invitations: [invitation(change)], ...more });
    expect(invited({})).toMatchObject({
      stage: 'invited',
      words: 'invited 2 minutes ago',
      problem: 'Not paired yet',
    });
    expect(invited({}, { now: NOW + 900_000 }).problem).toBe('Code ran out Tue 24 Nov, 10:30');
    expect(invited({ state: 'locked' }).problem).toContain('five wrong tries');
    expect(invited({ state: 'withdrawn' }).words).toBe('invitation taken back');
    expect(invited({}, { delivery: () => ({ state: 'came back', words: '5.1.1 nobody' }) })).toMatchObject({
      problem: 'The mail came back',
      todo: '5.1.1 nobody',
    });
  });
  it('phones that are on are told from those that are off, and from where they are used', () => {
    const online = (change: object) =>
      stands(jonah, {
        standing: {
          ...emptyStanding(),
          registrations: { [jonah.id]: newRegistration({ pairedAt: NOW, ...change }) },
        },
      });
    expect(online({})).toMatchObject({ stage: 'registered', on: true, place: 'in the office', problem: '' });
    expect(online({ online: false })).toMatchObject({
      stage: 'paired',
      on: false,
      problem: 'Its window is closed',
    });
    expect(online({ outside: true })).toMatchObject({
      on: false,
      place: 'outside',
      problem: 'Used outside, where it may not ring',
    });
    const gone = online({ standIn: true, condition: 'no network', conditionSince: NOW + 60_000 });
    expect(gone.problem).toMatch(/^It has no network; calls go to it in vain for \d+ min \d+ s more$/);
    expect(gone.on).toBe(false);
  });
  it('desk phones by their account', () => {
    expect(stands(desk)).toMatchObject({ words: 'no account yet', unpaired: false });
    const account = {
      user: 'p1',
      ha1: { MD5: '', 'SHA-256': '' },
      madeAt: NOW,
      wrongTries: 0,
      lockedUntil: NOW + 1e6,
    };
    const standing = { ...emptyStanding(), accounts: { [desk.id]: account } };
    expect(stands(desk, { standing })).toMatchObject({
      stage: 'invited',
      problem: 'Locked after wrong passwords',
    });
  });
  it('a linked phone by its proof', () => {
    const mobile = system.phones['dov-linked-mobile']!;
    expect(stands(mobile)).toMatchObject({ on: false, words: 'linked, not proved' });
    const proved = { ...emptyStanding(), proved: { [mobile.id]: { number: mobile.number!, at: NOW } } };
    expect(stands(mobile, { standing: proved })).toMatchObject({ on: true, unpaired: false, problem: '' });
  });
});

describe('how long ago', () => {
  it.each([
    [0, 'just now'],
    [-44_000, 'just now'],
    [20_000, 'in a moment'],
    [-90_000, '1 minute ago'],
    [-7_200_000, '2 hours ago'],
    [3 * 86_400_000, 'in 3 days'],
  ])('%i ms', (ms, words) => expect(agoText(NOW + ms, NOW)).toBe(words));
});

describe('people in the table', () => {
  const shown = (query: string) => filterPeople(searchable(system), query).map((s) => s.person.id);
  it('are found by any word of theirs: name, extension, site, number', () => {
    expect(shown('ros')).toEqual(['rosa']);
    expect(shown('winter')).toEqual(['wren', 'jonah']);
    expect(shown('21 store')).toEqual(['wren', 'jonah']);
    expect(shown('5550188')).toEqual(['dov']);
    expect(shown('nobody')).toEqual([]);
    expect(shown('  ')).toHaveLength(Object.keys(system.people).length);
  });
});
