/** Hours as people type them: "8-12, 13:30-17". */

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

function readTime(text: string): number | undefined {
  const match = /^(\d{1,2})(?:[:.](\d{2}))? ?(am|pm)?$/.exec(text.trim());
  if (!match) return undefined;
  let hour = Number(match[1]);
  const minute = Number(match[2] ?? 0);
  if (match[3] && (hour < 1 || hour > 12)) return undefined;
  if (match[3] === 'pm' && hour < 12) hour += 12;
  if (match[3] === 'am' && hour === 12) hour = 0;
  const total = hour * 60 + minute;
  return minute < 60 && total <= 1440 ? total : undefined;
}

/** Minutes of the day as "08:00"; 1440 is "24:00". */
export const writeTime = (minute: number): string =>
  `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(Math.floor(minute % 60)).padStart(2, '0')}`;

/** Spans as they are typed: "8-12, 13:30-17"; none is "". */
export const writeSpans = (spans: readonly Span[]): string =>
  [...spans]
    .sort((a, b) => a.from - b.from)
    .map((s) => `${shortTime(s.from)}-${shortTime(s.to)}`)
    .join(', ');

const shortTime = (minute: number): string =>
  minute % 60 === 0 ? String(minute / 60) : writeTime(minute).replace(/^0/, '');
