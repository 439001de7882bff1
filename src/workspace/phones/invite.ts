/** Inviting people to pair their phones by mail, and taking invitations back. */
import { momentInFull, writingOf } from '../../core/hours';
import { writeJoin } from '../../channel/link';
import { writeNumber } from '../../core/numbering';
import type { InvitationWording, Person, Phone, System } from '../../core/system';
import { rawMessage } from '../../standins/mail/compose';
import {
  invitationParts,
  invitationWords,
  pairingLink,
  type PhoneSettings,
} from '../../standins/mail/invitation';
import { codeFrom } from '../../standins/registrar/pairing';
import type { Invitation, MailRecord } from '../stored/records';
import { exchangeKeys, freshSecret, linkOf } from './devices';
import type { Workspace } from '../workspace';

/** The number people know the business by: its first, in the order they were taken. */
export const businessNumber = (system: System): string | undefined => Object.values(system.numbers)[0]?.e164;

/** Makes what an invitation needs: ids, and random numbers from 0 to 1. */
export interface Fresh {
  id: () => string;
  random: () => number;
}

/** A phone that somebody is invited to pair. */
export interface Guest {
  person: Person;
  phone: Phone;
}

const DAY_MS = 86_400_000;

/** The words of an invitation for a guest, and what is attached. @param at when it is sent @param page of the staff phone */
export function letterFor(
  system: System,
  { person, phone }: Guest,
  wording: InvitationWording,
  code: string,
  at: number,
  page: string,
  join?: string,
): ReturnType<typeof invitationWords> & { settings: PhoneSettings } {
  const { business } = system;
  const number = businessNumber(system) ?? '';
  const facts = {
    name: person.name,
    business: business.name,
    extension: person.extension,
    phone: phone.name.toLowerCase(),
    link: pairingLink(page, number, code, join),
    number: number && writeNumber(number, business.country),
    code,
    until: momentInFull(at + wording.days * DAY_MS, business.timeZone, writingOf(business)),
  };
  const settings = {
    format: 'upper-line-phone',
    version: 1,
    business: business.name,
    number,
    code,
    page,
    ...(join ? { join } : {}),
  } as const;
  return { ...invitationWords(wording, facts), settings };
}

export interface Invited {
  sent: Invitation[];
  /** Those nothing was sent to, with why. */
  not: { person: Person; message: string }[];
}

/**
 * Mails a pairing code for each of some phones; earlier codes for them no longer work.
 * @param page address of the staff phone page
 */
export async function invite(
  workspace: Workspace,
  guests: readonly Guest[],
  fresh: Fresh,
  page: string,
): Promise<Invited> {
  const { system } = workspace;
  const { name, invitation: wording } = system.business;
  const number = businessNumber(system);
  const at = workspace.now();
  const earlier = workspace.view.invitations;
  const keys = await exchangeKeys(workspace.db, workspace.changes, workspace.id, at);
  const codes = new Set(earlier.map((i) => i.code));
  const invitations: Invitation[] = [];
  const mail: MailRecord[] = [];
  const not: Invited['not'] = [];
  for (const { person, phone } of guests) {
    if (!person.email || !number) {
      const message = person.email
        ? 'Get a number first: the invitation names it, and the phone is paired with it.'
        : `${person.name} has no e-mail address to send the invitation to.`;
      not.push({ person, message });
      continue;
    }
    let code = codeFrom(fresh.random());
    while (codes.has(code)) code = codeFrom(fresh.random());
    codes.add(code);
    const [id, invitationId, secret] = [fresh.id(), fresh.id(), freshSecret()];
    const join = writeJoin(await linkOf(keys, { id: invitationId, secret }));
    const { settings, ...words } = letterFor(system, { person, phone }, wording, code, at, page, join);
    const raw = await rawMessage({
      id,
      to: { name: person.name, address: person.email },
      from: { name, address: 'phones@upperline.example' },
      at,
      ...words,
      attachments: await invitationParts(settings),
    });
    mail.push({ id, businessId: workspace.id, at, to: person.email, subject: words.subject, raw });
    invitations.push({
      id: invitationId,
      secret,
      businessId: workspace.id,
      personId: person.id,
      phoneId: phone.id,
      code,
      to: person.email,
      mailId: id,
      sentAt: at,
      expiresAt: at + wording.days * DAY_MS,
      wrongTries: 0,
      state: 'open',
    });
  }
  const phones = new Set(invitations.map((i) => i.phoneId));
  await workspace.putInvitations([...takenBack(earlier, (i) => phones.has(i.phoneId)), ...invitations]);
  await workspace.putMail(mail);
  return { sent: invitations, not };
}

/** Those of some invitations that can still be used, made void. */
const takenBack = (invitations: readonly Invitation[], which: (i: Invitation) => boolean): Invitation[] =>
  invitations
    .filter((i) => which(i) && (i.state === 'open' || i.state === 'locked'))
    .map((i) => ({ ...i, state: 'withdrawn' as const }));

/** Takes invitations of some phones back: their codes no longer work. */
export const withdraw = (workspace: Workspace, phoneIds: readonly string[]): Promise<void> =>
  workspace.putInvitations(takenBack(workspace.view.invitations, (i) => phoneIds.includes(i.phoneId)));
