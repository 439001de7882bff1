/** Meetings a phone is told of: its person's own, with the way in that is theirs. */
import { describe, expect, it } from 'vitest';
import { demonstration } from '../../../../demo/lantern-cove';
import type { Meeting } from '../../meetings';
import { meetingsKnown, MEETINGS_TOLD } from '.';

const NOW = Date.UTC(2026, 10, 24, 18, 15);
const { system } = demonstration(NOW).versions[0]!;
const HOUR = 3_600_000;
const guest = (personId: string | null, answer: 'asked' | 'declined' = 'asked') => ({
  personId,
  name: personId ?? 'Ada',
  address: `${personId ?? 'ada'}@out.example`,
  answer,
});
const meeting = (change: Partial<Meeting> = {}): Meeting => ({
  id: 'm',
  roomId: 'loft',
  name: 'Winter store',
  note: '',
  at: 0,
  from: NOW + HOUR,
  to: NOW + 2 * HOUR,
  guests: [guest('jonah'), guest('idris', 'declined'), guest(null)],
  sequence: 0,
  state: 'planned',
  ...change,
});
const told = (personId: string | null, ...all: Meeting[]) => meetingsKnown(all, system, personId, NOW);

describe('a phone is told of a meeting', () => {
  it('where its person is asked, with extension and the PIN of members', () => {
    expect(told('jonah', meeting())).toEqual([
      expect.objectContaining({ name: 'Winter store', room: 'The loft', extension: '390', pin: '2468' }),
    ]);
  });
  it('the host without a PIN, asked or not', () => {
    expect(told('rosa', meeting())).toEqual([expect.objectContaining({ pin: null })]);
  });
  it.each<[string, string | null, Partial<Meeting>]>([
    ['who declined', 'idris', {}],
    ['who is not asked', 'wren', {}],
    ['of a phone nobody has', null, {}],
    ['once it is over', 'jonah', { to: NOW }],
    ['that is called off', 'jonah', { state: 'called off' }],
    ['whose room is gone', 'jonah', { roomId: 'gone' }],
  ])('not %s', (_, personId, change) => {
    expect(told(personId, meeting(change))).toEqual([]);
  });
  it('the next first, so many at the most', () => {
    const many = Array.from({ length: 30 }, (_, i) =>
      meeting({ id: `m${i}`, from: NOW + (30 - i) * HOUR, to: NOW + (31 - i) * HOUR }),
    );
    const known = told('jonah', ...many);
    expect(known).toHaveLength(MEETINGS_TOLD);
    expect(known[0]!.id).toBe('m29');
  });
});
