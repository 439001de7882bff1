/**
 * Typed commands: the only way the system changes. The same command drives a click, a CSV row,
 * the fix of a finding and undo, and is checked by the same schema wherever it comes from.
 */
import { z } from 'zod';
import { Contact, ContactList } from '../shape/contacts';
import { Hours, Rota } from '../shape/hours';
import { Group, Person, Phone } from '../shape/people';
import { Site } from '../shape/places';
import { Plan, Step } from '../shape/plans';
import { Id } from '../shape/primitives';
import { Promised } from '../shape/promises';
import { Queue } from '../shape/queues';
import { Recording } from '../shape/recordings';
import * as s from '../shape/schema';
import { Shortcut } from '../shape/shortcuts';
import { Wording } from '../shape/wordings';
import { OwnAnswer } from '../shape/asking';
import { CallButton } from '../shape/buttons';
import { MeetingRoom } from '../shape/rooms';
import { BookingCalendar } from '../shape/calendars';
import { Dialogue } from '../shape/dialogues';
import { FollowUp } from '../shape/follow-ups';

/** Any of an object's fields but its id. */
const changeOf = <T extends z.ZodObject>(schema: T) =>
  schema.omit({ id: true } as never).partial() as unknown as z.ZodType<Partial<Omit<z.infer<T>, 'id'>>>;

/** Add a whole object, change some of its fields, or remove it: the same three for every collection. */
const collection = <K extends string, T extends z.ZodObject>(kind: K, schema: T) =>
  [
    z.object({ do: z.literal(`${kind}.add` as const), value: schema }),
    z.object({ do: z.literal(`${kind}.set` as const), id: Id, change: changeOf(schema) }),
    z.object({ do: z.literal(`${kind}.remove` as const), id: Id }),
  ] as const;

const Place = z.object({ parentId: Id, branch: z.number().int().min(-1) }).nullable();

export const Command = z.discriminatedUnion('do', [
  z.object({ do: z.literal('business.set'), change: s.Business.partial() }),
  ...collection('site', Site),
  ...collection('number', s.NumberHeld),
  ...collection('person', Person),
  ...collection('phone', Phone),
  ...collection('group', Group),
  ...collection('queue', Queue),
  ...collection('hours', Hours),
  ...collection('rota', Rota),
  ...collection('recording', Recording),
  ...collection('mailbox', s.Mailbox),
  ...collection('contact', Contact),
  ...collection('list', ContactList),
  ...collection('shortcut', Shortcut),
  ...collection('wording', Wording),
  ...collection('follow-up', FollowUp),
  ...collection('dialogue', Dialogue),
  ...collection('calendar', BookingCalendar),
  ...collection('own answer', OwnAnswer),
  ...collection('call button', CallButton),
  ...collection('meeting room', MeetingRoom),
  ...collection('promise', Promised),
  ...collection('plan', Plan),
  z.object({
    do: z.literal('step.add'),
    planId: Id,
    place: Place,
    index: z.number().int().min(0),
    step: Step,
  }),
  z.object({ do: z.literal('step.set'), planId: Id, step: Step }),
  z.object({ do: z.literal('step.remove'), planId: Id, stepId: Id }),
  z.object({
    do: z.literal('step.move'),
    planId: Id,
    stepId: Id,
    place: Place,
    index: z.number().int().min(0),
  }),
]);
export type Command = z.infer<typeof Command>;

/** One edit as the person made it: commands that hold together, in words, undone as one. */
export const Edit = z.object({
  words: z.string().min(1).max(300),
  commands: z.array(Command).min(1),
  /** Edits with the same key that follow each other are one for undo: typing "24" is one edit, not two. */
  mergeKey: z.string().optional(),
});
export type Edit = z.infer<typeof Edit>;
