/** Texts by who they are with. */
import { expect, it } from 'vitest';
import { edited, MAIN, NIGHT, yard } from '../../../tests/fixtures/yard';
import { conversations } from './conversations';
import type { TextKept } from './records';

const ADA = '+12065550101';
const BO = '+12065550102';
const system = edited(yard(), [
  {
    do: 'contact.add',
    value: { id: 'ada', name: 'Ada Ferris', numbers: [ADA], ownerId: null, listIds: [], blocked: false },
  },
]);
let n = 0;
const from = (theirs: string, at: number, text = 'x', ours = MAIN): TextKept => ({
  id: `t${(n += 1)}`,
  way: 'in',
  from: theirs,
  to: ours,
  text,
  at,
});
const to = (theirs: string, at: number, ours = MAIN): TextKept => ({
  id: `t${(n += 1)}`,
  way: 'out',
  from: ours,
  to: theirs,
  text: 'y',
  at,
});

it('are apart by both numbers, the newest first, with who it is and through which line', () => {
  const all = conversations([from(ADA, 1), from(BO, 2), to(ADA, 3), from(ADA, 4, 'x', NIGHT)], system);
  expect(all.map((c) => [c.contact?.name, c.line?.label, c.texts.map((t) => t.at)])).toEqual([
    ['Ada Ferris', 'Night watch', [4]],
    ['Ada Ferris', 'Main line', [1, 3]],
    [undefined, 'Main line', [2]],
  ]);
});

it('wait from the first text that nobody has answered, and not for what needs no answer', () => {
  const since = (texts: TextKept[]) =>
    conversations(texts, system, (text) => text === 'STOP').map((c) => c.waitsSince);
  expect(since([from(ADA, 1), to(ADA, 2)])).toEqual([null]);
  expect(since([from(ADA, 1), to(ADA, 2), from(ADA, 5), from(ADA, 9)])).toEqual([5]);
  expect(since([from(ADA, 1, 'STOP')])).toEqual([null]);
  expect(since([to(ADA, 1)])).toEqual([null]);
});
