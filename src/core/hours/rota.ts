/** Rotas: who is on duty at a moment, and when that changes. */
import type { Rota } from '../system/shape/hours';
import { dayNumber, localTime, momentOf, momentOfDay } from './zone';

/** Who is on duty from a moment up to another; null is nobody. */
export interface Shift {
  /** Epoch milliseconds; `to` is not part of it. */
  from: number;
  to: number;
  personId: string | null;
  /** Somebody else's turn it would be. */
  swapped: boolean;
}

/** Who is on duty at a moment (epoch milliseconds), or null. Before the first turn nobody is. */
export function onDuty(rota: Rota, businessZone: string, at: number): string | null {
  const swap = swapAt(rota, businessZone, at);
  // A swap to nobody is a gap somebody wanted: the turn does not come back for it.
  return swap ? swap.personId : turnAt(rota, businessZone, at);
}

const zoneOfRota = (rota: Rota, businessZone: string): string => rota.timeZone ?? businessZone;

type Swap = Rota['swaps'][number];

function swapAt(rota: Rota, businessZone: string, at: number): Swap | undefined {
  const swaps = swapsOf(rota, zoneOfRota(rota, businessZone));
  return swaps.findLast(({ from, to }) => from <= at && at < to)?.swap;
}

/** When the swaps of a rota begin and end, as worked out last: a rota is asked at every call that rings it. */
const known = new WeakMap<Rota, { zone: string; swaps: { from: number; to: number; swap: Swap }[] }>();
function swapsOf(rota: Rota, zone: string) {
  let own = known.get(rota);
  if (own?.zone !== zone) {
    const swaps = rota.swaps.map((swap) => ({
      from: local(zone, swap.from),
      to: local(zone, swap.to),
      swap,
    }));
    known.set(rota, (own = { zone, swaps }));
  }
  return own.swaps;
}

/** The moment of a local date and time such as 2027-05-03T08:00. */
function local(zone: string, text: string): number {
  const [hour, minute] = text.slice(11).split(':').map(Number) as [number, number];
  return momentOf(zone, text.slice(0, 10), hour * 60 + minute);
}

function turnAt(rota: Rota, businessZone: string, at: number): string | null {
  if (!rota.turns.length) return null;
  const zone = zoneOfRota(rota, businessZone);
  const turn = Math.floor((localTime(zone, at).days - dayNumber(rota.from)) / rota.days);
  // By moments: a time of day that comes twice hands over once, one that the clocks skip a little later.
  const begun = handoverOf(rota, zone, turn) <= at ? turn : turn - 1;
  return begun < 0 ? null : rota.turns[begun % rota.turns.length]!;
}

/** The moment at which a turn begins, counted from the first, 0. */
const handoverOf = (rota: Rota, zone: string, turn: number): number =>
  momentOfDay(zone, dayNumber(rota.from) + turn * rota.days, rota.handover);

/** Moments from `from` up to but without `to` at which somebody else can come on duty. Ascending, without repeats. */
export function handovers(rota: Rota, businessZone: string, from: number, to: number): number[] {
  const zone = zoneOfRota(rota, businessZone);
  const found = new Set<number>();
  if (rota.turns.length) {
    const days = localTime(zone, from).days - 1 - dayNumber(rota.from);
    for (let turn = Math.max(0, Math.floor(days / rota.days)); ; turn++) {
      const at = handoverOf(rota, zone, turn);
      if (at >= to) break;
      found.add(at);
    }
  }
  for (const swap of rota.swaps) found.add(local(zone, swap.from)).add(local(zone, swap.to));
  return [...found].filter((t) => t >= from && t < to).sort((a, b) => a - b);
}

/** The shifts that cover a span of time, in order and without gaps: a gap is a shift of nobody. */
export function shiftsOf(rota: Rota, businessZone: string, from: number, to: number): Shift[] {
  const cuts = [from, ...handovers(rota, businessZone, from + 1, to), to];
  const shifts: Shift[] = [];
  for (let i = 0; i + 1 < cuts.length; i++) {
    const [start, end] = [cuts[i]!, cuts[i + 1]!];
    const personId = onDuty(rota, businessZone, start);
    const swapped = personId !== turnAt(rota, businessZone, start);
    const before = shifts.at(-1);
    if (before && before.personId === personId && before.swapped === swapped) before.to = end;
    else shifts.push({ from: start, to: end, personId, swapped });
  }
  return shifts;
}
