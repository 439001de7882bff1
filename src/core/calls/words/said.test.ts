/** What the caller said and pressed, for whoever is rung. */
import { expect, it } from 'vitest';
import { demoSystem } from '../../../../demo/lantern-cove';
import { allOn } from '../../../../tests/fixtures/yard';
import { momentOf } from '../../hours';
import { answerTo } from '../way/asking/asking';
import { foundByName } from '../way/menu';
import { rehearse, saidSoFar, type CallRequest } from '..';

const demo = demoSystem();
const call = (press: string[], says = {}): CallRequest => ({
  id: 'c',
  at: momentOf('America/Los_Angeles', '2026-11-24', 12 * 60 + 5),
  from: { kind: 'outside', number: '+12065550187' },
  to: { kind: 'number', e164: '+13605550142' },
  behaviour: {
    people: {},
    phones: {},
    otherwise: { does: 'nothing' },
    caller: {
      hangsUpAfter: null,
      talks: 60,
      message: 12,
      keys: press.map((p) => ({ after: 2, press: p })),
      says,
    },
  },
});
const notes = (request: CallRequest) => saidSoFar(rehearse(demo, allOn(demo), request), demo);

it('tells the keys of menus with what they are in, and answers to questions', () => {
  expect(notes(call(['4', '1']))).toEqual([
    { label: 'Pressed', text: '4 in “Service”' },
    { label: 'Pressed', text: '1 in “Storage”' },
  ]);
  expect(notes(call([], { Name: 'Ada', Boat: 'Heron' }))).toEqual([
    { label: 'Name', text: 'Ada' },
    { label: 'Boat', text: 'Heron' },
  ]);
  expect(notes(call(['208']))).toEqual([{ label: 'Dialled', text: 'Callum Reyes' }]);
  expect(notes(call([]))).toEqual([]);
});

it('finds whole words and phrases in what is said, in any writing of them', () => {
  const answers = [
    { words: ['opening hours', 'open'], says: 'From eight to five.' },
    { words: ['Straße'], says: 'Lantern Cove Road.' },
  ];
  const told = (text: string) => answerTo(text, answers)?.says;
  expect(told('When are you OPEN?')).toBe('From eight to five.');
  expect(told('What are your opening-hours, please')).toBe('From eight to five.');
  expect(told('I reopened the hatch')).toBeUndefined();
  expect(told('in welcher straße')).toBe('Lantern Cove Road.');
  expect(told('')).toBeUndefined();
});

// ITU-T E.161: 7 is PQRS, 3 DEF, 8 TUV, 7 PQRS.
it('finds people by the keys their names begin with, rooms not', () => {
  expect(foundByName(demo, '7387').map((p) => p.id)).toEqual(['dov']);
  expect(foundByName(demo, '7').map((p) => p.name)).toEqual([
    'Callum Reyes',
    'Dov Petrenko',
    'Pia Lindqvist',
    'Rosa Delgado',
  ]);
  expect(foundByName(demo, '')).toEqual([]);
});
