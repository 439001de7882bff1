import { describe, expect, it } from 'vitest';
import { z } from 'zod';
import { problem, readBody } from './problem';

const schema = z.object({ name: z.string().min(1, 'A name is missing.') });
const post = (body: BodyInit, headers: Record<string, string> = {}) =>
  readBody(
    new Request('http://here/', { method: 'POST', body, headers, duplex: 'half' } as RequestInit),
    schema,
  );
const refusal = async (body: BodyInit, headers = {}) => {
  const read = await post(body, headers);
  if (read.ok) throw new Error('was taken');
  return {
    status: read.response.status,
    type: read.response.headers.get('content-type'),
    body: await read.response.json(),
  };
};

describe('a request body', () => {
  it('is taken when it is what the route asks for', async () => {
    expect(await post('{"name":"Rosa"}')).toEqual({ ok: true, value: { name: 'Rosa' } });
  });
  // RFC 9457: type, title, status, detail; media type application/problem+json.
  it('is refused with a problem document otherwise', async () => {
    expect(await refusal('{"name":""}')).toEqual({
      status: 422,
      type: 'application/problem+json',
      body: { type: 'about:blank', title: 'Not understood', status: 422, detail: 'name: A name is missing.' },
    });
    expect(await refusal('{')).toMatchObject({ status: 400 });
    expect(await refusal('')).toMatchObject({ status: 400 });
    expect(await refusal('[]')).toMatchObject({ status: 422 });
  });
  it('is not read beyond its limit, whatever length it claims', async () => {
    const large = 'x'.repeat(40_000);
    expect(await refusal(large)).toMatchObject({ status: 413 });
    expect(await refusal('{}', { 'content-length': '9999999' })).toMatchObject({ status: 413 });
    let pulled = 0;
    const endless = new ReadableStream<Uint8Array>({
      pull: (controller) => {
        pulled++;
        controller.enqueue(new Uint8Array(8192).fill(120));
      },
    });
    expect(await refusal(endless)).toMatchObject({ status: 413 });
    expect(pulled).toBeLessThan(20);
  });
});

it('a problem can carry more than the standard members', async () => {
  expect(
    await problem(409, 'area sold out', 'None left.', { refusal: 'area sold out' }).json(),
  ).toMatchObject({ refusal: 'area sold out', status: 409 });
});
