/** What the live switch keeps: while it cannot store, when a window is killed, and of what cannot be read. */
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { demonstration, DEMO_ID } from '../../demo/lantern-cove';
import { CallEngine } from '../core/calls';
import { writeWhole } from '../workspace';
import { ExchangeClient, listenForTrouble } from './client';
import {
  act,
  breathe,
  CALL,
  calls,
  client,
  db,
  parts,
  pass,
  phase,
  place,
  request,
  seen,
  startSwitch,
  TEN_FIFTEEN,
  withSwitch,
} from '../../tests/fixtures/switch';

withSwitch();

describe('a switch that cannot store', () => {
  /** Storage is full from now on. @returns how it gets room again */
  function fill(which: (stores: string[]) => boolean = () => true): () => void {
    const { prototype } = IDBDatabase;
    const { transaction } = prototype;
    prototype.transaction = function (...given) {
      if (given[1] === 'readwrite' && which([given[0]].flat() as string[]))
        throw new DOMException('full', 'QuotaExceededError');
      return transaction.apply(this, given);
    };
    return () => {
      prototype.transaction = transaction;
    };
  }
  let trouble: (string | null)[];
  const { transaction: usual } = IDBDatabase.prototype;
  afterEach(() => {
    IDBDatabase.prototype.transaction = usual;
  });
  beforeEach(() => {
    trouble = [];
    const stop = listenForTrouble((_, words) => trouble.push(words));
    parts.push({ close: stop });
  });

  it('while a phone rings goes on with the call, says so, and keeps the call when there is room', async () => {
    await place('+13605550171');
    await pass(2000);
    const room = fill();
    await pass(6000);
    // What is shown goes on: the phones ring and the plan with them.
    await pass(16_000);
    expect(trouble.at(-1)).toContain('no room');
    expect(phase()).toBe('message');
    room();
    await pass(2000);
    expect(trouble.at(-1)).toBeNull();
    expect((await db.get('exchange', DEMO_ID))!.snapshot.calls[0]!.phase).toBe('message');
    await act({ kind: 'hang up', callId: CALL, by: 'caller' });
    expect(await db.get('calls', CALL)).toBeDefined();
  });

  it('at the end of a call keeps its message as soon as it can', async () => {
    await place('+13605550171');
    await pass(34_000);
    const said = client.say(CALL, { text: 'The mast is down', sound: null });
    await breathe();
    await pass(1);
    await said;
    await pass(3000);
    const room = fill();
    await act({ kind: 'hang up', callId: CALL, by: 'caller' });
    await pass(3000);
    expect(await db.get('messages', CALL)).toBeUndefined();
    room();
    await pass(2000);
    expect((await db.get('messages', CALL))!.said).toBe('The mast is down');
    expect(calls.filter((c) => c.phase !== 'over')).toHaveLength(0);
  });

  it('leaves the calls of other businesses alone', async () => {
    await writeWhole(db, demonstration(TEN_FIFTEEN, 'other-yard'));
    await place('+13605550171');
    const inOther: string[] = [];
    const other = new ExchangeClient(
      'other-yard',
      (now) => inOther.push(...now.map((c) => c.phase)),
      () => `other-${inOther.length}`,
    );
    parts.push(other);
    const engine = vi.spyOn(CallEngine.prototype, 'snapshot');
    engine.mockImplementationOnce(() => {
      throw new Error('something in the first business');
    });
    const placed = other.act({
      kind: 'place',
      request: request('+13605550171', { id: 'call-2', to: { kind: 'number', e164: '+13605550171' } }),
    });
    await breathe();
    await pass(1);
    await placed;
    await pass(3000);
    engine.mockRestore();
    expect(inOther).toContain('ringing');
    expect(phase()).toBe('ringing');
    await pass(20_000);
    expect(phase()).not.toBe('ringing');
  });
});

it('what a caller has said so far is there in the window that takes the call up', async () => {
  await place('+13605550171');
  await pass(34_000);
  const said = client.say(CALL, { text: 'The mast is down', sound: null });
  await breathe();
  await pass(1);
  await said;
  await pass(3000);
  // The window with the switch is killed; another one takes over from what is stored.
  for (const part of parts.splice(0, 2)) part.close();
  await startSwitch();
  await act({ kind: 'hang up', callId: CALL, by: 'caller' });
  expect((await db.get('messages', CALL))!.said).toBe('The mast is down');
});

it('a call is stored by the version it goes by, and not taken up where that is gone', async () => {
  await place('+13605550171');
  const { snapshot } = (await db.get('exchange', DEMO_ID))!;
  const { n } = (await db.getAllFromIndex('versions', 'business', DEMO_ID)).at(-1)!;
  expect(snapshot.systems).toEqual([[0, { inForce: n }]]);
  for (const part of parts.splice(0, 2)) part.close();
  await startSwitch();
  expect((await db.get('exchange', DEMO_ID))!.snapshot.systems).toEqual([[0, { inForce: n }]]);
  expect(seen.get(CALL)!.phase).toBe('ringing');
  for (const part of parts.splice(0, 2)) part.close();
  await db.raw.delete('versions', [DEMO_ID, n]);
  seen.clear();
  await startSwitch();
  await pass(1000);
  expect(seen.has(CALL)).toBe(false);
});

it('calls in progress that cannot be read are not taken up, and the rest goes on', async () => {
  await place('+13605550171');
  for (const part of parts.splice(0, 2)) part.close();
  const record = (await db.get('exchange', DEMO_ID))!;
  await db.raw.put('exchange', {
    ...record,
    snapshot: { ...record.snapshot, calls: [{ ...record.snapshot.calls[0]!, phase: 'dreaming' as never }] },
  });
  await startSwitch();
  await place('+13605550171', { id: 'later' });
  expect(seen.get('later')!.phase).toBe('ringing');
});

it('a sound that is no sound is not taken as one', async () => {
  await place('+13605550171');
  await pass(34_000);
  const said = client.say(CALL, { text: 'x', sound: 'data:text/html;base64,PGI+' });
  await breathe();
  await pass(1);
  await said;
  await pass(3000);
  await act({ kind: 'hang up', callId: CALL, by: 'caller' });
  expect((await db.get('messages', CALL))!.sound).toBeNull();
});
