/** Files of our own as JSON: what they are and of which version stands in front. */
import { z } from 'zod';
import { SYSTEM_VERSION } from '../system';

/** What stands in front of every such file. */
export const headOf = <F extends string>(format: F) =>
  z.object({ format: z.literal(format), version: z.number().int().min(1) });

export type Opened = { ok: true; json: unknown; version: number } | { ok: false; message: string };

/**
 * Opens a file of a format, without looking at what is in it.
 * @param what it is called in words: "a plan" @returns its version and contents, or what is wrong
 */
export function openVersioned(text: string, format: string, what: string): Opened {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return { ok: false, message: 'This is not a JSON file, or it is cut off.' };
  }
  const head = headOf(format).safeParse(json);
  if (!head.success) return { ok: false, message: `This file is not ${what} saved by Upper Line.` };
  const { version } = head.data;
  if (version > SYSTEM_VERSION)
    return {
      ok: false,
      message: `This file is of version ${version}; this Upper Line reads up to version ${SYSTEM_VERSION}.`,
    };
  return { ok: true, json, version };
}

/** Where a file is damaged, in words. */
export function damagedAt(error: z.ZodError): string {
  const issue = error.issues[0]!;
  return `The file is damaged at ${issue.path.join(' › ')}: ${issue.message}`;
}
