/** Spans that people ask for by name. */
import { addDays, dayNumber, weekdayOf } from '../hours';
import type { Span } from './span';

export const NAMED_SPANS = [
  'today',
  'yesterday',
  'this week',
  'last week',
  'last 28 days',
  'last 90 days',
  'this month',
  'last month',
  'last 365 days',
] as const;
export type NamedSpan = (typeof NAMED_SPANS)[number];

/** @param today ISO */
export function spanOf(name: NamedSpan, today: string): Span {
  const monday = addDays(today, 1 - weekdayOf(dayNumber(today)));
  const first = `${today.slice(0, 7)}-01`;
  const yesterday = addDays(today, -1);
  switch (name) {
    case 'today':
      return { from: today, to: today };
    case 'yesterday':
      return { from: yesterday, to: yesterday };
    case 'this week':
      return { from: monday, to: today };
    case 'last week':
      return { from: addDays(monday, -7), to: addDays(monday, -1) };
    case 'last 28 days':
      return { from: addDays(today, -28), to: yesterday };
    case 'last 90 days':
      return { from: addDays(today, -90), to: yesterday };
    case 'this month':
      return { from: first, to: today };
    case 'last month': {
      const end = addDays(first, -1);
      return { from: `${end.slice(0, 7)}-01`, to: end };
    }
    case 'last 365 days':
      return { from: addDays(today, -365), to: yesterday };
  }
}
