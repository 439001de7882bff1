/**
 * Seconds that a typed text takes to say: 2.5 words a second (150 a minute), at least 1 s, to the half second.
 * Common practice, no source. An empty text takes no time.
 */
export function spokenSeconds(text: string): number {
  const words = text.trim().split(/\s+/).filter(Boolean).length;
  return words === 0 ? 0 : Math.max(1, Math.ceil((words / 2.5) * 2) / 2);
}
