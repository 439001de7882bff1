/** Checks of plans: does every call end in something that answers, records or deliberately ends? */
import { layOut, readingOf, waysOn } from '../../answering';
import { rehearse } from '../../calls';
import { unansweredCall } from '../../coverage';
import { momentOf } from '../../hours';
import { profileOf, ringCycle, ringsIn } from '../../numbering';
import { alertDelay, allSteps, asPaired, flatTargets, newPlan, type Plan, type System } from '../../system';
import type { Check, Finding, Sight } from '../finding';
import { phonesRung } from '../steps';

/** Ringing this long or longer is felt as long. Common practice, no source. */
const LONG_RINGING_S = 30;

const everyPlan =
  (look: (plan: Plan, sight: Sight) => Finding[]): Check =>
  (sight) =>
    Object.values(sight.system.plans).flatMap((plan) => look(plan, sight));

/** Every step a call can reach, and after which steps a plan runs out. */
function walkAll(plan: Plan): { reached: Set<string>; open: Set<string | null> } {
  const { first, stops } = layOut(plan);
  const reached = new Set<string>();
  const open = new Set<string | null>();
  const walk = (id: string | null, from: string | null) => {
    if (id === null) return void open.add(from);
    if (reached.has(id)) return;
    reached.add(id);
    for (const next of waysOn(stops.get(id)!)) walk(next, id);
  };
  walk(first, null);
  return { reached, open };
}

/** A way through the plan that runs out of steps: the caller is cut off. */
export const deadEnd = everyPlan((plan, { system, freshId }) => {
  const { open } = walkAll(plan);
  if (!open.size) return [];
  const last = [...open].at(-1) ?? undefined;
  const mailbox = likelyMailbox(plan, system);
  const stepId = freshId('step');
  return [
    {
      id: `dead-end:${plan.id}`,
      severity: 'stops',
      place: { kind: 'plan', id: plan.id, ...(last ? { stepId: last } : {}) },
      title: `${plan.name} can end without an answer`,
      detail: plan.steps.length
        ? 'A call that nobody takes is cut off after the last step.'
        : 'The plan has no steps: every call is cut off at once.',
      fix: {
        label: mailbox ? `Add voicemail ${system.mailboxes[mailbox]!.name}` : 'Add an end with busy tone',
        edit: {
          words: `End ${plan.name} with ${mailbox ? 'voicemail' : 'busy tone'}`,
          commands: [
            {
              do: 'step.add',
              planId: plan.id,
              place: null,
              index: plan.steps.length,
              step: mailbox
                ? { id: stepId, kind: 'voicemail', mailboxId: mailbox }
                : { id: stepId, kind: 'end', how: 'busy' },
            },
          ],
        },
      },
    },
  ];
});

/** The mailbox somebody would expect at the end of this plan: of the first person it rings. */
function likelyMailbox(plan: Plan, system: System): string | undefined {
  for (const step of allSteps(plan.steps)) {
    for (const t of flatTargets(readingOf(step).rings?.(step) ?? [], system)) {
      const mailboxId = t.kind === 'person' ? system.people[t.id]?.mailboxId : undefined;
      if (mailboxId) return mailboxId;
    }
  }
  return Object.keys(system.mailboxes)[0];
}

/** Steps that say nothing yet, or that no call can reach. */
export const idleSteps = everyPlan((plan, { system }) => {
  const { reached } = walkAll(plan);
  return [...allSteps(plan.steps)].flatMap((step): Finding[] => {
    const place = { kind: 'plan' as const, id: plan.id, stepId: step.id };
    const found = (what: string, title: string, detail: string): Finding[] => [
      { id: `${what}:${step.id}`, severity: 'warning', place, title, detail },
    ];
    if (!reached.has(step.id))
      return [
        {
          id: `unreached:${step.id}`,
          severity: 'warning',
          place,
          title: `A step of ${plan.name} is never reached`,
          detail: 'Every call is taken, recorded or ended before it.',
          fix: {
            label: 'Remove it',
            edit: {
              words: `Remove a step of ${plan.name} that no call reaches`,
              commands: [{ do: 'step.remove', planId: plan.id, stepId: step.id }],
            },
          },
        },
      ];
    const lacks = readingOf(step).lacks(step, plan, system);
    return lacks ? found(...lacks) : [];
  });
});

/** Ringing too short for a phone to sound, or longer than callers like. */
export const ringLength = everyPlan((plan, { system }) => {
  const cadence = profileOf(system.business.country).ringback;
  const cycle = ringCycle(cadence);
  return [...allSteps(plan.steps)].flatMap((step): Finding[] => {
    if (step.kind !== 'ring') return [];
    const slowest = phonesRung(step, system).sort((a, b) => alertDelay(b) - alertDelay(a))[0];
    const needed = slowest ? Math.ceil(alertDelay(slowest) + cycle) : 0;
    const place = { kind: 'plan' as const, id: plan.id, stepId: step.id };
    const set = (seconds: number) => ({
      label: `Make it ${seconds} s`,
      edit: {
        words: `Ring ${seconds} s in ${plan.name}`,
        commands: [{ do: 'step.set' as const, planId: plan.id, step: { ...step, seconds } }],
      },
    });
    if (slowest && step.seconds < needed)
      return [
        {
          id: `short-ring:${step.id}`,
          severity: 'warning',
          place,
          title: `${plan.name} rings ${step.seconds} s, too short for ${slowest.name.toLowerCase()}`,
          detail: `It starts to sound after about ${alertDelay(slowest)} s; one ring takes ${cycle} s.`,
          fix: set(Math.max(needed, Math.ceil(alertDelay(slowest) + 3 * cycle))),
        },
      ];
    if (step.seconds >= LONG_RINGING_S)
      return [
        {
          id: `long-ring:${step.id}`,
          severity: 'hint',
          place,
          title: `${plan.name} rings ${step.seconds} s, longer than callers expect`,
          detail: `That is ${ringsIn(step.seconds, cadence)} rings; three to four are the habit of the trade.`,
          fix: set(Math.round(Math.max(needed, 3 * cycle))),
        },
      ];
    return [];
  });
});

const AT_TIMES: readonly string[] = ['away', 'quiet hours', 'outside working hours'];

/** Numbers that lead nowhere. */
export const numbersWithoutPlan: Check = ({ system, freshId }) =>
  Object.values(system.numbers).flatMap((number): Finding[] => {
    if (number.planId !== null) return [];
    const planId = freshId('plan');
    return [
      {
        id: `no-plan:${number.id}`,
        severity: 'stops',
        place: { kind: 'number', id: number.id },
        title: `${number.label} has no plan`,
        detail: 'Callers hear that the number is not in service.',
        fix: {
          label: 'Start a plan for it',
          edit: {
            words: `Start a plan for ${number.label}`,
            commands: [
              { do: 'plan.add', value: newPlan({ id: planId, name: number.label }) },
              { do: 'number.set', id: number.id, change: { planId } },
            ],
          },
        },
      },
    ];
  });

/** Numbers whose call now tries phones of which none can ring. */
export const numbersThatRingNobody: Check = ({ system, standing, today, now }) => {
  const paired = asPaired(standing);
  const at = now ?? momentOf(system.business.timeZone, today, 720);
  return Object.values(system.numbers).flatMap((number): Finding[] => {
    if (number.planId === null) return [];
    const trace = rehearse(system, paired, unansweredCall(number, at));
    // Somebody away or out of hours at the moment asked about is rung at others.
    const tried = trace.some((e) => e.kind === 'not rung' && !AT_TIMES.includes(e.why));
    const rung = trace.some((e) => e.kind === 'leg offered');
    if (!tried || rung) return [];
    return [
      {
        id: `nobody-rings:${number.id}`,
        severity: 'warning',
        place: { kind: 'plan', id: number.planId },
        title: `Calls to ${number.label} ring no phone`,
        detail: 'None of the phones in its plan can ring yet: pair them, or the caller goes straight on.',
      },
    ];
  });
};
