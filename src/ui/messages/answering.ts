/** Answering those who called or wrote: back by phone, by text, or said to be done. */
import { here, theBusiness } from '../window/session.svelte';
import type { Back } from '../window/acts-done';

/** A conversation by text, and who had it as the page showed it. */
export interface Thread {
  ours: string;
  theirs: string;
  assignedTo?: string | undefined;
}

/** All of these are taken back together; what could not be is said. */
const together =
  (backs: readonly Back[]): Back =>
  async () => {
    const problems = await Promise.all(backs.map((back) => back()));
    return problems.find((p) => p !== undefined);
  };

/** What is done to each of several conversations. @returns the ways back, and what somebody else did first */
async function toThreads(
  threads: readonly Thread[],
  change: (thread: Thread) => Parameters<ReturnType<typeof here>['deeds']['changeThread']>[1],
): Promise<{ backs: Back[]; refused: string | undefined }> {
  const done = await Promise.all(threads.map((t) => here().deeds.changeThread(t, change(t))));
  return {
    backs: done.flatMap((d) => (d.ok ? [d.back] : [])),
    refused: done.flatMap((d) => (d.ok ? [] : [d.message]))[0],
  };
}

/** Gives what waits for an answer to somebody; it stands so in every window. @param personId empty is nobody in particular */
export async function giveTo(
  personId: string,
  messageIds: readonly string[],
  callIds: readonly string[],
  what: string,
  threads: readonly Thread[] = [],
  faxIds: readonly string[] = [],
): Promise<void> {
  const { workspace, system } = theBusiness();
  const to = { assignedTo: personId || undefined };
  const messages = await workspace.change('messages', messageIds, to);
  const calls = await workspace.change('calls', callIds, to);
  const faxes = await workspace.change('faxes', faxIds, to);
  const { backs, refused } = await toThreads(threads, ({ assignedTo }) => ({
    does: 'give',
    to: personId || undefined,
    seen: assignedTo,
  }));
  const name = system.people[personId]?.name ?? 'Nobody in particular';
  theBusiness().sayDone(
    { kind: 'info', title: `${name} sees to ${what}`, ...(refused ? { detail: refused } : {}) },
    together([messages, calls, faxes, ...backs]),
  );
}

/** Whoever called or wrote has been answered: what they left waits no longer. @param told what is said of it, with the way back */
export async function markAnswered(
  messageIds: readonly string[],
  callIds: readonly string[],
  told?: string,
  threads: readonly Thread[] = [],
  faxIds: readonly string[] = [],
): Promise<void> {
  const { deeds, now: answeredAt } = here();
  const messages = await deeds.changeMessages(messageIds, { heard: true, answeredAt });
  const calls = await deeds.markCalls(callIds, answeredAt);
  const { backs } = await toThreads(threads, () => ({ does: 'close' }));
  if (faxIds.length) backs.push(await theBusiness().workspace.change('faxes', faxIds, { answeredAt }));
  const back = together([messages, calls, ...backs]);
  if (told) here().sayDone({ kind: 'info', title: told }, back);
  else here().did('Said to be answered', back);
}
