import { json, type RequestHandler } from '@sveltejs/kit';
import { z } from 'zod';
import { Voice } from '$core/system';
import { MOST_WORK, workOf } from '$standins/speech/speech';
import { notDone } from '../apart/answers';
import { problem, readBody } from '../problem';
import { espeak } from './espeak';

const Wanted = z.object({
  text: z.string().trim().min(1, 'There is nothing to say.').max(4000, 'At most 4,000 characters.'),
  ...Voice.shape,
});

/** The languages that are spoken. */
export const GET: RequestHandler = async () => {
  try {
    return json(await espeak.languages(), { headers: { 'cache-control': 'public, max-age=86400' } });
  } catch (error) {
    return notDone(error, 'The voice');
  }
};

/** Text as speech: 16-bit samples of one channel, little-endian; their rate stands in a header. Nothing is kept. */
export const POST: RequestHandler = async ({ request }) => {
  const body = await readBody(request, Wanted);
  if (!body.ok) return body.response;
  const { text, language, speed } = body.value;
  const work = Math.ceil(workOf(text) / speed);
  if (work > MOST_WORK)
    return problem(
      422,
      'Too long',
      `This would take too long to say at once. Shorten it to ${Math.floor((100 * MOST_WORK) / work)} % of that.`,
    );
  try {
    const spoken = await espeak.speak(text, language, speed, { work, signal: request.signal });
    if (!spoken) return problem(404, 'No such voice', `${language} is not spoken here.`);
    if (!spoken.samples.length)
      return problem(422, 'Nothing to say', 'There is no word in it that can be said.');
    const { buffer, byteOffset, byteLength } = spoken.samples;
    return new Response(new Uint8Array(buffer as ArrayBuffer, byteOffset, byteLength), {
      headers: { 'content-type': 'application/octet-stream', 'x-sample-rate': String(spoken.rate) },
    });
  } catch (error) {
    return notDone(error, 'The voice');
  }
};
