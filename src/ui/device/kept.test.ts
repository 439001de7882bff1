/** What a phone of a business elsewhere keeps: sealed, and nothing at all once it is nobody's phone. */
import 'fake-indexeddb/auto';
import { afterEach, expect, it, vi } from 'vitest';
import { Kept } from './kept';

const LINK = {
  address: 'a'.repeat(22),
  publicKey: 'k'.repeat(43),
  invitationId: 'i',
  secret: 's'.repeat(22),
};

async function phone(): Promise<{ kept: Kept; own: Awaited<ReturnType<typeof Kept.fresh>> }> {
  const removes = {
    removeItem(this: Record<string, string>, key: string) {
      delete this[key];
    },
  };
  const kinds = { 'upper-line:own-phone': '{}', 'something else': 'stays' };
  vi.stubGlobal('localStorage', Object.assign(Object.create(removes) as object, kinds));
  const kept = await Kept.open();
  const own = await Kept.fresh(LINK, 'Tablet');
  await kept.keepOwn(own);
  return { kept, own };
}
afterEach(() => vi.unstubAllGlobals());

it('keeps what it was told, readable by its own key alone', async () => {
  const { kept, own } = await phone();
  await kept.keepTold(own, 'directory', ['Rosa Delgado']);
  expect([...(await kept.told(own))]).toEqual([['directory', ['Rosa Delgado']]]);
  const other = await Kept.fresh(LINK, 'Another');
  expect((await kept.told(other)).size).toBe(0);
  await kept.erase();
  kept.close();
});

it('keeps nothing that was still on its way while it was shut out', async () => {
  const { kept, own } = await phone();
  await kept.keepTold(own, 'directory', ['Rosa Delgado']);
  await Promise.all([
    kept.keepTold(own, 'messages', ['one']),
    kept.erase(),
    kept.keepTold(own, 'directory', ['Rosa Delgado', 'Pia Lindqvist']),
  ]);
  await kept.keepTold(own, 'history', ['a call']);
  expect(await kept.own()).toBeUndefined();
  expect((await kept.told(own)).size).toBe(0);
  expect(Object.keys(localStorage)).toEqual(['something else']);
  kept.close();
});
