/** Keys pressed while a mailbox greets or records. */
import { dialIn } from '../mailbox/inbox';
import { redirect } from '../people/people';
import type { Run } from '../base/state';
import { endMessage, tone, type AtMailbox } from '../mailbox/voicemail';

/**
 * A key pressed at a mailbox: 0 leads to whom the mailbox names, the star to its PIN for whoever wants to listen, the square
 * past the greeting or to the end of the message. While a message is left only the square is heard: what has been said
 * must not be lost by a key. Common practice, no source.
 */
export function keyAtMailbox(run: Run, call: AtMailbox, key: string): void {
  const { mailboxId } = call;
  const { zero } = run.world(call).system.mailboxes[mailboxId]!;
  const leads = (key === '0' && zero) || (key === '*' && run.standing.pins?.[mailboxId]);
  if (key !== '#' && (!leads || call.phase === 'message')) return;
  run.say(call, { t: 0, kind: 'key', key });
  if (key === '0') {
    call.onward = { kind: 'mailbox', mailboxId };
    return redirect(run, call, mailboxId, zero!, 'key 0');
  }
  if (key === '*') return dialIn(run, call, mailboxId);
  if (call.phase === 'message') return endMessage(run, call, 'caller');
  if (call.phase === 'greeting') tone(run, call);
}
