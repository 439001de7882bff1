/** Whether promises are kept: exactly, over every moment they are about. */
import { nobodyAnswers, type CallRequest, type Trace } from '../calls';
import { callersOf, piecesOf, waysOf, type CallAt, type Caller } from '../coverage';
import { addDays, boundaries, localTime, momentOf, momentOfDay, nextClockChange, periodAt } from '../hours';
import { asPaired, withOwn, type Expectation, type Promised, type Standing, type System } from '../system';
import { brokenBy } from './expect';

/** Days ahead that a promise over a range of time is held against. */
export const DAYS_AHEAD = 366;

export type Verdict =
  | { is: 'kept'; promised: Promised }
  | {
      /** No way that was followed breaks it, and chance opens more ways than were. */
      is: 'not followed';
      promised: Promised;
      /** The first moment at which that is so, epoch milliseconds. */
      at: number;
      /** Ways that were left out then, at least. */
      left: number;
    }
  /** It is about a moment that has passed. */
  | { is: 'lapsed'; promised: Promised }
  | {
      is: 'broken';
      promised: Promised;
      /** The first moment at which it is broken, epoch milliseconds. */
      at: number;
      /** The call that breaks it, or null where it cannot be made at all. */
      trace: Trace | null;
      /** What of it is broken, or null where the call cannot be made. */
      expectation: Expectation | null;
    };

/** The call a promise is about, at a moment. */
export const promisedCall =
  (promised: Promised): CallAt =>
  (number, at): CallRequest => ({
    id: 'promise',
    at,
    from: { kind: 'outside', number: promised.caller },
    to: { kind: 'number', e164: number.e164 },
    behaviour: { ...nobodyAnswers(), ...promised.behaviour },
  });

/**
 * Checks one promise.
 * @param now epoch milliseconds; a promise over time is held against the days from the one this lies in
 */
export function checkPromise(system: System, standing: Standing, promised: Promised, now: number): Verdict {
  if (promised.when.on === 'moment' && promised.when.at < now) return { is: 'lapsed', promised };
  const number = system.numbers[promised.numberId];
  const broken = (at: number, trace: Trace | null, expectation: Expectation | null): Verdict => ({
    is: 'broken',
    promised,
    at,
    trace,
    expectation,
  });
  let open: Extract<Verdict, { is: 'not followed' }> | undefined;
  const unbroken = (): Verdict => open ?? { is: 'kept', promised };
  if (!number?.planId) return broken(now, null, promised.expects[0] ?? null);
  const paired = asPaired(standing);
  const call = promisedCall(promised);
  /** Hours that a follow-up asks beside the plan's: what they say changes at moments of their own. */
  const asked = promised.expects.flatMap((e) =>
    e.is === 'followed'
      ? (system.followUps[e.followUpId]?.if ?? []).flatMap((c) => (c.is === 'hours' && c.hoursId) || [])
      : [],
  );
  const wrong = (at: number, ways: readonly Trace[], left: number): Verdict | null => {
    const about = { system, request: call(number, at) };
    for (const trace of ways)
      for (const expectation of promised.expects)
        if (brokenBy(trace, expectation, about)) return broken(at, trace, expectation);
    if (left) open ??= { is: 'not followed', promised, at, left };
    return null;
  };
  const over = (callAt: CallAt): Verdict | undefined => {
    if (promised.when.on === 'moment') {
      const { at } = promised.when;
      const { traces, left } = waysOf(system, paired, callAt(number, at));
      return wrong(at, traces, left) ?? undefined;
    }
    const zone = system.business.timeZone;
    const from = momentOfDay(zone, localTime(zone, now).days, 0);
    const to = momentOfDay(zone, localTime(zone, now).days + DAYS_AHEAD, 0);
    const looked = new Set<readonly Trace[]>();
    for (const piece of piecesOf(system, standing, number, from, to, callAt)) {
      if (looked.has(piece.ways) && !asked.length) continue;
      for (const id of asked) {
        const hours = system.hours[id];
        const edges = hours ? boundaries(hours, zone, piece.from, piece.to) : [];
        for (const edge of edges)
          for (const at of spansIn(promised, system, standing, edge, edge + 60_000)) {
            const found = wrong(at, piece.ways, piece.left);
            if (found) return found;
          }
      }
      for (const span of spansIn(promised, system, standing, piece.from, piece.to)) {
        const found = wrong(span, piece.ways, piece.left);
        if (found) return found;
        looked.add(piece.ways);
        break;
      }
    }
    return undefined;
  };
  const found = over(call);
  if (found) return found;
  const dialling = callersWhoDial(promised, withOwn(system, standing.own));
  for (const caller of dialling.slice(0, MOST_DIALLED)) {
    const broken = over(dialledBy(caller, call));
    if (broken) return broken;
  }
  if (dialling.length > MOST_DIALLED)
    open ??= { is: 'not followed', promised, at: now, left: dialling.length - MOST_DIALLED };
  return unbroken();
}

/** So many callers who dial an extension are followed. */
const MOST_DIALLED = 20;

/**
 * A promise that nobody is left alone is one to callers, too, who dial an extension in a menu: those of people without a
 * mailbox, groups and queues are looked at, for whoever has a mailbox ends there.
 */
function callersWhoDial(promised: Promised, system: System): Caller[] {
  if (!promised.expects.some((e) => e.is === 'ends well') || promised.behaviour.caller.keys?.length)
    return [];
  const touched = { step: () => false, object: (id: string) => !system.people[id]?.mailboxId };
  return callersOf(system, system.numbers[promised.numberId]!, touched).callers.filter((c) => c.dials);
}

/** The call a promise is about, made by somebody who presses what a caller presses. */
const dialledBy =
  (caller: Caller, call: CallAt): CallAt =>
  (number, at) => {
    const promisedOne = call(number, at);
    const { keys } = caller.callAt(number, at).behaviour!.caller;
    const behaviour = promisedOne.behaviour!;
    return {
      ...promisedOne,
      behaviour: { ...behaviour, caller: { ...behaviour.caller, ...(keys ? { keys } : {}) } },
    };
  };

/** Checks all promises there are. */
export const checkPromises = (system: System, standing: Standing, now: number): Verdict[] =>
  Object.values(system.promises).map((promised) => checkPromise(system, standing, promised, now));

/** The beginnings of the stretches of a span in which a promise is about calls. */
function* spansIn(
  { when }: Promised,
  system: System,
  standing: Standing,
  from: number,
  to: number,
): Generator<number> {
  const zone = system.business.timeZone;
  if (when.on === 'always') yield from;
  else if (when.on === 'hours') {
    const hours = system.hours[when.hoursId];
    if (!hours) return;
    const override = standing.overrides[hours.id]?.value;
    for (const at of [from, ...boundaries(hours, zone, from, to, override)])
      if (periodAt(hours, zone, at, override) === when.period) return void (yield at);
  } else if (when.on === 'week')
    for (let date = localTime(zone, from).date; ; date = addDays(date, 1)) {
      if (momentOf(zone, date, 0) >= to) return;
      const { day } = localTime(zone, momentOf(zone, date, 720));
      if (!when.days.includes(day)) continue;
      for (const [first, end] of spansOf(zone, date, when))
        if (Math.max(first, from) < Math.min(end, to)) yield Math.max(first, from);
    }
}

/**
 * The moments of a date that the clock on the wall shows between two minutes of the day, as stretches: both occurrences of an
 * hour that comes twice, none of one that is skipped.
 */
function* spansOf(
  zone: string,
  date: string,
  { from, to }: { from: number; to: number },
): Generator<[from: number, to: number]> {
  const day = [momentOf(zone, date, 0), momentOf(zone, addDays(date, 1), 0)] as const;
  const change = nextClockChange(zone, day[0]);
  const cuts = change < day[1] ? [day[0], change, day[1]] : [...day];
  for (let i = 0; i + 1 < cuts.length; i++) {
    const [start, end] = [cuts[i]!, cuts[i + 1]!];
    // Between two changes of the clocks the wall goes as time does.
    const minute = localTime(zone, start).minute;
    const first = start + Math.max(0, from - minute) * 60_000;
    const last = Math.min(end, start + (to - minute) * 60_000);
    if (first < last) yield [first, last];
  }
}
