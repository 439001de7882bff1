/** A trace as one sentence, and its outcome as a few words. */
import { writeNumber } from '../../numbering';
import type { System } from '../../system';
import { featureInWords } from './feature-words';
import { calendarName, listed, mailboxName, passedTo, queueName, roomName, whoseName } from '../base/names';
import { CALLER } from '../base/talk';
import type { Shown } from '../base/shown';
import { outcomeOf, type Outcome, type Trace } from '../base/trace';
import { isTold, type ToldIn } from './told';

const seconds = (ms: number): string => `${Math.round(ms / 100) / 10} s`;

/** The outcome in a few words, with the second it came at: "answered by Rosa at 13 s". */
export function outcomeInWords(trace: Trace, system: System): string {
  const ended = outcomeOf(trace);
  if (!ended) return 'still going on';
  const answered = trace.findLast((e) => e.kind === 'answered');
  if (answered && ended.outcome.kind === 'answered')
    return `answered by ${whoseName(system, ended.outcome.phone, ended.outcome.personId)} at ${seconds(answered.t)}`;
  const tone = trace.find((e) => e.kind === 'tone');
  if (tone && ended.outcome.kind === 'message')
    return `${seconds(tone.t)} until the tone, then a message in ${mailboxName(system, ended.outcome.mailboxId)}`;
  return `${ending(ended.outcome, system)} after ${seconds(ended.t)}${showing(ended.outcome, system)}`;
}

/** How a call ended, whoever was called. */
export function ending(outcome: Outcome, system: System): string {
  switch (outcome.kind) {
    case 'answered':
      return `answered by ${whoseName(system, outcome.phone, outcome.personId)}`;
    case 'message':
      return `message left in ${mailboxName(system, outcome.mailboxId)}`;
    case 'no message':
      return `no message left in ${mailboxName(system, outcome.mailboxId)}`;
    case 'hung up':
      return outcome.during === 'message'
        ? 'the caller hung up before saying anything'
        : `the caller hung up during the ${outcome.during}`;
    case 'swallowed':
      return `taken by the own voicemail of ${whoseName(system, outcome.phone)}`;
    case 'dead end':
      return 'cut off: the plan ends without an answer';
    case 'ended':
      return { busy: 'busy tone', plain: 'ended by the plan', message: 'ended with a message' }[outcome.how];
    case 'call back':
      return `asked to be called back by ${queueName(system, outcome.queueId)}`;
    case 'nobody answered':
      return 'nobody answered, and there is no mailbox';
    case 'not in service':
      return outcome.why === 'no plan' ? 'not in service: the number has no plan' : 'not in service';
    case 'too many redirects':
      return 'ended: redirected too often';
    case 'emergency':
      return `put through to ${outcome.number}`;
    case 'outside':
      return `${written(outcome.number, system)}: ${outcome.how}`;
    case 'not allowed':
      return NOT_ALLOWED[outcome.why];
    case 'not lifted':
      return `${whoseName(system, outcome.phone)} did not lift: nobody was called`;
    case 'handed on':
      return 'went on in another call';
    case 'not done':
      return `not done: ${outcome.why}`;
    case 'met':
      return `left the meeting in ${roomName(system, outcome.roomId)}`;
    case 'not let in':
      return `not let into ${roomName(system, outcome.roomId)}: ${outcome.why}`;
    case 'went out':
      return `went out to ${written(outcome.number, system)}`;
    case 'not moved yet':
      return 'the provider the number is coming from still has it';
    case 'given back':
      return outcome.referTo
        ? `told that the number has changed to ${writeNumber(outcome.referTo, system.business.country)}`
        : 'told that the number is no longer in service';
    case 'listened':
      return outcome.mailboxId
        ? `listened to ${mailboxName(system, outcome.mailboxId)}`
        : 'listened to no mailbox';
    case 'refused':
      return REFUSED[outcome.why];
    case 'feature':
      return outcome.refused
        ? `${outcome.code}: not done, ${outcome.refused}`
        : `${outcome.code}: ${featureInWords(outcome.does, outcome.to, system)}`;
  }
}

const NOT_ALLOWED = {
  'calls abroad': 'not allowed: this phone may not call abroad',
  'this country': 'not allowed: this country may not be called',
  'premium numbers': 'not allowed: this phone may not call premium numbers',
  'the limit of the day': 'not allowed: the limit of the day is reached',
  'the credit is used up': 'not allowed: the credit is used up',
  'it looks like fraud':
    'not allowed: many short calls there looked like fraud, and whoever runs the system must allow them again',
};

const REFUSED = {
  blocked: 'refused: the caller is blocked',
  suspected: 'refused: the network suspects the call',
  'hidden number': 'refused: the caller hides their number',
};

const written = (number: string, { business }: System): string =>
  number.startsWith('+') ? writeNumber(number, business.country) : number;

/** What the other side of an outside call sees, in words. @param shown null where it is hidden */
export const shownInWords = (shown: Shown | null, system: System): string =>
  shown ? [written(shown.e164, system), shown.name].filter(Boolean).join(' ') : 'a hidden number';

/** The same behind the end of a call; empty where nothing is sent. */
export const showing = (outcome: Outcome, system: System): string =>
  outcome.kind === 'went out' && outcome.shows !== undefined
    ? `, showing ${shownInWords(outcome.shows, system)}`
    : '';

/**
 * The whole call in one sentence: "Rang Rosa Delgado and Idris Okafor 18 s, nobody answered; message left in Front desk
 * after 56 s." @param tense whether it happened, or is what would happen
 */
export function sentence(trace: Trace, system: System, tense: 'past' | 'present' = 'present'): string {
  const [played, rangWord] = tense === 'past' ? ['played', 'rang'] : ['plays', 'rings'];
  const parts: string[] = [];
  let offered: string[] = [];
  let from = 0;
  /** The last to answer is told at the end. */
  const answers = trace.findLastIndex((e) => e.kind === 'answered');
  const lastAnswer = trace[answers];
  /** Where people did something with the call after it, it is told in its place. */
  const goesOn = trace.slice(answers + 1).some((e) => e.kind !== 'ended' && isTold(e, 'said'));
  for (const e of trace) {
    if (e.kind === 'leg offered') {
      if (!offered.length) from = e.t;
      offered.push(whoseName(system, e.phone, e.personId));
      continue;
    }
    if (offered.length && STOPS_RINGING.includes(e.kind)) {
      const rang = `${rangWord} ${listed([...new Set(offered)])} ${seconds(e.t - from)}`;
      parts.push(e.kind === 'ringing over' ? `${rang}, ${e.how}` : rang);
      offered = [];
      if (e.kind === 'ringing over') continue;
    }
    if (e.kind === 'ringing over') {
      const words = notRungInWords(trace, e.t, e.how, system);
      // The same people for the same reasons are told of once.
      if (!parts.includes(words)) parts.push(words);
    }
    const told = isTold(e, 'said') && (goesOn || e !== lastAnswer) ? partOf(e, system, played) : null;
    // What is asked once more is told once.
    if (told && !(e.kind === 'asked' && told === parts.at(-1))) parts.push(told);
  }
  const ended = outcomeOf(trace);
  if (ended && goesOn && ended.outcome.kind === 'answered') parts.push(`over after ${seconds(ended.t)}`);
  else if (ended) {
    const answered = lastAnswer;
    const at = ended.outcome.kind === 'answered' && answered ? answered.t : ended.t;
    parts.push(
      `${ending(ended.outcome, system)} ${ended.outcome.kind === 'answered' ? 'at' : 'after'} ${seconds(at)}${showing(ended.outcome, system)}`,
    );
  }
  const text = parts.join('; ');
  return text ? text[0]!.toUpperCase() + text.slice(1) + '.' : '';
}

/** What a happening adds to the sentence; null for nothing of its own. Ringing, and the end, are told as a whole. */
function partOf(e: ToldIn<'said'>, system: System, played: string): string | null {
  switch (e.kind) {
    case 'prompt started':
      return `${played} “${system.recordings[e.recordingId]?.name ?? 'a removed recording'}”`;
    case 'menu':
      return e.time === 1 ? `menu${menuName(e.recordingId, system)}` : null;
    case 'key':
      return `key ${e.key}`;
    case 'dialled':
      return `${e.extension} is ${e.who}`;
    case 'asked':
      return `asked for ${e.label}`;
    case 'asked afterwards':
      return 'asked afterwards';
    case 'meets':
      return e.is === 'waits'
        ? `waited for the host of ${roomName(system, e.roomId)}`
        : `met in ${roomName(system, e.roomId)}${e.as === 'host' ? ' as its host' : ''}`;
    case 'booked':
      return `${e.instead ? 'moved to another' : 'booked a'} time of ${calendarName(system, e.calendarId)}`;
    case 'given back':
      return `gave back a time of ${calendarName(system, e.calendarId)}`;
    case 'queued':
      return `waits in ${queueName(system, e.queueId)}`;
    case 'left queue':
      return e.way === 'sent on' ? null : `${e.way} after ${e.waitedSeconds} s`;
    case 'sent on':
      return `${(e.personId && system.people[e.personId]?.name) || 'somebody'} sent it on to ${passedTo(system, e.to)}`;
    case 'answered':
      return `${whoseName(system, e.phone, e.personId)} answered at ${seconds(e.t)}`;
    case 'goes out':
      return `showing ${shownInWords(e.shows, system)}`;
    case 'machine':
      return 'a machine answered';
    case 'passed on':
      return `${nameOf(system, e.by, e.personId)} passed it on to ${passedTo(system, e.to)}`;
    case 'comes back':
      return `back at ${nameOf(system, e.to, e.personId)}: ${e.why}`;
    case 'on the line':
      return `rang at the others who have the line ${system.numbers[e.numberId]?.label ?? ''}`;
    case 'joins':
      if (e.how === 'from the line') return `${nameOf(system, e.phone, e.personId)} took it from the line`;
      return e.how === 'added' ? `${nameOf(system, e.phone, e.personId)} joined` : null;
    case 'parked':
      return `${nameOf(system, e.by, e.personId)} parked it on ${e.slot}`;
    case 'fetched':
      return `${nameOf(system, e.phone, e.personId)} fetched it from ${e.slot}`;
    case 'picked up':
      return `${nameOf(system, e.phone, e.personId)} picked it up`;
    case 'phone gone':
      return `the phone of ${nameOf(system, e.phone, e.personId)} was gone`;
    case 'redirected':
      return `sent on by ${system.people[e.from]?.name ?? 'somebody'} (${e.why})`;
  }
}

const nameOf = (system: System, phone: string, personId: string | null): string =>
  phone === CALLER ? 'the caller' : whoseName(system, phone, personId);

/** Where the ringing told of so far is over, or somebody who waits presses a key to leave it. */
const STOPS_RINGING: readonly Trace[number]['kind'][] = [
  'answered',
  'redirected',
  'greeting started',
  'ringing over',
  'ended',
  'key',
  'left queue',
  'picked up',
  'machine',
  'passed on',
  'comes back',
  'on the line',
  'fetched',
  'goes out',
  'parked',
];

const menuName = (id: string | null, system: System): string =>
  id ? ` “${system.recordings[id]?.name ?? 'a removed recording'}”` : '';

function notRungInWords(trace: Trace, t: number, how: string, system: System): string {
  const skipped = trace.filter((e) => e.kind === 'not rung' && e.t === t) as Extract<
    Trace[number],
    { kind: 'not rung' }
  >[];
  const reasons = new Set(
    skipped.map((e) => {
      const who = e.phone
        ? whoseName(system, e.phone, e.personId)
        : ((e.personId && system.people[e.personId]?.name) ?? 'somebody');
      return `${who}: ${e.why}`;
    }),
  );
  return reasons.size ? `${how} (${[...reasons].join(', ')})` : how;
}
