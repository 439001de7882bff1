/** Packing and unpacking (gzip, RFC 1952), bit by bit, by the browser's and Node's own streams. */

/** Text, packed. The parts make one file when they are put one after the other. */
export async function packed(texts: Iterator<string>): Promise<Uint8Array<ArrayBuffer>[]> {
  const encoder = new TextEncoder();
  let waiting = '';
  const source = new ReadableStream<Uint8Array<ArrayBuffer>>({
    pull(controller) {
      // Small lines go together: a chunk for each takes longer than packing it.
      for (;;) {
        const next = texts.next();
        if (!next.done) waiting += next.value;
        if ((next.done || waiting.length > 65_536) && waiting) {
          controller.enqueue(encoder.encode(waiting));
          waiting = '';
        }
        if (next.done) return controller.close();
        if (!waiting) return;
      }
    },
  });
  const chunks: Uint8Array<ArrayBuffer>[] = [];
  const reader = source.pipeThrough(new CompressionStream('gzip')).getReader();
  for (let chunk = await reader.read(); !chunk.done; chunk = await reader.read())
    chunks.push(chunk.value as Uint8Array<ArrayBuffer>);
  return chunks;
}

/** Thrown where a file comes to more than may be read. */
export class TooMuch extends Error {}
/** Thrown where a file cannot be unpacked to its end, or is no text. */
export class NotUnpacked extends Error {}

/**
 * The lines of a file, packed or not, bit by bit.
 * @param limits of what it may come to unpacked, in bytes, and of one line @throws TooMuch; NotUnpacked
 */
export async function* unpackedLines(
  file: Blob,
  limits: { all: number; line: number },
  progress: (read: number) => void,
): AsyncGenerator<string> {
  const magic = new Uint8Array(await file.slice(0, 2).arrayBuffer());
  let read = 0;
  const counted = file.stream().pipeThrough(
    new TransformStream<Uint8Array<ArrayBuffer>, Uint8Array<ArrayBuffer>>({
      transform(chunk, controller) {
        progress((read += chunk.length));
        controller.enqueue(chunk);
      },
    }),
  );
  const isPacked = magic[0] === 0x1f && magic[1] === 0x8b;
  const bytes = isPacked ? counted.pipeThrough(new DecompressionStream('gzip')) : counted;
  const decoder = new TextDecoder('utf-8', { fatal: true });
  const reader = bytes.getReader();
  let all = 0;
  let parts: string[] = [];
  let length = 0;
  try {
    for (;;) {
      // Browsers and Node name what is wrong with the packing differently.
      const chunk = await reader.read().catch(() => Promise.reject(new NotUnpacked()));
      all += chunk.value?.length ?? 0;
      if (all > limits.all) throw new TooMuch();
      const text = decoded(decoder, chunk.value, chunk.done);
      const lines = text.split('\n');
      for (const [i, line] of lines.entries()) {
        parts.push(line);
        length += line.length;
        if (length > limits.line) throw new TooMuch();
        if (i === lines.length - 1) break;
        yield parts.join('');
        parts = [];
        length = 0;
      }
      if (chunk.done) break;
    }
    if (length) yield parts.join('');
  } finally {
    await reader.cancel().catch(() => {});
  }
}

function decoded(decoder: TextDecoder, bytes: Uint8Array | undefined, done: boolean): string {
  try {
    return decoder.decode(bytes, { stream: !done });
  } catch {
    throw new NotUnpacked();
  }
}
