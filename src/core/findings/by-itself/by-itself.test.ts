/** What is found of follow-ups and dialogues. */
import { describe, expect, it } from 'vitest';
import { demoSystem } from '../../../../demo/lantern-cove';
import { emptyStanding, type Dialogue, type FollowUp, type System } from '../../system';
import { findingsOf } from '..';

const system = demoSystem();
const sorry = system.followUps.sorry!;
const found = (change: Partial<System>, troubled = {}) =>
  findingsOf({
    system: { ...system, ...change },
    standing: emptyStanding(),
    today: '2026-11-24',
    troubled,
    freshId: (kind) => kind,
  })
    .filter((f) => f.place.kind === 'follow-up' || f.place.kind === 'dialogue')
    .map((f) => f.title);
const ofOne = (change: Partial<FollowUp>) =>
  found({ followUps: { sorry: { ...sorry, ...change } }, dialogues: {} });

describe('follow-ups', () => {
  it('of the demonstration are in order', () => expect(found({})).toEqual([]));
  it.each<[string, Partial<FollowUp>]>([
    ['a missed call that was answered', { if: [{ is: 'end', how: 'answered' }] }],
    ['a list that is not chosen', { if: [{ is: 'listed', listId: null }] }],
    ['a step that is gone', { if: [{ is: 'step', step: 'gone' }] }],
    [
      'a contact and no contact',
      {
        if: [
          { is: 'contact', known: true },
          { is: 'contact', known: false },
        ],
      },
    ],
    [
      'longer and shorter',
      {
        when: { is: 'talked', way: 'in' },
        if: [
          { is: 'length', longer: true, seconds: 60 },
          { is: 'length', longer: false, seconds: 60 },
        ],
      },
    ],
    [
      'a number that moved, with a condition',
      { when: { is: 'number moved' }, then: [{ do: 'hook', url: 'https://x.example' }] },
    ],
  ])('that can never apply: %s', (_, change) =>
    expect(ofOne(change)).toContain('Sorry we missed you can never apply'),
  );
  it('that can are not found', () => {
    expect(ofOne({ if: [{ is: 'length', longer: false, seconds: 60 }] })).toEqual([]);
    expect(ofOne({ rests: true, if: [{ is: 'listed', listId: null }] })).toEqual([]);
  });
  it('that text nobody, mail nobody, have strange fields, send the same, failed', () => {
    expect(ofOne({ when: { is: 'not paired', days: 2 }, if: [] })).toContain(
      'Sorry we missed you texts nobody',
    );
    const mail = {
      do: 'mail',
      to: { is: 'person', personId: null },
      subject: 'x',
      text: '{boat}',
      with: 'nothing',
    } as const;
    expect(ofOne({ then: [mail] })).toEqual([
      'Sorry we missed you has a field that there is none of: {boat}',
      'Sorry we missed you mails nobody',
    ]);
    expect(ofOne({ when: { is: 'talked', way: 'out' } })).toEqual([
      'Sorry we missed you texts people whom you called',
    ]);
    const twin = { ...sorry, id: 'twin', name: 'Twin' };
    expect(found({ followUps: { sorry, twin } })).toContain('Sorry we missed you and Twin send the same');
    expect(found({}, { sorry: { n: 2, why: 'A landline.' } })).toContain(
      'Sorry we missed you failed 2 times in the last week',
    );
  });
});

it('dialogues that nothing begins, with words that are never heard, or another’s', () => {
  const quote = system.dialogues.quote as Dialogue;
  const dialogues = {
    quote,
    b: { ...quote, id: 'b', name: 'B', words: ['Repair', 'stop'] },
    c: { ...quote, id: 'c', name: 'C', words: [] },
  };
  expect(found({ dialogues }).toSorted()).toEqual([
    'B has a word that begins Ask what it is about',
    'B waits for a word that it never hears',
    'Nothing begins the dialogue C',
  ]);
});
