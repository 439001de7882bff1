/** A trace line by line, for people: what the rehearsal page and the case files show. */
import { periodInWords } from '../hours';
import { stepInWords } from '../answering';
import { allSteps, type System } from '../system';
import { addressLine, writeNumber } from '../numbering';
import { addressOfHelp } from './help';
import { mailboxName, phoneName, targetName } from './names';
import { ending, showing } from './summary';
import type { Happening, Trace } from './trace';

/** One line for each event: "  22.0 s  Rosa Delgado · Desk phone: not answered". */
export function traceLines(trace: Trace, system: System): string[] {
  const legs = new Map<number, string>();
  return trace.map((event) => {
    if (event.kind === 'leg offered') legs.set(event.leg, phoneName(system, event.phone, event.personId));
    return `${(event.t / 1000).toFixed(1).padStart(6)} s  ${say(event, system, legs)}`;
  });
}

function say(e: Happening, system: System, legs: Map<number, string>): string {
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
        : `${hours.name}: otherwise`;
    }
    case 'prompt started':
      return `caller hears ${recording(e.recordingId)}`;
    case 'prompt ended':
      return `${recording(e.recordingId)} ends`;
    case 'not rung':
      return `${e.phone ? phoneName(system, e.phone, e.personId) : ((e.personId && system.people[e.personId]?.name) ?? 'somebody')}: not rung, ${e.why}`;
    case 'leg offered':
      return `${legs.get(e.leg)}: offered the call`;
    case 'leg sounding':
      return `${legs.get(e.leg)}: sounds`;
    case 'leg asked to confirm':
      return `${legs.get(e.leg)}: lifted, asked to press 1`;
    case 'leg ended':
      return `${legs.get(e.leg)}: ${e.how}`;
    case 'ringing over':
      return e.how;
    case 'redirected':
      return `${system.people[e.from]?.name ?? 'somebody'} sends it on to ${targetName(system, e.to)} (${e.why})`;
    case 'stand-in':
      return `${system.people[e.personId]?.name ?? 'somebody'} is rung for ${system.people[e.forId]?.name ?? 'somebody'}, who is away`;
    case 'group':
      return `group ${system.groups[e.groupId]?.name ?? 'since removed'}`;
    case 'forward skipped':
      return `not sent on to ${targetName(system, e.to)}: ${e.why}`;
    case 'answered':
      return `${phoneName(system, e.phone, e.personId)}: talks with the caller`;
    case 'greeting started':
      return `voicemail ${mailboxName(system, e.mailboxId)}: ${e.recordingId ? recording(e.recordingId) : 'the plain greeting'}`;
    case 'tone':
      return 'the tone';
    case 'recording started':
      return 'the caller speaks';
    case 'recorded':
      return `message of ${e.seconds} s kept in ${mailboxName(system, e.mailboxId)}`;
    case 'not kept':
      return `nothing kept: ${e.seconds} s is too short for a message`;
    case 'no mailbox':
      return 'no mailbox to leave a message in';
    case 'emergency':
      return `emergency call to ${e.number}, location ${placeInWords(e.place, system)}${e.callback ? `, rings back ${writeNumber(e.callback, system.business.country)}` : ''}`;
    case 'ended':
      return `end (${e.by}): ${ending(e.outcome, system)}${showing(e.outcome, system)}`;
  }
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
