/** Who calls a number: besides somebody new who presses nothing, everybody whom its plans treat in a way of their own. */
import { readingOf, testInWords } from '../answering';
import { NEW_CALLER, type Origin } from '../calls';
import { once } from '../once';
import {
  extensionsInUse,
  listsOf,
  usualUnwanted,
  type CallerTest,
  type ExtensionInUse,
  type NumberHeld,
  type Step,
  type System,
} from '../system';
import { unansweredCall, type CallAt } from './pieces';

/** Somebody who calls, and what they press; nobody answers them. */
export interface Caller {
  /** The same as long as the plans treat them in the same place. Empty for somebody new who presses nothing. */
  id: string;
  /** "pressing 1 then 2", "on the list Suppliers"; empty for somebody new who presses nothing. */
  words: string;
  callAt: CallAt;
  /** Whose extension is dialled, where it is. */
  dials?: ExtensionInUse;
}

/** What an edit touches. */
export interface Touched {
  /** Whether a step, the steps in its branches aside, is another one or names something that is. */
  step: (step: Step) => boolean;
  /** Whether an object is another one, or leads on to one that is. */
  object: (id: string) => boolean;
}

/** So many are told apart for one number; that there are more is part of what is found. */
export const MOST_CALLERS = 60;
/** So many ways into branches are looked at to find them: menus in menus in menus have more than anybody counts. */
const MOST_BRANCHES = 20_000;
/** Seconds after which keys are pressed, from when they are asked for. */
const PRESSES_AFTER = 2;

/** Those who call a number. */
export interface Callers {
  callers: Caller[];
  /** Callers who are treated in a way of their own too and are not among them, at least; 0 where all are. */
  left: number;
}

interface Way {
  test: CallerTest | null;
  /** One entry for each time keys are asked for; an empty one is none pressed. */
  keys: string[];
  /** What is said, by the label of what they are asked. */
  says: Readonly<Record<string, string>>;
  /** Whose extension is dialled with the last of them. */
  dials?: ExtensionInUse;
}

/**
 * Somebody new first, then one caller for each branch that hangs on who calls or on what they press.
 * @param touched what an edit touches: who meets it comes before the others, and so does who dials an extension that leads to
 * it. Without it nobody dials extensions.
 */
export function callersOf(system: System, number: NumberHeld, touched?: Touched): Callers {
  const found = new Map<string, { caller: Caller; first: boolean }>();
  let branches = 0;
  const follower: Follower = {
    system,
    touched,
    add(way, inside = []) {
      const caller = callerOf(way, system);
      if (!caller) return;
      const known = found.get(caller.id);
      const first = known?.first || way.dials !== undefined || inside.some((s) => isTouched(s, touched));
      found.set(caller.id, { caller: known?.caller ?? caller, first });
    },
    isEnough: () => ++branches > MOST_BRANCHES,
  };
  const { add } = follower;
  const somebody: Way = { test: null, keys: [], says: {} };
  add(somebody);
  const plan = number.planId ? system.plans[number.planId] : undefined;
  if (plan) follow(plan.steps, somebody, follower, new Set([plan.id]));
  // Greetings of their own are for callers on a list, wherever their call ends.
  for (const mailbox of Object.values(system.mailboxes))
    for (const { when } of mailbox.greetings ?? [])
      if (when.on === 'list') add({ ...somebody, test: { is: 'listed', listId: when.listId } });
  for (const test of ownTests(system)) add({ ...somebody, test });
  const [usual, ...others] = [...found.values()];
  const inOrder = [...others.filter((o) => o.first), ...others.filter((o) => !o.first)];
  const callers = [usual!, ...inOrder].slice(0, MOST_CALLERS).map((o) => o.caller);
  return { callers, left: found.size - callers.length + (branches > MOST_BRANCHES ? 1 : 0) };
}

/** What ways are followed with. */
interface Follower {
  system: System;
  touched: Touched | undefined;
  /** Adds somebody who goes this way; the steps are those that are for them alone. */
  add: (way: Way, inside?: readonly Step[]) => void;
  isEnough: () => boolean;
}

const isTouched = (step: Step, touched: Touched | undefined): boolean =>
  touched !== undefined &&
  (touched.step(step) || listsOf(step).some(([, inside]) => inside.some((s) => isTouched(s, touched))));

/** Callers whom people or the business treat in a way of their own, whatever the plan. */
const ownTests = once((system: System): readonly CallerTest[] => {
  const people = Object.values(system.people);
  const lists = new Set(people.flatMap((p) => p.exceptions?.listIds ?? []));
  const unwanted = system.business.unwanted ?? usualUnwanted();
  return [
    ...[...lists].map((listId): CallerTest => ({ is: 'listed', listId })),
    ...(people.some((p) => p.exceptions?.contacts || p.screening === 'strangers')
      ? [{ is: 'known' } as const]
      : []),
    ...(people.some((p) => p.hidden && p.hidden !== 'ring') ? [{ is: 'hidden' } as const] : []),
    ...(unwanted.blocked !== 'as anybody' ? [{ is: 'blocked' } as const] : []),
    ...(unwanted.suspected !== 'as anybody' ? [{ is: 'suspected' } as const] : []),
  ];
});

/** Follows a list of steps. @returns the way as it is behind the list */
function follow(steps: readonly Step[], way: Way, follower: Follower, plans: ReadonlySet<string>): Way {
  const { system, add, touched } = follower;
  let on = way;
  for (const step of steps) {
    if (follower.isEnough()) return on;
    const after = pressesNothing(step, on);
    for (const [branch, inside] of listsOf(step)) {
      const own = openedBy(step, branch, on, system) ?? after;
      if (own !== after) add(own, inside);
      follow(inside, own, follower, plans);
    }
    const { dials, sendsTo } = readingOf(step);
    if (touched && dials?.(step).extensions)
      for (const dials of extensionsInUse(system))
        if (touched.object(dials.id)) add({ ...on, keys: [...on.keys, dials.extension], dials });
    on = after;
    const planId = sendsTo?.(step);
    if (!planId || plans.has(planId)) continue;
    const next = system.plans[planId];
    if (next) follow(next.steps, on, follower, new Set([...plans, next.id]));
    break;
  }
  return on;
}

/** The way of somebody who presses nothing where a step asks for keys. */
function pressesNothing(step: Step, way: Way): Way {
  const asked = readingOf(step).asksForKeys?.(step) ?? 0;
  return asked ? { ...way, keys: [...way.keys, ...Array<string>(asked).fill('')] } : way;
}

/** The way that leads into a branch, where that hangs on the caller. */
function openedBy(step: Step, branch: number, way: Way, system: System): Way | undefined {
  const opener = branch < 0 ? undefined : readingOf(step).openedBy?.(step, branch, system);
  if (!opener) return undefined;
  if ('test' in opener) return { ...way, test: opener.test };
  if ('says' in opener) {
    // Whoever has said something else already does not get there.
    const clash = Object.entries(opener.says ?? {}).some(
      ([label, said]) => way.says[label] !== undefined && way.says[label] !== said,
    );
    return opener.says && !clash ? { ...way, says: { ...way.says, ...opener.says } } : undefined;
  }
  return opener.keys.length ? { ...way, keys: [...way.keys, ...opener.keys] } : undefined;
}

function callerOf({ test, keys, says, dials }: Way, system: System): Caller | undefined {
  const from = test ? originOf(test, system) : { kind: 'outside' as const, number: NEW_CALLER };
  if (!from) return undefined;
  const pressed = keys.slice(0, keys.findLastIndex((k) => k !== '') + 1);
  const who = test ? lower(testInWords(test, system)) : '';
  const presses = pressed.filter(Boolean);
  const pressing = dials ? presses.slice(0, -1) : presses;
  const answers = Object.entries(says);
  const what = [
    answers.length
      ? `answering ${answers.map(([label, said]) => `${label} with ${said}`).join(' and ')}`
      : '',
    pressing.length ? `pressing ${pressing.join(' then ')}` : '',
    dials ? `dialling ${dials.extension} (${dials.who})` : '',
  ]
    .filter(Boolean)
    .join(' then ');
  return {
    id:
      test || pressed.length || answers.length
        ? JSON.stringify([test, pressed, ...(answers.length ? [says] : [])])
        : '',
    words: [who, what].filter(Boolean).join(', '),
    ...(dials ? { dials } : {}),
    callAt: (number, at) => {
      const call = unansweredCall(number, at);
      const caller = {
        ...call.behaviour!.caller,
        ...(answers.length ? { says: { ...says } } : {}),
        ...(pressed.length ? { keys: pressed.map((press) => ({ after: PRESSES_AFTER, press })) } : {}),
      };
      return { ...call, from, behaviour: { ...call.behaviour!, caller } };
    },
  };
}

const lower = (words: string): string => words[0]!.toLowerCase() + words.slice(1);

/** Somebody who passes a test, or undefined where nobody does. */
function originOf(test: CallerTest, system: System): Origin | undefined {
  const contacts = Object.values(system.contacts).filter((c) => c.numbers.length);
  const number = (found: (typeof contacts)[number] | undefined): Origin | undefined =>
    found && { kind: 'outside', number: found.numbers[0]! };
  switch (test.is) {
    case 'listed':
      return number(contacts.find((c) => c.listIds.includes(test.listId)));
    case 'known':
      return number(contacts.find((c) => !c.blocked));
    case 'blocked':
      return number(contacts.find((c) => c.blocked));
    case 'hidden':
      return { kind: 'outside', number: null };
    case 'suspected':
      return { kind: 'outside', number: NEW_CALLER, suspected: true };
    case 'from':
      return {
        kind: 'outside',
        number: test.prefix + '5550187000'.slice(0, Math.max(0, 12 - test.prefix.length)),
      };
  }
}
