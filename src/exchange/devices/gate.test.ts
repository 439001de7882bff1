/** Phones on other machines: let in by a link and a word of the owner, told what a window would be and no more, and shut out. */
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { DEMO_ID } from '../../../demo/lantern-cove';
import { FarPhone, Relayed, type Hands } from '../../../tests/fixtures/relayed';
import {
  breathe,
  db,
  hold,
  parts,
  pass,
  place,
  seen,
  TEN_FIFTEEN,
  withSwitch,
} from '../../../tests/fixtures/switch';
import type { JoinLink } from '../../channel/link';
import { makeKeys } from '../../channel/sealed';
import {
  Changes,
  devicesIn,
  exchangeKeys,
  freshSecret,
  linkOf,
  readMany,
  readOne,
  readRecord,
  sayOfDevice,
  type DeviceWord,
} from '../../workspace';
import { callerLock } from '../protocol';
import { Gate } from './gate';
import { LINGER_MS } from './lingering';

withSwitch();

const NOOR = 'noor-computer';
const DOVS = '+13605550188';
const OTHERS_CALL = 'call-1';

let relayed: Relayed;
let changes: Changes;
let gate: Gate;
let locks: string[];
let phones: FarPhone[];
let link: JoinLink;
let now: number;
let over: boolean;
/** A phone that is taken out of the business. */
let without = '';
const QUIET = {
  connected: () => {},
  cut: () => {},
  exchange: () => {},
  came: () => {},
  went: () => {},
  piece: () => {},
};

/**
 * Lets things go on until something is so.
 * @param step milliseconds that the clock goes on between two looks: longer where somebody waits for an answer that does not come
 */
async function until(what: () => boolean | Promise<boolean>, step = 5): Promise<void> {
  for (let n = 0; n < 2000; n++) {
    if (await what()) return;
    // Sealing takes real time, and little of it: the clock of the test goes slowly beside it.
    for (let i = 0; i < 4; i++) await breathe();
    await pass(step);
  }
  throw new Error('It does not come to that.');
}
/** What comes of something asked, with the clock going on until it has come: where the machine is busy that takes more of it. */
async function comes<T>(asked: Promise<T>, step = 5): Promise<T> {
  let settled = false;
  const mark = () => void (settled = true);
  asked.then(mark, mark);
  await until(() => settled, step);
  return asked;
}
const devices = async () => devicesIn(await readMany(db, 'devices', DEMO_ID));
async function say(word: DeviceWord, id?: string): Promise<void> {
  await sayOfDevice(db, DEMO_ID, id ?? (await devices())[0]!.id, word, now);
  changes.tell({ businessId: DEMO_ID, what: 'devices' });
  changes.tell({ businessId: DEMO_ID, what: 'standing' });
}

/** An invitation for a phone, with its link. */
async function invited(phoneId = NOOR, id = 'invitation-1'): Promise<JoinLink> {
  const secret = freshSecret();
  const invitation = {
    id,
    businessId: DEMO_ID,
    personId: 'noor',
    phoneId,
    code: '123456',
    secret,
    to: 'noor@yard.example',
    mailId: null,
    sentAt: TEN_FIFTEEN,
    expiresAt: TEN_FIFTEEN + 7 * 86_400_000,
    wrongTries: 0,
    state: 'open',
  } as const;
  await db.write('invitations', async (open) => {
    const tx = open('invitations');
    await tx.objectStore('invitations').put(invitation);
    await tx.done;
  });
  return linkOf(await exchangeKeys(db, changes, DEMO_ID, TEN_FIFTEEN), { id, secret });
}
function open(link: JoinLink, name = 'tablet', ...rest: [ReturnType<typeof makeKeys>?, boolean?]) {
  return FarPhone.open(relayed, link, name, ...rest).then((phone) => {
    phones.push(phone);
    return phone;
  });
}
/** A device that is Noor's phone. */
async function paired(keys = makeKeys()): Promise<FarPhone> {
  const phone = await open(link, 'tablet', keys);
  await until(() => phone.standing?.is === 'asks');
  await until(async () => (await devices()).length === 1);
  await say('is ours');
  await until(() => phone.is.calls !== undefined);
  return phone;
}

beforeEach(async () => {
  relayed = new Relayed();
  locks = [callerLock(OTHERS_CALL)];
  hold(locks);
  phones = [];
  without = '';
  now = TEN_FIFTEEN;
  changes = new Changes();
  gate = new Gate(db, changes, {
    now: () => now,
    system: async () => {
      const system = (await readRecord(db, DEMO_ID))?.system;
      if (!system) return undefined;
      const { [without]: _, ...phones } = system.phones;
      return { ...system, phones };
    },
    hold: (name) => {
      locks.push(name);
      return () => void locks.splice(locks.indexOf(name), 1);
    },
    relay: (token, told) => relayed.connect({ as: 'exchange', token }, told),
  });
  parts.push(changes, gate);
  over = false;
  changes.listen((change) => {
    gate.changed(change).catch((error: unknown) => {
      // What was on its way when the test ended finds its database closed.
      if (!over) throw error;
    });
  });
  link = await invited();
  await gate.look();
});
afterEach(() => {
  over = true;
  for (const phone of phones) phone.close();
});

describe('by its link', () => {
  it('a device asks, and is the phone once somebody says that it is theirs', async () => {
    const phone = await open(link);
    await until(async () => phone.standing?.is === 'asks' && (await devices()).length === 1);
    await pass(500);
    // Nothing of the business is told to whoever only asks.
    expect(phone.is).toEqual({});
    const [device] = await devices();
    expect(device).toMatchObject({ state: 'asks', name: 'tablet', phoneId: NOOR });
    await say('is ours');
    await until(() => phone.is.business !== undefined && phone.is.calls !== undefined);
    expect(phone.standing).toMatchObject({
      is: 'paired',
      phoneId: NOOR,
      who: 'Noor Haddad, Computer softphone',
    });
    expect(phone.is.business!.system.business.name).toBe('Lantern Cove Boatworks');
    expect(locks.some((l) => l.includes(NOOR))).toBe(true);
  });

  it('used a second time it lets nobody in, tells the owner, and suspends the first device until they say', async () => {
    const first = await paired();
    const second = await open(link, 'another');
    await until(() => second.standing?.is === 'refused');
    expect(second.standing).toMatchObject({ why: expect.stringContaining('works once') as string });
    await until(() => first.standing?.is === 'suspended');
    expect((await devices())[0]).toMatchObject({
      state: 'suspended',
      why: expect.stringContaining('second time') as string,
    });
    expect(locks.some((l) => l.includes(NOOR))).toBe(false);
    await say('is ours');
    await until(() => first.standing?.is === 'paired');
  });

  it('with another secret it is refused, and locked after five tries', async () => {
    const wrong = { ...link, secret: freshSecret() };
    for (let i = 0; i < 5; i++) {
      const phone = await open(wrong, `try-${i}`);
      await until(() => phone.standing?.is === 'refused');
      phone.close();
    }
    expect(await readOne(db, 'invitations', link.invitationId)).toMatchObject({ state: 'locked' });
    const late = await open(link);
    await until(() => late.standing?.is === 'refused');
    expect(late.standing).toMatchObject({ why: expect.stringContaining('locked') as string });
    expect(await devices()).toEqual([]);
  });

  it('is good for 24 hours', async () => {
    now = TEN_FIFTEEN + 24 * 60 * 60_000;
    const phone = await open(link);
    await until(() => phone.standing?.is === 'refused');
    expect(phone.standing).toMatchObject({ why: expect.stringContaining('24 hours') as string });
  });

  it('a device that nobody knows, without a link, is told so', async () => {
    const phone = await open(link, 'stranger', makeKeys(), false);
    await until(() => phone.standing?.is === 'refused');
    expect(await devices()).toEqual([]);
  });
});

describe('a device that is a phone', () => {
  it('hears of calls, answers, and calls', async () => {
    const phone = await paired();
    await place('+13605550142');
    await until(() => phone.is.calls!.calls.length > 0 || seen.size > 0);
    await phone.ask({
      do: 'act',
      action: {
        kind: 'place',
        request: {
          id: 'from-afar',
          at: 0,
          from: { kind: 'phone', phoneId: NOOR },
          to: { kind: 'digits', digits: '104' },
          behaviour: null,
        },
      },
    });
    await until(() => phone.is.calls!.calls.some((c) => c.request.id === 'from-afar'));
    expect(seen.get('from-afar')).toBeDefined();
  });

  it('does nothing for phones of others, and nothing that no page of ours asks', async () => {
    const phone = await paired();
    await expect(
      phone.ask({ do: 'act', action: { kind: 'hold', callId: 'c', phone: 'rosa-desk' } }),
    ).rejects.toThrow('not a phone of yours');
    const asking = phone.ask({ do: 'set', settings: [{ kind: 'pins' } as never], by: 'x', at: null });
    const failed = asking.catch((e: Error) => e.message);
    expect(await comes(failed, 100)).toContain('does not answer');
  });

  it('never receives what its person may not see', async () => {
    const phone = await paired();
    await place('+13605550142');
    await pass(2000);
    expect(phone.received.length).toBeGreaterThan(4);
    for (const heard of phone.received) {
      expect(heard).not.toContain(DOVS);
      expect(heard).not.toContain('"secret"');
      expect(heard).not.toContain('privateKey');
    }
  });

  it('comes back without a link, and the owner sees when it was there', async () => {
    const keys = makeKeys();
    const phone = await paired(keys);
    phone.close();
    // A moment longer it is taken to be there: most that are cut off come back at once.
    await until(() => gate.states[0]!.devices.length === 0);
    expect(locks.some((l) => l.includes(NOOR))).toBe(true);
    await pass(LINGER_MS);
    expect(locks.some((l) => l.includes(NOOR))).toBe(false);
    now += 60_000;
    const again = await open(link, 'tablet', keys, false);
    await until(() => again.is.calls !== undefined);
    await until(async () => (await devices())[0]!.seenAt === now);
    expect((await devices())[0]).toMatchObject({ state: 'paired', version: 'test 1' });
  });

  it('hears what is said to it alone, and speaks only as itself', async () => {
    const phone = await paired();
    const voice = new BroadcastChannel('upper-line:voice');
    const heard: unknown[] = [];
    voice.onmessage = ({ data }: MessageEvent<unknown>) => heard.push(data);
    const signal = { callId: 'c', kind: 'here' as const };
    voice.postMessage({ ...signal, from: 'rosa-desk', to: NOOR });
    voice.postMessage({ ...signal, from: 'rosa-desk', to: 'mei-desk' });
    await until(() => phone.signals.length > 0);
    phone.far.signal({ ...signal, from: NOOR, to: 'rosa-desk' });
    phone.far.signal({ ...signal, from: 'mei-desk', to: 'rosa-desk' });
    await until(() => heard.length > 0);
    await pass(300);
    expect(phone.signals).toEqual([{ ...signal, from: 'rosa-desk', to: NOOR }]);
    expect(heard).toEqual([{ ...signal, from: NOOR, to: 'rosa-desk' }]);
    voice.close();
  });

  it('finds another phone that is on another machine, too', async () => {
    const noor = await paired();
    const mei = await open(await invited('mei-mobile-app', 'invitation-2'), 'laptop');
    await until(async () => (await devices()).length === 2);
    await say('is ours', (await devices()).find((d) => d.state === 'asks')!.id);
    await until(() => mei.is.calls !== undefined);
    const description = { type: 'offer' as const, sdp: 'v=0' };
    noor.far.signal({
      callId: 'c',
      from: NOOR,
      to: 'mei-mobile-app',
      kind: 'description',
      description,
      of: 'a',
    });
    await until(() => mei.signals.length > 0);
    mei.far.signal({ callId: 'c', from: 'mei-mobile-app', to: NOOR, kind: 'here' });
    await until(() => noor.signals.length > 0);
    expect(mei.signals).toEqual([
      { callId: 'c', from: NOOR, to: 'mei-mobile-app', kind: 'description', description, of: 'a' },
    ]);
  });

  it('shut out, it is no phone any more, hears nothing, and is told whenever it comes again', async () => {
    const keys = makeKeys();
    const phone = await paired(keys);
    await say('shut out');
    await until(() => phone.standing?.is === 'shut out');
    const before = phone.received.length;
    await place('+13605550142');
    await pass(1000);
    expect(phone.received).toHaveLength(before);
    const { standing } = (await db.get('standing', DEMO_ID))!;
    expect(standing.registrations[NOOR]).toBeUndefined();
    phone.close();
    const again = await open(link, 'tablet', keys, false);
    await until(() => again.standing?.is === 'shut out');
    expect(again.is).toEqual({});
    // There is no way back: not by a word either.
    await say('is ours');
    await pass(300);
    expect((await devices())[0]!.state).toBe('shut out');
  });

  it('whose phone is taken out of the business waits, gives nothing up, and is it again when that is undone', async () => {
    const phone = await paired();
    without = NOOR;
    changes.tell({ businessId: DEMO_ID, what: 'in force' });
    await until(() => phone.standing?.is === 'suspended');
    expect(phone.standing).toMatchObject({ why: expect.stringContaining('removed') as string });
    without = '';
    changes.tell({ businessId: DEMO_ID, what: 'in force' });
    await until(() => phone.standing?.is === 'paired');
  });

  it('asks what takes reckoning, and gets it whole', async () => {
    const phone = await paired();
    const values = { always: { to: 'outside' as const, number: '+12065550101' } };
    const asked = [
      phone.ask({ do: 'if called', values, supposed: true }),
      phone.ask({ do: 'effect', values }),
    ] as const;
    let done: unknown[] = [];
    void Promise.all(asked).then((answers) => (done = answers));
    await until(() => done.length > 0);
    const [trace, effect] = done as [{ kind: string }[], { found: unknown[] }];
    expect(trace.some((e) => e.kind === 'leg offered')).toBe(true);
    expect(effect.found.length).toBeGreaterThan(0);
  });

  it('answers here again where another browser had taken its place', async () => {
    const phone = await paired();
    const { token } = (await exchangeKeys(db, changes, DEMO_ID, now)) ?? {};
    const other = relayed.connect({ as: 'exchange', token }, { ...QUIET, replaced: () => {} });
    await until(() => gate.states[0]!.replaced);
    await gate.again(DEMO_ID);
    await until(() => phone.cut === null && gate.states[0]!.devices.length === 1);
    other.close();
  });

  it('another device that is this phone takes its place', async () => {
    const first = await paired();
    const other = await open(await invited(NOOR, 'invitation-2'), 'new phone');
    await until(() => other.standing?.is === 'asks');
    await until(async () => (await devices()).length === 2);
    await say('is ours', (await devices()).find((d) => d.state === 'asks')!.id);
    await until(() => first.standing?.is === 'shut out' && other.is.calls !== undefined);
  });
});

describe('a relay that means harm', () => {
  /** Every so many pieces something is done to one. */
  const every = (n: number, does: (piece: string, next: (p: string) => void) => readonly string[]): Hands => {
    let count = 0;
    const held: string[] = [];
    return (piece) => {
      const out = [...held.splice(0)];
      if (++count % n === 0) return [...does(piece, (p) => held.push(p)), ...out];
      return [piece, ...out];
    };
  };
  it.each<[string, () => Hands]>([
    ['doubles', () => every(7, (p) => [p, p])],
    ['drops', () => every(7, () => [])],
    ['reorders', () => every(7, (p, hold) => (hold(p), []))],
    ['alters', () => every(7, (p) => [`${p.slice(0, -2)}${p.endsWith('AA') ? 'BB' : 'AA'}`])],
  ])('that %s: everything comes to be as it should, and nothing is done twice', async (_, hands) => {
    const phone = await paired();
    relayed.hands = hands();
    const asked = Array.from({ length: 3 }, (_, i) =>
      phone.ask({ do: 'write', to: { with: ['mei'] }, text: `word ${i}` }).catch((e: Error) => e.message),
    );
    await comes(Promise.all(asked), 100);
    relayed.hands = (p) => [p];
    await until(() => phone.cut === null, 100);
    const words = (await readMany(db, 'words', DEMO_ID))
      .map((w) => w.text)
      .filter((t) => t.startsWith('word'));
    expect(words.length).toBe(new Set(words).size);
    // Whatever was lost: once it is left alone again, the phone is as good as ever.
    await comes(phone.ask({ do: 'write', to: { with: ['mei'] }, text: 'the last' }));
    await until(() => phone.is.circles?.words.some((w) => w.text === 'the last') ?? false, 100);
  });

  it('ended and begun again in the middle, both come back by themselves', async () => {
    const phone = await paired();
    relayed.restart();
    await until(() => phone.cut === null && gate.states[0]!.devices.length === 1);
    await phone.ask({ do: 'write', to: { with: ['mei'] }, text: 'still here' });
    const words = await readMany(db, 'words', DEMO_ID);
    expect(words.filter((w) => w.text === 'still here')).toHaveLength(1);
  });
});
