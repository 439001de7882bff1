/** Everything we had to do with people outside and inside, in one order of time: calls, messages, texts. */
import { ending, listed, whoCalls, whoseName } from '../calls';
import { writeNumber } from '../numbering';
import type { Contact, NumberHeld, System } from '../system';
import { known } from './known';
import { factsOfCall, factsOfFax, factsOfMessage, factsOfText, type Facts } from './facts';
import type { CallKept, FaxKept, MessageKept, TextKept } from './records';

export type EntryKind = 'call' | 'message' | 'text' | 'fax';

/** One thing that was dealt with. */
export interface Entry {
  id: string;
  kind: EntryKind;
  /** Epoch milliseconds. */
  at: number;
  facts: Facts;
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
  /** All that can be found of it, in lower case. */
  search: string;
}

/** What is kept of dealings. */
export interface Kept {
  calls: readonly CallKept[];
  messages: readonly MessageKept[];
  texts: readonly TextKept[];
  faxes?: readonly FaxKept[];
}

function entryOf(
  base: Pick<Entry, 'id' | 'kind' | 'at'>,
  facts: Facts,
  system: System,
  whoElse: () => string,
  about: Pick<Entry, 'call' | 'message' | 'text' | 'fax'>,
  more = '',
): Entry {
  const { contacts, lines } = known(system);
  const contact = facts.other ? contacts.get(facts.other) : undefined;
  const line = facts.numberId
    ? system.numbers[facts.numberId]
    : facts.ours
      ? lines.get(facts.ours)
      : undefined;
  const written = facts.other ? writeNumber(facts.other, system.business.country) : '';
  const who = contact?.name ?? (written || whoElse());
  return {
    ...base,
    ...about,
    facts,
    who,
    contact,
    line,
    search:
      `${who} ${written} ${facts.other?.replace(/\D/g, '') ?? ''} ${line?.label ?? ''} ${facts.text} ${more}`.toLowerCase(),
  };
}

/** @param message what was left in it */
export const callEntry = (call: CallKept, message: MessageKept | undefined, system: System): Entry => {
  const facts = factsOfCall(call);
  const { from } = call.request;
  const colleague = () =>
    from.kind === 'phone'
      ? listed([...new Set(facts.rungIds.map((id) => system.people[id]?.name ?? 'somebody removed'))]) ||
        whoseName(system, from.phoneId)
      : whoCalls(system, from);
  const names = [...facts.rungIds, ...facts.withIds].map((id) => system.people[id]?.name ?? '');
  const own = from.kind === 'phone' ? whoseName(system, from.phoneId) : '';
  return entryOf(
    { id: call.id, kind: 'call', at: call.at },
    facts,
    system,
    colleague,
    { call, ...(message ? { message } : {}) },
    `${own} ${names.join(' ')} ${message ? factsOfMessage(message).text : ''}`,
  );
};
export const messageEntry = (message: MessageKept, system: System): Entry =>
  entryOf(
    { id: message.id, kind: 'message', at: message.at },
    factsOfMessage(message),
    system,
    () => message.from,
    { message },
  );
export const textEntry = (text: TextKept, system: System): Entry =>
  entryOf({ id: text.id, kind: 'text', at: text.at }, factsOfText(text), system, () => 'a hidden number', {
    text,
  });

export const faxEntry = (fax: FaxKept, system: System): Entry =>
  entryOf({ id: fax.id, kind: 'fax', at: fax.at }, factsOfFax(fax), system, () => 'a hidden number', { fax });

/** What there was with some numbers, E.164. */
export function keptWith({ calls, messages, texts, faxes = [] }: Kept, numbers: readonly string[]): Kept {
  const wanted = new Set<string | null>(numbers);
  return {
    calls: calls.filter((c) => wanted.has(factsOfCall(c).other)),
    messages: messages.filter((m) => wanted.has(m.fromNumber)),
    texts: texts.filter((t) => wanted.has(t.way === 'in' ? t.from : t.to)),
    faxes: faxes.filter((f) => wanted.has(f.way === 'in' ? f.from : f.to)),
  };
}

/** The newest first; a message stands with the call it was left in, where that is kept. */
export function* storyOf(
  { calls, messages, texts, faxes = [] }: Kept,
  system: System,
): Generator<Entry, void> {
  const left = new Map(messages.map((m) => [m.id, m]));
  const callIds = new Set(calls.map((c) => c.id));
  type Item = { at: number; make: () => Entry };
  const items: Item[] = [
    ...calls.map((c): Item => ({ at: c.at, make: () => callEntry(c, left.get(c.id), system) })),
    ...messages
      .filter((m) => !callIds.has(m.id))
      .map((m): Item => ({ at: m.at, make: () => messageEntry(m, system) })),
    // What has not gone yet has not happened.
    ...texts
      .filter((t) => t.sendAt === undefined)
      .map((t): Item => ({ at: t.at, make: () => textEntry(t, system) })),
  ];
  items.push(...faxes.map((f): Item => ({ at: f.at, make: () => faxEntry(f, system) })));
  items.sort((a, b) => b.at - a.at);
  for (const { make } of items) yield make();
}

/** How it ended, in words: "left a message", "nobody answered". */
export const endOf = ({ facts }: Entry, system: System): string =>
  facts.outcome ? ending(facts.outcome, system) : '';
