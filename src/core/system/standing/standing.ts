/** Standing state: what changes while the phones are in use and needs no review. */
import { z } from 'zod';
import { once } from '../../once';
import type { Contact } from '../shape/contacts';
import { Override } from '../shape/hours';
import { Own } from './own';
import type { Phone } from '../shape/people';
import { Shortcut } from '../shape/shortcuts';
import { E164, Id } from '../shape/primitives';
import { Account, Registration } from './registration';
import { stamped, StampedSwitch, StampedWord } from './stamped';

/** A PIN as it is kept: nobody can read it back. SHA-256 of the salt and the digits, in hexadecimal. */
export const Pin = z.object({ salt: z.string().max(64), hash: z.string().regex(/^[0-9a-f]{64}$/) });
export type Pin = z.infer<typeof Pin>;

export const Standing = z.object({
  /** Raised by one with every change. */
  revision: z.number().int().min(0),
  /** Phones that have been paired. */
  registrations: z.record(Id, Registration),
  /** SIP accounts of desk phones, by account. */
  accounts: z.record(Id, Account),
  /** Do not disturb, by person. */
  dnd: z.record(Id, StampedSwitch),
  /** Phones that do not ring, one by one: do not disturb on this phone, or a linked phone that is switched off. */
  resting: z.record(Id, StampedSwitch).optional(),
  /** How people and linked phones are reached, where they have set it. */
  own: Own.optional(),
  /** Numbers whose calls are not taken, or are again. */
  blocked: z.record(E164, stamped(z.boolean())).optional(),
  /** PINs of mailboxes, by mailbox. */
  pins: z.record(Id, stamped(Pin)).optional(),
  /** Linked phones whose owner gave back the code that was sent to them, with the number it was sent to. */
  proved: z.record(Id, z.object({ number: E164, at: z.number() })),
  /** Numbers that are being ported: the moment from which they are ours, null while it is not known. */
  arrivals: z.record(E164, z.number().nullable()),
  /** What callers to numbers given back are told, and until when. */
  intercepts: z.record(E164, z.object({ referTo: E164.nullable(), until: z.number() })),
  /** "Close now until…" and "stay open until…", by set of hours. They hold at once, and end by themselves. */
  overrides: z.record(Id, stamped(Override)),
  /** Who serves a queue, by queue and person; whoever is not named is logged in. */
  logins: z.record(Id, z.record(Id, stamped(z.boolean()))),
  /** Who takes no calls of queues for a while, by person: why, in their words; null is that they do again. */
  pauses: z.record(Id, stamped(z.string().max(60).nullable())).optional(),
  /** What people say of themselves besides what is worked out of them: "at the dentist". Empty is nothing. */
  words: z.record(Id, StampedWord).optional(),
  /** Whom people call often, in their own order, by person. */
  shortcuts: z.record(Id, stamped(z.array(Shortcut).max(100))).optional(),
  /** Credit for calls out that was put up then, in cents of the business's currency; null or absent is none: no limit. */
  credit: stamped(z.number().int().min(0).nullable()).optional(),
  /** Countries to which calls were allowed again after they had been stopped. */
  allowedAgain: z.record(z.string(), stamped(z.boolean())).optional(),
  /** The draft of a revision goes in force at a moment (epoch milliseconds); absent or null is never. `by` is who planned it. */
  planned: z
    .object({ at: z.number(), revision: z.string(), by: z.string().optional() })
    .nullable()
    .optional(),
});
export type Standing = z.infer<typeof Standing>;

export const emptyStanding = (): Standing => ({
  revision: 0,
  registrations: {},
  accounts: {},
  dnd: {},
  proved: {},
  arrivals: {},
  intercepts: {},
  overrides: {},
  logins: {},
});

/**
 * Whether calls of a number are not taken: what the block list says of it, else its contact.
 * @param contact the contact of the number, where there is one
 */
export const isBlockedNumber = (
  number: string,
  standing: Pick<Standing, 'blocked'>,
  contact: Pick<Contact, 'blocked'> | undefined,
): boolean => standing.blocked?.[number]?.value ?? contact?.blocked ?? false;

/** Whether calls may be sent to a linked phone: its owner has proved the number it has now. */
export const isProved = (standing: Standing, phone: Phone): boolean =>
  standing.proved[phone.id]?.number === phone.number;

/** Whether a number is ours at a moment (epoch milliseconds): one that is being ported is not before it has moved. */
export function hasArrived(standing: Standing, e164: string, now: number): boolean {
  const arrival = standing.arrivals[e164];
  return arrival === undefined || (arrival !== null && now >= arrival);
}

declare const asTheyWerePaired: unique symbol;
/** A standing state in which phones stand as they were paired, and not as they are now; only `asPaired` makes one. */
export type PairedStanding = Standing & { readonly [asTheyWerePaired]: true };

/**
 * The standing state a rehearsal reckons with: every phone that was ever paired is switched on, and numbers on their way
 * have arrived. A rehearsal is about the plan; whether a browser window happens to be open now is not part of it.
 */
export const asPaired = once(
  (standing: Standing): PairedStanding =>
    ({
      ...standing,
      arrivals: {},
      registrations: Object.fromEntries(
        Object.entries(standing.registrations).map(([id, r]) => [
          id,
          { ...r, online: true, condition: 'in reach', passwordOf: null },
        ]),
      ),
    }) as Standing as PairedStanding,
);
