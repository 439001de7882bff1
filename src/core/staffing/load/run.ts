/** Usual weeks run through a system by the engine, and what each of them came to, hour by hour. */
import { CallEngine, outcomeOf, outsideNumber, type CallRequest } from '../../calls';
import { courseOf } from '../../story';
import type { Standing, System } from '../../system';
import { becameOf, HOURS_A_WEEK, MISSED, weekHour, type Rules } from '../../traffic';
import { desksOf } from './variants';

/** What is counted of callers, each for every hour of the week in which they called. */
export const COUNTS = [
  'calls',
  'offered',
  'answered',
  'inTime',
  'gaveUp',
  'atOnce',
  'missed',
  'waited',
] as const;
export type Count = (typeof COUNTS)[number];

/** What a week came to. */
export interface Week {
  /** `waited` is in seconds, of all offered; the others are callers. */
  hours: Record<Count, number[]>;
  /** Seconds each person talked, by the hours it covers. */
  busy: Record<string, number[]>;
  /** Lines in use at once at most in each hour. */
  lines: number[];
  /** Lines in use, in the mean of each hour. */
  load: number[];
  /** Callers missed, by the first step they came by that rings people or queues. */
  missedBy: Record<string, number[]>;
  /** How many callers found so many lines in use, by how many. */
  found: number[];
}

const HOUR_MS = 3_600_000;
const none = (): number[] => Array.from({ length: HOURS_A_WEEK }, () => 0);

/** Goes through the hours of the week that a span covers. @param part is told how many seconds of each */
function through(
  from: number,
  to: number,
  hourOf: (at: number) => number,
  part: (hour: number, seconds: number) => void,
): void {
  for (let at = from; at < to;) {
    const next = Math.min(to, at - (at % HOUR_MS) + HOUR_MS);
    part(hourOf(at), (next - at) / 1000);
    at = next;
  }
}

/**
 * Runs the calls of a week. @param requests in order of arrival @returns what it came to
 */
export function runWeek(
  system: System,
  standing: Standing,
  requests: readonly CallRequest[],
  rules: Rules,
): Week {
  const zone = system.business.timeZone;
  const hourOf = (at: number) => weekHour(at, zone);
  const desks = new Set(desksOf(system).map((d) => d.stepId));
  const week: Week = {
    hours: Object.fromEntries(COUNTS.map((c) => [c, none()])) as Week['hours'],
    busy: {},
    lines: none(),
    load: none(),
    missedBy: {},
    found: [],
  };
  /** When lines are taken and let go, and callers come. */
  const changes: [at: number, by: 1 | -1 | 0][] = [];
  const engine = new CallEngine(system, standing);
  engine.whenOver = ({ request, trace }) => {
    engine.forget(request.id);
    if (request.from.kind !== 'outside') return;
    const course = courseOf(trace, null);
    const became = becameOf(course, outcomeOf(trace)?.outcome ?? null, false, rules);
    const { at } = request;
    const hour = hourOf(at);
    const { hours } = week;
    hours.calls[hour]!++;
    changes.push([at, 0], [at, 1], [at + course.ended, -1]);
    for (const e of trace)
      if (e.kind === 'leg offered' && outsideNumber(e.phone) !== undefined) {
        // Led out: a second line for as long as that phone rings and talks.
        const end = trace.find(
          (f) => f.t >= e.t && f.kind === 'leg ended' && f.leg === e.leg && f.how !== 'answered',
        );
        changes.push([at + e.t, 1], [at + (end?.t ?? course.ended), -1]);
      }
    if (became === 'closed' || became === 'unwanted') return;
    hours.offered[hour]!++;
    const over = course.answered ?? course.gaveUp ?? course.ended;
    const wait = course.rings === null ? 0 : (over - course.rings) / 1000;
    hours.waited[hour]! += wait;
    if (became === 'answered') {
      hours.answered[hour]!++;
      if (wait <= rules.within) hours.inTime[hour]!++;
    }
    if (became === 'gave up') hours.gaveUp[hour]!++;
    if (became === 'gave up at once') hours.atOnce[hour]!++;
    if (MISSED.includes(became)) {
      hours.missed[hour]!++;
      const desk = course.steps.find(([, stepId]) => desks.has(stepId))?.[1];
      if (desk) (week.missedBy[desk] ??= none())[hour]!++;
    }
    for (const [phone, personId, from, to] of course.talks) {
      const id = personId ?? system.phones[phone]?.personId;
      if (!id) continue;
      const own = (week.busy[id] ??= none());
      through(at + from, at + to, hourOf, (h, seconds) => (own[h]! += seconds));
    }
  };
  for (const request of requests) {
    engine.advance(request.at - 1);
    engine.act(request.at, { kind: 'place', request });
  }
  engine.advance(Infinity);

  // Those who come at a moment find the lines that are in use just before.
  changes.sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  let [inUse, since] = [0, changes[0]?.[0] ?? 0];
  for (const [at, by] of changes) {
    if (inUse)
      through(since, at, hourOf, (h, seconds) => {
        week.load[h]! += (seconds * inUse) / 3600;
        week.lines[h] = Math.max(week.lines[h]!, inUse);
      });
    since = at;
    if (by === 0) week.found[inUse] = (week.found[inUse] ?? 0) + 1;
    else inUse += by;
    if (by > 0) week.lines[hourOf(at)] = Math.max(week.lines[hourOf(at)]!, inUse);
  }
  return week;
}
