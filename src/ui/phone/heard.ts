/** Which recording a caller hears at this moment. */
import type { LiveCall } from '$exchange';
import type { Recording, System } from '$core/system';

export interface Heard {
  /** Another one whenever something else begins. */
  key: string;
  recording: Recording;
  /** Music goes on and on. */
  loop: boolean;
}

/** How long what is said to those who wait is taken to last, before the music comes back: milliseconds. */
const COMFORT_MS = 8000;

/** @param now bench time, epoch milliseconds @returns null where no recording is heard */
export function heardNow(call: LiveCall, system: System, now: number): Heard | null {
  const heard = (n: number, id: string | null | undefined, loop = false): Heard | null => {
    const recording = id ? system.recordings[id] : undefined;
    return recording ? { key: `${call.request.id} ${n} ${recording.id}`, recording, loop } : null;
  };
  const { trace } = call;
  if (call.phase === 'queued') {
    const n = trace.findLastIndex((e) => e.kind === 'queued');
    const queued = trace[n];
    const queue = queued?.kind === 'queued' ? system.queues[queued.queueId] : undefined;
    const said = trace.findLastIndex((e) => e.kind === 'comfort');
    if (said > n && now - call.request.at - trace[said]!.t < COMFORT_MS)
      return heard(said, queue?.comfort?.recordingId);
    return heard(n, queue?.holdMusicId, true);
  }
  if (call.phase !== 'prompt' && call.phase !== 'menu' && call.phase !== 'greeting') return null;
  const n = trace.findLastIndex((e) =>
    ['prompt started', 'menu', 'greeting started', 'spell a name', 'found by name'].includes(e.kind),
  );
  const e = trace[n];
  return e && 'recordingId' in e ? heard(n, e.recordingId) : null;
}
