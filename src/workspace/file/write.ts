/** Writing a saved system: lines of JSON, sounds once, versions as differences, packed. The format is described in docs/formats.md. */
import equal from 'fast-deep-equal';
import jsonPatch from 'fast-json-patch';
import type { System } from '../../core/system';
import type { Whole } from '../businesses';
import { MANIES, type Many, type RecordOf } from '../stored/kinds';
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
  yield { is: 'business', value: whole.business };
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
  let sounds: Line[] = [];
  const once = new SoundsOnce((hash, base64) => sounds.push({ is: 'sound', hash, base64 }));
  /** A record's line, after those of the sounds that it is the first to have. */
  function* afterSounds(line: Line): Generator<Line> {
    yield* sounds;
    sounds = [];
    yield line;
  }
  const LINES: { [K in Many]: (record: RecordOf<K>) => Iterable<Line> } = {
    versions: (record) => [system('version', record)],
    edits: (value) => [{ is: 'edit', value }],
    invitations: (value) => [{ is: 'invitation', value }],
    messages: (message) => {
      const sound = once.ofUrl(message.sound);
      return afterSounds(
        sound
          ? { is: 'message', value: { ...message, sound: '' }, sound }
          : { is: 'message', value: message },
      );
    },
    mail: (letter) => {
      const raw = once.ofMail(letter.raw);
      return afterSounds(
        raw ? { is: 'mail', value: { ...letter, raw: '' }, raw } : { is: 'mail', value: letter },
      );
    },
    calls: (value) => [{ is: 'call', value }],
    texts: (value) => [{ is: 'text', value }],
    threads: (value) => [{ is: 'conversation', value }],
    ownContacts: (value) => [{ is: 'own contact', value }],
    faxes: (value) => [{ is: 'fax', value }],
    circles: (value) => [{ is: 'circle', value }],
    words: (value) => [{ is: 'words', value }],
    errands: (value) => [{ is: 'errand', value }],
    tasks: (value) => [{ is: 'task', value }],
    bookings: (value) => [{ is: 'booking', value }],
    devices: (value) => [{ is: 'device', value }],
    meetings: (value) => [{ is: 'meeting', value }],
    callLists: (value) => [{ is: 'call list', value }],
    listed: (value) => [{ is: 'listed', value }],
    rounds: (value) => [{ is: 'round', value }],
    runs: (value) => [{ is: 'dialogue', value }],
  };
  function* all<K extends Many>(kind: K): Generator<Line> {
    for (const record of whole[kind]) yield* LINES[kind](record as RecordOf<K>);
  }
  yield* all('versions');
  // It may be written as what differs from the version before it.
  yield system('draft', historyKept(whole.draft, whole.edits));
  yield { is: 'standing', value: whole.standing };
  yield { is: 'dealings', value: whole.dealings };
  for (const value of whole.sounds ?? []) yield { is: 'recording', value };
  for (const value of whole.files ?? []) yield { is: 'file', value };
  for (const kind of MANIES) if (kind !== 'versions') yield* all(kind);
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
  const of = MANIES.reduce((n, kind) => n + whole[kind].length, 0);
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
