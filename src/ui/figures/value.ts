/** Parts of a span as people read them. */
import { writeHour } from '$core/hours';
import { dateText } from '../format';

/** A part of a span, or whatever else a row is of. */
export function partText(name: string): string {
  const [, date, hour] = /^(\d{4}-\d\d-\d\d)(?: (\d\d))?$/.exec(name) ?? [];
  if (!date) return name;
  return hour ? `${dateText(date).slice(0, 3)} ${writeHour(Number(hour))}` : dateText(date);
}
