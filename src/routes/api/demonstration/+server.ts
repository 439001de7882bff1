import { json, type RequestHandler } from '@sveltejs/kit';
import { env } from '$env/dynamic/private';

/** More than so many days are not laid down. */
const MOST_DAYS = 365;

/** How long a past the demonstration is given when it is opened first; `npm start` says so, and it is none otherwise. */
export const GET: RequestHandler = () => {
  const days = Number(env['UPPER_LINE_PAST_DAYS'] ?? 0);
  const pastDays = Number.isInteger(days) && days > 0 ? Math.min(days, MOST_DAYS) : 0;
  return json({ pastDays }, { headers: { 'cache-control': 'no-store' } });
};
