/** Asking the caller: questions whose answers are kept as notes on the call, and answers given. */
import { isSo, pointsOf, type Answer } from '../../../asking';
import { spokenSeconds } from '../../../answering';
import type { AskedTest, AskStep, Question, SimpleAnswer } from '../../../system';
import { RANK, type CallIn, type CallState, type Run } from '../../base/state';
import { stopOf } from '../../base/stop';
import type { Trace } from '../../base/trace';
import type { Answered } from './question';
import { kindOf } from './questions';
import { scriptOf } from './script';

/** So long a caller who says nothing is waited for, in milliseconds. Common practice, no source. */
const SILENCE_MS = 5000;
/** So long a live caller may take for an answer, in milliseconds. */
const LONGEST_ANSWER_MS = 20_000;

type Asked = CallIn<'asked'>;
/** A question of what is asked just now. */
const asked = (run: Run, call: CallState, index: number): Question =>
  scriptOf(run, call).lines[index] as Question;

/** The call reaches an Ask step that has questions, or is asked after a talk. */
export const ask = (run: Run, call: CallState): void => question(run, call, 0);

/** What a call has answered so far, wherever it was asked. */
export const answersIn = (trace: Trace): Answer[] =>
  trace.flatMap((e) => (e.kind === 'noted' ? { label: e.label, said: e.text, value: e.value ?? null } : []));

/** Puts the next question whose answers before are as it wants; past the last one it is decided where the call goes on. */
function question(run: Run, call: CallState, from: number): void {
  const { lines } = scriptOf(run, call);
  const answers = lines.some((q) => q.only) ? answersIn(call.trace) : [];
  const index = lines.findIndex((q, i) => i >= from && (!q.only || isSo(q.only, answers)));
  if (index < 0) return over(run, call);
  const line = lines[index]!;
  if ('said' in line) {
    run.begin(call, 'asked', { asking: { index, part: 'told', heard: '' } });
    run.say(call, { t: 0, kind: 'told', says: line.said });
    return wait(run, call, spokenSeconds(line.said) * 1000);
  }
  const put = kindOf(line).put({ run, call, question: line, time: 1, offers: [] });
  putNow(run, call, index, 1, put);
}

function putNow(
  run: Run,
  call: CallState,
  index: number,
  time: number,
  { says, offers, alike, meant }: { says: string; offers?: number[]; alike?: string; meant?: string },
): void {
  const { label } = asked(run, call, index);
  const more = { ...(time > 1 ? { time } : {}), ...(offers ? { offers } : {}), ...(meant ? { meant } : {}) };
  run.begin(call, 'asked', { asking: { index, part: 'question', heard: '', ...more } });
  run.say(call, { t: 0, kind: 'asked', label, says, ...(alike === undefined ? {} : { alike }) });
  wait(run, call, spokenSeconds(says) * 1000);
}

function wait(run: Run, call: CallState, ms: number): void {
  call.until = run.now + ms;
  run.after(call, ms, 'time out', RANK.timeout);
}

/** A question, an answer or what was told has run its time. */
export function askedEnough(run: Run, call: Asked): void {
  const { part, heard, index, time = 1, next } = call.asking;
  if (part === 'told')
    return next === undefined
      ? question(run, call, index + 1)
      : putNow(run, call, index, time + 1, { says: next });
  if (part === 'answer') return note(run, call, heard);
  const one = asked(run, call, index);
  const { behaviour } = call.request;
  const says = saysTo(one, time, behaviour?.caller.says?.[one.label] ?? '');
  run.begin(call, 'asked', { asking: { ...call.asking, part: 'answer', heard: says } });
  if (!behaviour) return wait(run, call, LONGEST_ANSWER_MS);
  wait(run, call, says ? spokenSeconds(says) * 1000 : SILENCE_MS);
}

/** What a rehearsed caller says to a question that is put for the nth time; after what they have to say, nothing. */
const saysTo = (one: Question, time: number, says: string): string =>
  kindOf(one).often ? (says.split('/')[time - 1]?.trim() ?? '') : says;

/** A live caller has answered. */
export function answerGiven(run: Run, call: Asked, text: string): void {
  if (call.asking.part !== 'told') note(run, call, text);
}

/** A key pressed while being asked: one answers, or digits gather until the square key or silence. */
export function keyWhileAsked(run: Run, call: Asked, key: string): void {
  const { asking } = call;
  if (asking.part === 'told') return;
  const { keys } = kindOf(asked(run, call, asking.index));
  if (!keys) return;
  const heard = asking.heard + key;
  switch (keys(heard, asking.meant)) {
    case 'whole':
      return note(run, call, heard);
    case 'part':
      run.begin(call, 'asked', { asking: { ...asking, part: 'answer', heard } });
      return wait(run, call, SILENCE_MS);
    case 'nothing':
      return;
  }
}

function note(run: Run, call: Asked, text: string): void {
  const { index, time = 1, offers = [], meant } = call.asking;
  const one = asked(run, call, index);
  const found = kindOf(one).answered({ run, call, question: one, time, offers, meant }, text);
  if (found.is === 'again') return putNow(run, call, index, time + 1, found);
  const alike = found.is === 'kept' && (found.books || found.givesBack) ? { alike: 'a time' } : {};
  if (found.text || found.is === 'kept')
    run.say(call, { t: 0, kind: 'noted', label: one.label, text: found.text, ...valued(found), ...alike });
  if (found.is === 'kept' && found.books) book(run, call, one, found.books);
  if (found.is === 'kept' && found.givesBack)
    run.say(call, { t: 0, kind: 'given back', id: found.givesBack, calendarId: one.calendarId! });
  const told = found.told ?? answerTo(found.text, scriptOf(run, call).answers)?.says;
  const unknown = found.is === 'kept' && found.unknown ? { unknown: true as const } : {};
  const next = found.is === 'more' ? { next: found.next } : {};
  if (!told) return question(run, call, index + 1);
  run.begin(call, 'asked', { asking: { ...call.asking, part: 'told', ...next } });
  run.say(call, { t: 0, kind: 'told', says: told, ...alike, ...unknown });
  wait(run, call, spokenSeconds(told) * 1000);
}

const valued = ({ value }: Exclude<Answered, { is: 'again' }>) => (value === undefined ? {} : { value });

/** The time is taken, and everybody who asks from now on is told of others. */
function book(
  run: Run,
  call: CallState,
  { calendarId, label }: Question,
  { instead, ...span }: { from: number; to: number; instead?: string },
): void {
  const id = `v-${call.request.id}-${span.from}`.slice(0, 60);
  const ahead = (run.memory.booked ?? []).filter((b) => b.to > run.now);
  run.memory.booked = [...ahead, { id, calendarId: calendarId!, ...span }];
  run.say(call, {
    t: 0,
    kind: 'booked',
    id,
    calendarId: calendarId!,
    label,
    ...span,
    ...(instead ? { instead } : {}),
  });
}

/** The first branch that the answers open; the next step where none does. */
function over(run: Run, call: CallState): void {
  if (call.afterwards) return run.end(call, 'called', call.afterwards.outcome);
  const stop = stopOf(run, call);
  const { branches = [], points = [] } = stop.step as AskStep;
  if (!branches.length) return run.enter(call, stop.next);
  const answers = answersIn(call.trace);
  const opens = (test: AskedTest): boolean =>
    test.is === 'points' ? pointsOf(points, answers) >= test.n : isSo(test, answers);
  const branch = branches.findIndex((b) => opens(b.test));
  run.say(call, { t: 0, kind: 'sorted', stepId: stop.step.id, branch: branch < 0 ? null : branch });
  run.enter(call, branch < 0 ? stop.next : stop.branches[branch]!);
}

/** The caller hangs up while being asked: after a talk it ends as the talk did. */
export const hungUpWhileAsked = (run: Run, call: Asked, by: 'caller' | 'called'): void =>
  run.end(call, by, call.afterwards?.outcome ?? { kind: 'hung up', during: 'question' });

/** Letters and digits only, words apart by one space, with one at both ends. */
const plain = (text: string): string => ` ${(text.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? []).join(' ')} `;

/** The first answer one of whose words or phrases stands in a text, as whole words. */
export function answerTo(text: string, answers: readonly SimpleAnswer[]): SimpleAnswer | undefined {
  const said = plain(text);
  return answers.find((a) => a.words.some((w) => plain(w).trim() !== '' && said.includes(plain(w))));
}
