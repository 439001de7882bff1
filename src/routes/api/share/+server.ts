/** Where other machines find this server; said by whoever started it. */
import { json, type RequestHandler } from '@sveltejs/kit';
import { env } from '$env/dynamic/private';

export const GET: RequestHandler = () =>
  json(
    { address: env['UPPER_LINE_SHARED'] ?? null, fingerprint: env['UPPER_LINE_FINGERPRINT'] ?? '' },
    { headers: { 'cache-control': 'no-store' } },
  );
