/** The kinds of step that can be added: what each is called and does, and what a new one looks like. */
import type { Step, StepOf, System } from '$core/system';
import { freshId } from '../ids';

export const STEP_KINDS: { kind: Step['kind']; name: string; does: string }[] = [
  { kind: 'play', name: 'Play', does: 'the caller hears a recording' },
  { kind: 'ring', name: 'Ring', does: 'people, groups, whoever is on duty' },
  { kind: 'hours', name: 'By hours', does: 'a way for each kind of opening time' },
  { kind: 'caller', name: 'By caller', does: 'a way for each kind of caller' },
  { kind: 'menu', name: 'Menu', does: 'the caller chooses by key' },
  { kind: 'queue', name: 'Queue', does: 'the caller waits until somebody is free' },
  { kind: 'share', name: 'Share out', does: 'calls between several ways' },
  { kind: 'ask', name: 'Ask', does: 'name, reason or number, kept as notes' },
  { kind: 'notify', name: 'Notify', does: 'by mail, text, web hook or note' },
  { kind: 'forward', name: 'Forward out', does: 'to an outside number' },
  { kind: 'goto', name: 'Go to plan', does: 'the call goes on in another plan' },
  { kind: 'voicemail', name: 'Voicemail', does: 'the caller leaves a message' },
  { kind: 'end', name: 'End', does: 'hang up, busy tone, or a last word' },
];

/** The only one of a collection, where there is just one: nobody would choose another. */
const only = (items: Record<string, unknown>): string | null => {
  const ids = Object.keys(items);
  return ids.length === 1 ? ids[0]! : null;
};

const FRESH: { [K in Step['kind']]: (id: string, system: System) => StepOf<K> } = {
  play: (id) => ({ id, kind: 'play', recordingId: null }),
  ring: (id, system) => {
    const person = only(system.people);
    return {
      id,
      kind: 'ring',
      targets: person ? [{ kind: 'person', id: person }] : [],
      pattern: 'together',
      seconds: 18,
      followReach: false,
    };
  },
  hours: (id, system) => ({
    id,
    kind: 'hours',
    hoursId: only(system.hours),
    branches: [{ period: 'Open', steps: [] }],
    otherwise: [],
  }),
  caller: (id) => ({
    id,
    kind: 'caller',
    branches: [{ test: { is: 'hidden' }, steps: [] }],
    otherwise: [],
  }),
  menu: (id) => ({
    id,
    kind: 'menu',
    recordingId: null,
    seconds: 6,
    tries: 2,
    dialExtension: false,
    nameKey: null,
    branches: [
      { key: '1', steps: [] },
      { key: '2', steps: [] },
    ],
    otherwise: [],
  }),
  queue: (id, system) => ({ id, kind: 'queue', queueId: only(system.queues), branches: [] }),
  share: (id) => ({
    id,
    kind: 'share',
    how: 'by shares',
    branches: [
      { share: 50, steps: [] },
      { share: 50, steps: [] },
    ],
  }),
  ask: (id) => ({
    id,
    kind: 'ask',
    questions: [
      { id: freshId('question'), label: 'Name', says: 'What is your name, please?', by: 'voice' },
      { id: freshId('question'), label: 'Reason', says: 'What are you calling about?', by: 'voice' },
    ],
    answers: [],
  }),
  voicemail: (id, system) => ({ id, kind: 'voicemail', mailboxId: only(system.mailboxes) }),
  forward: (id) => ({ id, kind: 'forward', number: null, shows: 'caller', confirm: true, seconds: 24 }),
  goto: (id) => ({ id, kind: 'goto', planId: null }),
  notify: (id) => ({ id, kind: 'notify', how: 'mail', to: '', text: '{caller} called {number}.' }),
  end: (id) => ({ id, kind: 'end', how: 'plain' }),
};

/** A new step of a kind, as somebody would most likely want it. */
export const freshStep = (kind: Step['kind'], system: System): Step => FRESH[kind](freshId('step'), system);

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
