import type { PairedStanding, Standing, System } from '../../system';
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
  const traces = new Map<string, Trace>();
  // Of a call that is over only its trace is wanted: thousands of them would be carried along to the end.
  engine.whenOver = ({ request, trace }) => {
    traces.set(request.id, trace);
    engine.forget(request.id);
  };
  // A call is placed when its moment comes, so that the engine never has more ahead of it than the calls that go on.
  const inOrder = requests.length > 1 ? [...requests].sort((a, b) => a.at - b.at) : requests;
  for (const request of inOrder) {
    if (traces.has(request.id)) continue;
    traces.set(request.id, []);
    engine.advance(request.at - 1);
    engine.act(request.at, { kind: 'place', request });
  }
  engine.advance(Infinity);
  for (const [id, { trace }] of engine.calls) traces.set(id, trace);
  return traces;
}

/** One call worked out in advance with phones as they were paired: the trace it will leave. */
export const rehearse = (system: System, standing: PairedStanding, request: CallRequest): Trace =>
  rehearseAsNow(system, standing, request);

/** One call worked out with phones as the standing state has them: off, asleep or elsewhere. @returns the trace it would leave */
export const rehearseAsNow = (system: System, standing: Standing, request: CallRequest): Trace =>
  simulate(system, standing, [request]).get(request.id)!;
