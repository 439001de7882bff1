import { describe, expect, it } from 'vitest';
import { allOn, edited, yard } from '../../../tests/fixtures/yard';
import type { Command, Standing } from '../system';
import { ACTIVITY, presenceInWords, presenceOf, type Going } from './presence';

const NOW = Date.UTC(2026, 10, 24, 18, 15);
function of(
  commands: Command[] = [],
  standing: (s: Standing) => Standing = (s) => s,
  calls: Going[] = [],
  finishing?: string[],
) {
  const system = edited(yard(), commands);
  const phones = Object.values(system.phones).filter((p) => p.personId === 'rosa');
  const around = { system, standing: standing(allOn(system)), calls, now: NOW };
  return presenceInWords(
    presenceOf(
      system.people.rosa!,
      phones,
      finishing ? { ...around, finishing: new Set(finishing) } : around,
    ),
    (date) => date,
  );
}
const call = (phase: Going['phase'], talkingOn: string | null, from = 'pia-web', rings?: string): Going => ({
  phase,
  ends: talkingOn ? [{ n: 1, phone: talkingOn, personId: null }] : [],
  from: { kind: 'phone', phoneId: from },
  legs: rings ? [{ n: 1, phone: rings, personId: 'rosa', state: 'sounding', confirmByKey: false }] : [],
});
const away = (standInId: string | null): Command[] => [
  { do: 'person.set', id: 'rosa', change: { away: [{ from: '2026-11-24', to: '2026-11-27', standInId }] } },
];

describe('what somebody is doing now', () => {
  it('free, as long as a phone of theirs is on', () => {
    expect(of()).toBe('free');
    const off = (s: Standing, ...ids: string[]): Standing => ({
      ...s,
      registrations: Object.fromEntries(Object.entries(s.registrations).filter(([id]) => !ids.includes(id))),
    });
    expect(of([], (s) => off(s, 'rosa-desk'))).toBe('free');
    expect(of([], (s) => off(s, 'rosa-desk', 'rosa-app'))).toBe('no phone on');
    expect(
      of([
        { do: 'phone.remove', id: 'rosa-desk' },
        { do: 'phone.remove', id: 'rosa-app' },
      ]),
    ).toBe('no phone on');
  });
  it('on a call, whoever called whom', () => {
    expect(of([], undefined, [call('talking', 'rosa-desk')])).toBe('on a call');
    expect(of([], undefined, [call('ringing', null, 'rosa-app')])).toBe('on a call');
    expect(of([], undefined, [call('over', null, 'rosa-app')])).toBe('free');
    expect(of([], undefined, [call('talking', 'idris-desk')])).toBe('free');
  });
  it('not to be disturbed, and away with who stands in', () => {
    expect(of([], (s) => ({ ...s, dnd: { rosa: { value: true, at: 0, by: '' } } }))).toBe(
      'not to be disturbed',
    );
    expect(of(away(null))).toBe('away until 2026-11-27');
    expect(of(away('idris'))).toBe('away until 2026-11-27; Idris Okafor stands in');
  });
  it('the first that holds: talking before ringing before finishing before away before the rest', () => {
    const all = away(null);
    const dnd = (x: Standing): Standing => ({ ...x, dnd: { rosa: { value: true, at: 0, by: '' } } });
    expect(of(all, dnd, [call('talking', 'rosa-desk'), call('ringing', null, 'pia-web', 'rosa-app')])).toBe(
      'on a call',
    );
    expect(of(all, dnd, [call('ringing', null, 'pia-web', 'rosa-app')], ['rosa'])).toBe('ringing');
    expect(of(all, dnd, [], ['rosa'])).toBe('finishing');
    expect(of(all, dnd)).toMatch(/^away/);
  });
  it('quiet hours are not to be disturbed, and working hours that are over are out of hours', () => {
    const quiet = { from: 600, to: 660 };
    expect(of([{ do: 'person.set', id: 'rosa', change: { quiet } }])).toBe('not to be disturbed');
    const early = [{ day: 2, from: 300, to: 360, kind: 'Early' }];
    const hours = { id: 'early', name: 'Early', timeZone: null, weekly: early };
    expect(
      of([
        { do: 'hours.add', value: hours },
        { do: 'person.set', id: 'rosa', change: { hoursId: 'early' } },
      ]),
    ).toBe('out of hours');
  });
  it('a held call is a call', () => {
    const held = call('talking', 'rosa-desk');
    held.ends[0]!.holds = NOW;
    expect(of([], undefined, [held])).toBe('on a call');
  });
  it('names activities of RFC 4480 where it has one (from memory)', () => {
    expect(ACTIVITY.talking).toBe('on-the-phone');
    expect(ACTIVITY.ringing).toBeNull();
  });
});
