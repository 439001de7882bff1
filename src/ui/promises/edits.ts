/** Keeping promises, as commands with their words. */
import type { Trace } from '$core/calls';
import { keyPromise, promiseOf, promiseTimeInWords } from '$core/promises';
import type { MenuKey, Promised } from '$core/system';
import { freshId } from '../ids';
import { behaviourOf, type Question } from '../rehearse/question';
import { session, theBusiness } from '../window/session.svelte';

/** A rehearsal becomes a promise: what came of it must stay so. */
export function keepAsPromise(question: Question, trace: Trace | undefined): void {
  const number = question.numberId ? theBusiness().system.numbers[question.numberId] : undefined;
  if (!number || !trace) return;
  add({
    ...promiseOf(number, question.caller || null, behaviourOf(question), trace),
    id: freshId('promise'),
  });
}

function add(promised: Promised): void {
  const result = theBusiness().edit(`Promise: ${promised.name}`, [{ do: 'promise.add', value: promised }]);
  if (result.ok)
    session.say({
      kind: 'success',
      title: 'Kept as a promise',
      detail: `${promised.name}, ${promiseTimeInWords(promised, theBusiness().system)}. It is under Answering, Promises, where its time can be changed.`,
      undo: () => theBusiness().undoEdit(),
    });
}

/** That a key of a menu reaches a person becomes a promise. */
export function promiseKey(menuId: string, key: MenuKey): void {
  const found = keyPromise(theBusiness().system, theBusiness().paired, menuId, key, theBusiness().minute);
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
  theBusiness().keep(`Promise ${promised.name}: ${words}`, [{ do: 'promise.set', id: promised.id, change }]);
