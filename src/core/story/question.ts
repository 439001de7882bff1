/** What is looked for in the log, and what of it is found. */
import { z } from 'zod';
import { Id } from '../system';
import type { System } from '../system';
import { partiesOf, type Row } from './log/rows';
import { settledBy, type Settling } from './settled';

export const VIEWS = [
  'all',
  'missed',
  'not called back',
  'in',
  'out',
  'inside',
  'recorded',
  'with a message',
  'with a note',
  'unwanted',
  'texts',
  'faxes',
] as const;
export type View = (typeof VIEWS)[number];

/** A search, as it is kept under a name. Empty fields ask for nothing. */
export const Question = z.object({
  view: z.enum(VIEWS),
  /** Words that must all be found, in any order; digits find numbers. */
  text: z.string().max(200),
  numberId: z.union([Id, z.literal('')]),
  personId: z.union([Id, z.literal('')]),
  queueId: z.union([Id, z.literal('')]),
  contactId: z.union([Id, z.literal('')]),
  /** Days of the business, ISO, both of them part of it. */
  from: z.union([z.iso.date(), z.literal('')]),
  to: z.union([z.iso.date(), z.literal('')]),
});
export type Question = z.infer<typeof Question>;
export const ANY: Question = {
  view: 'all',
  text: '',
  numberId: '',
  personId: '',
  queueId: '',
  contactId: '',
  from: '',
  to: '',
};
export const SavedView = z.object({ id: Id, name: z.string().trim().min(1).max(60), question: Question });
export type SavedView = z.infer<typeof SavedView>;

function isIn(view: View, row: Row, by: Settling): boolean {
  const { facts, kind } = row;
  switch (view) {
    case 'all':
      return true;
    case 'missed':
      return facts.missed && !facts.unwanted;
    case 'not called back':
      return facts.missed && !facts.unwanted && facts.other !== null && !settledBy(row, by);
    case 'in':
    case 'out':
    case 'inside':
      return facts.way === view;
    case 'recorded':
      return row.recorded;
    case 'with a message':
      return row.left;
    case 'with a note':
      return row.noted;
    case 'unwanted':
      return facts.unwanted;
    case 'texts':
      return kind === 'text';
    case 'faxes':
      return kind === 'fax';
  }
}

/** Digits as somebody writes them, with what stands between them; empty where it is words. */
export function digitsIn(text: string): string {
  const typed = text.trim();
  return /^[\d\s().+/-]{3,}$/.test(typed) ? typed.replace(/\D/g, '') : '';
}

/** The words that must all be found, in lower case. */
export const wordsIn = ({ text }: Pick<Question, 'text'>): string[] =>
  text.toLowerCase().split(/\s+/).filter(Boolean);

/** What rows are held against, made ready once for a question: all but its words, see `says`. */
export function tester(
  question: Question,
  by: Settling,
  /** The moments a day begins and the one after it does, epoch milliseconds. */
  day: (iso: string) => readonly [from: number, to: number],
  system: System,
): (row: Row) => boolean {
  const from = question.from ? day(question.from)[0] : -Infinity;
  const to = question.to ? day(question.to)[1] : Infinity;
  const { view, numberId, personId, queueId, contactId } = question;
  return (row) =>
    row.at >= from &&
    row.at < to &&
    (!numberId || partiesOf(row, system).line?.id === numberId) &&
    (!contactId || partiesOf(row, system).contact?.id === contactId) &&
    (!personId || row.facts.rungIds.includes(personId) || row.facts.withIds.includes(personId)) &&
    (!queueId || row.facts.queueIds.includes(queueId)) &&
    isIn(view, row, by);
}

/** Whether a text has all words of a question, or its digits. @param search see `searchOf` */
export function says(question: Pick<Question, 'text'>, search: string): boolean {
  const digits = digitsIn(question.text);
  return wordsIn(question).every((w) => search.includes(w)) || (digits !== '' && search.includes(digits));
}
