/** Checks of where calls go: loops, keys to nowhere, queues, promises. */
import { sentTo } from '../answering';
import { leftInWords } from '../coverage';
import { dateInWords, localTime } from '../hours';
import { expectationInWords, promiseInWords } from '../promises';
import { type Plan } from '../system';
import type { Check, Finding, Sight } from './finding';
import { everyStep } from './steps';

/** Plans that send calls round in a circle. */
export const loops: Check = ({ system }) => {
  const found = new Map<string, Finding>();
  const walk = (plan: Plan, way: string[]): void => {
    if (way.includes(plan.id)) {
      const circle = way.slice(way.indexOf(plan.id));
      const id = [...circle].sort().join(' ');
      if (found.has(id)) return;
      const names = circle.map((p) => system.plans[p]!.name);
      found.set(id, {
        id: `loop:${id}`,
        severity: 'stops',
        place: { kind: 'plan', id: circle[0]!, ...gotoIn(system.plans[circle.at(-1)!]!, plan.id) },
        title:
          circle.length === 1
            ? `${names[0]} sends calls to itself`
            : `${names.join(' and ')} send calls round in a circle`,
        detail: 'A call that takes this way goes round ten times and is then cut off.',
      });
      return;
    }
    for (const { planId: id } of sentTo(plan))
      if (system.plans[id]) walk(system.plans[id], [...way, plan.id]);
  };
  for (const plan of Object.values(system.plans)) walk(plan, []);
  return [...found.values()];
};

const gotoIn = (plan: Plan, to: string): { stepId: string } | object => {
  const sent = sentTo(plan).find((s) => s.planId === to);
  return sent ? { stepId: sent.stepId } : {};
};

/** Keys of menus that lead nowhere of their own, or that come late. */
export const keys: Check = ({ system }) =>
  everyStep(system, 'menu').flatMap(({ plan, step }): Finding[] => {
    const place = { kind: 'plan' as const, id: plan.id, stepId: step.id };
    const empty = step.branches.filter((b) => b.key.length === 1 && !b.steps.length);
    const found = empty.map((branch): Finding => {
      const branches = step.branches.filter((b) => b !== branch);
      return {
        id: `dead-key:${step.id}:${branch.key}`,
        severity: 'warning',
        place,
        title: `Key ${branch.key} of ${plan.name} leads nowhere of its own`,
        detail: 'Whoever presses it gets what callers get who press nothing.',
        fix: {
          label: 'Remove the key',
          edit: {
            words: `Remove key ${branch.key} from ${plan.name}`,
            commands: [{ do: 'step.set', planId: plan.id, step: { ...step, branches } }],
          },
        },
      };
    });
    if (!step.dialExtension) return found;
    const heads = new Set(Object.values(system.people).map((p) => p.extension[0]));
    const late = step.branches.filter((b) => b.key.length === 1 && heads.has(b.key)).map((b) => b.key);
    if (late.length)
      found.push({
        id: `late-key:${step.id}`,
        severity: 'hint',
        place,
        title: `${late.length === 1 ? `Key ${late[0]}` : `Keys ${late.join(', ')}`} of ${plan.name} ${late.length === 1 ? 'waits' : 'wait'} ${system.business.digitSeconds} s`,
        detail: 'Extensions begin with that digit, so the menu waits whether more are dialled.',
      });
    return found;
  });

/** Queues nobody serves. */
export const queues: Check = ({ system }) =>
  Object.values(system.queues).flatMap((queue): Finding[] =>
    queue.memberIds.length
      ? []
      : [
          {
            id: `empty-queue:${queue.id}`,
            severity: 'warning',
            place: { kind: 'queue', id: queue.id },
            title: `Nobody serves the queue ${queue.name}`,
            detail: 'Callers leave it at once, as if nobody were logged in.',
          },
        ],
  );

/** People whose calls are sent on in a circle. */
export const forwardLoops: Check = ({ system, document }) => {
  const next = (id: string): string | undefined => {
    const always = system.people[id]?.reach.always;
    return always?.to === 'person' ? always.personId : undefined;
  };
  const seen = new Set<string>();
  return Object.values(system.people).flatMap((person): Finding[] => {
    const way: string[] = [];
    for (let at: string | undefined = person.id; at && !way.includes(at); at = next(at)) way.push(at);
    const last = next(way.at(-1)!);
    if (!last || !way.includes(last)) return [];
    const circle = way.slice(way.indexOf(last));
    const id = [...circle].sort().join(' ');
    if (seen.has(id)) return [];
    seen.add(id);
    return [
      {
        id: `forward-loop:${id}`,
        severity: 'warning',
        place: { kind: 'person', id: circle[0]! },
        title: `${circle.map((p) => system.people[p]?.name ?? '').join(' and ')} send their calls to each other`,
        detail: 'A caller goes once round and rings whoever is last in it: hardly what anybody meant.',
        // What somebody has set themselves is theirs to take back.
        ...(document.people[circle[0]!]?.reach.always
          ? {
              fix: {
                label: `Stop forwarding for ${system.people[circle[0]!]!.name}`,
                edit: {
                  words: `${system.people[circle[0]!]!.name} forwards no calls`,
                  commands: [
                    {
                      do: 'person.set',
                      id: circle[0]!,
                      change: { reach: { ...document.people[circle[0]!]!.reach, always: null } },
                    },
                  ],
                },
              },
            }
          : {}),
      },
    ];
  });
};

/** Promises that are broken, or of which it is not known, as a worker found. */
export const promises: Check = ({ system, broken }: Sight) =>
  (broken ?? []).flatMap((verdict): Finding[] => {
    const { promised, at } = verdict;
    if (!system.promises[promised.id]) return [];
    const { date } = localTime(system.business.timeZone, at);
    const planId = system.numbers[promised.numberId]?.planId;
    const place: Finding['place'] = planId
      ? { kind: 'plan', id: planId }
      : { kind: 'number', id: promised.numberId };
    if (verdict.is === 'not followed')
      return [
        {
          id: `not-followed:${promised.id}`,
          severity: 'warning',
          place,
          title: `Promise not followed to the end: ${promised.name}`,
          detail: `${promiseInWords(promised, system)}. No call that was followed breaks it. Chance opens more: from ${dateInWords(date)} on. ${leftInWords(verdict.left)}`,
        },
      ];
    const { expectation } = verdict;
    return [
      {
        id: `broken:${promised.id}`,
        severity: 'stops',
        place,
        title: `Promise broken: ${promised.name}`,
        detail: `${promiseInWords(promised, system)}. First broken on ${dateInWords(date)}${expectation ? `: not ${expectationInWords(expectation, system)}` : ''}.`,
      },
    ];
  });
