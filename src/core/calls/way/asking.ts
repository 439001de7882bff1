/** Asking the caller: questions whose answers are kept as notes on the call, and simple answers given. */
import { spokenSeconds } from '../../answering';
import type { Answer, AskStep } from '../../system';
import { RANK, type CallState, type Run } from '../base/state';

/** So long a caller who says nothing is waited for, in milliseconds. Common practice, no source. */
const SILENCE_MS = 5000;
/** So long a live caller may take for an answer, in milliseconds. */
const LONGEST_ANSWER_MS = 20_000;

const stepOf = (run: Run, call: CallState): AskStep =>
  run.world(call).routes.get(call.planId!)!.stops.get(call.stepId!)!.step as AskStep;

/** The call reaches an Ask step that has questions. */
export function ask(run: Run, call: CallState): void {
  call.asking = { index: 0, part: 'question', heard: '' };
  question(run, call);
}

function question(run: Run, call: CallState): void {
  const { label, says } = stepOf(run, call).questions[call.asking!.index]!;
  call.asking = { ...call.asking!, part: 'question', heard: '' };
  run.begin(call, 'asked');
  run.say(call, { kind: 'asked', label, says });
  wait(run, call, spokenSeconds(says) * 1000);
}

function wait(run: Run, call: CallState, ms: number): void {
  call.until = run.now + ms;
  run.after(call, ms, 'time out', RANK.timeout);
}

/** A question, an answer or what was told has run its time. */
export function askedEnough(run: Run, call: CallState): void {
  const { part, heard } = call.asking!;
  if (part === 'told') return goOn(run, call);
  if (part === 'answer') return note(run, call, heard);
  const { label } = stepOf(run, call).questions[call.asking!.index]!;
  const { behaviour } = call.request;
  const says = behaviour?.caller.says?.[label] ?? '';
  call.asking = { ...call.asking!, part: 'answer', heard: says };
  run.begin(call, 'asked');
  if (!behaviour) return wait(run, call, LONGEST_ANSWER_MS);
  wait(run, call, says ? spokenSeconds(says) * 1000 : SILENCE_MS);
}

/** A live caller has answered. */
export function answerGiven(run: Run, call: CallState, text: string): void {
  if (call.asking && call.asking.part !== 'told') note(run, call, text);
}

/** A key pressed while being asked: digits gather until the square key or silence. */
export function keyWhileAsked(run: Run, call: CallState, key: string): void {
  const { asking } = call;
  const step = stepOf(run, call);
  if (!asking || asking.part === 'told' || step.questions[asking.index]!.by !== 'keys') return;
  if (key === '#') return note(run, call, asking.heard);
  call.asking = { ...asking, part: 'answer', heard: asking.heard + key };
  run.begin(call, 'asked');
  wait(run, call, SILENCE_MS);
}

function note(run: Run, call: CallState, text: string): void {
  const step = stepOf(run, call);
  const { label } = step.questions[call.asking!.index]!;
  run.say(call, { kind: 'noted', label, text });
  const told = answerTo(text, step.answers);
  if (!told) return goOn(run, call);
  call.asking = { ...call.asking!, part: 'told' };
  run.begin(call, 'asked');
  run.say(call, { kind: 'told', says: told.says });
  wait(run, call, spokenSeconds(told.says) * 1000);
}

function goOn(run: Run, call: CallState): void {
  const index = call.asking!.index + 1;
  if (index < stepOf(run, call).questions.length) {
    call.asking = { index, part: 'question', heard: '' };
    return question(run, call);
  }
  call.asking = null;
  const stop = run.world(call).routes.get(call.planId!)!.stops.get(call.stepId!)!;
  run.enter(call, stop.next);
}

/** Letters and digits only, words apart by one space, with one at both ends. */
const plain = (text: string): string => ` ${(text.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? []).join(' ')} `;

/** The first answer one of whose words or phrases stands in a text, as whole words. */
export function answerTo(text: string, answers: readonly Answer[]): Answer | undefined {
  const said = plain(text);
  return answers.find((a) => a.words.some((w) => plain(w).trim() !== '' && said.includes(plain(w))));
}
