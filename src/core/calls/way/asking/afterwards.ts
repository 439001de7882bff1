/** After a talk: a caller who stays when we hang up is asked how it was. */
import { isOurs, CALLER, type End } from '../../base/talk';
import type { CallIn, Run } from '../../base/state';
import { goesOut, talkOutcome } from '../../talks/ends';
import { ask } from './asking';
import { asksAnything } from './script';

/**
 * One of ours hangs up on the caller, who came in by a number whose callers are asked afterwards.
 * @returns whether they are asked; else the call is to be ended
 */
export function askAfterwards(run: Run, call: CallIn<'talking'>, end: End): boolean {
  const { request, numberId, ends } = call;
  if (request.from.kind !== 'outside' || !isOurs(end)) return false;
  const left = ends.filter((e) => e !== end);
  if (left.length !== 1 || left[0]!.phone !== CALLER) return false;
  const { system } = run.world(call);
  const dialogueId = numberId ? system.numbers[numberId]?.afterwardsId : null;
  const dialogue = dialogueId ? system.dialogues[dialogueId] : undefined;
  if (!dialogue || !asksAnything(dialogue)) return false;
  const outcome = talkOutcome(call);
  goesOut(run, call, end);
  run.say(call, { t: 0, kind: 'leaves', phone: end.phone, personId: end.personId });
  run.say(call, { t: 0, kind: 'asked afterwards', dialogueId: dialogue.id });
  call.recorded = undefined;
  call.afterwards = { dialogueId: dialogue.id, outcome };
  ask(run, call);
  return true;
}
