/** Reading a saved system back, bit by bit. Whatever is wrong is said, and nothing else happens. */
import { z } from 'zod';
import { damagedAt, headOf, openVersioned } from '../../core/formats/versioned';
import { SYSTEM_VERSION } from '../../core/system';
import { Whole } from '../businesses';
import { ofEach } from '../stored/kinds';
import { damaged } from '../keeping/kept-bytes';
import { upgradeWhole } from '../stored/upgrade';
import { brokenIn } from './check';
import { CONTAINER, FORMAT, Head, LARGEST_LINE, LARGEST_UNPACKED, Line } from './lines';
import { NotUnpacked, TooMuch, unpackedLines } from './pack';
import { isSound, joined } from './sounds';
import { patched } from './versions';

/** What a whole business is as a JSON Schema (draft 2020-12), for other programs: the file of one JSON object that is read too. */
export const fileSchema = (): Record<string, unknown> => ({
  ...z.toJSONSchema(z.object({ ...headOf(FORMAT).shape, savedAt: z.iso.datetime(), ...Whole.shape }), {
    unrepresentable: 'any',
    io: 'input',
  }),
  title: 'A phone system saved by Upper Line',
});

export type FileRead = { ok: true; whole: Whole } | { ok: false; message: string };

class Wrong extends Error {}
const no = (message: string): FileRead => ({ ok: false, message });

/** Reads such a file. @param progress is told how many bytes of the file are read */
export async function readFile(file: Blob, progress: (read: number) => void = () => {}): Promise<FileRead> {
  try {
    const lines = unpackedLines(file, { all: LARGEST_UNPACKED, line: LARGEST_LINE }, progress);
    const first = await lines.next();
    if (first.done) return no('The file is empty.');
    const head = asJson(first.value);
    if (isFields(head) && 'container' in head) return read(await assembled(head, lines));
    // One JSON object over many lines, as it was written before.
    const rest: string[] = [first.value];
    for await (const line of lines) rest.push(line);
    const opened = openVersioned(rest.join('\n'), FORMAT, 'a system');
    return opened.ok ? read({ raw: opened.json, version: opened.version }) : opened;
  } catch (error) {
    if (error instanceof Wrong) return no(error.message);
    if (error instanceof TooMuch)
      return no(
        'The file comes to more than 2 GB, or has a record of more than 128 MB: that is more than is read.',
      );
    // Nothing is nested so deep that it cannot be followed, unless somebody made it so.
    if (error instanceof NotUnpacked || error instanceof RangeError)
      return no('This file is damaged, or cut off: it cannot be unpacked to its end.');
    throw error;
  }
}

type Fields = Record<string, unknown>;
const isFields = (value: unknown): value is Fields =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
function asJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

/** Everything of a business out of its lines, not checked yet. */
async function assembled(
  first: Fields,
  lines: AsyncIterable<string>,
): Promise<{ raw: Fields; version: number }> {
  const head = Head.safeParse(first);
  if (!head.success) {
    if (first.format !== FORMAT) throw new Wrong('This file is not a system saved by Upper Line.');
    throw new Wrong(
      Number(first.container) > CONTAINER
        ? 'This file was saved by a newer Upper Line.'
        : damagedAt(head.error),
    );
  }
  const { version } = head.data;
  if (version > SYSTEM_VERSION)
    throw new Wrong(
      `This file is of version ${version}; this Upper Line reads up to version ${SYSTEM_VERSION}.`,
    );
  const lists = { ...ofEach((): Fields[] => []), sounds: [] as Fields[], files: [] as Fields[] };
  const lone: Fields = {};
  const sounds = new Map<string, string>();
  let system: unknown;
  let n = 1;
  let ended = false;
  const together = (parts: Parameters<typeof joined>[0], what: string): string => {
    const text = joined(parts, sounds);
    if (text === undefined)
      throw new Wrong(`The file is damaged at line ${n}: the sound of ${what} is not in it.`);
    return text;
  };
  const withSystem = (line: Extract<Line, { is: 'version' | 'draft' }>): Fields => {
    if (!line.differs) return { ...line.value, system: (system = line.value.system) };
    try {
      return { ...line.value, system: (system = patched(system as never, line.differs)) };
    } catch {
      throw new Wrong(`The file is damaged at line ${n}: it does not fit the version before.`);
    }
  };
  for await (const text of lines) {
    n++;
    if (!text) continue;
    if (ended) throw new Wrong(`The file is damaged at line ${n}: something stands after its end.`);
    const parsed = Line.safeParse(asJson(text));
    if (!parsed.success) throw new Wrong(`The file is damaged at line ${n}, or cut off there.`);
    const line = parsed.data;
    switch (line.is) {
      case 'business':
      case 'standing':
      case 'dealings':
        if (Object.hasOwn(lone, line.is))
          throw new Wrong(`The file is damaged at line ${n}: ${line.is} is there twice.`);
        lone[line.is] = line.value;
        break;
      case 'sound':
        if (!isSound(line.hash, line.base64))
          throw new Wrong(`The file is damaged at line ${n}: a sound is not what it should be.`);
        sounds.set(line.hash, line.base64);
        break;
      case 'version':
        lists.versions.push(withSystem(line));
        break;
      case 'draft':
        lone.draft = withSystem(line);
        break;
      case 'edit':
        lists.edits.push(line.value);
        break;
      case 'invitation':
        lists.invitations.push(line.value);
        break;
      case 'recording':
        lists.sounds.push(line.value);
        break;
      case 'file':
        lists.files.push(line.value);
        break;
      case 'mail':
        lists.mail.push(line.raw ? { ...line.value, raw: together(line.raw, 'a mail') } : line.value);
        break;
      case 'message':
        lists.messages.push(
          line.sound ? { ...line.value, sound: together(line.sound, 'a message') } : line.value,
        );
        break;
      case 'call':
        lists.calls.push(line.value);
        break;
      case 'text':
        lists.texts.push(line.value);
        break;
      case 'conversation':
        lists.threads.push(line.value);
        break;
      case 'own contact':
        lists.ownContacts.push(line.value);
        break;
      case 'fax':
        lists.faxes.push(line.value);
        break;
      case 'circle':
        lists.circles.push(line.value);
        break;
      case 'words':
        lists.words.push(line.value);
        break;
      case 'errand':
        lists.errands.push(line.value);
        break;
      case 'dialogue':
        lists.runs.push(line.value);
        break;
      case 'round':
        lists.rounds.push(line.value);
        break;
      case 'call list':
        lists.callLists.push(line.value);
        break;
      case 'listed':
        lists.listed.push(line.value);
        break;
      case 'meeting':
        lists.meetings.push(line.value);
        break;
      case 'device':
        lists.devices.push(line.value);
        break;
      case 'booking':
        lists.bookings.push(line.value);
        break;
      case 'task':
        lists.tasks.push(line.value);
        break;
      case 'end':
        if (line.lines !== n - 1) throw new Wrong('The file is damaged: some of its lines are missing.');
        ended = true;
        break;
      default:
        line satisfies never;
    }
  }
  if (!ended) throw new Wrong('The file is cut off: its end is missing.');
  return { raw: { ...lone, ...lists }, version };
}

/** What was read, brought to today's shape and held to the rules. */
function read({ raw, version }: { raw: unknown; version: number }): FileRead {
  const parsed = Whole.safeParse(upgradeWhole(raw, version));
  if (!parsed.success) return no(damagedAt(parsed.error));
  const whole = parsed.data;
  const sound = damaged('sounds', whole.sounds ?? []);
  if (sound) return no(`The file is damaged: the sound ${sound.slice(0, 12)}… is not what it should be.`);
  const file = damaged('files', whole.files ?? []);
  if (file) return no(`The file is damaged: the file ${file.slice(0, 12)}… in it is not what it should be.`);
  const broken = brokenIn(whole);
  return broken ? no(`This is not a system that can be used. ${broken}`) : { ok: true, whole };
}
