/** Answering those who called: back by phone, by text, or said to be done. */
import { ending, outcomeOf, showing } from '$core/calls';
import { readOne } from '$workspace';
import { freshId } from '../ids';
import { Line } from '../phone/line.svelte';
import { theBusiness } from '../window/session.svelte';

/** So long a call to outside is waited for, in milliseconds of real time. */
const LONGEST_MS = 8000;

/** Calls a number from one of the business's phones. @returns whether the call went out, and what came of it in words */
export async function callFrom(phoneId: string, number: string): Promise<{ out: boolean; words: string }> {
  const line = new Line(theBusiness().workspace.id);
  const id = freshId('call');
  try {
    await line.act({
      kind: 'place',
      request: {
        id,
        at: theBusiness().workspace.now(),
        from: { kind: 'phone', phoneId },
        to: { kind: 'digits', digits: number },
        behaviour: null,
      },
    });
    for (const end = Date.now() + LONGEST_MS; Date.now() < end;) {
      const call = await readOne(theBusiness().db, 'calls', id);
      const ended = call && outcomeOf(call.trace);
      if (ended) {
        const { system } = theBusiness().view.inForce;
        const words = `${ending(ended.outcome, system)}${showing(ended.outcome, system)}`;
        return { out: ended.outcome.kind === 'went out', words };
      }
      await new Promise((resolve) => setTimeout(resolve, 100));
    }
    return { out: false, words: line.problem || 'nothing came of it' };
  } finally {
    line.close();
  }
}

/** Whoever called has been answered: what they left waits no longer. @param told what is said of it, with the way back */
export async function markAnswered(
  messageIds: readonly string[],
  callIds: readonly string[],
  told?: string,
): Promise<void> {
  const { workspace } = theBusiness();
  const answeredAt = workspace.now();
  const messages = await workspace.change('messages', messageIds, { heard: true, answeredAt });
  const calls = await workspace.change('calls', callIds, { answeredAt });
  const back = async () => {
    const problems = [await messages(), await calls()];
    return problems.find((p) => p !== undefined);
  };
  if (told) theBusiness().sayDone({ kind: 'info', title: told }, back);
  else theBusiness().did('Said to be answered', back);
}
