/** In which order several are rung. */
import { localTime } from '../../hours';
import type { Pattern, Weights } from '../../system';
import { choose, given, open } from '../rules/chance';
import type { CallState, Memory, Run, Rung } from '../base/state';

/** What somebody rung is called in the memory, in weights and in traces. */
export const idOf = (r: Rung): string => r.personId ?? r.phoneId ?? r.outside ?? '';

/**
 * Puts those rung one after the other in their order. By weight, who is next is drawn when it comes to it: see `drawNext`.
 * @param owner the step, group or queue whose turns are kept in mind
 */
export function arrange(
  run: Run,
  call: CallState,
  owner: string,
  pattern: Pattern,
  weights: Weights | undefined,
  targets: readonly Rung[],
): Rung[] {
  const { memory } = run;
  switch (pattern) {
    case 'together':
    case 'in order':
      return [...targets];
    case 'in turn': {
      const last = targets.findIndex((t) => idOf(t) === memory.lastRung[owner]);
      const turned = [...targets.slice(last + 1), ...targets.slice(0, last + 1)];
      return firstIsOpen(run, call, turned, (i) => [...turned.slice(i), ...turned.slice(0, i)]);
    }
    case 'longest idle': {
      const since = (t: Rung) => memory.idleSince[idOf(t)] ?? -Infinity;
      return anyFirst(
        run,
        call,
        stable(targets, (a, b) => since(a) - since(b)),
      );
    }
    case 'fewest calls': {
      const { date } = localTime(run.world(call).system.business.timeZone, run.now);
      const taken = (t: Rung) => takenOn(memory, idOf(t), date);
      return anyFirst(
        run,
        call,
        stable(targets, (a, b) => taken(a) - taken(b)),
      );
    }
    case 'by weight':
      return targets.filter((t) => (weights?.[idOf(t)] ?? 1) > 0);
  }
}

/**
 * Which calls came before decides who is first. Where all ways of a call are followed, the request says who it is; it is
 * said in the trace so that the others can be followed too.
 */
function firstIsOpen(run: Run, call: CallState, order: Rung[], from: (first: number) => Rung[]): Rung[] {
  if (!call.request.choices || call.waiting || order.length < 2) return order;
  const chose = given(call, order.length) ?? 0;
  run.say(call, { t: 0, kind: 'drawn', next: idOf(order[chose]!), among: order.map((_, i) => i), chose });
  return from(chose);
}

/** Any of them may be first; the others follow in their order. */
const anyFirst = (run: Run, call: CallState, order: Rung[]): Rung[] =>
  firstIsOpen(run, call, order, (i) => [order[i]!, ...order.slice(0, i), ...order.slice(i + 1)]);

/** Calls somebody took on a day. */
export const takenOn = ({ taken }: Memory, id: string, date: string): number =>
  taken[id]?.date === date ? taken[id].calls : 0;

/** -Infinity minus itself is not a number: it counts as alike. */
const stable = (targets: readonly Rung[], by: (a: Rung, b: Rung) => number): Rung[] =>
  [...targets].sort((a, b) => by(a, b) || 0);

/** Draws who is rung next among those left, by their weights, and takes them out. @param left not empty */
export function drawNext(run: Run, call: CallState, weights: Weights, left: Rung[]): Rung {
  if (left.length === 1) return left.pop()!;
  const ws = left.map((t) => weights[idOf(t)] ?? 1);
  const i = choose(call, ws);
  run.say(call, { t: 0, kind: 'drawn', next: idOf(left[i]!), among: open(ws), chose: i });
  return left.splice(i, 1)[0]!;
}
