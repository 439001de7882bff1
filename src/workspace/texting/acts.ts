/** Texting: the approval a business needs, the texts that go out and come in, and who sees to a conversation. */
import { nanoid } from 'nanoid';
import { conversationKey, textRow, type ThreadChange } from '../../core/story';
import type { WishEntered } from '../../core/texting';
import { TextingFacts } from '../../standins/carrier/approval';
import { carriesTexts, TextMessage } from '../../standins/carrier/texting';
import { change, firstProblem, no, type Answer } from '../carrier/carrier';
import { TextRecord, ThreadRecord } from '../stored/records';
import { within } from '../stored/store';
import type { Place } from '../place';
import type { Workspace } from '../workspace';
import { DIALOGUE_STORES, heardByDialogue } from '../by-itself/dialogues';
import { raise } from '../by-itself/raise';
import { isOneByOne } from '../stored/kinds';
import type { Change } from '../stored/sync';
import { openTexts, putAnswer, putLeaving, stoppedIn } from './kept';

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

type Words = Pick<TextMessage, 'from' | 'to' | 'text' | 'files' | 'sendAt'>;
export type Sent = { ok: true; text: TextRecord } | Extract<Answer, { ok: false }>;

/** A year: later than that is a slip. */
const LATEST_MS = 366 * 86_400_000;

/**
 * Hands a text to the carrier, which holds it back until the business may send texts; or keeps it until its time.
 * @returns the text as it was kept, or why not
 */
export async function sendText(workspace: Place, words: Words): Promise<Sent> {
  const { id: businessId, by } = workspace;
  const at = workspace.now();
  const read = TextRecord.safeParse({
    ...words,
    id: nanoid(10),
    businessId,
    way: 'out',
    at,
    ...(by ? { by } : {}),
  });
  if (!read.success) return firstProblem(read.error.issues) as Extract<Answer, { ok: false }>;
  const text = read.data;
  const { sendAt } = text;
  if (sendAt !== undefined && sendAt <= at) return refused('That time is over.', 'sendAt');
  if (sendAt !== undefined && sendAt > at + LATEST_MS)
    return refused('That is more than a year away.', 'sendAt');
  for (const { hash, name } of text.files ?? [])
    if ((await workspace.db.getKey('files', [businessId, hash])) === undefined)
      return refused(`${name} is not in this browser any more: add it again.`, 'files');
  const answer = await workspace.db.write('text', async (open): Promise<Sent> => {
    const tx = openTexts(open);
    if (await stoppedIn(tx, businessId, text.to))
      return refused('They want no texts, and said so. None may go there before they send START.', 'to');
    const kept = sendAt === undefined ? await putLeaving(tx, text) : text;
    if (sendAt !== undefined) within(tx.objectStore('texts').put(text));
    await tx.done;
    return { ok: true, text: kept };
  });
  if (answer.ok) await workspace.changedOnes('texts', [text.id]);
  return answer;
}
const refused = (message: string, field: string) => no(message, field) as Extract<Answer, { ok: false }>;

/** A text from an outside phone to a number; numbers that cannot text, or are not ours, take none. */
export async function receiveText(workspace: Workspace, words: Omit<Words, 'sendAt'>): Promise<Answer> {
  const { id: businessId, view } = workspace;
  const read = TextRecord.safeParse({ ...words, id: nanoid(10), businessId, way: 'in', at: workspace.now() });
  if (!read.success) return firstProblem(read.error.issues);
  const text = read.data;
  const { system } = view.inForce;
  let raised: string[] = [];
  let said: Change[] = [];
  const number = Object.values(system.numbers).find((n) => n.e164 === text.to);
  if (!number) return no('Not delivered: nobody has this number.', 'to');
  if (!carriesTexts(number)) return no('Not delivered: this number takes calls only.', 'to');
  const ids = await workspace.db.write('text', async (open) => {
    const tx = open('errands', ...DIALOGUE_STORES);
    within(tx.objectStore('texts').put(text));
    const row = textRow(text);
    if (row) raised = await raise(tx, businessId, system, [{ is: 'dealt with', row }]);
    const answer = await putAnswer(tx, text, system);
    said = await heardByDialogue(tx, text, system);
    await tx.done;
    return answer ? [text.id, answer.id] : [text.id];
  });
  await workspace.changedOnes('texts', ids);
  if (raised.length) await workspace.changedOnes('errands', raised);
  for (const { what, ids } of said) if (isOneByOne(what)) await workspace.changedOnes(what, ids);
  return { ok: true };
}

/** Texts that were to go later do not. @returns takes it back, as long as their time has not come */
/** Takes it back, by way of a workspace of the same business. */
type BackBy = (workspace: Place) => Promise<string | undefined>;

export async function callOff(workspace: Place, id: string): Promise<BackBy | null> {
  const gone = await workspace.db.write('text', async (open) => {
    const tx = open('texts');
    const text = TextRecord.safeParse(await tx.objectStore('texts').get(id)).data;
    if (text?.sendAt === undefined) return null;
    within(tx.objectStore('texts').delete(id));
    await tx.done;
    return text;
  });
  await workspace.changedOnes('texts', [id]);
  return (
    gone &&
    (async (workspace) => {
      const { id: _, way: __, at: ___, businessId: ____, by: _____, ...words } = gone;
      const again = await sendText(workspace, words);
      return again.ok ? undefined : again.message;
    })
  );
}

/** A stop that was spoken, or that somebody may be texted again after a plain refusal. */
export const enterWish = (workspace: Workspace, number: string, does: WishEntered['does']): Promise<Answer> =>
  change<Answer>(workspace, ({ dealings }) => {
    const wish = { number, does, at: workspace.now(), by: workspace.by ?? 'whoever runs the system' };
    return {
      side: { dealings: { ...dealings, wishes: [...(dealings.wishes ?? []), wish] } },
      answer: { ok: true },
    };
  });

export type ThreadChanged = { ok: true; back: BackBy } | Extract<Answer, { ok: false }>;

/**
 * Gives a conversation to somebody, closes it or opens it again.
 * @returns takes it back; or why it was not done
 */
export async function changeThread(
  workspace: Place,
  between: { ours: string; theirs: string },
  change: ThreadChange,
): Promise<ThreadChanged> {
  const id = conversationKey(between.ours, between.theirs);
  const { id: businessId } = workspace;
  const put = async (
    workspace: Place,
    how: (known: ThreadRecord) => ThreadRecord | string,
  ): Promise<{ was: ThreadRecord; is: ThreadRecord } | string> => {
    const done = await workspace.db.write('text', async (open) => {
      const tx = open('threads');
      const raw = await tx.objectStore('threads').get(id);
      const was = ThreadRecord.safeParse(raw).data ?? { id, businessId, at: 0 };
      const is = how(was);
      if (typeof is === 'string') return is;
      within(tx.objectStore('threads').put(is));
      await tx.done;
      return { was, is };
    });
    await workspace.changedOnes('threads', [id]);
    return done;
  };
  const at = workspace.now();
  const done = await put(workspace, ({ assignedTo, closedAt, ...known }) => {
    const kept = {
      ...known,
      at,
      ...(assignedTo ? { assignedTo } : {}),
      ...(closedAt === undefined ? {} : { closedAt }),
    };
    switch (change.does) {
      case 'give': {
        if (assignedTo !== change.seen) {
          const who = assignedTo ? (workspace.nameOf(assignedTo) ?? 'Somebody') : 'Nobody';
          return assignedTo
            ? `${who} has taken it meanwhile.`
            : 'It was given back meanwhile: nobody has it now.';
        }
        const { assignedTo: _, ...free } = kept;
        return change.to ? { ...free, assignedTo: change.to } : free;
      }
      case 'close':
        return { ...kept, closedAt: at };
      case 'open': {
        const { closedAt: _, ...open } = kept;
        return open;
      }
    }
  });
  if (typeof done === 'string') return refused(done, 'who');
  return {
    ok: true,
    back: async (workspace) => {
      const back = await put(workspace, (known) =>
        known.at === done.is.at && known.assignedTo === done.is.assignedTo
          ? { ...done.was, at: workspace.now() }
          : 'It was changed elsewhere meanwhile, and stays as it is.',
      );
      return typeof back === 'string' ? back : undefined;
    },
  };
}
