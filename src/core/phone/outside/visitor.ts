/**
 * A call as a visitor of a site knows it, who knows nothing of the business: what they hear and can do, and nobody's name,
 * phone, or way through a plan.
 */
import { speakable, voiceOf } from '../../audio';
import { CALLER, outcomeOf, silenceMs, type End, type Outcome, type Phase } from '../../calls';
import { holdSoundFor, RECORDING_NOTICE, type Recording, type System, type Voice } from '../../system';
import type { Told } from '../parties';
import { callerHears, isWaiting, takesKeys, takesWords } from './caller';
import { heardNow } from './heard';
import { talkSound } from './talk';

/** A sound that is kept, spoken or made. @property key another one whenever something else begins */
export type VisitorSound = { key: string; loop: boolean } & (
  { is: 'kept'; hash: string } | ({ is: 'spoken'; text: string } & Voice) | { is: 'made' }
);

export interface VisitorCall {
  id: string;
  phase: Phase;
  /** What they hear, in words. */
  words: string;
  sound: VisitorSound | null;
  tone: 'ringback' | 'record' | 'busy' | null;
  keys: boolean;
  answers: boolean;
  /** Somebody who leaves a message and says nothing for so long has finished, in milliseconds; null is never. */
  silenceMs: number | null;
  talk: { callId: string; me: string; ends: readonly End[] } | null;
  /** Held, they hear it; null is silence. */
  music: { sound: VisitorSound | null } | null;
  /** It is said just now that the talk is recorded. */
  notice: string;
  /** How it ended, in words; empty while it goes on. */
  over: string;
}

const IS_OVER = 'The call is over.';
const NOBODY = 'Nobody could be reached. Please try again later.';
const NOT_THERE = 'This number is not in service just now.';
const OVER: Record<Outcome['kind'], string> = {
  answered: IS_OVER,
  message: 'Thank you: your message was left.',
  'no message': 'The call is over: no message was left.',
  'hung up': IS_OVER,
  'call back': 'Thank you: you are called back.',
  listened: IS_OVER,
  swallowed: NOBODY,
  'dead end': NOBODY,
  ended: IS_OVER,
  'nobody answered': NOBODY,
  'not in service': NOT_THERE,
  'not moved yet': NOT_THERE,
  refused: 'Calls that show no number are not taken here: please dial the number.',
  'not allowed': NOBODY,
  'given back': NOT_THERE,
  feature: IS_OVER,
  'too many redirects': NOBODY,
  emergency: IS_OVER,
  outside: NOBODY,
  'not lifted': NOBODY,
  'handed on': IS_OVER,
  'not done': IS_OVER,
  'went out': IS_OVER,
  met: 'You have left the meeting.',
  'not let in': 'You were not let into the meeting.',
};

/** A recording, as a visitor's browser gets it. */
function soundOf(recording: Recording, key: string, loop: boolean, { business }: System): VisitorSound {
  if (recording.sound) return { key, loop, is: 'kept', hash: recording.sound.hash };
  const text = speakable(recording.text, business.respellings);
  return { key, loop, is: 'spoken', text, ...(recording.voice ?? voiceOf(business)) };
}

/** @param alias another name for the phone of somebody who is talked with @param now bench time, epoch milliseconds */
export function visitorCall(
  call: Told,
  system: System,
  now: number,
  alias: (phone: string) => string,
): VisitorCall {
  const { phase, trace, request } = call;
  const heard = heardNow(call, system, now);
  const { talk, music, numberId } = talkSound(CALLER, phase === 'over' ? [] : [call], phase === 'parked');
  const mailbox = system.mailboxes[call.mailboxId ?? ''];
  const outcome = phase === 'over' ? outcomeOf(trace)?.outcome : undefined;
  const notice = trace.findLast((e) => e.kind === 'record notice');
  const said = notice?.kind === 'record notice' && now - request.at < notice.t + notice.ms ? notice : null;
  const hold = music ? holdSoundFor(system, numberId) : null;
  return {
    id: request.id,
    phase,
    words: phase === 'over' ? '' : callerHears(call, system, now, [], false),
    sound: !heard
      ? null
      : heard.made
        ? { key: heard.key, loop: heard.loop, is: 'made' }
        : heard.recording
          ? soundOf(heard.recording, heard.key, heard.loop, system)
          : null,
    tone:
      phase === 'ringing' && !isWaiting(call)
        ? 'ringback'
        : phase === 'tone'
          ? 'record'
          : outcome?.kind === 'ended'
            ? 'busy'
            : null,
    keys: takesKeys(call),
    answers: takesWords(call),
    silenceMs: phase === 'message' && mailbox ? silenceMs(mailbox) : null,
    talk: talk && {
      ...talk,
      ends: talk.ends.map((e) => ({ ...e, phone: alias(e.phone), personId: null })),
    },
    music: hold && {
      sound:
        hold.is === 'recording'
          ? soundOf(hold.recording, 'hold', true, system)
          : hold.is === 'made'
            ? { key: 'hold', loop: true, is: 'made' }
            : null,
    },
    notice: said ? (system.recordings[said.recordingId ?? '']?.text ?? RECORDING_NOTICE) : '',
    over: phase === 'over' ? (outcome ? OVER[outcome.kind] : IS_OVER) : '',
  };
}
