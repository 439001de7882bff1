/** What a caller hears at this moment: a recording, words the machine says, or a message played back. */
import { holdSoundFor, type Recording, type System } from '../../system';
import type { Told } from '../parties';

/** A message that may be played back. `soundThere`: its sound is not here, and can be had. */
export interface Playable {
  id: string;
  said: string;
  sound: unknown;
  soundThere?: boolean;
}

export interface Heard<M extends Playable = Playable> {
  /** Another one whenever something else begins. */
  key: string;
  /** Spoken or played as telephone sound. */
  recording?: Recording;
  /** A message, whose sound is played as it is. */
  message?: M;
  /** A piece made by code. */
  made?: true;
  /** Music goes on and on. */
  loop: boolean;
}

/** How long what is said to those who wait is taken to last, before the music comes back: milliseconds. */
export const COMFORT_MS = 8000;

/** Words that the machine puts together are spoken like a recording that has no sound of its own. */
const spoken = (text: string): Recording => ({ id: 'spoken', name: 'spoken', text });

/** Where what is heard begins. */
const BEGINS = new Set([
  'prompt started',
  'menu',
  'greeting started',
  'spell a name',
  'found by name',
  'asked',
  'told',
  'says',
  'plays',
]);

/** @param now bench time, epoch milliseconds @returns null where nothing is heard but tones */
export function heardNow<M extends Playable>(
  call: Told,
  system: System,
  now: number,
  messages: readonly M[] = [],
): Heard<M> | null {
  const { trace } = call;
  const key = (n: number, what: string) => `${call.request.id} ${n} ${what}`;
  const heard = (n: number, id: string | null | undefined, loop = false): Heard<M> | null => {
    const recording = id ? system.recordings[id] : undefined;
    return recording ? { key: key(n, recording.id), recording, loop } : null;
  };
  const words = (n: number, text: string): Heard<M> => ({
    key: key(n, 'words'),
    recording: spoken(text),
    loop: false,
  });
  if (call.phase === 'queued') {
    const n = trace.findLastIndex((e) => e.kind === 'queued');
    const queued = trace[n];
    const queue = queued?.kind === 'queued' ? system.queues[queued.queueId] : undefined;
    const said = trace.findLastIndex((e) => e.kind === 'comfort');
    const comfort = trace[said];
    if (said > n && comfort?.kind === 'comfort' && now - call.request.at - comfort.t < COMFORT_MS) {
      const recording = system.recordings[queue?.comfort?.recordingId ?? ''];
      return queue?.comfort?.position
        ? words(said, `${recording?.text ?? ''} You are number ${comfort.position}.`)
        : heard(said, recording?.id);
    }
    const sound = holdSoundFor(system, call.numberId, queue?.id ?? null);
    if (sound.is === 'recording') return heard(n, sound.recording.id, true);
    return sound.is === 'made' ? { key: key(n, 'made'), made: true, loop: true } : null;
  }
  if (!['prompt', 'menu', 'greeting', 'asked', 'naming', 'inbox', 'meeting'].includes(call.phase))
    return null;
  if (call.meets && !['pin', 'name'].includes(call.meets.stage)) return null;
  const n = trace.findLastIndex(
    (e) => BEGINS.has(e.kind) && (e.kind !== 'plays' || now - call.request.at >= e.t + e.afterMs),
  );
  const e = trace[n];
  switch (e?.kind) {
    case 'says':
    case 'asked':
    case 'told':
      return words(n, e.kind === 'says' ? e.words : e.says);
    case 'spell a name':
      return words(n, 'Spell the name on the keypad, the family name or the first.');
    case 'found by name':
      return words(
        n,
        e.personIds.map((id, i) => `For ${system.people[id]?.name ?? 'somebody'} press ${i + 1}.`).join(' '),
      );
    case 'plays': {
      const message = messages.find((m) => m.id === e.messageId);
      if (message?.sound || message?.soundThere) return { key: key(n, 'message'), message, loop: false };
      return message ? words(n, message.said || 'This message has no words.') : null;
    }
    default:
      return e && 'recordingId' in e ? heard(n, e.recordingId) : null;
  }
}

/** The same in words, for the screen; empty where nothing is said. */
export function heardInWords(call: Told, system: System, now: number, messages: readonly Playable[]): string {
  const heard = heardNow(call, system, now, messages);
  if (heard?.message) return 'You hear the message.';
  return heard?.recording?.text ? `“${heard.recording.text}”` : '';
}
