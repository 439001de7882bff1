/** Plans: what happens to a call, step by step, as a tree of branches. */
import { z } from 'zod';
import { AskedTest, Points, Question, SimpleAnswer } from './asking';
import { PeriodKind } from './hours';
import { Pattern, RingTarget, Weights } from './people';
import { E164, Extension, Id, name, RingSeconds, text } from './primitives';

/** A key of a telephone (ITU-T E.161). */
export const Key = z.string().regex(/^[0-9*#]$/, 'A key is one of 0 to 9, * and #.');

/** What every step has. */
const base = {
  id: Id,
  /** Why it is there, for whoever reads the plan. */
  note: text(300).optional(),
};

/**
 * The steps below a step are lists named by their place: `branches` from 0, and `otherwise`. A list that runs out goes on
 * with the step after the one it belongs to. A setting that is absent is as usual.
 */
/** Steps below a step. */
const Steps: z.ZodType<Step[]> = z.lazy(() => z.array(Step));

const PlayStep = z.object({ ...base, kind: z.literal('play'), recordingId: Id.nullable() });

const HoursHead = z.object({
  ...base,
  kind: z.literal('hours'),
  hoursId: Id.nullable(),
});
const HoursStep = HoursHead.extend({
  branches: z.array(z.object({ period: PeriodKind, steps: Steps })).max(12),
  otherwise: Steps,
});

/** What is asked of whoever calls. */
export const CallerTest = z.discriminatedUnion('is', [
  z.object({ is: z.literal('listed'), listId: Id }),
  z.object({ is: z.literal('known') }),
  /** The beginning of the number: a country, an area. */
  z.object({
    is: z.literal('from'),
    prefix: z.string().regex(/^\+\d{1,15}$/, 'Write the beginning of the number as + and digits.'),
  }),
  z.object({ is: z.literal('hidden') }),
  z.object({ is: z.literal('suspected') }),
  z.object({ is: z.literal('blocked') }),
]);
const CallerHead = z.object({
  ...base,
  kind: z.literal('caller'),
});
const CallerStep = CallerHead.extend({
  branches: z.array(z.object({ test: CallerTest, steps: Steps })).max(20),
  otherwise: Steps,
});

/** What opens a branch of a menu: a key, a key that leads nowhere, or none pressed in time. */
export const MenuKey = z.union([Key, z.enum(['wrong', 'none'])]);
const MenuHead = z.object({
  ...base,
  kind: z.literal('menu'),
  recordingId: Id.nullable(),
  /** Seconds waited for a key after the recording has ended. */
  seconds: z.number().int().min(1, 'At least 1 second.').max(60, 'At most 60 seconds.'),
  /** How often it is played in all before it goes on. */
  tries: z.number().int().min(1, 'At least once.').max(5, 'At most 5 times.'),
  /** Callers may dial an extension. */
  dialExtension: z.boolean(),
  /** The key with which callers spell somebody's name on the keypad, or null. */
  nameKey: Key.nullable(),
  /** The key with which callers hear it again, and the one that leads back to the menu before; absent or null is none. */
  againKey: Key.nullable().optional(),
  backKey: Key.nullable().optional(),
});
const MenuStep = MenuHead.extend({
  branches: z.array(z.object({ key: MenuKey, steps: Steps })).max(14),
  /** After the last try, where there is no branch for it. */
  otherwise: Steps,
});

/** Why a ring step goes another way than to the next step. */
export const RingWay = z.enum(['nobody could be rung', 'all on calls']);
const RingHead = z.object({
  ...base,
  kind: z.literal('ring'),
  targets: z.array(RingTarget).max(50),
  pattern: Pattern,
  /** Together: for so long in all. Otherwise: for so long each. */
  seconds: RingSeconds,
  /** A single person's own forwarding is followed; otherwise it is left alone. */
  followReach: z.boolean(),
  weights: Weights.optional(),
  /** Those on a call are rung as well. */
  ringBusy: z.boolean().optional(),
  /** What the called party sees: the caller's number, the number called, or both. Absent is both. */
  shows: z.enum(['caller', 'number called', 'both']).optional(),
  /** The caller is asked their name, which is said to whoever lifts before they take the call. */
  askName: z.boolean().optional(),
  /** Whoever answers presses 1 to take the call. */
  confirm: z.boolean().optional(),
});
const RingStep = RingHead.extend({
  branches: z
    .array(z.object({ way: RingWay, steps: Steps }))
    .max(2)
    .optional(),
});

export const QueueWay = z.enum(['nobody logged in', 'full', 'waited too long', 'left by key']);
const QueueHead = z.object({
  ...base,
  kind: z.literal('queue'),
  queueId: Id.nullable(),
});
const QueueStep = QueueHead.extend({
  branches: z.array(z.object({ way: QueueWay, steps: Steps })).max(4),
});

const ShareHead = z.object({
  ...base,
  kind: z.literal('share'),
  /** By chance in the given shares, or one branch after the other. */
  how: z.enum(['by shares', 'in turn']),
});
const ShareStep = ShareHead.extend({
  branches: z.array(z.object({ share: z.number().int().min(0).max(100), steps: Steps })).max(12),
});

const AskHead = z.object({
  ...base,
  kind: z.literal('ask'),
  questions: z.array(Question).max(10),
  answers: z.array(SimpleAnswer).max(40),
  /** What counts for the branches by points; absent is nothing. */
  points: z.array(Points).max(40).optional(),
});
/** After the last question the first branch whose test is so is taken. */
const AskStep = AskHead.extend({
  branches: z
    .array(z.object({ test: AskedTest, steps: Steps }))
    .max(12)
    .optional(),
});

export const Occasion = z.enum(['not answered', 'busy', 'closed', 'holiday']);
const VoicemailStep = z.object({
  ...base,
  kind: z.literal('voicemail'),
  mailboxId: Id.nullable(),
  /** What the caller is told the reason is; absent is that nobody answered. */
  occasion: Occasion.optional(),
});

const ForwardStep = z.object({
  ...base,
  kind: z.literal('forward'),
  number: E164.nullable(),
  /** What the other side sees: the caller's number, or the one that was called. */
  shows: z.enum(['caller', 'number called']),
  /** Whoever answers presses 1 to take the call. */
  confirm: z.boolean(),
  seconds: RingSeconds,
});

const GotoStep = z.object({ ...base, kind: z.literal('goto'), planId: Id.nullable() });

const MeetingStep = z.object({ ...base, kind: z.literal('meeting'), roomId: Id.nullable() });

const NotifyStep = z.object({
  ...base,
  kind: z.literal('notify'),
  /** A mail, a text message to the caller, a web hook, or a note on the call. */
  how: z.enum(['mail', 'text', 'hook', 'note']),
  /** The address or URL; the caller and the note need none. */
  to: text(200),
  text: text(1000),
});

const EndStep = z.object({
  ...base,
  kind: z.literal('end'),
  how: z.enum(['plain', 'busy', 'message']),
  /** What is played before the end, where it ends with a message. */
  recordingId: Id.nullable().optional(),
});

/** One line of a plan. */
export const Step = z.discriminatedUnion('kind', [
  PlayStep,
  HoursStep,
  CallerStep,
  MenuStep,
  RingStep,
  QueueStep,
  ShareStep,
  AskStep,
  VoicemailStep,
  ForwardStep,
  GotoStep,
  MeetingStep,
  NotifyStep,
  EndStep,
]);

export const Plan = z.object({
  id: Id,
  name,
  /** What is dialled inside to get it, as for a menu that colleagues use; absent for none. */
  extension: Extension.nullable().optional(),
  steps: z.array(Step).max(200),
});

/** A list of steps below a step, with what opens it. */
type Branches<T> = (T & { steps: Step[] })[];

export type CallerTest = z.infer<typeof CallerTest>;
export type MenuKey = z.infer<typeof MenuKey>;
export type RingWay = z.infer<typeof RingWay>;
export type QueueWay = z.infer<typeof QueueWay>;
export type Occasion = z.infer<typeof Occasion>;
export type PlayStep = z.infer<typeof PlayStep>;
export type HoursStep = z.infer<typeof HoursHead> & {
  branches: Branches<{ period: string }>;
  otherwise: Step[];
};
export type CallerStep = z.infer<typeof CallerHead> & {
  branches: Branches<{ test: CallerTest }>;
  otherwise: Step[];
};
export type MenuStep = z.infer<typeof MenuHead> & { branches: Branches<{ key: MenuKey }>; otherwise: Step[] };
export type RingStep = z.infer<typeof RingHead> & { branches?: Branches<{ way: RingWay }> | undefined };
export type QueueStep = z.infer<typeof QueueHead> & { branches: Branches<{ way: QueueWay }> };
export type ShareStep = z.infer<typeof ShareHead> & { branches: Branches<{ share: number }> };
export type AskStep = z.infer<typeof AskHead> & { branches?: Branches<{ test: AskedTest }> | undefined };
export type VoicemailStep = z.infer<typeof VoicemailStep>;
export type ForwardStep = z.infer<typeof ForwardStep>;
export type GotoStep = z.infer<typeof GotoStep>;
export type MeetingStep = z.infer<typeof MeetingStep>;
export type NotifyStep = z.infer<typeof NotifyStep>;
export type EndStep = z.infer<typeof EndStep>;
export type Step =
  | PlayStep
  | HoursStep
  | CallerStep
  | MenuStep
  | RingStep
  | QueueStep
  | ShareStep
  | AskStep
  | VoicemailStep
  | ForwardStep
  | GotoStep
  | MeetingStep
  | NotifyStep
  | EndStep;
export type StepOf<K extends Step['kind']> = Extract<Step, { kind: K }>;
export type Plan = z.infer<typeof Plan>;
