/** Calls from outside as reports judge them. The definitions in words stand in `definitions.ts`. */
import { MEANING, type Outcome } from '../calls';
import { localTime } from '../hours';
import { partiesOf, type Course, type Row } from '../story';
import type { System } from '../system';

/** What became of a call from outside, each exactly one. */
export const BECAME = [
  'answered',
  'gave up',
  'gave up at once',
  'left before',
  'to voicemail',
  'ended by the plan',
  'closed',
  'unwanted',
] as const;
export type Became = (typeof BECAME)[number];

/** Those that were offered to somebody; the others were told that it is closed, or are not wanted. */
export const OFFERED: readonly Became[] = BECAME.filter((b) => b !== 'closed' && b !== 'unwanted');
export const MISSED: readonly Became[] = OFFERED.filter((b) => b !== 'answered');

/** How reports judge; a business may set it. */
export interface Rules {
  /** Answered in time is within so many seconds, those included. */
  within: number;
  /** Whoever hangs up sooner than after so many seconds of ringing or waiting gave up at once; exactly as many is not sooner. */
  atOnce: number;
  /** What the share answered in time is of. */
  of: 'offered but at once' | 'offered' | 'answered or gave up';
}
export const USUAL_RULES: Rules = { within: 20, atOnce: 5, of: 'offered but at once' };

export interface Judged {
  row: Row;
  course: Course;
  became: Became;
  /** From the first step that rings or queues to the answer, in seconds; null where nobody answered. */
  wait: number | null;
  /** ISO day of the week, 1 Monday to 7 Sunday, and the hour as clocks showed it. */
  weekday: number;
  hour: number;
}

/** @param unwanted blocked, or suspected by the network */
export function becameOf(course: Course, outcome: Outcome | null, unwanted: boolean, rules: Rules): Became {
  if (unwanted) return 'unwanted';
  if (course.answered !== null && outcome && MEANING[outcome.kind].callBack === 'talked') return 'answered';
  if (course.closed) return 'closed';
  if (course.gaveUp !== null)
    return course.gaveUp - course.rings! < rules.atOnce * 1000 ? 'gave up at once' : 'gave up';
  if (outcome?.kind === 'message' || outcome?.kind === 'no message') return 'to voicemail';
  if (outcome?.kind === 'hung up')
    return outcome.during === 'greeting' || outcome.during === 'message' ? 'to voicemail' : 'left before';
  return 'ended by the plan';
}

/** @returns null of what is no call from outside that is over */
export function judged(row: Row, rules: Rules, zone: string): Judged | null {
  const { course, way } = row.facts;
  if (row.kind !== 'call' || way !== 'in' || !course) return null;
  const { day, minute } = localTime(zone, row.at);
  const became = becameOf(course, row.facts.outcome, row.facts.unwanted, rules);
  return {
    row,
    course,
    became,
    wait: became === 'answered' ? (course.answered! - (course.rings ?? course.answered!)) / 1000 : null,
    weekday: day,
    hour: Math.floor(minute / 60),
  };
}

/** A call as reports ask of it; empty fields ask for nothing. */
export interface Filter {
  numberId: string;
  /** Rung or talked. */
  personId: string;
  groupId: string;
  queueId: string;
  /** People of a site were rung or talked. */
  siteId: string;
  /** ISO days of the week; none is all. */
  weekdays: readonly number[];
  /** Hours as clocks show them, the last not part of it. */
  hours: readonly [from: number, to: number];
  /** New is whose number was never in the log before; hidden numbers are neither new nor known. */
  callers: 'all' | 'new' | 'known' | 'hidden';
}
export const EVERYTHING: Filter = {
  numberId: '',
  personId: '',
  groupId: '',
  queueId: '',
  siteId: '',
  weekdays: [],
  hours: [0, 24],
  callers: 'all',
};

/**
 * @param firstOf the first moment a number stood in the log
 * @param people to whose calls it is narrowed whatever is asked; null is all
 */
export function passes(
  filter: Filter,
  system: System,
  zone: string,
  firstOf: (number: string) => number | undefined,
  people: ReadonlySet<string> | null = null,
): (row: Row) => boolean {
  const { numberId, personId, groupId, queueId, siteId, weekdays, hours, callers } = filter;
  const days = new Set(weekdays);
  const always = !weekdays.length && hours[0] === 0 && hours[1] === 24;
  return (row) => {
    const { facts } = row;
    const with_ = (is: (id: string) => boolean) => facts.rungIds.some(is) || facts.withIds.some(is);
    if (numberId && partiesOf(row, system).line?.id !== numberId) return false;
    if (personId && !with_((id) => id === personId) && !callsFrom(row, personId, system)) return false;
    if (groupId && !facts.groupIds.includes(groupId)) return false;
    if (queueId && !facts.queueIds.includes(queueId)) return false;
    if (siteId && !with_((id) => system.people[id]?.siteId === siteId)) return false;
    if (people && !with_((id) => people.has(id)) && ![...people].some((id) => callsFrom(row, id, system)))
      return false;
    if (callers !== 'all') {
      const is =
        facts.other === null ? 'hidden' : firstOf(facts.other) === row.at ? ('new' as const) : 'known';
      if (is !== callers) return false;
    }
    if (always) return true;
    const { day, minute } = localTime(zone, row.at);
    return (!days.size || days.has(day)) && minute >= hours[0] * 60 && minute < hours[1] * 60;
  };
}

/** Whether somebody placed it. */
const callsFrom = ({ facts }: Row, personId: string, system: System): boolean =>
  facts.way !== 'in' && facts.phones.some((id) => system.phones[id]?.personId === personId);
