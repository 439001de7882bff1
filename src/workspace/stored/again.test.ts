/** Records that are read again one by one are what reading all of them gives. */
import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { expect, it } from 'vitest';
import { DEMO_ID, demonstration } from '../../../demo/lantern-cove';
import { openDatabase, readAgain, readMany, writeWhole, type MessageRecord } from '..';

const AT = Date.UTC(2026, 10, 24, 18);

it('whatever came, went or changed, in any order, and of other businesses nothing', async () => {
  const whole = demonstration(AT);
  const [message] = whole.messages;
  const made = (n: number, change: Partial<MessageRecord> = {}): MessageRecord => ({
    ...message!,
    id: `m${n}`,
    at: AT + (n % 7) * 1000 + n,
    ...change,
  });
  let run = 0;
  await fc.assert(
    fc.asyncProperty(
      fc.uniqueArray(fc.nat(40), { maxLength: 20 }),
      fc.array(fc.record({ n: fc.nat(40), does: fc.constantFrom('put', 'moved', 'gone', 'of another') }), {
        maxLength: 12,
      }),
      async (there, steps) => {
        const db = await openDatabase({ name: `again-${(run += 1)}`, patient: false });
        await writeWhole(db, { ...whole, messages: there.map((n) => made(n)) });
        const known = await readMany(db, 'messages', DEMO_ID);
        for (const { n, does } of steps)
          await db.write('upkeep', async (open) => {
            const tx = open('messages');
            if (does === 'gone') void tx.objectStore('messages').delete(`m${n}`);
            else if (does === 'put') void tx.objectStore('messages').put(made(n, { note: 'seen' }));
            else if (does === 'moved') void tx.objectStore('messages').put(made(n, { at: AT - n }));
            else void tx.objectStore('messages').put(made(n, { businessId: 'another' }));
            await tx.done;
          });
        const ids = steps.map(({ n }) => `m${n}`);
        const all = await readMany(db, 'messages', DEMO_ID);
        const by = (a: MessageRecord, b: MessageRecord) => a.at - b.at || (a.id < b.id ? -1 : 1);
        expect((await readAgain(db, 'messages', DEMO_ID, known, ids)).sort(by)).toEqual(all.sort(by));
        expect(await readAgain(db, 'messages', DEMO_ID, known, undefined)).toHaveLength(all.length);
        db.raw.close();
      },
    ),
    { numRuns: 30 },
  );
});
