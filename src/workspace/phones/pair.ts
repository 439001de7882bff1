/** The staff side: a business number and a code register a phone. */
import { readNumber } from '../../core/numbering';
import { newRegistration, type Registration, type System } from '../../core/system';
import { tryCode } from '../../standins/registrar/pairing';
import { benchTime } from '../../standins/clock/clock';
import type { Db } from '../stored/db';
import { readRecord } from '../draft';
import { sorted } from '../stored/damage';
import { StandingRecord } from '../stored/records';
import { within } from '../stored/store';
import type { Changes } from '../stored/sync';
import { clockOf } from '../view';

export type Paired =
  | { ok: true; businessId: string; phoneId: string }
  | { ok: false; field: 'number' | 'code'; message: string };

/** What a phone says of itself while it pairs. */
export interface PairedAs extends Pick<Registration, 'version' | 'standIn'> {
  /** Its network address; a window learns it with the business it pairs with. */
  address: string | ((system: System) => Promise<string>);
}

const no = (field: 'number' | 'code', message: string): Paired => ({ ok: false, field, message });
/** Networks of all sites. */
const networksOf = (system: System): string[] => Object.values(system.sites).flatMap((s) => s.networks);

/** Whether a phone at an address is outside every office. Where no site names a network, nothing is. */
export async function isOutsideOf(system: System, address: string): Promise<boolean> {
  const { isOutside } = await import('../../core/numbering/networks');
  return isOutside(address, networksOf(system));
}

/** Registers a phone with a business number and a code. Looks through all businesses of this browser. */
export async function pair(
  db: Db,
  changes: Changes,
  typedNumber: string,
  typedCode: string,
  device: PairedAs,
): Promise<Paired> {
  const ids = await db.getAllKeys('businesses');
  // A business whose data is damaged is told of where it is opened; the others pair as ever.
  const drafts = (await Promise.all(ids.map((id) => readRecord(db, id).catch(() => undefined)))).filter(
    (d) => d !== undefined,
  );
  const found = businessOf(
    drafts.map((d) => d.system),
    typedNumber,
  );
  if ('message' in found) return no('number', found.message);
  const { businessId, system } = drafts[found.index]!;
  const code = typedCode.replace(/[\s-]/g, '');
  if (!/^\d{6}$/.test(code)) return no('code', 'The code has six digits.');
  const now = benchTime(await clockOf(db), Date.now());
  const { version, standIn } = device;
  const address = typeof device.address === 'string' ? device.address : await device.address(system);
  const outside = await isOutsideOf(system, address);
  // One transaction: a code that was used up and no phone that is paired would be the worst of both.
  const result = await db.write('invitations', async (open) => {
    const tx = open('invitations', 'standing');
    const invitations = sorted(
      'invitations',
      await tx.objectStore('invitations').index('business').getAll(businessId),
    );
    const record = StandingRecord.safeParse(await tx.objectStore('standing').get(businessId)).data;
    const tried = tryCode(invitations.good, code, now);
    const refused = tried.ok ? whyNot(system, tried.invitation.phoneId, outside, address) : undefined;
    // A code that cannot be used from here stays good for where it can.
    if (!refused)
      for (const invitation of tried.changed) within(tx.objectStore('invitations').put(invitation));
    if (!refused && tried.ok && record) {
      const registration = newRegistration({ version, standIn, address, outside, pairedAt: now });
      const { revision, registrations } = record.standing;
      const standing = {
        ...record.standing,
        revision: revision + 1,
        registrations: { ...registrations, [tried.invitation.phoneId]: registration },
      };
      within(tx.objectStore('standing').put({ businessId, standing }));
    }
    await tx.done;
    return refused ? { ok: false as const, message: refused } : tried;
  });
  changes.tell({ businessId, what: 'invitations' });
  if (!result.ok) return no('code', result.message);
  const { phoneId } = result.invitation;
  changes.tell({ businessId, what: 'standing' });
  return { ok: true, businessId, phoneId };
}

/** Why a code that is right cannot pair this phone here, or undefined. */
function whyNot(system: System, phoneId: string, outside: boolean, address: string): string | undefined {
  const phone = system.phones[phoneId];
  if (!phone) return 'This phone has been removed since you were invited.';
  if (outside && !phone.outsideOffice)
    return `This phone may be used in the office only, and you are outside it (${address}). Pair it at the office, or ask whoever does the phones to allow it outside. Your code stays good.`;
  return undefined;
}

/** Which of some businesses a typed number belongs to, or what is wrong with it. */
function businessOf(systems: readonly System[], typed: string): { index: number } | { message: string } {
  const readings = [...new Set(systems.map((s) => s.business.country))].map((c) => readNumber(typed, c));
  const whole = readings.flatMap((r) => (r.ok ? r.number.e164 : []));
  if (!whole.length) {
    const wrong = readings.find((r) => !r.ok);
    return { message: wrong && !wrong.ok ? wrong.message : 'Type the business number.' };
  }
  const index = systems.findIndex((s) => Object.values(s.numbers).some((n) => whole.includes(n.e164)));
  if (index >= 0) return { index };
  const own = systems
    .flatMap((s) =>
      Object.values(s.phones).map((p) => ({ number: p.number, who: s.people[p.personId ?? ''] })),
    )
    .find((p) => p.number && whole.includes(p.number));
  if (own)
    return {
      message: `That is a private phone${own.who ? ` of ${own.who.name}` : ''}, not the number of the business. The business number stands in your invitation.`,
    };
  const mobile = readings.some((r) => r.ok && r.number.type === 'MOBILE');
  return {
    message: mobile
      ? 'That is a mobile number: your own, perhaps. Here the number of the business is asked for; it stands in your invitation.'
      : 'No business here has this number. It is the number of the business, from your invitation, not your own.',
  };
}
