import { servingOf, type QueueStep, type System } from '../../system';
import { capital, count, type StepKind } from './kind';

const minutes = (seconds: number): string =>
  seconds < 120 ? `${seconds} s` : `${Math.round(seconds / 6) / 10} min`;

const queueOf = (step: QueueStep, { queues }: System) => (step.queueId ? queues[step.queueId] : undefined);

export const queue: StepKind<QueueStep> = {
  name: 'Queue',
  does: 'the caller waits until somebody is free',
  verb: 'queue',
  what: (step, system) => {
    const found = queueOf(step, system);
    return found ? `${found.name}, at most ${minutes(found.longestWait)}` : 'no queue chosen yet';
  },
  detail: (step, system) => {
    const found = queueOf(step, system);
    return found
      ? `${count(servingOf(system, found.id).length, 'person', 'people')} · ${count(found.limit, 'caller')} may wait`
      : 'Choose a queue.';
  },
  opens: (step, branch) => capital(step.branches[branch]!.way),
  seconds: (step, system) => queueOf(step, system)?.longestWait ?? 0,
  waysOn: ({ branches, next }) => [...branches, next],
  lacks: (step, { name }) =>
    step.queueId
      ? undefined
      : ['no-queue', `${name} has a queue that is not chosen`, 'Every call goes on with the next step.'],
  asksForKeys: () => 1,
  openedBy: (step, branch, system) => {
    if (step.branches[branch]!.way !== 'left by key') return undefined;
    const exitKey = queueOf(step, system)?.exitKey;
    return exitKey ? { keys: [exitKey] } : undefined;
  },
};
