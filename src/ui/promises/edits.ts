/** Keeping promises, as commands with their words. */
import { outcomeOf, type Trace } from '$core/calls';
import { keyPromise } from '$core/promises';
import type { Expectation, MenuKey, Promised } from '$core/system';
import { freshId } from '../ids';
import { behaviourOf, type Question } from '../rehearse/question';
import { session } from '../session.svelte';

/** What matters of a call, as it went. */
function expectationsOf(trace: Trace): Expectation[] {
  const outcome = outcomeOf(trace)?.outcome;
  const answered = trace.find((e) => e.kind === 'answered');
  if (outcome?.kind === 'answered' && answered?.kind === 'answered')
    return [
      {
        is: 'answered',
        personIds: answered.personId ? [answered.personId] : [],
        within: Math.ceil(answered.t / 1000),
      },
    ];
  const greeting = trace.find((e) => e.kind === 'greeting started');
  if (greeting?.kind === 'greeting started')
    return [{ is: 'voicemail', mailboxId: greeting.mailboxId, within: Math.ceil(greeting.t / 1000) }];
  return [{ is: 'ends well' }];
}

/** A rehearsal becomes a promise: what came of it must stay so. */
export function keepAsPromise(question: Question, trace: Trace | undefined): void {
  const number = question.numberId ? session.system!.numbers[question.numberId] : undefined;
  if (!number || !trace) return;
  const promised: Promised = {
    id: freshId('promise'),
    name: `${number.label}, as rehearsed`,
    numberId: number.id,
    caller: question.caller || null,
    behaviour: behaviourOf(question),
    when: { on: 'moment', at: question.at ?? session.minute },
    expects: expectationsOf(trace),
  };
  add(promised);
}

function add(promised: Promised): void {
  const result = session.edit(`Promise: ${promised.name}`, [{ do: 'promise.add', value: promised }]);
  if (result.ok)
    session.say({
      kind: 'success',
      title: 'Kept as a promise',
      detail: `${promised.name}. It is under Answering, Promises.`,
      undo: () => session.undoEdit(),
    });
}

/** That a key of a menu reaches a person becomes a promise. */
export function promiseKey(menuId: string, key: MenuKey): void {
  const found = keyPromise(session.system!, session.paired!, menuId, key, session.minute);
  if (found) add({ ...found, id: freshId('promise') });
  else
    session.say({
      kind: 'error',
      title: 'No promise made',
      detail: 'No caller comes to this menu within seven days: give the plan a number first.',
    });
}

export const setPromise = (
  promised: Promised,
  change: Partial<Omit<Promised, 'id'>>,
  words: string,
): string | undefined =>
  session.keep(`Promise ${promised.name}: ${words}`, [{ do: 'promise.set', id: promised.id, change }]);
