/** The kinds of step that can be added: what each is called and does, and what a new one looks like. */
import { usualStep, type Step, type System } from '$core/system';
import { freshId } from '../ids';

const NAMES: Record<Step['kind'], { name: string; does: string }> = {
  play: { name: 'Play', does: 'the caller hears a recording' },
  ring: { name: 'Ring', does: 'people, groups, whoever is on duty' },
  hours: { name: 'By hours', does: 'a way for each kind of opening time' },
  caller: { name: 'By caller', does: 'a way for each kind of caller' },
  menu: { name: 'Menu', does: 'the caller chooses by key' },
  queue: { name: 'Queue', does: 'the caller waits until somebody is free' },
  share: { name: 'Share out', does: 'calls between several ways' },
  ask: { name: 'Ask', does: 'name, reason or number, kept as notes' },
  notify: { name: 'Notify', does: 'by mail, text, web hook or note' },
  forward: { name: 'Forward out', does: 'to an outside number' },
  goto: { name: 'Go to plan', does: 'the call goes on in another plan' },
  voicemail: { name: 'Voicemail', does: 'the caller leaves a message' },
  end: { name: 'End', does: 'hang up, busy tone, or a last word' },
};
/** In the order in which they are offered. */
export const STEP_KINDS = Object.entries(NAMES).map(([kind, words]) => ({
  kind: kind as Step['kind'],
  ...words,
}));

/** A new step of a kind, as somebody would most likely want it. */
export const freshStep = (kind: Step['kind'], system: System): Step => usualStep(kind, system, freshId);

/** A copy of a step and of all that is below it, with ids of its own. */
export function copyOf(step: Step): Step {
  const copy = structuredClone(step);
  const renew = (one: Step) => {
    one.id = freshId('step');
    if (one.kind === 'ask') for (const q of one.questions) q.id = freshId('question');
    if ('branches' in one) for (const b of one.branches ?? []) for (const s of b.steps) renew(s);
    if ('otherwise' in one) for (const s of one.otherwise) renew(s);
  };
  renew(copy);
  return copy;
}
