/** A saved system as lines of JSON: a record a line, so that a file of any size is written and read bit by bit. */
import { z } from 'zod';
import { SYSTEM_VERSION } from '../../core/system';

export const FORMAT = 'upper-line-system';
/** How the records lie in the file: 1 was one JSON object, 2 is a record a line (application/x-ndjson, gzip of RFC 1952). */
export const CONTAINER = 2;

/** What a file may come to unpacked, in bytes: more is not written, and not read. */
export const LARGEST_UNPACKED = 2_000_000_000;
/** What one record may come to. A version brought back holds two whole systems. */
export const LARGEST_LINE = 128_000_000;

/** One operation of a JSON Patch (RFC 6902), as far as it is written here. */
const Operation = z.discriminatedUnion('op', [
  z.object({ op: z.literal('add'), path: z.string(), value: z.unknown() }),
  z.object({ op: z.literal('remove'), path: z.string() }),
  z.object({ op: z.literal('replace'), path: z.string(), value: z.unknown() }),
]);

export const Head = z.object({
  format: z.literal(FORMAT),
  container: z.literal(CONTAINER),
  version: z.number().int().min(1),
  savedAt: z.string(),
});
export type Head = z.infer<typeof Head>;
export const headAt = (at: number): Head => ({
  format: FORMAT,
  container: CONTAINER,
  version: SYSTEM_VERSION,
  savedAt: new Date(at).toISOString(),
});

const fields = z.record(z.string(), z.unknown());
/** A text in parts: what stands there, or a sound of the file as its base64, broken into lines of `width` where it says so. */
export const Parts = z.array(
  z.union([
    z.string(),
    z.object({ sound: z.string(), width: z.number().int().min(1).optional(), end: z.string().optional() }),
  ]),
);
export type Parts = z.infer<typeof Parts>;

/** Every line after the first holds one of these. */
export const Line = z.discriminatedUnion('is', [
  z.object({ is: z.literal('business'), value: fields }),
  /** Base64 of a sound, once, by its SHA-256. */
  z.object({ is: z.literal('sound'), hash: z.string(), base64: z.string() }),
  /** Where it differs, its system is that of the version or draft before with these operations done to it. */
  z.object({ is: z.literal('version'), value: fields, differs: z.array(Operation).optional() }),
  z.object({ is: z.literal('draft'), value: fields, differs: z.array(Operation).optional() }),
  z.object({ is: z.literal('edit'), value: fields }),
  z.object({ is: z.literal('standing'), value: fields }),
  z.object({ is: z.literal('dealings'), value: fields }),
  z.object({ is: z.literal('invitation'), value: fields }),
  z.object({ is: z.literal('mail'), value: fields, raw: Parts.optional() }),
  z.object({ is: z.literal('message'), value: fields, sound: Parts.optional() }),
  z.object({ is: z.literal('call'), value: fields }),
  z.object({ is: z.literal('text'), value: fields }),
  z.object({ is: z.literal('conversation'), value: fields }),
  z.object({ is: z.literal('own contact'), value: fields }),
  z.object({ is: z.literal('fax'), value: fields }),
  z.object({ is: z.literal('circle'), value: fields }),
  z.object({ is: z.literal('words'), value: fields }),
  z.object({ is: z.literal('errand'), value: fields }),
  z.object({ is: z.literal('task'), value: fields }),
  z.object({ is: z.literal('booking'), value: fields }),
  z.object({ is: z.literal('meeting'), value: fields }),
  z.object({ is: z.literal('device'), value: fields }),
  z.object({ is: z.literal('call list'), value: fields }),
  z.object({ is: z.literal('listed'), value: fields }),
  z.object({ is: z.literal('round'), value: fields }),
  z.object({ is: z.literal('dialogue'), value: fields }),
  z.object({ is: z.literal('file'), value: fields }),
  z.object({ is: z.literal('recording'), value: fields }),
  /** The last line: how many there were before it, so that a file that was cut off is found out. */
  z.object({ is: z.literal('end'), lines: z.number().int() }),
]);
export type Line = z.infer<typeof Line>;
