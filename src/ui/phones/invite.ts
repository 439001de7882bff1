/** Sending invitations from a page: what came of it is said. */
import { invite, type Guest } from '$workspace';
import { count } from '../format';
import { fresh } from '../fresh';
import { ui } from '../frame/open.svelte';
import { readSharing } from './apart/sharing';
import { session, theBusiness } from '../window/session.svelte';

/** Phones that are paired by code: not desk phones, which have an account, nor linked ones, which are proved. */
export const isInvited = (kind: string): boolean => ['browser', 'computer', 'mobile app'].includes(kind);

/** What the button says that invites everybody who has no invitation. */
export const inviteAllText = (n: number): string =>
  n > 1 ? `Invite all ${n} who have no invitation` : 'Invite the one who has no invitation';

/** Mails an invitation to each guest and says what came of it. */
export async function sendInvitations(guests: readonly Guest[]): Promise<void> {
  // Where other machines are served, the link leads there: it works here as well.
  const sharing = await readSharing();
  const page = `${sharing?.address ?? location.origin}/phone`;
  const { sent, not } = await invite(theBusiness().workspace, guests, fresh, page);
  const [first] = sent;
  if (first)
    session.say({
      kind: 'success',
      title: sent.length > 1 ? `${count(sent.length, 'invitation')} sent` : `Invitation sent to ${first.to}`,
      detail: sent.length > 1 ? 'They are in the bench’s mail.' : 'It is in the bench’s mail.',
      act: { words: 'Open the mail', do: () => (ui.bench = true) },
    });
  if (not.length)
    session.say({
      kind: 'error',
      title: not.length > 1 ? `${not.length} were not invited` : 'Not invited',
      detail: [...new Set(not.map((n) => n.message))].slice(0, 3).join(' '),
    });
}
