/** What stand-in phones of the staff do: they open their letters, and they are somewhere. */
import type { System } from '$core/system';
import { PhoneSettings } from '$standins/mail/invitation';
import { pair, type Invitation } from '$workspace';
import { theBusiness } from '../window/session.svelte';

/** An address outside every office: kept for documentation (RFC 5737). */
export const OUTSIDE_ADDRESS = '203.0.113.77';

/** Where a phone can be: on the first network of each site, or outside. */
export async function placesOf({
  sites,
}: Pick<System, 'sites'>): Promise<{ address: string; name: string }[]> {
  const { hostIn } = await import('$core/numbering/networks');
  const offices = Object.values(sites).flatMap((s) =>
    s.networks[0] ? [{ address: hostIn(s.networks[0]), name: `in the office: ${s.name}` }] : [],
  );
  return [...offices, { address: OUTSIDE_ADDRESS, name: 'outside the office' }];
}

const VERSIONS: Record<string, string> = {
  'mobile app': 'Stand-in app 3.2',
  computer: 'Stand-in softphone 5.0',
  browser: 'Stand-in browser 1.0',
};

/** A stand-in opens the letter of an invitation and pairs with what it says. @returns what went wrong, or '' */
export async function takeUp(invitation: Invitation, address: string): Promise<string> {
  const letter = theBusiness().view.mail.find((m) => m.id === invitation.mailId);
  const who = theBusiness().system.people[invitation.personId]?.name ?? 'Somebody';
  if (!letter) return `${who} has no letter.`;
  const { default: PostalMime } = await import('postal-mime');
  const { attachments } = await PostalMime.parse(letter.raw);
  const file = attachments.find((a) => a.filename === 'phone-settings.json');
  const read = PhoneSettings.safeParse(
    file ? JSON.parse(new TextDecoder().decode(file.content as ArrayBuffer)) : null,
  );
  if (!read.success) return `${who}: the mail holds no settings file.`;
  const kind = theBusiness().system.phones[invitation.phoneId]?.kind ?? '';
  const device = { address, version: VERSIONS[kind] ?? 'Stand-in', standIn: true };
  const paired = await pair(
    theBusiness().db,
    theBusiness().changes,
    read.data.number,
    read.data.code,
    device,
  );
  await theBusiness().workspace.refresh('standing');
  await theBusiness().workspace.refresh('invitations');
  return paired.ok ? '' : `${who}: ${paired.message}`;
}
