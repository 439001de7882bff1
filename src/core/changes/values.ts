/** What stands in a field, in words: names in place of ids, times and days as people write them. */
import { DAY_NAMES, dateInWords, daysInWords, kindsOf, periodInWords, writeTime } from '../hours';
import { addressLine, writeNumber } from '../numbering';
import { stepSays } from '../dialogues';
import { afterInWords, ifInWords, thenInWords, whenInWords } from '../followups';
import {
  COLLECTIONS,
  pointersIn,
  targetName,
  type Dialogue,
  type FollowUp,
  type Kind,
  type RingTarget,
  type System,
} from '../system';
import type { Part } from './fields';

/** Longer texts are cut where they are only read. */
const MOST_LETTERS = 160;
/** Of longer lists the first are named. */
const MOST_LISTED = 8;

/** What an object is called. */
export function nameIn(system: System, kind: Kind, id: string): string {
  const found = (system[COLLECTIONS[kind]] as Record<string, { name?: string; label?: string }>)[id];
  if (!found) return `a removed ${kind}`;
  if (kind === 'phone') {
    const { name, personId } = found as System['phones'][string];
    const owner = personId && system.people[personId]?.name;
    return owner ? `${owner} · ${name}` : name;
  }
  if (kind !== 'shortcut') return found.name || found.label || id;
  const { code, target } = found as System['shortcuts'][string];
  const who =
    target.kind === 'contact'
      ? nameIn(system, 'contact', target.contactId)
      : target.kind === 'person'
        ? nameIn(system, 'person', target.personId)
        : target.name;
  return code ? `${code} ${who}` : who;
}

/** The same object with the names of what it points at in place of their ids. */
function withNames<O extends object>(part: Part, object: O, system: System): O {
  const copy = structuredClone(object);
  const section = part === 'business' ? 'business' : COLLECTIONS[part];
  for (const { to, id, within } of [...pointersIn(section, copy)]) {
    const [holder, key] = within.at(-1)!;
    const at = holder[key];
    holder[key] = typeof at === 'object' ? targetName(at as RingTarget, system) : nameIn(system, to, id);
  }
  return copy;
}

/** A name of the code as people read it: "onNotAnswered" is "on not answered"; that it is an id is not said. */
const plain = (key: string): string =>
  key
    .replace(/Ids?$/, '')
    .replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`)
    .trim();
const cut = (text: string): string =>
  text.length > MOST_LETTERS ? `${text.slice(0, MOST_LETTERS).trimEnd()}…` : text;

/** Keys whose numbers are minutes of a day. */
const MINUTES = new Set(['from', 'to', 'handover']);

function flat(value: unknown, key: string, country: string): string {
  if (value === undefined) return 'as usual';
  if (value === null || value === '') return 'none';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'number')
    return MINUTES.has(key) ? writeTime(value) : key === 'day' ? DAY_NAMES[value - 1]! : String(value);
  if (typeof value === 'string' && /^\d{4}-\d\d-\d\d$/.test(value)) return dateInWords(value);
  if (typeof value === 'string')
    return /^\+\d{6,15}$/.test(value) ? writeNumber(value, country) : cut(value.replace(/\s+/g, ' '));
  if (Array.isArray(value)) {
    if (!value.length) return 'none';
    if (/days$/i.test(key) && value.every((d) => typeof d === 'number')) return daysInWords(value);
    const words = value.map((one) => flat(one, key, country));
    const more = words.length - MOST_LISTED;
    return more > 0 ? `${words.slice(0, MOST_LISTED).join(', ')} and ${more} more` : words.join(', ');
  }
  const entries = Object.entries(value as object).filter(([k, v]) => k !== 'id' && v !== undefined);
  // Where a call goes: what kind of thing that is, and which.
  if (entries.length === 2 && entries[0]![0] === 'to' && typeof entries[0]![1] === 'string') {
    const [[, to], [, which]] = entries as [[string, string], [string, unknown]];
    return to === 'person' || to === 'outside'
      ? flat(which, '', country)
      : `${to} ${flat(which, '', country)}`;
  }
  return entries
    .map(([k, v]) => {
      const words = flat(v, k, country);
      return k === 'name' || k === 'on' || k === 'is' || k === 'kind' ? words : `${plain(k)} ${words}`;
    })
    .join(', ');
}

/** Of what is said in several parts only those that differ; all of them where one side would say nothing. */
export function whatDiffers(was: readonly string[], is: readonly string[]): { was: string; is: string } {
  const [gone, come] = [was.filter((w) => !is.includes(w)), is.filter((w) => !was.includes(w))];
  const whole = !gone.length || !come.length;
  return { was: (whole ? was : gone).join('; '), is: (whole ? is : come).join('; ') };
}

/** Fields that have a form of their own; of an object whose ids are names already. */
function special(part: Part, field: string, object: Record<string, unknown>): string[] | undefined {
  const value = object[field];
  if (value === null || value === undefined) return undefined;
  switch (`${part}.${field}`) {
    case 'hours.weekly': {
      const hours = { ...(object as unknown as System['hours'][string]), exceptions: [] };
      return kindsOf(hours).map((kind) => `${kind} ${periodInWords(hours, kind)}`);
    }
    case 'site.address':
    case 'number.address':
    case 'phone.address':
      return [addressLine(value as Parameters<typeof addressLine>[0])];
    case 'recording.sound': {
      const { made, seconds } = value as { made: string; seconds: number };
      return [`${made}, ${Math.round(seconds)} s`];
    }
    case 'contact.picture':
      return ['a picture'];
    default:
      return undefined;
  }
}

/** The parts of a follow-up, as its sentence says them. */
function followUpSays(field: string, one: FollowUp, system: System): string[] | undefined {
  switch (field) {
    case 'when':
      return [whenInWords(one.when)];
    case 'if':
      return one.if.length ? one.if.map((c) => ifInWords(c, system)) : ['in any case'];
    case 'then':
      return one.then.map((t) => thenInWords(t, system));
    case 'after':
      return [afterInWords(one.after)];
    default:
      return undefined;
  }
}

/**
 * What was in a field and what is.
 * @param before the object, null where it was not there, and the system it was in; likewise after
 * @returns words that differ wherever the values do
 */
export function valuesInWords(
  part: Part,
  field: string,
  before: readonly [object: object | null, system: System],
  after: readonly [object: object | null, system: System],
): { was: string; is: string } {
  const sides = [before, after].map(([object, system]) => {
    if (!object) return { short: ['none'], long: 'none' };
    const named = withNames(part, object, system) as Record<string, unknown>;
    const long = flat(named[field], field, system.business.country);
    const short =
      part === 'follow-up'
        ? followUpSays(field, object as FollowUp, system)
        : part === 'dialogue' && field === 'steps'
          ? (object as Dialogue).steps.map((step) => stepSays(step, system))
          : special(part, field, named);
    return { short: short?.length ? short : [long], long };
  }) as [{ short: string[]; long: string }, { short: string[]; long: string }];
  const [b, a] = sides;
  const short = whatDiffers(b.short, a.short);
  if (short.was !== short.is) return short;
  // What is said shortly of both is the same: all of it, or at least that it is another.
  if (b.long !== a.long && part !== 'recording' && part !== 'contact') return { was: b.long, is: a.long };
  return { was: short.was, is: `${short.is}, changed` };
}
