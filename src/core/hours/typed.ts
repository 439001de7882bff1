/** Hours as people type them: "8-12, 13:30-17". */
import { fieldTime, writeTime, writtenAs } from './writing';

export interface Span {
  from: number;
  to: number;
}
export type TypedHours = { ok: true; spans: Span[] } | { ok: false; message: string };

/**
 * Reads a day's opening times. Empty or "closed" is no span; "24 h" or "all day" is the whole day.
 * @returns spans in minutes of the day, in order, or what is wrong.
 */
export function readSpans(typed: string): TypedHours {
  const text = typed.trim().toLowerCase();
  if (text === '' || text === 'closed') return { ok: true, spans: [] };
  if (/^(24 ?h|all day)$/.test(text)) return { ok: true, spans: [{ from: 0, to: 1440 }] };
  const spans: Span[] = [];
  for (const part of text.split(/\s*[,;]\s*/)) {
    const ends = part.split(/\s*(?:-|–|to)\s*/);
    const [from, to] = ends.map(readTime);
    if (ends.length !== 2 || from === undefined || to === undefined)
      return { ok: false, message: `"${part}" is not a span such as 8-12 or 13:30-17.` };
    const end = to === 0 ? 1440 : to;
    if (end <= from) return { ok: false, message: `"${part}" ends before it starts.` };
    spans.push({ from, to: end });
  }
  spans.sort((a, b) => a.from - b.from);
  const clash = spans.find((s, i) => i > 0 && spans[i - 1]!.to > s.from);
  return clash ? { ok: false, message: 'Two of these spans overlap.' } : { ok: true, spans };
}

/** A time of the day as people type it: "17", "5pm", "5.30 p.m.", "noon". @returns minutes, or undefined where it is none */
export function readTime(typed: string): number | undefined {
  const text = typed
    .trim()
    .toLowerCase()
    .replace(/\b([ap])\.\s?m\.?/, '$1m');
  if (text === 'noon') return 720;
  if (text === 'midnight') return 0;
  const match = /^(\d{1,2})(?:[:.](\d{2}))? ?(am|pm)?$/.exec(text);
  if (!match) return undefined;
  let hour = Number(match[1]);
  const minute = Number(match[2] ?? 0);
  if (match[3] && (hour < 1 || hour > 12)) return undefined;
  if (match[3] === 'pm' && hour < 12) hour += 12;
  if (match[3] === 'am' && hour === 12) hour = 0;
  const total = hour * 60 + minute;
  return minute < 60 && total <= 1440 ? total : undefined;
}

/** Spans as they are typed: "8-12, 13:30-17" or "8 am-12 pm"; none is "". */
export const writeSpans = (spans: readonly Span[]): string =>
  [...spans]
    .sort((a, b) => a.from - b.from)
    .map((s) => `${shortTime(s.from)}-${shortTime(s.to)}`)
    .join(', ');

function shortTime(minute: number): string {
  if (writtenAs().clock === '12-hour') return writeTime(minute).replace(':00', '');
  return minute % 60 === 0 ? String(minute / 60) : fieldTime(minute).replace(/^0/, '');
}
