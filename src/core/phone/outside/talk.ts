/** Between whom sound goes, for a window that is one of them. */
import { CALLER, hears, soundEnds, type End } from '../../calls';
import type { Told } from '../parties';

export interface TalkSound {
  /** The talk, as its ends find each other; null is none. */
  talk: { callId: string; me: string; ends: readonly End[] } | null;
  /** They are held, and hear music. */
  music: boolean;
  /** The number of ours whose music that is. */
  numberId: string | null;
}

/**
 * @param me the name of the window's end @param calls that go on now, and are known to it
 * @param waits a caller who waits in a slot hears the music as well
 */
export function talkSound(me: string, calls: readonly Told[], waits = false): TalkSound {
  const meets = calls.find((c) => c.meets?.stage === 'in' && (me === CALLER || c.meets.me === me))?.meets;
  if (meets)
    return {
      talk: { callId: `room-${meets.roomId}`, me: meets.me, ends: meets.ends },
      music: false,
      numberId: null,
    };
  const mine = calls.filter((c) => soundEnds(c).some((e) => e.phone === me));
  const call = mine.find((c) => c.ends.some((e) => e.phone === me && e.holds === undefined)) ?? mine[0];
  const ends = call ? soundEnds(call) : [];
  const end = ends.find((e) => e.phone === me);
  const inRoom = calls.some((c) => c.meets?.stage === 'waits' && (me === CALLER || c.meets.me === me));
  return {
    talk: call ? { callId: call.request.id, me, ends } : null,
    music: waits || inRoom || (end !== undefined && hears(end, ends) === 'music'),
    numberId: (call ?? calls[0])?.numberId ?? null,
  };
}
