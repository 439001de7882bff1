import { expect, it } from 'vitest';
import { ActsDone } from './acts-done';

function acts() {
  const said: string[] = [];
  const done = new ActsDone(({ title, detail }) => said.push([title, detail].filter(Boolean).join('. ')));
  return { said, done };
}
const settled = () => new Promise((resolve) => setTimeout(resolve));

it('what came last is taken back first, and gives way to later edits and settings', async () => {
  const { said, done } = acts();
  const back: string[] = [];
  done.did('First', 3, async () => void back.push('first'));
  done.did('Second', 3, async () => void back.push('second'));
  expect(done.undo(4, 0)).toBe(false);
  expect(done.undo(3, Date.now() + 1000)).toBe(false);
  expect([done.undo(3, 0), done.undo(3, 0), done.undo(3, 0)]).toEqual([true, true, false]);
  await settled();
  expect(back).toEqual(['second', 'first']);
  expect(said).toEqual(['Undone: Second', 'Undone: First']);
});

it('says why something was not taken back, and that what went to the carrier cannot be', async () => {
  const { said, done } = acts();
  done.didForGood('Ordered it', 0, 'The carrier has the order.');
  done.did('Let go', 0, async () => 'It is taken by now.');
  done.undo(0, 0);
  done.undo(0, 0);
  await settled();
  expect(said.sort()).toEqual([
    'Not undone: Let go. It is taken by now.',
    'Not undone: Ordered it. The carrier has the order.',
  ]);
});

it('the notice that tells of it takes it back once, says why it could not, and undo then goes to what came before', async () => {
  const { said, done } = acts();
  const back: string[] = [];
  done.did('First', 0, async () => void back.push('first'));
  const undoSecond = done.did('Second', 0, async () => {
    back.push('second');
    return 'It was changed in another window meanwhile.';
  });
  undoSecond();
  undoSecond();
  await settled();
  expect(back).toEqual(['second']);
  expect(said).toEqual(['Not undone: Second. It was changed in another window meanwhile.']);
  expect([done.undo(0, 0), done.undo(0, 0)]).toEqual([true, false]);
  await settled();
  expect(back).toEqual(['second', 'first']);
});

it('nothing done to one business is taken back in another', () => {
  const { done } = acts();
  done.did('There', 0, async () => undefined);
  done.forget();
  expect(done.undo(0, 0)).toBe(false);
});
