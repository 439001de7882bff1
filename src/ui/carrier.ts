/** The browser's side of the carrier: the same interface, over the server route. */
import { z } from 'zod';
import { Refusal, SearchAnswer, type Search, type SearchResult } from '$standins/carrier/carrier';

const Problem = z.object({ detail: z.string(), refusal: Refusal.optional() });

/** Looks for numbers. @throws when the server cannot be reached, or the search was cancelled */
export async function searchNumbers(search: Search, signal?: AbortSignal): Promise<SearchResult> {
  const response = await fetch('/api/carrier/search', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(search),
    ...(signal ? { signal } : {}),
  });
  const body: unknown = await response.json().catch(() => null);
  const answer = SearchAnswer.safeParse(body);
  if (response.ok && answer.success) return { ok: true, ...answer.data };
  const refused = Problem.safeParse(body);
  return {
    ok: false,
    refusal: (refused.success && refused.data.refusal) || 'not offered',
    message: refused.success
      ? refused.data.detail
      : 'The carrier gave no answer that can be understood. Try again.',
  };
}
