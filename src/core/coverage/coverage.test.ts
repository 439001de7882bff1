import { describe, expect, it } from 'vitest';
import { allOn, edited, yard } from '../../../tests/fixtures/yard';
import { rehearse, sentence } from '../calls';
import { momentOf } from '../hours';
import { differenceOf, differencesOf, endsWell, firstRung, piecesOf, unansweredCall } from '.';

const LA = 'America/Los_Angeles';
const system = edited(yard(), [
  {
    do: 'person.set',
    id: 'rosa',
    change: {
      quiet: { from: 960, to: 540 },
      away: [{ from: '2026-11-26', to: '2026-11-26', standInId: null }],
    },
  },
]);
const standing = allOn(system);
const main = system.numbers.main!;
const monday = momentOf(LA, '2026-11-23', 0);
const WEEK = 7 * 86_400_000;

describe('coverage', () => {
  it('is without gaps, and right at every minute and around every cut', () => {
    const pieces = piecesOf(system, standing, main, monday, monday + WEEK);
    expect(pieces[0]!.from).toBe(monday);
    expect(pieces.at(-1)!.to).toBe(monday + WEEK);
    for (const [i, p] of pieces.entries()) if (i) expect(p.from).toBe(pieces[i - 1]!.to);
    const asked = (t: number) => JSON.stringify(rehearse(system, standing, unansweredCall(main, t)));
    const said = (t: number) => JSON.stringify(pieces.find((p) => p.from <= t && t < p.to)!.trace);
    for (let t = monday; t < monday + WEEK; t += 251_000) expect(said(t)).toBe(asked(t));
    for (const { from } of pieces.slice(1))
      for (const t of [from - 1, from, from + 1]) expect(said(t)).toBe(asked(t));
  });

  it.each(['2027-03-13', '2027-11-06'])('is right through the night the clocks change (%s)', (date) => {
    const night = edited(system, [
      { do: 'hours.set', id: 'office', change: { weekly: [{ day: 7, from: 60, to: 150, kind: 'Open' }] } },
    ]);
    const from = momentOf(LA, date, 0);
    const pieces = piecesOf(night, standing, main, from, from + 3 * 86_400_000);
    for (let t = from; t < from + 3 * 86_400_000; t += 61_000)
      expect(JSON.stringify(pieces.find((p) => p.from <= t && t < p.to)!.trace)).toBe(
        JSON.stringify(rehearse(night, standing, unansweredCall(main, t))),
      );
  });

  it('says who is rung first and where it ends', () => {
    const at = (minute: number) => rehearse(system, standing, unansweredCall(main, monday + minute * 60_000));
    expect(firstRung(at(600), system)).toEqual({ kind: 'group', label: 'Rosa and Idris' });
    expect(firstRung(at(1000), system)).toEqual({ kind: 'person', label: 'Idris' });
    expect(firstRung(at(1200), system)).toEqual({ kind: 'message', label: 'Voicemail Front desk' });
    expect(endsWell(at(600))).toBe('message');
  });
});

describe('the difference', () => {
  it('is nothing when no caller notices', () => {
    const after = edited(system, [{ do: 'person.set', id: 'pia', change: { name: 'Pia L.' } }]);
    expect(differenceOf(system, after, standing, monday).found).toEqual([]);
  });

  it('joins repeated days and says before and after', () => {
    const step = {
      id: 'ring-front',
      kind: 'ring' as const,
      targets: [{ kind: 'person' as const, id: 'idris' }],
      pattern: 'together' as const,
      seconds: 24,
      followReach: false,
    };
    const after = edited(yard(), [{ do: 'step.set', planId: 'main-plan', step }]);
    const found = differenceOf(yard(), after, standing, monday).found;
    expect(found).toHaveLength(1);
    expect(found[0]).toMatchObject({
      label: 'Main line',
      when: 'Mon–Fri 08:00–17:00',
      before: expect.stringContaining('rings Rosa Delgado and Idris Okafor 18 s'),
      after: expect.stringContaining('rings Idris Okafor 24 s'),
    });
    expect(sentence(found[0]!.afterTrace!, after)).toBe(found[0]!.after);
  });

  it('tells of numbers that come and go', () => {
    const gone = edited(system, [{ do: 'number.remove', id: 'rosa-number' }]);
    expect(
      differenceOf(system, gone, standing, monday).found.every(
        (d) => d.label === 'Rosa direct' && d.after === null,
      ),
    ).toBe(true);
    const come = differenceOf(gone, system, standing, monday).found;
    expect(come.length).toBeGreaterThan(0);
    expect(come.every((d) => d.before === null)).toBe(true);
  });
});

describe('what differs later in the year', () => {
  const base = yard();
  const christmas = edited(base, [
    {
      do: 'hours.set',
      id: 'office',
      change: {
        exceptions: [
          {
            id: 'x',
            name: 'Christmas Day',
            when: { on: 'dates', dates: ['2026-12-25'] },
            times: [],
            holiday: null,
          },
        ],
      },
    },
  ]);
  const tuesday = momentOf('America/Los_Angeles', '2026-11-24', 600);
  it('names the days, with what callers get then, and not what the week says already', () => {
    expect(differenceOf(base, christmas, allOn(base), tuesday).found).toEqual([]);
    const later = differencesOf(base, christmas, allOn(base), tuesday).later;
    expect(later.map((d) => [d.numberId, d.when])).toEqual([['main', 'Fri 25 Dec 2026']]);
    expect(later[0]!.before).toContain('rings Rosa Delgado');
    expect(later[0]!.after).toContain('plays “Closed”');
  });
  it('is nothing where every week changes alike', () => {
    const longer = edited(base, [
      {
        do: 'hours.set',
        id: 'office',
        change: { weekly: [1, 2, 3, 4, 5].map((day) => ({ day, from: 480, to: 1080, kind: 'Open' })) },
      },
    ]);
    expect(differenceOf(base, longer, allOn(base), tuesday).found).toHaveLength(1);
    expect(differencesOf(base, longer, allOn(base), tuesday).later).toEqual([]);
  });
  it('joins days that follow each other, and counts what would be too many to name', () => {
    const season = edited(base, [
      {
        do: 'hours.set',
        id: 'office',
        change: {
          exceptions: [
            {
              id: 's',
              name: 'Summer',
              when: { on: 'yearly', from: '07-01', to: '07-31' },
              times: [{ day: null, from: 0, to: 1440, kind: 'Open' }],
              holiday: null,
            },
          ],
        },
      },
    ]);
    expect(differencesOf(base, season, allOn(base), tuesday).later[0]!.when).toBe(
      'Thu 1 Jul 2027 to Sat 31 Jul 2027',
    );
  });
});
