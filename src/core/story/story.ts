/** Everything we had to do with people outside and inside, in one order of time: calls, messages, texts. */
import { ending, listed, whoCalls, whoseName } from '../calls';
import { writeNumber } from '../numbering';
import type { Contact, NumberHeld, System } from '../system';
import { factsOfCall } from './facts';
import { callRow, faxRow, messageRow, partiesOf, textRow, type Row } from './log/rows';
import type { CallKept, FaxKept, MessageKept, TextKept } from './records';

/** One thing that was dealt with, with its records. */
export interface Entry extends Row {
  /** Who the other side is: a contact, a number, a colleague. */
  who: string;
  contact: Contact | undefined;
  /** The line of ours, where there is one. */
  line: NumberHeld | undefined;
  call?: CallKept;
  /** What was left in the call, or stands alone where its call is not kept. */
  message?: MessageKept;
  text?: TextKept;
  fax?: FaxKept;
}

/** What is kept of dealings. */
export interface Kept {
  calls: readonly CallKept[];
  messages: readonly MessageKept[];
  texts: readonly TextKept[];
  faxes?: readonly FaxKept[];
}

function entryOf(
  row: Row,
  system: System,
  whoElse: () => string,
  about: Pick<Entry, 'call' | 'message' | 'text' | 'fax'>,
): Entry {
  const { other } = row.facts;
  const { contact, line } = partiesOf(row, system);
  const who = contact?.name ?? (other ? writeNumber(other, system.business.country) : whoElse());
  return { ...row, ...about, who, contact, line };
}

/** @param message what was left in it */
export const callEntry = (call: CallKept, message: MessageKept | undefined, system: System): Entry => {
  const row = callRow(call, message);
  const { from } = call.request;
  const colleague = () =>
    from.kind === 'phone'
      ? listed([...new Set(row.facts.rungIds.map((id) => system.people[id]?.name ?? 'somebody removed'))]) ||
        whoseName(system, from.phoneId)
      : whoCalls(system, from);
  return entryOf(row, system, colleague, { call, ...(message ? { message } : {}) });
};
export const messageEntry = (message: MessageKept, system: System): Entry =>
  entryOf(messageRow(message), system, () => message.from, { message });
/** @returns null where it has not gone yet */
export function textEntry(text: TextKept, system: System): Entry | null {
  const row = textRow(text);
  return row && entryOf(row, system, () => 'a hidden number', { text });
}
export const faxEntry = (fax: FaxKept, system: System): Entry =>
  entryOf(faxRow(fax), system, () => 'a hidden number', { fax });

/** What there was with some numbers, E.164. */
export function keptWith({ calls, messages, texts, faxes = [] }: Kept, numbers: readonly string[]): Kept {
  const wanted = new Set<string | null>(numbers);
  return {
    // Who called in stands in the request; only what went out has to be looked through for it.
    calls: calls.filter((c) => {
      const { from } = c.request;
      return wanted.has(from.kind === 'outside' ? from.number : factsOfCall(c).other);
    }),
    messages: messages.filter((m) => wanted.has(m.fromNumber)),
    texts: texts.filter((t) => wanted.has(t.way === 'in' ? t.from : t.to)),
    faxes: faxes.filter((f) => wanted.has(f.way === 'in' ? f.from : f.to)),
  };
}

/** The last that there was with somebody, the newest first. @param kept with them, see `keptWith`; each kind in order of time */
export const lastOf = (
  { calls, messages, texts, faxes = [] }: Kept,
  most: number,
  system: System,
): Entry[] => {
  const ids = new Set(calls.slice(-most).map((c) => c.id));
  return storyOf(
    {
      calls: calls.slice(-most),
      // A message stands with its call, however many came since.
      messages: messages.filter((m, i) => i >= messages.length - most || ids.has(m.id)),
      texts: texts.filter((t) => t.sendAt === undefined).slice(-most),
      faxes: faxes.slice(-most),
    },
    system,
  ).slice(0, most);
};

/** The newest first; a message stands with the call it was left in, where that is kept. */
export function storyOf({ calls, messages, texts, faxes = [] }: Kept, system: System): Entry[] {
  const left = new Map(messages.map((m) => [m.id, m]));
  const callIds = new Set(calls.map((c) => c.id));
  return [
    ...calls.map((c) => callEntry(c, left.get(c.id), system)),
    ...messages.filter((m) => !callIds.has(m.id)).map((m) => messageEntry(m, system)),
    ...texts.flatMap((t) => textEntry(t, system) ?? []),
    ...faxes.map((f) => faxEntry(f, system)),
  ].sort((a, b) => b.at - a.at);
}

/** How it ended, in words: "left a message", "nobody answered". */
export const endOf = ({ facts }: Entry, system: System): string =>
  facts.outcome ? ending(facts.outcome, system) : '';
