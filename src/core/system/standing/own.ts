/**
 * What people set for themselves, or somebody sets for them: how they are reached. It holds at once and stands over what
 * the document says, field by field; of two settings of the same field the later one holds, wherever it comes from. Each
 * names what it stood over: where the document says something else by now, the document is the later word.
 */
import { z } from 'zod';
import {
  Exceptions,
  FORWARD_FIELDS,
  ForwardTarget,
  HiddenCallers,
  Person,
  Phone,
  Quiet,
  Reach,
  Screening,
  ShownTo,
} from '../shape/people';
import { Id } from '../shape/primitives';
import type { System } from '../shape/schema';
import { stamped } from './stamped';

/** `over` is what the document said when it was set, as JSON. */
const set = <T extends z.ZodType>(value: T) => stamped(value).extend({ over: z.string() });

/** Settings of a person that stand over the document's. */
export const PersonOwn = z
  .object({
    always: set(ForwardTarget.nullable()),
    alwaysUntil: set(z.number().nullable()),
    steps: set(Reach.shape.steps),
    onBusy: set(ForwardTarget.nullable()),
    onDeclined: set(ForwardTarget.nullable()),
    onUndisturbed: set(ForwardTarget.nullable()),
    onNotAnswered: set(ForwardTarget.nullable()),
    onUnreachable: set(ForwardTarget.nullable()),
    quiet: set(Quiet.nullable()),
    away: set(Person.shape.away),
    exceptions: set(Exceptions),
    screening: set(Screening),
    hidden: set(HiddenCallers),
    mobileSeenBy: set(Person.shape.mobileSeenBy),
  })
  .partial();

/** Settings of a phone that stand over the document's. */
export const PhoneOwn = z
  .object({ shows: set(ShownTo), confirmByKey: set(Phone.shape.confirmByKey) })
  .partial();

export const Own = z.object({ people: z.record(Id, PersonOwn), phones: z.record(Id, PhoneOwn) });

export type PersonOwn = z.infer<typeof PersonOwn>;
export type PhoneOwn = z.infer<typeof PhoneOwn>;
export type Own = z.infer<typeof Own>;
/** A setting of a person, by its name. */
export type OwnField = keyof PersonOwn;
/** Values of any of them. */
export type OwnValues = { [F in OwnField]?: NonNullable<PersonOwn[F]>['value'] };

/** The fields of them that are part of `Person.reach`. */
const OF_REACH = ['steps', 'alwaysUntil', ...FORWARD_FIELDS] as const;
const isOfReach = (field: OwnField): field is (typeof OF_REACH)[number] =>
  (OF_REACH as readonly string[]).includes(field);

const made = new WeakMap<System, WeakMap<Own, System>>();

/**
 * A system as people have set it: the document with their own settings over it. What a setting points at and is no longer
 * there is left out. The same object for the same two, so that what was worked out for it is found again.
 */
export function withOwn(system: System, own: Own | undefined): System {
  if (!own) return system;
  let known = made.get(system);
  if (!known) made.set(system, (known = new WeakMap()));
  let set = known.get(own);
  if (!set) known.set(own, (set = lay(system, own)));
  return set;
}

function lay(system: System, own: Own): System {
  const people = Object.entries(own.people).flatMap(([id, set]): [string, Person][] => {
    const person = system.people[id];
    return person ? [[id, setPerson(person, set, system)]] : [];
  });
  const phones = Object.entries(own.phones).flatMap(([id, set]): [string, Phone][] => {
    const phone = system.phones[id];
    return phone ? [[id, { ...phone, ...valuesOf(set, (field) => phone[field as keyof PhoneOwn]) }]] : [];
  });
  return {
    ...system,
    people: { ...system.people, ...Object.fromEntries(people) },
    phones: { ...system.phones, ...Object.fromEntries(phones) },
  };
}

/** What the document says of a setting of somebody. */
export const documentSays = (person: Person, field: OwnField): unknown =>
  isOfReach(field) ? person.reach[field] : person[field];

/** What a setting stands over, as it is written beside it. */
export const overText = (said: unknown): string => JSON.stringify(said ?? null);

/** Whether a setting still stands: the document says what it said then. */
export const stands = (set: { over: string }, said: unknown): boolean => set.over === overText(said);

function valuesOf(
  set: Record<string, { value: unknown; over: string } | undefined>,
  said: (field: string) => unknown,
): Record<string, unknown> {
  return Object.fromEntries(
    Object.entries(set).flatMap(([field, s]) => (s && stands(s, said(field)) ? [[field, s.value]] : [])),
  );
}

function setPerson(person: Person, set: PersonOwn, system: System): Person {
  const values = valuesOf(set, (field) => documentSays(person, field as OwnField)) as OwnValues;
  const result: Person = { ...person, reach: { ...person.reach } };
  for (const [field, value] of Object.entries(values) as [OwnField, never][])
    if (isOfReach(field)) result.reach[field] = value;
    else Object.assign(result, { [field]: value });
  const { reach } = result;
  for (const field of FORWARD_FIELDS) if (reach[field] && !isThere(reach[field], system)) reach[field] = null;
  reach.steps = reach.steps.map((s) => ({
    ...s,
    phoneIds: s.phoneIds?.filter((id) => system.phones[id]) ?? null,
  }));
  result.away = result.away.map((a) =>
    a.standInId && !system.people[a.standInId] ? { ...a, standInId: null } : a,
  );
  return result;
}

/** Whether a forward leads somewhere that is there. */
export function isThere(target: ForwardTarget, system: System): boolean {
  switch (target.to) {
    case 'person':
      return target.personId in system.people;
    case 'group':
      return target.groupId in system.groups;
    case 'mailbox':
      return target.mailboxId in system.mailboxes;
    case 'outside':
      return true;
  }
}

/** The settings of those that still stand over a document; the others were overruled for good when it went in force. */
export function standingOver(own: Own, system: System): Own {
  const kept = <T extends object>(fields: T, said: (field: string) => unknown): T =>
    Object.fromEntries(
      Object.entries(fields).filter(([field, s]) => stands(s as { over: string }, said(field))),
    ) as T;
  return {
    people: Object.fromEntries(
      Object.entries(own.people).flatMap(([id, set]) => {
        const person = system.people[id];
        return person ? [[id, kept(set, (field) => documentSays(person, field as OwnField))]] : [];
      }),
    ),
    phones: Object.fromEntries(
      Object.entries(own.phones).flatMap(([id, set]) => {
        const phone = system.phones[id];
        return phone ? [[id, kept(set, (field) => phone[field as keyof PhoneOwn])]] : [];
      }),
    ),
  };
}

/** Where all calls of somebody are sent on to at a moment (epoch milliseconds); null where the phones ring. */
export const alwaysAt = ({ always, alwaysUntil }: Reach, now: number): ForwardTarget | null =>
  alwaysUntil == null || now < alwaysUntil ? always : null;
