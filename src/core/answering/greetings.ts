/** Which greeting of a mailbox plays, and when, in words. */
import { dateInWords } from '../hours';
import type { Greeting, GreetingWhen, Mailbox, Occasion, System } from '../system';

/** What is known when a call comes to a mailbox. */
export interface Moment {
  /** The day by the clock of the business, ISO. */
  date: string;
  occasion: Occasion;
  /** Kind of period the hours asked last were in; null is none, undefined where none were asked. */
  period?: string | null | undefined;
  /** Lists the caller is on. */
  listIds: readonly string[];
  /** Everybody who hears the mailbox is away. */
  away: boolean;
}

/** Of several greetings that fit, one of the first kind here plays: what was set for some days goes before what is always so. */
const GREETING_ORDER: readonly GreetingWhen['on'][] = ['dates', 'list', 'away', 'period', 'occasion'];

function fits(when: GreetingWhen, moment: Moment): boolean {
  switch (when.on) {
    case 'dates':
      return when.from <= moment.date && moment.date <= when.to;
    case 'list':
      return moment.listIds.includes(when.listId);
    case 'away':
      return moment.away;
    case 'period':
      return moment.period === when.period;
    case 'occasion':
      return moment.occasion === when.occasion;
  }
}

/** The greeting that plays; undefined is the usual one. One without a recording does not count. */
export const greetingAt = (mailbox: Mailbox, moment: Moment): Greeting | undefined =>
  [...(mailbox.greetings ?? [])]
    .sort((a, b) => GREETING_ORDER.indexOf(a.when.on) - GREETING_ORDER.indexOf(b.when.on))
    .find((g) => g.recordingId !== null && fits(g.when, moment));

/** "when all are on calls", "from Thu 24 Dec 2026 to Sat 26 Dec 2026". */
export function greetingWhenInWords(when: GreetingWhen, system: System): string {
  switch (when.on) {
    case 'dates':
      return when.from === when.to
        ? `on ${dateInWords(when.from)}`
        : `from ${dateInWords(when.from)} to ${dateInWords(when.to)}`;
    case 'list':
      return `for callers on the list ${system.lists[when.listId]?.name ?? 'since removed'}`;
    case 'away':
      return 'while everybody who hears it is away';
    case 'period':
      return `during ${when.period}`;
    case 'occasion':
      return OCCASION_WORDS[when.occasion];
  }
}

/** Why a call comes to a mailbox, in words. */
export const OCCASION_WORDS: Readonly<Record<Occasion, string>> = {
  'not answered': 'when nobody answered',
  busy: 'when all are on calls',
  closed: 'when closed',
  holiday: 'on a holiday',
};
