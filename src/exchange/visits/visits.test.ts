/** Visitors of a site on other machines: served through the relay by what a call button offers, and told nothing else. */
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { DEMO_ID } from '../../../demo/lantern-cove';
import { Relayed } from '../../../tests/fixtures/relayed';
import {
  breathe,
  calls,
  db,
  hold,
  parts,
  pass,
  TEN_FIFTEEN,
  withSwitch,
} from '../../../tests/fixtures/switch';
import { makeKeys } from '../../channel/sealed';
import { readVisit, writeVisit, type VisitLink } from '../../channel/visit';
import { VOICE_CHANNEL, type Signal } from '../../channel/voice';
import type { VisitSeen } from '../../core/buttons';
import type { VisitorCall } from '../../core/phone';
import { Changes, exchangeKeys, readMany, readRecord, visitLinkOf } from '../../workspace';
import { FarExchange, type Cut } from '../devices/far';
import type { Standing } from '../devices/words';
import { callerLock } from '../protocol';
import { VisitGate } from './gate';
import { serveVisits } from './here';
import {
  VISITS,
  type Envelope,
  type FromVisit,
  type ToVisit,
  type VisitAnswer,
  type VisitRequest,
} from './words';

withSwitch();

const ADA = { name: 'Ada <i>', number: '206 555 0101', visitor: 'v1' };
const CALL_ID = 'visit-0123456789abcdef';
let relayed: Relayed;
let changes: Changes;
let gate: VisitGate;
let locks: string[];
let link: VisitLink;
let visitors: Visitor[];

async function until(what: () => boolean | Promise<boolean>, step = 5): Promise<void> {
  for (let n = 0; n < 2000; n++) {
    if (await what()) return;
    for (let i = 0; i < 4; i++) await breathe();
    await pass(step);
  }
  throw new Error('It does not come to that.');
}

/** A visitor's browser, with all that it ever heard. */
class Visitor {
  readonly received: string[] = [];
  seen: VisitSeen | null | undefined;
  call: VisitorCall | null = null;
  standing: Standing | null = null;
  cuts: (Cut | null)[] = [];
  signals: Signal[] = [];
  readonly answers = new Map<string, VisitAnswer>();
  far!: FarExchange;
  private asked = 0;

  static async of(button = 'site-button'): Promise<Visitor> {
    const one = new Visitor();
    one.far = new FarExchange(
      { ...link, own: await makeKeys(), visits: button },
      'test 1',
      {
        standing: (s) => (one.standing = s),
        visit: (m) => one.told(m),
        signal: (s) => {
          one.received.push(JSON.stringify(s));
          one.signals.push(s);
        },
        cut: (why) => one.cuts.push(why),
      },
      (to, told) => relayed.connect({ as: 'phone', to }, told),
    );
    visitors.push(one);
    return one;
  }
  private told(message: ToVisit): void {
    this.received.push(JSON.stringify(message));
    if (message.is === 'seen') this.seen = message.seen;
    if (message.is === 'call') this.call = message.call;
    if (message.is === 'answer') this.answers.set(message.id, message.answer);
  }
  async ask(
    request: VisitRequest,
    id = `request-${++this.asked}-${visitors.indexOf(this)}`,
  ): Promise<VisitAnswer> {
    this.answers.delete(id);
    this.far.visit({ id, request });
    await until(() => this.answers.has(id));
    return this.answers.get(id)!;
  }
}

beforeEach(async () => {
  relayed = new Relayed();
  locks = [];
  hold(locks);
  visitors = [];
  changes = new Changes();
  gate = new VisitGate({
    db,
    now: () => TEN_FIFTEEN,
    inForce: async () => (await readRecord(db, DEMO_ID))?.system,
    hold: (name, onHeld) => {
      locks.push(name);
      onHeld?.();
      return () => void locks.splice(locks.indexOf(name), 1);
    },
    relay: (token, told) => relayed.connect({ as: 'exchange', token }, told),
  });
  parts.push(changes, gate);
  link = await visitLinkOf(await exchangeKeys(db, changes, DEMO_ID, TEN_FIFTEEN));
  await gate.look();
});
afterEach(() => {
  for (const one of visitors) one.far.close();
});

it('the address of a page carries where the exchange is, and nothing else is read as one', () => {
  expect(readVisit(`#${writeVisit(link)}`)).toEqual(link);
  for (const other of [
    '',
    '#at=',
    '#at=x.y',
    `#join=${link.address}.${link.publicKey}`,
    `#at=${link.address}`,
  ])
    expect(readVisit(other)).toBeUndefined();
});

it('a visitor sees what is offered, asks to be called back and books, each once however often it is sent', async () => {
  const ada = await Visitor.of();
  await until(() => ada.seen !== undefined);
  expect(ada.standing).toEqual({ is: 'visit' });
  expect(ada.seen).toMatchObject({
    business: 'Lantern Cove Boatworks',
    number: { e164: '+13605550142' },
    can: { call: 'call', callBack: true, book: true },
    closed: null,
  });
  const first = ada.seen!.free[0]!;
  const twice = (request: VisitRequest, id: string) =>
    Promise.all([ada.ask(request, id), ada.ask(request, id)]);
  const back = { do: 'call back', who: ADA, day: null } as const;
  expect((await twice(back, 'back-0001'))[0]).toMatchObject({
    ok: true,
    says: 'Thank you: one of us calls you.',
  });
  const booked = await ada.ask({ do: 'book', who: ADA, from: first.at }, 'book-0001');
  expect(booked).toMatchObject({
    ok: true,
    says: expect.stringContaining(`Booked: ${first.says}`) as string,
  });
  expect((await readMany(db, 'tasks', DEMO_ID)).filter((t) => t.other === '+12065550101')).toHaveLength(1);
  expect((await readMany(db, 'bookings', DEMO_ID)).map((b) => [b.name, b.from, b.made])).toEqual([
    ['Ada <i>', first.at, 'site'],
  ]);
  // From another connection the same request is known too, and its time is offered to nobody any more.
  const again = await Visitor.of();
  await until(() => again.seen !== undefined && again.seen!.free[0]!.at !== first.at);
  expect(await again.ask({ do: 'book', who: ADA, from: first.at }, 'book-0001')).toEqual(booked);
  expect(
    await again.ask({ do: 'book', who: { ...ADA, visitor: 'v2' }, from: first.at }, 'book-0002'),
  ).toMatchObject({ ok: false, field: 'from' });
  expect(await again.ask({ do: 'call back', who: { ...ADA, number: 'soon' }, day: null })).toMatchObject({
    ok: false,
    field: 'number',
  });
});

it('a button that is not there leads nowhere', async () => {
  const one = await Visitor.of('no-such-button');
  await until(() => one.seen !== undefined);
  expect(one.seen).toBeNull();
  expect(await one.ask({ do: 'call', callId: CALL_ID })).toMatchObject({ ok: false });
  expect(calls).toEqual([]);
});

describe('a call', () => {
  const going = () => calls.find((c) => c.request.id === CALL_ID);

  it('goes through the plan of the number, is heard in words, and ends', async () => {
    const ada = await Visitor.of();
    await until(() => ada.seen !== undefined);
    expect(await ada.ask({ do: 'call', callId: CALL_ID })).toEqual({ ok: true });
    await until(() => (ada.call?.words ?? '') !== '');
    expect(going()!.request).toMatchObject({
      from: { kind: 'outside', number: null },
      to: { kind: 'number', e164: '+13605550142' },
    });
    expect(locks).toContain(callerLock(CALL_ID));
    expect(await ada.ask({ do: 'call', callId: `${CALL_ID}-2` })).toMatchObject({
      ok: false,
      message: 'You are in a call already.',
    });
    // Whatever else is told meanwhile, its page says that it is there: held once, it is let go once.
    expect(await ada.ask({ do: 'go on', callId: CALL_ID })).toEqual({ ok: true });
    expect(locks.filter((name) => name === callerLock(CALL_ID))).toHaveLength(1);
    await ada.ask({ do: 'hang up' });
    await until(() => ada.call?.phase === 'over');
    expect(ada.call!.over).toBe('The call is over.');
    expect(locks).not.toContain(callerLock(CALL_ID));
  });

  it('tells nobody’s name, phone or way through a plan', async () => {
    const ada = await Visitor.of();
    await until(() => ada.seen !== undefined);
    await ada.ask({ do: 'call', callId: CALL_ID });
    for (let s = 0; s < 60; s++) {
      await pass(1000);
      await breathe();
    }
    await ada.ask({ do: 'hang up' });
    await until(() => ada.call?.phase === 'over');
    const { system } = (await readRecord(db, DEMO_ID))!;
    const all = ada.received.join('\n');
    const secret = [
      ...Object.values(system.people).flatMap((p) => [`"${p.id}"`, p.name]),
      ...Object.keys(system.phones),
      ...Object.keys(system.plans),
      ...Object.values(system.plans).flatMap((p) => p.steps.map((s) => `"${s.id}"`)),
      ...Object.values(system.contacts).map((c) => c.name),
      'trace',
    ];
    expect(secret.filter((words) => all.includes(words))).toEqual([]);
  });

  it('is gone on with after a connection was cut off, and by nobody who does not know it', async () => {
    const ada = await Visitor.of();
    await until(() => ada.seen !== undefined);
    await ada.ask({ do: 'call', callId: CALL_ID });
    await until(() => ada.call !== null);
    ada.far.close();
    await pass(3000);
    expect(going()).toBeDefined();
    const again = await Visitor.of();
    await until(() => again.seen !== undefined);
    expect(await again.ask({ do: 'go on', callId: `${CALL_ID}-other` })).toMatchObject({ ok: false });
    expect(await again.ask({ do: 'go on', callId: CALL_ID })).toEqual({ ok: true });
    await until(() => again.call?.id === CALL_ID);
    await again.ask({ do: 'hang up' });
    await until(() => again.call?.phase === 'over');
  });

  it('hears and says nothing of other talks', async () => {
    const ada = await Visitor.of();
    await until(() => ada.seen !== undefined);
    await ada.ask({ do: 'call', callId: CALL_ID });
    await until(() => ada.call !== null);
    const channel = new BroadcastChannel(VOICE_CHANNEL);
    const overheard: unknown[] = [];
    channel.onmessage = ({ data }) => overheard.push(data);
    parts.push(channel);
    channel.postMessage({ callId: 'other', from: 'rosa-desk', to: 'caller', kind: 'here' } satisfies Signal);
    ada.far.signal({ callId: 'other', from: 'caller', to: 'rosa-desk', kind: 'here' });
    ada.far.signal({ callId: CALL_ID, from: 'rosa-desk', to: 'idris-browser', kind: 'here' });
    await pass(1000);
    await breathe();
    expect(ada.signals).toEqual([]);
    expect(overheard).toEqual([]);
  });
});

it('what nobody of ours would say is not done, and what is not heard is not given', async () => {
  const ada = await Visitor.of();
  await until(() => ada.seen !== undefined);
  for (const said of [
    null,
    { id: 'request-1', request: { do: 'call', callId: 'v-1-1' } },
    { id: 'request-1', request: { do: 'read', all: true } },
    { id: 'request-1', request: { do: 'book', who: { ...ADA, name: 'x'.repeat(9999) }, from: 1 } },
    { id: 'x', request: { do: 'hang up' } },
  ])
    ada.far.visit(said as FromVisit);
  await pass(1000);
  await breathe();
  expect(ada.answers.size).toBe(0);
  expect(calls).toEqual([]);
  const { system } = (await readRecord(db, DEMO_ID))!;
  const { hash } = Object.values(system.recordings).find((r) => r.sound)?.sound ?? { hash: 'a'.repeat(64) };
  expect(await ada.ask({ do: 'sound', hash })).toEqual({ ok: true, ulaw: null });
});

it('so many are served at once, and whoever is beyond is told so', async () => {
  for (let n = 0; n < 40; n++) await Visitor.of();
  await until(() => visitors.every((v) => v.standing?.is === 'visit'));
  const late = await Visitor.of();
  await until(() => late.standing !== null);
  expect(late.standing).toEqual({ is: 'refused', why: expect.stringContaining('dial the number') as string });
  // Whoever is not served is not kept either, and comes again by themselves; who goes makes room.
  const before = late.cuts.length;
  await until(() => late.cuts.slice(before).includes('no server'), 500);
  visitors[0]!.far.close();
  await until(() => late.standing?.is === 'visit', 500);
});

it('in the browser that has the business a window is served over its channel, until it is closed', async () => {
  const released: (() => void)[] = [];
  const stop = serveVisits({
    db,
    now: () => TEN_FIFTEEN,
    inForce: async () => (await readRecord(db, DEMO_ID))?.system,
    hold: (_, onHeld) => (released.push(onHeld), () => {}),
  });
  const channel = new BroadcastChannel(VISITS);
  const told: ToVisit[] = [];
  channel.onmessage = ({ data }: MessageEvent<Envelope>) => {
    if (data.visit === 'one' && data.to) told.push(data.to);
  };
  parts.push({ close: stop }, channel);
  const say = (from?: unknown) =>
    channel.postMessage({
      visit: 'one',
      businessId: DEMO_ID,
      buttonId: 'site-button',
      from,
    } satisfies Envelope);
  say();
  await until(() => told.length > 0);
  expect(told[0]).toMatchObject({ is: 'seen', seen: { business: 'Lantern Cove Boatworks' } });
  say({ id: 'request-1', request: { do: 'call back', who: ADA, day: null } });
  await until(() => told.some((t) => t.is === 'answer'));
  // Its window is closed: it is told nothing any more.
  released[0]!();
  const before = told.length;
  changes.tell({ businessId: DEMO_ID, what: 'in force' });
  await pass(20_000);
  expect(told).toHaveLength(before);
});
