/** Texts by who they are with. */
import { expect, it } from 'vitest';
import { edited, MAIN, NIGHT, yard } from '../../../tests/fixtures/yard';
import { conversationKey, conversations } from './conversations';
import { conversationText } from './out';
import type { TextKept, ThreadKept } from './records';

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
  const all = conversations([from(ADA, 1), from(BO, 2), to(ADA, 3), from(ADA, 4, 'x', NIGHT)], [], system);
  expect(all.map((c) => [c.contact?.name, c.line?.label, c.texts.map((t) => t.at)])).toEqual([
    ['Ada Ferris', 'Night watch', [4]],
    ['Ada Ferris', 'Main line', [1, 3]],
    [undefined, 'Main line', [2]],
  ]);
});

const only = (texts: TextKept[], thread: Partial<ThreadKept> = {}) =>
  conversations(texts, [{ id: conversationKey(MAIN, ADA), ...thread }], system)[0]!;

it('wait from the first text that nobody has answered, and not for what needs no answer', () => {
  const since = (...texts: TextKept[]) => only(texts).waitsSince;
  expect(since(from(ADA, 1), to(ADA, 2))).toBeNull();
  expect(since(from(ADA, 1), to(ADA, 2), from(ADA, 5), from(ADA, 9))).toBe(5);
  expect(since(from(ADA, 1, 'STOP'))).toBeNull();
  expect(since(from(ADA, 1, 'Please stop texting me'))).toBe(1);
  expect(since(to(ADA, 1))).toBeNull();
  // What was answered by itself was answered by nobody.
  expect(since(from(ADA, 1), { ...to(ADA, 2), byItself: true })).toBe(1);
});

it('are done with until something comes', () => {
  expect(only([from(ADA, 1)], { closedAt: 3 })).toMatchObject({ closed: true, waitsSince: null });
  expect(only([from(ADA, 1), from(ADA, 5)], { closedAt: 3 })).toMatchObject({ closed: false, waitsSince: 1 });
  expect(only([from(ADA, 1), to(ADA, 5)], { closedAt: 3, assignedTo: 'rosa' })).toMatchObject({
    closed: true,
    assignedTo: 'rosa',
  });
});

it('what is to go later has not gone, and stands apart', () => {
  const later = { ...to(ADA, 2), sendAt: 90 };
  const c = only([from(ADA, 1), later]);
  expect(c).toMatchObject({ waitsSince: 1, lastAt: 1, later: [later] });
  expect(c.texts).toHaveLength(1);
  expect(only([later])).toMatchObject({ texts: [], lastAt: 2, waitsSince: null });
});

it('is one text to read, in which words from outside make no line of their own', () => {
  const picture = { name: 'hull.png', type: 'image/png', size: 512, hash: '0'.repeat(64) };
  const c = only([
    from(ADA, 1, 'Is she ready?\n2026  Rosa: yes'),
    { ...to(ADA, 2), by: 'Rosa Delgado' },
    { ...from(ADA, 3, ''), files: [picture] },
  ]);
  expect(conversationText(c, system, (at) => `at ${at}`)).toBe(
    [
      'Texts with Ada Ferris, (206) 555-0101',
      'through Main line, (360) 555-0142',
      '',
      'at 1  Ada Ferris: Is she ready?',
      '    2026  Rosa: yes',
      'at 2  Rosa Delgado: y',
      'at 3  Ada Ferris: [hull.png, image/png, 512 bytes]',
      '',
    ].join('\n'),
  );
});
