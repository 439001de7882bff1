/**
 * A plain page of some other site with a call button in it. It is made from what a button is, never from HTML that is sent, and
 * nothing runs in it.
 */
import { z } from 'zod';
import { snippetOf } from '$core/buttons';
import { writeNumber } from '$core/numbering';
import { CallButton, E164, Id } from '$core/system';
import { readVisit, writeVisit } from '../../../channel/visit';
import type { RequestHandler } from '@sveltejs/kit';

const Asked = z.object({
  business: Id,
  number: E164,
  button: CallButton.pick({ id: true, says: true, look: true }),
});

export const GET: RequestHandler = ({ url }) => {
  const asked = (name: string) => url.searchParams.get(name) ?? '';
  let button: unknown;
  try {
    button = JSON.parse(asked('button'));
  } catch {
    button = null;
  }
  const read = Asked.safeParse({ business: asked('business'), number: asked('number'), button });
  if (!read.success) return new Response('There is no such button.', { status: 400 });
  const { business, number, button: one } = read.data;
  const exchange = readVisit(asked('exchange'));
  const where = {
    origin: '',
    businessId: business,
    number,
    written: writeNumber(number, 'US'),
    ...(exchange ? { exchange: writeVisit(exchange) } : {}),
  };
  const html = `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>A plain page</title></head>
<body style="font:16px/1.6 Georgia,serif;max-width:640px;margin:60px auto;padding:0 20px">
<h1>Boats by the cove</h1>
<p>A page of some other site, as plain as can be. The button below is what was copied, and nothing else of ours is here.</p>
${snippetOf(one, where)}
</body></html>`;
  return new Response(html, {
    headers: {
      'content-type': 'text/html; charset=utf-8',
      'content-security-policy':
        "default-src 'none'; style-src 'unsafe-inline'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'",
      'x-content-type-options': 'nosniff',
    },
  });
};
