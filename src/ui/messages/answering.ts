/** Answering those who called: back by phone, by text, or said to be done. */
import { ending, outcomeOf, whoCalls } from '$core/calls';
import { readOne } from '$workspace';
import { freshId } from '../ids';
import { Line } from '../phone/line.svelte';
import { theBusiness } from '../window/session.svelte';

/** The phone rings first, so long at most; then so long until it is out, in milliseconds of real time. */
const LONGEST_MS = 30_000;

/**
 * Calls a number from one of the business's phones: that rings first, unless it is this window.
 * @returns whether the call went out, and what came of it in words
 */
export async function callFrom(
  phoneId: string,
  number: string,
  here: boolean,
): Promise<{ out: boolean; words: string }> {
  const line = new Line(theBusiness().workspace.id);
  const id = freshId('call');
  const { system } = theBusiness().view.inForce;
  try {
    await line.act({
      kind: 'place',
      request: {
        id,
        at: theBusiness().workspace.now(),
        from: { kind: 'phone', phoneId },
        to: { kind: 'digits', digits: number },
        behaviour: null,
        ...(here ? {} : { ringsFirst: true }),
      },
    });
    for (const end = Date.now() + LONGEST_MS; Date.now() < end;) {
      const live = line.calls.find((c) => c.request.id === id);
      const trace = live?.trace ?? (await readOne(theBusiness().db, 'calls', id))?.trace ?? [];
      const out = trace.find((e) => e.kind === 'goes out');
      if (out)
        return { out: true, words: `calls ${whoCalls(system, { kind: 'outside', number: out.number })}` };
      const ended = outcomeOf(trace);
      if (ended) return { out: false, words: ending(ended.outcome, system) };
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
