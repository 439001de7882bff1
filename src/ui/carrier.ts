/** The browser's side of the carrier: the same interface, over the server routes. */
import { z } from 'zod';
import { Offer, Refusal, type OrderResult, type Search, type SearchResult } from '$standins/carrier/carrier';

const Problem = z.object({ detail: z.string(), refusal: Refusal.optional() });

async function post(
  path: string,
  body: unknown,
  signal?: AbortSignal,
): Promise<{ ok: boolean; body: unknown }> {
  const response = await fetch(path, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
    signal,
  });
  return { ok: response.ok, body: await response.json().catch(() => null) };
}

const refused = (body: unknown) => {
  const read = Problem.safeParse(body);
  return {
    ok: false as const,
    refusal: (read.success && read.data.refusal) || ('not offered' as const),
    message: read.success
      ? read.data.detail
      : 'The carrier gave no answer that can be understood. Try again.',
  };
};

/** Looks for numbers. @throws when the server cannot be reached, or the search was cancelled */
export async function searchNumbers(search: Search, signal: AbortSignal): Promise<SearchResult> {
  const { ok, body } = await post('/api/carrier/search', search, signal);
  const read = z.object({ offers: z.array(Offer) }).safeParse(body);
  return ok && read.success ? { ok: true, offers: read.data.offers } : refused(body);
}

/** Orders a number. @throws when the server cannot be reached */
export async function orderNumber(e164: string): Promise<OrderResult> {
  const { ok, body } = await post('/api/carrier/orders', { e164 });
  const read = z.object({ offer: Offer }).safeParse(body);
  return ok && read.success ? { ok: true, offer: read.data.offer } : refused(body);
}
