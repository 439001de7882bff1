/** Every kind of step: one that is missing does not compile, for a call would stand still in it. */
import type { Step, StepOf } from '../../../system';
import type { CallState, Run } from '../../base/state';
import type { Outcome } from '../../base/trace';
import { enterQueue } from '../../queues/queueing';
import { ask } from '../asking/asking';
import { menu } from '../menu';
import { caller } from './caller';
import { end } from './end';
import { forward } from './forward';
import { goto } from './goto';
import { meeting } from './meeting';
import { hours } from './hours';
import type { At, Walk } from './kind';
import { play } from './play';
import { ring } from './ring';
import { share } from './share';
import { voicemail } from './voicemail';

const WALKS: { [K in Step['kind']]: Walk<StepOf<K>> } = {
  play,
  ring,
  hours,
  caller,
  share,
  forward,
  goto,
  meeting,
  voicemail,
  end,
  menu: (run, call) => void menu(run, call),
  ask: (run, call, { step, next }) => (step.questions.length ? void ask(run, call) : next),
  queue: (run, call, { step, next }) =>
    step.queueId && run.world(call).system.queues[step.queueId]
      ? void enterQueue(run, call, step.queueId, step.id)
      : next,
  notify: (run, call, { step, next }) => {
    run.say(call, { t: 0, kind: 'notified', how: step.how, to: step.to, text: step.text });
    return next;
  },
};

/** Kinds that end a call with what they have played; after every other it goes on. */
const LAST_WORDS: { [K in Step['kind']]: ((step: StepOf<K>) => Outcome) | null } = {
  end: ({ how }) => ({ kind: 'ended', how }),
  play: null,
  ring: null,
  hours: null,
  caller: null,
  menu: null,
  queue: null,
  share: null,
  ask: null,
  voicemail: null,
  forward: null,
  goto: null,
  meeting: null,
  notify: null,
};
/** How a call ends once a step has played what it plays; null where it goes on. */
export const endAfterPlaying = (step: Step): Outcome | null =>
  (LAST_WORDS[step.kind] as ((step: Step) => Outcome) | null)?.(step) ?? null;

/** Takes a call through the step it has come to. @returns as a `Walk` does */
export const walk = (run: Run, call: CallState, stop: At<Step>): string | null | undefined =>
  (WALKS[stop.step.kind] as Walk<Step>)(run, call, stop);
