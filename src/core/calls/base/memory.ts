/** What the exchange keeps in mind from call to call. */
import type { ForwardTarget } from '../../system';

/** Whoever waits for a colleague to be free, to be rung then and to call them. */
export interface Want {
  id: string;
  /** The phone that is rung first. */
  phone: string;
  personId: string;
  /** Epoch milliseconds: it waits no longer. */
  until: number;
  /** The call that is placed for it just now. */
  callId: string | null;
  tries: number;
}

/** What the system keeps in mind from call to call, to be fair to those who answer. */
export interface Memory {
  /** Who was rung last, by the step, group or queue that rings in turn. */
  lastRung: Record<string, string>;
  /** Which branch came last, by step that shares out in turn. */
  lastBranch: Record<string, number>;
  /** Moment somebody's last call ended, by person, phone or number. */
  idleSince: Record<string, number>;
  /** Calls somebody took on a day, ISO. */
  taken: Record<string, { date: string; calls: number }>;
  /** Moment an outside number last called; absent where none has. */
  lastCalls?: Record<string, number>;
  /** Where somebody sent their calls last by a star code, by person and by which calls. */
  lastForward?: Record<string, { [which in 'always' | 'onBusy' | 'onNotAnswered']?: ForwardTarget }>;
  /** Moment somebody last let a call of a queue ring out, by person; gone once they took one. */
  letRing?: Record<string, number>;
  /** Offers of queues somebody missed in a row, by person, and the moment of the last one; gone once they took one. */
  missed?: Record<string, { times: number; at: number }>;
  /** What calls out have cost since the credit was put up, and each person today, in cents. */
  spent?: { since: number; cents: number; people: Record<string, { date: string; cents: number }> };
  /** Calls abroad of the last hour or so. */
  abroad?: { at: number; country: string; seconds: number }[];
  /** When calls to a country were stopped, by country. */
  stopped?: Record<string, number>;
  /** Who waits for a colleague to be free. */
  wants?: Want[];
  /** Rooms that the host has locked, until they are empty. */
  lockedRooms?: string[];
  /** Times of calendars that calls have booked, until they are past. */
  booked?: { id: string; calendarId: string; from: number; to: number }[];
  /** Wrong PINs in a row, by mailbox, and the moment of the last one. */
  wrongPins?: Record<string, { times: number; at: number }>;
}
export const emptyMemory = (): Memory => ({ lastRung: {}, lastBranch: {}, idleSince: {}, taken: {} });
