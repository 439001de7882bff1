/** Standing state: what changes while the phones are in use and needs no review. */
import { z } from 'zod';
import { Id } from './schema';

/** A setting with who made it, when and where; the last change wins. */
const stamped = <T extends z.ZodType>(value: T) =>
  z.object({ value, at: z.number(), by: z.string().max(80) });

export const Standing = z.object({
  /** Raised by one with every change. */
  revision: z.number().int().min(0),
  /** Phones that have been paired; `online` is whether they are registered right now. */
  registrations: z.record(
    Id,
    z.object({
      pairedAt: z.number(),
      online: z.boolean(),
      /** Signed on from outside every site's networks. */
      outside: z.boolean(),
      /** A simulated desk phone or app of the bench: always on unless switched off there. */
      standIn: z.boolean(),
    }),
  ),
  /** Do not disturb, by person. */
  dnd: z.record(Id, stamped(z.boolean())),
});
export type Standing = z.infer<typeof Standing>;

export const emptyStanding = (): Standing => ({ revision: 0, registrations: {}, dnd: {} });

/**
 * The standing state a rehearsal reckons with: every phone that was ever paired is switched on.
 * A rehearsal is about the plan; whether a browser window happens to be open now is not part of it.
 */
export const asPaired = (standing: Standing): Standing => ({
  ...standing,
  registrations: Object.fromEntries(
    Object.entries(standing.registrations).map(([id, r]) => [id, { ...r, online: true }]),
  ),
});
