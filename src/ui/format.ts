/** Moments, durations and prices as people read and type them here. */
import { dateInWords, dayAndMonth, localTime, momentOf, writeTime } from '$core/hours';

const formats = new Map<string, Intl.DateTimeFormat>();
function format(zone: string, key: string, options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat {
  const id = zone + key;
  let found = formats.get(id);
  if (!found) formats.set(id, (found = new Intl.DateTimeFormat('en-GB', { timeZone: zone, ...options })));
  return found;
}

/** "Tue 24 Nov, 10:15", or "Tue Nov 24, 10:15 am". @param at epoch milliseconds */
export function momentText(at: number, zone: string): string {
  const parts = Object.fromEntries(
    format(zone, 'moment', { weekday: 'short', day: 'numeric', month: 'short' })
      .formatToParts(at)
      .map((p) => [p.type, p.value]),
  );
  return `${parts.weekday} ${dayAndMonth(parts.day!, parts.month!)}, ${timeText(at, zone)}`;
}
/** "10:15", or "10:15 am". @param at epoch milliseconds */
export const timeText = (at: number, zone: string): string => writeTime(localTime(zone, at).minute);
/** Who did something, as kept with it. */
export const byWhom = (name: string | undefined): string => name ?? 'whoever runs the system';
/** "10:15:09", or "10:15:09 am". */
export function clockText(at: number, zone: string): string {
  const { minute } = localTime(zone, at);
  const seconds = String(Math.floor((minute % 1) * 60 + 1e-6)).padStart(2, '0');
  return writeTime(minute).replace(/:\d\d/, (m) => `${m}:${seconds}`);
}
/** "Tue 24". */
export const dayText = (at: number, zone: string): string =>
  format(zone, 'day', { weekday: 'short', day: 'numeric' }).format(at);
/** "Fri 4 Dec 2026". @param date ISO */
export const dateText = dateInWords;
/** "Sat 5 Dec 2026, 17:00" of a local day and time as fields have them. @param local "2026-12-05T17:00" */
export const localText = (local: string): string =>
  `${dateInWords(local.slice(0, 10))}, ${writeTime(Number(local.slice(11, 13)) * 60 + Number(local.slice(14, 16)))}`;
/** "2 min 10 s". @param ms milliseconds */
export function durationText(ms: number): string {
  const seconds = Math.round(ms / 1000);
  return seconds < 60 ? `${seconds} s` : `${Math.floor(seconds / 60)} min ${seconds % 60} s`;
}
/** "2 days ago", "in 5 minutes", "just now". @param at @param now epoch milliseconds */
export function agoText(at: number, now: number): string {
  const seconds = Math.round((at - now) / 1000);
  const size = Math.abs(seconds);
  if (size < 45) return seconds > 0 ? 'in a moment' : 'just now';
  const [n, unit] =
    size < 3600
      ? [60, 'minute' as const]
      : size < 86_400
        ? [3600, 'hour' as const]
        : [86_400, 'day' as const];
  return relative.format(Math.trunc(seconds / n) || Math.sign(seconds), unit);
}
const relative = new Intl.RelativeTimeFormat('en', { numeric: 'always' });

/** "$4.00". */
export const priceText = (cents: number, currency: string): string =>
  new Intl.NumberFormat('en-US', { style: 'currency', currency }).format(cents / 100);
/** "3.2 MB". @param bytes counted in thousands, as disks are sold */
export function bytesText(bytes: number): string {
  if (bytes < 1000) return count(bytes, 'byte');
  const [size, unit] = bytes < 1e6 ? [1e3, 'kB'] : bytes < 1e9 ? [1e6, 'MB'] : [1e9, 'GB'];
  const n = bytes / size;
  return `${n.toLocaleString('en-US', { maximumFractionDigits: n < 10 ? 1 : 0 })} ${unit}`;
}
/** "1 number", "3 numbers", "21,609 numbers". */
export const count = (n: number, one: string, many = one + 's'): string =>
  `${n.toLocaleString('en-US')} ${n === 1 ? one : many}`;

/** A moment as a `datetime-local` field holds it, in a zone. */
export function fieldText(at: number, zone: string): string {
  const parts = Object.fromEntries(
    format(zone, 'field', {
      year: 'numeric',
      month: '2-digit',
      day: '2-digit',
      hour: '2-digit',
      minute: '2-digit',
      hourCycle: 'h23',
    })
      .formatToParts(at)
      .map((p) => [p.type, p.value]),
  );
  return `${parts.year}-${parts.month}-${parts.day}T${parts.hour}:${parts.minute}`;
}

/** A moment as it stands in a `datetime-local` field, in a zone, that is still to come; or what is wrong with it. */
export function momentTyped(
  text: string,
  zone: string,
  now: number,
): { ok: true; at: number } | { ok: false; message: string } {
  const match = /^(\d{4}-\d\d-\d\d)T(\d\d):(\d\d)/.exec(text);
  if (!match) return { ok: false, message: 'Give a day and a time.' };
  const at = momentOf(zone, match[1]!, Number(match[2]) * 60 + Number(match[3]));
  return at > now ? { ok: true, at } : { ok: false, message: 'That moment has passed.' };
}
