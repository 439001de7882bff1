/** Dialogues by text: what is read, what is said, who goes on, and what is counted. */
import fc from 'fast-check';
import jStat from 'jstat';
import { describe, expect, it } from 'vitest';
import { demoSystem } from '../../../demo/lantern-cove';
import { readAnswer } from '../asking';
import type { Dialogue } from '../system';
import { applyEdit } from '../system';
import {
  answer,
  beganBy,
  begin,
  dialogueStarters,
  rehearsed,
  resultsOf,
  stepSays,
  wilson,
  wrongWords,
  type Context,
  type Turn,
} from '.';

const ADA = '+12065550101';
const MAIN = '+13605550142';
let n = 0;
const [survey, hours, quote] = dialogueStarters('rosa', () => `s${(n += 1)}`).map((d, i): Dialogue => ({
  ...d,
  id: `d${i}`,
})) as [Dialogue, Dialogue, Dialogue];
const AT = Date.UTC(2026, 10, 24, 18);
const values: Context = {
  valueOf: (field) => (field === 'business' ? 'Lantern Cove' : ''),
  free: () => [],
  isFree: () => false,
  said: (at) => new Date(at).toISOString(),
  day: () => undefined,
  code: () => '12345',
};
const start = (d: Dialogue) => begin(d, { id: 'r', ours: MAIN, theirs: ADA }, AT, values);
/** Goes on with everything that is written. @returns the last turn, and all that was said */
function talk(d: Dialogue, ...written: string[]): { turn: Turn; said: string[]; tasks: string[] } {
  let turn = start(d);
  const said = [...turn.says];
  const tasks = turn.tasks.map((t) => t.text);
  for (const text of written) {
    turn = answer(turn.run, text, AT + 60_000, values);
    said.push(...turn.says);
    tasks.push(...turn.tasks.map((t) => t.text));
  }
  return { turn, said, tasks };
}

describe('an answer is read', () => {
  const ask = (by: '1 to 5' | 'yes or no' | 'words') =>
    ({ id: 'a', only: null, kind: 'ask', label: 'x', text: 'x', by }) as const;
  it.each([
    ['4', 4],
    [' 4! ', 4],
    ['four', 4],
    ['I give a 5', 5],
    ['4 of 5', 4],
    ['3 out of 5', 3],
    ['10', null],
    ['0', null],
    ['4 or 5', null],
    ['well', null],
  ])('1 to 5: %s', (text, value) => expect(readAnswer(ask('1 to 5'), text)?.value ?? null).toBe(value));
  it.each([
    ['Yes please', 1],
    ['y', 1],
    ['No.', 0],
    ['ja', 1],
    ['yes and no', null],
    ['maybe', null],
    ['know', null],
  ])('yes or no: %s', (text, value) => expect(readAnswer(ask('yes or no'), text)?.value ?? null).toBe(value));
});

describe('a survey', () => {
  it('thanks the happy, and asks the unhappy and gives somebody a task', () => {
    const good = talk(survey, '5');
    expect(good.said).toEqual([
      'Lantern Cove: how well were you helped, from 1 (badly) to 5 (well)? Reply STOP to end texts.',
      'Thank you, that makes us glad.',
    ]);
    expect(good.tasks).toEqual([]);
    const bad = talk(survey, '2', 'The wait');
    expect(bad.said.slice(1)).toEqual([
      'We are sorry. What should have gone better?',
      'Thank you. We will do better.',
    ]);
    expect(bad.tasks).toEqual(['Ring them: they gave 2. The wait']);
    expect(bad.turn.run).toMatchObject({
      state: 'done',
      answers: [{ value: 2 }, { said: 'The wait', value: null }],
    });
  });
  it('asks again twice, and then a person goes on', () => {
    const { turn, said } = talk(survey, 'well', 'very', 'so so');
    expect(said.slice(1)).toEqual(Array(2).fill('Please answer with a number from 1 to 5.'));
    expect(turn.run.state).toBe('handed over');
  });
  it('ends with a stop, says nothing more, and hears nothing after it', () => {
    const { turn, said } = talk(survey, 'STOP', '5');
    expect(turn.run).toMatchObject({ state: 'stopped', answers: [] });
    expect(said).toHaveLength(1);
  });
  it('waits for three days, and no longer', () => {
    const { run } = start(survey);
    expect(answer(run, '5', run.until, values).run.state).toBe('done');
    expect(answer(run, '5', run.until + 1, values)).toMatchObject({ run: { state: 'left' }, says: [] });
  });
});

it('hands over to a person at the end, with what was asked', () => {
  const { turn, said, tasks } = talk(quote, 'A sloop, 9 m', 'yes');
  expect(turn.run).toMatchObject({ state: 'handed over', personId: null });
  expect(said.at(-1)).toBe('Thank you. One of us writes to you about A sloop, 9 m.');
  expect(tasks).toEqual(['Call them today about A sloop, 9 m']);
  expect(talk(quote, 'A sloop', 'no').tasks).toEqual([]);
});

it('what is answered is never filled in again, nor begins anything', () => {
  const { said } = talk(quote, '{business} <b>', 'no');
  expect(said.at(-1)).toBe('Thank you. One of us writes to you about {business} <b>.');
});

it('is begun by a word, on its numbers only, and never by a stop', () => {
  const system = {
    ...demoSystem(),
    dialogues: { a: { ...hours, id: 'a' }, b: { ...quote, id: 'b', numberIds: ['n-workshop'] } },
  };
  const began = (text: string, ours = MAIN) => beganBy(text, ours, system)?.id;
  expect(began('Are you OPEN on Sunday?')).toBe('a');
  expect(began('A quote please')).toBeUndefined();
  expect(began('A quote please', '+13605550143')).toBe('b');
  expect(began('reopened')).toBeUndefined();
  expect(began('stop')).toBeUndefined();
});

it('is refused where a step goes by what was not asked, two answers share a name, or a word means a stop', () => {
  const system = { ...demoSystem(), dialogues: {} };
  const refused = (change: Partial<Dialogue>) => {
    const made = applyEdit(system, {
      words: 'x',
      commands: [{ do: 'dialogue.add', value: { ...survey, ...change } }],
    });
    return made.ok ? null : made.problems[0]!.message;
  };
  expect(refused({})).toBeNull();
  expect(refused({ steps: [survey.steps[1]!, survey.steps[0]!] })).toBe(
    '“Satisfied” is not asked before that step.',
  );
  expect(refused({ steps: [survey.steps[0]!, { ...survey.steps[0]!, id: 'y' }] })).toBe(
    'Two answers are called “Satisfied”.',
  );
  expect(wrongWords(['price', 'Cancel'])).toContain('“Cancel” is for those who want no texts');
  expect(wrongWords(['price'])).toBeUndefined();
});

it('reads as sentences', () => {
  const system = demoSystem();
  expect(survey.steps.map((s) => stepSays(s, system)).slice(1, 3)).toEqual([
    'Where Satisfied is at most 2: ask “We are sorry. What should have gone better?”, answered by words, kept as What went wrong',
    'Where Satisfied is at most 2: give Rosa Delgado the task “Ring {name|them}: they gave {Satisfied}. {What went wrong|No reason given.}”',
  ]);
});

describe('Wilson’s interval', () => {
  // Agresti and Coull (1998), "Approximate is better than exact", formula (2); values by hand: 0 of 10 is 0 to z²/(n+z²).
  it('of nobody among ten, and of all of them', () => {
    const z2 = 1.959963984540054 ** 2;
    expect(wilson(0, 10)[0]).toBe(0);
    expect(wilson(0, 10)[1]).toBeCloseTo(z2 / (10 + z2), 12);
    expect(wilson(10, 10)[0]).toBeCloseTo(10 / (10 + z2), 12);
  });
  it('ends where the score test of the normal distribution just rejects, by a library that others made', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 400 }), fc.nat(400), (of, some) => {
        const k = Math.min(some, of);
        const z = jStat.normal.inv(0.975, 0, 1);
        for (const p of wilson(k, of))
          if (p > 0 && p < 1) expect(Math.abs(k / of - p) / Math.sqrt((p * (1 - p)) / of)).toBeCloseTo(z, 6);
      }),
    );
  });
  it('is everything where nobody answered', () => expect(wilson(0, 0)).toEqual([0, 1]));
});

it('results count who was asked and who answered; a question that was never put is not counted', () => {
  const runs = [talk(survey, '5'), talk(survey, '2', 'The wait'), talk(survey), talk(survey, '1')].map(
    (t) => t.turn.run,
  );
  const [satisfied, wrong] = resultsOf(runs);
  expect(satisfied).toMatchObject({ label: 'Satisfied', asked: 4, answered: 3 });
  expect(satisfied!.shares.map((s) => s.n)).toEqual([1, 1, 0, 0, 1]);
  expect(satisfied!.shares[0]).toMatchObject({ from: wilson(1, 3)[0], to: wilson(1, 3)[1] });
  expect(wrong).toMatchObject({ asked: 2, answered: 1, said: [{ text: 'The wait' }] });
});

describe('a time', () => {
  const HOUR = 3_600_000;
  const book: Dialogue = {
    ...survey,
    steps: [
      { id: 'b', only: null, kind: 'book', calendarId: 'c', text: 'Which time?' },
      { id: 's', only: null, kind: 'say', text: 'See you {Time}.' },
    ],
  };
  const with_ = (times: number[], change: Partial<Context> = {}): Context => ({
    ...values,
    free: (_, day) => (day === '2026-11-30' ? [] : times),
    isFree: (_, at) => times.includes(at),
    said: (at) => `${at / HOUR} o’clock`,
    day: (typed) => (typed === 'Monday' ? '2026-11-30' : typed === 'tomorrow' ? '2026-11-25' : undefined),
    ...change,
  });
  const times = [9, 10, 11, 12].map((h) => h * HOUR);
  const began = begin(book, { id: 'r', ours: MAIN, theirs: ADA }, AT, with_(times));
  it('is offered, chosen by its number, and confirmed with a code; never in words that stop texts', () => {
    expect(began.says).toEqual([
      'Which time? 1: 9 o’clock. 2: 10 o’clock. 3: 11 o’clock. Write the number, or another day.',
    ]);
    const chosen = answer(began.run, ' 2. ', AT, with_(times));
    expect(chosen.books).toEqual({ calendarId: 'c', from: 10 * HOUR, code: '12345' });
    expect(chosen.says).toEqual([
      'Booked: 10 o’clock. Write OFF 12345 to give it back, MOVE 12345 for another time.',
      'See you 10 o’clock.',
    ]);
    expect(chosen.says.join(' ')).not.toMatch(/\b(CANCEL|END|STOP|QUIT)\b/i);
  });
  it('that has gone meanwhile is not given: others are offered', () => {
    const { says, books, run } = answer(began.run, '1', AT, with_(times.slice(1)));
    expect(books).toBeNull();
    expect(says[0]).toContain('That time has just gone. Free are 1: 10 o’clock');
    expect(run.offers![0]).toBe(10 * HOUR);
  });
  it('of another day is offered; where nothing is free then, others are; what is neither is asked twice, then a person goes on', () => {
    expect(answer(began.run, 'tomorrow', AT, with_(times)).says[0]).toContain('On that day 1: 9 o’clock');
    expect(answer(began.run, 'Monday', AT, with_(times)).says[0]).toContain('Nothing is free then, but 1: 9');
    let turn = began;
    for (const words of ['7', 'hm', 'well']) turn = answer(turn.run, words, AT, with_(times));
    expect(turn.run.state).toBe('handed over');
  });
  it('that there is none of is said, and a person goes on', () => {
    const none = begin(book, { id: 'r', ours: MAIN, theirs: ADA }, AT, with_([]));
    expect(none.run.state).toBe('handed over');
    expect(none.says[0]).toContain('no free time left');
  });
});

it('rehearsed is what would be said and done, line by line, and what it does not know a person gets', () => {
  const system = demoSystem();
  const lines = (dialogue: Dialogue, ...written: string[]) =>
    rehearsed(dialogue, written, { ours: MAIN, theirs: ADA }, AT, system, values).map(
      (l) => `${l.who}: ${l.text}`,
    );
  expect(lines(quote, 'a quote', 'Sloop', 'yes', 'and?', 'STOP')).toEqual([
    'they: a quote',
    'it: Gladly. Which boat is it, and how long?',
    'they: Sloop',
    'it: Is it urgent? Yes or no.',
    'they: yes',
    'it: Thank you. One of us writes to you about Sloop.',
    'note: Task of Rosa Delgado: Call them today about Sloop',
    'note: A person goes on: it waits among the texts.',
    'they: and?',
    'note: It knows nothing of that: a person gets it.',
    'they: STOP',
    'it: Lantern Cove Boatworks: you get no more texts from us. Reply START to get them again.',
  ]);
  // What only a follow-up begins has the first word.
  expect(lines(survey)[0]).toContain('it: Lantern Cove: how well were you helped');
  expect(lines(survey, 'stop', '5').at(-1)).toBe('note: It knows nothing of that: a person gets it.');
});
