/**
 * A past to look at: days of calls, messages and texts before a moment. Calls are what the engine makes of the plans of a business;
 * who calls, when and how everybody behaves is invented, and the same each time for the same day.
 */
import { spokenSeconds } from '../../core/answering';
import { sentence, simulateEach, whoCalls, type CallRequest, type Trace } from '../../core/calls';
import { addDays, localTime, momentOf } from '../../core/hours';
import { factsOfCall } from '../../core/story';
import { asPaired, isLinked, type NumberHeld, type Standing, type System } from '../../core/system';
import { chance, chanceOf, pastId, picker } from './drawn';
import { dayKind, hourOf } from './rhythm';
import { textsOf, type PastText } from './texts';

export { isPast } from './drawn';
export type { PastText } from './texts';

export interface PastCall {
  id: string;
  businessId: string;
  at: number;
  request: CallRequest;
  trace: Trace;
  words: string;
  note?: string | undefined;
  answeredAt?: number | undefined;
}
export interface PastMessage {
  id: string;
  businessId: string;
  mailboxId: string;
  at: number;
  from: string;
  fromNumber: string | null;
  seconds: number;
  said: string;
  sound: null;
  heard: boolean;
  answeredAt?: number | undefined;
}
export interface Past {
  calls: PastCall[];
  messages: PastMessage[];
  texts: PastText[];
}

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
/** Numbers that call again and again, and others of whom each calls seldom; all of ranges kept for fiction. */
const REGULARS = Array.from({ length: 30 }, (_, i) => `+120655501${String(10 + i)}`);
const SELDOM = [253, 425, 503, 541, 604, 778, 971, 206]
  .flatMap((area) => Array.from({ length: 90 }, (_, i) => `+1${area}55501${String(i).padStart(2, '0')}`))
  .filter((number) => !REGULARS.includes(number));
/** What is said on voicemail; which of them, by the seed of the call. */
const SAID = [
  'Please call me back about the estimate.',
  'It is about tomorrow, we come an hour later.',
  'Is the part there yet? You have my number.',
  'Nothing urgent, only a question about the bill.',
  'We would like to book, call me after four.',
];
const saidOn = (seed: number): string => SAID[seed % SAID.length]!;
const NOTES = ['Sends a drawing by mail.', 'Wants to hear by Friday.', 'Asked for the price of a refit.'];

/** What everybody in a past is taken from. */
interface Cast {
  numbers: NumberHeld[];
  /** The number that is answered at night, where there is one. */
  night: NumberHeld | undefined;
  contacts: string[];
  phones: string[];
  people: string[];
  /** Who is ill for a fortnight. */
  ill: string | undefined;
}
function castOf(system: System): Cast {
  const numbers = Object.values(system.numbers).filter((n) => n.planId);
  const all = Object.values(system.phones).filter((p) => p.personId);
  const phones = all.filter((p) => !isLinked(p));
  const people = [...new Set(all.map((p) => p.personId!))];
  return {
    numbers,
    night: numbers.find((n) => n.use === '24-hour'),
    contacts: Object.values(system.contacts)
      .filter((c) => !c.blocked)
      .flatMap((c) => c.numbers.slice(0, 1)),
    phones: phones.map((p) => p.id),
    people,
    ill: phones[0] && people.find((id) => id !== phones[0]!.personId),
  };
}

/** How likely somebody who is rung lifts. Invented. */
const LIFTS = 0.75;
/** How long callers wait in the mean, in seconds. Invented. */
const PATIENCE_S = 75;

/** Who calls on a day, and how everybody behaves. */
function requestsOf(zone: string, date: string, back: number, cast: Cast): CallRequest[] {
  const drawn = chanceOf(date);
  const pick = picker(drawn);
  const { calls, storm, ill, rush } = dayKind(zone, date, back, drawn());
  const present = ill ? cast.people.filter((id) => id !== cast.ill) : cast.people;
  const requests: CallRequest[] = [];
  const call = (what: string, minute: number, line: NumberHeld, longer = 1) => {
    const at = Math.round(momentOf(zone, date, Math.floor(minute)) + (minute % 1) * 60_000);
    const who = drawn();
    const caller =
      who < 0.2 && cast.contacts.length
        ? pick(cast.contacts)
        : who < 0.94
          ? pick(who < 0.4 ? REGULARS : SELDOM)
          : null;
    const answers = drawn() < 0.95;
    const act = { does: 'answers' as const, after: 2 + drawn() * 10 };
    const patience = drawn();
    const seed = Math.floor(drawn() * 1e6);
    requests.push({
      id: pastId(date, what),
      at,
      from: { kind: 'outside', number: caller },
      to: { kind: 'number', e164: line.e164 },
      behaviour: {
        people: answers
          ? Object.fromEntries(present.filter(() => drawn() < LIFTS).map((id) => [id, act]))
          : {},
        phones: {},
        otherwise: { does: 'nothing' },
        caller: {
          // Patience of exponential length; what the welcome takes is heard through by most.
          hangsUpAfter: Math.round(10 * (4 - Math.log(1 - patience) * PATIENCE_S)) / 10,
          talks: Math.round((20 + -Math.log(1 - drawn()) * 130) * longer),
          message: chance(seed)() < 0.6 ? 0 : spokenSeconds(saidOn(seed)),
          keys: drawn() < 0.7 ? [{ after: 2, press: String(1 + Math.floor(drawn() * 3)) }] : [],
        },
      },
      seed,
    });
    // Whoever was missed is often called a little later.
    if (!answers && caller && drawn() < 0.75 && cast.phones.length)
      requests.push({
        id: pastId(date, `${what}-back`),
        at: Math.round(at + (8 + drawn() * 70) * 60_000),
        from: { kind: 'phone', phoneId: pick(cast.phones) },
        to: { kind: 'digits', digits: caller },
        behaviour: {
          people: {},
          phones: { [`outside:${caller}`]: { does: 'answers', after: 4 + drawn() * 10 } },
          otherwise: { does: 'nothing' },
          caller: { hangsUpAfter: 40, talks: Math.round(30 + drawn() * 200), message: 0 },
        },
      });
  };
  for (let i = 0; i < calls; i++)
    // The first number is the one most people know.
    call(
      String(i),
      hourOf(drawn()) * 60 + drawn() * 60,
      drawn() < 0.55 ? cast.numbers[0]! : pick(cast.numbers),
    );
  if (rush)
    for (let i = 0; i < rush.calls; i++)
      call(`rush-${i}`, (rush.from + drawn() * rush.hours) * 60, cast.numbers[0]!, rush.talks);
  if (cast.night) for (let i = 0; i < storm; i++) call(`storm-${i}`, drawn() * 1440, cast.night);
  return requests;
}

/** When somebody said that calling back was done, of a call in vain that is long ago; most of them were seen to. */
function seenTo(call: PastCall, until: number): number | undefined {
  const drawn = chance(call.at + 7);
  const at = Math.round(call.at + (0.5 + drawn() * 20) * HOUR_MS);
  return drawn() < 0.9 && at < until - DAY_MS && factsOfCall(call).missed ? at : undefined;
}

/**
 * @param until epoch milliseconds: everything is over before it
 * @param days so many whole days before its day, and what of it is over
 * @param told how many calls have been worked out, of about so many
 */
export function pastOf(
  businessId: string,
  system: System,
  standing: Standing,
  until: number,
  days: number,
  told: (done: number, of: number) => void = () => {},
): Past {
  const zone = system.business.timeZone;
  const cast = castOf(system);
  const past: Past = { calls: [], messages: [], texts: [] };
  if (!cast.numbers.length) return past;
  const today = localTime(zone, until).date;
  const dates = Array.from({ length: days + 1 }, (_, i) => ({
    back: days - i,
    date: addDays(today, i - days),
  }));
  const requests = dates
    .flatMap(({ date, back }) => requestsOf(zone, date, back, cast))
    .filter((r) => r.at < until)
    .sort((a, b) => a.at - b.at);
  past.texts = dates
    .flatMap(({ date }) => textsOf(businessId, system, date, [...REGULARS, ...cast.contacts]))
    .filter((t) => t.at < until - HOUR_MS);
  const asked = new Map(requests.map((r) => [r.id, r]));
  let done = 0;
  simulateEach(system, asPaired(standing), requests, (id, trace) => {
    const request = asked.get(id);
    // What would go on is none of the past.
    if (!request || request.at + (trace.at(-1)?.t ?? 0) >= until) return;
    const drawn = chance(request.at);
    const talked = trace.some((e) => e.kind === 'answered');
    const call: PastCall = {
      id,
      businessId,
      at: request.at,
      // A real call has nobody's behaviour in it.
      request: { ...request, behaviour: null },
      trace,
      words: sentence(trace, system, 'past'),
      ...(talked && drawn() < 0.12 ? { note: NOTES[Math.floor(drawn() * NOTES.length)]! } : {}),
    };
    const answeredAt = seenTo(call, until);
    const seen = answeredAt === undefined ? {} : { answeredAt };
    past.calls.push({ ...call, ...seen });
    const left = trace.find((e) => e.kind === 'recorded');
    if (left?.kind === 'recorded')
      past.messages.push({
        id,
        businessId,
        mailboxId: left.mailboxId,
        at: request.at + left.t,
        from: whoCalls(system, request.from),
        fromNumber: request.from.kind === 'outside' ? request.from.number : null,
        seconds: left.seconds,
        said: saidOn(request.seed ?? 0),
        sound: null,
        heard: request.at < until - 2 * DAY_MS,
        ...seen,
      });
    told(++done, requests.length);
  });
  past.calls.sort((a, b) => a.at - b.at);
  return past;
}
