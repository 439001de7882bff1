/** Tasks as to-dos of a calendar (VTODO, RFC 5545 §3.6.2). */
import ICAL from 'ical.js';
import { forLine, forLines } from '../clean';
import { utc } from './write';

export interface WrittenTask {
  id: string;
  text: string;
  note: string;
  /** Epoch milliseconds. */
  at: number;
  /** A day, ISO; null is none. */
  by: string | null;
  /** Epoch milliseconds; absent is not done. */
  doneAt?: number | undefined;
}

/** @param now when it is written, epoch milliseconds */
export function writeTasks(tasks: readonly WrittenTask[], now: number): string {
  const root = new ICAL.Component(['vcalendar', [], []]);
  root.updatePropertyWithValue('prodid', '-//Upper Line//Tasks//EN');
  root.updatePropertyWithValue('version', '2.0');
  for (const { id, text, note, at, by, doneAt } of tasks) {
    const one = new ICAL.Component('vtodo');
    one.updatePropertyWithValue('uid', `${id}@upperline.example`);
    one.updatePropertyWithValue('dtstamp', utc(now));
    one.updatePropertyWithValue('created', utc(at));
    one.updatePropertyWithValue('summary', forLine(text));
    if (note) one.updatePropertyWithValue('description', forLines(note));
    if (by) one.updatePropertyWithValue('due', ICAL.Time.fromDateString(by));
    one.updatePropertyWithValue('status', doneAt === undefined ? 'NEEDS-ACTION' : 'COMPLETED');
    if (doneAt !== undefined) one.updatePropertyWithValue('completed', utc(doneAt));
    root.addSubcomponent(one);
  }
  return `${root.toString()}\r\n`;
}
