/** Finding people, numbers, plans and all else by anything they are known by. */
import { writeNumber } from '$core/numbering';
import type { System } from '$core/system';
import { ALL_ROOMS } from '../frame/rooms';
import { thingsToDo, type Doing } from './things-to-do';

export interface Hit {
  title: string;
  note: string;
  doing: Doing;
  /** The key that does it from anywhere. */
  key?: string;
}
/** So many hits are shown; of those so many are things to do where both are found. */
const MOST = 12;
const MOST_TO_DO = 6;

/** What is found, and how many more there are. */
export function find(system: System, query: string): { hits: Hit[]; more: number } {
  const there = objects(system, query).map(({ href, ...hit }): Hit => ({ ...hit, doing: { href } }));
  const todo = thingsToDo(system, query).map(({ title, doing, key }): Hit => ({
    title,
    note: 'href' in doing ? 'go there' : 'do it',
    doing,
    ...(key ? { key } : {}),
  }));
  // A room that something is done in is named by that.
  const led = new Set(todo.flatMap((t) => ('href' in t.doing ? t.doing.href : [])));
  const rooms = there.filter((h) => h.note !== 'go there' || !('href' in h.doing && led.has(h.doing.href)));
  const kept = todo.slice(0, Math.max(MOST_TO_DO, MOST - rooms.length));
  const hits = [...rooms.slice(0, MOST - kept.length), ...kept];
  return { hits, more: rooms.length + todo.length - hits.length };
}

interface There {
  title: string;
  note: string;
  href: string;
}

/** Digits are matched against numbers in any format, words against names. */
function objects(system: System, query: string): There[] {
  const words = query.trim().toLowerCase();
  if (!words) return [];
  const digits = words.replace(/\D/g, '');
  const numeric = digits.length > 1 && !/[a-z]/.test(words);
  const named = (text: string) => text.toLowerCase().includes(words);
  const numbered = (e164: string) => numeric && e164.replace(/\D/g, '').includes(digits.replace(/^0/, ''));
  return [
    ...Object.values(system.people)
      .filter(
        (p) =>
          named(p.name) ||
          named(p.email) ||
          (numeric && [p.extension, ...p.further.map((f) => f.extension)].some((e) => e.startsWith(digits))),
      )
      .map((p) => ({ title: p.name, note: `extension ${p.extension}`, href: `/people/${p.id}` })),
    ...Object.values(system.numbers)
      .filter((n) => named(n.label) || numbered(n.e164))
      .map((n) => ({
        title: writeNumber(n.e164, system.business.country),
        note: n.label,
        href: `/numbers#${n.id}`,
      })),
    ...Object.values(system.plans)
      .filter((p) => named(p.name) || (numeric && p.extension?.startsWith(digits)))
      .map((p) => ({
        title: p.name,
        note: p.extension ? `plan, extension ${p.extension}` : 'plan',
        href: `/answering/${p.id}`,
      })),
    ...Object.values(system.queues)
      .filter((q) => named(q.name) || (numeric && q.extension?.startsWith(digits)))
      .map((q) => ({
        title: q.name,
        note: q.extension ? `queue, extension ${q.extension}` : 'queue',
        href: `/answering/queues#${q.id}`,
      })),
    ...Object.values(system.rotas)
      .filter((r) => named(r.name))
      .map((r) => ({ title: r.name, note: 'rota', href: `/hours/rotas#${r.id}` })),
    ...Object.values(system.contacts)
      .filter((c) => named(c.name) || c.numbers.some(numbered))
      .map((c) => ({ title: c.name, note: 'contact', href: `/answering/callers#${c.id}` })),
    ...Object.values(system.promises)
      .filter((p) => named(p.name))
      .map((p) => ({ title: p.name, note: 'promise', href: `/answering/promises#${p.id}` })),
    ...Object.values(system.mailboxes)
      .filter((m) => named(m.name))
      .map((m) => ({ title: m.name, note: 'mailbox', href: `/messages/mailboxes#${m.id}` })),
    ...Object.values(system.recordings)
      .filter((r) => named(r.name))
      .map((r) => ({ title: r.name, note: 'recording', href: `/messages/recordings?of=${r.id}` })),
    ...Object.values(system.hours)
      .filter((h) => named(h.name))
      .map((h) => ({ title: h.name, note: 'hours', href: `/hours#${h.id}` })),
    ...Object.values(system.sites)
      .filter((s) => named(s.name))
      .map((s) => ({ title: s.name, note: 'site', href: `/numbers/sites#${s.id}` })),
    ...Object.values(system.groups)
      .filter((g) => named(g.name) || (numeric && g.extension?.startsWith(digits)))
      .map((g) => ({
        title: g.name,
        note: g.extension ? `group, extension ${g.extension}` : 'group',
        href: `/people/groups#${g.id}`,
      })),
    ...ALL_ROOMS.filter((r) => named(r.name)).map((r) => ({
      title: r.name,
      note: 'go there',
      href: r.path,
    })),
  ];
}
