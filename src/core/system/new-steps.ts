/** New steps of every kind: as plain as may be, and as somebody would most likely want one in a system. */
import { USUAL_RING_SECONDS } from './defaults';
import type { Step, StepOf } from './shape/plans';
import type { System } from './shape/schema';

type Kind = Step['kind'];

const PLAIN: { [K in Kind]: (id: string) => StepOf<K> } = {
  play: (id) => ({ id, kind: 'play', recordingId: null }),
  ring: (id) => ({
    id,
    kind: 'ring',
    targets: [],
    pattern: 'together',
    seconds: USUAL_RING_SECONDS,
    followReach: false,
  }),
  hours: (id) => ({ id, kind: 'hours', hoursId: null, branches: [], otherwise: [] }),
  caller: (id) => ({ id, kind: 'caller', branches: [], otherwise: [] }),
  menu: (id) => ({
    id,
    kind: 'menu',
    recordingId: null,
    seconds: 6,
    tries: 2,
    dialExtension: false,
    nameKey: null,
    branches: [],
    otherwise: [],
  }),
  queue: (id) => ({ id, kind: 'queue', queueId: null, branches: [] }),
  share: (id) => ({ id, kind: 'share', how: 'by shares', branches: [] }),
  ask: (id) => ({ id, kind: 'ask', questions: [], answers: [] }),
  voicemail: (id) => ({ id, kind: 'voicemail', mailboxId: null }),
  forward: (id) => ({ id, kind: 'forward', number: null, shows: 'caller', confirm: true, seconds: 24 }),
  goto: (id) => ({ id, kind: 'goto', planId: null }),
  meeting: (id) => ({ id, kind: 'meeting', roomId: null }),
  notify: (id) => ({ id, kind: 'notify', how: 'mail', to: '', text: '{caller} called {number}.' }),
  end: (id) => ({ id, kind: 'end', how: 'plain' }),
};

/** A step of a kind, with what is given and the rest as plain as may be. */
export const newStep = <K extends Kind>(kind: K, given: Partial<StepOf<K>> & { id: string }): StepOf<K> => ({
  ...PLAIN[kind](given.id),
  ...given,
});

/** The only one of a collection, where there is just one: nobody would choose another. */
const only = (items: Record<string, unknown>): string | null => {
  const ids = Object.keys(items);
  return ids.length === 1 ? ids[0]! : null;
};

type Usual<K extends Kind> = (system: System, freshId: (kind: string) => string) => Partial<StepOf<K>>;
const none = (): object => ({});

const USUAL: { [K in Kind]: Usual<K> } = {
  play: none,
  ring: ({ people }) => {
    const person = only(people);
    return { targets: person ? [{ kind: 'person', id: person }] : [] };
  },
  hours: ({ hours }) => ({ hoursId: only(hours), branches: [{ period: 'Open', steps: [] }] }),
  caller: () => ({ branches: [{ test: { is: 'hidden' }, steps: [] }] }),
  menu: () => ({
    branches: [
      { key: '1', steps: [] },
      { key: '2', steps: [] },
    ],
  }),
  queue: ({ queues }) => ({ queueId: only(queues) }),
  share: () => ({
    branches: [
      { share: 50, steps: [] },
      { share: 50, steps: [] },
    ],
  }),
  ask: (_, freshId) => ({
    questions: [
      { id: freshId('question'), label: 'Name', says: 'What is your name, please?', by: 'voice' },
      { id: freshId('question'), label: 'Reason', says: 'What are you calling about?', by: 'voice' },
    ],
  }),
  voicemail: ({ mailboxes }) => ({ mailboxId: only(mailboxes) }),
  forward: none,
  goto: none,
  meeting: ({ rooms }) => ({ roomId: only(rooms) }),
  notify: none,
  end: none,
};

/** A new step of a kind, as somebody would most likely want it in this system. */
export function usualStep<K extends Kind>(
  kind: K,
  system: System,
  freshId: (kind: string) => string,
): StepOf<K> {
  const given = USUAL[kind](system, freshId);
  return newStep(kind, { ...given, id: freshId('step') });
}
