/** Where recordings are heard. */
import { expect, it } from 'vitest';
import { edited, yard } from '../../../tests/fixtures/yard';
import { newQueue } from '../system';
import { recordingSeconds, replaceCommands, usesOf } from '.';

const system = edited(yard(), [
  {
    do: 'queue.add',
    value: newQueue({
      id: 'q',
      name: 'Desk',
      holdMusicId: 'closed',
      comfort: { recordingId: 'welcome', every: 30, position: true },
    }),
  },
]);

it('in steps, greetings and queues, each with its place', () => {
  expect(usesOf(system, 'welcome').map((u) => u.words)).toEqual([
    'Main line: Play “Welcome”',
    'said to those who wait in Desk',
  ]);
  expect(usesOf(system, 'closed').map((u) => u.words)).toContain('music of Desk');
  expect(usesOf(system, 'front-greeting')).toEqual([
    { kind: 'mailbox', id: 'front', words: 'greeting of Front desk' },
  ]);
});
it('are replaced everywhere at once, and nowhere else', () => {
  for (const id of ['welcome', 'closed', 'front-greeting']) {
    const after = edited(system, replaceCommands(system, id, 'rosa-greeting'));
    expect(usesOf(after, id)).toEqual([]);
    expect(usesOf(after, 'rosa-greeting')).toHaveLength(
      usesOf(system, 'rosa-greeting').length + usesOf(system, id).length,
    );
  }
  expect(replaceCommands(system, 'nothing', 'welcome')).toEqual([]);
});
it('take as long as their sound, or as their words', () => {
  const [words] = [{ id: 'r', name: 'R', text: 'One two three four five.' }];
  expect(recordingSeconds(words)).toBe(2);
  expect(
    recordingSeconds({ ...words, sound: { hash: '0'.repeat(64), seconds: 3.25, made: 'recorded' } }),
  ).toBe(3.25);
  expect(recordingSeconds({ ...words, sound: null })).toBe(2);
  expect(recordingSeconds(undefined)).toBe(0);
});
