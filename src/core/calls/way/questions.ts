/** How each kind of question is put, and what an answer to it comes to. */
import { answerFor, readAnswer, type AnsweredBy } from '../../asking';
import { freeTimes, isFree, type Asked as AskedOfCalendar } from '../../booking';
import { addDays, localTime, momentInFull, momentOf, readDate, writingOf } from '../../hours';
import type { Question } from '../../system';
import type { CallState, Run } from '../base/state';

/** What becomes of a question. */
export type Answered =
  /** It is kept; what is told goes on after it. `free` are the times that a booking takes. */
  | {
      is: 'kept';
      text: string;
      value?: number;
      told?: string;
      /** None of the own answers fits. */
      unknown?: true;
      books?: { from: number; to: number };
    }
  /** It was answered from the own answers: the caller may ask more. */
  | { is: 'more'; text: string; told: string; value: number; next: string }
  /** It was not understood, or there is something else to choose from: it is put again, in these words. */
  | { is: 'again'; says: string; offers?: number[]; alike?: string; meant?: string };

interface Put {
  run: Run;
  call: CallState;
  question: Question;
  /** How often it has been put, from 1. */
  time: number;
  /** Times that were offered, epoch milliseconds. */
  offers: readonly number[];
  /** The own answer of which it was asked back whether it is meant. */
  meant?: string | undefined;
}
interface Kind {
  /** What is said; with times to choose from, where there are any. */
  put: (p: Put) => { says: string; offers?: number[]; alike?: string };
  /** One key is an answer, without the square key behind it. */
  oneKey: boolean;
  /** Keys answer it at all. */
  keys: boolean;
  /** It may be put more than once: a rehearsed caller answers in parts, apart by a stroke. */
  often: boolean;
  answered: (p: Put, said: string) => Answered;
}

/** So often a question that was not understood is put in all; so often somebody may ask, or choose among times. Common practice. */
const MOST_PUT = 2;
const MOST_ASKED = 6;
const MOST_OFFERED = 4;
/** So many times are offered at once. */
const OFFERED = 3;

const plain = ({ question }: Put) => ({ says: question.says });
const asIs = (_: Put, text: string): Answered => ({ is: 'kept', text });

function scale(by: Exclude<AnsweredBy, 'words'>, how: string, read: (said: string) => string): Kind {
  return {
    put: ({ question, time }) => ({ says: time > 1 ? how : `${question.says} ${how}` }),
    oneKey: true,
    keys: true,
    often: true,
    answered: ({ question, time }, said) => {
      const found = readAnswer({ label: question.label, by }, read(said));
      if (found?.value != null) return { is: 'kept', text: said.trim(), value: found.value };
      return time < MOST_PUT ? { is: 'again', says: how } : { is: 'kept', text: said.trim() };
    },
  };
}

const NOT_KNOWN = { told: 'That I do not know.', unknown: true } as const;

const NOTHING_MORE =
  /^\s*(no|nope|nothing|that(?:'s| is) (?:all|it)|no,? thanks?.*|thanks?(?: you)?|bye)\W*$/i;

const KINDS: Record<Question['by'], Kind> = {
  voice: { put: plain, oneKey: false, keys: false, often: false, answered: asIs },
  keys: { put: plain, oneKey: false, keys: true, often: false, answered: asIs },
  '1 to 5': scale('1 to 5', 'Press or say a number from 1 to 5.', (said) => said),
  'yes or no': scale('yes or no', 'Say yes or no, or press 1 for yes and 2 for no.', (said) =>
    said.trim() === '1' ? 'yes' : said.trim() === '2' ? 'no' : said,
  ),
  'own answers': {
    put: plain,
    oneKey: false,
    keys: false,
    often: true,
    answered: ({ run, call, time, meant }, said) => {
      const text = said.trim();
      if (time > 1 && meant === undefined && (!text || NOTHING_MORE.test(text)))
        return { is: 'kept', text: '', value: 1 };
      if (!text) return { is: 'kept', text: '', value: 0, ...(meant === undefined ? {} : NOT_KNOWN) };
      const { ownAnswers } = run.world(call).system;
      const asked = meant === undefined ? undefined : ownAnswers[meant];
      const yes = asked && readAnswer({ label: '', by: 'yes or no' }, text)?.value === 1;
      const found = yes ? { answer: asked, sure: true } : answerFor(ownAnswers, text);
      // What was not meant is not offered again.
      if (!found || (asked && !yes && found.answer.id === asked.id))
        return { is: 'kept', text, value: 0, ...NOT_KNOWN };
      if (!found.sure && time < MOST_ASKED)
        return { is: 'again', says: `Do you mean: ${found.answer.name}`, meant: found.answer.id };
      const says = found.answer.says;
      if (time >= MOST_ASKED) return { is: 'kept', text, value: 1, told: says };
      return {
        is: 'more',
        text: asked ? asked.name : text,
        value: 1,
        told: says,
        next: 'Is there anything else?',
      };
    },
  },
  'free times': {
    put: (p) => {
      const offers = freeFor(p, null);
      return offers.length
        ? { says: offered(p, p.question.says, offers), offers, alike: p.question.says }
        : { says: NONE_FREE };
    },
    oneKey: true,
    keys: true,
    often: true,
    answered: chosen,
  },
};
export const kindOf = ({ by }: Question): Kind => KINDS[by];

const NONE_FREE = 'There is no free time left that could be offered.';

/** What a calendar is asked of: what is kept of it, and what calls that go on have just taken. */
function calendarFor({ run, call, question }: Put): AskedOfCalendar | null {
  const { system } = run.world(call);
  const calendar = question.calendarId ? system.calendars[question.calendarId] : undefined;
  const hours = calendar?.hoursId ? system.hours[calendar.hoursId] : undefined;
  if (!calendar || !hours) return null;
  const kept = run.taken(calendar.id);
  const known = new Set(kept.map((t) => t.id));
  const taken = [
    ...kept.filter((t) => !t.off),
    ...(run.memory.booked ?? []).filter((b) => b.calendarId === calendar.id && !known.has(b.id)),
  ];
  return { calendar, hours, zone: system.business.timeZone, taken, now: run.now };
}

function freeFor(p: Put, day: string | null): number[] {
  const asked = calendarFor(p);
  if (!asked) return [];
  const { zone } = asked;
  return day
    ? freeTimes(asked, momentOf(zone, day, 0), momentOf(zone, addDays(day, 1), 0), OFFERED)
    : freeTimes(asked, p.run.now, Infinity, OFFERED);
}

const inWords = ({ run, call }: Put, at: number): string => {
  const { business } = run.world(call).system;
  return momentInFull(at, business.timeZone, writingOf(business));
};

/** "Which time suits you? For Tuesday 24 November, 10:00 press 1. …" */
const offered = (p: Put, before: string, offers: readonly number[]): string =>
  `${before} ${offers.map((at, i) => `For ${inWords(p, at)} press ${i + 1}.`).join(' ')} Or say another day.`;

const NUMBERS = ['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine'];
const ORDINALS = ['first', 'second', 'third'];
const NONE = /\b(none|neither|not? (?:one|any)|no)\b/i;

/** Which of the times is meant: by its number, as the first, or by its hour where that is one only. */
function choiceOf(p: Put, said: string): number | undefined {
  const words: string[] = said.toLowerCase().match(/[\p{L}\p{N}:]+/gu) ?? [];
  const [, digit] = /^\s*#?([1-9])\s*#?\W*$/.exec(said) ?? [];
  if (digit) return p.offers[Number(digit) - 1];
  if (words.length <= 4)
    for (const [i, at] of p.offers.entries())
      if (words.includes(ORDINALS[i]!) || (words.length <= 2 && words.includes(NUMBERS[i]!))) return at;
  const { business } = p.run.world(p.call).system;
  const hours = p.offers.filter((at) => {
    const { minute } = localTime(business.timeZone, at);
    const [h, m] = [Math.floor(minute / 60), minute % 60];
    const on12 = h % 12 || 12;
    return words.some((w) =>
      m === 0
        ? w === `${h}:00` ||
          w === `${on12}:00` ||
          (/\bat\b/i.test(said) && (w === `${on12}` || w === NUMBERS[on12 - 1]))
        : w === `${h}:${m}` || w === `${on12}:${m}`,
    );
  });
  return hours.length === 1 ? hours[0] : undefined;
}

/** "Thursday", "next Thursday please" as a day from tomorrow on. */
function weekdayIn(said: string, today: string): string | undefined {
  const words: string[] = said.toLowerCase().match(/\p{L}+/gu) ?? [];
  for (let n = 1; n <= 7; n++) {
    const day = addDays(today, n);
    const name = new Date(`${day}T12:00:00Z`).toLocaleDateString('en', { weekday: 'long', timeZone: 'UTC' });
    if (words.includes(name.toLowerCase())) return day;
  }
  return undefined;
}

/** Offered is not held: what has gone meanwhile is said, and other times are offered. */
function chosen(p: Put, said: string): Answered {
  const asked = calendarFor(p);
  if (!asked || !p.offers.length) return { is: 'kept', text: '', value: 0 };
  const at = choiceOf(p, said);
  const again = (before: string, offers: number[]): Answered =>
    p.time >= MOST_OFFERED
      ? { is: 'kept', text: '', value: 0, told: 'One of us sees to it.' }
      : { is: 'again', says: offered(p, before, offers), offers, alike: before };
  if (at !== undefined) {
    if (isFree(asked, at))
      return {
        is: 'kept',
        text: inWords(p, at),
        value: 1,
        told: `Booked: ${inWords(p, at)}.`,
        books: { from: at, to: at + asked.calendar.minutes * 60_000 },
      };
    const others = freeFor(p, null);
    return others.length
      ? again('That time has just gone.', others)
      : { is: 'kept', text: '', value: 0, told: NONE_FREE };
  }
  const { date } = localTime(asked.zone, p.run.now);
  const day = readDate(said, date) ?? weekdayIn(said, date);
  if (day) {
    const times = freeFor(p, day);
    if (times.length) return again('On that day:', times);
    const others = freeFor(p, null);
    return others.length
      ? again('Nothing is free then.', others)
      : { is: 'kept', text: '', value: 0, told: NONE_FREE };
  }
  if (NONE.test(said) || (!said.trim() && p.time >= MOST_PUT))
    return { is: 'kept', text: said.trim(), value: 0, told: 'One of us sees to it.' };
  return again('Which of them?', [...p.offers]);
}
