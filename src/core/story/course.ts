/** The course of one call, as reports need it: what stands in its trace, without it. Milliseconds from arrival throughout. */
import { metered, outsideNumber, type LegEnd, type Trace } from '../calls';
import type { QueueWay } from '../system';

/** A phone that was in a talk; null where nobody's name is on it. */
export type TalkPart = readonly [phone: string, personId: string | null, from: number, to: number];
/** A wait in a queue; null is the end of the call. */
export type QueueWait = readonly [
  queueId: string,
  from: number,
  to: number,
  way: QueueWay | 'sent on' | 'answered' | null,
];

export interface Course {
  /** The first step that rings somebody or queues; null where none did. */
  rings: number | null;
  /** The first answer. */
  answered: number | null;
  /** When the caller hung up while it rang or they waited, before anybody answered. */
  gaveUp: number | null;
  ended: number;
  /** The hours it came by were closed, and nothing rang and no queue was entered. */
  closed: boolean;
  talks: readonly TalkPart[];
  queued: readonly QueueWait[];
  /** Steps it came by, in order, each time. */
  steps: readonly (readonly [planId: string, stepId: string])[];
  /** Keys of menus, by the step of the menu. */
  keys: readonly (readonly [stepId: string, key: string])[];
  /** What was answered to questions. */
  noted: readonly (readonly [label: string, text: string])[];
  /** People whose phone rang to its end and was not lifted, before anybody answered; each time. */
  unlifted: number;
  /** People whose phones sounded when one of them lifted, that one included. */
  lifted: number;
  /** From when that one began to sound until it was lifted; null where none was. */
  lift: number | null;
  /** Outside numbers that are paid for, in seconds. */
  paid: readonly (readonly [number: string, seconds: number])[];
}

/** A call of which nothing is known: its lists are shared by all that have none. */
export const NO_COURSE: Course = {
  rings: null,
  answered: null,
  gaveUp: null,
  ended: 0,
  closed: false,
  talks: [],
  queued: [],
  steps: [],
  keys: [],
  noted: [],
  unlifted: 0,
  lifted: 0,
  lift: null,
  paid: [],
};

/** Ends of ringing that say that somebody who could have lifted did not. */
const isUnlifted = (how: LegEnd): boolean => how === 'not answered' || how === 'declined';

export function courseOf(trace: Trace, callerPhone: string | null): Course {
  const ended = trace.at(-1)?.t ?? 0;
  const talks: TalkPart[] = [];
  const open = new Map<string, { personId: string | null; from: number }>();
  const close = (phone: string, to: number) => {
    const known = open.get(phone);
    if (!known) return;
    talks.push([phone, known.personId, known.from, to]);
    open.delete(phone);
  };
  const sounding = new Map<string, { personId: string | null; since: number }>();
  const notLifting = new Set<string>();
  const queued: QueueWait[] = [];
  let waiting: { queueId: string; from: number } | null = null;
  const leaves = (to: number, way: QueueWait[3]) => {
    if (waiting) queued.push([waiting.queueId, waiting.from, to, way]);
    waiting = null;
  };
  const steps: [string, string][] = [];
  const keys: [string, string][] = [];
  const noted: [string, string][] = [];
  let rings: number | null = null;
  let answered: number | null = null;
  let gaveUp: number | null = null;
  let lift: number | null = null;
  let lifted = 0;
  let period: string | null | undefined;
  let menu = '';
  for (const e of trace)
    switch (e.kind) {
      case 'step':
        steps.push([e.planId, e.stepId]);
        break;
      case 'hours':
        period = e.period;
        break;
      case 'menu':
        menu = e.stepId;
        break;
      case 'key':
        if (menu) keys.push([menu, e.key]);
        break;
      case 'noted':
        noted.push([e.label, e.text]);
        break;
      case 'queued':
        rings ??= e.t;
        waiting = { queueId: e.queueId, from: e.t };
        break;
      case 'left queue':
        leaves(e.t, e.way);
        break;
      case 'not rung':
      case 'ringing over':
      case 'leg offered':
        rings ??= e.t;
        break;
      case 'leg sounding':
        sounding.set(e.phone, { personId: e.personId, since: e.t });
        break;
      case 'leg ended':
        // Somebody with two phones that ring has let it ring once.
        if (answered === null && e.personId && isUnlifted(e.how) && sounding.has(e.phone))
          notLifting.add(`${e.personId} ${e.t}`);
        if (e.how !== 'answered' && e.how !== 'answered elsewhere') sounding.delete(e.phone);
        break;
      case 'answered':
        if (answered === null) {
          answered = e.t;
          if (e.personId && sounding.size) {
            lift = e.t - (sounding.get(e.phone)?.since ?? e.t);
            lifted = new Set([...sounding.values()].flatMap((s) => s.personId ?? [])).size;
          }
          leaves(e.t, 'answered');
          // Whoever called from a phone of ours is in it from the answer on.
          if (callerPhone) open.set(callerPhone, { personId: null, from: e.t });
        }
        if (!open.has(e.phone)) open.set(e.phone, { personId: e.personId, from: e.t });
        break;
      case 'joins':
        if (!open.has(e.phone)) open.set(e.phone, { personId: e.personId, from: e.t });
        break;
      case 'leaves':
        close(e.phone, e.t);
        break;
      case 'ended':
        if (answered === null && e.outcome.kind === 'hung up' && rings !== null) {
          const { during } = e.outcome;
          if (during === 'ringing' || during === 'wait') gaveUp = e.t;
        }
        break;
      default:
    }
  leaves(ended, null);
  for (const phone of [...open.keys()]) close(phone, ended);
  return {
    rings,
    answered,
    gaveUp,
    ended,
    closed: period === null && rings === null,
    talks: talks.filter(([phone]) => outsideNumber(phone) === undefined || phone === callerPhone),
    queued,
    steps,
    keys,
    noted,
    unlifted: notLifting.size,
    lifted,
    lift,
    paid: metered(trace).map((m) => [m.number, m.seconds] as const),
  };
}
