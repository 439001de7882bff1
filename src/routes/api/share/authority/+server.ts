/** The certificate of the local authority, for machines that are to trust this server. It is no secret. */
import type { RequestHandler } from '@sveltejs/kit';
import { env } from '$env/dynamic/private';
import { problem } from '../../problem';

export const GET: RequestHandler = () => {
  const authority = env['UPPER_LINE_AUTHORITY'];
  if (!authority) return problem(404, 'Not here', 'This server has no authority of its own.');
  // application/x-x509-ca-cert is what browsers take a certificate to trust by (common practice; no source).
  return new Response(authority, {
    headers: {
      'content-type': 'application/x-x509-ca-cert',
      'content-disposition': 'attachment; filename="upper-line-authority.crt"',
    },
  });
};
