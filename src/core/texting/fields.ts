/** Ready-made answers: fields in braces, filled in from what is known of whom they go to. */
import { writeNumber } from '../numbering';

/** What can stand in braces, with what it becomes. */
export const FIELDS = {
  'first name': 'the first word of the contact’s name',
  name: 'the contact’s name',
  firm: 'the contact’s firm',
  business: 'the name of the business',
  me: 'the first name of whoever writes',
  number: 'the number it is written from',
} as const;
export type FieldName = keyof typeof FIELDS;

export interface Facts {
  contact: { name: string; firm?: string | undefined } | undefined;
  business: { name: string; country: string };
  /** Who writes. */
  by: string | undefined;
  /** E.164. */
  from: string;
}

/** A field, with what stands there where nothing is known for it: `{first name|there}`. */
const FIELD = /\{\s*([\p{L} ]+?)\s*(?:\|([^{}]*))?\}/gu;

function valueOf(field: FieldName, { contact, business, by, from }: Facts): string {
  switch (field) {
    case 'first name':
      return contact?.name.split(/\s+/)[0] ?? '';
    case 'name':
      return contact?.name ?? '';
    case 'firm':
      return contact?.firm ?? '';
    case 'business':
      return business.name;
    case 'me':
      return by?.split(/\s+/)[0] ?? '';
    case 'number':
      return writeNumber(from, business.country);
    default:
      return field satisfies never;
  }
}

export interface Filled {
  text: string;
  /** Fields that nothing is known for: left as they stand, so that a person sees them. */
  empty: string[];
}

/** Fills a text in; fields that are none, or that nothing is known for, stay as they are written. */
export const filled = (text: string, facts: Facts): Filled =>
  filledBy(text, (field) => (Object.hasOwn(FIELDS, field) ? valueOf(field as FieldName, facts) : ''));

/** The same with fields of other names. @param valueOf by name in lower case; empty is that nothing is known */
export function filledBy(text: string, valueOf: (field: string) => string): Filled {
  const empty: string[] = [];
  const done = text.replace(FIELD, (written, name: string, instead: string | undefined) => {
    const value = valueOf(name.toLowerCase()) || instead?.trim();
    if (!value) empty.push(written);
    return value || written;
  });
  return { text: done, empty };
}

/** The names of the fields in a text, in lower case, as they stand. */
export const fieldsIn = (text: string): string[] => [...text.matchAll(FIELD)].map((m) => m[1]!.toLowerCase());

/** Fields in a text that there are none of. */
export const unknownFields = (text: string): string[] =>
  [...text.matchAll(FIELD)].filter((m) => !Object.hasOwn(FIELDS, m[1]!.toLowerCase())).map((m) => m[0]);

/** Whether a field still stands in a text that is to be sent. */
export const fieldsLeft = (text: string): string[] =>
  [...text.matchAll(FIELD)].filter((m) => Object.hasOwn(FIELDS, m[1]!.toLowerCase())).map((m) => m[0]);
