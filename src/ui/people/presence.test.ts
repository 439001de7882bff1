import { describe, expect, it } from 'vitest';
import { allOn, edited, yard } from '../../../tests/fixtures/yard';
import type { Command, Standing } from '../../core/system';
import type { LiveCall } from '../../exchange';
import { presenceOf } from './presence';

const NOW = Date.UTC(2026, 10, 24, 18, 15);
function of(
  commands: Command[] = [],
  standing: (s: Standing) => Standing = (s) => s,
  calls: Partial<LiveCall>[] = [],
) {
  const system = edited(yard(), commands);
  const phones = Object.values(system.phones).filter((p) => p.personId === 'rosa');
  const state = { system, standing: standing(allOn(system)), calls: calls as LiveCall[], now: NOW };
  return presenceOf(system.people.rosa!, phones, state).words;
}
const call = (phase: LiveCall['phase'], talkingOn: string | null, from = 'pia-web'): Partial<LiveCall> => ({
  phase,
  ends: talkingOn ? [{ n: 1, phone: talkingOn, personId: null }] : [],
  from: { kind: 'phone', phoneId: from },
  request: {
    id: 'c',
    at: 0,
    from: { kind: 'phone', phoneId: from },
    to: { kind: 'digits', digits: '201' },
    behaviour: null,
  },
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
    ).toBe('no phone');
  });
  it('on a call, whoever called whom', () => {
    expect(of([], undefined, [call('talking', 'rosa-desk')])).toBe('on a call');
    expect(of([], undefined, [call('ringing', null, 'rosa-app')])).toBe('on a call');
    expect(of([], undefined, [call('over', null, 'rosa-app')])).toBe('free');
    expect(of([], undefined, [call('talking', 'idris-desk')])).toBe('free');
  });
  it('do not disturb, and away with who stands in', () => {
    expect(of([], (s) => ({ ...s, dnd: { rosa: { value: true, at: 0, by: '' } } }))).toBe('do not disturb');
    expect(of(away(null))).toBe('away until Fri 27 Nov 2026');
    expect(of(away('idris'))).toBe('away until Fri 27 Nov 2026; Idris Okafor stands in');
  });
});
