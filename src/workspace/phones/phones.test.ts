import 'fake-indexeddb/auto';
import { deleteDB } from 'idb';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { demonstration, DEMO_ID } from '../../../demo/lantern-cove';
import { registeredAt, REGISTERED_SECONDS } from '../../core/system';
import type { AccountDetails } from '../../standins/registrar/accounts';
import {
  accountsOf,
  Changes,
  DB_NAME,
  invite,
  makeAccounts,
  openDatabase,
  pair,
  putPhones,
  registerDesk,
  signOut,
  withdraw,
  Workspace,
  writeWhole,
  type Db,
} from '..';

const IN_OFFICE = '192.0.2.20';
const OUTSIDE = '203.0.113.77';
let db: Db;
let changes: Changes;
/** The other window, in which phones pair and register. */
let elsewhere: Changes;
let w: Workspace;

beforeEach(async () => {
  db = await openDatabase();
  await writeWhole(db, demonstration(Date.now()));
  changes = new Changes();
  elsewhere = new Changes();
  const opened = await Workspace.open(db, changes, DEMO_ID);
  if (!opened.ok) throw new Error(opened.message);
  w = opened.workspace;
});
afterEach(async () => {
  await w.settled();
  w.close();
  changes.close();
  elsewhere.close();
  db.close();
  await deleteDB(DB_NAME);
});

let made = 0;
const fresh = { id: () => `id-${++made}`, random: () => (made++ * 0.137) % 1 };
const phone = (id: string) => w.system.phones[id]!;
const guest = (person: string, of: string) => ({ person: w.system.people[person]!, phone: phone(of) });
const inviteOne = async (person: string, of: string) =>
  (await invite(w, [guest(person, of)], fresh, 'http://x/phone')).sent[0]!;
const device = (address = '') => ({ address, version: 'Test 1', standIn: false });
const pairWith = (number: string, code: string, address = '') =>
  pair(db, elsewhere, number, code, device(address));
const said = async (...args: Parameters<typeof pairWith>) => {
  const paired = await pairWith(...args);
  return paired.ok ? 'paired' : paired.message;
};

describe('inviting and pairing', () => {
  it('mails a code that registers the phone', async () => {
    const { code, to, mailId } = await inviteOne('jonah', 'jonah-browser');
    expect(to).toBe('jonah.achterberg@lanterncove.example');
    expect(w.view.mail.at(-1)).toMatchObject({ id: mailId, to });
    expect(await pairWith('+1 206 555 0199', code)).toMatchObject({ ok: false, field: 'number' });
    expect(await pairWith('360 555 0142', '12')).toMatchObject({ ok: false, field: 'code' });
    expect(await pairWith('360 555 0142', `${code.slice(0, 3)} ${code.slice(3)}`)).toEqual({
      ok: true,
      businessId: DEMO_ID,
      phoneId: 'jonah-browser',
    });
    expect(await said('360 555 0142', code)).toContain('used already');
    await vi.waitFor(() =>
      expect(w.view.standing.registrations['jonah-browser']).toMatchObject({
        online: true,
        version: 'Test 1',
      }),
    );
  });

  it('a private phone typed for the business number is told from an unknown one', async () => {
    const { code } = await inviteOne('jonah', 'jonah-browser');
    expect(await said('(360) 555-0188', code)).toContain('a private phone of Dov Petrenko');
    expect(await said('+44 7700 900123', code)).toContain('That is a mobile number: your own, perhaps');
    expect(await said('boat', code)).toContain('letters');
  });

  it('a newer code makes an earlier one void; one taken back is void; without an address none is sent', async () => {
    const first = await inviteOne('jonah', 'jonah-browser');
    const second = await inviteOne('jonah', 'jonah-browser');
    expect(await said('3605550142', first.code)).toContain('newer one was sent');
    await withdraw(w, ['jonah-browser']);
    expect(await said('3605550142', second.code)).toContain('withdrawn');
    const several = await invite(
      w,
      [guest('anselm', 'anselm-desk'), guest('idris', 'idris-browser')],
      fresh,
      'x',
    );
    expect(several.sent.map((i) => i.personId)).toEqual(['idris']);
    expect(several.not).toEqual([
      { person: w.system.people.anselm, message: expect.stringContaining('no e-mail address') },
    ]);
  });

  it('from a barred network nothing is paired and the code stays good', async () => {
    const { code } = await inviteOne('idris', 'idris-browser');
    expect(phone('idris-browser').outsideOffice).toBe(false);
    expect(await said('3605550142', code, OUTSIDE)).toContain('in the office only');
    expect(w.view.standing.registrations['idris-browser']).toBeUndefined();
    expect(await said('3605550142', code, IN_OFFICE)).toBe('paired');
  });

  it('a phone that may be used outside says from where it is used', async () => {
    w.edit({
      words: 'allow',
      commands: [{ do: 'phone.set', id: 'idris-browser', change: { outsideOffice: true } }],
    });
    await w.settled();
    const { code } = await inviteOne('idris', 'idris-browser');
    expect(await said('3605550142', code, OUTSIDE)).toBe('paired');
    await vi.waitFor(() =>
      expect(w.view.standing.registrations['idris-browser']).toMatchObject({
        outside: true,
        address: OUTSIDE,
      }),
    );
  });
});

describe('desk phones', () => {
  let seed = 0;
  const random = (bytes: Uint8Array<ArrayBuffer>) => bytes.map((_, i) => (i * 31 + 17 * ++seed) % 251);
  const account = async (id = 'rosa-desk', personId = 'rosa') =>
    (await makeAccounts(w, [{ phone: phone(id), personId }], '2xx', random))[0]!;
  const put = (details: AccountDetails, change: Partial<AccountDetails> = {}, address = IN_OFFICE) =>
    registerDesk(db, elsewhere, DEMO_ID, { ...details, ...change }, { knows: ['MD5'], address, cnonce: 'c' });
  const registration = (id = 'rosa-desk') => w.view.standing.registrations[id]!;
  const standing = (id = 'rosa-desk', now = w.now()) =>
    registeredAt(registration(id), 'desk', w.view.standing.accounts[id], now);

  it('register with the details on their card, and say why not with others', async () => {
    const details = await account();
    expect(details).toMatchObject({ extension: '201', port: 5061, transport: 'tls', digitMap: '2xx' });
    expect(JSON.stringify(w.view.standing)).not.toContain(details.password);
    expect((await put(details, { server: 'sip.example' })).words).toContain('Nothing answers at sip.example');
    expect((await put(details, { password: 'x' })).words).toContain('The password is wrong');
    expect(await put(details)).toMatchObject({ ok: true });
    await vi.waitFor(() => expect(registration()).toMatchObject({ address: IN_OFFICE, outside: false }));
    expect((await put(details, {}, OUTSIDE)).words).toContain('in the office only');
  });

  it('a new password puts the phone off as soon as its registration has run out', async () => {
    const first = await account();
    await put(first);
    const { madeAt } = w.view.standing.accounts['rosa-desk']!;
    await vi.waitFor(() => expect(registration().passwordOf).toBe(madeAt));
    expect(standing().why).toBeNull();
    await new Promise((resolve) => setTimeout(resolve, 2));
    const second = await account();
    expect(second.user).toBe(first.user);
    expect(second.password).not.toBe(first.password);
    const now = w.now();
    expect(standing('rosa-desk', now)).toMatchObject({
      registered: true,
      why: 'its password is no longer right',
    });
    expect(standing('rosa-desk', now + REGISTERED_SECONDS * 1000).registered).toBe(false);
    expect((await put(first)).ok).toBe(false);
    expect((await put(second)).ok).toBe(true);
  });

  it('hold several accounts, each registered by itself', async () => {
    w.edit({
      words: 'key',
      commands: [
        { do: 'phone.set', id: 'rosa-desk', change: { keys: [{ personId: 'ines', label: 'Office' }] } },
      ],
    });
    await w.settled();
    const ids = accountsOf(phone('rosa-desk'));
    expect(ids).toEqual(['rosa-desk', 'rosa-desk--ines']);
    const details = await account('rosa-desk', 'ines');
    expect(details).toMatchObject({ account: 'rosa-desk--ines', owner: 'Ines Morel', extension: '209' });
    expect((await put(details)).ok).toBe(true);
    await vi.waitFor(() => expect(registration('rosa-desk--ines')).toBeDefined());
    await signOut(w, ids);
    expect(w.view.standing.registrations['rosa-desk--ines']).toBeUndefined();
    expect(w.view.standing.accounts['rosa-desk--ines']).toBeUndefined();
    expect((await put(details)).words).toContain('no account');
  });

  it('of whoever leaves are as they were if it is undone, and signed out by what goes in force after that', async () => {
    await putPhones(w, ['rosa-desk'], { condition: 'asleep' });
    const was = registration('rosa-desk');
    const leave = () =>
      w.edit({
        words: 'Leaves',
        commands: [
          { do: 'person.remove', id: 'mei' },
          { do: 'phone.remove', id: 'rosa-desk' },
        ],
      });
    const force = async () => {
      await w.settled();
      expect(await w.putInForce(w.view.draft.record.revision)).toBeUndefined();
    };
    expect(leave().ok).toBe(true);
    await force();
    expect(registration('rosa-desk')).toEqual(was);
    w.undo();
    await force();
    expect(registration('rosa-desk')).toEqual(was);
    expect(leave().ok).toBe(true);
    await force();
    w.edit({ words: 'Other', commands: [{ do: 'person.set', id: 'pia', change: { name: 'Pia L' } }] });
    await force();
    expect(w.view.standing.registrations['rosa-desk']).toBeUndefined();
  });

  it('without a network they ring on for as long as they are registered, and sign on again when it is back', async () => {
    await putPhones(w, ['rosa-desk'], { condition: 'no network' });
    const since = registration().conditionSince;
    expect(standing('rosa-desk', since)).toMatchObject({ registered: true, reached: false });
    const { runsOut } = standing('rosa-desk', since);
    expect(runsOut! - since).toBeGreaterThan((REGISTERED_SECONDS * 1000) / 2 - 1);
    expect(runsOut! - since).toBeLessThanOrEqual(REGISTERED_SECONDS * 1000);
    expect(standing('rosa-desk', runsOut!)).toMatchObject({ registered: false, why: 'it has no network' });
    await putPhones(w, ['rosa-desk'], { condition: 'in reach', address: OUTSIDE });
    expect(standing()).toMatchObject({ registered: true, reached: true });
    expect(registration().outside).toBe(true);
  });
});
