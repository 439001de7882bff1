/** An exchange has no more to do with one of its phones. */
import type { RequestHandler } from '@sveltejs/kit';
import { Drop } from '../../../../channel/relay';
import { readBody } from '../../problem';
import { relay } from '../here';

export const POST: RequestHandler = async ({ request }) => {
  const read = await readBody(request, Drop, 1000);
  if (!read.ok) return read.response;
  relay.drop(read.value.ticket, read.value.drop);
  return new Response(null, { status: 204 });
};
