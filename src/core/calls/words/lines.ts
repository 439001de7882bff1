/** A trace line by line, for people: what the rehearsal page and the case files show. */
import { periodInWords } from '../../hours';
import { branchInWords, stepInWords } from '../../answering';
import { allSteps, RECORDING_NOTICE, type Step, type System } from '../../system';
import { addressLine, countryName, writeNumber } from '../../numbering';
import { addressOfHelp } from '../rules/help';
import {
  endName,
  mailboxName,
  passedTo,
  phoneName,
  queueName,
  calendarName,
  roomName,
  rungName,
  sentOnTo,
  showingInWords,
} from '../base/names';
import { ending, showing, shownInWords } from './summary';
import type { Happening, Trace } from '../base/trace';

/** One line for each event: "  22.0 s  Rosa Delgado · Desk phone: not answered". */
export function traceLines(trace: Trace, system: System): string[] {
  return trace.map((event) => `${(event.t / 1000).toFixed(1).padStart(6)} s  ${say(event, system)}`);
}

function say(e: Happening, system: System): string {
  const recording = (id: string) => `“${system.recordings[id]?.name ?? 'a removed recording'}”`;
  switch (e.kind) {
    case 'arrived': {
      const from =
        e.from.kind === 'phone'
          ? phoneName(system, e.from.phoneId)
          : e.from.number
            ? writeNumber(e.from.number, system.business.country)
            : 'a hidden number';
      const to =
        e.to.kind === 'digits'
          ? e.to.digits
          : e.to.kind === 'target'
            ? passedTo(system, e.to.target)
            : (e.numberId && system.numbers[e.numberId]?.label) ||
              writeNumber(e.to.e164, system.business.country);
      return `call from ${from} to ${to}`;
    }
    case 'step': {
      const step = [...allSteps(system.plans[e.planId]?.steps ?? [])].find((s) => s.id === e.stepId);
      if (!step) return 'a step since removed';
      const { verb, what } = stepInWords(step, system);
      return `${verb} ${what}`;
    }
    case 'hours': {
      const hours = e.hoursId ? system.hours[e.hoursId] : undefined;
      if (!hours) return 'no hours chosen: otherwise';
      return e.period
        ? `${hours.name}: ${e.period} (${periodInWords(hours, e.period)})`
        : `${hours.name}: otherwise${e.holiday ? ' (a holiday)' : ''}`;
    }
    case 'caller': {
      return e.branch === null
        ? 'nobody in particular: otherwise'
        : `the caller: ${branchOf(e.stepId, e.branch, system)}`;
    }
    case 'shared':
      return `this call: ${branchOf(e.stepId, e.branch, system)}`;
    case 'drawn':
      return `chance: ${rungName(system, e.next)} is rung next`;
    case 'plan':
      return `goes to the plan ${system.plans[e.planId]?.name ?? 'since removed'}`;
    case 'menu':
      return `menu ${e.recordingId ? recording(e.recordingId) : 'without words'}${e.time > 1 ? `, time ${e.time}` : ''}`;
    case 'shown':
      return `they see ${e.number ? writeNumber(e.number, system.business.country) : 'a hidden number'}`;
    case 'key':
      return `the caller presses ${e.key}`;
    case 'wrong key':
      return `${e.keys} leads nowhere`;
    case 'no key':
      return 'no key pressed';
    case 'dialled':
      return `${e.extension} dialled: ${e.who}`;
    case 'spell a name':
      return 'the caller is asked to spell a name';
    case 'found by name':
      return `offered by name: ${e.personIds.map((id, i) => `${i + 1} ${system.people[id]?.name ?? 'somebody'}`).join(', ')}`;
    case 'asked':
      return `asked for ${e.label}: ${e.says}`;
    case 'noted':
      return `${e.label}: ${e.text || 'nothing said'}`;
    case 'told':
      return `told: ${e.says}`;
    case 'meets':
      return e.is === 'waits'
        ? `waits for the host of ${roomName(system, e.roomId)}, and hears music`
        : `is in the meeting in ${roomName(system, e.roomId)}${e.as === 'host' ? ' as its host' : ''}`;
    case 'muted':
      return `${e.on ? 'muted' : 'heard again'}${e.by === 'host' ? ' by the host' : ''}`;
    case 'room locked':
      return `${roomName(system, e.roomId)} is ${e.on ? 'locked' : 'open again'}`;
    case 'asked afterwards':
      return `the caller stays and is asked: ${system.dialogues[e.dialogueId]?.name ?? 'a removed dialogue'}`;
    case 'booked':
      return e.instead
        ? `another time of ${calendarName(system, e.calendarId)} is booked instead`
        : `a time of ${calendarName(system, e.calendarId)} is booked`;
    case 'given back':
      return `a time of ${calendarName(system, e.calendarId)} is given back`;
    case 'sorted':
      return e.branch === null
        ? 'none of the answers opens a branch'
        : `by what was answered: ${branchOf(e.stepId, e.branch, system)}`;
    case 'notified':
      return {
        mail: `mail to ${e.to}`,
        text: 'text message to the caller',
        hook: `web hook ${e.to}`,
        note: `note: ${e.text}`,
      }[e.how];
    case 'queued':
      return `waits in ${queueName(system, e.queueId)}, number ${e.position}`;
    case 'came first':
      return `came first in ${queueName(system, e.queueId)}: offered again before those who came later`;
    case 'paused':
      return `${system.people[e.personId]?.name ?? 'somebody'} missed ${e.missed} in a row and is paused in ${queueName(system, e.queueId)}`;
    case 'left for last':
      return `${system.people[e.personId]?.name ?? 'somebody'} just let it ring out: somebody else is tried first`;
    case 'nobody free':
      return `nobody is free in ${queueName(system, e.queueId)}, number ${e.position}`;
    case 'comfort':
      return `those who wait are told they are number ${e.position}`;
    case 'left queue':
      return `leaves ${queueName(system, e.queueId)} after ${e.waitedSeconds} s: ${e.way}`;
    case 'sent on':
      return `${whoDid(system, e.personId)} sends them on to ${passedTo(system, e.to)}`;
    case 'call back asked':
      return 'asks to be called back';
    case 'on duty':
      return `on duty in ${system.rotas[e.rotaId]?.name ?? 'a removed rota'}: ${(e.personId && system.people[e.personId]?.name) ?? 'nobody'}`;
    case 'prompt started':
      return `caller hears ${recording(e.recordingId)}`;
    case 'prompt ended':
      return `${recording(e.recordingId)} ends`;
    case 'not rung':
      return `${e.phone ? phoneName(system, e.phone, e.personId) : ((e.personId && system.people[e.personId]?.name) ?? 'somebody')}: not rung, ${e.why}`;
    case 'leg offered':
      return `${phoneName(system, e.phone, e.personId)}: offered the call${showingInWords(e.sees, system)}`;
    case 'leg sounding':
      return `${phoneName(system, e.phone, e.personId)}: sounds`;
    case 'leg asked to confirm':
      return `${phoneName(system, e.phone, e.personId)}: lifted, asked to press 1`;
    case 'leg ended':
      return `${phoneName(system, e.phone, e.personId)}: ${e.how}`;
    case 'ringing over':
      return e.how;
    case 'redirected':
      return `${system.mailboxes[e.from] ? `mailbox ${mailboxName(system, e.from)}` : (system.people[e.from]?.name ?? 'somebody')} sends it on to ${sentOnTo(system, e.to)} (${e.why})`;
    case 'stand-in':
      return `${system.people[e.personId]?.name ?? 'somebody'} is rung for ${system.people[e.forId]?.name ?? 'somebody'}, who is away`;
    case 'group':
      return `group ${system.groups[e.groupId]?.name ?? 'since removed'}`;
    case 'forward skipped':
      return `not sent on to ${sentOnTo(system, e.to)}: ${e.why}`;
    case 'answered':
      return `${phoneName(system, e.phone, e.personId)}: talks with the caller`;
    case 'greeting started':
      return `voicemail ${mailboxName(system, e.mailboxId)}: ${e.recordingId ? recording(e.recordingId) : 'the plain greeting'}${e.occasion ? ` (${e.occasion})` : ''}`;
    case 'tone':
      return 'the tone';
    case 'says':
      return `hears “${e.words}”`;
    case 'pin':
      return e.right ? 'the PIN is right' : 'the PIN is wrong';
    case 'plays':
      return 'a message is played';
    case 'marked':
      return e.as === 'heard' ? 'the message has been heard' : 'the message goes into the bin';
    case 'recording started':
      return 'the caller speaks';
    case 'recorded':
      return `message of ${e.seconds} s kept in ${mailboxName(system, e.mailboxId)}`;
    case 'not kept':
      return `nothing kept: ${e.seconds} s is too short for a message`;
    case 'no mailbox':
      return 'no mailbox to leave a message in';
    case 'emergency':
      return `emergency call to ${e.number}, location ${placeInWords(e.place, system)}${e.elsewhere ? ' as the business’s: where this phone is is not known' : ''}${e.callback ? `, rings back ${writeNumber(e.callback, system.business.country)}` : ''}`;
    case 'goes out':
      return `calls ${writeNumber(e.number, system.business.country)}, showing ${shownInWords(e.shows, system)}`;
    case 'record notice':
      return `all hear ${e.recordingId ? recording(e.recordingId) : `“${RECORDING_NOTICE}”`}`;
    case 'record on':
      return `recorded from here, ${e.by ? `by ${endName(system, { phone: e.by, personId: e.personId })}` : 'by rule'}, ${e.consent === 'all' ? 'with everybody told' : 'where one may agree'}`;
    case 'record paused':
      return `${endName(system, e)}: a gap in the recording`;
    case 'record again':
      return `${endName(system, e)}: recorded again`;
    case 'record off':
      return `no longer recorded`;
    case 'announced':
      return `${phoneName(system, e.phone)} hears ${recording(e.recordingId)} first`;
    case 'credit':
      return e.minutes
        ? `${phoneName(system, e.phone)}: ${e.minutes} min can still be paid for`
        : 'nothing more can be paid for: both are told, and the call ends';
    case 'stopped':
      return `many short calls to ${countryName(e.country)} look like fraud: no more go there until somebody allows them`;
    case 'machine':
      return `${phoneName(system, e.phone)}: a machine answers`;
    case 'held':
      return `${endName(system, e)}: holds`;
    case 'hold reminder':
      return `${endName(system, e)}: is reminded of who is held`;
    case 'taken back':
      return `${endName(system, e)}: takes it back`;
    case 'passed on':
      return `${endName(system, { ...e, phone: e.by })} passes it on to ${passedTo(system, e.to)} (${e.how})`;
    case 'comes back':
      return `comes back to ${endName(system, { ...e, phone: e.to })}: ${e.why}`;
    case 'on the line':
      return `rings at the others who have the line ${system.numbers[e.numberId]?.label ?? ''}`;
    case 'joins':
      return `${endName(system, e)} joins (${e.how})`;
    case 'leaves':
      return `${endName(system, e)} leaves, the others go on`;
    case 'parked':
      return `${endName(system, { ...e, phone: e.by })} parks it on ${e.slot}`;
    case 'fetched':
      return `${endName(system, e)} fetches it from ${e.slot}`;
    case 'picked up':
      return `${endName(system, e)} picks it up`;
    case 'listens in':
      return `${endName(system, e)} listens in`;
    case 'listens no longer':
      return `${endName(system, e)} listens no longer`;
    case 'keys sent':
      return `${endName(system, e)} sends ${e.count === 1 ? 'a key' : `${e.count} keys`}`;
    case 'phone gone':
      return `${endName(system, e)}: gone, the others wait a moment`;
    case 'phone there again':
      return `${endName(system, e)}: there again`;
    case 'not done':
      return `${e.phone === null ? whoDid(system, e.personId) : endName(system, { phone: e.phone, personId: null })}: not done, ${e.why}`;
    case 'ended':
      return `end (${e.by}): ${ending(e.outcome, system)}${showing(e.outcome, system)}`;
  }
}

const whoDid = (system: System, personId: string | null | undefined): string =>
  (personId && system.people[personId]?.name) || 'somebody';

const stepIn = (stepId: string, system: System): Step | undefined =>
  Object.values(system.plans)
    .flatMap((p) => [...allSteps(p.steps)])
    .find((s) => s.id === stepId);

function branchOf(stepId: string, branch: number, system: System): string {
  const step = stepIn(stepId, system);
  return step ? branchInWords(step, branch, system) : 'a branch since removed';
}

function placeInWords(place: Extract<Happening, { kind: 'emergency' }>['place'], system: System): string {
  if (!place) return 'unknown';
  const name =
    place.kind === 'phone'
      ? 'the place of the phone'
      : ((place.kind === 'site' ? system.sites[place.id]?.name : system.numbers[place.id]?.label) ??
        'unknown');
  const address = addressOfHelp(system, place);
  return address ? `${name} (${addressLine(address)})` : name;
}
