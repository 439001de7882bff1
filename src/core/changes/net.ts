/**
 * What differs between two systems, as what was and what is: however many edits led there. Each change can be taken back
 * alone, and be looked at alone: what callers would get if nothing else had changed.
 */
import { applyEdit, COLLECTIONS, type Command, type Edit, type System } from '../system';
import { FIELD_NAMES, type Part } from './fields';
import { stepChanges, type StepChange } from './steps';
import { nameIn, valuesInWords } from './values';

export interface FieldChange {
  field: string;
  /** What the field is called. */
  name: string;
  was: string;
  is: string;
}

export interface NetChange {
  /** Of the object: "person rosa". */
  key: string;
  part: Part;
  id: string;
  /** What it is called now; where it is gone, what it was called. */
  name: string;
  what: 'new' | 'gone' | 'changed';
  fields: FieldChange[];
  /** Of a plan. */
  steps: StepChange[];
}

type Objects = Record<string, { id: string }>;
/** In the order in which they are read: numbers first, for callers begin with them. */
export const PARTS = [
  'number',
  'plan',
  'hours',
  'rota',
  'person',
  'phone',
  'group',
  'queue',
  'mailbox',
  'recording',
  'business',
  'site',
  'contact',
  'list',
  'shortcut',
  'wording',
  'follow-up',
  'dialogue',
  'calendar',
  'own answer',
  'call button',
  'meeting room',
  'promise',
] as const satisfies readonly Part[];
/** A part that is not read does not compile. */
true satisfies [Exclude<Part, (typeof PARTS)[number]>] extends [never] ? true : false;

const same = (a: unknown, b: unknown): boolean => a === b || JSON.stringify(a) === JSON.stringify(b);

function fieldsOf(part: Part, before: object, after: object, then: System, now: System): FieldChange[] {
  const names = FIELD_NAMES[part] as Record<string, string>;
  return Object.keys(names)
    .filter((field) => !(part === 'plan' && field === 'steps'))
    .filter((field) => !same(before[field as never], after[field as never]))
    .map((field) => ({
      field,
      name: names[field]!,
      ...valuesInWords(part, field, [before, then], [after, now]),
    }));
}

/** Everything that differs, by part, each object once. Systems are never changed in place: what is the same object is not looked at. */
export function netChanges(then: System, now: System): NetChange[] {
  return PARTS.flatMap((part): NetChange[] => {
    if (part === 'business') {
      if (then.business === now.business) return [];
      const fields = fieldsOf(part, then.business, now.business, then, now);
      return fields.length
        ? [{ key: part, part, id: '', name: now.business.name, what: 'changed', fields, steps: [] }]
        : [];
    }
    const section = COLLECTIONS[part];
    if (then[section] === now[section]) return [];
    const [before, after] = [then[section] as Objects, now[section] as Objects];
    return [...new Set([...Object.keys(after), ...Object.keys(before)])].flatMap((id): NetChange[] => {
      const [was, is] = [before[id], after[id]];
      if (was === is) return [];
      const of = { key: `${part} ${id}`, part, id, name: nameIn(is ? now : then, part, id) };
      if (!was) return [{ ...of, what: 'new', fields: [], steps: [] }];
      if (!is) return [{ ...of, what: 'gone', fields: [], steps: [] }];
      const fields = fieldsOf(part, was, is, then, now);
      const steps = part === 'plan' ? stepChanges([was as never, then], [is as never, now]) : [];
      return fields.length || steps.length ? [{ ...of, what: 'changed', fields, steps }] : [];
    });
  });
}

/** What makes an object of one system what it is in another. */
function commandTo(change: NetChange, target: System): Command {
  const { part, id } = change;
  const fields = [...change.fields.map((f) => f.field), ...(change.steps.length ? ['steps'] : [])];
  const taken = (object: object) =>
    Object.fromEntries(fields.map((field) => [field, object[field as never]]));
  if (part === 'business') return { do: 'business.set', change: taken(target.business) };
  const object = (target[COLLECTIONS[part]] as Objects)[id];
  if (!object) return { do: `${part}.remove`, id };
  if (change.what !== 'changed') return { do: `${part}.add`, value: object } as unknown as Command;
  return { do: `${part}.set`, id, change: taken(object) } as Command;
}

/** The edit that takes one change back, and leaves the others. */
export const takenBack = (change: NetChange, then: System): Edit => ({
  words: `Take back what changed of ${change.name}`.slice(0, 300),
  commands: [commandTo(change, then)],
});

/**
 * The system as it was with this one change.
 * @returns null where that cannot be: the change goes with others, such as a plan that rings somebody new
 */
export function withAlone(change: NetChange, then: System, now: System): System | null {
  const applied = applyEdit(then, { words: 'One change', commands: [commandTo(change, now)] });
  return applied.ok ? applied.system : null;
}

/** How many objects differ, by part, in the order they are read. */
export const byPart = (changes: readonly NetChange[]): [Part, NetChange[]][] =>
  PARTS.map((part): [Part, NetChange[]] => [part, changes.filter((c) => c.part === part)]).filter(
    ([, own]) => own.length,
  );
