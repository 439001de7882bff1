/** Everything with somebody goes for good, and nothing else; that it was done stays, and not with whom. */
import 'fake-indexeddb/auto';
import { expect, it } from 'vitest';
import { DEMO_ID, demonstration } from '../../../demo/lantern-cove';
import { pastOf } from '../../standins/past/past';
import { factsOfCall } from '../../core/story';
import { forget, openDatabase, readMany, storePast, writeWhole } from '..';

const NOW = Date.UTC(2026, 10, 24, 18, 15);
const CLUB = '+13605550134';

it('calls in and out, messages and texts with a number; those of others stay', async () => {
  const db = await openDatabase({ name: 'forget', patient: false });
  const whole = demonstration(NOW);
  const text = (id: string, way: 'in' | 'out', from: string, to: string) => ({
    id,
    businessId: DEMO_ID,
    way,
    from,
    to,
    text: 'x',
    at: NOW,
  });
  const main = '+13605550142';
  await writeWhole(db, {
    ...whole,
    texts: [text('a', 'in', CLUB, main), text('b', 'out', main, CLUB), text('c', 'in', '+12065550101', main)],
    threads: [
      { id: `${main} ${CLUB}`, businessId: DEMO_ID, at: NOW, assignedTo: 'rosa' },
      { id: `${main} +12065550101`, businessId: DEMO_ID, at: NOW, assignedTo: 'rosa' },
    ],
  });
  const past = pastOf(DEMO_ID, whole.draft.system, whole.standing.standing, NOW, 14);
  await storePast(db, DEMO_ID, { ...past, texts: [] });
  const before = await readMany(db, 'calls', DEMO_ID);
  const theirs = before.filter((c) => factsOfCall(c).other === CLUB);
  expect(theirs.length).toBeGreaterThan(3);
  const messages = await readMany(db, 'messages', DEMO_ID);
  const theirMessages = messages.filter((m) => m.fromNumber === CLUB);
  const alone = theirMessages.filter((m) => !theirs.some((c) => c.id === m.id));

  const gone = await forget(db, DEMO_ID, [CLUB], 'Rosa Delgado', NOW);
  expect(gone).toBe(theirs.length + alone.length + 2);
  const left = await readMany(db, 'calls', DEMO_ID);
  expect(left).toHaveLength(before.length - theirs.length);
  expect(JSON.stringify(left)).not.toContain(CLUB);
  expect(await readMany(db, 'messages', DEMO_ID)).toHaveLength(messages.length - theirMessages.length);
  const dealings = (await db.get('dealings', DEMO_ID))!;
  expect((await readMany(db, 'texts', DEMO_ID)).map((t) => t.id)).toEqual(['c']);
  expect((await readMany(db, 'threads', DEMO_ID)).map((t) => t.id)).toEqual([`${main} +12065550101`]);
  expect(dealings.forgotten).toEqual([{ at: NOW, by: 'Rosa Delgado', entries: gone }]);
});
