/** A business and the carrier: what it buys, brings over, gives back, and proves. */
import 'fake-indexeddb/auto';
import { deleteDB } from 'idb';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { demonstration, DEMO_ID } from '../../../demo/lantern-cove';
import { outcomeOf, rehearseAsNow } from '../../core/calls';
import { unansweredCall } from '../../core/coverage';
import { newNumber, newPhone, type Command } from '../../core/system';
import { goneWhenOrdered, inStock } from '../../standins/carrier/stock';
import {
  askForTexting,
  cancelPort,
  Changes,
  DB_NAME,
  giveCode,
  openDatabase,
  orderNumbers,
  proveByCode,
  receiveText,
  referCallers,
  resendPort,
  reserveNumbers,
  sendText,
  submitPort,
  Workspace,
  writeWhole,
  type Db,
} from '..';

const NOW = Date.UTC(2026, 10, 24, 18, 15);
const DAY = 86_400_000;
const zone = 'America/Los_Angeles';
let db: Db;
let w: Workspace;
let changes: Changes;

beforeEach(async () => {
  db = await openDatabase();
  await writeWhole(db, demonstration(NOW));
  changes = new Changes();
  const opened = await Workspace.open(db, changes, DEMO_ID);
  if (!opened.ok) throw new Error(opened.message);
  w = opened.workspace;
  await at(NOW);
});
afterEach(async () => {
  await w.settled();
  w.close();
  changes.close();
  db.close();
  await deleteDB(DB_NAME);
});
const at = (benchAt: number) => w.setClock({ mode: 'set', benchAt, realAt: Date.now() });
const edit = async (...commands: Command[]) => {
  const result = w.edit({ words: 'test', commands });
  if (!result.ok) throw new Error(result.problems[0]!.message);
  await w.settled();
};
const putInForce = () => w.putInForce(w.view.draft.record.revision);
const sold = () => w.view.book.sold.map((s) => s.e164);
/** What a real caller to a number meets now. */
const caller = (e164: string, system = w.view.inForce.system) => {
  const trace = rehearseAsNow(system, w.view.standing, {
    ...unansweredCall({ e164 } as never, w.now()),
    to: { kind: 'number', e164 },
  });
  return outcomeOf(trace)!.outcome;
};
const free = Array.from({ length: 100 }, (_, i) => `+1360555${String(100 + i).padStart(4, '0')}`).filter(
  (n) => inStock(n) && !goneWhenOrdered(n),
);

describe('buying', () => {
  it('sells what was set aside, and knows the numbers already held', async () => {
    const want = free.filter((n) => !sold().includes(n)).slice(0, 2);
    expect(await reserveNumbers(w, want)).toEqual({ ok: true });
    expect(await reserveNumbers(w, ['+13605550142'])).toMatchObject({ ok: false });
    const results = await orderNumbers(w, want);
    expect(results.every((r) => r.ok)).toBe(true);
    expect(sold()).toEqual(expect.arrayContaining(want));
    expect(w.view.book.reserved).toEqual([]);
  });

  it('is one carrier for all businesses of the browser', async () => {
    const other = demonstration(NOW);
    const rename = JSON.parse(
      JSON.stringify(other).replaceAll(`"${DEMO_ID}"`, '"other"').replaceAll('+1360555', '+1509555'),
    );
    await writeWhole(db, rename);
    const opened = await Workspace.open(db, changes, 'other');
    if (!opened.ok) throw new Error(opened.message);
    const [e164] = free.filter((n) => !sold().includes(n));
    await reserveNumbers(w, [e164!]);
    expect(await reserveNumbers(opened.workspace, [e164!])).toMatchObject({ ok: false });
    await opened.workspace.settled();
    opened.workspace.close();
  });
});

describe('bringing a number over', () => {
  const facts = {
    provider: 'Tidewater Telecom',
    accountNumber: '44017731',
    pin: '',
    billName: 'Lantern Cove',
    billAddress: '12 Lantern Cove Road',
    wantedOn: '2026-12-04',
  };
  const e164 = '+13605550133';
  const request = { numberId: 'ported', e164, zone, standIn: null };
  const number: Command = {
    do: 'number.add',
    value: newNumber({
      id: 'ported',
      e164,
      country: 'US',
      label: 'Old line',
      kind: 'geographic',
      place: '',
      planId: 'main',
      monthlyCents: 400,
      currency: 'USD',
    }),
  };

  it('leaves callers with the old provider until the day', async () => {
    expect(await submitPort(w, request, facts)).toEqual({ ok: true });
    await edit(number);
    expect(await putInForce()).toBeUndefined();
    expect(caller(e164)).toEqual({ kind: 'not moved yet' });
    await at(Date.UTC(2026, 11, 4, 18) - 1000 * 60);
    expect(caller(e164)).toEqual({ kind: 'not moved yet' });
    await at(Date.UTC(2026, 11, 4, 18));
    expect(caller(e164).kind).toBe('message');
  });

  it('asks for what is missing, and refuses what we hold or have asked for', async () => {
    expect(await submitPort(w, request, { ...facts, accountNumber: ' ' })).toMatchObject({
      ok: false,
      field: 'accountNumber',
    });
    expect(await submitPort(w, { ...request, e164: '+13605550142' }, facts)).toMatchObject({ ok: false });
    expect((await submitPort(w, request, facts)).ok).toBe(true);
    expect(await submitPort(w, request, facts)).toMatchObject({ ok: false });
    expect(w.view.dealings.ports).toHaveLength(1);
  });

  it('refused, put right and sent again, it moves; called off, it never does', async () => {
    await submitPort(w, request, { ...facts, pin: '0000' });
    await edit(number);
    await putInForce();
    const { id } = w.view.dealings.ports[0]!;
    expect(await resendPort(w, id, facts)).toMatchObject({ ok: false });
    await at(NOW + 2 * DAY);
    expect(w.view.standing.arrivals[e164]).toBeNull();
    expect(await resendPort(w, id, { ...facts, wantedOn: '2026-12-07' })).toEqual({ ok: true });
    expect(w.view.standing.arrivals[e164]).toBe(Date.UTC(2026, 11, 7, 18));
    expect(await cancelPort(w, id)).toEqual({ ok: true });
    await at(NOW + 40 * DAY);
    expect(caller(e164)).toEqual({ kind: 'not moved yet' });
    expect(sold()).not.toContain(e164);
  });
});

describe('giving a number back', () => {
  const workshop = '+13605550143';
  it('takes effect when it is in force; callers are told, and it can be brought back for thirty days', async () => {
    const held = w.system.numbers['n-workshop']!;
    await referCallers(w, workshop, '+13605550142');
    await edit({ do: 'number.remove', id: held.id });
    expect(caller(workshop).kind).toBe('message');
    expect(await putInForce()).toBeUndefined();
    expect(caller(workshop)).toEqual({ kind: 'given back', referTo: '+13605550142' });
    expect(w.view.dealings.released).toMatchObject([
      { number: { label: 'Workshop' }, until: expect.any(Number) },
    ]);
    expect(sold()).not.toContain(workshop);

    await at(NOW + 29 * DAY);
    await edit({ do: 'number.add', value: held });
    expect(await putInForce()).toBeUndefined();
    expect(caller(workshop).kind).toBe('message');
    expect(sold()).toContain(workshop);
    expect(w.view.dealings.released).toEqual([]);
  });

  it('is final after thirty days, and changes nothing when somebody tries', async () => {
    const held = w.system.numbers['n-workshop']!;
    await edit({ do: 'number.remove', id: held.id });
    await putInForce();
    await at(NOW + 31 * DAY);
    expect(caller(workshop)).toMatchObject({ kind: 'not in service' });
    await edit({ do: 'number.add', value: held });
    expect(await putInForce()).toContain('30 days');
    expect(w.view.inForce.system.numbers['n-workshop']).toBeUndefined();
  });
});

describe('texting and proofs', () => {
  it('keeps what was sent, and says which field is wrong', async () => {
    expect(await askForTexting(w, { legalName: 'x' } as never)).toMatchObject({ ok: false, field: 'taxId' });
    expect(await sendText(w, { from: '+13605550142', to: '+12065550134', text: ' ' })).toMatchObject({
      ok: false,
      field: 'text',
    });
    expect(await sendText(w, { from: '+13605550142', to: '+12065550134', text: 'Ready' })).toMatchObject({
      ok: true,
    });
    expect(w.view.texts.filter((t) => t.text === 'Ready')).toHaveLength(1);
  });

  it('takes texts from outside, and sends none to whoever answered STOP', async () => {
    const customer = '+12065550134';
    const ours = '+13605550142';
    const write = (text: string, to = ours) => receiveText(w, { from: customer, to, text });
    expect(await write('Is my boat ready?')).toEqual({ ok: true });
    expect(w.view.texts.at(-1)).toMatchObject({ way: 'in', text: 'Is my boat ready?' });
    expect(await write('Hello', '+13605550199')).toMatchObject({ ok: false, field: 'to' });
    await write('Stop');
    const send = () => sendText(w, { from: ours, to: customer, text: 'Ready' });
    expect(await send()).toMatchObject({ ok: false, message: expect.stringContaining('no texts') });
    await write('Start');
    expect(await send()).toMatchObject({ ok: true });
  });

  it('no call goes to a linked phone before its owner gave back the code', async () => {
    const phone = newPhone({
      id: 'wren-cell',
      name: 'Own mobile',
      kind: 'linked mobile',
      personId: 'wren',
      number: '+15095550177',
    });
    await edit({ do: 'phone.add', value: phone });
    const rung = () =>
      rehearseAsNow(w.system, w.view.standing, unansweredCall(w.system.numbers['n-winter-store']!, w.now()));
    expect(rung()).toContainEqual(
      expect.objectContaining({ kind: 'not rung', phone: 'wren-cell', why: 'number not proved' }),
    );
    expect(await proveByCode(w, phone, 'text', 0.5)).toEqual({ ok: true });
    const { code } = w.view.dealings.proofs[0]!;
    expect(await giveCode(w, phone, code === '111111' ? '222222' : '111111')).toMatchObject({ ok: false });
    expect(await giveCode(w, phone, code)).toEqual({ ok: true });
    expect(rung()).toContainEqual(expect.objectContaining({ kind: 'leg offered', phone: 'wren-cell' }));
    // Another number must be proved anew.
    await edit({ do: 'phone.set', id: phone.id, change: { number: '+15095550178' } });
    expect(rung()).toContainEqual(expect.objectContaining({ kind: 'not rung', phone: 'wren-cell' }));
  });
});
