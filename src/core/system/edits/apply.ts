/** Applying an edit: all of it or nothing, with the patches that undo it. */
import { applyPatches, enablePatches, produceWithPatches, type Patch } from 'immer';
import { Edit, type Command } from './commands';
import type { Step } from '../shape/plans';
import type { System } from '../shape/schema';
import { COLLECTIONS, letGo, type Kind } from './references';
import {
  check,
  checkBusiness,
  checkEmails,
  checkOwners,
  checkExtensions,
  checkReferences,
  checkSteps,
  Refused,
  type Problem,
} from './rules';
import { allSteps, listAt, whereIs } from '../steps';

enablePatches();

/** A change of a system. An object that is put back says before which other of its section it stood. */
export type Change = Patch & { before?: string | null };

export type Applied =
  { ok: true; system: System; patches: Change[]; inverse: Change[] } | { ok: false; problems: Problem[] };

/**
 * Applies an edit to a system.
 * @returns the new system (the old one is untouched) with patches both ways, or what is wrong with the edit.
 */
export function applyEdit(system: System, edit: Edit): Applied {
  const parsed = Edit.safeParse(edit);
  if (!parsed.success) {
    const problems = parsed.error.issues.map(({ path, message }) => ({
      field: String(path.filter((p) => typeof p === 'string').at(-1) ?? ''),
      message,
      ...(path[0] === 'commands' && typeof path[1] === 'number' ? { command: path[1] } : {}),
    }));
    return { ok: false, problems };
  }
  /** The command at which it is; past the last one it is the edit as a whole. */
  let at: number | undefined = 0;
  try {
    const [next, patches, inverse] = produceWithPatches(system, (draft) => {
      for (const [i, command] of parsed.data.commands.entries()) {
        at = i;
        run(draft as System, command);
      }
    });
    at = undefined;
    if (
      (['people', 'groups', 'queues', 'plans', 'business'] as const).some(
        (part) => next[part] !== system[part],
      )
    )
      checkExtensions(system, next);
    if (next.people !== system.people) checkEmails(system, next);
    for (const [i, command] of parsed.data.commands.entries()) {
      at = i;
      checkPointers(next, command);
    }
    at = undefined;
    if (next.people !== system.people) checkOwners(system, next);
    return { ok: true, system: next, patches, inverse: inverse.map((patch) => placed(patch, system)) };
  } catch (error) {
    if (error instanceof Refused)
      return {
        ok: false,
        problems: [
          { field: error.field, message: error.message, ...(at === undefined ? {} : { command: at }) },
        ],
      };
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

/** Undoing a removal puts an object back where it stood, so that nobody loses their place in a list. */
function placed(patch: Patch, system: System): Change {
  const [section, id] = patch.path;
  if (patch.op !== 'add' || patch.path.length !== 2) return patch;
  const ids = Object.keys(system[section as keyof System]);
  const at = ids.indexOf(String(id));
  return at < 0 ? patch : { ...patch, before: ids[at + 1] ?? null };
}

/** Puts patches (an edit's, or their inverse) onto a system. */
export function patchSystem(system: System, patches: Change[]): System {
  const patched = applyPatches(system, patches);
  // Those that stood further back first: one may have stood before another that is put back too.
  return patches
    .filter((p) => p.before != null)
    .reduceRight((all, { path, before }) => putBefore(all, path as [keyof System, string], before!), patched);
}

function putBefore(system: System, [section, id]: [keyof System, string], before: string): System {
  const items = system[section] as Record<string, unknown>;
  if (!Object.hasOwn(items, id) || !Object.hasOwn(items, before)) return system;
  const entries = Object.entries(items).filter(([other]) => other !== id);
  const at = entries.findIndex(([other]) => other === before);
  entries.splice(at, 0, [id, items[id]]);
  return { ...system, [section]: Object.fromEntries(entries) };
}

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
