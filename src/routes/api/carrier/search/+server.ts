import { json, type RequestHandler } from '@sveltejs/kit';
import { Search } from '$standins/carrier/carrier';
import { problem, readBody } from '../../problem';
import { carrier } from '../carrier';

/** A search names the numbers that are taken, up to some thousands. */
const LARGEST_SEARCH = 262_144;

/** What the carrier has to offer in an area or city. */
export const POST: RequestHandler = async ({ request }) => {
  const body = await readBody(request, Search, LARGEST_SEARCH);
  if (!body.ok) return body.response;
  const result = await carrier.search(body.value);
  if (!result.ok) return problem(409, result.refusal, result.message, { refusal: result.refusal });
  const { choices, found, closest } = result;
  return json({ choices, found, closest });
};
