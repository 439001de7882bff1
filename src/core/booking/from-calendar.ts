/** What a calendar of others takes of the times of one of ours. */
import { addDays, localTime, momentOf } from '../hours';
import type { Span } from './free';

/** An event as a calendar file has it, in the local times of the business. */
export interface DatedEvent {
  name: string;
  /** Whole days, the first and the last; or times such as 2027-05-03T08:00. */
  days: { from: string; to: string } | null;
  times: { from: string; to: string } | null;
  /** It takes nothing. */
  free?: true;
}
export type TakenByEvent = Span & { name: string };

const HOUR_MS = 3_600_000;

/** The moment of a wall clock. @param last of an hour that comes twice its second */
function at(zone: string, local: string, last: boolean): number {
  const [date, time] = local.split('T') as [string, string];
  const [h, m] = time.split(':').map(Number) as [number, number];
  const first = momentOf(zone, date, h * 60 + m);
  const again = localTime(zone, first + HOUR_MS);
  return last && again.date === date && again.minute === h * 60 + m ? first + HOUR_MS : first;
}

/**
 * @param zone of the business @returns what takes time, in order. What takes none is left out: what is free meanwhile, and what
 * has no length.
 */
export function takenIn(events: readonly DatedEvent[], zone: string): TakenByEvent[] {
  return events
    .flatMap(({ name, days, times, free }): TakenByEvent[] => {
      if (free) return [];
      if (days)
        return [{ name, from: momentOf(zone, days.from, 0), to: momentOf(zone, addDays(days.to, 1), 0) }];
      return times ? [{ name, from: at(zone, times.from, false), to: at(zone, times.to, true) }] : [];
    })
    .filter((t) => t.to > t.from)
    .sort((a, b) => a.from - b.from);
}
