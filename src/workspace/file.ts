/** The whole system as a JSON file, and back. The format is described in docs/formats.md. */
import { z } from 'zod';
import { damagedAt, headOf, openVersioned } from '../core/formats/versioned';
import { SYSTEM_VERSION } from '../core/system';
import { Whole } from './businesses';
import { damagedSounds } from './sounds';
import { upgradeWhole } from './upgrade';

const FORMAT = 'upper-line-system';
/** What the file holds as a JSON Schema (draft 2020-12), for other programs that read or write it. */
export const fileSchema = (): Record<string, unknown> => ({
  ...z.toJSONSchema(z.object({ ...headOf(FORMAT).shape, savedAt: z.iso.datetime(), ...Whole.shape }), {
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
  const opened = openVersioned(text, FORMAT, 'a system');
  if (!opened.ok) return opened;
  const parsed = Whole.safeParse(upgradeWhole(opened.json, opened.version));
  if (!parsed.success) return { ok: false, message: damagedAt(parsed.error) };
  const [damaged] = damagedSounds(parsed.data.sounds ?? []);
  if (damaged)
    return {
      ok: false,
      message: `The file is damaged: the sound ${damaged.hash.slice(0, 12)}… is not what it should be.`,
    };
  return { ok: true, whole: parsed.data };
}
