/** Meetings planned: what makes SEQUENCE grow, which answers count, and who has no time. */
import { describe, expect, it } from 'vitest';
import { demoSystem } from '../../../demo/lantern-cove';
import { momentOf } from '../hours';
import { changed, heard, whyNotFree, type Meeting, type Reply } from '.';

const system = demoSystem();
const at = (day: string, hour: number) => momentOf('America/Los_Angeles', day, hour * 60);
const meeting: Meeting = {
  id: 'm',
  roomId: 'loft',
  name: 'Winter store',
  note: '',
  at: 0,
  from: at('2026-11-25', 10),
  to: at('2026-11-25', 11),
  sequence: 0,
  state: 'planned',
  guests: [
    {
      personId: 'rosa',
      name: 'Rosa Delgado',
      address: 'rosa@yard.example',
      answer: 'accepted',
      answeredAt: 100,
    },
    { personId: null, name: 'Ada', address: 'Ada@out.example', answer: 'asked' },
  ],
};
const reply = (change: Partial<Reply> = {}): Reply => ({
  meetingId: 'm',
  address: 'ada@out.example',
  sender: 'ada@out.example',
  answer: 'accepted',
  sequence: 0,
  at: 200,
  ...change,
});

// RFC 5546 §2.1.4: SEQUENCE grows where DTSTART, DTEND or STATUS changes; other changes leave it.
describe('SEQUENCE', () => {
  it('grows with another time or state, and every answer is open again', () => {
    for (const change of [
      { from: meeting.from + 1000 },
      { to: meeting.to + 1000 },
      { state: 'called off' as const },
    ]) {
      const next = changed(meeting, change);
      expect(next.sequence).toBe(1);
      expect(next.guests.map((g) => [g.answer, g.answeredAt])).toEqual([
        ['asked', undefined],
        ['asked', undefined],
      ]);
    }
  });
  it('stays with another name or note, and so do answers', () => {
    expect(changed(meeting, { name: 'Summer store', note: 'x' })).toMatchObject({
      sequence: 0,
      guests: meeting.guests,
    });
  });
});

describe('an answer', () => {
  it('counts, whatever the case of the address', () => {
    const done = heard(meeting, reply());
    expect(done.ok && done.meeting.guests[1]).toMatchObject({ answer: 'accepted', answeredAt: 200 });
  });
  it.each<[string, Partial<Reply>, string]>([
    [
      'of somebody who was not asked',
      { address: 'eve@out.example', sender: 'eve@out.example' },
      'was not asked',
    ],
    ['sent by somebody else', { sender: 'eve@out.example' }, 'answered for'],
    ['with another time', { answer: 'counter' }, 'wants another time'],
    ['that sends somebody else', { answer: 'delegated' }, 'somebody else'],
    ['that nobody understands', { answer: 'other' }, 'not understood'],
  ])('%s is told and changes nothing', (_, change, why) => {
    expect(heard(meeting, reply(change))).toMatchObject({
      ok: false,
      why: expect.stringContaining(why) as string,
    });
  });
  it('to an earlier time, or made before the last, does not count', () => {
    const moved = changed(meeting, { from: meeting.from + 1000 });
    expect(heard(moved, reply())).toMatchObject({
      ok: false,
      why: expect.stringContaining('earlier time') as string,
    });
    const old = reply({
      address: 'rosa@yard.example',
      sender: 'rosa@yard.example',
      at: 50,
      answer: 'declined',
    });
    expect(heard(meeting, old)).toMatchObject({
      ok: false,
      why: expect.stringContaining('otherwise since') as string,
    });
  });
});

it('who is away, outside their hours or in another meeting has no time', () => {
  const rosa = system.people.rosa!;
  const away = {
    ...system,
    people: {
      ...system.people,
      rosa: { ...rosa, away: [{ from: '2026-11-25', to: '2026-11-25', standInId: null }] },
    },
  } as typeof system;
  const span = [meeting.from, meeting.to] as const;
  expect(whyNotFree('rosa', away, [], ...span)).toContain('away');
  expect(whyNotFree('rosa', system, [meeting], ...span)).toEqual(['in “Winter store”']);
  expect(whyNotFree('rosa', system, [meeting], ...span, 'm')).toEqual([]);
  expect(
    whyNotFree(
      'rosa',
      system,
      [{ ...meeting, guests: [{ ...meeting.guests[0]!, answer: 'declined' }] }],
      ...span,
    ),
  ).toEqual([]);
  const timed = { ...system, people: { ...system.people, rosa: { ...rosa, hoursId: 'office' } } };
  expect(whyNotFree('rosa', timed, [], at('2026-11-25', 20), at('2026-11-25', 21))).toEqual([
    'outside their hours',
  ]);
});
