/** What each way in which a call can end means to those who judge it. */
import type { Outcome } from './trace';

export interface Meaning {
  /** What became of a caller whom nobody answered: a message or the offer of one, an end that was meant, lost to a voicemail
   * outside, or nothing. */
  unanswered: 'message' | 'ended' | 'outside' | 'nobody';
  /** It ended in an answer, the offer to leave a message, or as the plan says. */
  well: boolean;
  /** Whether whoever called waits to be called back: not after a talk, yes where it was in vain, of no account otherwise. */
  callBack: 'talked' | 'in vain' | 'none';
}

const nothing: Meaning = { unanswered: 'nobody', well: false, callBack: 'in vain' };

export const MEANING: Record<Outcome['kind'], Meaning> = {
  answered: { unanswered: 'nobody', well: true, callBack: 'talked' },
  message: { unanswered: 'message', well: true, callBack: 'in vain' },
  'no message': { unanswered: 'message', well: true, callBack: 'in vain' },
  'call back': { unanswered: 'nobody', well: true, callBack: 'in vain' },
  ended: { unanswered: 'ended', well: true, callBack: 'in vain' },
  refused: { unanswered: 'ended', well: false, callBack: 'none' },
  swallowed: { unanswered: 'outside', well: false, callBack: 'in vain' },
  listened: { unanswered: 'nobody', well: false, callBack: 'none' },
  'hung up': nothing,
  'dead end': nothing,
  'nobody answered': nothing,
  'not in service': nothing,
  'not moved yet': nothing,
  'given back': nothing,
  feature: nothing,
  'too many redirects': nothing,
  emergency: nothing,
  outside: nothing,
  // What became of it stands in the call it went on in.
  'handed on': { unanswered: 'nobody', well: true, callBack: 'none' },
  'not allowed': { unanswered: 'nobody', well: false, callBack: 'none' },
  'not lifted': { unanswered: 'nobody', well: false, callBack: 'none' },
  'not done': { unanswered: 'nobody', well: false, callBack: 'none' },
  'went out': nothing,
  met: { unanswered: 'nobody', well: true, callBack: 'none' },
  // As the room says: who has no PIN, or comes too late, is told so.
  'not let in': { unanswered: 'ended', well: true, callBack: 'none' },
};
