/** The small shapes everything else is made of: names, ids, numbers, extensions, zones, networks. */
import { z } from 'zod';

/**
 * What a text of people may hold, whatever it came from: no controls but tab and line end, no half characters, nothing that is
 * no character. What a keyboard cannot type is taken out here, at the door, and not found later by whoever writes a file.
 */
export const clean = (typed: string): string =>
  typed
    .replace(/\r\n?|[\u0085\u2028\u2029]/g, '\n')
    .replace(/[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/g, '')
    // eslint-disable-next-line no-control-regex
    .replace(/[\u0000-\u0008\u000B\u000C\u000E-\u001F\u007F-\u009F\uFFFE\uFFFF]/g, '');
/** The same for one line: a name is never broken, nor has it blanks without width, which nobody sees. */
export const cleanLine = (typed: string): string =>
  clean(typed)
    .replace(/[\u200B\u2060\uFEFF\u00AD]/g, '')
    .replace(/[\s\u00A0]+/g, ' ');

export const text = (max: number) => z.string().overwrite(clean).trim().max(max);
export const name = z
  .string()
  .overwrite(cleanLine)
  .trim()
  .max(80, 'At most 80 characters.')
  .min(1, 'Give it a name.');

/** Names that every object of the language has: as an id, one would be found where nothing is. */
const TAKEN = new Set(Object.getOwnPropertyNames(Object.prototype));
export const Id = z
  .string()
  .min(1)
  .max(60)
  .regex(/^[a-zA-Z0-9_-]+$/)
  .refine((id) => !TAKEN.has(id), 'This cannot be an id.');
/** E.164: "+" and at most 15 digits, the first of them not 0 (ITU-T E.164). */
export const E164 = z.string().regex(/^\+[1-9]\d{1,14}$/, 'A number is stored as + and up to 15 digits.');
export const CountryCode = z.string().regex(/^[A-Z]{2}$/, 'A country is two capital letters (ISO 3166-1).');
export const Extension = z.string().regex(/^\d{2,6}$/, 'An extension is 2 to 6 digits.');
/** Seconds somebody is rung: 1 s to 10 min. */
export const RingSeconds = z
  .number('Type a number of seconds.')
  .int('Whole seconds only.')
  .min(1, 'At least 1 second.')
  .max(600, 'At most 600 seconds (10 minutes).');

/** Zones asked about before: making a formatter to find out takes longer than everything else of a check. */
const zones = new Map<string, boolean>();
function isTimeZone(zone: string): boolean {
  let known = zones.get(zone);
  if (known === undefined) {
    try {
      new Intl.DateTimeFormat('en', { timeZone: zone });
      known = true;
    } catch {
      known = false;
    }
    if (zones.size < 1000) zones.set(zone, known);
  }
  return known;
}
export const TimeZone = z.string().refine(isTimeZone, 'Not a time zone of the IANA list.');

/** Addresses of one network: 192.0.2.0/24 or 2001:db8::/32 (CIDR notation, RFC 4632 and RFC 4291). */
export const Network = z.union([z.cidrv4(), z.cidrv6()]);

/** How times and dates are written. */
export const CLOCKS = ['24-hour', '12-hour'] as const;
export const DATE_ORDERS = ['day first', 'month first'] as const;
