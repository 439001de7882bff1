/** What is expected of a call, held against its trace and said in words. */
import { listed, MEANING, outcomeOf, type CallRequest, type Trace } from '../calls';
import { errandsOf, judge } from '../followups';
import { dateInWords, daysInWords, localTime, writeTime } from '../hours';
import { thenInWords } from '../phone';
import { callRow } from '../story';
import type { Expectation, Promised, System } from '../system';
import type { Verdict } from './check';

const inTime = (t: number, within: number | null): boolean => within === null || t <= within * 1000;

/** The call that a promise is about, and the system it goes by. */
export interface About {
  system: System;
  request: CallRequest;
}

/** Whether a call is not what was expected of it. */
export function brokenBy(trace: Trace, expected: Expectation, about: About): boolean {
  switch (expected.is) {
    case 'rings':
      return !trace.some(
        (e) =>
          e.kind === 'leg sounding' &&
          inTime(e.t, expected.within) &&
          isOneOf(e.personId, expected.personIds),
      );
    case 'answered':
      return !trace.some(
        (e) =>
          e.kind === 'answered' && inTime(e.t, expected.within) && isOneOf(e.personId, expected.personIds),
      );
    case 'voicemail':
      return !trace.some(
        (e) =>
          e.kind === 'greeting started' &&
          inTime(e.t, expected.within) &&
          (expected.mailboxId === null || e.mailboxId === expected.mailboxId),
      );
    case 'no voicemail':
      return trace.some((e) => e.kind === 'greeting started');
    case 'ends well': {
      const ended = outcomeOf(trace);
      return !ended || !MEANING[ended.outcome.kind].well;
    }
    case 'comes back':
      return !trace.some(
        (e, i) => e.kind === 'comes back' && inTime(e.t - givenAway(trace.slice(0, i)), expected.within),
      );
    case 'hears':
      return !trace.some(
        (e) => (e.kind === 'prompt started' || e.kind === 'menu') && e.recordingId === expected.recordingId,
      );
    case 'followed':
      return !isFollowed(trace, expected.followUpId, about);
  }
}

/** Whether a follow-up applies to a call, and has something that can be done; tags are people's, and not there yet. */
function isFollowed(trace: Trace, followUpId: string, { system, request }: About): boolean {
  const followUp = system.followUps[followUpId];
  if (!followUp) return false;
  const row = callRow({ id: request.id, at: request.at, request, trace, words: '' });
  const happening = { is: 'dealt with' as const, row };
  if (judge(followUp, happening, { system, tagsOf: () => [] }).is !== 'applies') return false;
  return errandsOf(followUp, happening, system).some((e) => e.doing !== null);
}

/** When a call was last passed on or parked, milliseconds from arrival. */
const givenAway = (trace: Trace): number =>
  trace.findLast((e) => e.kind === 'passed on' || e.kind === 'parked')?.t ?? 0;

/** "Rosa, Idris or Pia". */
const anyOf = (names: readonly string[]): string => listed(names).replace(/ and (?=[^,]*$)/, ' or ');

const isOneOf = (personId: string | null, people: readonly string[]): boolean =>
  people.length ? personId !== null && people.includes(personId) : true;

/** "rings Tomas Brandt within 20 s". */
export function expectationInWords(e: Expectation, system: System): string {
  const people = (ids: readonly string[], none: string) =>
    ids.length ? anyOf(ids.map((id) => system.people[id]?.name ?? 'somebody removed')) : none;
  const within = 'within' in e && e.within !== null ? ` within ${e.within} s` : '';
  switch (e.is) {
    case 'rings':
      return `rings ${people(e.personIds, 'somebody')}${within}`;
    case 'answered':
      return `answered by ${people(e.personIds, 'somebody')}${within}`;
    case 'voicemail': {
      const mailbox = e.mailboxId
        ? (system.mailboxes[e.mailboxId]?.name ?? 'a removed mailbox')
        : 'a mailbox';
      return `comes to ${mailbox}${within}`;
    }
    case 'no voicemail':
      return 'never comes to voicemail';
    case 'ends well':
      return 'ends in an answer, a message, or as the plan says';
    case 'comes back':
      return `comes back to who passed it on${within}`;
    case 'followed':
      return `is followed by “${system.followUps[e.followUpId]?.name ?? 'a removed follow-up'}”`;
    case 'hears':
      return `hears “${system.recordings[e.recordingId]?.name ?? 'a removed recording'}”`;
  }
}

/** When a promise is about, in words: "Mon–Fri 09:00–12:00". */
export function promiseTimeInWords({ when }: Promised, system: System): string {
  if (when.on === 'always') return 'at all hours';
  if (when.on === 'week')
    return `${daysInWords(when.days)} ${when.from === 0 && when.to === 1440 ? 'all day' : `${writeTime(when.from)}–${writeTime(when.to)}`}`;
  if (when.on === 'hours') {
    const name = system.hours[when.hoursId]?.name ?? 'hours since removed';
    return when.period === null ? `outside ${name}` : `during ${name}: ${when.period}`;
  }
  const { minute, date } = localTime(system.business.timeZone, when.at);
  return `${dateInWords(date)} ${writeTime(minute)}`;
}

/** The whole promise: "Main line, at all hours, nobody answers: never comes to voicemail". */
export function promiseInWords(promised: Promised, system: System): string {
  const number = system.numbers[promised.numberId]?.label ?? 'a removed number';
  const keys = promised.behaviour.caller.keys?.map((k) => k.press).filter(Boolean) ?? [];
  const pressing = keys.length ? `, pressing ${keys.join(' then ')}` : '';
  const then = promised.behaviour.then?.length ? `, ${thenInWords(promised.behaviour.then, system)}` : '';
  return `${number}, ${promiseTimeInWords(promised, system)}${pressing}${then}: ${listed(promised.expects.map((e) => expectationInWords(e, system)))}`;
}

/** What came of all of them: "2 promises broken, 1 not followed to the end."; "All of them are kept." */
export function verdictsInWords(verdicts: readonly Verdict[]): string {
  const many = (is: Verdict['is']) => verdicts.filter((v) => v.is === is).length;
  const [broken, open, over] = [many('broken'), many('not followed'), many('lapsed')];
  const parts = [
    ...(broken ? [`${broken} ${broken === 1 ? 'promise' : 'promises'} broken`] : []),
    ...(open ? [`${open} not followed to the end`] : []),
    ...(over ? [`${over} lapsed`] : []),
  ];
  if (!parts.length) return 'All of them are kept.';
  return `${parts.join(', ')}${broken || open ? '' : '; the others are kept'}.`;
}
