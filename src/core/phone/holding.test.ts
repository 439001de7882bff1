/** What holds by hand: told with who, since and until when, and ended by what is told to end it. */
import { describe, expect, it } from 'vitest';
import { allOn, edited, yard } from '../../../tests/fixtures/yard';
import { momentOf } from '../hours';
import { emptyStanding, newQueue, settle, type Command, type Setting, type Standing } from '../system';
import { holdingNow } from '.';

const ZONE = 'America/Los_Angeles';
const NOW = momentOf(ZONE, '2026-11-24', 615);
const at = (date: string, minute = 0) => momentOf(ZONE, date, minute);
const plain = yard();
/** The yard as people have set it, one after the other. */
function set(
  settings: Setting[],
  commands: Command[] = [],
  now = NOW,
): { system: typeof plain; standing: Standing } {
  const system = edited(plain, commands);
  const standing = settings.reduce<Standing>(
    (s, setting) =>
      settle(s, setting, { at: now - 60_000, by: 'Rosa Delgado, on this phone' }, system).standing,
    allOn(system),
  );
  return { system, standing };
}
const holding = (settings: Setting[], commands: Command[] = [], now = NOW) => {
  const { system, standing } = set(settings, commands, now);
  return holdingNow(system, standing, now);
};
const rosa = (values: Extract<Setting, { kind: 'person' }>['values']): Setting => ({
  kind: 'person',
  personId: 'rosa',
  values,
});
const QUEUE: Command = { do: 'queue.add', value: newQueue({ id: 'q', name: 'Desk', memberIds: ['rosa'] }) };

it('is nothing where nobody set anything', () => {
  expect(holdingNow(plain, emptyStanding(), NOW)).toEqual([]);
});

const CASES: [string, Setting[], Command[], string, number | null][] = [
  [
    'all calls sent on',
    [rosa({ always: { to: 'person', personId: 'idris' } })],
    [],
    'Rosa Delgado sends all calls on to Idris Okafor',
    null,
  ],
  [
    'all calls sent on until this evening',
    [rosa({ always: { to: 'person', personId: 'idris' }, alwaysUntil: NOW + 3_600_000 })],
    [],
    'Rosa Delgado sends all calls on to Idris Okafor',
    NOW + 3_600_000,
  ],
  [
    'do not disturb for an hour',
    [{ kind: 'do not disturb', personId: 'rosa', on: true, until: NOW + 3_600_000 }],
    [],
    'Rosa Delgado is not to be disturbed',
    NOW + 3_600_000,
  ],
  [
    'away with a stand-in, until the day after the last',
    [rosa({ away: [{ from: '2026-11-23', to: '2026-11-27', standInId: 'pia' }] })],
    [],
    'Rosa Delgado is away; Pia Lindqvist is rung instead',
    at('2026-11-28'),
  ],
  [
    'a phone that does not ring',
    [{ kind: 'resting', phoneId: 'rosa-desk', on: true, until: null }],
    [],
    'Rosa Delgado · Desk phone does not ring',
    null,
  ],
  [
    'a pause',
    [{ kind: 'paused', personId: 'rosa', reason: 'a meal' }],
    [QUEUE],
    'Rosa Delgado takes no calls of queues: a meal',
    null,
  ],
  [
    'logged out of a queue',
    [{ kind: 'logged in', queueId: 'q', personId: 'rosa', on: false }],
    [QUEUE],
    'Rosa Delgado is logged out of Desk',
    null,
  ],
];

describe('what somebody set', () => {
  it.each(CASES)('%s', (_, settings, commands, words, until) => {
    const [found, ...others] = holding(settings, commands);
    expect(others).toEqual([]);
    expect(`${found!.who} ${found!.what}`).toBe(words);
    expect(found).toMatchObject({ by: 'Rosa Delgado, on this phone', since: NOW - 60_000, until });
  });
  it.each(CASES)('%s is ended by what is told to end it', (_, settings, commands) => {
    const { system, standing } = set(settings, commands);
    const { end } = holdingNow(system, standing, NOW)[0]!;
    if (end.by !== 'setting') throw new Error('It is ended by a setting.');
    const after = settle(standing, end.setting, { at: NOW, by: 'the overview' }, system).standing;
    expect(holdingNow(system, after, NOW)).toEqual([]);
  });
  it('do not disturb that has run out holds no longer', () => {
    expect(holding([{ kind: 'do not disturb', personId: 'rosa', on: true, until: NOW }])).toEqual([]);
  });
  it('an absence that is ended keeps its days that are over, and other absences', () => {
    const later = { from: '2026-12-07', to: '2026-12-08', standInId: null };
    const { system, standing } = set([
      rosa({ away: [{ from: '2026-11-23', to: '2026-11-27', standInId: null }, later] }),
    ]);
    const { end } = holdingNow(system, standing, NOW)[0]!;
    expect(end.by === 'setting' && end.setting).toMatchObject({
      values: { away: [{ from: '2026-11-23', to: '2026-11-23', standInId: null }, later] },
    });
  });
  it('what stands in the document has no one who set it', () => {
    const commands: Command[] = [
      {
        do: 'person.set',
        id: 'rosa',
        change: { away: [{ from: '2026-11-24', to: '2026-11-24', standInId: null }] },
      },
    ];
    expect(holding([], commands)).toMatchObject([
      { by: null, since: null, what: 'is away; nobody is rung instead' },
    ]);
  });
});

describe('quiet hours', () => {
  const quiet = (from: number, to: number, wholeDays?: number[]) =>
    rosa({ quiet: { from, to, ...(wholeDays ? { wholeDays } : {}) } });
  it('hold until they end, over midnight too', () => {
    expect(holding([quiet(600, 660)])).toMatchObject([
      { what: 'has quiet hours, 10:00 to 11:00', until: at('2026-11-24', 660) },
    ]);
    const night = momentOf(ZONE, '2026-11-24', 1400);
    expect(holding([quiet(1320, 360)], [], night)).toMatchObject([{ until: at('2026-11-25', 360) }]);
    expect(holding([quiet(1320, 360)])).toEqual([]);
  });
  it('of whole days until the first that is not, by a night of 25 hours too', () => {
    // Clocks go back on Sunday 1 November 2026.
    const saturday = momentOf(ZONE, '2026-10-31', 720);
    expect(holding([quiet(0, 0, [6, 7])], [], saturday)).toMatchObject([
      { what: 'has quiet hours, all of Sat, Sun', until: at('2026-11-02') },
    ]);
    expect(at('2026-11-02') - at('2026-10-31')).toBe(49 * 3_600_000);
  });
  it('without an end have none', () => {
    expect(holding([quiet(0, 0, [1, 2, 3, 4, 5, 6, 7])])).toMatchObject([{ until: null }]);
  });
});

describe('hours, rotas and what is planned', () => {
  it('closed now until', () => {
    const standing: Standing = {
      ...allOn(plain),
      overrides: {
        office: { value: { kind: null, from: NOW - 1, until: NOW + 1000 }, at: NOW - 1, by: 'Rosa Delgado' },
      },
    };
    expect(holdingNow(plain, standing, NOW)).toMatchObject([
      {
        who: 'Office hours',
        what: 'are closed, whatever they say',
        until: NOW + 1000,
        end: { by: 'hours', hoursId: 'office' },
      },
    ]);
    expect(holdingNow(plain, standing, NOW + 1000)).toEqual([]);
  });
  it('a swap, the later of two', () => {
    const rota: Command = {
      do: 'rota.add',
      value: {
        id: 'r',
        name: 'Night watch',
        timeZone: null,
        from: '2026-11-02',
        handover: 480,
        days: 7,
        turns: ['rosa'],
        swaps: [
          { from: '2026-11-24T08:00', to: '2026-11-25T08:00', personId: 'idris' },
          { from: '2026-11-24T09:00', to: '2026-11-24T12:00', personId: null },
        ],
      },
    };
    expect(holding([], [rota])).toMatchObject([
      { who: 'Night watch', what: 'nobody has it by a swap', until: at('2026-11-24', 720) },
    ]);
  });
  it('the draft that goes in force by itself', () => {
    const standing = { ...allOn(plain), planned: { at: NOW + 5000, revision: '1', by: 'Rosa Delgado' } };
    expect(holdingNow(plain, standing, NOW)).toMatchObject([
      { who: 'The draft', until: NOW + 5000, end: { by: 'planned' } },
    ]);
  });
});
