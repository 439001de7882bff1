import { json } from '@sveltejs/kit';
import type { z } from 'zod';

/** An error as a problem document (RFC 9457). */
export const problem = (
  status: number,
  title: string,
  detail: string,
  more: Record<string, unknown> = {},
): Response =>
  json(
    { type: 'about:blank', title, status, detail, ...more },
    { status, headers: { 'content-type': 'application/problem+json' } },
  );

/** Largest request body that is read, in bytes, where a route does not say otherwise. */
const LARGEST_BODY = 32_768;

/** Reads and checks a JSON body. @param largest in bytes @returns the value, or the response that says what is wrong with it */
export async function readBody<T extends z.ZodType>(
  request: Request,
  schema: T,
  largest = LARGEST_BODY,
): Promise<{ ok: true; value: z.infer<T> } | { ok: false; response: Response }> {
  if (Number(request.headers.get('content-length') ?? 0) > largest)
    return { ok: false, response: tooLarge(largest) };
  let text = '';
  const reader = request.body?.pipeThrough(new TextDecoderStream()).getReader();
  for (let chunk = await reader?.read(); chunk && !chunk.done; chunk = await reader?.read()) {
    text += chunk.value;
    if (text.length > largest) {
      await reader?.cancel();
      return { ok: false, response: tooLarge(largest) };
    }
  }
  let body: unknown;
  try {
    body = JSON.parse(text);
  } catch {
    return { ok: false, response: problem(400, 'Not JSON', 'The request is not valid JSON.') };
  }
  const parsed = schema.safeParse(body);
  if (parsed.success) return { ok: true, value: parsed.data };
  const issue = parsed.error.issues[0]!;
  return {
    ok: false,
    response: problem(422, 'Not understood', `${issue.path.join('.') || 'body'}: ${issue.message}`),
  };
}

/** The rest of the body is not read, so the connection cannot be used again, and the other side is told so. */
function tooLarge(largest: number): Response {
  const response = problem(413, 'Too large', `A request may have at most ${largest} bytes.`);
  response.headers.set('connection', 'close');
  return response;
}
