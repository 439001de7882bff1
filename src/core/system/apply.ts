/** Applying an edit: all of it or nothing, with the patches that undo it. */
import { applyPatches, enablePatches, produceWithPatches, type Patch } from 'immer';
import { Edit, type Command } from './commands';
import type { Step } from './plans';
import type { System } from './schema';
import { COLLECTIONS, letGo, type Kind } from './let-go';
import {
  check,
  checkBusiness,
  checkEmails,
  checkExtensions,
  checkReferences,
  checkSteps,
  Refused,
  type Problem,
} from './rules';
import { allSteps, listAt, whereIs } from './steps';

enablePatches();

export type Applied =
  { ok: true; system: System; patches: Patch[]; inverse: Patch[] } | { ok: false; problems: Problem[] };

/**
 * Applies an edit to a system.
 * @returns the new system (the old one is untouched) with patches both ways, or what is wrong with the edit.
 */
export function applyEdit(system: System, edit: Edit): Applied {
  const parsed = Edit.safeParse(edit);
  if (!parsed.success) {
    const problems = parsed.error.issues.map((issue) => ({
      field: String(issue.path.filter((p) => typeof p === 'string').at(-1) ?? ''),
      message: issue.message,
    }));
    return { ok: false, problems };
  }
  try {
    const [next, patches, inverse] = produceWithPatches(system, (draft) => {
      for (const command of parsed.data.commands) run(draft as System, command);
    });
    if (
      (['people', 'groups', 'queues', 'plans', 'business'] as const).some(
        (part) => next[part] !== system[part],
      )
    )
      checkExtensions(system, next);
    if (next.people !== system.people) checkEmails(system, next);
    for (const command of parsed.data.commands) checkPointers(next, command);
    return { ok: true, system: next, patches, inverse };
  } catch (error) {
    if (error instanceof Refused)
      return { ok: false, problems: [{ field: error.field, message: error.message }] };
    throw error;
  }
}

/** What a command left behind points at nothing that is not there. */
function checkPointers(system: System, command: Command): void {
  if (command.do === 'business.set') return;
  const [kind, id] =
    'planId' in command
      ? (['plan', command.planId] as const)
      : [command.do.split('.')[0] as Kind, 'value' in command ? command.value.id : command.id];
  if (Object.hasOwn(system[COLLECTIONS[kind]], id)) checkReferences(system, kind, id);
}

/** Puts patches (an edit's, or their inverse) onto a system. */
export const patchSystem = (system: System, patches: Patch[]): System => applyPatches(system, patches);

type Collection = Record<string, { id: string }>;

function run(system: System, command: Command): void {
  if (command.do === 'business.set') {
    Object.assign(system.business, command.change);
    return checkBusiness(system);
  }
  if ('planId' in command) return runStep(system, command);
  const kind = command.do.split('.')[0] as Kind;
  const items = system[COLLECTIONS[kind]] as Collection;
  if ('value' in command) {
    if (items[command.value.id]) throw new Refused('id', 'That is there already.');
    items[command.value.id] = command.value;
    check(system, kind, command.value.id);
  } else if ('change' in command) {
    const item = items[command.id] ?? gone(kind);
    Object.assign(item, command.change);
    check(system, kind, command.id);
  } else {
    if (!items[command.id]) gone(kind);
    delete items[command.id];
    letGo(system, kind, command.id);
  }
}

function gone(kind: string): never {
  throw new Refused('id', `That ${kind} is no longer there.`);
}

function runStep(system: System, command: Extract<Command, { planId: string }>): void {
  const plan = system.plans[command.planId] ?? gone('plan');
  const at = (stepId: string) => whereIs(plan.steps, stepId) ?? gone('step');
  if (command.do === 'step.add') {
    const list = listAt(plan.steps, command.place) ?? gone('branch');
    list.splice(Math.min(command.index, list.length), 0, command.step);
  } else if (command.do === 'step.set') {
    const { list, index } = at(command.step.id);
    list[index] = command.step;
  } else if (command.do === 'step.remove') {
    const { list, index } = at(command.stepId);
    list.splice(index, 1);
  } else {
    const { list, index } = at(command.stepId);
    const [step] = list.splice(index, 1) as [Step];
    if (command.place && [...allSteps([step])].some((s) => s.id === command.place!.parentId))
      throw new Refused('place', 'A step cannot move into its own branch.');
    const target = listAt(plan.steps, command.place) ?? gone('branch');
    target.splice(Math.min(command.index, target.length), 0, step);
  }
  checkSteps(plan.steps);
}
