/** How long recordings are and how they came to be, in words. */
import { recordingSeconds } from '$core/answering';
import type { Recording } from '$core/system';

/** "4.2 s, recorded"; "about 3 s by its words". */
export function lengthInWords(recording: Recording): string {
  const { sound } = recording;
  const seconds = Math.round(recordingSeconds(recording) * 10) / 10;
  if (!sound) return recording.text ? `about ${seconds} s by its words` : 'neither words nor sound';
  const made = { spoken: 'spoken', recorded: 'recorded', file: 'from a file', music: 'music' }[sound.made];
  return `${seconds} s, ${made}`;
}
