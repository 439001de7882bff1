/** What is asked of enough people, as it is remembered in this window. */
import type { Change } from '$core/staffing';

export interface AskedOfPeople {
  from: 'log' | 'typed';
  /** Weeks of the log that are gone by. */
  weeksBack: number;
  /** Of one line; '' is all of them. */
  numberId: string;
  /** So many in a hundred more, or fewer, than there were. */
  more: number;
  /** The system that is run. */
  of: 'in force' | 'draft';
  /** Percent of those offered that may be missed. */
  missed: number;
  count: number;
  typed: {
    numberId: string;
    perHour: number | null;
    from: number;
    to: number;
    talk: number | null;
    /** Empty is for ever. */
    patience: number | null;
    /** Percent. */
    lifts: number | null;
  };
}
export const FIRST: AskedOfPeople = {
  from: 'log',
  weeksBack: 12,
  numberId: '',
  more: 0,
  of: 'in force',
  missed: 20,
  count: 100,
  typed: { numberId: '', perHour: 12, from: 9, to: 17, talk: 180, patience: 120, lifts: 90 },
};
export const COUNTS_OF_WEEKS = [20, 100, 200, 500] as const;
export const WEEKS_BACK = [4, 8, 12, 26, 52] as const;

/** What if, as it is chosen: a change of this system, or the other system. */
export type WhatIf = Change | { what: 'the other' };
