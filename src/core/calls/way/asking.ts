/** Asking the caller: questions whose answers are kept as notes on the call, and simple answers given. */
import { spokenSeconds } from '../../answering';
import type { Answer, AskStep } from '../../system';
import { RANK, type CallIn, type CallState, type Run } from '../base/state';
import { stopOf } from '../base/stop';

/** So long a caller who says nothing is waited for, in milliseconds. Common practice, no source. */
const SILENCE_MS = 5000;
/** So long a live caller may take for an answer, in milliseconds. */
const LONGEST_ANSWER_MS = 20_000;

type Asked = CallIn<'asked'>;
const stepOf = (run: Run, call: CallState): AskStep => stopOf(run, call).step as AskStep;

/** The call reaches an Ask step that has questions. */
export const ask = (run: Run, call: CallState): void => question(run, call, 0);

function question(run: Run, call: CallState, index: number): void {
  const { label, says } = stepOf(run, call).questions[index]!;
  run.begin(call, 'asked', { asking: { index, part: 'question', heard: '' } });
  run.say(call, { t: 0, kind: 'asked', label, says });
  wait(run, call, spokenSeconds(says) * 1000);
}

function wait(run: Run, call: CallState, ms: number): void {
  call.until = run.now + ms;
  run.after(call, ms, 'time out', RANK.timeout);
}

/** A question, an answer or what was told has run its time. */
export function askedEnough(run: Run, call: Asked): void {
  const { part, heard } = call.asking;
  if (part === 'told') return goOn(run, call);
  if (part === 'answer') return note(run, call, heard);
  const { label } = stepOf(run, call).questions[call.asking.index]!;
  const { behaviour } = call.request;
  const says = behaviour?.caller.says?.[label] ?? '';
  run.begin(call, 'asked', { asking: { ...call.asking, part: 'answer', heard: says } });
  if (!behaviour) return wait(run, call, LONGEST_ANSWER_MS);
  wait(run, call, says ? spokenSeconds(says) * 1000 : SILENCE_MS);
}

/** A live caller has answered. */
export function answerGiven(run: Run, call: Asked, text: string): void {
  if (call.asking.part !== 'told') note(run, call, text);
}

/** A key pressed while being asked: digits gather until the square key or silence. */
export function keyWhileAsked(run: Run, call: Asked, key: string): void {
  const { asking } = call;
  const step = stepOf(run, call);
  if (asking.part === 'told' || step.questions[asking.index]!.by !== 'keys') return;
  if (key === '#') return note(run, call, asking.heard);
  run.begin(call, 'asked', { asking: { ...asking, part: 'answer', heard: asking.heard + key } });
  wait(run, call, SILENCE_MS);
}

function note(run: Run, call: Asked, text: string): void {
  const step = stepOf(run, call);
  const { label } = step.questions[call.asking.index]!;
  run.say(call, { t: 0, kind: 'noted', label, text });
  const told = answerTo(text, step.answers);
  if (!told) return goOn(run, call);
  run.begin(call, 'asked', { asking: { ...call.asking, part: 'told' } });
  run.say(call, { t: 0, kind: 'told', says: told.says });
  wait(run, call, spokenSeconds(told.says) * 1000);
}

function goOn(run: Run, call: Asked): void {
  const index = call.asking.index + 1;
  if (index < stepOf(run, call).questions.length) return question(run, call, index);
  run.enter(call, stopOf(run, call).next);
}

/** Letters and digits only, words apart by one space, with one at both ends. */
const plain = (text: string): string => ` ${(text.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? []).join(' ')} `;

/** The first answer one of whose words or phrases stands in a text, as whole words. */
export function answerTo(text: string, answers: readonly Answer[]): Answer | undefined {
  const said = plain(text);
  return answers.find((a) => a.words.some((w) => plain(w).trim() !== '' && said.includes(plain(w))));
}
