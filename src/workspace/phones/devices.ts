/** Phones on other machines: what their exchange is known by, who asks to be one, who is one, and who is not any more. */
import { nanoid } from 'nanoid';
// Each by its file: what seals messages is needed by nobody who only invites.
import { addressOf } from '../../channel/relay/address';
import { base64Url } from '../../channel/sealed/base64url';
import { makeKeys, random, sha256, writePrivate } from '../../channel/sealed/primitives';
import type { JoinLink } from '../../channel/link';
import { newRegistration } from '../../core/system';
import { tryLink, type Invitation } from '../../standins/registrar/pairing';
import type { Db } from '../stored/db';
import { sorted } from '../stored/damage';
import { readMany } from '../stored/reading';
import { StandingRecord, type Device, type DeviceRecord, type ExchangeKeys } from '../stored/records';
import { within } from '../stored/store';
import type { VisitLink } from '../../channel/visit';
import type { Changes } from '../stored/sync';

/** A secret that only a link says: 256 bits. */
export const freshSecret = (): string => base64Url(random(32));

export const devicesIn = (records: readonly DeviceRecord[]): Device[] =>
  records.flatMap((r) => (r.is === 'device' ? [r] : []));
export const keysIn = (records: readonly DeviceRecord[]): ExchangeKeys | undefined =>
  records.find((r) => r.is === 'exchange') as ExchangeKeys | undefined;

/** What the exchange of a business is known by; made when it is first needed. @param at epoch milliseconds */
export async function exchangeKeys(
  db: Db,
  changes: Changes,
  businessId: string,
  at: number,
): Promise<ExchangeKeys> {
  const known = keysIn(await readMany(db, 'devices', businessId));
  if (known) return known;
  const pair = await makeKeys(true);
  const made: ExchangeKeys = {
    is: 'exchange',
    id: `exchange-${nanoid(12)}`,
    businessId,
    at,
    publicKey: base64Url(pair.publicKey),
    privateKey: base64Url(await writePrivate(pair.privateKey)),
    token: freshSecret(),
  };
  // Another window may have made them meanwhile: those hold.
  const kept = await db.write('call', async (open) => {
    const tx = open('devices');
    const store = tx.objectStore('devices');
    const there = keysIn(sorted('devices', await store.index('business').getAll(businessId)).good);
    if (!there) within(store.put(made));
    await tx.done;
    return there ?? made;
  });
  changes.tell({ businessId, what: 'devices', ids: [kept.id] });
  return kept;
}

/** What the exchange is connected by for visitors of a site: another address, which tells nothing of the one for phones. */
export const visitTokenOf = async ({ token }: Pick<ExchangeKeys, 'token'>): Promise<string> =>
  base64Url(await sha256(new TextEncoder().encode(`visits ${token}`)));

/** What the address of a call button's page says. */
export const visitLinkOf = async (keys: Pick<ExchangeKeys, 'publicKey' | 'token'>): Promise<VisitLink> => ({
  address: await addressOf(await visitTokenOf(keys)),
  publicKey: keys.publicKey,
});

/** What the link of an invitation says. */
export const linkOf = async (
  keys: Pick<ExchangeKeys, 'publicKey' | 'token'>,
  { id, secret }: { id: string; secret: string },
): Promise<JoinLink> => ({
  address: await addressOf(keys.token),
  publicKey: keys.publicKey,
  invitationId: id,
  secret,
});

/** What a device says of itself. */
export interface Joining {
  invitationId: string;
  secret: string;
  publicKey: string;
  name: string;
  kind: string;
  version: string;
}

export type Joined = { ok: true; device: Device } | { ok: false; message: string };

/**
 * A device asks, by the link of an invitation. A link that is used a second time suspends the first device, until somebody has
 * said which of them is theirs.
 */
export async function join(
  db: Db,
  changes: Changes,
  businessId: string,
  { invitationId, secret, ...says }: Joining,
  now: number,
): Promise<Joined> {
  const done = await db.write('invitations', async (open): Promise<Joined> => {
    const tx = open('invitations', 'devices');
    const [invitations, devices] = [tx.objectStore('invitations'), tx.objectStore('devices')];
    const raw: unknown = await invitations.get(invitationId);
    const [invitation] = raw === undefined ? [] : sorted('invitations', [raw]).good;
    const tried = tryLink(invitation?.businessId === businessId ? invitation : undefined, secret, now);
    let result: Joined;
    if (tried.ok) {
      const device: Device = {
        is: 'device',
        id: `device-${nanoid(12)}`,
        businessId,
        at: now,
        phoneId: tried.invitation.phoneId,
        invitationId,
        ...says,
        state: 'asks',
        seenAt: null,
      };
      within(invitations.put(tried.invitation));
      within(devices.put(device));
      result = { ok: true, device };
    } else {
      if (tried.changed) within(invitations.put(tried.changed));
      if (tried.again) {
        const all = devicesIn(sorted('devices', await devices.index('business').getAll(businessId)).good);
        for (const device of all)
          if (device.invitationId === invitationId && ['asks', 'paired'].includes(device.state)) {
            const why = `Its link was used a second time, by ${says.kind || 'another device'}. If that was not you, somebody else has read the invitation.`;
            within(devices.put({ ...device, state: 'suspended', why }));
          }
      }
      result = { ok: false, message: tried.message };
    }
    await tx.done;
    return result;
  });
  changes.tell({ businessId, what: 'invitations' });
  changes.tell({ businessId, what: 'devices' });
  return done;
}

/** What somebody may say of a device: it is theirs, it is not for now, or never again. */
export type DeviceWord = 'is ours' | 'suspend' | 'shut out';

/**
 * Carries it out at once. One that is ours is the phone from then on, and any other device that was is not; one that is shut out
 * is no phone of ours any more, and its key opens nothing.
 * Whoever calls it tells the windows: `devices` and `standing` changed.
 * @param now epoch milliseconds @returns it as it is then, or undefined where it is gone
 */
export const sayOfDevice = (
  db: Db,
  businessId: string,
  id: string,
  word: DeviceWord,
  now: number,
): Promise<Device | undefined> =>
  db.write('standing', async (open) => {
    const tx = open('devices', 'standing');
    const devices = tx.objectStore('devices');
    const all = devicesIn(sorted('devices', await devices.index('business').getAll(businessId)).good);
    const known = all.find((d) => d.id === id);
    let next: Device | undefined;
    if (known && known.state !== 'shut out') {
      const { why: _, ...rest } = known;
      const { phoneId } = known;
      const record = StandingRecord.safeParse(await tx.objectStore('standing').get(businessId)).data;
      const { [phoneId]: before, ...others } = record?.standing.registrations ?? {};
      let registrations = record?.standing.registrations ?? {};
      switch (word) {
        case 'is ours':
          next = { ...rest, state: 'paired' };
          for (const other of all)
            if (other.id !== id && other.phoneId === phoneId && other.state !== 'shut out')
              within(devices.put({ ...other, state: 'shut out', why: 'Another device is this phone now.' }));
          registrations = {
            ...others,
            [phoneId]: newRegistration({
              ...(known.state === 'suspended' && before ? { pairedAt: before.pairedAt } : { pairedAt: now }),
              online: false,
              version: known.kind.slice(0, 60),
            }),
          };
          break;
        case 'suspend':
          next = { ...known, state: 'suspended' };
          break;
        case 'shut out':
          next = { ...rest, state: 'shut out' };
          // Where another device or window is this phone by now, that stays.
          if (['paired', 'suspended'].includes(known.state)) registrations = others;
          break;
      }
      within(devices.put(next));
      if (record && registrations !== record.standing.registrations) {
        const { revision } = record.standing;
        const standing = { ...record.standing, revision: revision + 1, registrations };
        within(tx.objectStore('standing').put({ businessId, standing }));
      }
    }
    await tx.done;
    return next;
  });
/** A device was there: when, and as which version. @param now epoch milliseconds */
export async function sawDevice(
  db: Db,
  changes: Changes,
  { businessId, id }: Device,
  now: number,
  version: string,
): Promise<void> {
  await db.write('call', async (open) => {
    const tx = open('devices');
    const raw: unknown = await tx.objectStore('devices').get(id);
    const [known] = raw === undefined ? [] : devicesIn(sorted('devices', [raw]).good);
    if (known) within(tx.objectStore('devices').put({ ...known, seenAt: now, version }));
    await tx.done;
  });
  changes.tell({ businessId, what: 'devices', ids: [id] });
}

/** Whether somebody may still come by the link of an invitation, be it to hear why it is good no more. @param now epoch milliseconds */
export const mayComeBy = ({ secret, expiresAt }: Invitation, now: number): boolean =>
  secret !== undefined && now < expiresAt;
