/** What if: a system as it would be after one change, for a run beside the other. */
import { produce } from 'immer';
import { calendarOf, dayNumber, addDays, weekdayOf } from '../../hours';
import {
  accountId,
  allSteps,
  flatTargets,
  isLinked,
  type Pattern,
  type Standing,
  type Step,
  type System,
  servingOf,
} from '../../system';

export type Change =
  | { what: 'nothing' }
  /** Somebody is ill the whole week. */
  | { what: 'ill'; personId: string }
  /** So many more who are rung wherever somebody is. */
  | { what: 'more'; likeId: string; people: number }
  /** A step rings so many seconds. */
  | { what: 'rings'; stepId: string; seconds: number }
  /** A step, or a queue, rings its people in another order. */
  | { what: 'pattern'; ofId: string; pattern: Pattern };

const moreId = (id: string, n: number): string => `${id}-more-${n}`;

/** Absences of single days are no part of a usual week. */
const usual = (system: System): System =>
  produce(system, (draft) => {
    for (const person of Object.values(draft.people)) person.away = [];
  });

/** @returns the system and its phones after the change @throws Error where what it changes is no longer there */
export function changed(
  system: System,
  standing: Standing,
  change: Change,
): { system: System; standing: Standing } {
  const plain = usual(system);
  const gone = () => new Error('What it changes is no longer there.');
  switch (change.what) {
    case 'nothing':
      return { system: plain, standing };
    case 'ill': {
      if (!plain.people[change.personId]) throw gone();
      const away = { id: 'ill', from: '0001-01-01', to: '9999-12-31', standInId: null };
      return {
        system: produce(plain, (draft) => {
          draft.people[change.personId]!.away = [away as never];
        }),
        standing,
      };
    }
    case 'more':
      return withMore(plain, standing, change.likeId, change.people);
    case 'rings':
      return {
        system: withStep(plain, change.stepId, (step) => {
          if ('seconds' in step) step.seconds = change.seconds;
        }),
        standing,
      };
    case 'pattern': {
      if (plain.queues[change.ofId])
        return {
          system: produce(plain, (draft) => {
            draft.queues[change.ofId]!.pattern = change.pattern as never;
          }),
          standing,
        };
      return {
        system: withStep(plain, change.ofId, (step) => {
          if (step.kind === 'ring') step.pattern = change.pattern;
        }),
        standing,
      };
    }
  }
}

function withStep(system: System, stepId: string, change: (step: Step) => void): System {
  let found = false;
  const next = produce(system, (draft) => {
    for (const plan of Object.values(draft.plans))
      for (const step of allSteps(plan.steps as Step[]))
        if (step.id === stepId) {
          change(step);
          found = true;
        }
  });
  if (!found) throw new Error('What it changes is no longer there.');
  return next;
}

/** More people who stand wherever one stands, each with phones like theirs. */
function withMore(
  system: System,
  standing: Standing,
  likeId: string,
  people: number,
): { system: System; standing: Standing } {
  const like = system.people[likeId];
  if (!like) throw new Error('What it changes is no longer there.');
  const phones = Object.values(system.phones).filter((p) => p.personId === likeId && !isLinked(p));
  const ids = Array.from({ length: people }, (_, i) => moreId(likeId, i + 1));
  const next = produce(system, (draft) => {
    ids.forEach((id, i) => {
      draft.people[id] = {
        ...like,
        id,
        name: people > 1 ? `One more (${i + 1})` : 'One more',
        extension: `${like.extension}-${i + 1}`,
        further: [],
        mailboxId: null,
      } as never;
      for (const phone of phones)
        draft.phones[moreId(phone.id, i + 1)] = {
          ...phone,
          id: moreId(phone.id, i + 1),
          personId: id,
          keys: [],
          lines: undefined,
        } as never;
    });
    const added = ids.map((id) => ({ kind: 'person' as const, id }));
    for (const group of Object.values(draft.groups))
      if (group.members.some((m) => m.kind === 'person' && m.id === likeId))
        group.members.push(...(added as never[]));
    for (const queue of Object.values(draft.queues))
      if (queue.memberIds.includes(likeId)) queue.memberIds.push(...ids);
    for (const plan of Object.values(draft.plans))
      for (const step of allSteps(plan.steps as Step[]))
        if (step.kind === 'ring' && step.targets.some((t) => t.kind === 'person' && t.id === likeId))
          step.targets.push(...added);
  });
  const registrations = { ...standing.registrations };
  for (const [i, id] of ids.entries())
    for (const phone of phones) {
      const known = standing.registrations[accountId(phone, likeId)] ?? standing.registrations[phone.id];
      const twin = next.phones[moreId(phone.id, i + 1)]!;
      if (known) registrations[accountId(twin, id)] = known;
    }
  return { system: next, standing: { ...standing, registrations } };
}

/** A step that rings people or a queue, who they are, and by what change it could be another. */
export interface Desk {
  stepId: string;
  planId: string;
  /** Whom it rings; those on duty change, and are not among them. */
  personIds: string[];
  /** Null for a queue, which has none of its own. */
  seconds: number | null;
  queueId: string | null;
  pattern: Pattern | string;
}
/** Every step of plans in use that rings people, or leads into a queue. */
export const desksOf = (system: System): Desk[] =>
  Object.values(system.plans).flatMap((plan) =>
    [...allSteps(plan.steps)].flatMap((step): Desk[] => {
      const base = { stepId: step.id, planId: plan.id };
      if (step.kind === 'queue') {
        const queue = step.queueId ? system.queues[step.queueId] : undefined;
        return queue
          ? [
              {
                ...base,
                personIds: [...servingOf(system, queue.id)],
                seconds: null,
                queueId: queue.id,
                pattern: queue.pattern,
              },
            ]
          : [];
      }
      if (step.kind !== 'ring') return [];
      const personIds = flatTargets(step.targets, system, () => []).flatMap((t) =>
        t.kind === 'person' ? [t.id] : [],
      );
      return [{ ...base, personIds, seconds: step.seconds, queueId: null, pattern: step.pattern }];
    }),
  );

/** Weeks ahead that are looked at. */
const AHEAD = 26;
/**
 * The next week from Monday on in which no hours have an exception: a usual one.
 * @param today ISO date @returns its Monday, and whether it is usual; where none is, the next one
 */
export function usualMonday(system: System, today: string): { monday: string; usual: boolean } {
  const next = addDays(today, 8 - weekdayOf(dayNumber(today)));
  const calendars = Object.values(system.hours).map(calendarOf);
  for (let week = 0; week < AHEAD; week++) {
    const monday = dayNumber(next) + week * 7;
    const isUsual = Array.from({ length: 7 }, (_, day) => monday + day).every((day) =>
      calendars.every((calendar) => !calendar.on(day).exception),
    );
    if (isUsual) return { monday: addDays(next, week * 7), usual: true };
  }
  return { monday: next, usual: false };
}
