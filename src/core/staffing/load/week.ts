/**
 * One usual week of callers. What chance decides of a call goes by its seed and by what it is for: the same callers come,
 * in the same order and with the same patience, whatever plan they are led through, so that small differences show.
 */
import jStat from 'jstat';
import { drawn, hashOf, spreadAt, type CallRequest, type Lifting } from '../../calls';
import { dayNumber, momentOfDay } from '../../hours';
import type { System } from '../../system';
import { QUARTERS, type Lengths, type Traffic } from './traffic';

/** What a draw is for: each has a number of its own. */
const DRAW = { talk: 1, patience: 2, caller: 3, keys: 4, message: 5 } as const;

const EVERY_DAY = [1, 2, 3, 4, 5, 6, 7];

/** A seed made of two: mixed, so that neighbours have nothing in common. */
function mixed(seed: number, n: number): number {
  return Math.floor(drawn(seed, n) * 0x7fffffff);
}

/** A length in seconds. @param u by chance, from 0 up to 1 */
export function lengthBy(lengths: Lengths, u: number): number {
  switch (lengths.as) {
    case 'seen':
    case 'exponential':
      return spreadAt(lengths, u);
    case 'log-normal': {
      const variance = Math.log(1 + (lengths.deviation / lengths.mean) ** 2);
      const middle = Math.log(lengths.mean) - variance / 2;
      return jStat.lognormal.inv(Math.max(u, 1e-12), middle, Math.sqrt(variance));
    }
  }
}

/** How many times as many as usual come on a day: gamma, of mean 1. @param u by chance */
export const dayFactor = (spread: number, u: number): number =>
  spread > 0 ? jStat.gamma.inv(u, 1 / spread ** 2, spread ** 2) : 1;

/**
 * The calls of a week in order of arrival.
 * @param monday ISO date of its first day @param seed of all weeks @param n which of them
 * @param more so many times as many callers, 1 for as they are
 * @param days ISO days of the week on which anybody calls: the same callers as in the whole week
 */
export function weekOf(
  traffic: Traffic,
  system: System,
  monday: string,
  seed: number,
  n: number,
  more = 1,
  days: readonly number[] = EVERY_DAY,
): CallRequest[] {
  const zone = system.business.timeZone;
  const first = dayNumber(monday);
  const lifting: Lifting = { share: traffic.lifts, after: traffic.lift };
  const requests: CallRequest[] = [];
  const ofWeek = mixed(seed, n);
  for (const day of days.map((d) => d - 1)) {
    const factor = more * dayFactor(traffic.spread, drawn(ofWeek, day));
    for (const line of traffic.lines) {
      const ofLine = mixed(ofWeek, hashOf(line.e164) + day);
      let made = 0;
      for (let quarter = 0; quarter < QUARTERS / 7; quarter++) {
        const rate = (line.rates[day * 96 + quarter] ?? 0) * factor;
        if (rate <= 0) continue;
        const talk = traffic.talkAt[day * 24 + Math.floor(quarter / 4)] ?? traffic.talk;
        // Poisson: gaps of exponential length, in quarter hours.
        const ofQuarter = mixed(ofLine, 1000 + quarter);
        for (let at = 0, k = 0; ; k++) {
          at -= Math.log(1 - drawn(ofQuarter, k)) / rate;
          if (at >= 1) break;
          const own = mixed(ofQuarter, 5000 + k);
          const moment = momentOfDay(zone, first + day, 15 * (quarter + at));
          requests.push(
            requestOf(`${n}-${line.e164}-${day}-${made++}`, moment, line, own, traffic, talk, lifting),
          );
        }
      }
    }
  }
  return requests.sort((a, b) => a.at - b.at);
}

function requestOf(
  id: string,
  at: number,
  line: Traffic['lines'][number],
  seed: number,
  traffic: Traffic,
  talk: Lengths,
  lifting: Lifting,
): CallRequest {
  const pick = <T>(of: readonly T[], draw: number): T | undefined =>
    of[Math.floor(drawn(seed, draw) * of.length)];
  const keys = pick(line.keys, DRAW.keys) ?? '';
  const patience =
    traffic.patience === null
      ? null
      : traffic.before - Math.log(1 - drawn(seed, DRAW.patience)) * traffic.patience;
  const caller = pick(traffic.callers, DRAW.caller) ?? null;
  return {
    id,
    at: Math.round(at),
    from: { kind: 'outside', number: caller },
    to: { kind: 'number', e164: line.e164 },
    behaviour: {
      people: {},
      phones: {},
      otherwise: { does: 'nothing' },
      caller: {
        hangsUpAfter: patience,
        talks: lengthBy(talk, drawn(seed, DRAW.talk)),
        message: drawn(seed, DRAW.message) < 0.5 ? 0 : 15,
        ...(keys ? { keys: keys.split(' ').map((press) => ({ after: 2, press })) } : {}),
      },
    },
    lifting,
    seed,
  };
}
