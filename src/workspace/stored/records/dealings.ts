/** What goes on between a business and those outside: the carrier, whoever asks not to be called, the registrar. */
import { z } from 'zod';
import { E164, Id, NumberHeld } from '../../../core/system';
import { TextingRequest } from '../../../standins/carrier/approval';
import { Port } from '../../../standins/carrier/porting';
import { Proof } from '../../../standins/proof/proof';

/** What goes on between a business and the carrier, besides buying numbers. */
export const DealingsRecord = z.object({
  businessId: Id,
  ports: z.array(Port),
  texting: z.array(TextingRequest),
  proofs: z.array(Proof),
  /** Numbers that were given back, as they were, and until when they can be brought back. */
  released: z.array(
    z.object({ number: NumberHeld, at: z.number(), until: z.number(), referTo: E164.nullable() }),
  ),
  /** What callers to a number are told once its giving back is in force: another number to call. */
  referrals: z.record(E164, E164),
  /** Whom nobody may text as a person of ours entered it, and who may be texted again. */
  wishes: z
    .array(
      z.object({ number: E164, at: z.number(), does: z.enum(['stop', 'lift']), by: z.string().max(120) }),
    )
    .optional(),
  /** Whom nobody is to call from any list: since when, and who wrote it down. */
  never: z.array(z.object({ number: E164, at: z.number(), by: z.string().max(120) })).optional(),
  /** What web hooks are signed with. */
  hookSecret: z.string().max(200).optional(),
  /** What was deleted for good, or hidden: when, by whom or by which rule, and how much; not with whom it was. */
  forgotten: z
    .array(
      z.object({
        at: z.number(),
        by: z.string().max(120),
        entries: z.number().int().min(0),
        hidden: z.boolean().optional(),
      }),
    )
    .optional(),
});
export type DealingsRecord = z.infer<typeof DealingsRecord>;

export const noDealings = (businessId: string): DealingsRecord => ({
  businessId,
  ports: [],
  texting: [],
  proofs: [],
  released: [],
  referrals: {},
});

export { CarrierBook } from '../../../standins/carrier/carrier';
export { Invitation } from '../../../standins/registrar/pairing';
