/** The ways a call can go where something is left open: to chance, or to whose turn it is after the calls before it. */
import { rehearse, worldOf, type CallRequest, type Trace } from '../calls';
import type { Pattern, PairedStanding, System } from '../system';

/** So many ways that chance can take are followed; that there are more is part of what is found. */
export const MOST_WAYS = 1000;

/** The ways of a call. */
export interface Ways {
  traces: Trace[];
  /** Ways that chance opens and that were not followed, at least; 0 where all were. */
  left: number;
}

/** Patterns that go by what the system has in mind from earlier calls: which those were is chance to a caller. */
const BY_MEMORY: readonly Pattern[] = ['in turn', 'longest idle', 'fewest calls'];

/** The way a call goes as its seed has it, and after it all others where something is left open, each once. */
export function waysOf(system: System, standing: PairedStanding, request: CallRequest): Ways {
  const usual = rehearse(system, standing, request);
  if (!leavesOpen(usual, system)) return { traces: [usual], left: 0 };
  const seen = new Set([asWay(usual)]);
  const { traces, left } = everyWay(system, standing, request);
  const others = traces.filter((way) => {
    const text = asWay(way);
    return !seen.has(text) && seen.add(text);
  });
  return { traces: [usual, ...others], left };
}

/** A way without what was drawn on it: two draws that come to the same are one way. */
const asWay = (trace: Trace): string =>
  JSON.stringify(trace.filter((e) => e.kind !== 'drawn' && e.kind !== 'shared'));

/** Whether a call could have gone another way. */
const leavesOpen = (trace: Trace, system: System): boolean =>
  trace.some((e) => {
    if (e.kind === 'shared' || e.kind === 'drawn') return e.among.length > 1;
    if (e.kind === 'group') return BY_MEMORY.includes(system.groups[e.groupId]?.pattern ?? 'together');
    if (e.kind !== 'step') return false;
    const step = worldOf(system).routes.get(e.planId)?.stops.get(e.stepId)?.step;
    return step?.kind === 'ring' && BY_MEMORY.includes(step.pattern);
  });

/**
 * All ways a call can go, whatever chance decides; one where it has nothing to decide.
 * @returns the ways, without how likely each is: what must never happen may happen in none of them
 */
export function everyWay(system: System, standing: PairedStanding, request: CallRequest): Ways {
  const traces: Trace[] = [];
  const open: number[][] = [[]];
  while (open.length && traces.length < MOST_WAYS) {
    const choices = open.pop()!;
    const trace = rehearse(system, standing, { ...request, choices });
    traces.push(trace);
    const draws = trace.flatMap((e) =>
      e.kind === 'shared' && e.among.length
        ? [{ took: e.branch, among: e.among }]
        : e.kind === 'drawn'
          ? [{ took: e.chose, among: e.among }]
          : [],
    );
    // What was given is settled; each later draw opens the ways it did not take.
    for (let i = choices.length; i < draws.length; i++)
      for (const other of draws[i]!.among)
        if (other !== draws[i]!.took) open.push([...draws.slice(0, i).map((d) => d.took), other]);
  }
  return { traces, left: open.length };
}
