/** Checks of where calls go: loops, keys to nowhere, queues, rotas, hours, outside phones, promises. */
import { piecesOf, spansInWords, worstEnd } from '../coverage';
import { addDays, daysOf, localTime, momentOf, momentOfDay, shiftsOf } from '../hours';
import { expectationInWords, promiseInWords } from '../promises';
import { allSteps, type Hours, type Plan, type RingStep, type Rota, type Step, type System } from '../system';
import { writeNumber } from '../numbering';
import type { Check, Finding, Sight } from './finding';

const DAY_MS = 86_400_000;

/** Plans that send calls round in a circle. */
export const loops: Check = ({ system }) => {
  const next = (plan: Plan): string[] =>
    [...allSteps(plan.steps)].flatMap((s) => (s.kind === 'goto' && s.planId ? [s.planId] : []));
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
    for (const id of next(plan)) if (system.plans[id]) walk(system.plans[id], [...way, plan.id]);
  };
  for (const plan of Object.values(system.plans)) walk(plan, []);
  return [...found.values()];
};

const gotoIn = (plan: Plan, to: string): { stepId: string } | object => {
  const step = [...allSteps(plan.steps)].find((s) => s.kind === 'goto' && s.planId === to);
  return step ? { stepId: step.id } : {};
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

/** So many days ahead a rota is looked through. */
const ROTA_DAYS = 56;

/** Times at which nobody is on duty. */
export const rotas: Check = ({ system, today }) => {
  const zone = system.business.timeZone;
  const from = momentOf(zone, today, 0);
  return Object.values(system.rotas).flatMap((rota): Finding[] => {
    const place = { kind: 'rota' as const, id: rota.id };
    const gap = shiftsOf(rota, zone, from, from + ROTA_DAYS * DAY_MS).find((s) => s.personId === null);
    if (!gap) return [];
    const when = localTime(zone, gap.from).date;
    return [
      {
        id: `gap:${rota.id}`,
        severity: 'warning',
        place,
        title: `Nobody is on duty in ${rota.name} from ${when}`,
        detail: 'Plans that ring whoever is on duty ring nobody then.',
        ...withoutSwap(rota, when),
      },
    ];
  });
};

/** A gap that somebody was swapped out into is closed by taking that back. */
function withoutSwap(rota: Rota, date: string): Pick<Finding, 'fix'> {
  const swap = rota.swaps.find((s) => s.personId === null && s.from.slice(0, 10) === date);
  return swap
    ? {
        fix: {
          label: 'Take that swap back',
          edit: {
            words: `${rota.name}: whoever has the turn from ${date} has it again`,
            commands: [
              { do: 'rota.set', id: rota.id, change: { swaps: rota.swaps.filter((s) => s !== swap) } },
            ],
          },
        },
      }
    : {};
}

/** Hours that plans ask and that know no holiday in the coming year. */
export const holidays: Check = ({ system, today }) => {
  const asked = new Set(everyStep(system, 'hours').flatMap(({ step }) => step.hoursId ?? []));
  return Object.values(system.hours).flatMap((hours): Finding[] =>
    !asked.has(hours.id) || !hours.weekly.length || allWeek(hours) || knowsDays(hours, today)
      ? []
      : [
          {
            id: `no-holidays:${hours.id}`,
            severity: 'hint',
            place: { kind: 'hours', id: hours.id },
            title: `${hours.name} knows no holiday in the coming twelve months`,
            detail: 'On public holidays callers get what they get on any other day.',
          },
        ],
  );
};

const allWeek = (hours: Hours): boolean =>
  [1, 2, 3, 4, 5, 6, 7].every(
    (day) => hours.weekly.filter((p) => p.day === day).reduce((all, p) => all + p.to - p.from, 0) === 1440,
  );

function knowsDays(hours: Hours, today: string): boolean {
  const end = addDays(today, 366);
  return (hours.exceptions ?? []).some(({ when }) => {
    if (daysOf(when) > 31) return false;
    if (when.on === 'yearly') return true;
    return when.on === 'range'
      ? when.to >= today && when.from <= end
      : when.dates.some((d) => d >= today && d <= end);
  });
}

/** Outside numbers that are taken by lifting: their own voicemail can take the call. */
export const outsideUnconfirmed: Check = ({ system }) =>
  Object.values(system.plans).flatMap((plan) =>
    [...allSteps(plan.steps)].flatMap((step): Finding[] => {
      const to = takenByLifting(step);
      if (!to) return [];
      return [
        {
          id: `unconfirmed:${step.id}`,
          severity: 'warning',
          place: { kind: 'plan', id: plan.id, stepId: step.id },
          title: `${writeNumber(to, system.business.country)} can swallow calls to ${plan.name}`,
          detail: 'If its own voicemail answers, the business never hears of the caller.',
          fix: {
            label: 'Ask for a key press',
            edit: {
              words: `Calls to ${writeNumber(to, system.business.country)} are taken by pressing 1`,
              commands: [{ do: 'step.set', planId: plan.id, step: { ...step, confirm: true } as Step }],
            },
          },
        },
      ];
    }),
  );

function takenByLifting(step: Step): string | undefined {
  if (step.kind === 'forward') return step.confirm ? undefined : (step.number ?? undefined);
  if (step.kind !== 'ring' || step.confirm || step.askName) return undefined;
  return step.targets.find(
    (t): t is Extract<RingStep['targets'][number], { kind: 'outside' }> => t.kind === 'outside',
  )?.id;
}

/** Hours of the week in which a call to a number ends badly. */
export const badHours: Check = ({ system, standing, today }) => {
  const zone = system.business.timeZone;
  const from = momentOf(zone, today, 0);
  const to = momentOfDay(zone, localTime(zone, from).days + 7, 0);
  return Object.values(system.numbers).flatMap((number): Finding[] => {
    if (!number.planId || !system.plans[number.planId]?.steps.length) return [];
    const bad = piecesOf(system, standing, number, from, to).filter((p) => worstEnd(p) === 'nobody');
    const ms = bad.reduce((all, p) => all + p.to - p.from, 0);
    if (ms < BAD_MS) return [];
    return [
      {
        id: `bad-hours:${number.id}`,
        severity: 'warning',
        place: { kind: 'plan', id: number.planId },
        title: `Callers to ${number.label} reach nobody and no mailbox`,
        detail: `${spansInWords(
          bad.map((p) => [p.from, p.to]),
          zone,
          [from, to],
        )}. They are cut off, or hear it ring without end.`,
      },
    ];
  });
};

/** Less than this in a week is the length of one call around a change of hours. */
const BAD_MS = 300_000;

/** People whose calls are sent on in a circle. */
export const forwardLoops: Check = ({ system }) => {
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
        detail: 'None of their phones ring; a caller goes straight on.',
        fix: {
          label: `Stop forwarding for ${system.people[circle[0]!]!.name}`,
          edit: {
            words: `${system.people[circle[0]!]!.name} forwards no calls`,
            commands: [
              {
                do: 'person.set',
                id: circle[0]!,
                change: { reach: { ...system.people[circle[0]!]!.reach, always: null } },
              },
            ],
          },
        },
      },
    ];
  });
};

/** Promises that are broken, as a worker found. */
export const promises: Check = ({ system, broken }: Sight) =>
  (broken ?? []).flatMap(({ promised, at, expectation }): Finding[] => {
    if (!system.promises[promised.id]) return [];
    const { date } = localTime(system.business.timeZone, at);
    const planId = system.numbers[promised.numberId]?.planId;
    return [
      {
        id: `broken:${promised.id}`,
        severity: 'stops',
        place: planId ? { kind: 'plan', id: planId } : { kind: 'number', id: promised.numberId },
        title: `Promise broken: ${promised.name}`,
        detail: `${promiseInWords(promised, system)}. First broken on ${date}${expectation ? `: not ${expectationInWords(expectation, system)}` : ''}.`,
      },
    ];
  });

function everyStep<K extends Step['kind']>(system: System, kind: K) {
  return Object.values(system.plans).flatMap((plan) =>
    [...allSteps(plan.steps)]
      .filter((s): s is Extract<Step, { kind: K }> => s.kind === kind)
      .map((step) => ({ plan, step })),
  );
}
