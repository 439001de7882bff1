import type { PairedStanding, Standing, System } from '../../system';
import { CallEngine } from './engine';
import type { CallRequest } from '../base/request';
import type { Run } from '../base/state';
import type { Trace } from '../base/trace';

/**
 * Works out calls in advance, all of them together, so that two at once see each other. Each is forgotten once it is over:
 * what is kept of thousands is for whoever asked.
 * @param requests each with an id of its own, in the order in which they arrive
 * @param over what became of a call, once it is over; at the end of one that never is
 * @param taken what is kept of calendars; without it nothing is
 */
export function simulateEach(
  system: System,
  standing: Standing,
  requests: Iterable<CallRequest>,
  over: (id: string, trace: Trace) => void,
  taken?: Run['taken'],
): void {
  const engine = new CallEngine(system, standing);
  if (taken) engine.taken = taken;
  engine.whenOver = ({ request, trace }) => {
    over(request.id, trace);
    engine.forget(request.id);
  };
  // A call is placed when its moment comes, so that the engine never has more ahead of it than the calls that go on.
  for (const request of requests) {
    engine.advance(request.at - 1);
    engine.act(request.at, { kind: 'place', request });
  }
  engine.advance(Infinity);
  for (const [id, { trace }] of engine.calls) over(id, trace);
}

/** The same, in any order. @returns each call's trace by its id, in the order in which they arrive */
export function simulate(
  system: System,
  standing: Standing,
  requests: readonly CallRequest[],
  taken?: Run['taken'],
): Map<string, Trace> {
  const inOrder = requests.length > 1 ? [...requests].sort((a, b) => a.at - b.at) : requests;
  const first = new Map<string, CallRequest>();
  for (const request of inOrder) if (!first.has(request.id)) first.set(request.id, request);
  const traces = new Map<string, Trace>([...first.keys()].map((id) => [id, []]));
  simulateEach(system, standing, first.values(), (id, trace) => traces.set(id, trace), taken);
  return traces;
}

/** One call worked out in advance with phones as they were paired: the trace it will leave. */
export const rehearse = (
  system: System,
  standing: PairedStanding,
  request: CallRequest,
  taken?: Run['taken'],
): Trace => rehearseAsNow(system, standing, request, taken);

/** One call worked out with phones as the standing state has them: off, asleep or elsewhere. @returns the trace it would leave */
export const rehearseAsNow = (
  system: System,
  standing: Standing,
  request: CallRequest,
  taken?: Run['taken'],
): Trace => simulate(system, standing, [request], taken).get(request.id)!;
