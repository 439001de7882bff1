/** Follow-ups: sentences of when, if, then and after, by which something happens that nobody has to remember. */
import { z } from 'zod';
import { Id, name, text } from './primitives';

/** A word that is put on calls, to find and to count them by. */
export const Tag = text(30).min(1, 'Write a word.');

const Seconds = z
  .number('Type a number of seconds.')
  .int('Whole seconds only.')
  .min(1, 'At least 1 second.')
  .max(3600, 'At most 3,600 seconds (an hour).');

/** What has to happen. Everything but the last two is about a call or a text. */
export const FollowWhen = z.discriminatedUnion('is', [
  /** A call is over in which somebody of ours talked with the other side. */
  z.object({ is: z.literal('talked'), way: z.enum(['in', 'out', 'either']) }),
  /** A call came in and reached nobody. */
  z.object({ is: z.literal('missed') }),
  /** Whoever called was in queues for longer than this. */
  z.object({ is: z.literal('waited'), seconds: Seconds }),
  z.object({ is: z.literal('message') }),
  z.object({ is: z.literal('recorded') }),
  /** A text comes that has one of the words; any, where there are none. */
  z.object({ is: z.literal('text'), words: z.array(text(40).min(1)).max(20, 'At most 20 words.') }),
  /** The caller answered questions of the answering script: the one of this name, or any where it is empty. */
  z.object({ is: z.literal('asked'), label: text(40) }),
  z.object({ is: z.literal('tagged'), tag: Tag }),
  z.object({ is: z.literal('number moved') }),
  /** Somebody was invited so many days ago, and no phone was paired by it. */
  z.object({
    is: z.literal('not paired'),
    days: z
      .number('Type a number of days.')
      .int('Whole days only.')
      .min(1, 'At least 1 day.')
      .max(30, 'At most 30 days.'),
  }),
]);

/** How a call can end, as a follow-up tells them apart. */
export const FOLLOWED_ENDS = ['answered', 'message', 'gave up', 'closed', 'otherwise'] as const;

/** What has to be so besides; all of them. */
export const FollowIf = z.discriminatedUnion('is', [
  z.object({ is: z.literal('number'), numberIds: z.array(Id).min(1, 'Choose a number.').max(200) }),
  /** It came by a step of a plan; a step that is gone is never come by. */
  z.object({ is: z.literal('step'), step: Id }),
  z.object({ is: z.literal('hours'), hoursId: Id.nullable(), open: z.boolean() }),
  z.object({ is: z.literal('contact'), known: z.boolean() }),
  z.object({ is: z.literal('listed'), listId: Id.nullable() }),
  z.object({ is: z.literal('length'), longer: z.boolean(), seconds: Seconds }),
  z.object({ is: z.literal('end'), how: z.enum(FOLLOWED_ENDS) }),
  z.object({ is: z.literal('tagged'), tag: Tag, has: z.boolean() }),
]);

/** Whom a mail goes to. */
export const MailTo = z.discriminatedUnion('is', [
  z.object({ is: z.literal('person'), personId: Id.nullable() }),
  z.object({ is: z.literal('address'), address: z.email('This is not an e-mail address.') }),
  /** The other side, where they are a contact that has an address. */
  z.object({ is: z.literal('contact') }),
]);

/** What is done then. */
export const FollowThen = z.discriminatedUnion('do', [
  z.object({
    do: z.literal('text'),
    /** With fields in braces. */
    text: text(1600).min(1, 'Write what it says.'),
    /** From which number of ours; null is the one that was called or written to. */
    numberId: Id.nullable(),
  }),
  z.object({
    do: z.literal('mail'),
    to: MailTo,
    subject: text(200).min(1, 'Write a subject.'),
    text: text(4000).min(1, 'Write what it says.'),
    /** The sound of the message goes with it, or what happened as JSON. */
    with: z.enum(['nothing', 'message', 'record']),
  }),
  z.object({
    do: z.literal('hook'),
    url: z.url({ protocol: /^https$/, error: 'An address that begins with https://.' }).max(500),
  }),
  z.object({
    do: z.literal('task'),
    /** Whose it is; null is anybody's. */
    personId: Id.nullable(),
    text: text(300).min(1, 'Write what is to be done.'),
    /** It is to call the other side back. */
    callBack: z.boolean(),
    days: z
      .number('Type a number of days.')
      .int('Whole days only.')
      .min(0, 'Not before today.')
      .max(365, 'At most 365 days.'),
  }),
  /** A dialogue by text begins. */
  z.object({ do: z.literal('ask'), dialogueId: Id.nullable(), numberId: Id.nullable() }),
  /** They are put on a call list, which is a record beside the document: by its id, and what it was called. */
  z.object({ do: z.literal('list'), callList: Id.nullable(), name: text(80) }),
  z.object({ do: z.literal('tag'), tag: Tag }),
  z.object({ do: z.literal('note'), text: text(500).min(1, 'Write the note.') }),
]);

/** When it is done. */
export const FollowAfter = z.discriminatedUnion('is', [
  /** Elapsed minutes, whatever the clocks do. */
  z.object({
    is: z.literal('minutes'),
    minutes: z
      .number('Type a number of minutes.')
      .int('Whole minutes only.')
      .min(0, 'Not before it happened.')
      .max(43_200, 'At most 43,200 minutes (30 days).'),
  }),
  /** On the next day of the business at a minute of the day. */
  z.object({ is: z.literal('next day'), at: z.number().int().min(0).max(1439) }),
]);

export const FollowUp = z.object({
  id: Id,
  name,
  /** It does nothing for the time being; absent is that it does. */
  rests: z.boolean().optional(),
  when: FollowWhen,
  if: z.array(FollowIf).max(12, 'At most 12 conditions.'),
  then: z.array(FollowThen).min(1, 'Say what is done.').max(6, 'At most six things are done.'),
  after: FollowAfter,
  /** Not where the other side was talked with, or called back, meanwhile. */
  unlessTalked: z.boolean(),
  /** Days in which nobody gets it twice; 0 is that they may. */
  pauseDays: z
    .number('Type a number of days.')
    .int('Whole days only.')
    .min(0, 'Not less than none.')
    .max(365, 'At most 365 days.'),
});

/** What holds for all of them. */
export const ByItself = z.object({
  /** The most that one receiver gets in a day, over all follow-ups. */
  perDay: z.number('Type a number.').int('A whole number.').min(1, 'At least 1.').max(20, 'At most 20.'),
  /** So many hours late it is not done any more: a person looks. */
  lateHours: z
    .number('Type a number of hours.')
    .int('Whole hours only.')
    .min(1, 'At least 1 hour.')
    .max(240, 'At most 240 hours (ten days).'),
});
/** What holds until somebody says otherwise. Common practice, no source. */
export const usualByItself = (): ByItself => ({ perDay: 2, lateHours: 48 });

export type FollowWhen = z.infer<typeof FollowWhen>;
export type FollowIf = z.infer<typeof FollowIf>;
export type FollowThen = z.infer<typeof FollowThen>;
export type MailTo = z.infer<typeof MailTo>;
export type FollowAfter = z.infer<typeof FollowAfter>;
export type FollowUp = z.infer<typeof FollowUp>;
export type FollowedEnd = (typeof FOLLOWED_ENDS)[number];
export type ByItself = z.infer<typeof ByItself>;
