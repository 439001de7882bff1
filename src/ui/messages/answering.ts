/** Answering those who called: back by phone, by text, or said to be done. */
import { here } from '../window/session.svelte';

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
