/** What is kept beside a business: records that could not be read, and where copies go. */
import { z } from 'zod';

/** A record that could not be read, as it lay there. */
export const Aside = z.object({
  id: z.string(),
  businessId: z.string(),
  at: z.number(),
  store: z.enum([
    'drafts',
    'heads',
    'edits',
    'versions',
    'standing',
    'dealings',
    'invitations',
    'mail',
    'messages',
    'calls',
    'texts',
    'threads',
    'ownContacts',
    'circles',
    'words',
    'faxes',
    'errands',
    'tasks',
    'runs',
    'rounds',
    'callLists',
    'listed',
    'bookings',
    'meetings',
    'devices',
    'exchange',
    'carrier',
    'settings',
  ]),
  why: z.string(),
  raw: z.unknown(),
});
export type Aside = z.infer<typeof Aside>;

/** Where copies outside the browser go, and when the last one went there; by business. */
export interface CopyPlace {
  /** A file that was chosen once and is written by itself; null where the browser has none of that. */
  file: FileSystemFileHandle | null;
  /** Epoch milliseconds of real time. */
  at: number | null;
  /** The state of the business by then; see `revisionOf`. */
  revision: string;
}
