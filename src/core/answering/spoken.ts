import type { Recording } from '../system';

/**
 * Seconds that a typed text takes to say: 2.5 words a second (150 a minute), at least 1 s, to the half second.
 * Common practice, no source. An empty text takes no time.
 */
export function spokenSeconds(text: string): number {
  const words = text.trim().split(/\s+/).filter(Boolean).length;
  return words === 0 ? 0 : Math.max(1, Math.ceil((words / 2.5) * 2) / 2);
}

/** Seconds a recording takes to play: those of its sound, or what its words take to say. None takes no time. */
export const recordingSeconds = (recording: Recording | undefined): number =>
  recording?.sound?.seconds ?? spokenSeconds(recording?.text ?? '');
