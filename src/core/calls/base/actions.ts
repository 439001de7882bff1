/** What is done to calls, and what is due of them: acts of people, timers. */
import type { IfNobody, PassTarget } from '../../system';
import type { CallRequest } from './request';

/** What people do to calls while they happen. */
export type Action =
  | { kind: 'place'; request: CallRequest }
  | { kind: 'answer'; callId: string; phone: string }
  | { kind: 'decline'; callId: string; phone: string }
  /** Whoever is rung sends the caller to their own mailbox. */
  | { kind: 'to mailbox'; callId: string; phone: string }
  | { kind: 'press'; callId: string; key: string }
  | { kind: 'say'; callId: string; text: string }
  /** Whoever leaves a message has been silent for so many milliseconds. */
  | { kind: 'silent'; callId: string; ms: number }
  /** `phone` says which of those in a talk of more than two. */
  | { kind: 'hang up'; callId: string; by: 'caller' | 'called'; phone?: string | undefined }
  | { kind: 'hold'; callId: string; phone: string }
  /** Of two calls of a phone, it is now in this one. */
  | { kind: 'take back'; callId: string; phone: string }
  | { kind: 'pass on'; callId: string; phone: string; to: PassTarget; ifNobody: IfNobody }
  /** Whoever was called about this call and who is in it are put together; who did it leaves. */
  | { kind: 'join'; callId: string; phone: string }
  /** Lets go of whom was called about this call, and takes it back. */
  | { kind: 'back to'; callId: string; phone: string }
  /** Whoever was called about this call joins it, and nobody leaves. */
  | { kind: 'all together'; callId: string; phone: string }
  | { kind: 'park'; callId: string; phone: string }
  /** Takes a caller out of the queue they wait in, for themselves or somebody else. @param personId who does it, null where that is not known */
  | { kind: 'send on'; callId: string; personId: string | null; to: PassTarget }
  /** Takes a call that rings at a colleague, or of whoever leaves a message in a mailbox of one's own. */
  | { kind: 'pick up'; callId: string; phone: string }
  /** Hears what a caller says into a mailbox of its person, or no longer. */
  | { kind: 'listen in' | 'listen no longer'; callId: string; phone: string }
  /** Takes the talk over from another phone of the same person. */
  | { kind: 'take over'; callId: string; phone: string }
  /** Keys that reach the other end; which they are is kept nowhere. */
  | { kind: 'send keys'; callId: string; phone: string; keys: string }
  /** The phone, its window or its network is gone, by no act of anybody; or there again. */
  | { kind: 'gone'; callId: string; phone: string }
  | { kind: 'there again'; callId: string; phone: string }
  /** Has the call recorded, ends that, or makes a gap in it and goes on. */
  | { kind: 'record' | 'stop recording' | 'pause recording'; callId: string; phone: string }
  /** Rings the phone as soon as it and a colleague are free, and on lifting calls them. @param id of the wish, and of its calls */
  | { kind: 'ring when free'; id: string; phone: string; personId: string }
  | { kind: 'no longer wanted'; id: string; phone: string }
  /** To one of those who meet, or to the room they are in. */
  | { kind: 'in a meeting'; callId: string; does: MeetingAct }
  /** What the network outside says of a number that is called. */
  | { kind: 'outside'; callId: string; phone: string; is: OutsideSays };

/** What the host of a meeting does, or whoever looks after the rooms. */
export type MeetingAct = 'mute' | 'unmute' | 'mute all' | 'lock' | 'unlock' | 'put out';

/** What comes of calling an outside number, besides that somebody answers or declines. */
export type OutsideSays = 'busy' | 'not in service' | 'own voicemail';

export type TimerKind =
  | 'sound'
  | 'unreachable'
  | 'own voicemail'
  | 'answer'
  | 'confirmed'
  | 'decline'
  | 'to mailbox'
  | 'busy'
  | 'time out'
  | 'press'
  | 'longest wait'
  | 'comfort'
  | 'look again'
  | 'give up'
  | 'talked'
  | 'hold reminder'
  | 'still gone'
  | 'long joined'
  | 'credit'
  | 'recording'
  | 'does';

/**
 * What a timer belongs to: it is void once that is over. Those of a wait go on through its phases, and carry its token in
 * place of a leg; those of an entry are void once a key was pressed.
 */
export function belongsTo(timer: TimerKind): 'phase' | 'call' | 'wait' | 'entry' {
  switch (timer) {
    case 'sound':
    case 'time out':
    case 'answer':
    case 'talked':
    case 'unreachable':
    case 'own voicemail':
    case 'confirmed':
    case 'decline':
    case 'to mailbox':
    case 'busy':
    case 'hold reminder':
    case 'still gone':
    case 'long joined':
    case 'recording':
      return 'phase';
    case 'give up':
    case 'does':
    case 'credit':
      return 'call';
    case 'longest wait':
    case 'comfort':
    case 'look again':
      return 'wait';
    case 'press':
      return 'entry';
  }
}

export interface Due {
  t: number;
  rank: number;
  seq: number;
  what:
    | { kind: 'action'; action: Action }
    /** `leg` is the leg it is about, the token of a wait, or the code of a key. */
    | { kind: 'timer'; timer: TimerKind; callId: string; turn: number; leg: number }
    | { kind: 'serve'; queueId: string }
    /** It is looked whether those wanted are free. */
    | { kind: 'wants' };
}
