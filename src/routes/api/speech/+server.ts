import { json, type RequestHandler } from '@sveltejs/kit';
import { z } from 'zod';
import { Voice } from '$core/system';
import { problem, readBody } from '../problem';
import { espeak } from './espeak';

const Wanted = z.object({
  text: z.string().trim().min(1, 'There is nothing to say.').max(4000, 'At most 4,000 characters.'),
  ...Voice.shape,
});

/** The languages that are spoken. */
export const GET: RequestHandler = async () =>
  json(await espeak.languages(), { headers: { 'cache-control': 'public, max-age=86400' } });

/** Text as speech: 16-bit samples of one channel, little-endian; their rate stands in a header. Nothing is kept. */
export const POST: RequestHandler = async ({ request }) => {
  const body = await readBody(request, Wanted);
  if (!body.ok) return body.response;
  const { text, language, speed } = body.value;
  const spoken = await espeak.speak(text, language, speed);
  if (!spoken) return problem(404, 'No such voice', `${language} is not spoken here.`);
  if (!spoken.samples.length)
    return problem(422, 'Nothing to say', 'There is no word in it that can be said.');
  return new Response(new Uint8Array(spoken.samples.buffer as ArrayBuffer), {
    headers: { 'content-type': 'application/octet-stream', 'x-sample-rate': String(spoken.rate) },
  });
};
