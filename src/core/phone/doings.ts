/** What people may be rehearsed to do with a call, in words: for a form, and for what is asked of a rehearsal. */
import { listed, passedTo } from '../calls';
import type { Doing, PassTarget, System, Then } from '../system';

/** Each kind of doing as somebody chooses it. */
export const DOINGS: Record<Doing['does'], string> = {
  holds: 'holds',
  'takes back': 'takes it back',
  'passes on': 'transfers it at once to',
  'calls about it': 'asks first, or adds:',
  'joins them': 'puts them through',
  'goes back': 'goes back to the caller',
  'puts all together': 'puts all together',
  parks: 'parks it',
  'picks up': 'picks it up from a colleague',
  'hangs up': 'hangs up',
  'is gone': 'loses their phone',
  'is there again': 'has their phone again',
};

/** A fresh doing of a kind. @param to where it goes, where it goes somewhere */
export function freshDoing(does: Doing['does'], to: PassTarget): Doing {
  switch (does) {
    case 'passes on':
      return { does, to, ifNobody: { then: 'back' } };
    case 'calls about it':
      return { does, to, as: 'a word' };
    case 'holds':
    case 'takes back':
    case 'joins them':
    case 'goes back':
    case 'puts all together':
    case 'parks':
    case 'picks up':
    case 'hangs up':
    case 'is gone':
    case 'is there again':
      return { does };
  }
}

/** Whom a call can be given to, as a list to choose from: people, groups, queues, mailboxes, plans. */
export function targetsOf(system: System): { key: string; words: string; target: PassTarget }[] {
  const all: PassTarget[] = [
    ...Object.keys(system.people).map((personId) => ({ to: 'person' as const, personId })),
    ...Object.keys(system.groups).map((groupId) => ({ to: 'group' as const, groupId })),
    ...Object.keys(system.queues).map((queueId) => ({ to: 'queue' as const, queueId })),
    ...Object.keys(system.mailboxes).map((mailboxId) => ({ to: 'mailbox' as const, mailboxId })),
    ...Object.keys(system.plans).map((planId) => ({ to: 'plan' as const, planId })),
  ];
  return all.map((target) => ({ key: keyOfTarget(target), words: passedTo(system, target), target }));
}

/** A target as one word, to be found again by. */
export const keyOfTarget = (target: PassTarget): string => {
  const { to, ...id } = target;
  return `${to} ${Object.values(id).join('')}`;
};

/** "Rosa Delgado transfers it at once to Pia Lindqvist after 30 s". */
export function thenInWords(then: readonly Then[], system: System): string {
  return listed(
    then.map(({ personId, after, doing }) => {
      const to = 'to' in doing ? ` ${passedTo(system, doing.to)}` : '';
      return `${system.people[personId]?.name ?? 'somebody removed'} ${DOINGS[doing.does].replace(/:$/, '')}${to} after ${after} s`;
    }),
  );
}
