/** Inviting a person to pair a softphone, and pairing it. */
import { writeNumber, readNumber } from '../core/numbering';
import type { Person, Phone, System } from '../core/system';
import { invitationWords } from '../standins/mail/letters';
import { rawMessage } from '../standins/mail/compose';
import { codeFrom, CODE_LIFE_MS, tryCode } from '../standins/registrar/pairing';
import type { Db } from './db';
import { clockOf, storeStanding, type Workspace } from './workspace';
import { whileWriting, type Changes } from './sync';
import { benchTime } from '../standins/clock/clock';

/** The number people know the business by: its first, in the order they were taken. */
export const businessNumber = (system: System): string | undefined => Object.values(system.numbers)[0]?.e164;

export type Invited = { ok: true; code: string } | { ok: false; message: string };

/**
 * Mails a pairing code for a phone of a person; earlier codes for it no longer work.
 * @param fresh makes ids and the code's random number (0 to 1); @param page address of the staff phone page
 */
export async function invite(
  workspace: Workspace,
  person: Person,
  phone: Phone,
  fresh: { id: () => string; random: () => number },
  page: string,
): Promise<Invited> {
  const { system } = workspace;
  const number = businessNumber(system);
  if (!person.email)
    return { ok: false, message: `${person.name} has no e-mail address to send the invitation to.` };
  if (!number)
    return {
      ok: false,
      message: 'Get a number first: the invitation names it, and the phone is paired with it.',
    };
  const at = workspace.now();
  const earlier = workspace.view.invitations;
  let code = codeFrom(fresh.random());
  while (earlier.some((i) => i.code === code)) code = codeFrom(fresh.random());
  const withdrawn = earlier
    .filter((i) => i.phoneId === phone.id && (i.state === 'open' || i.state === 'locked'))
    .map((i) => ({ ...i, state: 'withdrawn' as const }));
  const invitation = {
    id: fresh.id(),
    businessId: workspace.id,
    personId: person.id,
    phoneId: phone.id,
    code,
    sentAt: at,
    expiresAt: at + CODE_LIFE_MS,
    wrongTries: 0,
    state: 'open' as const,
  };
  const words = invitationWords({
    business: system.business.name,
    person: person.name,
    extension: person.extension,
    businessNumber: writeNumber(number, system.business.country),
    code,
    page,
  });
  const id = fresh.id();
  const raw = await rawMessage({
    id,
    to: { name: person.name, address: person.email },
    from: { name: system.business.name, address: 'phones@upperline.example' },
    at,
    ...words,
  });
  await workspace.putInvitations([...withdrawn, invitation]);
  await workspace.putMail({
    id,
    businessId: workspace.id,
    at,
    to: person.email,
    subject: words.subject,
    raw,
  });
  return { ok: true, code };
}

export type Paired =
  | { ok: true; businessId: string; phoneId: string }
  | { ok: false; field: 'number' | 'code'; message: string };

/** The staff side: a business number and a code register a phone. Looks through all businesses of this browser. */
export async function pair(db: Db, changes: Changes, typedNumber: string, code: string): Promise<Paired> {
  const drafts = await db.getAll('drafts');
  const countries = new Set(drafts.map((d) => d.system.business.country));
  const readings = [...countries].map((country) => readNumber(typedNumber, country));
  const whole = readings.flatMap((r) => (r.ok ? r.number.e164 : []));
  if (!whole.length) {
    const wrong = readings.find((r) => !r.ok);
    return {
      ok: false,
      field: 'number',
      message: wrong && !wrong.ok ? wrong.message : 'Type the business number.',
    };
  }
  const draft = drafts.find((d) => Object.values(d.system.numbers).some((n) => whole.includes(n.e164)));
  if (!draft)
    return {
      ok: false,
      field: 'number',
      message:
        'No business here has this number. It is the number of the business, from your invitation, not your own.',
    };
  if (!/^\d{6}$/.test(code.trim())) return { ok: false, field: 'code', message: 'The code has six digits.' };
  const { businessId } = draft;
  const now = benchTime(await clockOf(db), Date.now());
  const result = await whileWriting(async () => {
    const tx = db.transaction('invitations', 'readwrite');
    const invitations = await tx.store.index('business').getAll(businessId);
    const tried = tryCode(invitations, code.trim(), now);
    for (const invitation of tried.changed) void tx.store.put(invitation);
    await tx.done;
    return tried;
  });
  changes.tell({ businessId, what: 'invitations' });
  if (!result.ok) return { ok: false, field: 'code', message: result.message };
  const { phoneId } = result.invitation;
  if (!draft.system.phones[phoneId])
    return { ok: false, field: 'code', message: 'This phone has been removed since you were invited.' };
  await storeStanding(db, businessId, (standing) => ({
    ...standing,
    registrations: {
      ...standing.registrations,
      [phoneId]: { pairedAt: now, online: true, outside: false, standIn: false },
    },
  }));
  changes.tell({ businessId, what: 'standing' });
  return { ok: true, businessId, phoneId };
}
