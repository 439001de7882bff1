/** Answering those who called: back by phone, by text, or said to be done. */
import { here, theBusiness } from '../window/session.svelte';

/** Gives what waits for an answer to somebody; it stands so in every window. @param personId empty is nobody in particular */
export async function giveTo(
  personId: string,
  messageIds: readonly string[],
  callIds: readonly string[],
  what: string,
): Promise<void> {
  const { workspace, system } = theBusiness();
  const to = { assignedTo: personId || undefined };
  const messages = await workspace.change('messages', messageIds, to);
  const calls = await workspace.change('calls', callIds, to);
  const name = system.people[personId]?.name ?? 'Nobody in particular';
  const back = async () => {
    const problems = [await messages(), await calls()];
    return problems.find((p) => p !== undefined);
  };
  theBusiness().sayDone({ kind: 'info', title: `${name} sees to ${what}` }, back);
}

/** Whoever called has been answered: what they left waits no longer. @param told what is said of it, with the way back */
export async function markAnswered(
  messageIds: readonly string[],
  callIds: readonly string[],
  told?: string,
): Promise<void> {
  const { deeds, now: answeredAt } = here();
  const messages = await deeds.changeMessages(messageIds, { heard: true, answeredAt });
  const calls = await deeds.markCalls(callIds, answeredAt);
  const back = async () => {
    const problems = [await messages(), await calls()];
    return problems.find((p) => p !== undefined) ?? undefined;
  };
  if (told) here().sayDone({ kind: 'info', title: told }, back);
  else here().did('Said to be answered', back);
}
