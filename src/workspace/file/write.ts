/** Writing a saved system: lines of JSON, sounds once, versions as differences, packed. The format is described in docs/formats.md. */
import equal from 'fast-deep-equal';
import jsonPatch from 'fast-json-patch';
import type { System } from '../../core/system';
import type { Whole } from '../businesses';
import { headAt, LARGEST_LINE, LARGEST_UNPACKED, type Head, type Line } from './lines';
import { packed } from './pack';
import { SoundsOnce } from './sounds';
import { patched } from './versions';

/** Thrown where a file would be one that cannot be read back. */
export class TooLarge extends Error {
  constructor() {
    super(
      'This business is larger than a file may be: one record over 128 MB, or more than 2 GB in all. Delete old messages and calls first.',
    );
  }
}

const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;

/** The lines of a file. Lazily: only one is there at a time. */
function* linesOf(whole: Whole, at: number): Generator<Head | Line> {
  yield headAt(at);
  const { business, draft, versions, edits, standing, dealings, invitations, mail, messages, calls } = whole;
  yield { is: 'business', value: business };
  let before: System | undefined;
  const system = (is: 'version' | 'draft', record: { system: System }): Line => {
    const after = plain(record.system);
    const { system: _, ...value } = record;
    const differs = before && jsonPatch.compare(before, after);
    const small = differs && JSON.stringify(differs).length < JSON.stringify(after).length / 2;
    // Only what comes out the same is written as a difference.
    const same = small && equal(patched(before!, differs), after);
    before = after;
    return same ? ({ is, value, differs } as Line) : { is, value: { ...value, system: after } };
  };
  for (const version of versions) yield system('version', version);
  yield system('draft', historyKept(draft, edits));
  for (const value of edits) yield { is: 'edit', value };
  yield { is: 'standing', value: standing };
  yield { is: 'dealings', value: dealings };
  for (const value of invitations) yield { is: 'invitation', value };
  for (const value of whole.sounds ?? []) yield { is: 'recording', value };
  let sounds: Line[] = [];
  const once = new SoundsOnce((hash, base64) => sounds.push({ is: 'sound', hash, base64 }));
  for (const message of messages) {
    const sound = once.ofUrl(message.sound);
    yield* sounds;
    sounds = [];
    yield sound
      ? { is: 'message', value: { ...message, sound: '' }, sound }
      : { is: 'message', value: message };
  }
  for (const letter of mail) {
    const raw = once.ofMail(letter.raw);
    yield raw ? { is: 'mail', value: { ...letter, raw: '' }, raw } : { is: 'mail', value: letter };
  }
  for (const value of calls) yield { is: 'call', value };
}

/** A draft whose history could not be read begins a new one, with as much waiting to be put in force. */
function historyKept(draft: Whole['draft'], edits: Whole['edits']): Whole['draft'] {
  if (draft.done === 0 || edits.length) return draft;
  return { ...draft, done: 0, inForceAt: Math.abs(draft.done - draft.inForceAt) };
}

/**
 * Writes the file. @param at when it is saved, epoch milliseconds @param progress is told how many records of how many are done
 * @throws TooLarge
 */
export async function writeFile(
  whole: Whole,
  at: number,
  progress: (done: number, of: number) => void = () => {},
): Promise<Uint8Array<ArrayBuffer>[]> {
  const { versions, edits, invitations, mail, messages, calls } = whole;
  const of = [versions, edits, invitations, mail, messages, calls].reduce((n, list) => n + list.length, 0);
  let [size, lines] = [0, 0];
  function* texts(): Generator<string> {
    for (const line of linesOf(whole, at)) {
      const text = `${JSON.stringify(line)}\n`;
      if (text.length > LARGEST_LINE || (size += text.length) > LARGEST_UNPACKED) throw new TooLarge();
      if (lines++ % 100 === 0) progress(Math.min(lines, of), of);
      yield text;
    }
    yield `${JSON.stringify({ is: 'end', lines } satisfies Line)}\n`;
  }
  const chunks = await packed(texts());
  progress(of, of);
  return chunks;
}
