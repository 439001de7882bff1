/** A time axis on which hours in which nothing changes take less room, so that what does change can be read. */

/** A moment's place on the axis, from 0 to 1. */
export type Scale = (at: number) => number;

const HOUR_MS = 3_600_000;
/** A stretch without a change grows with the square root of its length: nine hours take three times what one takes. */
const roomOf = (ms: number): number => Math.sqrt(Math.max(ms, HOUR_MS / 60) / HOUR_MS);

/**
 * The axis for a span of time. @param changes moments at which anything shown changes, in any order; those outside count not
 */
export function compressed(changes: Iterable<number>, from: number, to: number): Scale {
  const cuts = [...new Set([from, ...changes, to])].filter((t) => t >= from && t <= to).sort((a, b) => a - b);
  const places: number[] = [0];
  for (let i = 1; i < cuts.length; i++) places.push(places[i - 1]! + roomOf(cuts[i]! - cuts[i - 1]!));
  const whole = places.at(-1) || 1;
  return (at) => {
    if (at <= from) return 0;
    if (at >= to) return 1;
    let [i, high] = [1, cuts.length - 1];
    while (i < high) {
      const middle = (i + high) >> 1;
      if (cuts[middle]! < at) i = middle + 1;
      else high = middle;
    }
    const [a, b] = [cuts[i - 1]!, cuts[i]!];
    const inside = (at - a) / (b - a || 1);
    return (places[i - 1]! + inside * (places[i]! - places[i - 1]!)) / whole;
  };
}
