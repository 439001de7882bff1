import { describe, expect, it } from 'vitest';
import { exceptionsFrom, swapsFrom } from '.';

const people = [
  { id: 'rosa', name: 'Rosa Delgado' },
  { id: 'pia', name: 'Pia Lindqvist' },
];

describe('a rota read from a calendar', () => {
  it('takes whole days to the midnight after them, times as they are, names in any letters', () => {
    expect(
      swapsFrom(
        [
          { name: 'rosa delgado', days: { from: '2027-02-27', to: '2027-02-28' } },
          { name: 'Pia Lindqvist', times: { from: '2027-03-01T08:00', to: '2027-03-01T17:00' } },
        ],
        people,
      ),
    ).toEqual({
      swaps: [
        { from: '2027-02-27T00:00', to: '2027-03-01T00:00', personId: 'rosa' },
        { from: '2027-03-01T08:00', to: '2027-03-01T17:00', personId: 'pia' },
      ],
      unknown: [],
    });
  });
  it('says once whom nobody here is called', () => {
    const day = { days: { from: '2027-02-27', to: '2027-02-27' } };
    expect(
      swapsFrom(
        [
          { name: 'Jo', ...day },
          { name: 'Jo', ...day },
        ],
        people,
      ),
    ).toEqual({
      swaps: [],
      unknown: ['Jo'],
    });
  });
});

describe('exceptions read from a calendar', () => {
  const times = (from: string, to: string) => ({ times: { from, to } });
  it('are closed on whole days; single days of a name stand together', () => {
    const days = (from: string, to = from) => ({ name: 'Day off', days: { from, to } });
    expect(
      exceptionsFrom([days('2027-01-04'), days('2027-01-08'), days('2027-02-01', '2027-02-05')], 'Open').list,
    ).toEqual([
      {
        name: 'Day off',
        when: { on: 'dates', dates: ['2027-01-04', '2027-01-08'] },
        times: [],
        holiday: null,
      },
      {
        name: 'Day off',
        when: { on: 'range', from: '2027-02-01', to: '2027-02-05' },
        times: [],
        holiday: null,
      },
    ]);
  });
  it('are open at the times of a day, also up to midnight', () => {
    const { list } = exceptionsFrom(
      [
        { name: 'Fair', ...times('2027-06-05T09:30', '2027-06-05T18:00') },
        { name: 'Late', ...times('2027-06-06T20:00', '2027-06-07T00:00') },
      ],
      'Summer',
    );
    expect(list).toMatchObject([
      { when: { dates: ['2027-06-05'] }, times: [{ day: null, from: 570, to: 1080, kind: 'Summer' }] },
      { when: { dates: ['2027-06-06'] }, times: [{ from: 1200, to: 1440 }] },
    ]);
  });
  it('leave out what goes over midnight, and say so; an event without length is nothing', () => {
    const { list, skipped } = exceptionsFrom(
      [
        { name: 'Party', ...times('2027-06-05T20:00', '2027-06-06T02:00') },
        { name: 'Bell', ...times('2027-06-05T09:00', '2027-06-05T09:00') },
      ],
      'Open',
    );
    expect([list, skipped]).toEqual([[], ['Party']]);
  });
  it('are as many as a set may have, and the rest is counted', () => {
    const events = Array.from({ length: 205 }, (_, i) => ({
      name: `Day ${i}`,
      days: { from: '2027-01-04', to: '2027-01-04' },
    }));
    const { list, more } = exceptionsFrom(events, 'Open');
    expect([list.length, more]).toEqual([200, 5]);
  });
});
