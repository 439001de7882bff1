/** Somebody connects: lines come until they go. */
import type { RequestHandler } from '@sveltejs/kit';
import { Hello } from '../../../channel/relay';
import { readBody } from '../problem';
import { refused, relay } from './here';

export const POST: RequestHandler = async ({ request }) => {
  const read = await readBody(request, Hello, 1000);
  if (!read.ok) return read.response;
  const encoder = new TextEncoder();
  let ticket = '';
  let open = true;
  let waits = 0;
  let lines!: ReadableStreamDefaultController<Uint8Array>;
  const body = new ReadableStream<Uint8Array>(
    {
      start: (controller) => void (lines = controller),
      cancel() {
        open = false;
        relay.gone(ticket);
      },
    },
    new ByteLengthQueuingStrategy({ highWaterMark: 0 }),
  );
  try {
    ticket = await relay.connect(read.value, {
      line(line) {
        if (!open) return;
        lines.enqueue(encoder.encode(`${JSON.stringify(line)}\n`));
        waits = -(lines.desiredSize ?? 0);
      },
      waiting: () => waits,
      close() {
        if (!open) return;
        open = false;
        lines.close();
      },
    });
  } catch (error) {
    return refused(error);
  }
  return new Response(body, {
    headers: { 'content-type': 'application/x-ndjson', 'cache-control': 'no-store, no-transform' },
  });
};
