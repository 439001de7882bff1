/** Conversations of colleagues: who is in them, what is new, and that nobody else is told. */
import { describe, expect, it } from 'vitest';
import { newGroup } from '../system';
import { edited, yard } from '../../../tests/fixtures/yard';
import { circleOf, circleOfGroup, circlesKnown, circlesOf, membersOf } from './circles';

const [ada, bo, cy] = Object.keys(yard().people) as [string, string, string];
const system = edited(yard(), [
  {
    do: 'group.add',
    value: newGroup({
      id: 'crew',
      name: 'Crew',
      members: [
        { kind: 'person', id: ada },
        { kind: 'person', id: bo },
      ],
    }),
  },
]);
const pair = { id: circleOf([bo, ada]), at: 1, memberIds: [ada, bo], seen: {} };
const crew = { id: circleOfGroup('crew'), at: 2, memberIds: [], groupId: 'crew', seen: { [ada]: 5 } };
const others = { id: circleOf([bo, cy]), at: 3, memberIds: [bo, cy], seen: {} };
const said = (circleId: string, at: number, by: string) => ({ id: `w${at}`, circleId, at, by, text: 'x' });
const all = [pair, crew, others];
const words = [
  said(pair.id, 4, bo),
  said(crew.id, 5, bo),
  said(crew.id, 6, bo),
  said(crew.id, 7, ada),
  said(others.id, 8, cy),
];

it('is the same for the same people, whoever begins', () => {
  expect(circleOf([ada, bo])).toBe(circleOf([bo, ada, bo]));
});

describe('what somebody sees', () => {
  it('are their own, the newest first, with what others wrote since they looked', () => {
    expect(circlesOf(all, words, ada, system).map((c) => [c.name, c.unread, c.words.length])).toEqual([
      ['Crew', 1, 3],
      [system.people[bo]!.name, 1, 1],
    ]);
  });
  it('a phone is told of no other', () => {
    const told = circlesKnown(all, words, cy, system);
    expect([told.circles.map((c) => c.id), told.words.map((w) => w.at)]).toEqual([[others.id], [8]]);
    expect(circlesKnown(all, words, null, system).circles).toEqual([]);
  });
});

it('a group’s are those of the group at the moment', () => {
  expect(membersOf(crew, system)).toEqual([ada, bo]);
  const less = edited(system, [
    { do: 'group.set', id: 'crew', change: { members: [{ kind: 'person', id: cy }] } },
  ]);
  expect(membersOf(crew, less)).toEqual([cy]);
  expect(membersOf({ memberIds: [ada, 'gone'] }, system)).toEqual([ada]);
});
