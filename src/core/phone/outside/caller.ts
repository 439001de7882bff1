/** What somebody hears who calls from outside, in words for a screen. */
import { CALLER, hears, listed, whoseName } from '../../calls';
import { holdSoundFor, type System } from '../../system';
import { meetsInWords } from '../meetings';
import type { Told } from '../parties';
import { COMFORT_MS, heardInWords, type Playable } from './heard';

/** The queue a caller waits in, or undefined. */
function waitingIn(call: Told): string | undefined {
  const last = call.trace.findLast((e) => e.kind === 'queued' || e.kind === 'left queue');
  return last?.kind === 'queued' ? last.queueId : undefined;
}
/** They wait in a queue, also while it rings somewhere: they hear no ringing then. */
export const isWaiting = (call: Told): boolean =>
  call.phase === 'queued' || (call.phase === 'ringing' && waitingIn(call) !== undefined);

/** The last comfort for a while, else the music. */
function whileWaiting(call: Told, system: System, now: number): string {
  const queue = system.queues[waitingIn(call) ?? ''];
  const comfort = call.trace.findLast((e) => e.kind === 'comfort');
  if (comfort?.kind === 'comfort' && queue?.comfort && now - call.request.at - comfort.t < COMFORT_MS) {
    const text = system.recordings[queue.comfort.recordingId]?.text ?? '';
    return `“${text}${queue.comfort.position ? ` You are number ${comfort.position}.` : ''}”`;
  }
  const sound = holdSoundFor(system, call.numberId, queue?.id ?? null);
  if (sound.is === 'silence') return 'You wait, and hear nothing.';
  const words = sound.is === 'recording' ? sound.recording.text : '';
  return words ? `You wait: “${words}”` : 'You wait, and hear music.';
}

/**
 * @param now bench time, epoch milliseconds @param messages those that may be played back
 * @param names whether those who are talked with are named
 */
export function callerHears(
  call: Told,
  system: System,
  now: number,
  messages: readonly Playable[] = [],
  names = true,
): string {
  if (call.phase === 'ringing' && !isWaiting(call)) return 'You hear it ringing.';
  if (call.phase === 'parked') return 'You wait, and hear music.';
  if (call.phase === 'talking') {
    const me = call.ends.find((e) => e.phone === CALLER);
    const what = me ? hears(me, call.ends) : 'nothing';
    if (what === 'music') return 'You are held, and hear music.';
    if (what === 'nothing') return 'One moment, please.';
    if (!names) return 'You are connected.';
    const others = call.ends.filter((e) => e.phone !== CALLER);
    return `You talk with ${listed(others.map((e) => whoseName(system, e.phone, e.personId)))}.`;
  }
  if (call.meets && ['waits', 'in'].includes(call.meets.stage)) return meetsInWords(call.meets);
  if (call.phase === 'tone') return 'The tone.';
  if (call.phase === 'message') return 'Speak now.';
  if (isWaiting(call)) return whileWaiting(call, system, now);
  const words = heardInWords(call, system, now, messages);
  if (words) return words;
  return call.phase === 'greeting' ? '“Please leave a message after the tone.”' : 'Connecting…';
}

/** A caller can press keys in it, and say something to it. */
export const takesKeys = ({ phase }: Pick<Told, 'phase'>): boolean =>
  [
    'menu',
    'asked',
    'queued',
    'ringing',
    'greeting',
    'tone',
    'message',
    'inbox',
    'meeting',
    'talking',
  ].includes(phase);
export const takesWords = ({ phase, meets }: Pick<Told, 'phase' | 'meets'>): boolean =>
  phase === 'asked' || phase === 'naming' || meets?.stage === 'name';
