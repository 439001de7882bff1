/** Somebody leaves: what rang them and what they looked after, and handing each of it on in one edit. */
import { dateInWords } from '../hours';
import {
  allSteps,
  type Command,
  withOwn,
  type ForwardTarget,
  type Own,
  type Reach,
  type RingStep,
  type RingTarget,
  type System,
} from '../system';

/** One thing that is to be handed to somebody. */
export interface LeftBehind {
  /** The same for the same thing. */
  key: string;
  kind: 'step' | 'group' | 'rota' | 'queue' | 'contact' | 'forward' | 'stand-in' | 'site' | 'number' | 'key';
  /** What it is, in words. */
  words: string;
  /** Nobody else is rung or told there: without an heir it stays empty. */
  alone: boolean;
  /** Where it is: the object the command changes, and which part of it. */
  id: string;
  part: string;
}

export interface Handover {
  /** Who gets each thing, by its key; null or missing is nobody. */
  heirs: Record<string, string | null>;
  /** Who hears the mailbox from now on; null keeps it for nobody, so that it can still be opened. */
  mailboxTo: string | null;
  /** A colleague who answers the extension until a day (ISO), or null to free it. */
  extensionTo: { personId: string; until: string } | null;
}

const FORWARDS = {
  always: 'all calls',
  onBusy: 'calls when busy',
  onDeclined: 'declined calls',
  onUndisturbed: 'calls while not to be disturbed',
  onNotAnswered: 'calls not answered',
  onUnreachable: 'calls when unreachable',
} as const;

/**
 * Everything that points at somebody, besides their own phones and mailbox.
 * @param own what colleagues have set for themselves, which may lead to whoever leaves
 */
export function leftBehind(system: System, personId: string, own?: Own): LeftBehind[] {
  const isThem = (t: RingTarget) => t.kind === 'person' && t.id === personId;
  const found: LeftBehind[] = [];
  const add = (kind: LeftBehind['kind'], id: string, part: string, words: string, alone = false) =>
    found.push({ key: `${kind}:${id}:${part}`, kind, id, part, words, alone });
  for (const plan of Object.values(system.plans))
    for (const step of allSteps(plan.steps))
      if (step.kind === 'ring' && step.targets.some(isThem)) {
        const numbers = Object.values(system.numbers).filter((n) => n.planId === plan.id);
        const alone = step.targets.every(isThem);
        const calls = numbers.length
          ? `calls to ${numbers.map((n) => n.label).join(', ')}`
          : 'no number uses it';
        add(
          'step',
          plan.id,
          step.id,
          `Plan ${plan.name} rings them${alone ? ' alone' : ''} (${calls})`,
          alone,
        );
      }
  for (const group of Object.values(system.groups))
    if (group.members.some(isThem))
      add('group', group.id, '', `Group ${group.name}`, group.members.every(isThem));
  for (const rota of Object.values(system.rotas)) {
    const turns = rota.turns.filter((id) => id === personId).length;
    if (turns || rota.swaps.some((s) => s.personId === personId))
      add('rota', rota.id, '', `Turns in the rota ${rota.name}`, turns === rota.turns.length);
  }
  for (const queue of Object.values(system.queues))
    if (queue.memberIds.includes(personId))
      add('queue', queue.id, '', `Serves the queue ${queue.name}`, queue.memberIds.length === 1);
  for (const contact of Object.values(system.contacts))
    if (contact.ownerId === personId) add('contact', contact.id, '', `Looks after ${contact.name}`, true);
  for (const other of Object.values(withOwn(system, own).people)) {
    if (other.id === personId) continue;
    for (const [part, words] of Object.entries(FORWARDS)) {
      const target = other.reach[part as keyof typeof FORWARDS];
      if (target?.to === 'person' && target.personId === personId)
        add('forward', other.id, part, `${other.name} sends ${words} to them`, true);
    }
    for (const [i, span] of other.away.entries())
      if (span.standInId === personId)
        add(
          'stand-in',
          other.id,
          String(i),
          `They stand in for ${other.name}, ${dateInWords(span.from)} to ${dateInWords(span.to)}`,
          true,
        );
  }
  for (const site of Object.values(system.sites))
    if (site.notify.personIds.includes(personId)) {
      const alone = site.notify.personIds.length === 1 && !site.notify.mailTo.length;
      add('site', site.id, '', `Told of emergency calls at ${site.name}`, alone);
    }
  for (const number of Object.values(system.numbers))
    if (number.callerIdFor !== 'everybody' && number.callerIdFor.includes(personId))
      add('number', number.id, '', `May show ${number.label} as caller ID`, number.callerIdFor.length === 1);
  for (const phone of Object.values(system.phones))
    for (const k of phone.keys)
      if (k.personId === personId) {
        const host = system.people[phone.personId ?? '']?.name;
        add('key', phone.id, '', `A key on ${host ? `${host}’s ` : ''}${phone.name.toLowerCase()}`);
      }
  return found;
}

/**
 * The commands of one edit that hands everything on and removes the person. Phones go with them.
 * @param own what colleagues have set for themselves: where that led to whoever leaves, the edit is the later word
 */
export function leavingCommands(system: System, personId: string, handover: Handover, own?: Own): Command[] {
  const set = withOwn(system, own);
  const person = system.people[personId]!;
  const heirOf = (item: LeftBehind): string | null => handover.heirs[item.key] ?? null;
  const swap = (ids: readonly string[], heir: string | null): string[] => [
    ...new Set(ids.flatMap((id) => (id === personId ? (heir ?? []) : id))),
  ];
  const swapTargets = (targets: readonly RingTarget[], heir: string | null): RingTarget[] => {
    const there = targets.some((t) => t.kind === 'person' && t.id === heir);
    return targets.flatMap((t): RingTarget[] =>
      t.kind !== 'person' || t.id !== personId ? [t] : heir && !there ? [{ kind: 'person', id: heir }] : [],
    );
  };
  // Several items may change the same object: each looks at what the ones before it left.
  const reaches = new Map<string, Reach>();
  const aways = new Map<string, System['people'][string]['away']>();
  const commands: Command[] = [];
  for (const item of leftBehind(system, personId, own)) {
    const heir = heirOf(item);
    if (item.kind === 'step') {
      const step = [...allSteps(system.plans[item.id]!.steps)].find((s) => s.id === item.part) as RingStep;
      commands.push({
        do: 'step.set',
        planId: item.id,
        step: { ...step, targets: swapTargets(step.targets, heir) },
      });
    } else if (item.kind === 'group') {
      const { members } = system.groups[item.id]!;
      commands.push({ do: 'group.set', id: item.id, change: { members: swapTargets(members, heir) } });
    } else if (item.kind === 'rota') {
      const { turns, swaps } = system.rotas[item.id]!;
      const given = (id: string | null) => (id === personId ? heir : id);
      commands.push({
        do: 'rota.set',
        id: item.id,
        change: {
          turns: turns.map(given),
          swaps: swaps.map((s) => ({ ...s, personId: given(s.personId) })),
        },
      });
    } else if (item.kind === 'queue') {
      const memberIds = swap(system.queues[item.id]!.memberIds, heir);
      commands.push({ do: 'queue.set', id: item.id, change: { memberIds } });
    } else if (item.kind === 'contact') {
      commands.push({ do: 'contact.set', id: item.id, change: { ownerId: heir } });
    } else if (item.kind === 'forward') {
      const target: ForwardTarget | null = heir && heir !== item.id ? { to: 'person', personId: heir } : null;
      reaches.set(item.id, {
        ...(reaches.get(item.id) ?? system.people[item.id]!.reach),
        [item.part]: target,
      });
    } else if (item.kind === 'stand-in') {
      const away = aways.get(item.id) ?? set.people[item.id]!.away;
      const standInId = heir === item.id ? null : heir;
      aways.set(
        item.id,
        away.map((a, i) => (i === Number(item.part) ? { ...a, standInId } : a)),
      );
    } else if (item.kind === 'site') {
      const { notify } = system.sites[item.id]!;
      const personIds = swap(notify.personIds, heir);
      commands.push({ do: 'site.set', id: item.id, change: { notify: { ...notify, personIds } } });
    } else if (item.kind === 'number') {
      const callerIdFor = swap(system.numbers[item.id]!.callerIdFor as string[], heir);
      commands.push({ do: 'number.set', id: item.id, change: { callerIdFor } });
    } else {
      const phone = system.phones[item.id]!;
      const has = heir === phone.personId || phone.keys.some((k) => k.personId === heir);
      const keys = phone.keys.flatMap((k) =>
        k.personId !== personId ? [k] : heir && !has ? [{ ...k, personId: heir }] : [],
      );
      commands.push({ do: 'phone.set', id: item.id, change: { keys } });
    }
  }
  for (const [id, reach] of reaches) commands.push({ do: 'person.set', id, change: { reach } });
  for (const [id, away] of aways) commands.push({ do: 'person.set', id, change: { away } });
  for (const mailbox of Object.values(system.mailboxes))
    if (mailbox.ownerIds.includes(personId)) {
      const own = mailbox.id === person.mailboxId;
      const ownerIds = swap(mailbox.ownerIds, own ? handover.mailboxTo : null);
      commands.push({ do: 'mailbox.set', id: mailbox.id, change: { ownerIds } });
    }
  commands.push({ do: 'person.remove', id: personId });
  const { extensionTo } = handover;
  const colleague = extensionTo ? system.people[extensionTo.personId] : undefined;
  if (extensionTo && colleague)
    commands.push({
      do: 'person.set',
      id: colleague.id,
      change: {
        further: [
          ...colleague.further,
          { extension: person.extension, until: extensionTo.until, note: `for ${person.name}`.slice(0, 60) },
        ],
      },
    });
  return commands;
}
