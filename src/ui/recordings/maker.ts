/** Making the sound of a recording: spoken by the machine, recorded, or read from a file; always in telephone form. */
import { proxy } from 'comlink';
import { holdMusic, RATE, speakable, voiceOf, type Stage, type TelephoneSound } from '$core/audio';
import type { Recording, Sound, Voice } from '$core/system';
import { storeSound } from '$workspace';
import type { AudioWorker, Made } from '../../workers/audio.worker';
import { Latest, TookTooLong } from '../asked/latest';
import { here, theBusiness } from '../window/session.svelte';

/** A file larger than this is not read, in bytes. */
const LARGEST_FILE = 200_000_000;

/** Ten minutes of sound take ten seconds. In milliseconds. */
const DEADLINE_MS = 60_000;

const worker = new Latest<AudioWorker>(
  () => new Worker(new URL('../../workers/audio.worker.ts', import.meta.url), { type: 'module' }),
  DEADLINE_MS,
);

export type Progress = (stage: Stage | 'reading' | 'speaking') => void;
const failed = (message: string): Made => ({ ok: false, message });

async function inTelephoneForm(
  channels: Float32Array[],
  rate: number,
  trim: boolean,
  progress: Progress,
): Promise<Made> {
  try {
    const made = await worker.ask(
      (w) => w.toTelephone(channels, rate, trim, proxy(progress)) as Promise<Made>,
    );
    return made ?? failed('Stopped.');
  } catch (error) {
    if (error instanceof TookTooLong) return failed(error.message);
    throw error;
  }
}

/** Stops whatever is being made. */
export const stopMaking = (): void => worker.stop();

/** The words of a recording, spoken by the server's voice. */
export async function speak(
  recording: Pick<Recording, 'text' | 'voice'>,
  progress: Progress = () => {},
): Promise<Made> {
  const { business } = here().system;
  const text = speakable(recording.text, business.respellings);
  if (!text) return failed('There is nothing to say: type its words first.');
  progress('speaking');
  return speakText(text, recording.voice ?? voiceOf(business), progress);
}

/** @param text as the machine is to say it */
export async function speakText(text: string, voice: Voice, progress: Progress = () => {}): Promise<Made> {
  let response: Response;
  try {
    response = await fetch('/api/speech', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ text, ...voice }),
    });
  } catch {
    return failed('The voice cannot be reached. Try again, record it, or read a file.');
  }
  if (!response.ok) {
    const problem = (await response.json().catch(() => ({}))) as { detail?: string };
    return failed(problem.detail ?? 'It could not be spoken. Try again, record it, or read a file.');
  }
  const samples = new Int16Array(await response.arrayBuffer());
  const rate = Number(response.headers.get('x-sample-rate'));
  return inTelephoneForm([Float32Array.from(samples, (s) => s / 32_768)], rate, true, progress);
}

/** A sound file, or what was recorded: whatever this browser decodes. @param trim takes silence off both ends */
export async function decode(blob: Blob, trim: boolean, progress: Progress = () => {}): Promise<Made> {
  if (!blob.size) return failed('The file is empty: it is 0 bytes long.');
  if (blob.size > LARGEST_FILE)
    return failed(
      `The file has ${Math.round(blob.size / 1e6)} MB. At most ${LARGEST_FILE / 1e6} MB are read.`,
    );
  progress('reading');
  const context = new OfflineAudioContext(1, 1, 48_000);
  let sound: AudioBuffer;
  try {
    sound = await context.decodeAudioData(await blob.arrayBuffer());
  } catch {
    return failed('This is no sound that the browser can read. WAV, MP3, Ogg and the like are.');
  }
  const channels = Array.from({ length: sound.numberOfChannels }, (_, i) => sound.getChannelData(i));
  return inTelephoneForm(channels, sound.sampleRate, trim, progress);
}

/** Music for those who wait, made by code. @param seed another one is another melody */
export const music = (seed: number, progress: Progress = () => {}): Promise<Made> =>
  inTelephoneForm([holdMusic(seed)], RATE, false, progress);

/**
 * Keeps a sound as that of a recording, as an edit.
 * @param recording as it was when the sound was made: one that speaks words changed since is not kept
 * @returns what is wrong, or undefined
 */
export async function keepSound(
  recording: Recording,
  sound: TelephoneSound,
  made: Sound['made'],
): Promise<string | undefined> {
  const { db, workspace } = theBusiness();
  const now = theBusiness().system.recordings[recording.id];
  if (!now) return 'The recording was removed meanwhile.';
  const saysOther =
    now.text !== recording.text || JSON.stringify(now.voice) !== JSON.stringify(recording.voice);
  if (made === 'spoken' && saysOther) return 'Its words or voice were changed meanwhile. Speak it again.';
  let hash: string;
  try {
    hash = await storeSound(db!, workspace.id, sound.ulaw);
  } catch (error) {
    return (error as Error).message;
  }
  const seconds = Math.round(sound.seconds * 1000) / 1000;
  return theBusiness().keep(`${HOW[made]}: ${recording.name}`, [
    { do: 'recording.set', id: recording.id, change: { sound: { hash, seconds, made } } },
  ]);
}
const HOW: Record<Sound['made'], string> = {
  spoken: 'Spoken by the machine',
  recorded: 'Recorded',
  file: 'Read from a file',
  music: 'Music made',
};

/** The samples of a recording, µ-law at 8 kHz: its sound, or else its words spoken now. */
export async function samplesOf(recording: Recording): Promise<{ ulaw: Uint8Array } | { message: string }> {
  if (recording.sound) {
    const ulaw = await here().deeds.recordingSound(recording.sound.hash);
    return ulaw ? { ulaw } : { message: 'Its sound is not in this browser. Make it again.' };
  }
  const made = await speak(recording);
  return made.ok ? { ulaw: made.sound.ulaw } : { message: made.message };
}
