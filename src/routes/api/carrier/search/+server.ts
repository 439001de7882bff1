import { json, type RequestHandler } from '@sveltejs/kit';
import { Search } from '$standins/carrier/carrier';
import { problem, readBody } from '../../problem';
import { carrier } from '../carrier';

/** What the carrier has to offer in an area or city. */
export const POST: RequestHandler = async ({ request }) => {
  const body = await readBody(request, Search);
  if (!body.ok) return body.response;
  const result = await carrier.search(body.value);
  return result.ok
    ? json({ offers: result.offers })
    : problem(409, result.refusal, result.message, { refusal: result.refusal });
};
