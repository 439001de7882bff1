/** A plan as a JSON file, with what it needs: recordings, hours, queues, mailboxes, and who is meant. */
import { z } from 'zod';
import { damagedAt, openVersioned } from '../versioned';
import {
  allSteps,
  applyEdit,
  Hours,
  Mailbox,
  Plan,
  Queue,
  Recording,
  Rota,
  SYSTEM_VERSION,
  type Command,
  type ForwardTarget,
  type Step,
  type System,
} from '../../system';

const FORMAT = 'upper-line-plan';
const PlanFile = z.object({
  format: z.literal(FORMAT),
  version: z.literal(SYSTEM_VERSION),
  plan: Plan,
  recordings: z.array(Recording),
  hours: z.array(Hours),
  queues: z.array(Queue),
  rotas: z.array(Rota),
  mailboxes: z.array(Mailbox),
});

/** Ids of one kind that the steps of a plan point at. */
function used(steps: readonly Step[], pick: (step: Step) => (string | null | undefined)[]): string[] {
  return [...new Set([...allSteps(steps)].flatMap(pick))].filter((id): id is string => !!id);
}

/** Writes a plan. */
export function writePlan(plan: Plan, system: System): string {
  const pickFrom = <T>(items: Record<string, T>, ids: readonly string[]): T[] =>
    ids.flatMap((id) => items[id] ?? []);
  const queues = pickFrom(
    system.queues,
    used(plan.steps, (s) => [s.kind === 'queue' ? s.queueId : null]),
  );
  const mailboxes = pickFrom(
    system.mailboxes,
    used(plan.steps, (s) => [s.kind === 'voicemail' ? s.mailboxId : null]),
  );
  const recordings = pickFrom(
    system.recordings,
    [
      ...new Set([
        ...used(plan.steps, (s) => ['recordingId' in s ? s.recordingId : null]),
        ...queues.flatMap((q) => [q.holdMusicId, q.comfort?.recordingId]),
        ...mailboxes.flatMap((m) => [m.greetingId, ...(m.greetings ?? []).map((g) => g.recordingId)]),
      ]),
    ].filter((id): id is string => !!id),
    // The words go along; the samples of a sound are kept beside the document, and stay.
  ).map(({ sound: _, ...words }) => words);
  const file: z.input<typeof PlanFile> = {
    format: FORMAT,
    version: SYSTEM_VERSION,
    plan,
    recordings,
    hours: pickFrom(
      system.hours,
      used(plan.steps, (s) => [s.kind === 'hours' ? s.hoursId : null]),
    ),
    queues,
    rotas: pickFrom(
      system.rotas,
      used(plan.steps, (s) =>
        s.kind === 'ring' ? s.targets.flatMap((t) => (t.kind === 'rota' ? [t.id] : [])) : [],
      ),
    ),
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
  const here = (personId: string): boolean => {
    if (system.people[personId]) return true;
    left.add('People who are not here are left out.');
    return false;
  };
  const isRecording = (id: string): boolean =>
    system.recordings[id] !== undefined || file.recordings.some((r) => r.id === id);
  const leadsHere = (t: ForwardTarget): boolean =>
    t.to === 'outside' ||
    (t.to === 'person' && here(t.personId)) ||
    (t.to === 'group' && system.groups[t.groupId] !== undefined) ||
    (t.to === 'mailbox' && system.mailboxes[t.mailboxId] !== undefined);
  const commands: Command[] = [];
  for (const value of file.recordings)
    if (!system.recordings[value.id])
      commands.push({ do: 'recording.add', value: { ...value, sound: null } });
  for (const value of file.hours) if (!system.hours[value.id]) commands.push({ do: 'hours.add', value });
  for (const r of file.rotas)
    if (!system.rotas[r.id])
      commands.push({
        do: 'rota.add',
        value: {
          ...r,
          turns: r.turns.map((t) => (t && here(t) ? t : null)),
          swaps: r.swaps.map((s) => ({ ...s, personId: s.personId && here(s.personId) ? s.personId : null })),
        },
      });
  for (const q of file.queues)
    if (!system.queues[q.id])
      commands.push({
        do: 'queue.add',
        value: {
          ...q,
          extension: null,
          memberIds: q.memberIds.filter(here),
          holdMusicId: q.holdMusicId && isRecording(q.holdMusicId) ? q.holdMusicId : null,
          comfort: q.comfort && isRecording(q.comfort.recordingId) ? q.comfort : null,
        },
      });
  for (const m of file.mailboxes)
    if (!system.mailboxes[m.id])
      commands.push({
        do: 'mailbox.add',
        value: {
          ...m,
          ownerIds: m.ownerIds.filter(here),
          greetingId: m.greetingId && isRecording(m.greetingId) ? m.greetingId : null,
          ...(m.zero ? { zero: leadsHere(m.zero) ? m.zero : null } : {}),
          // A list that is not here is nobody's greeting.
          ...(m.greetings
            ? {
                greetings: m.greetings
                  .filter((g) => g.when.on !== 'list' || system.lists[g.when.listId])
                  .map((g) => ({
                    ...g,
                    recordingId: g.recordingId && isRecording(g.recordingId) ? g.recordingId : null,
                  })),
              }
            : {}),
        },
      });
  const planId = freshId('plan');
  const steps = structuredClone(file.plan.steps);
  const added = commands.length ? applyEdit(system, { words: 'What the plan needs', commands }) : null;
  if (added && !added.ok) return { ok: false, message: added.problems.map((p) => p.message).join(' ') };
  const after = added?.system ?? system;
  for (const step of allSteps(steps)) fit(step, after, here, left, freshId);
  commands.push({ do: 'plan.add', value: { id: planId, name: freeName(file.plan.name, system), steps } });
  return { ok: true, commands, planId, left: [...left] };
}

/** Makes a step stand on its own here: a new id, and nothing that points at what is not here. */
function fit(
  step: Step,
  system: System,
  here: (personId: string) => boolean,
  left: Set<string>,
  freshId: (kind: string) => string,
): void {
  step.id = freshId('step');
  if (step.kind === 'ring')
    step.targets = step.targets.filter((t) => {
      if (t.kind === 'person') return here(t.id);
      if (t.kind !== 'phone' && t.kind !== 'group' && t.kind !== 'rota') return true;
      const { phones, groups, rotas } = system;
      const found = { phone: phones, group: groups, rota: rotas }[t.kind][t.id];
      if (!found) left.add(`A ${t.kind} that is not here is left out.`);
      return found !== undefined;
    });
  const pointers = {
    hoursId: 'hours',
    queueId: 'queues',
    mailboxId: 'mailboxes',
    recordingId: 'recordings',
  } as const;
  for (const [field, collection] of Object.entries(pointers)) {
    const fields = step as unknown as Record<string, string | null | undefined>;
    const id = fields[field];
    if (!id || system[collection as (typeof pointers)[keyof typeof pointers]][id]) continue;
    fields[field] = null;
    left.add(`Something of the ${collection} is neither here nor in the file, and is left out.`);
  }
  if (step.kind === 'goto' && step.planId && !system.plans[step.planId]) {
    left.add('A plan it goes to is not here.');
    step.planId = null;
  }
  if (step.kind === 'caller')
    step.branches = step.branches.filter((b) => {
      if (b.test.is !== 'listed' || system.lists[b.test.listId]) return true;
      left.add('A list of callers that is not here is left out.');
      return false;
    });
}

function freeName(name: string, system: System): string {
  const taken = new Set(Object.values(system.plans).map((p) => p.name));
  if (!taken.has(name)) return name;
  const short = name.slice(0, 74);
  for (let n = 2; ; n++) if (!taken.has(`${short} ${n}`)) return `${short} ${n}`;
}
