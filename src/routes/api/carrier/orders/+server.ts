import { json, type RequestHandler } from '@sveltejs/kit';
import { z } from 'zod';
import { E164 } from '$core/system';
import { problem, readBody } from '../../problem';
import { carrier } from '../carrier';

/** Takes one number. */
export const POST: RequestHandler = async ({ request }) => {
  const body = await readBody(request, z.object({ e164: E164 }));
  if (!body.ok) return body.response;
  const result = await carrier.order(body.value.e164);
  return result.ok
    ? json({ offer: result.offer })
    : problem(409, result.refusal, result.message, { refusal: result.refusal });
};
