/** Phones on other machines. */
import { z } from 'zod';
import { Id } from '../../../core/system';

const Key = z
  .string()
  .regex(/^[\w-]+$/)
  .max(200);

/**
 * What phones on other machines go by: the keys of this business's exchange, once; and each device that asked to be a phone.
 * Keys are base64url (RFC 4648 §5); the private one is PKCS #8 (RFC 8410).
 */
export const DeviceRecord = z.discriminatedUnion('is', [
  z.object({
    is: z.literal('exchange'),
    id: Id,
    businessId: Id,
    /** When they were made, epoch milliseconds. */
    at: z.number(),
    publicKey: Key,
    privateKey: Key,
    /** Whoever knows it answers for this business at a relay. */
    token: Key,
  }),
  z.object({
    is: z.literal('device'),
    id: Id,
    businessId: Id,
    /** When it asked, epoch milliseconds. */
    at: z.number(),
    phoneId: Id,
    /** The invitation whose link it has. */
    invitationId: Id,
    publicKey: Key,
    /** What it says it is: a browser and a system, a name that somebody gave it. */
    name: z.string().max(80),
    kind: z.string().max(120),
    version: z.string().max(40),
    /** It waits until somebody says that it is theirs; is their phone; is not until that is said anew; is shut out for good. */
    state: z.enum(['asks', 'paired', 'suspended', 'shut out']),
    /** Why it is suspended, in words. */
    why: z.string().max(300).optional(),
    /** When it was connected last, epoch milliseconds; null is never since it is paired. */
    seenAt: z.number().nullable(),
  }),
]);
export type DeviceRecord = z.infer<typeof DeviceRecord>;

/** A phone on another machine. */
export type Device = Extract<DeviceRecord, { is: 'device' }>;

/** What the exchange of a business is known by. */
export type ExchangeKeys = Extract<DeviceRecord, { is: 'exchange' }>;
