/**
 * What points at what: one table of every place in a system at which an object is named by its id. Checking an edit, letting
 * go of what is removed, and saying what uses what all go by it; a place that is missing here does not compile.
 */
import { once } from '../../once';
import type { RingTarget } from '../shape/people';
import type { Step } from '../shape/plans';
import type { Business, System } from '../shape/schema';
import { allSteps } from '../steps';

/** The collections of a system, by what commands call an object of each. */
export const COLLECTIONS = {
  site: 'sites',
  number: 'numbers',
  person: 'people',
  phone: 'phones',
  group: 'groups',
  queue: 'queues',
  hours: 'hours',
  rota: 'rotas',
  recording: 'recordings',
  mailbox: 'mailboxes',
  plan: 'plans',
  contact: 'contacts',
  list: 'lists',
  shortcut: 'shortcuts',
  wording: 'wordings',
  'follow-up': 'followUps',
  dialogue: 'dialogues',
  calendar: 'calendars',
  'own answer': 'ownAnswers',
  'call button': 'buttons',
  'meeting room': 'rooms',
  promise: 'promises',
} as const;
export type Kind = keyof typeof COLLECTIONS;

/** What an object of each kind is called. */
export const KIND_WORDS: Record<Kind, string> = {
  site: 'site',
  number: 'number',
  person: 'person',
  phone: 'phone',
  group: 'group',
  queue: 'queue',
  hours: 'set of hours',
  rota: 'rota',
  recording: 'recording',
  mailbox: 'mailbox',
  plan: 'plan',
  contact: 'contact',
  list: 'list',
  shortcut: 'shortcut',
  wording: 'ready-made answer',
  'follow-up': 'follow-up',
  dialogue: 'dialogue',
  calendar: 'calendar',
  'own answer': 'own answer',
  'call button': 'call button',
  'meeting room': 'meeting room',
  promise: 'promise',
};

/** Names of fields that hold an id, or a list of them; a caller ID is a number. */
type Pointing =
  `${string}Id` | `${string}Ids` | 'turns' | 'callerIdFor' | 'abroadFor' | 'premiumFor' | 'mayRecordFor';
/** Every path within an object at which an id stands. Steps below a step are steps of the plan as well. */
type Paths<T> = T extends readonly (infer U)[]
  ? `[]${Paths<U>}`
  : [T] extends [RingTarget]
    ? ''
    : T extends object
      ? {
          [K in Exclude<keyof T & string, 'defaultCallerId'>]: NonNullable<T[K]> extends readonly Step[]
            ? never
            : K extends Pointing
              ? Extract<NonNullable<T[K]>, readonly unknown[]> extends never
                ? `.${K}`
                : `.${K}[]`
              : `.${K}${Paths<NonNullable<T[K]>>}`;
        }[Exclude<keyof T & string, 'defaultCallerId'>]
      : never;
type PathsOf<S extends keyof System> = S extends 'business'
  ? `business${Paths<Business>}`
  : S extends 'plans'
    ? `plans.steps[]${Paths<Step>}`
    : System[S] extends Record<string, infer O>
      ? `${S}${Paths<O>}`
      : never;
/** A place at which an id stands: `people.away[].standInId`. */
export type Place = { [S in keyof System]: PathsOf<S> }[keyof System];

/** What an id names there, and what becomes of the place when that is removed. */
interface Points {
  /** A kind, or one that stands beside the id as the kind of a ring target. */
  to: Kind | 'target';
  /**
   * `null`: the place is empty then. `out`: the innermost entry of a list that it is in, or is, goes. `holder`: what holds the
   * field is null then. `whole`: the object goes as well. `stays`: it may point at what is gone, and says so.
   */
  gone: 'null' | 'out' | 'holder' | 'whole' | 'stays';
}

const points = (to: Points['to'], gone: Points['gone']): Points => ({ to, gone });

const PLACES: Record<Place, Points> = {
  'business.callsOut.abroadFor[]': points('person', 'out'),
  'business.callsOut.premiumFor[]': points('person', 'out'),
  'business.callsOut.guard.hoursId': points('hours', 'null'),
  'business.recording.mayRecordFor[]': points('person', 'out'),
  'business.recording.numberIds[]': points('number', 'out'),
  'business.recording.personIds[]': points('person', 'out'),
  'business.recording.planIds[]': points('plan', 'out'),
  'business.recording.noticeId': points('recording', 'null'),
  'business.holdMusicId': points('recording', 'null'),
  'business.unwanted.mailboxId': points('mailbox', 'null'),
  'sites.notify.personIds[]': points('person', 'out'),
  'numbers.announceId': points('recording', 'null'),
  'numbers.holdMusicId': points('recording', 'null'),
  'numbers.faxMailboxId': points('mailbox', 'null'),
  'numbers.afterwardsId': points('dialogue', 'null'),
  'numbers.siteId': points('site', 'null'),
  'numbers.planId': points('plan', 'null'),
  'numbers.callerIdFor[]': points('person', 'out'),
  'people.siteId': points('site', 'null'),
  'people.mailboxId': points('mailbox', 'null'),
  'people.hoursId': points('hours', 'null'),
  'people.reach.always.personId': points('person', 'holder'),
  'people.reach.always.groupId': points('group', 'holder'),
  'people.reach.always.mailboxId': points('mailbox', 'holder'),
  'people.reach.steps[].phoneIds[]': points('phone', 'out'),
  'people.reach.onBusy.personId': points('person', 'holder'),
  'people.reach.onBusy.groupId': points('group', 'holder'),
  'people.reach.onBusy.mailboxId': points('mailbox', 'holder'),
  'people.reach.onNotAnswered.personId': points('person', 'holder'),
  'people.reach.onNotAnswered.groupId': points('group', 'holder'),
  'people.reach.onNotAnswered.mailboxId': points('mailbox', 'holder'),
  'people.reach.onDeclined.personId': points('person', 'holder'),
  'people.reach.onDeclined.groupId': points('group', 'holder'),
  'people.reach.onDeclined.mailboxId': points('mailbox', 'holder'),
  'people.reach.onUndisturbed.personId': points('person', 'holder'),
  'people.reach.onUndisturbed.groupId': points('group', 'holder'),
  'people.reach.onUndisturbed.mailboxId': points('mailbox', 'holder'),
  'people.reach.onUnreachable.personId': points('person', 'holder'),
  'people.reach.onUnreachable.groupId': points('group', 'holder'),
  'people.reach.onUnreachable.mailboxId': points('mailbox', 'holder'),
  'people.quiet.phoneIds[]': points('phone', 'out'),
  'people.exceptions.personIds[]': points('person', 'out'),
  'people.exceptions.listIds[]': points('list', 'out'),
  'people.away[].standInId': points('person', 'null'),
  'groups.members[]': points('target', 'out'),
  'phones.personId': points('person', 'whole'),
  'phones.keys[].personId': points('person', 'out'),
  'phones.lines.personIds[]': points('person', 'out'),
  'phones.lines.numberIds[]': points('number', 'out'),
  'queues.memberIds[]': points('person', 'out'),
  'queues.groupIds[]': points('group', 'out'),
  'queues.leadId': points('person', 'null'),
  'queues.holdMusicId': points('recording', 'null'),
  'queues.comfort.recordingId': points('recording', 'holder'),
  'rotas.turns[]': points('person', 'null'),
  'rotas.swaps[].personId': points('person', 'null'),
  'plans.steps[].recordingId': points('recording', 'null'),
  'plans.steps[].hoursId': points('hours', 'null'),
  'plans.steps[].branches[].test.listId': points('list', 'out'),
  'plans.steps[].targets[]': points('target', 'out'),
  'plans.steps[].queueId': points('queue', 'null'),
  'plans.steps[].roomId': points('meeting room', 'null'),
  'plans.steps[].mailboxId': points('mailbox', 'null'),
  'plans.steps[].planId': points('plan', 'null'),
  'plans.steps[].questions[].calendarId': points('calendar', 'null'),
  'mailboxes.ownerIds[]': points('person', 'out'),
  'mailboxes.greetingId': points('recording', 'null'),
  'mailboxes.greetings[].when.listId': points('list', 'out'),
  'mailboxes.greetings[].recordingId': points('recording', 'null'),
  'mailboxes.zero.personId': points('person', 'holder'),
  'mailboxes.zero.groupId': points('group', 'holder'),
  'mailboxes.zero.mailboxId': points('mailbox', 'holder'),
  'contacts.ownerId': points('person', 'null'),
  'contacts.listIds[]': points('list', 'out'),
  'shortcuts.target.contactId': points('contact', 'whole'),
  'shortcuts.target.personId': points('person', 'whole'),
  'followUps.if[].numberIds[]': points('number', 'out'),
  'followUps.if[].hoursId': points('hours', 'null'),
  'followUps.if[].listId': points('list', 'null'),
  'followUps.then[].numberId': points('number', 'null'),
  'followUps.then[].to.personId': points('person', 'null'),
  'followUps.then[].personId': points('person', 'null'),
  'followUps.then[].dialogueId': points('dialogue', 'null'),
  'dialogues.numberIds[]': points('number', 'out'),
  'dialogues.steps[].personId': points('person', 'null'),
  'dialogues.steps[].calendarId': points('calendar', 'null'),
  'calendars.hoursId': points('hours', 'null'),
  'buttons.numberId': points('number', 'null'),
  'rooms.hostId': points('person', 'null'),
  'buttons.hoursId': points('hours', 'null'),
  'buttons.calendarId': points('calendar', 'null'),
  'buttons.personId': points('person', 'null'),
  'calendars.personId': points('person', 'null'),
  // A promise about what is no longer there cannot be kept or broken; one that expects somebody who is gone is broken.
  'promises.numberId': points('number', 'whole'),
  'promises.when.hoursId': points('hours', 'whole'),
  // What cannot be done any more is not tried.
  'promises.behaviour.then[].personId': points('person', 'out'),
  'promises.behaviour.then[].doing.to.personId': points('person', 'out'),
  'promises.behaviour.then[].doing.to.groupId': points('group', 'out'),
  'promises.behaviour.then[].doing.to.mailboxId': points('mailbox', 'out'),
  'promises.behaviour.then[].doing.to.queueId': points('queue', 'out'),
  'promises.behaviour.then[].doing.to.planId': points('plan', 'out'),
  'promises.behaviour.then[].doing.to.phoneId': points('phone', 'out'),
  'promises.behaviour.then[].doing.ifNobody.to.personId': points('person', 'out'),
  'promises.behaviour.then[].doing.ifNobody.to.groupId': points('group', 'out'),
  'promises.behaviour.then[].doing.ifNobody.to.mailboxId': points('mailbox', 'out'),
  'promises.behaviour.then[].doing.ifNobody.to.queueId': points('queue', 'out'),
  'promises.behaviour.then[].doing.ifNobody.to.planId': points('plan', 'out'),
  'promises.behaviour.then[].doing.ifNobody.to.phoneId': points('phone', 'out'),
  'promises.expects[].personIds[]': points('person', 'stays'),
  'promises.expects[].mailboxId': points('mailbox', 'stays'),
  'promises.expects[].recordingId': points('recording', 'stays'),
  'promises.expects[].followUpId': points('follow-up', 'stays'),
};

type Section = keyof System;
type Crumb = [holder: Record<string | number, unknown>, key: string | number];

/** One id that stands somewhere. */
export interface Pointer {
  place: Place;
  /** What it points at. */
  to: Kind;
  id: string;
  /** The field that holds it, as an edit names fields. */
  field: string;
  /** The step it is in, where it is in a plan. */
  step?: Step;
  /** What holds it, outermost first. */
  within: readonly Crumb[];
}

/** Places by the section they are in, taken apart. */
const BY_SECTION = new Map<Section, { place: Place; steps: string[] }[]>();
for (const place of Object.keys(PLACES) as Place[]) {
  const [section, ...steps] = place.replaceAll('[]', '.[]').split('.') as [Section, ...string[]];
  BY_SECTION.set(section, [...(BY_SECTION.get(section) ?? []), { place, steps }]);
}

/** Where a target's own id is a name of no object. */
const isObject = (t: RingTarget): t is Extract<RingTarget, { kind: Kind }> =>
  Object.hasOwn(COLLECTIONS, t.kind);

function* along(
  value: unknown,
  steps: readonly string[],
  within: Crumb[],
  found: (at: Crumb[]) => Iterable<Pointer>,
): Iterable<Pointer> {
  const [step, ...rest] = steps;
  if (step === undefined) return yield* found(within);
  if (typeof value !== 'object' || value === null) return;
  const holder = value as Crumb[0];
  if (step !== '[]') {
    if (Object.hasOwn(holder, step)) yield* along(holder[step], rest, [...within, [holder, step]], found);
  } else if (Array.isArray(value))
    for (const [i, item] of value.entries()) yield* along(item, rest, [...within, [holder, i]], found);
}

/** Everything an object of a section points at, the section's places in order. */
export function* pointersIn(section: Section, object: unknown, only?: Kind): Iterable<Pointer> {
  for (const { place, steps } of BY_SECTION.get(section) ?? []) {
    const { to } = PLACES[place];
    if (only && to !== only && to !== 'target') continue;
    const found = (step?: Step) =>
      function* (within: Crumb[]): Iterable<Pointer> {
        const [holder, key] = within.at(-1)!;
        const value = holder[key];
        const field = String(within.find(([, key]) => typeof key === 'string')![1]);
        const more = { place, field, within, ...(step ? { step } : {}) };
        if (to === 'target') {
          const target = value as RingTarget;
          if (isObject(target)) yield { ...more, to: target.kind, id: target.id };
        } else if (typeof value === 'string') yield { ...more, to, id: value };
      };
    if (section === 'plans')
      for (const step of allSteps((object as System['plans'][string]).steps))
        yield* along(step, steps.slice(2), [], found(step));
    else yield* along(object, steps, [], found());
  }
}

const SECTIONS = Object.entries(COLLECTIONS) as [Kind, Exclude<Section, 'business'>][];

/** An id that stands in an object of a system. */
export type Use = Pointer & { in: Kind | 'business'; by: { id: string; name: string } };

/** Everything that points at an object, in the order of the table. */
export function pointersTo(system: System, kind: Kind, id: string): Use[] {
  const within = (section: Section, object: unknown, is: Kind | 'business', by: Use['by']): Use[] =>
    [...pointersIn(section, object, kind)]
      .filter((p) => p.to === kind && p.id === id)
      .map((p) => ({ ...p, in: is, by }));
  return [
    ...within('business', system.business, 'business', { id: '', name: system.business.name }),
    ...SECTIONS.flatMap(([is, section]) =>
      Object.values(system[section] as Record<string, Named>).flatMap((object) =>
        within(section, object, is, named(object)),
      ),
    ),
  ];
}

/** An object that points at another, as a line of "used by" names it. */
export interface User {
  kind: Kind;
  id: string;
  name: string;
}

/** The objects that point at one, each once. @param system is never changed in place */
export function usersOf(system: System, kind: Kind, id: string): readonly User[] {
  return allUsers(system).get(`${kind} ${id}`) ?? [];
}

/** Who uses what, by kind and id. */
const allUsers = once((system: System): ReadonlyMap<string, User[]> => {
  const found = new Map<string, User[]>();
  for (const [kind, section] of SECTIONS)
    for (const object of Object.values(system[section] as Record<string, Named>)) {
      const user = { kind, ...named(object) };
      for (const to of new Set([...pointersIn(section, object)].map((p) => `${p.to} ${p.id}`))) {
        const users = found.get(to);
        if (users) users.push(user);
        else found.set(to, [user]);
      }
    }
  return found;
});

type Named = { id: string; name?: string; label?: string };
const named = ({ id, name, label }: Named) => ({ id, name: name ?? label ?? id });

/** The first thing that an object points at and that is not there. @param object of that section */
export function goneFrom(
  system: System,
  section: Section,
  object: unknown,
): { field: string; message: string; id: string } | undefined {
  for (const { place, to, id, field } of pointersIn(section, object))
    if (PLACES[place].gone !== 'stays' && !Object.hasOwn(system[COLLECTIONS[to]], id))
      return { field, id, message: `There is no such ${KIND_WORDS[to]}.` };
  return undefined;
}

/**
 * Takes a removed object out of everything that pointed at it; what is left with a hole becomes a finding. Changes the
 * system that it is given.
 */
export function letGo(system: System, kind: Kind, id: string): void {
  // From behind, so that what stands after an entry of a list keeps its place until its turn.
  for (const use of pointersTo(system, kind, id).reverse()) {
    if (use.in !== 'business' && PLACES[use.place].gone === 'whole') {
      const items = system[COLLECTIONS[use.in]] as Record<string, unknown>;
      delete items[use.by.id];
      letGo(system, use.in, use.by.id);
    } else release(use);
  }
  if (kind === 'number') forgetNumbers(system);
  // A promise of nothing but a recording that is gone says nothing any more.
  if (kind === 'recording')
    for (const promised of Object.values(system.promises))
      if (promised.expects.every((e) => e.is === 'hears' && e.recordingId === id))
        delete system.promises[promised.id];
}

/**
 * Takes out of an object whatever it points at and that is not in the system. Changes the object.
 * @returns what it pointed at
 */
export function letGoWithin(system: System, section: Section, object: unknown): Pointer[] {
  const gone = [...pointersIn(section, object)].filter(
    ({ to, id }) => !Object.hasOwn(system[COLLECTIONS[to]], id),
  );
  for (const pointer of gone.toReversed()) release(pointer);
  return gone;
}

function release({ place, within }: Pointer): void {
  const [holder, key] = within.at(-1)!;
  switch (PLACES[place].gone) {
    case 'null':
      holder[key] = null;
      return;
    case 'out': {
      const [list, index] = within.findLast(([, key]) => typeof key === 'number')!;
      (list as unknown as unknown[]).splice(index as number, 1);
      return;
    }
    case 'holder': {
      const [outer, field] = within.at(-2)!;
      outer[field] = null;
      return;
    }
    case 'whole':
    case 'stays':
      return;
  }
}

/** Numbers that are shown are named by themselves, not by an id. */
function forgetNumbers({ business, numbers, sites }: System): void {
  const held = new Set(Object.values(numbers).map((n) => n.e164));
  if (business.defaultCallerId && !held.has(business.defaultCallerId)) business.defaultCallerId = null;
  for (const s of Object.values(sites)) if (s.callback && !held.has(s.callback)) s.callback = null;
}
