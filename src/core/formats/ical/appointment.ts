/** An appointment as a calendar of one event (RFC 5545), for whoever made it to keep in their own. */
import { writeEvents } from './write';

export interface WrittenAppointment {
  id: string;
  /** What it is called, and what stands beside it: how it is given back. */
  name: string;
  note: string;
  /** Epoch milliseconds. */
  from: number;
  to: number;
}

/** @param zone of the business @param now when it is written, epoch milliseconds */
export const writeAppointment = (one: WrittenAppointment, zone: string, now: number): string =>
  writeEvents(
    one.name,
    [{ uid: `${one.id}@upperline.example`, name: one.name, note: one.note, from: one.from, to: one.to }],
    { zone, now, from: one.from, to: one.to },
  );
