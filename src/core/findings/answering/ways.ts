/** Checks of where calls go: loops, keys to nowhere, queues, promises. */
import { keysNamed, keysOf, sentTo } from '../../answering';
import { leftInWords } from '../../coverage';
import { dateInWords, localTime } from '../../hours';
import { expectationInWords, promiseInWords } from '../../promises';
import { servingOf, whereIs, type MenuStep, type Plan, type Step } from '../../system';
import type { Check, Finding, Sight } from '../finding';
import { everyStep } from '../steps';

/** What lies between the beginning of a plan and one of its steps: a key that the caller has to press, time that passes, or nothing. */
function between(plan: Plan, stepId: string): 'key' | 'wait' | 'nothing' {
  let found: 'wait' | 'nothing' = 'nothing';
  for (
    let at = whereIs(plan.steps, stepId);
    at;
    at = at.place ? whereIs(plan.steps, at.place.parentId) : undefined
  ) {
    const { place } = at;
    const inside = place && whereIs(plan.steps, place.parentId);
    const parent = inside?.list[inside.index];
    if (parent?.kind === 'menu' && place!.branch >= 0 && parent.branches[place!.branch]!.key.length === 1)
      return 'key';
    if ([...at.list.slice(0, at.index), ...(parent ? [parent] : [])].some((s) => WAITS.has(s.kind)))
      found = 'wait';
  }
  return found;
}
const WAITS: ReadonlySet<Step['kind']> = new Set(['ring', 'queue', 'menu', 'forward']);

/** Plans that send calls round in a circle, unless the caller presses a key each time round. */
export const loops: Check = ({ system }) => {
  const found = new Map<string, Finding>();
  const walk = (plan: Plan, way: { plan: Plan; stepId: string }[]): void => {
    const from = way.findIndex((w) => w.plan.id === plan.id);
    if (from >= 0) {
      const circle = way.slice(from);
      const lies = circle.map((w) => between(w.plan, w.stepId));
      const ids = circle.map((w) => w.plan.id);
      const id = [...ids].sort().join(' ');
      const known = found.get(id);
      if (lies.includes('key') || known?.severity === 'stops') return;
      const names = circle.map((w) => w.plan.name);
      const waits = lies.includes('wait');
      found.set(id, {
        id: `loop:${id}`,
        severity: waits ? 'warning' : 'stops',
        place: { kind: 'plan', id: ids[0]!, stepId: circle.at(-1)!.stepId },
        title:
          circle.length === 1
            ? `${names[0]} sends calls to itself`
            : `${names.join(' and ')} send calls round in a circle`,
        detail: waits
          ? 'Whoever waits and presses nothing goes round ten times and is then cut off.'
          : 'A call that takes this way goes round ten times at once and is cut off: a key or ringing has to lie between.',
      });
      return;
    }
    for (const { planId: id, stepId } of sentTo(plan))
      if (system.plans[id]) walk(system.plans[id], [...way, { plan, stepId }]);
  };
  for (const plan of Object.values(system.plans)) walk(plan, []);
  return [...found.values()];
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
    found.push(...wordsAndKeys(system, step, place));
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

/** What a menu says against what its keys do: words that name a key that leads nowhere, keys that they never name. */
function wordsAndKeys(system: Sight['system'], step: MenuStep, place: Finding['place']): Finding[] {
  const recording = step.recordingId ? system.recordings[step.recordingId] : undefined;
  const named = keysNamed(recording?.text ?? '');
  // Words in which no key is known may name all of them in a way of their own.
  if (!recording || !named.length) return [];
  const does = keysOf(step);
  const extensions = step.dialExtension
    ? new Set(Object.values(system.people).map((p) => p.extension[0]))
    : null;
  const nowhere = named.filter((key) => !does.has(key) && !extensions?.has(key));
  const unsaid = [...does.keys()].filter(
    (key) => !named.includes(key) && (step.branches.find((b) => b.key === key)?.steps.length ?? 1) > 0,
  );
  const keys = (all: readonly string[]) => `${all.length === 1 ? 'key' : 'keys'} ${all.join(', ')}`;
  return [
    ...(nowhere.length
      ? [
          {
            id: `words-nowhere:${step.id}`,
            severity: 'warning' as const,
            place,
            title: `“${recording.name}” names ${keys(nowhere)}, and nothing happens there`,
            detail: 'Whoever presses it is told that the key is wrong, or hears the menu again.',
          },
        ]
      : []),
    ...(unsaid.length
      ? [
          {
            id: `key-unsaid:${step.id}`,
            severity: 'hint' as const,
            place,
            title: `“${recording.name}” never names ${keys(unsaid)}`,
            detail: 'Nobody knows of it who is not told.',
          },
        ]
      : []),
  ];
}

/** Queues nobody serves. */
export const queues: Check = ({ system }) =>
  Object.values(system.queues).flatMap((queue): Finding[] =>
    servingOf(system, queue.id).length
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
