/** What follow-ups are set off by, and whether one is. */
import { momentOf, localTime, addDays, periodAt } from '../hours';
import { partiesOf, type Row } from '../story';
import type { FollowedEnd, FollowIf, FollowUp, System } from '../system';
import { wishOf } from '../texting';

/** Something that was dealt with, or that came about without a call. */
export type Happening =
  | { is: 'dealt with'; row: Row }
  | { is: 'tagged'; row: Row; tag: string; at: number }
  | { is: 'number moved'; numberId: string; at: number }
  /** Somebody has paired no phone so many days after they were invited. */
  | { is: 'not paired'; personId: string; days: number; at: number };

/** What it is told apart by: the same happening never sets anything off twice. */
export function keyOf(happening: Happening): string {
  switch (happening.is) {
    case 'dealt with':
      return `${happening.row.kind} ${happening.row.id}`;
    case 'tagged':
      return `${happening.row.kind} ${happening.row.id} tagged ${happening.tag}`;
    case 'number moved':
    case 'not paired':
      return `${happening.is} ${happening.is === 'not paired' ? happening.personId : happening.numberId} ${happening.at}`;
  }
}

/** When it was over, epoch milliseconds: a call with its last event. */
export const overAt = (happening: Happening): number =>
  happening.is === 'dealt with' ? happening.row.at + (happening.row.facts.course?.ended ?? 0) : happening.at;

export const rowOf = (happening: Happening): Row | null =>
  happening.is === 'dealt with' || happening.is === 'tagged' ? happening.row : null;

/** What it is held against. */
export interface Sight {
  /** As it is in force, or as it would be. */
  system: System;
  /** Words that stand on a call. */
  tagsOf: (row: Row) => readonly string[];
}

/** Whether a follow-up is about a happening, and then whether all its conditions hold. */
export type Judged =
  | { is: 'another matter' }
  /** The condition that does not hold, by its place. */
  | { is: 'not so'; condition: number }
  | { is: 'applies' };

/** Whether it is what a follow-up waits for. */
function isMeant({ when }: FollowUp, happening: Happening, { system }: Sight): boolean {
  if (happening.is !== 'dealt with')
    return (
      when.is === happening.is &&
      (when.is !== 'tagged' || (happening.is === 'tagged' && when.tag === happening.tag)) &&
      (when.is !== 'not paired' || (happening.is === 'not paired' && when.days === happening.days))
    );
  const { row } = happening;
  const { facts } = row;
  // Colleagues among themselves, our own numbers and calls nobody wants set nothing off.
  if (facts.way === 'inside' || facts.unwanted || isOurs(facts.other, system)) return false;
  const isCall = row.kind === 'call';
  switch (when.is) {
    case 'talked':
      return isCall && facts.talked && (when.way === 'either' || when.way === facts.way);
    case 'missed':
      return isCall && facts.missed;
    case 'waited':
      return isCall && (facts.times?.waited ?? 0) > when.seconds;
    case 'message':
      return row.left && facts.way === 'in';
    case 'recorded':
      return isCall && row.recorded;
    case 'asked':
      return (
        isCall &&
        (facts.course?.noted ?? []).some(
          ([label, text]) => text !== '' && (!when.label || label.toLowerCase() === when.label.toLowerCase()),
        )
      );
    case 'text':
      // A stop, or a question who writes, is answered for itself and is no word to anybody.
      return (
        row.kind === 'text' &&
        facts.way === 'in' &&
        wishOf(facts.text) === null &&
        (!when.words.length || when.words.some((word) => hasWord(facts.text, word)))
      );
    case 'tagged':
    case 'number moved':
    case 'not paired':
      return false;
  }
}

/** Whether a text has a word, or words in a row, as they are written. @param text in lower case */
export function hasWord(text: string, word: string): boolean {
  const plain = (s: string) =>
    ` ${s
      .toLowerCase()
      .normalize('NFC')
      .replace(/[^\p{L}\p{N}]+/gu, ' ')
      .trim()} `;
  return plain(word).trim() !== '' && plain(text).includes(plain(word));
}

export const isOurs = (number: string | null, system: System): boolean =>
  number !== null && Object.values(system.numbers).some((n) => n.e164 === number);

/** How a call ended, as conditions tell it. */
export function endOf({ facts, left }: Row): FollowedEnd {
  if (facts.talked) return 'answered';
  if (left) return 'message';
  if (facts.course?.gaveUp != null) return 'gave up';
  return facts.course?.closed ? 'closed' : 'otherwise';
}

function holds(condition: FollowIf, row: Row | null, { system, tagsOf }: Sight): boolean {
  // Of what is about no call nothing can hold that is about one.
  if (!row) return false;
  const { facts } = row;
  const { contact, line } = partiesOf(row, system);
  switch (condition.is) {
    case 'number':
      return line !== undefined && condition.numberIds.includes(line.id);
    case 'step':
      return (facts.course?.steps ?? []).some(([, step]) => step === condition.step);
    case 'hours': {
      const hours = condition.hoursId && system.hours[condition.hoursId];
      if (!hours) return false;
      return (periodAt(hours, system.business.timeZone, row.at) !== null) === condition.open;
    }
    case 'contact':
      return (contact !== undefined) === condition.known;
    case 'listed':
      return condition.listId !== null && (contact?.listIds.includes(condition.listId) ?? false);
    case 'length': {
      const seconds = facts.times?.talked ?? 0;
      return condition.longer ? seconds > condition.seconds : seconds <= condition.seconds;
    }
    case 'end':
      return endOf(row) === condition.how;
    case 'tagged':
      return tagsOf(row).includes(condition.tag) === condition.has;
  }
}

/** Conditions about the call are judged when it is over, and never again. */
export function judge(followUp: FollowUp, happening: Happening, sight: Sight): Judged {
  if (followUp.rests || !isMeant(followUp, happening, sight)) return { is: 'another matter' };
  const row = rowOf(happening);
  const condition = followUp.if.findIndex((one) => !holds(one, row, sight));
  return condition < 0 ? { is: 'applies' } : { is: 'not so', condition };
}

/** When what follows is to be done. @param over when the happening was, epoch milliseconds @returns epoch milliseconds */
export function dueAt({ after }: FollowUp, over: number, zone: string): number {
  switch (after.is) {
    case 'minutes':
      return over + after.minutes * 60_000;
    case 'next day':
      return momentOf(zone, addDays(localTime(zone, over).date, 1), after.at);
  }
}
