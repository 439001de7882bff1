/** Whether there is room for what is recorded in a month. */

const DAY_MS = 86_400_000;
/** Bytes of a second in storage: two channels of G.711 (8,000 each), written as base64. */
export const BYTES_A_SECOND = Math.ceil((2 * 8000 * 4) / 3);
/** It is reckoned from what was recorded in so many days, for so many. */
export const LOOKED_AT_DAYS = 7;
export const AHEAD_DAYS = 30;

export interface RecordingRoom {
  /** Seconds recorded in the days looked at. */
  seconds: number;
  /** Bytes more that will lie there at most in the days ahead, at that rate. */
  needs: number;
}

/**
 * @param recordings that are kept now: when, epoch milliseconds, and how long in seconds
 * @param keepDays days they are kept; null is for ever
 * @param now epoch milliseconds
 */
export function recordingRoom(
  recordings: readonly { at: number; seconds: number }[],
  keepDays: number | null,
  now: number,
): RecordingRoom {
  const sum = (from: number) => recordings.reduce((s, r) => (r.at > from ? s + r.seconds : s), 0);
  const seconds = sum(now - LOOKED_AT_DAYS * DAY_MS);
  const days = Math.min(LOOKED_AT_DAYS, keepDays ?? LOOKED_AT_DAYS);
  const aDay = seconds / days;
  // As many as are kept at the end, less those that are there already and will still be, or make room.
  const ahead =
    keepDays !== null && keepDays <= AHEAD_DAYS ? Math.max(0, aDay * keepDays - sum(0)) : aDay * AHEAD_DAYS;
  return { seconds, needs: Math.round(ahead * BYTES_A_SECOND) };
}
