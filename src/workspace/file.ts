/** The whole system as a JSON file, and back. The format is described in docs/formats.md. */
import { z } from 'zod';
import { SYSTEM_VERSION } from '../core/system';
import { Whole } from './businesses';
import { upgradeWhole } from './upgrade';

const FORMAT = 'upper-line-system';
const Head = z.object({ format: z.literal(FORMAT), version: z.number().int().min(1) });
/** What the file holds as a JSON Schema (draft 2020-12), for other programs that read or write it. */
export const fileSchema = (): Record<string, unknown> => ({
  ...z.toJSONSchema(z.object({ ...Head.shape, savedAt: z.iso.datetime(), ...Whole.shape }), {
    unrepresentable: 'any',
    io: 'input',
  }),
  title: 'A phone system saved by Upper Line',
});

/** A file larger than this is not read, in bytes. */
export const LARGEST_FILE = 50_000_000;

export type FileRead = { ok: true; whole: Whole } | { ok: false; message: string };

/** The text of the file. @param at when it is saved, epoch milliseconds */
export const writeFile = (whole: Whole, at: number): string =>
  JSON.stringify(
    { format: FORMAT, version: SYSTEM_VERSION, savedAt: new Date(at).toISOString(), ...whole },
    null,
    2,
  ) + '\n';

/** Reads such a file. Whatever is wrong is said, and nothing else happens. */
export function readFile(text: string): FileRead {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return { ok: false, message: 'This is not a JSON file, or it is cut off.' };
  }
  const head = Head.safeParse(json);
  if (!head.success) return { ok: false, message: 'This file is not a system saved by Upper Line.' };
  if (head.data.version > SYSTEM_VERSION)
    return {
      ok: false,
      message: `This file is of version ${head.data.version}; this Upper Line reads up to version ${SYSTEM_VERSION}.`,
    };
  const parsed = Whole.safeParse(upgradeWhole(json, head.data.version));
  if (parsed.success) return { ok: true, whole: parsed.data };
  const issue = parsed.error.issues[0]!;
  return { ok: false, message: `The file is damaged at ${issue.path.join(' › ')}: ${issue.message}` };
}
