import type { Standing, System } from '../../system';
import { CallEngine } from './engine';
import type { CallRequest } from '../base/request';
import type { Trace } from '../base/trace';

/**
 * Works out calls in advance, all of them together, so that two at once see each other.
 * @returns each call's trace by its id
 */
export function simulate(
  system: System,
  standing: Standing,
  requests: readonly CallRequest[],
): Map<string, Trace> {
  const engine = new CallEngine(system, standing);
  // A call is placed when its moment comes, so that the engine never has more ahead of it than the calls that go on.
  const inOrder = requests.length > 1 ? [...requests].sort((a, b) => a.at - b.at) : requests;
  inOrder.forEach((request, i) => {
    engine.act(request.at, { kind: 'place', request });
    if (request.at !== inOrder[i + 1]?.at) engine.advance(request.at);
  });
  engine.advance(Infinity);
  return new Map([...engine.calls].map(([id, call]) => [id, call.trace]));
}

/** One call worked out in advance: the trace it will leave. */
export const rehearse = (system: System, standing: Standing, request: CallRequest): Trace =>
  simulate(system, standing, [request]).get(request.id)!;
