/** How each kind of step is read. */
import type { Step, StepOf } from '../../system';
import type { Stop } from '../route';
import { ask } from './ask';
import { caller } from './caller';
import { end } from './end';
import { forward } from './forward';
import { goto } from './goto';
import { hours } from './hours';
import type { StepKind } from './kind';
import { meeting } from './meeting';
import { menu } from './menu';
import { notify } from './notify';
import { play } from './play';
import { queue } from './queue';
import { ring } from './ring';
import { share } from './share';
import { voicemail } from './voicemail';

/** Every kind, in the order in which they are offered. */
export const STEP_KINDS: { [K in Step['kind']]: StepKind<StepOf<K>> } = {
  play,
  ring,
  hours,
  caller,
  menu,
  queue,
  share,
  ask,
  notify,
  forward,
  goto,
  meeting,
  voicemail,
  end,
};

/** How a step is read. */
export const readingOf = (step: Step): StepKind<Step> => STEP_KINDS[step.kind] as unknown as StepKind<Step>;

/** The steps a call can go on to from a stop, null for past the last one. */
export const waysOn = (stop: Stop): (string | null)[] => readingOf(stop.step).waysOn(stop);

export type { Lack, Opener, StepKind } from './kind';
