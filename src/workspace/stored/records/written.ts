/** What is written: texts, words of colleagues, faxes, letters, contacts of one's own. */
import { z } from 'zod';
import { Id, OwnContact, OwnContactId } from '../../../core/system';
import { Fax } from '../../../standins/carrier/faxing';
import { TextFiles, TextMessage } from '../../../standins/carrier/texting';

export const TextRecord = TextMessage.safeExtend({ businessId: Id });
export type TextRecord = z.infer<typeof TextRecord>;

/** What ours do about a conversation by text, besides writing: who sees to it, and that it is done with. */
export const ThreadRecord = z.object({
  /** The two numbers, ours first; see `conversationKey`. */
  id: z.string().min(1).max(80),
  businessId: Id,
  /** When something was done last, epoch milliseconds. */
  at: z.number(),
  /** Who has it. */
  assignedTo: Id.optional(),
  /** Since when nothing is to be done; what is written later opens it again. */
  closedAt: z.number().optional(),
});
export type ThreadRecord = z.infer<typeof ThreadRecord>;

/** A conversation of colleagues; see `CircleKept`. */
export const CircleRecord = z.object({
  id: z.string().min(1).max(4000),
  businessId: Id,
  at: z.number(),
  memberIds: z.array(Id).max(50, 'At most 50 people.'),
  groupId: Id.optional(),
  name: z.string().trim().max(60).optional(),
  seen: z.record(Id, z.number()),
});
export type CircleRecord = z.infer<typeof CircleRecord>;

/** What a colleague wrote in one. */
export const WordsRecord = z
  .object({
    id: Id,
    businessId: Id,
    circleId: z.string().min(1).max(4000),
    at: z.number(),
    by: Id,
    text: z.string().trim().max(4000, 'This is longer than 4,000 letters.'),
    files: TextFiles.optional(),
    about: z
      .object({
        is: z.enum(['call', 'message', 'contact']),
        id: Id,
        words: z.string().trim().min(1).max(200),
      })
      .optional(),
  })
  .refine(({ text, files, about }) => text !== '' || !!files?.length || !!about, {
    path: ['text'],
    message: 'Write something.',
  });
export type WordsRecord = z.infer<typeof WordsRecord>;

export const FaxRecord = Fax.extend({
  businessId: Id,
  /** The mailbox it came to. */
  mailboxId: Id.optional(),
  /** How its pages are turned to be read, in degrees. */
  turned: z.union([z.literal(90), z.literal(180), z.literal(270)]).optional(),
  seen: z.boolean().optional(),
  assignedTo: Id.optional(),
  note: z.string().max(2000).optional(),
  /** When somebody said that it is done. */
  answeredAt: z.number().optional(),
  folder: z.enum(['archive', 'bin']).optional(),
});
export type FaxRecord = z.infer<typeof FaxRecord>;

export const MailRecord = z.object({
  id: Id,
  businessId: Id,
  at: z.number(),
  to: z.string(),
  subject: z.string(),
  /** The message as sent: RFC 5322. */
  raw: z.string(),
});
export type MailRecord = z.infer<typeof MailRecord>;

/** A contact of one person only. */
export const OwnContactRecord = OwnContact.extend({
  id: OwnContactId,
  businessId: Id,
  /** Whose it is. */
  personId: Id,
  /** When it was written last, epoch milliseconds. */
  at: z.number(),
});
export type OwnContactRecord = z.infer<typeof OwnContactRecord>;
