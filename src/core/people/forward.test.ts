import { describe, expect, it } from 'vitest';
import { allOn, edited, yard } from '../../../tests/fixtures/yard';
import { outcomeOf, rehearse, settingsOf, type CallState } from '../calls';
import type { StarCode, System } from '../system';
import { readTarget } from './forward';

const system = edited(yard(), [
  {
    do: 'group.add',
    value: { id: 'crew', name: 'Crew', extension: '230', members: [], pattern: 'together', seconds: 18 },
  },
]);
const read = (typed: string, personId = 'rosa', from: System = system) => readTarget(typed, from, personId);

describe('where calls are sent on to', () => {
  it.each(['203', ' 203 '])('%j is a colleague', (typed) => {
    expect(read(typed)).toEqual({ ok: true, target: { to: 'person', personId: 'pia' } });
  });
  it('230 is a group', () => {
    expect(read('230')).toEqual({ ok: true, target: { to: 'group', groupId: 'crew' } });
  });
  it.each(['206-555-0111', '(206) 555 0111', '+1 206.555.0111', 'tel:+12065550111', '1 206 555 0111'])(
    '%j is an outside number',
    (typed) => {
      expect(read(typed)).toEqual({ ok: true, target: { to: 'outside', number: '+12065550111' } });
    },
  );
  it('leaves off the digit for an outside line, and says so', () => {
    expect(read('9 206 555 0111')).toMatchObject({
      ok: true,
      target: { number: '+12065550111' },
      note: expect.stringContaining('9 for an outside line') as string,
    });
  });
  it.each([
    ['', 'Type an extension'],
    ['201', 'yourself'],
    ['911', 'emergency number'],
    ['9911', 'emergency number'],
    ['299', 'Nobody has extension 299'],
    ['206 555', 'no telephone number'],
    ['206 555 01', 'too short'],
    ['(360) 555-0142', 'your own Main line'],
    // Premium-rate numbers of North America have the area code 900 (NANPA).
    ['+1 900 234 5678', 'premium-rate'],
  ])('%j is refused: %s', (typed, why) => {
    const result = read(typed);
    expect(result.ok ? 'taken' : result.message).toContain(why);
  });
  it('refuses a circle, and names its way', () => {
    const reach = system.people.pia!.reach;
    const circle = edited(system, [
      {
        do: 'person.set',
        id: 'pia',
        change: { reach: { ...reach, always: { to: 'person', personId: 'idris' } } },
      },
      {
        do: 'person.set',
        id: 'idris',
        change: { reach: { ...reach, always: { to: 'person', personId: 'rosa' } } },
      },
    ]);
    const result = read('203', 'rosa', circle);
    expect(result.ok ? '' : result.message).toContain(
      'Rosa Delgado → Pia Lindqvist → Idris Okafor → Rosa Delgado',
    );
  });
});

describe('star codes', () => {
  const dial = (digits: string, phoneId = 'rosa-desk') => {
    const codes: StarCode[] = [
      ...system.business.starCodes,
      { code: '*95', does: 'linked phones off' },
      { code: '*94', does: 'linked phones on' },
    ];
    const own = { ...system, business: { ...system.business, starCodes: codes } };
    const request = {
      id: 'c',
      at: 1_000_000,
      from: { kind: 'phone' as const, phoneId },
      to: { kind: 'digits' as const, digits },
      behaviour: null,
    };
    const trace = rehearse(own, allOn(own), request);
    const { settings, stamp } = settingsOf(own, { request, trace } as unknown as CallState, 1_000_000);
    return { outcome: outcomeOf(trace)!.outcome, settings, stamp };
  };
  const forwarding = system.business.starCodes.find((c) => c.does === 'forwarding on')!.code;
  const stop = system.business.starCodes.find((c) => c.does === 'forwarding off')!.code;

  it.each([
    ['203', { to: 'person', personId: 'pia' }],
    ['230', { to: 'group', groupId: 'crew' }],
    ['92065550111', { to: 'outside', number: '+12065550111' }],
    ['912065550111', { to: 'outside', number: '+12065550111' }],
  ])('forwarding with %s behind the code', (rest, always) => {
    const { settings, stamp } = dial(forwarding + rest);
    expect(settings).toEqual([{ kind: 'person', personId: 'rosa', values: { always } }]);
    expect(stamp.by).toBe(`Rosa Delgado · Desk phone, by ${forwarding}`);
  });
  it('forwarding ends by its code', () => {
    expect(dial(stop).settings).toEqual([{ kind: 'person', personId: 'rosa', values: { always: null } }]);
  });
  it.each([
    ['*90203', { onBusy: { to: 'person', personId: 'pia' } }],
    ['*91', { onBusy: null }],
    ['*92230', { onNotAnswered: { to: 'group', groupId: 'crew' } }],
    ['*93', { onNotAnswered: null }],
  ])('%s sends on only some calls, and no longer', (digits, values) => {
    expect(dial(digits).settings).toEqual([{ kind: 'person', personId: 'rosa', values }]);
  });
  it.each([
    [forwarding + '201', 'yourself'],
    [forwarding, 'dial where calls are to go'],
    [forwarding + '93605550142', 'your own Main line'],
  ])('%s changes nothing and says why', (digits, why) => {
    const { outcome, settings } = dial(digits);
    expect(settings).toEqual([]);
    expect(outcome).toMatchObject({ kind: 'feature', refused: expect.stringContaining(why) as string });
  });
  it('an emergency number behind the code is never a forward', () => {
    expect(dial(forwarding + '911')).toMatchObject({
      outcome: { kind: 'not in service' },
      settings: [],
    });
  });
  it('linked phones are switched off and on', () => {
    expect(dial('*95', 'tomas-cell').settings).toEqual([
      { kind: 'resting', phoneId: 'tomas-cell', on: true, until: null },
    ]);
    expect(dial('*94', 'tomas-cell').settings).toMatchObject([{ on: false }]);
  });
});
