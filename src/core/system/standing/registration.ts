/** What the registrar knows of a phone, and whether it is registered at a moment. */
import { z } from 'zod';
import type { Phone, PhoneKind } from '../shape/people';

/** Seconds for which a phone registers; it renews at half of them. RFC 3261 §10.2.1.1 leaves the value to the server. */
export const REGISTERED_SECONDS = 600;

export const Registration = z.object({
  pairedAt: z.number(),
  /** Its window is open, or, for a stand-in, it is switched on. */
  online: z.boolean(),
  /** Signed on from outside every site's networks. */
  outside: z.boolean(),
  /** A simulated desk phone or app of the bench. */
  standIn: z.boolean(),
  /** The network address it signed on from; empty where it is not known. */
  address: z.string().max(49),
  /** What it says it is, with its version. */
  version: z.string().max(60),
  /** When it last signed on anew: renewals are reckoned from there. */
  seenAt: z.number(),
  condition: z.enum(['in reach', 'asleep', 'no network']),
  conditionSince: z.number(),
  /** When the password it signs on with was made; null for phones that are paired by code. */
  passwordOf: z.number().nullable(),
});
export type Registration = z.infer<typeof Registration>;

/** A SIP account as the registrar keeps it: never the password, only what a digest is reckoned from (RFC 7616 §3.4.2). */
export const Account = z.object({
  user: z.string().max(60),
  /** H(user:realm:password), hexadecimal. */
  ha1: z.object({ MD5: z.string(), 'SHA-256': z.string() }),
  madeAt: z.number(),
  /** Wrong passwords in a row. */
  wrongTries: z.number().int().min(0),
  lockedUntil: z.number().nullable(),
});
export type Account = z.infer<typeof Account>;

/** What a phone that was just paired or registered looks like. */
export const newRegistration = (given: Partial<Registration> & { pairedAt: number }): Registration => ({
  online: true,
  outside: false,
  standIn: false,
  address: '',
  version: '',
  seenAt: given.pairedAt,
  condition: 'in reach',
  conditionSince: given.pairedAt,
  passwordOf: null,
  ...given,
});

/** The account of a person on a phone: a desk phone has one for each of its keys. */
export const accountId = (phone: Phone, personId: string | null): string =>
  personId === phone.personId || personId === null ? phone.id : `${phone.id}--${personId}`;

/** Everybody whose account a phone holds, in the order of its keys. */
export const accountsOn = (phone: Phone): string[] => [
  ...(phone.personId ? [phone.personId] : []),
  ...phone.keys.map((k) => k.personId),
];

export interface Registered {
  /** Calls are sent to it. */
  registered: boolean;
  /** What is sent to it arrives. */
  reached: boolean;
  /** When it was last heard of. */
  lastSeen: number;
  /** When a registration that is not renewed runs out. */
  runsOut: number | null;
  why:
    | 'its window is closed'
    | 'it is switched off'
    | 'it has no network'
    | 'it is asleep'
    | 'its password is no longer right'
    | null;
}

const HALF_MS = (REGISTERED_SECONDS * 1000) / 2;
/** When a registration that is renewed half-way through was renewed last, until a moment. */
const renewed = ({ seenAt }: Registration, until: number): number =>
  seenAt + Math.max(0, Math.floor((until - seenAt) / HALF_MS)) * HALF_MS;

const holds = ({ passwordOf }: Registration, account: Account | undefined): boolean =>
  passwordOf === null || account?.madeAt === passwordOf;

/** Whether nothing is wrong with a phone: so it is with most, and calls ask about each of them. */
export const isInReach = (r: Registration, account: Account | undefined): boolean =>
  r.standIn && r.online && r.condition === 'in reach' && holds(r, account);

/** How a phone is registered. @param account of a phone that signs on with a password @param now epoch milliseconds */
export function registeredAt(
  r: Registration,
  kind: PhoneKind,
  account: Account | undefined,
  now: number,
): Registered {
  if (!r.standIn || !r.online) {
    const cutOff = !r.standIn && r.condition === 'no network';
    const on = r.online && !cutOff;
    return {
      registered: on,
      reached: on,
      lastSeen: on ? now : r.seenAt,
      runsOut: null,
      why: on
        ? null
        : r.standIn
          ? 'it is switched off'
          : cutOff
            ? 'it has no network'
            : 'its window is closed',
    };
  }
  if (isInReach(r, account))
    return { registered: true, reached: true, lastSeen: renewed(r, now), runsOut: null, why: null };
  const ends: [number, Registered['why'], reached: boolean][] = [];
  // A mobile app asleep is woken by a push message; a computer asleep renews nothing.
  if (r.condition === 'no network' || (r.condition === 'asleep' && kind !== 'mobile app'))
    ends.push([r.conditionSince, r.condition === 'asleep' ? 'it is asleep' : 'it has no network', false]);
  if (!holds(r, account)) ends.push([account?.madeAt ?? r.seenAt, 'its password is no longer right', true]);
  const [end] = ends.filter(([at]) => at <= now).sort((a, b) => a[0] - b[0]);
  const reached = ends.every(([at, , there]) => there || at > now);
  if (!end) return { registered: true, reached, lastSeen: renewed(r, now), runsOut: null, why: null };
  const lastSeen = renewed(r, end[0]);
  const runsOut = lastSeen + REGISTERED_SECONDS * 1000;
  return { registered: now < runsOut, reached, lastSeen, runsOut, why: end[1] };
}
