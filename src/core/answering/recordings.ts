/** Where recordings are used, and putting one in place of another everywhere. */
import { allSteps, type Command, type Step, type System } from '../system';
import { greetingWhenInWords } from './greetings';
import { stepInWords } from './sentences';

/** A place at which a recording is heard. */
export interface Use {
  kind: 'plan' | 'mailbox' | 'queue' | 'number' | 'business';
  /** Of the plan, mailbox, queue or number. */
  id: string;
  /** The step of the plan. */
  stepId?: string;
  /** "Main line: Play “Welcome”", "greeting of Front desk". */
  words: string;
}

/** Everywhere a recording is heard, in plans first. */
export function usesOf(system: System, recordingId: string): Use[] {
  return [
    ...Object.values(system.plans).flatMap((plan) =>
      [...allSteps(plan.steps)].filter(plays(recordingId)).map((step): Use => {
        const { verb, what } = stepInWords(step, system);
        return { kind: 'plan', id: plan.id, stepId: step.id, words: `${plan.name}: ${verb} ${what}` };
      }),
    ),
    ...Object.values(system.mailboxes)
      .filter((m) => m.greetingId === recordingId)
      .map((m): Use => ({ kind: 'mailbox', id: m.id, words: `greeting of ${m.name}` })),
    ...Object.values(system.mailboxes).flatMap((m) =>
      (m.greetings ?? [])
        .filter((g) => g.recordingId === recordingId)
        .map((g): Use => ({
          kind: 'mailbox',
          id: m.id,
          words: `greeting of ${m.name} ${greetingWhenInWords(g.when, system)}`,
        })),
    ),
    ...(system.business.holdMusicId === recordingId
      ? [{ kind: 'business' as const, id: '', words: 'heard by those who are held' }]
      : []),
    ...Object.values(system.numbers)
      .filter((n) => n.holdMusicId === recordingId)
      .map((n): Use => ({ kind: 'number', id: n.id, words: `heard by those who are held, by ${n.label}` })),
    ...Object.values(system.queues).flatMap((q): Use[] => [
      ...(q.holdMusicId === recordingId
        ? [{ kind: 'queue' as const, id: q.id, words: `music of ${q.name}` }]
        : []),
      ...(q.comfort?.recordingId === recordingId
        ? [{ kind: 'queue' as const, id: q.id, words: `said to those who wait in ${q.name}` }]
        : []),
    ]),
  ];
}

const plays =
  (recordingId: string) =>
  (step: Step): step is Step & { recordingId: string } =>
    'recordingId' in step && step.recordingId === recordingId;

/** The commands that put one recording in place of another wherever that is heard. */
export function replaceCommands(system: System, recordingId: string, byId: string): Command[] {
  return [
    ...Object.values(system.plans).flatMap((plan) =>
      [...allSteps(plan.steps)].filter(plays(recordingId)).map((step): Command => ({
        do: 'step.set',
        planId: plan.id,
        step: { ...step, recordingId: byId } as Step,
      })),
    ),
    ...Object.values(system.mailboxes)
      .filter((m) => m.greetingId === recordingId || m.greetings?.some((g) => g.recordingId === recordingId))
      .map((m): Command => {
        const of = (id: string | null) => (id === recordingId ? byId : id);
        const greetings = m.greetings?.map((g) => ({ ...g, recordingId: of(g.recordingId) }));
        const change = { greetingId: of(m.greetingId), ...(greetings ? { greetings } : {}) };
        return { do: 'mailbox.set', id: m.id, change };
      }),
    ...(system.business.holdMusicId === recordingId
      ? [{ do: 'business.set' as const, change: { holdMusicId: byId } }]
      : []),
    ...Object.values(system.numbers)
      .filter((n) => n.holdMusicId === recordingId)
      .map((n): Command => ({ do: 'number.set', id: n.id, change: { holdMusicId: byId } })),
    ...Object.values(system.queues).flatMap((q): Command[] => {
      const music = q.holdMusicId === recordingId ? { holdMusicId: byId } : {};
      const comfort =
        q.comfort?.recordingId === recordingId ? { comfort: { ...q.comfort, recordingId: byId } } : {};
      const change = { ...music, ...comfort };
      return Object.keys(change).length ? [{ do: 'queue.set', id: q.id, change }] : [];
    }),
  ];
}
