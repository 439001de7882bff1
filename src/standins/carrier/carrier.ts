/** What the product asks of a carrier. The stand-in beside this file answers; a real one would implement the same. */
import { z } from 'zod';
import { CountryCode, E164 } from '../../core/system';

export const Search = z.object({
  country: CountryCode,
  /** Area code or the beginning of a place's name; empty for anything. */
  where: z.string().trim().max(60),
  /** Numbers already held, which are not offered again. */
  held: z.array(E164).max(500).default([]),
});
export type Search = z.infer<typeof Search>;

export const Offer = z.object({
  e164: E164,
  country: CountryCode,
  kind: z.enum(['geographic', 'toll-free', 'mobile']),
  area: z.string(),
  place: z.string(),
  monthlyCents: z.number().int(),
  currency: z.string(),
});
export type Offer = z.infer<typeof Offer>;

/** Why the carrier says no. */
export const Refusal = z.enum(['no such area', 'area sold out', 'taken in the meantime', 'not offered']);
export type Refusal = z.infer<typeof Refusal>;

export type SearchResult = { ok: true; offers: Offer[] } | { ok: false; refusal: Refusal; message: string };
export type OrderResult = { ok: true; offer: Offer } | { ok: false; refusal: Refusal; message: string };

export interface Carrier {
  search(search: Search): Promise<SearchResult>;
  order(e164: string): Promise<OrderResult>;
}
