/** Hours as people type them: "8-12, 13:30-17". */
import { fieldTime, writeTime, writtenAs } from './writing';

export interface Span {
  from: number;
  to: number;
}
/** A day with a break, to show how hours are typed. */
export const EXAMPLE_SPANS: readonly Span[] = [
  { from: 480, to: 720 },
  { from: 780, to: 1020 },
];
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
    const span = ends.length === 2 ? readEnds(ends[0]!, ends[1]!) : undefined;
    if (!span) return { ok: false, message: `"${part}" is not a span such as 8-12 or 13:30-17.` };
    if (span.to <= span.from) return { ok: false, message: `"${part}" ends before it starts.` };
    spans.push(span);
  }
  spans.sort((a, b) => a.from - b.from);
  const clash = spans.find((s, i) => i > 0 && spans[i - 1]!.to > s.from);
  return clash ? { ok: false, message: 'Two of these spans overlap.' } : { ok: true, spans };
}

/** Whether am or pm stands behind a time. */
const halfOf = (text: string): string | undefined => /([ap])\.?\s?m\.?$/.exec(text)?.[1];

/**
 * Start and end of a span. One am or pm counts for both where the span then runs forward ("1-5pm"), else for the one it
 * stands behind ("9-5pm", "8am-5"). Common practice in writing spans, no source.
 */
function readEnds(start: string, end: string): Span | undefined {
  let [from, to] = [readTime(start), readTime(end)];
  if (from === undefined || to === undefined) return undefined;
  if (to === 0) to = 1440;
  const [first, last] = [halfOf(start), halfOf(end)];
  if (last && !first) {
    const alike = readTime(`${start}${last}m`);
    if (alike !== undefined && alike < to) from = alike;
  }
  if (first && !last && to <= from && to <= 720) to += 720;
  return { from, to };
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

/** Spans as they are typed: "8-12, 13:30-17" or "8am-12pm, 1:30-5pm"; none is "". */
export const writeSpans = (spans: readonly Span[]): string =>
  [...spans]
    .sort((a, b) => a.from - b.from)
    .map(({ from, to }) => {
      const [start, end] = [shortTime(from), shortTime(to)];
      const [first, last] = [halfOf(start), halfOf(end)];
      return `${first && first === last ? start.slice(0, -2) : start}-${end}`;
    })
    .join(', ');

function shortTime(minute: number): string {
  if (writtenAs().clock === '12-hour') return writeTime(minute).replace(':00', '').replace(' ', '');
  return minute % 60 === 0 ? String(minute / 60) : fieldTime(minute).replace(/^0/, '');
}
