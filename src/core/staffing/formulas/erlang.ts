/**
 * The formulas of the trade for lines and people, under callers that come at random (Poisson) and talks of exponential length.
 * Load is in erlangs: callers an hour times the hours that each is talked with.
 */
import jStat from 'jstat';

/**
 * Erlang B: the share of calls that find all lines taken and are lost (A. K. Erlang, 1917; by its recursion).
 * @param lines whole, from 0 @param load erlangs, from 0
 */
export function erlangB(lines: number, load: number): number {
  let lost = 1;
  for (let n = 1; n <= lines; n++) lost = (load * lost) / (n + load * lost);
  return lost;
}

/** Erlang C: the share of callers who wait, where nobody gives up. 1 where there is more to do than people can. */
export function erlangC(people: number, load: number): number {
  if (load >= people) return 1;
  const lost = erlangB(people, load);
  return (people * lost) / (people - load * (1 - lost));
}

/** What callers get; times in seconds. */
export interface Service {
  /** The share who wait at all. */
  waits: number;
  /** The share who give up. */
  givesUp: number;
  /** Of everybody who calls; Infinity where the queue grows without end. */
  meanWait: number;
  /** The share of all who are answered within a time. */
  within(seconds: number): number;
  /** How much of their time people talk. */
  busy: number;
}

/** Erlang C as a service. @param rate callers a second @param talk their mean length @param people whole, from 1 */
export function queueOfThePatient(rate: number, talk: number, people: number): Service {
  const load = rate * talk;
  const waits = erlangC(people, load);
  const spare = people - load;
  return {
    waits,
    givesUp: 0,
    meanWait: spare > 0 ? (waits * talk) / spare : Infinity,
    within: (seconds) => (spare > 0 ? 1 - waits * Math.exp((-spare * seconds) / talk) : 0),
    busy: Math.min(1, load / people),
  };
}

/** A state so much less likely than the likeliest adds nothing, in natural logarithms. */
const NOTHING = 36;

/**
 * Erlang A: callers who wait give up after a patience of exponential length (M/M/n+M; C. Palm, "Research on telephone traffic
 * carried by full availability groups", 1957; from memory).
 * @param rate callers a second @param talk, patience their mean lengths in seconds @param people whole, from 1
 */
export function queueOfTheImpatient(rate: number, talk: number, patience: number, people: number): Service {
  const load = rate * talk;
  // Chances of so many in it, in logarithms: of many callers they are beyond what a number holds.
  const logs = [0];
  for (let n = 1, most = 0; ; n++) {
    const go = n <= people ? n / talk : people / talk + (n - people) / patience;
    const log = logs[n - 1]! + Math.log(rate / go);
    logs.push(log);
    most = Math.max(most, log);
    if (n > people && rate < go && log < most - NOTHING) break;
  }
  const most = logs.reduce((max, log) => Math.max(max, log));
  const chances = logs.map((log) => Math.exp(log - most));
  const all = chances.reduce((total, chance) => total + chance);
  const waiting = chances.slice(people);
  const inQueue = waiting.reduce((total, chance, k) => total + k * chance, 0) / all;
  const waits = waiting.reduce((total, chance) => total + chance, 0) / all;
  const meanWait = inQueue / rate;
  const givesUp = meanWait / patience;
  // Whoever finds k waiting before them waits for k + 1 to go, each sooner the more could give up: e to the power of minus
  // that time over patience follows a beta distribution.
  const c = (people * patience) / talk;
  return {
    waits,
    givesUp,
    meanWait,
    within(seconds) {
      const x = Math.exp(-seconds / patience);
      const served = waiting.reduce(
        (total, chance, k) => total + (chance / all) * (c / (c + k + 1)) * (1 - jStat.ibeta(x, c + 1, k + 1)),
        0,
      );
      return 1 - waits + served;
    },
    busy: (load * (1 - givesUp)) / people,
  };
}

/**
 * Engset: the share of calls that are lost where only so many can call, each of them calling while they do not talk
 * (T. Engset, 1918; call congestion, from memory).
 * @param sources how many can call @param lines whole @param each how much each would load a line while free, in erlangs
 */
export function engset(sources: number, lines: number, each: number): number {
  if (lines >= sources) return 0;
  // Of the others: whoever calls is not talking. In its recursion, for the same reason as Erlang B.
  let lost = 1;
  for (let n = 1; n <= lines; n++) {
    const more = (sources - n) * each * lost;
    lost = more / (n + more);
  }
  return lost;
}

/** More are not looked at. */
export const MOST = 10_000;

/** The fewest for which something holds; null where not even `MOST` are enough. */
function fewest(from: number, holds: (n: number) => boolean): number | null {
  let [low, high] = [from, from];
  // What holds for so many holds for more.
  while (!holds(high)) {
    if (high >= MOST) return null;
    low = high + 1;
    high = Math.min(MOST, Math.max(1, high * 2));
  }
  while (low < high) {
    const middle = (low + high) >> 1;
    if (holds(middle)) high = middle;
    else low = middle + 1;
  }
  return high;
}

/** Lines to buy, so that at most a share of calls is lost. @returns null where `MOST` are too few */
export const linesFor = (load: number, lost: number): number | null =>
  fewest(0, (n) => erlangB(n, load) <= lost);

/** People it takes, so that a share of all is answered within a time. @param patience seconds; null is for ever */
export const peopleFor = (
  rate: number,
  talk: number,
  patience: number | null,
  share: number,
  seconds: number,
): number | null =>
  fewest(1, (n) => {
    const service =
      patience === null ? queueOfThePatient(rate, talk, n) : queueOfTheImpatient(rate, talk, patience, n);
    return service.within(seconds) >= share;
  });
