import { json, type RequestHandler } from '@sveltejs/kit';

/** That the server is there. It keeps nothing, so there is nothing else to be well. */
export const GET: RequestHandler = () => json({ status: 'ok' }, { headers: { 'cache-control': 'no-store' } });
