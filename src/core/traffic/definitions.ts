/** What each figure of reports is, in words that stand beside it. One that is missing here does not compile. */
import type { Rules } from './judged';

export const MEASURES = [
  'offered',
  'answered',
  'missed',
  'missed share',
  'gave up',
  'gave up at once',
  'left before',
  'to voicemail',
  'ended by the plan',
  'closed',
  'unwanted',
  'answered in time',
  'usual answer',
  'slow answer',
  'since arrival',
  'longest wait',
  'talk time',
  'usual talk',
  'called back',
  'not called back',
  'time to call back',
  'outgoing',
  'outgoing talk',
  'let ring',
  'busy',
  'settled at once',
  'minutes paid',
  'cost',
] as const;
export type Measure = (typeof MEASURES)[number];

export type Unit = 'calls' | 'share' | 'seconds' | 'minutes' | 'hours' | 'cents' | 'a week';

interface Definition {
  unit: Unit;
  words: (rules: Rules) => string;
}
const OF: Record<Rules['of'], string> = {
  'offered but at once': 'calls offered, without those who gave up at once',
  offered: 'all calls offered',
  'answered or gave up': 'calls answered and those who gave up',
};

const calls = (words: string): Definition => ({ unit: 'calls', words: () => words });
export const DEFINITIONS: Record<Measure, Definition> = {
  offered: calls('Calls from outside that were not told it is closed, and were not turned away.'),
  answered: calls('Somebody talked with the caller, here or on a number the plan led to.'),
  missed: calls('Offered less answered: whoever hung up, was led to voicemail or to the end of the plan.'),
  'missed share': { unit: 'share', words: () => 'Missed of offered. Under 10 offered it is not reckoned.' },
  'gave up': {
    unit: 'calls',
    words: ({ atOnce }) =>
      `Hung up after ${atOnce} s or more of ringing or waiting, before anybody answered.`,
  },
  'gave up at once': {
    unit: 'calls',
    words: ({ atOnce }) =>
      `Hung up within less than ${atOnce} s of ringing or waiting: often a wrong number.`,
  },
  'left before': calls('Hung up while they heard the welcome or a menu, before anything rang.'),
  'to voicemail': calls('Came to a mailbox, whether they left a message or not.'),
  'ended by the plan': calls('The plan ended the call, or nobody answered at its end.'),
  closed: calls('The hours they came by were closed, and nothing rang. They are not offered.'),
  unwanted: calls('From numbers that are blocked or that the network suspects. They are not offered.'),
  'answered in time': {
    unit: 'share',
    words: ({ within, of }) =>
      `Answered within ${within} s of the first ringing or queueing, ${within} s itself included, of ${OF[of]}.`,
  },
  'usual answer': {
    unit: 'seconds',
    words: () => 'Half were answered sooner: from the first step that rings or queues to the answer.',
  },
  'slow answer': { unit: 'seconds', words: () => '9 of 10 were answered sooner.' },
  'since arrival': {
    unit: 'seconds',
    words: () => 'Half were answered sooner, with the welcome and the menu they heard before.',
  },
  'longest wait': { unit: 'seconds', words: () => 'Of those who were answered.' },
  'talk time': { unit: 'hours', words: () => 'With callers, hold included, each person for themselves.' },
  'usual talk': { unit: 'seconds', words: () => 'Half of the talks were shorter.' },
  'called back': {
    unit: 'share',
    words: () =>
      'Of missed calls whose number is known: somebody reached them since, or they called again and were answered, or somebody said it is done. A try is no talk.',
  },
  'not called back': calls('Missed, the number is known, and nobody has talked with them since.'),
  'time to call back': { unit: 'minutes', words: () => 'Half of those called back were reached sooner.' },
  outgoing: calls('Calls to numbers outside that were answered there.'),
  'outgoing talk': { unit: 'hours', words: () => 'From the answer on.' },
  'let ring': calls('Their phone rang to the end, or they declined, and somebody else or nobody answered.'),
  busy: {
    unit: 'share',
    words: () =>
      'Talk, hold and outgoing talk over their working hours (without hours of their own those most plans ask), less days away. Overlaps count once. As hours and absences stand now.',
  },
  'settled at once': {
    unit: 'share',
    words: () =>
      'Callers who were answered and did not call again within 7 days. Calls of the last 7 days and hidden numbers are left out.',
  },
  'minutes paid': { unit: 'minutes', words: () => 'Calls out, each minute that has begun.' },
  cost: { unit: 'cents', words: () => 'Of calls out, by the price list of the carrier.' },
};
