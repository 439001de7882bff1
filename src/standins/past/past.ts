/**
 * A past to look at: days of calls before a moment, as the engine works them out from the plans of a business. Who calls, when
 * and how everybody behaves is invented, and the same each time for the same day.
 */
import { NEW_CALLER, sentence, simulateEach, whoCalls, type CallRequest, type Trace } from '../../core/calls';
import { addDays, dayNumber, localTime, momentOf } from '../../core/hours';
import { asPaired, isLinked, type Standing, type System } from '../../core/system';

export interface PastCall {
  id: string;
  businessId: string;
  at: number;
  request: CallRequest;
  trace: Trace;
  words: string;
  note?: string | undefined;
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
}
export interface Past {
  calls: PastCall[];
  messages: PastMessage[];
}

/** What every record of it begins with. */
const PAST = 'past-';
/** Whether a call or message is of an invented past. */
export const isPast = (id: string): boolean => id.startsWith(PAST);

/** How many calls come in on each day of the week, Monday first. */
const BY_WEEKDAY = [30, 26, 24, 24, 26, 9, 4];
/** How likely a call is in each hour of the day; the rest of the night has few. */
const BY_HOUR: Readonly<Record<number, number>> = {
  7: 2,
  8: 7,
  9: 10,
  10: 11,
  11: 9,
  12: 6,
  13: 7,
  14: 9,
  15: 9,
  16: 8,
  17: 4,
  18: 2,
  19: 1,
  20: 1,
  22: 0.4,
  3: 0.2,
};
/** So many numbers call again and again; kept for fiction. */
const REGULARS = Array.from({ length: 24 }, (_, i) => `+120655501${String(10 + i)}`);
const SAID = [
  'Please call me back about the estimate.',
  'It is about tomorrow, we come an hour later.',
  'Is the part there yet? You have my number.',
  'Nothing urgent, only a question about the bill.',
  'We would like to book, call me after four.',
];
const NOTES = ['Sends a drawing by mail.', 'Wants to hear by Friday.', 'Asked for the price of a refit.'];

/** Chance that is the same each time: mulberry32, public domain (from memory). @param seed a 32-bit integer */
function chance(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
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
  const numbers = Object.values(system.numbers).filter((n) => n.planId);
  if (!numbers.length) return { calls: [], messages: [] };
  const contacts = Object.values(system.contacts).flatMap((c) => c.numbers.slice(0, 1));
  const phones = Object.values(system.phones).filter((p) => p.personId && !isLinked(p));
  const people = [...new Set(phones.map((p) => p.personId!))];
  const today = localTime(zone, until).date;
  const requests: CallRequest[] = [];
  const hours = Object.entries(BY_HOUR).map(([hour, weight]) => [Number(hour), weight] as const);
  const all = hours.reduce((sum, [, weight]) => sum + weight, 0);
  for (let back = days; back >= 0; back--) {
    const date = addDays(today, -back);
    const number = dayNumber(date);
    const drawn = chance(number * 2_654_435_761);
    const pick = <T>(from: readonly T[]): T => from[Math.floor(drawn() * from.length)]!;
    const weekday = localTime(zone, momentOf(zone, date, 720)).day;
    const count = Math.round(BY_WEEKDAY[weekday - 1]! * (0.8 + 0.4 * drawn()));
    for (let i = 0; i < count; i++) {
      let rest = drawn() * all;
      const hour = (hours.find(([, weight]) => (rest -= weight) <= 0) ?? hours[0]!)[0];
      const at = momentOf(zone, date, hour * 60 + drawn() * 60);
      // The first number is the one most people know.
      const line = drawn() < 0.55 ? numbers[0]! : pick(numbers);
      const who = drawn();
      const caller = who < 0.3 && contacts.length ? pick(contacts) : who < 0.9 ? pick(REGULARS) : null;
      const answers = drawn() < 0.82;
      const act = { does: 'answers' as const, after: 2 + drawn() * 12 };
      const patience = drawn();
      requests.push({
        id: `${PAST}${number}-${i}`,
        at: Math.round(at),
        from: { kind: 'outside', number: caller === NEW_CALLER ? null : caller },
        to: { kind: 'number', e164: line.e164 },
        behaviour: {
          people: answers
            ? Object.fromEntries(people.filter(() => drawn() < 0.5).map((id) => [id, act]))
            : {},
          phones: {},
          otherwise: { does: 'nothing' },
          caller: {
            hangsUpAfter: patience < 0.35 ? 12 + drawn() * 40 : null,
            talks: Math.round(20 + -Math.log(1 - drawn()) * 130),
            message: patience < 0.7 ? 0 : Math.round(5 + drawn() * 30),
            keys: drawn() < 0.7 ? [{ after: 2, press: String(1 + Math.floor(drawn() * 3)) }] : [],
          },
        },
        seed: Math.floor(drawn() * 1e6),
      });
      // Whoever was missed is often called a little later.
      if (!answers && caller && drawn() < 0.7 && phones.length) {
        requests.push({
          id: `${PAST}${number}-${i}-back`,
          at: Math.round(at + (8 + drawn() * 70) * 60_000),
          from: { kind: 'phone', phoneId: pick(phones).id },
          to: { kind: 'digits', digits: caller },
          behaviour: {
            people: {},
            phones: { [`outside:${caller}`]: { does: 'answers', after: 4 + drawn() * 10 } },
            otherwise: { does: 'nothing' },
            caller: { hangsUpAfter: 40, talks: Math.round(30 + drawn() * 200), message: 0 },
          },
        });
      }
    }
  }
  const before = requests.filter((r) => r.at < until - 3_600_000).sort((a, b) => a.at - b.at);
  const asked = new Map(before.map((r) => [r.id, r]));
  const past: Past = { calls: [], messages: [] };
  let done = 0;
  simulateEach(system, asPaired(standing), before, (id, trace) => {
    const request = asked.get(id);
    if (!request) return;
    const drawn = chance(request.at);
    const talked = trace.some((e) => e.kind === 'answered');
    past.calls.push({
      id,
      businessId,
      at: request.at,
      // A real call has nobody's behaviour in it.
      request: { ...request, behaviour: null },
      trace,
      words: sentence(trace, system, 'past'),
      ...(talked && drawn() < 0.12 ? { note: NOTES[Math.floor(drawn() * NOTES.length)]! } : {}),
    });
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
        said: SAID[Math.floor(drawn() * SAID.length)]!,
        sound: null,
        heard: request.at < until - 2 * 86_400_000,
      });
    told(++done, before.length);
  });
  past.calls.sort((a, b) => a.at - b.at);
  return past;
}
