/** What the product asks of a carrier. The stand-in beside this file answers; a real one would implement the same. */
import { z } from 'zod';
import { CountryCode, E164, Id } from '../../core/system/shape/primitives';

const Kind = z.enum(['geographic', 'toll-free', 'mobile']);

export const Search = z.object({
  country: CountryCode,
  /** Area code or the beginning of a place's name; empty for anything. */
  where: z.string().trim().max(60),
  kind: Kind.or(z.literal('any')).default('any'),
  /** Digits, keypad letters and "?" it should contain; empty for anything. */
  pattern: z.string().max(40).default(''),
  patternAt: z.enum(['anywhere', 'start', 'end']).default('anywhere'),
  /** As this number, but for the last digit. */
  like: E164.nullable().default(null),
  /** How many that follow each other: 1 is single numbers. */
  row: z.number().int().min(1).max(20).default(1),
  /** Numbers the business holds, with their labels: closeness to them counts. */
  held: z
    .array(z.object({ e164: E164, label: z.string().max(80) }))
    .max(500)
    .default([]),
  /** Words of the business's own, such as those of its name: a number that spells one is easy to remember. */
  words: z.array(z.string().max(40)).max(20).default([]),
  /** Numbers that are sold or reserved, which are not offered. */
  taken: z.array(E164).max(5000).default([]),
});
export type Search = z.infer<typeof Search>;

export const Offer = z.object({
  e164: E164,
  country: CountryCode,
  kind: Kind,
  area: z.string(),
  place: z.string(),
  monthlyCents: z.number().int(),
  currency: z.string(),
});
export type Offer = z.infer<typeof Offer>;

/** One number, or several in a row, with how easy they are to remember and why. */
export const Choice = z.object({
  offers: z.array(Offer).min(1),
  score: z.number(),
  reasons: z.array(z.string()),
});
export type Choice = z.infer<typeof Choice>;

/** Why the carrier says no. */
export const Refusal = z.enum([
  'no such area',
  'not understood',
  'area sold out',
  'taken in the meantime',
  'reservation ran out',
  'not offered',
]);
export type Refusal = z.infer<typeof Refusal>;

export type SearchResult =
  | {
      ok: true;
      choices: Choice[];
      /** How many there are in all. */
      found: number;
      /** Set when nothing is as wished for and the choices are the closest. */
      closest: string | null;
    }
  | { ok: false; refusal: Refusal; message: string };
export const SearchAnswer = z.object({
  choices: z.array(Choice),
  found: z.number(),
  closest: z.string().nullable(),
});

export interface Carrier {
  search(search: Search): Promise<SearchResult>;
}

/** Numbers set aside and sold, over all businesses of this browser: the carrier's own book. */
export const CarrierBook = z.object({
  reserved: z.array(z.object({ offer: Offer, businessId: Id, until: z.number() })),
  sold: z.array(z.object({ e164: E164, businessId: Id })),
  /** Given back, and kept for the business that had them until a moment. */
  resting: z.array(z.object({ e164: E164, businessId: Id, until: z.number() })),
});
export type CarrierBook = z.infer<typeof CarrierBook>;
