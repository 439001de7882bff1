/** Texting: the approval a business needs, and the texts that go out and come in. */
import { nanoid } from 'nanoid';
import { carriesTexts, TextingFacts, TextMessage, wantsNone } from '../standins/carrier/texting';
import { change, firstProblem, no, type Answer } from './carrier';
import type { Workspace } from './workspace';

/** Asks for approval to send texts. */
export async function askForTexting(workspace: Workspace, facts: TextingFacts): Promise<Answer> {
  const read = TextingFacts.safeParse(facts);
  if (!read.success) return firstProblem(read.error.issues);
  return change<Answer>(workspace, ({ dealings }) => ({
    side: {
      dealings: { ...dealings, texting: [...dealings.texting, { at: workspace.now(), facts: read.data }] },
    },
    answer: { ok: true },
  }));
}

type Words = Omit<TextMessage, 'id' | 'at' | 'way' | 'by'>;

/** Hands a text to the carrier, which holds it back until the business may send texts. */
export const sendText = (workspace: Workspace, text: Words): Promise<Answer> =>
  keep(workspace, { ...text, way: 'out', ...(workspace.by ? { by: workspace.by } : {}) }, (before) =>
    wantsNone(before, text.to, text.from)
      ? no('They answered STOP to this number. No text may go there before they send START.', 'to')
      : null,
  );

/** A text from an outside phone to a number; numbers that cannot text, or are not ours, take none. */
export const receiveText = (workspace: Workspace, text: Words): Promise<Answer> =>
  keep(workspace, { ...text, way: 'in' }, () => {
    const number = Object.values(workspace.view.inForce.system.numbers).find((n) => n.e164 === text.to);
    if (!number) return no('Not delivered: nobody has this number.', 'to');
    return carriesTexts(number) ? null : no('Not delivered: this number takes calls only.', 'to');
  });

async function keep(
  workspace: Workspace,
  text: Omit<TextMessage, 'id' | 'at'>,
  refused: (before: readonly TextMessage[]) => Answer | null,
): Promise<Answer> {
  const read = TextMessage.safeParse({ ...text, id: nanoid(10), at: workspace.now() });
  if (!read.success) return firstProblem(read.error.issues);
  return change<Answer>(workspace, ({ dealings }) => {
    const answer = refused(dealings.texts);
    if (answer) return { side: null, answer };
    return {
      side: { dealings: { ...dealings, texts: [...dealings.texts, read.data] } },
      answer: { ok: true },
    };
  });
}
