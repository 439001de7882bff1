/**
 * What the log keeps ready of an entry: small, without its trace, and whatever people and contacts are called. It is worked out once
 * when an entry comes or changes, stored, and serves search, stories of contacts and reports.
 */
import { whoCalls, whoseName } from '../../calls';
import { writeNumber } from '../../numbering';
import type { System } from '../../system';
import { factsOfCall, factsOfFax, factsOfMessage, factsOfText, type Facts } from '../facts';
import { known } from '../known';
import type { CallKept, FaxKept, MessageKept, TextKept } from '../records';

export const ENTRY_KINDS = ['call', 'message', 'text', 'fax'] as const;
export type EntryKind = (typeof ENTRY_KINDS)[number];

export interface Row {
  /** Unique within its kind. */
  id: string;
  kind: EntryKind;
  /** Epoch milliseconds. */
  at: number;
  facts: Facts;
  /** A message was left in it, or it is one. */
  left: boolean;
  /** Somebody of ours wrote something down to it. */
  noted: boolean;
  recorded: boolean;
  /** Words that were put on it. */
  tags?: readonly string[] | undefined;
  /** When somebody said that calling back is done. */
  answeredAt?: number | undefined;
}

/** What a row is found by: ids are unique within their kind only. */
export const rowKey = ({ kind, id }: Pick<Row, 'kind' | 'id'>): string => `${kind} ${id}`;

/** @param message what was left in it */
export function callRow(call: CallKept, message?: MessageKept): Row {
  const facts = factsOfCall(call);
  return {
    id: call.id,
    kind: 'call',
    at: call.at,
    facts: message ? { ...facts, text: `${facts.text} ${factsOfMessage(message).text}` } : facts,
    left: message !== undefined,
    noted: Boolean(call.note || message?.note || call.remarks?.length || message?.remarks?.length),
    recorded: (call.recordings?.length ?? 0) > 0,
    ...(call.tags?.length ? { tags: call.tags } : {}),
    answeredAt: call.answeredAt ?? message?.answeredAt,
  };
}
/** Of a message whose call is not kept. */
export const messageRow = (message: MessageKept): Row => ({
  id: message.id,
  kind: 'message',
  at: message.at,
  facts: factsOfMessage(message),
  left: true,
  noted: Boolean(message.note || message.remarks?.length),
  recorded: false,
  answeredAt: message.answeredAt,
});
/** @returns null where it has not gone yet: it has not happened */
export const textRow = (text: TextKept): Row | null =>
  text.sendAt === undefined
    ? {
        id: text.id,
        kind: 'text',
        at: text.at,
        facts: factsOfText(text),
        left: false,
        noted: false,
        recorded: false,
      }
    : null;
export const faxRow = (fax: FaxKept): Row => ({
  id: fax.id,
  kind: 'fax',
  at: fax.at,
  facts: factsOfFax(fax),
  left: false,
  noted: Boolean(fax.note),
  recorded: false,
});

/** The contact and the line of ours that it is with, as they are known now; by id. */
export function partiesOf({ facts }: Row, system: System) {
  const { contacts, lines } = known(system);
  return {
    contact: facts.other ? contacts.get(facts.other) : undefined,
    line: facts.numberId ? system.numbers[facts.numberId] : facts.ours ? lines.get(facts.ours) : undefined,
  };
}

/** All that can be found of it by words and digits, in lower case. */
export function searchOf(row: Row, system: System): string {
  const { facts } = row;
  const { contact, line } = partiesOf(row, system);
  const written = facts.other ? writeNumber(facts.other, system.business.country) : '';
  const hidden =
    facts.other === null && facts.way === 'in' ? whoCalls(system, { kind: 'outside', number: null }) : '';
  const names = [...facts.rungIds, ...facts.withIds].map((id) => system.people[id]?.name ?? '');
  const own = facts.phones[0] ? whoseName(system, facts.phones[0]) : '';
  return [
    contact?.name ?? '',
    contact?.firm ?? '',
    written,
    facts.other?.replace(/\D/g, '') ?? '',
    hidden,
    line?.label ?? '',
    own,
    ...names,
    facts.text,
  ]
    .join(' ')
    .toLowerCase();
}
