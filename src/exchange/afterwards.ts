/** What is left of questions that were put after a talk, stored with the call. */
import type { CallState } from '../core/calls';
import { afterCall, valuesOf } from '../core/dialogues';
import { addDays, localTime } from '../core/hours';
import type { System } from '../core/system';
import { RunRecord, TaskRecord, TextRecord } from '../workspace';

export interface Afterwards {
  run: RunRecord;
  tasks: TaskRecord[];
  texts: TextRecord[];
}

/** @param system that the call went by @returns null where nothing was asked afterwards */
export function afterwardsOf(businessId: string, system: System, call: CallState): Afterwards | null {
  const { request, trace, numberId } = call;
  const asked = trace.find((e) => e.kind === 'asked afterwards');
  const dialogue = asked?.kind === 'asked afterwards' ? system.dialogues[asked.dialogueId] : undefined;
  const ours = numberId ? system.numbers[numberId]?.e164 : undefined;
  if (!dialogue || !ours) return null;
  const theirs = request.from.kind === 'outside' ? request.from.number : null;
  const made = afterCall(
    dialogue,
    trace,
    { id: `run-${request.id}`.slice(0, 60), callId: request.id, ours, theirs },
    request.at,
    theirs ? valuesOf(system, ours, theirs) : () => '',
  );
  if (!made) return null;
  const at = request.at + trace.at(-1)!.t;
  const key = request.id;
  return {
    run: { ...made.run, businessId },
    tasks: made.tasks.map(({ personId, text }, i) => ({
      id: `${key}-after-task-${i + 1}`.slice(0, 60),
      businessId,
      at,
      text: text.slice(0, 5000),
      personId,
      callBack: true,
      by: addDays(localTime(system.business.timeZone, at).date, 1),
      other: theirs,
      about: { kind: 'call' as const, id: key },
      from: dialogue.name,
    })),
    texts: theirs
      ? made.texts.flatMap((text, i) => {
          const read = TextRecord.safeParse({
            id: `${key}-after-${i + 1}`.slice(0, 60),
            businessId,
            way: 'out',
            from: ours,
            to: theirs,
            text,
            at: at + i,
            byItself: true,
          });
          return read.success ? [read.data] : [];
        })
      : [],
  };
}
