/** Pieces are passed on. */
import type { RequestHandler } from '@sveltejs/kit';
import { LARGEST_REQUEST, Pass } from '../../../../channel/relay';
import { readBody } from '../../problem';
import { refused, relay } from '../here';

export const POST: RequestHandler = async ({ request }) => {
  const read = await readBody(request, Pass, LARGEST_REQUEST);
  if (!read.ok) return read.response;
  try {
    relay.pass(read.value);
    return new Response(null, { status: 204 });
  } catch (error) {
    return refused(error);
  }
};
