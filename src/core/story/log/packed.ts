/**
 * A day of the log as it is stored: one text, without what is empty. What is worked out of records otherwise gets another version.
 * Most calls of a day go one of a few ways through the plans: each way stands there once, and once in memory.
 */
import { NO_COURSE, type Course } from '../course';
import type { Facts } from '../facts';
import type { Row } from './rows';

/** Rows that were packed by another version are worked out anew. */
export const PACKED_VERSION = 2;

const EMPTY: Facts = {
  way: 'in',
  other: null,
  numberId: null,
  ours: null,
  rungIds: [],
  withIds: [],
  phones: [],
  queueIds: [],
  groupIds: [],
  mailboxId: null,
  missed: false,
  talked: false,
  unwanted: false,
  times: null,
  outcome: null,
  course: null,
  text: '',
};
const isEmpty = (value: unknown): boolean =>
  value === null ||
  value === false ||
  value === '' ||
  value === undefined ||
  (Array.isArray(value) && !value.length);
const filled = (of: object) => Object.fromEntries(Object.entries(of).filter(([, value]) => !isEmpty(value)));

type PackedCourse = Omit<Partial<Course>, 'steps'> & { way?: number };
interface PackedDay {
  ways: Course['steps'][];
  rows: (Partial<Omit<Row, 'facts'>> &
    Pick<Row, 'id' | 'kind' | 'at'> & { facts: Partial<Omit<Facts, 'course'>>; course?: PackedCourse })[];
}

export function packed(rows: readonly Row[]): string {
  const ways: Course['steps'][] = [];
  const known = new Map<string, number>();
  const wayOf = (steps: Course['steps']): number => {
    const key = JSON.stringify(steps);
    const at = known.get(key) ?? ways.push(steps) - 1;
    known.set(key, at);
    return at;
  };
  const courseOf = ({ steps, ...course }: Course): PackedCourse => ({
    // Null and 0 differ here: of the moments of a call null is what is left out.
    ...Object.fromEntries(
      Object.entries(course).filter(([, v]) => v !== null && v !== false && !(Array.isArray(v) && !v.length)),
    ),
    ...(steps.length ? { way: wayOf(steps) } : {}),
  });
  const day: PackedDay = {
    ways,
    rows: rows.map(({ facts: { course, ...facts }, left, noted, recorded, ...row }) => ({
      ...row,
      ...filled({ left, noted, recorded }),
      facts: filled(facts),
      ...(course ? { course: courseOf(course) } : {}),
    })),
  };
  return JSON.stringify(day);
}

/** @param text of `packed`, of this version @throws SyntaxError where it is no such text */
export function unpacked(text: string): Row[] {
  const { ways, rows } = JSON.parse(text) as PackedDay;
  return rows.map(({ course, facts, ...row }) => {
    const { way, ...rest } = course ?? {};
    const steps = way === undefined ? NO_COURSE.steps : ways[way]!;
    return {
      left: false,
      noted: false,
      recorded: false,
      ...row,
      facts: { ...EMPTY, ...facts, course: course ? { ...NO_COURSE, ...rest, steps } : null },
    };
  });
}
