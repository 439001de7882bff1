/** What a star code dialled on a phone changes, and for whom. */
import { describe, expect, it } from 'vitest';
import { allOn, edited, yard } from '../../../../tests/fixtures/yard';
import { rehearse, settingsOf, type CallRequest } from '..';
import { CallEngine } from '../engine/engine';

const system = edited(yard(), [
  {
    do: 'group.add',
    value: { id: 'crew', name: 'Crew', extension: '230', members: [], pattern: 'together', seconds: 18 },
  },
]);
const standing = allOn(system);
const dialled = (digits: string, phoneId = 'rosa-desk', at = 5000): CallRequest => ({
  id: `${digits} ${at}`,
  at,
  from: { kind: 'phone', phoneId },
  to: { kind: 'digits', digits },
  behaviour: null,
});
const made = (digits: string, phoneId?: string) => {
  const request = dialled(digits, phoneId);
  return settingsOf(system, { request, trace: rehearse(system, standing, request) }, 9000);
};

it.each([
  ['*78', { kind: 'do not disturb', personId: 'rosa', on: true, until: null }],
  ['*79', { kind: 'do not disturb', personId: 'rosa', on: false, until: null }],
  ['*72203', { kind: 'person', personId: 'rosa', values: { always: { to: 'person', personId: 'pia' } } }],
  ['*72230', { kind: 'person', personId: 'rosa', values: { always: { to: 'group', groupId: 'crew' } } }],
  [
    '*7292065550111',
    { kind: 'person', personId: 'rosa', values: { always: { to: 'outside', number: '+12065550111' } } },
  ],
  ['*73', { kind: 'person', personId: 'rosa', values: { always: null } }],
  ['*90203', { kind: 'person', personId: 'rosa', values: { onBusy: { to: 'person', personId: 'pia' } } }],
  ['*91', { kind: 'person', personId: 'rosa', values: { onBusy: null } }],
  [
    '*92203',
    { kind: 'person', personId: 'rosa', values: { onNotAnswered: { to: 'person', personId: 'pia' } } },
  ],
  ['*93', { kind: 'person', personId: 'rosa', values: { onNotAnswered: null } }],
])('%s', (digits, setting) => {
  expect(made(digits)).toEqual({
    settings: [setting],
    stamp: { at: 9000, by: `Rosa Delgado · Desk phone, by ${digits.slice(0, 3)}` },
  });
});

describe('nothing is changed', () => {
  const nothing = { settings: [], stamp: { at: 9000, by: '' } };
  it('by a code that is refused', () => {
    expect(made('*72')).toEqual(nothing);
    expect(made('*72201')).toEqual(nothing);
  });
  it('from a phone that belongs to nobody, or that nobody knows', () => {
    const shared = edited(system, [{ do: 'phone.set', id: 'rosa-desk', change: { personId: null } }]);
    const request = dialled('*78');
    const trace = rehearse(shared, standing, request);
    expect(settingsOf(shared, { request, trace }, 9000)).toEqual(nothing);
    expect(settingsOf(system, { request: dialled('*78', 'nobody'), trace }, 9000)).toEqual(nothing);
  });
  it('by any other call, or from outside', () => {
    expect(made('203')).toEqual(nothing);
    const request = dialled('*78');
    const trace = rehearse(system, standing, request);
    const outside: CallRequest = { ...request, from: { kind: 'outside', number: null } };
    expect(settingsOf(system, { request: outside, trace }, 9000)).toEqual(nothing);
    expect(settingsOf(system, { request, trace: trace.slice(0, 1) }, 9000)).toEqual(nothing);
  });
});

it('linked phones rest and ring again, those of whoever dialled alone', () => {
  const linked = edited(system, [
    {
      do: 'business.set',
      change: {
        starCodes: [
          { code: '*81', does: 'linked phones off' },
          { code: '*82', does: 'linked phones on' },
        ],
      },
    },
    { do: 'phone.set', id: 'tomas-cell', change: { personId: 'rosa' } },
  ]);
  const of = (digits: string) => {
    const request = dialled(digits);
    return settingsOf(linked, { request, trace: rehearse(linked, standing, request) }, 9000).settings;
  };
  expect(of('*81')).toEqual([{ kind: 'resting', phoneId: 'tomas-cell', on: true, until: null }]);
  expect(of('*82')).toEqual([{ kind: 'resting', phoneId: 'tomas-cell', on: false, until: null }]);
});

it('a code without a target sends calls where they were sent last by it, and not by another', () => {
  const engine = new CallEngine(system, standing);
  const dial = (digits: string, at: number, phoneId?: string) => {
    const request = dialled(digits, phoneId, at);
    engine.act(at, { kind: 'place', request });
    engine.advance(at);
    return engine.calls.get(request.id)!.trace.at(-1);
  };
  dial('*72203', 5000);
  dial('*90202', 6000);
  expect(dial('*72', 7000)).toMatchObject({ outcome: { to: { to: 'person', personId: 'pia' } } });
  expect(dial('*90', 8000)).toMatchObject({ outcome: { to: { to: 'person', personId: 'idris' } } });
  expect(dial('*92', 9000)).toMatchObject({
    outcome: { refused: 'dial where calls are to go behind *92' },
  });
  // Somebody else has dialled nothing yet.
  expect(dial('*72', 9500, 'idris-desk')).toMatchObject({
    outcome: { refused: expect.any(String) as string },
  });
});
