/** Star codes dialled by themselves: what they change. */
import { targetProblem } from '../../people';
import {
  isLinked,
  type ForwardTarget,
  type Setting,
  type Stamp,
  type StarCode,
  type System,
} from '../../system';
import { SENDS_ON, type FeatureTarget } from '../../numbering';
import { dialIn } from '../mailbox/inbox';
import { phoneName } from '../base/names';
import type { CallState, Run } from '../base/state';
import { outcomeOf } from '../base/trace';

/** A star code has been dialled on a phone: it is said whether it is done, and why not. */
export function feature(
  run: Run,
  call: CallState,
  { code, does, to }: { code: string; does: StarCode['does']; to?: FeatureTarget },
): void {
  const { system } = run.world(call);
  const personId = callerOf(call, system);
  const refuse = (why: string) => run.end(call, 'system', { kind: 'feature', code, does, refused: why });
  if (does === 'voicemail') {
    const mailboxId = personId ? (system.people[personId]?.mailboxId ?? null) : null;
    return dialIn(run, call, mailboxId && system.mailboxes[mailboxId] ? mailboxId : null);
  }
  if (!personId) return refuse('this phone belongs to nobody');
  const which = SENDS_ON[does];
  if (!which) return run.end(call, 'system', { kind: 'feature', code, does });
  const last = run.memory.lastForward?.[personId];
  const target = to ? targetOf(to, run, call) : last?.[which];
  if (!target)
    return refuse(to ? 'nothing can be sent on to there' : `dial where calls are to go behind ${code}`);
  const problem = targetProblem(target, system, personId);
  if (problem) return refuse(problem);
  (run.memory.lastForward ??= {})[personId] = { ...last, [which]: target };
  run.end(call, 'system', { kind: 'feature', code, does, to: target });
}

function targetOf(to: FeatureTarget, run: Run, call: CallState): ForwardTarget | undefined {
  if (to.kind === 'outside') return { to: 'outside', number: to.e164 };
  const owner = run.world(call).extensions.get(to.extension);
  if (owner?.kind === 'person') return { to: 'person', personId: owner.id };
  if (owner?.kind === 'group') return { to: 'group', groupId: owner.id };
  return undefined;
}

const callerOf = ({ request }: Pick<CallState, 'request'>, system: System): string | null =>
  request.from.kind === 'phone' ? (system.phones[request.from.phoneId]?.personId ?? null) : null;

/**
 * The changes that a call to a star code makes to the settings of whoever the phone belongs to, and who made them where.
 * @param now epoch milliseconds
 */
export function settingsOf(
  system: System,
  { request, trace }: Pick<CallState, 'request' | 'trace'>,
  now: number,
): { settings: Setting[]; stamp: Stamp } {
  const outcome = outcomeOf(trace)?.outcome;
  const personId = callerOf({ request }, system);
  const none = { settings: [], stamp: { at: now, by: '' } };
  if (outcome?.kind !== 'feature' || outcome.refused || !personId || request.from.kind !== 'phone')
    return none;
  const by = `${phoneName(system, request.from.phoneId)}, by ${outcome.code}`.slice(0, 80);
  return { settings: changes(outcome, personId, system), stamp: { at: now, by } };
}

function changes(
  { does, to }: { does: StarCode['does']; to?: ForwardTarget },
  personId: string,
  system: System,
): Setting[] {
  switch (does) {
    case 'do not disturb on':
    case 'do not disturb off':
      return [{ kind: 'do not disturb', personId, on: does === 'do not disturb on', until: null }];
    case 'forwarding on':
    case 'forwarding off':
      return [{ kind: 'person', personId, values: { always: to ?? null } }];
    case 'forwarding when busy on':
    case 'forwarding when busy off':
      return [{ kind: 'person', personId, values: { onBusy: to ?? null } }];
    case 'forwarding when not answered on':
    case 'forwarding when not answered off':
      return [{ kind: 'person', personId, values: { onNotAnswered: to ?? null } }];
    case 'linked phones on':
    case 'linked phones off':
      return Object.values(system.phones)
        .filter((p) => p.personId === personId && isLinked(p))
        .map((p) => ({ kind: 'resting', phoneId: p.id, on: does === 'linked phones off', until: null }));
    default:
      return [];
  }
}
