/** A plan as a JSON file, with what it needs: recordings, hours, queues, mailboxes, and who is meant. */
import { z } from 'zod';
import { damagedAt, openVersioned } from '../versioned';
import {
  allSteps,
  applyEdit,
  Hours,
  KIND_WORDS,
  letGoWithin,
  Mailbox,
  Plan,
  pointersIn,
  Queue,
  Recording,
  Rota,
  SYSTEM_VERSION,
  type Command,
  type Kind,
  type System,
} from '../../system';

type Section = keyof System;

const FORMAT = 'upper-line-plan';
const PlanFile = z.object({
  format: z.literal(FORMAT),
  /** Nothing that a plan needs has changed since 5. */
  version: z.number().int().min(5).max(SYSTEM_VERSION),
  plan: Plan,
  recordings: z.array(Recording),
  hours: z.array(Hours),
  queues: z.array(Queue),
  rotas: z.array(Rota),
  mailboxes: z.array(Mailbox),
});

/** Writes a plan. */
export function writePlan(plan: Plan, system: System): string {
  const meant = <T>(items: Record<string, T>, kind: Kind, ...by: [Section, unknown][]): T[] => {
    const ids = by.flatMap(([section, object]) => [...pointersIn(section, object, kind)]);
    return [...new Set(ids.filter((p) => p.to === kind).map((p) => p.id))].flatMap((id) => items[id] ?? []);
  };
  const own: [Section, unknown] = ['plans', plan];
  const queues = meant(system.queues, 'queue', own);
  const mailboxes = meant(system.mailboxes, 'mailbox', own);
  const heard = [
    own,
    ...queues.map((q): [Section, unknown] => ['queues', q]),
    ...mailboxes.map((m): [Section, unknown] => ['mailboxes', m]),
  ];
  const file: z.input<typeof PlanFile> = {
    format: FORMAT,
    version: SYSTEM_VERSION,
    plan,
    // The words go along; the samples of a sound are kept beside the document, and stay.
    recordings: meant(system.recordings, 'recording', ...heard).map(({ sound: _, ...words }) => words),
    hours: meant(system.hours, 'hours', own),
    queues,
    rotas: meant(system.rotas, 'rota', own),
    mailboxes,
  };
  return `${JSON.stringify(file, null, 2)}\n`;
}

export type PlanRead =
  { ok: true; commands: Command[]; planId: string; left: string[] } | { ok: false; message: string };

/**
 * Reads a plan into a system: the commands of one edit. What is there already under the same id is used as it is; people
 * and phones that are not here are left out of it, and that is said.
 */
export function readPlan(text: string, system: System, freshId: (kind: string) => string): PlanRead {
  const opened = openVersioned(text, FORMAT, 'a plan');
  if (!opened.ok) return opened;
  let file: z.infer<typeof PlanFile>;
  try {
    const parsed = PlanFile.safeParse(opened.json);
    if (!parsed.success) return { ok: false, message: damagedAt(parsed.error) };
    file = parsed.data;
  } catch (error) {
    // Nothing is nested so deep that it cannot be followed, unless somebody made it so.
    if (error instanceof RangeError)
      return { ok: false, message: 'This plan is nested too deep to be followed.' };
    throw error;
  }
  const left = new Set<string>();
  /** What is brought along points at what is here or is brought too; the rest is left out, which is said. */
  const fitted = <T>(section: Section, object: T, known: System): T => {
    const copy = structuredClone(object);
    for (const { to } of letGoWithin(known, section, copy)) left.add(LEFT[to] ?? lacking(to));
    return copy;
  };
  const commands: Command[] = [];
  const recordings = { ...system.recordings };
  for (const value of file.recordings)
    if (!system.recordings[value.id]) {
      recordings[value.id] = { ...value, sound: null };
      commands.push({ do: 'recording.add', value: { ...value, sound: null } });
    }
  const heard = { ...system, recordings };
  for (const value of file.hours) if (!system.hours[value.id]) commands.push({ do: 'hours.add', value });
  for (const r of file.rotas)
    if (!system.rotas[r.id]) commands.push({ do: 'rota.add', value: fitted('rotas', r, heard) });
  for (const q of file.queues)
    if (!system.queues[q.id])
      commands.push({ do: 'queue.add', value: { ...fitted('queues', q, heard), extension: null } });
  for (const m of file.mailboxes)
    if (!system.mailboxes[m.id]) commands.push({ do: 'mailbox.add', value: fitted('mailboxes', m, heard) });
  const planId = freshId('plan');
  const added = commands.length ? applyEdit(system, { words: 'What the plan needs', commands }) : null;
  if (added && !added.ok) return { ok: false, message: added.problems.map((p) => p.message).join(' ') };
  const { steps } = fitted('plans', file.plan, added?.system ?? system);
  for (const step of allSteps(steps)) step.id = freshId('step');
  commands.push({ do: 'plan.add', value: { id: planId, name: freeName(file.plan.name, system), steps } });
  return { ok: true, commands, planId, left: [...left] };
}

const LEFT: Partial<Record<Kind, string>> = {
  person: 'People who are not here are left out.',
  plan: 'A plan it goes to is not here.',
  list: 'A list of callers that is not here is left out.',
};
const lacking = (kind: Kind) => `A ${KIND_WORDS[kind]} that is neither here nor in the file is left out.`;

function freeName(name: string, system: System): string {
  const taken = new Set(Object.values(system.plans).map((p) => p.name));
  if (!taken.has(name)) return name;
  const short = name.slice(0, 74);
  for (let n = 2; ; n++) if (!taken.has(`${short} ${n}`)) return `${short} ${n}`;
}
