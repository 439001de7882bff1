/** The simplest plans, and a mailbox of a plan's own: what a number needs so that phones ring and a message is kept. */
import {
  allSteps,
  newMailbox,
  USUAL_RING_SECONDS,
  type Command,
  type Mailbox,
  type NumberHeld,
  type Person,
  type Plan,
  type Step,
  type System,
} from '../system';
import { readingOf } from './kinds';

/** Rings people, then takes a message. */
const isSimple = ({ steps }: Plan): boolean =>
  steps.length <= 2 && steps.every((s) => s.kind === 'ring' || s.kind === 'voicemail');

/**
 * Gives a number to one person, or to several whose phones then all ring: the commands of one edit. Whoever has no
 * mailbox gets one. A plan that was as simple as this and that no other number uses is removed.
 */
export function assignNumber(
  system: System,
  numberId: string,
  personIds: readonly string[],
  freshId: (kind: string) => string,
): Command[] {
  const number = system.numbers[numberId]!;
  const people = personIds.flatMap((id) => system.people[id] ?? []);
  const one = people.length === 1 ? people[0]! : null;
  const old = number.planId ? system.plans[number.planId] : undefined;
  const usedElsewhere = Object.values(system.numbers).some((n) => n.id !== numberId && n.planId === old?.id);
  if (old && !one && !usedElsewhere && isSimple(old)) return shared(system, number, old, people, freshId);
  const planId = freshId('plan');
  const name = one?.name ?? number.label;
  // A mailbox that is called so already is the one that is meant.
  const known = one?.mailboxId ?? Object.values(system.mailboxes).find((m) => !one && m.name === name)?.id;
  const mailboxId = known ?? freshId('mailbox');
  const commands: Command[] = [];
  if (!known) {
    commands.push({
      do: 'mailbox.add',
      value: newMailbox({ id: mailboxId, name, ownerIds: people.map((p) => p.id) }),
    });
    if (one) commands.push({ do: 'person.set', id: one.id, change: { mailboxId } });
  }
  commands.push(
    {
      do: 'plan.add',
      value: {
        id: planId,
        name,
        steps: [
          {
            id: freshId('step'),
            kind: 'ring',
            targets: people.map((p) => ({ kind: 'person', id: p.id })),
            pattern: 'together',
            seconds: USUAL_RING_SECONDS,
            followReach: one !== null,
          },
          { id: freshId('step'), kind: 'voicemail', mailboxId },
        ],
      },
    },
    {
      do: 'number.set',
      id: numberId,
      change: { planId, use: one ? 'direct' : 'shared', ...(one ? shownBy(number, one.id) : {}) },
    },
  );
  if (old && !usedElsewhere && isSimple(old)) commands.push({ do: 'plan.remove', id: old.id });
  return commands;
}

/** Somebody's direct number is what their calls show: whoever has one may show it. */
const shownBy = ({ callerIdFor }: NumberHeld, personId: string): Partial<NumberHeld> =>
  callerIdFor === 'everybody' || callerIdFor.includes(personId)
    ? {}
    : { callerIdFor: [...callerIdFor, personId] };

/** A number whose plan only rang somebody rings several: the plan it has is changed, and its mailbox goes on taking the messages. */
function shared(
  system: System,
  number: NumberHeld,
  plan: Plan,
  people: readonly Person[],
  freshId: (kind: string) => string,
): Command[] {
  const targets = people.map((p) => ({ kind: 'person' as const, id: p.id }));
  const ring = plan.steps.find((s) => s.kind === 'ring');
  const rings: Step = ring
    ? { ...ring, targets, followReach: false }
    : {
        id: freshId('step'),
        kind: 'ring',
        targets,
        pattern: 'together',
        seconds: USUAL_RING_SECONDS,
        followReach: false,
      };
  const others = plan.steps.filter((s) => s.kind !== 'ring');
  const commands: Command[] = [];
  if (!others.length) {
    const mailboxId =
      Object.values(system.mailboxes).find((m) => m.name === number.label)?.id ?? freshId('mailbox');
    if (!system.mailboxes[mailboxId])
      commands.push({
        do: 'mailbox.add',
        value: newMailbox({ id: mailboxId, name: number.label, ownerIds: people.map((p) => p.id) }),
      });
    others.push({ id: freshId('step'), kind: 'voicemail', mailboxId });
  }
  return [
    ...commands,
    { do: 'plan.set', id: plan.id, change: { steps: [rings, ...others] } },
    { do: 'number.set', id: number.id, change: { use: 'shared' } },
  ];
}

/** A mailbox of a plan's own: heard by the people it rings. */
export const mailboxFor = (plan: Plan, id: string): Mailbox => {
  const rung = [...allSteps(plan.steps)].flatMap((step) => [...(readingOf(step).rings?.(step) ?? [])]);
  const people = rung.filter((t) => t.kind === 'person').map((t) => t.id);
  return newMailbox({ id, name: plan.name, ownerIds: [...new Set(people)], longest: 180 });
};
