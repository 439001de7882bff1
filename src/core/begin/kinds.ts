/**
 * Kinds of business to begin as: three to six questions in plain words, and what is made of the answers. What is made is made
 * of ordinary parts, as one edit, and is changed afterwards like anything else.
 */
import type { Maker } from '../answering';
import { EXAMPLE_SPANS, writeSpans, type Span } from '../hours';
import { newHours, newRota, type Step } from '../system';
import type { Question } from './answers';

/** What the steps of a plan are made of: people by id, in the order they were named. */
export interface Made {
  people: Record<string, string[]>;
  times: Record<string, Span[]>;
  words: Record<string, string>;
  businessName: string;
  /** ISO date. */
  today: string;
}
export interface Kind {
  id: string;
  name: string;
  says: string;
  questions: readonly Question[];
  /** Questions that name sites, with the question that names their people. */
  sites?: Readonly<Record<string, string>>;
  steps: (made: Made, m: Maker) => Step[];
}

/** Rounds of ringing: about three rings each. Common practice, no source. */
const FIRST_SECONDS = 18;
const SECOND_SECONDS = 15;
const WORKDAYS = [1, 2, 3, 4, 5];

const WORKDAY: Span = { from: 480, to: 1020 };
const SATURDAY: Span = { from: 540, to: 780 };

const WHEN: Question = {
  id: 'times',
  kind: 'times',
  ask: 'When are you open, Monday to Friday?',
  get help() {
    return `Such as ${writeSpans([WORKDAY])}, or ${writeSpans(EXAMPLE_SPANS)} with a break. Each day can differ afterwards.`;
  },
  get usual() {
    return writeSpans([WORKDAY]);
  },
};

const weekly = (days: readonly number[], spans: readonly Span[], kind: string) =>
  days.flatMap((day) => spans.map(({ from, to }) => ({ day, from, to, kind })));

/** Hours of its own for what was typed. */
function hoursStep(
  m: Maker,
  name: string,
  periods: readonly { kind: string; days: readonly number[]; spans: readonly Span[]; steps: Step[] }[],
  otherwise: Step[],
): Step {
  const hoursId = m.id('hours');
  m.commands.push({
    do: 'hours.add',
    value: newHours({ id: hoursId, name, weekly: periods.flatMap((p) => weekly(p.days, p.spans, p.kind)) }),
  });
  const branches = periods.filter((p) => p.spans.length).map(({ kind, steps }) => ({ period: kind, steps }));
  return { id: m.id(), kind: 'hours', hoursId, branches, otherwise };
}
const closed = (m: Maker, name: string): Step =>
  m.play(
    'Closed',
    `Thank you for calling ${name}. We are closed now. Please leave a message after the tone.`,
  );
const rings = (m: Maker, people: readonly string[], seconds = FIRST_SECONDS): Step[] =>
  people.length ? [m.ring(people, seconds)] : [];
/** A rota of those named, the first from today on. */
function onDuty(m: Maker, made: Made, people: readonly string[], name: string): Step {
  const rotaId = m.id('rota');
  const days = made.words.turn === 'day' ? 1 : 7;
  m.commands.push({
    do: 'rota.add',
    value: newRota({ id: rotaId, name, from: made.today, turns: [...people], days }),
  });
  return {
    ...(m.ring([], 24) as Extract<Step, { kind: 'ring' }>),
    targets: [{ kind: 'rota', id: rotaId }],
  };
}

export const KINDS: readonly Kind[] = [
  {
    id: 'alone',
    name: 'One person',
    says: 'You answer yourself. Whoever you miss leaves a message.',
    questions: [
      { id: 'who', kind: 'people', ask: 'Who answers?', help: 'Your name.', least: 1, most: 1 },
      WHEN,
      {
        id: 'outside',
        kind: 'choice',
        ask: 'And at all other times?',
        help: '',
        choices: [
          ['message', 'Callers leave a message, and I am not rung'],
          ['ring', 'Ring me all the same'],
        ],
      },
    ],
    steps: ({ people, times, words, businessName }, m) => {
      const who = people.who!;
      const ring = rings(m, who);
      const answer =
        words.outside === 'ring'
          ? ring
          : [
              hoursStep(
                m,
                'Opening hours',
                [{ kind: 'Open', days: WORKDAYS, spans: times.times!, steps: ring }],
                [closed(m, businessName)],
              ),
            ];
      return [...answer, m.voicemail(who)];
    },
  },
  {
    id: 'desk',
    name: 'Office with a desk',
    says: 'Somebody at a desk answers first; others help when the desk does not.',
    questions: [
      {
        id: 'desk',
        kind: 'people',
        ask: 'Who sits at the desk?',
        help: 'Names, separated by commas. Who is not there yet is added, with an extension and a mailbox.',
        least: 1,
        most: 10,
        first: (people) => people.slice(0, 1),
      },
      {
        id: 'helpers',
        kind: 'people',
        ask: 'Who helps when the desk does not answer?',
        help: 'Nobody, where it stays empty.',
        least: 0,
        most: 20,
        first: (people) => people.slice(1),
      },
      WHEN,
      {
        id: 'greeting',
        kind: 'choice',
        ask: 'Do callers hear a greeting before it rings?',
        help: '',
        choices: [
          ['no', 'No, it rings at once'],
          ['yes', 'Yes, a short one with our name'],
        ],
      },
    ],
    steps: ({ people, times, words, businessName }, m) => {
      const open = [
        ...(words.greeting === 'yes'
          ? [m.play('Welcome', `Thank you for calling ${businessName}. One moment, please.`)]
          : []),
        ...rings(m, people.desk!),
        ...rings(
          m,
          people.helpers!.filter((id) => !people.desk!.includes(id)),
          SECOND_SECONDS,
        ),
      ];
      return [
        hoursStep(
          m,
          'Office hours',
          [{ kind: 'Open', days: WORKDAYS, spans: times.times!, steps: open }],
          [closed(m, businessName)],
        ),
        m.voicemail(people.desk!),
      ];
    },
  },
  {
    id: 'shop',
    name: 'Shop with a Saturday',
    says: 'Everybody on weekdays, a smaller crew on Saturdays, and a message when you are closed.',
    questions: [
      {
        id: 'weekdays',
        kind: 'people',
        ask: 'Who answers on weekdays?',
        help: 'Names, separated by commas. Who is not there yet is added.',
        least: 1,
        most: 20,
      },
      WHEN,
      {
        id: 'saturdays',
        kind: 'people',
        ask: 'Who answers on Saturdays?',
        help: 'The same as on weekdays, where it stays empty.',
        least: 0,
        most: 20,
        first: () => [],
      },
      {
        id: 'saturday',
        kind: 'times',
        ask: 'When are you open on Saturdays?',
        get help() {
          return `Such as ${writeSpans([SATURDAY])}.`;
        },
        get usual() {
          return writeSpans([SATURDAY]);
        },
      },
    ],
    steps: ({ people, times, businessName }, m) => {
      const crew = people.saturdays!.length ? people.saturdays! : people.weekdays!;
      return [
        hoursStep(
          m,
          'Shop hours',
          [
            { kind: 'Open', days: WORKDAYS, spans: times.times!, steps: rings(m, people.weekdays!) },
            { kind: 'Saturday', days: [6], spans: times.saturday!, steps: rings(m, crew) },
          ],
          [closed(m, businessName)],
        ),
        m.voicemail(people.weekdays!),
      ];
    },
  },
  {
    id: 'trades',
    name: 'Trades with somebody on call',
    says: 'The office by day; at night and at weekends whoever is on call, for what cannot wait.',
    questions: [
      {
        id: 'office',
        kind: 'people',
        ask: 'Who answers by day?',
        help: 'Names, separated by commas. Who is not there yet is added.',
        least: 1,
        most: 20,
        first: (people) => people.slice(0, 1),
      },
      WHEN,
      {
        id: 'duty',
        kind: 'people',
        ask: 'Who takes turns at being on call?',
        help: 'In the order of their turns; the first begins today.',
        least: 1,
        most: 20,
      },
      {
        id: 'turn',
        kind: 'choice',
        ask: 'How long is a turn?',
        help: '',
        choices: [
          ['week', 'A week'],
          ['day', 'A day'],
        ],
      },
      {
        id: 'urgent',
        kind: 'choice',
        ask: 'Outside these times, who reaches whoever is on call?',
        help: '',
        choices: [
          ['press', 'Callers who press 1 because it cannot wait; others leave a message'],
          ['all', 'Every caller'],
        ],
      },
    ],
    steps: (made, m) => {
      const { people, times, words, businessName } = made;
      const others = people.duty!.length > 1 ? [m.ring(people.duty!, SECOND_SECONDS)] : [];
      const call: Step[] = [onDuty(m, made, people.duty!, 'On call'), ...others];
      const night: Step[] =
        words.urgent === 'all'
          ? call
          : [
              {
                id: m.id(),
                kind: 'menu',
                recordingId: m.recording(
                  'At night',
                  `Thank you for calling ${businessName}. The office is closed. If it cannot wait, press 1. Otherwise please leave a message after the tone.`,
                ),
                seconds: 6,
                tries: 1,
                dialExtension: false,
                nameKey: null,
                branches: [{ key: '1', steps: call }],
                otherwise: [],
              },
            ];
      return [
        hoursStep(
          m,
          'Office hours',
          [{ kind: 'Open', days: WORKDAYS, spans: times.times!, steps: rings(m, people.office!) }],
          night,
        ),
        m.voicemail(people.office!),
      ];
    },
  },
  {
    id: 'two-sites',
    name: 'Two sites with a menu',
    says: 'Callers choose a site by key; where nobody there answers, the other site is rung.',
    questions: [
      {
        id: 'a',
        kind: 'words',
        ask: 'What is the first site called?',
        help: 'As callers know it.',
        usual: 'Office',
      },
      {
        id: 'atA',
        kind: 'people',
        ask: 'Who answers there?',
        help: 'Names, separated by commas. Who is not there yet is added.',
        least: 1,
        most: 20,
        first: (people) => people.slice(0, Math.ceil(people.length / 2)),
      },
      { id: 'b', kind: 'words', ask: 'And the second?', help: 'As callers know it.', usual: 'Shop' },
      {
        id: 'atB',
        kind: 'people',
        ask: 'Who answers there?',
        help: 'Names, separated by commas.',
        least: 1,
        most: 20,
        first: (people) => people.slice(Math.ceil(people.length / 2)),
      },
      WHEN,
    ],
    sites: { a: 'atA', b: 'atB' },
    steps: ({ people, times, words, businessName }, m) => {
      const [a, b] = [people.atA!, people.atB!];
      const to = (first: readonly string[], then: readonly string[]): Step[] => [
        ...rings(m, first),
        ...rings(m, then, SECOND_SECONDS),
      ];
      const menu: Step = {
        id: m.id(),
        kind: 'menu',
        recordingId: m.recording(
          'Menu',
          `Thank you for calling ${businessName}. For ${words.a!} press 1. For ${words.b!} press 2.`,
        ),
        seconds: 6,
        tries: 2,
        dialExtension: true,
        nameKey: null,
        branches: [
          { key: '1', steps: to(a, b) },
          { key: '2', steps: to(b, a) },
        ],
        otherwise: to(a, b),
      };
      return [
        hoursStep(
          m,
          'Opening hours',
          [{ kind: 'Open', days: WORKDAYS, spans: times.times!, steps: [menu] }],
          [closed(m, businessName)],
        ),
        m.voicemail(a),
      ];
    },
  },
];
