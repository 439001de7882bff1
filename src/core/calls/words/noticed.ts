/** What anybody notices of a call: the caller, whoever is rung, and whoever is told of it. */
import { mailboxName, phoneName, showingInWords } from '../base/names';
import { traceLines } from './lines';
import type { System } from '../../system';
import type { Happening, Trace } from '../base/trace';
import { isTold, type ToldIn } from './told';

export interface Noticed {
  /** Milliseconds from arrival. */
  t: number;
  /** The same for two calls in which the same is noticed, whatever the steps and recordings behind it are called. */
  what: string;
  /** It in words: “hears ‘The yard is closed’”. */
  words: string;
}

/**
 * A call reduced to what is noticed of it. Two calls with the same of it are alike to everybody; ids of steps, names of
 * recordings and why a way was taken are left out.
 */
export function noticed(trace: Trace, system: System): Noticed[] {
  const lines = traceLines(trace, system);
  return trace.flatMap((e, i): Noticed[] => {
    if (!isTold(e, 'noticed')) return [];
    const what = JSON.stringify(whatOf(e, system));
    return [{ t: e.t, what, words: wordsOf(e, system) ?? lines[i]!.slice(11).trim() }];
  });
}

const spoken = (id: string | null, system: System): string => (id && system.recordings[id]?.text) ?? '';

/** The words of a recording and, where it has one, its sound. */
const heard = (id: string | null, system: System): string[] => {
  const sound = id ? system.recordings[id]?.sound : undefined;
  return sound ? [spoken(id, system), sound.hash] : [spoken(id, system)];
};

function whatOf(e: ToldIn<'noticed'>, system: System): unknown[] {
  switch (e.kind) {
    case 'prompt started':
      return ['hears', ...heard(e.recordingId, system)];
    case 'menu':
      return ['menu', ...heard(e.recordingId, system)];
    case 'greeting started':
      return ['greeting', e.mailboxId, ...heard(e.recordingId, system)];
    case 'says':
      return [e.kind, e.words];
    case 'asked':
    case 'told':
      return [e.kind, e.alike ?? e.says];
    case 'noted':
      return [e.kind, e.label, e.alike ?? e.text];
    case 'asked afterwards':
      return [e.kind, e.dialogueId];
    case 'meets':
      return [e.kind, e.roomId, e.as, e.is];
    case 'booked':
    case 'given back':
      return [e.kind, e.calendarId];
    case 'notified':
      return [e.kind, e.how, e.to, e.text];
    case 'shown':
      return [e.kind, e.number];
    case 'queued':
    case 'comfort':
      return [e.kind, e.queueId, e.position];
    case 'dialled':
      return [e.kind, e.who];
    case 'sent on':
      return [e.kind, e.to];
    case 'found by name':
      return [e.kind, e.personIds];
    case 'leg offered':
      return [e.kind, e.phone, e.personId, ...(e.sees === undefined ? [] : [e.sees])];
    case 'leg sounding':
    case 'leg asked to confirm':
      return [e.kind, e.phone];
    case 'leg ended':
      return [e.kind, e.phone, e.how];
    case 'recorded':
    case 'not kept':
      return [e.kind, e.mailboxId, e.seconds];
    case 'key':
    case 'wrong key':
    case 'no key':
    case 'spell a name':
    case 'call back asked':
    case 'tone':
    case 'recording started':
    case 'answered':
    case 'emergency':
    case 'record notice':
    case 'record on':
    case 'record paused':
    case 'record again':
    case 'record off':
    case 'announced':
    case 'muted':
    case 'room locked':
    case 'credit':
    case 'stopped':
    case 'goes out':
    case 'machine':
    case 'held':
    case 'taken back':
    case 'passed on':
    case 'comes back':
    case 'on the line':
    case 'joins':
    case 'leaves':
    case 'parked':
    case 'fetched':
    case 'picked up':
    case 'keys sent':
    case 'phone gone':
    case 'phone there again':
    case 'ended':
      // When it happens is kept apart.
      return [{ ...e, t: 0 }];
  }
}

/** Which sound it is, for two with the same words: how it was made, and the beginning of its hash. */
function soundOf(id: string | null, system: System): string {
  const sound = id ? system.recordings[id]?.sound : undefined;
  return sound ? ` (${sound.made}, ${sound.hash.slice(0, 6)})` : '';
}

/** Where the line of the trace names a recording, what it says is what is noticed. */
function wordsOf(e: Happening, system: System): string | null {
  switch (e.kind) {
    case 'prompt started':
      return `hears “${spoken(e.recordingId, system)}”${soundOf(e.recordingId, system)}`;
    case 'menu':
      return `menu “${spoken(e.recordingId, system)}”${soundOf(e.recordingId, system)}`;
    case 'greeting started':
      return `voicemail ${mailboxName(system, e.mailboxId)}: “${spoken(e.recordingId, system)}”${soundOf(e.recordingId, system)}`;
    case 'leg offered':
      return `${phoneName(system, e.phone, e.personId)} is rung${showingInWords(e.sees, system)}`;
    default:
      return null;
  }
}
