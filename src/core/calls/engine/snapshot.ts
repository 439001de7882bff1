/** Calls in progress as they are stored: what does not pass is not taken up, for a call that goes on wrongly is worse than one that ended. */
import { z } from 'zod';
import { ForwardTarget, Id, IfNobody, PassTarget, System } from '../../system';
import { CallRequest, Origin } from '../base/request';
import {
  isWhole,
  type Action,
  type AnyCall as StoredCall,
  type CallState,
  type Due,
  type Memory,
  type Phase,
  type Snapshot,
} from '../base/state';
import { TraceRecord } from '../base/stored-trace';
import { CALLER } from '../base/talk';
import type { Outcome } from '../base/trace';

const Moment = z.number();
const Count = z.number().int().min(0);
const PhoneName = z.string().max(80);

const Held = z.object({
  id: Id,
  from: z.string(),
  fromNumber: z.string().nullable(),
  at: Moment,
  seconds: z.number(),
  heard: z.boolean(),
});

const Leg = z.object({
  n: Count,
  phone: PhoneName,
  personId: Id.nullable(),
  state: z.enum(['offered', 'sounding', 'confirming', 'over']),
  confirmByKey: z.boolean(),
  confirmBy: Moment.optional(),
});

const Rung = z.object({ personId: Id.nullable(), phoneId: Id.nullable(), outside: z.string().nullable() });

const EndRecord = z.object({
  n: Count,
  phone: PhoneName,
  personId: Id.nullable(),
  holds: Moment.optional(),
  gone: Moment.optional(),
});

const Onward = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('step'),
    stepId: Id.nullable(),
    unreachable: Id.nullable().optional(),
    busy: Id.nullable().optional(),
  }),
  z.object({ kind: z.literal('own mailbox'), personId: Id }),
  z.object({ kind: z.literal('mailbox'), mailboxId: Id }),
  z.object({ kind: z.literal('nobody') }),
  z.object({ kind: z.literal('outside'), number: z.string() }),
  z.object({ kind: z.literal('own phone'), phone: PhoneName }),
]);

// Loose: what a later version adds to a call is kept.
const Passed = z.object({
  by: PhoneName,
  personId: Id.nullable(),
  to: PassTarget.nullable(),
  ifNobody: IfNobody,
  way: z.enum(['out', 'back', 'line']),
});
const AnyCall = z.looseObject({
  request: CallRequest,
  version: Count,
  phase: z.enum([
    'waiting',
    'prompt',
    'menu',
    'asked',
    'naming',
    'queued',
    'ringing',
    'talking',
    'parked',
    'greeting',
    'tone',
    'message',
    'inbox',
    'meeting',
    'over',
  ]),
  turn: Count,
  numberId: Id.nullable(),
  planId: Id.nullable(),
  stepId: Id.nullable(),
  legs: z.array(Leg),
  legCount: Count,
  queue: z.array(Rung),
  weights: z.record(z.string(), z.number()).optional(),
  roundMs: z.number(),
  turnsOf: z.string().nullable(),
  how: z.object({
    ringBusy: z.boolean(),
    confirm: z.boolean(),
    screened: z.boolean().optional(),
    back: z.boolean().optional(),
  }),
  saw: z.object({ rung: z.boolean(), busy: z.boolean(), nobody: z.boolean() }),
  person: z
    .object({
      personId: Id,
      index: Count,
      rung: z.boolean(),
      sawBusy: z.boolean(),
      until: Moment.nullable(),
    })
    .nullable(),
  onward: Onward,
  backTo: z.object({ planId: Id, stepId: Id.nullable() }).optional(),
  redirects: Count,
  menusBefore: z.array(z.object({ planId: Id, stepId: Id })).optional(),
  chain: z.array(z.string()),
  menu: z
    .object({
      tries: Count,
      digits: z.string(),
      mode: z.enum(['keys', 'name', 'choose']),
      found: z.array(Id),
    })
    .nullable(),
  waiting: z
    .looseObject({
      queueId: Id,
      stepId: Id.nullable(),
      since: Moment,
      token: z.number(),
      tried: z.array(z.string()),
      looks: z.boolean(),
      offered: Moment.optional(),
    })
    .nullable(),
  asking: z
    .object({
      index: Count,
      part: z.enum(['question', 'answer', 'told']),
      heard: z.string(),
      time: Count.optional(),
      offers: z.array(Moment).optional(),
      meant: Id.optional(),
      next: z.string().optional(),
    })
    .nullable(),
  pressed: Count,
  drawn: Count,
  dialIn: z
    .object({
      mailboxId: Id.nullable(),
      stage: z.enum(['extension', 'pin', 'menu', 'message', 'after', 'goodbye']),
      open: z.boolean(),
      digits: z.string(),
      times: Count,
      wrong: Count,
      list: z.array(Held),
      index: z.number().int(),
    })
    .optional(),
  again: z.boolean().optional(),
  since: Moment,
  until: Moment.nullable(),
  from: Origin,
  ends: z.array(EndRecord),
  listening: z.array(z.object({ phone: PhoneName, personId: Id.nullable() })).optional(),
  endCount: Count,
  joined: z.boolean().optional(),
  recorded: z
    .object({
      by: PhoneName.nullable(),
      personId: Id.nullable(),
      consent: z.enum(['one', 'all']),
      is: z.enum(['announced', 'on', 'paused']),
      since: Moment,
    })
    .optional(),
  passing: z
    .discriminatedUnion('way', [
      Passed,
      z.object({
        personId: Id.nullable(),
        to: PassTarget,
        way: z.literal('from a queue'),
        before: Passed.nullable(),
      }),
    ])
    .nullable(),
  parked: z.object({ slot: z.string(), by: PhoneName, personId: Id.nullable() }).nullable(),
  servedFrom: z.object({ queueId: Id, stepId: Id.nullable() }).optional(),
  mailboxId: Id.nullable(),
  meeting: z
    .object({
      roomId: Id,
      stage: z.enum(['pin', 'name', 'waits', 'in']),
      as: z.enum(['host', 'member']),
      digits: z.string(),
      wrong: Count,
      muted: z.boolean(),
    })
    .optional(),
  afterwards: z
    .object({
      dialogueId: Id,
      outcome: z.custom<Outcome>((o) => typeof o === 'object' && o !== null && 'kind' in o),
    })
    .optional(),
  trace: TraceRecord,
}) satisfies z.ZodType<StoredCall & { phase: Phase }>;
/** A call as it was stored before calls could be held and passed on: it talked on one phone. */
function asStoredNow(raw: unknown): unknown {
  if (typeof raw !== 'object' || raw === null || 'ends' in raw) return raw;
  const { talkingOn, ...call } = raw as Record<string, unknown>;
  const request = CallRequest.safeParse(call['request']).data;
  if (!request) return raw;
  const { from } = request;
  const legs = z.array(Leg).safeParse(call['legs']).data ?? [];
  const called = typeof talkingOn === 'string' ? talkingOn : undefined;
  const who = legs.find((l) => l.phone === called)?.personId ?? null;
  const caller = from.kind === 'phone' ? from.phoneId : CALLER;
  const ends = called
    ? [
        { n: 1, phone: caller, personId: null },
        { n: 2, phone: called, personId: who },
      ]
    : [];
  return { ...call, from, ends, endCount: ends.length, passing: null, parked: null };
}
const Call = z
  .preprocess(asStoredNow, AnyCall)
  .refine(isWhole, 'A call lacks what it is in the middle of.')
  .transform((call) => call as CallState);

const onPhone = <K extends string>(kind: K) =>
  z.object({ kind: z.literal(kind), callId: Id, phone: PhoneName });

/** What somebody does, as it is stored or comes from another machine. */
export const ActionRecord = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('place'), request: CallRequest }),
  z.object({ kind: z.literal('answer'), callId: Id, phone: PhoneName }),
  z.object({ kind: z.literal('decline'), callId: Id, phone: PhoneName }),
  z.object({ kind: z.literal('to mailbox'), callId: Id, phone: PhoneName }),
  z.object({ kind: z.literal('press'), callId: Id, key: z.string().max(1) }),
  z.object({ kind: z.literal('say'), callId: Id, text: z.string() }),
  z.object({ kind: z.literal('silent'), callId: Id, ms: z.number() }),
  z.object({
    kind: z.literal('hang up'),
    callId: Id,
    by: z.enum(['caller', 'called']),
    phone: PhoneName.optional(),
  }),
  onPhone('hold'),
  onPhone('take back'),
  z.object({
    kind: z.literal('pass on'),
    callId: Id,
    phone: PhoneName,
    to: PassTarget,
    ifNobody: IfNobody,
  }),
  onPhone('join'),
  onPhone('back to'),
  onPhone('all together'),
  onPhone('park'),
  z.object({ kind: z.literal('send on'), callId: Id, personId: Id.nullable(), to: PassTarget }),
  onPhone('pick up'),
  onPhone('take over'),
  onPhone('listen in'),
  onPhone('listen no longer'),
  onPhone('record'),
  onPhone('stop recording'),
  onPhone('pause recording'),
  z.object({ kind: z.literal('ring when free'), id: Id, phone: PhoneName, personId: Id }),
  z.object({ kind: z.literal('no longer wanted'), id: Id, phone: PhoneName }),
  z.object({ kind: z.literal('send keys'), callId: Id, phone: PhoneName, keys: z.string().max(40) }),
  onPhone('gone'),
  onPhone('there again'),
  z.object({
    kind: z.literal('in a meeting'),
    callId: Id,
    does: z.enum(['mute', 'unmute', 'mute all', 'lock', 'unlock', 'put out']),
  }),
  z.object({
    kind: z.literal('outside'),
    callId: Id,
    phone: PhoneName,
    is: z.enum(['busy', 'not in service', 'own voicemail']),
  }),
]) satisfies z.ZodType<Action>;
/** An act that is not read again does not compile. */
true satisfies [Exclude<Action['kind'], z.infer<typeof ActionRecord>['kind']>] extends [never] ? true : false;

const DueRecord = z.object({
  t: Moment,
  rank: z.number(),
  seq: z.number(),
  what: z.discriminatedUnion('kind', [
    z.object({ kind: z.literal('action'), action: ActionRecord }),
    z.object({
      kind: z.literal('timer'),
      timer: z.enum([
        'sound',
        'unreachable',
        'own voicemail',
        'answer',
        'confirmed',
        'decline',
        'to mailbox',
        'busy',
        'time out',
        'press',
        'longest wait',
        'comfort',
        'look again',
        'give up',
        'talked',
        'hold reminder',
        'still gone',
        'long joined',
        'credit',
        'recording',
        'does',
      ]),
      callId: Id,
      turn: z.number(),
      leg: z.number(),
    }),
    z.object({ kind: z.literal('serve'), queueId: Id }),
    z.object({ kind: z.literal('wants') }),
  ]),
}) satisfies z.ZodType<Due>;

const MemoryRecord = z.looseObject({
  lastRung: z.record(z.string(), z.string()),
  lastBranch: z.record(z.string(), z.number()),
  idleSince: z.record(z.string(), Moment),
  taken: z.record(z.string(), z.object({ date: z.string(), calls: Count })),
  lastCalls: z.record(z.string(), Moment).optional(),
  lastForward: z
    .record(
      z.string(),
      z.object({
        always: ForwardTarget.optional(),
        onBusy: ForwardTarget.optional(),
        onNotAnswered: ForwardTarget.optional(),
      }),
    )
    .optional(),
  letRing: z.record(z.string(), Moment).optional(),
  wants: z
    .array(
      z.object({
        id: Id,
        phone: Id,
        personId: Id,
        until: Moment,
        callId: Id.nullable(),
        tries: Count,
      }),
    )
    .optional(),
  spent: z
    .object({
      since: Moment,
      cents: z.number(),
      people: z.record(z.string(), z.object({ date: z.string(), cents: z.number() })),
    })
    .optional(),
  abroad: z.array(z.object({ at: Moment, country: z.string(), seconds: z.number() })).optional(),
  stopped: z.record(z.string(), Moment).optional(),
  missed: z.record(z.string(), z.object({ times: Count, at: Moment })).optional(),
  lockedRooms: z.array(Id).optional(),
  booked: z.array(z.object({ id: Id, calendarId: Id, from: Moment, to: Moment })).optional(),
  wrongPins: z.record(z.string(), z.object({ times: Count, at: Moment })).optional(),
}) satisfies z.ZodType<Memory>;

/** A snapshot of an engine, checked as a whole: every call goes by a system that is there. @param system what stands for one */
export const snapshotRecord = <S>(system: z.ZodType<S>): z.ZodType<Snapshot<S>> =>
  z
    .object({
      /** An engine that nothing has happened to yet stands before all time. */
      now: z.union([Moment, z.literal(-Infinity)]),
      seq: z.number(),
      version: Count,
      queue: z.array(DueRecord),
      calls: z.array(Call),
      systems: z.array(z.tuple([Count, system])).min(1),
      // A snapshot of before there were patterns has nothing in mind.
      memory: MemoryRecord.default({ lastRung: {}, lastBranch: {}, idleSince: {}, taken: {} }),
    })
    .refine(({ version, calls, systems }) => {
      const known = new Set(systems.map(([v]) => v));
      return known.has(version) && calls.every((c) => known.has(c.version));
    }, 'A call goes by a system that is not there.');
export const SnapshotRecord: z.ZodType<Snapshot> = snapshotRecord(System);
