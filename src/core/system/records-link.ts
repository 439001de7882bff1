/** A link to what a business keeps elsewhere about whoever calls: opened by a person, never fetched by us. */
import { z } from 'zod';

const FIELD = /\{(number|digits|name)\}/g;

/** The address with fields in braces: of a page of the web, with a number in it. */
export const RecordsLink = z
  .string()
  .trim()
  .max(300, 'At most 300 letters.')
  .refine((t) => /^https?:\/\/[^\s{}/]+/.test(t), 'It begins with https:// and the name of a site.')
  .refine((t) => /\{(number|digits)\}/.test(t), 'Put {number} or {digits} where the number goes.')
  .refine((t) => !/[{}]/.test(t.replace(FIELD, '')), 'In braces stands number, digits or name.');

/**
 * The address for somebody. @param number E.164 @returns undefined where it leads to no page
 */
export function recordsOf(template: string | undefined, number: string, name: string): string | undefined {
  if (!template) return undefined;
  const values = { number, digits: number.replace(/\D/g, ''), name };
  const link = template.replace(FIELD, (_, field: keyof typeof values) => encodeURIComponent(values[field]));
  return URL.canParse(link) && /^https?:$/.test(new URL(link).protocol) ? link : undefined;
}
