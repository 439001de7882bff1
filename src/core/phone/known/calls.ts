/** What a staff phone is told of the calls that go on: its own in full, of others what it may take, and who is doing what. */
import type { CallRequest, Memory, Trace, Want } from '../../calls';
import type { System } from '../../system';
import { linesOf, type Line } from '../lines';
import { callsNear, slotsTaken, type Near } from '../near';
import type { Told } from '../parties';
import type { Presence } from '../presence';
import { servedBy, type Served } from '../serving';
import { ownPhones } from './business';

export interface CallsKnown<T extends Told = Told> {
  /** Calls of the phones of its person. */
  calls: T[];
  near: Near[];
  /** Lines of others that stand on it. */
  lines: Line[];
  /** Slots in which a call waits. */
  taken: string[];
  /** What colleagues are doing, by person. */
  presence: Record<string, Presence>;
  /** Colleagues its person waits for to be free. */
  wants: Pick<Want, 'id' | 'personId' | 'until'>[];
  /** Queues its person serves. */
  queues: Served[];
  /** What calls out have cost so far, as far as it concerns this phone's person. */
  spent: Pick<Memory, 'spent' | 'abroad' | 'stopped'>;
  /** Its person is left alone after a call until then, epoch milliseconds; null where they are not. */
  finishing: number | null;
}

/** What stands in place of a number that may not be seen. */
const UNSEEN = 'a private number';

/** @param done until when people are left alone after a call, by person @param unseen outside numbers this phone may not see, see `unseenNumbers` */
export function callsKnown<T extends Told>(
  calls: readonly T[],
  phoneId: string,
  system: System,
  presence: Record<string, Presence>,
  memory: Pick<Memory, 'wants' | 'spent' | 'abroad' | 'stopped'>,
  done: ReadonlyMap<string, number>,
  unseen: ReadonlySet<string>,
): CallsKnown<T> {
  const me = system.phones[phoneId]?.personId ?? '';
  const own = ownPhones(system, phoneId);
  const isOwn = ({ ends, listening, legs, from, request }: T): boolean =>
    [...ends, ...(listening ?? [])].some((e) => own.has(e.phone)) ||
    legs.some((l) => own.has(l.phone)) ||
    [from, request.from].some((f) => f.kind === 'phone' && own.has(f.phoneId));
  const lines = linesOf(calls, phoneId, system);
  const onLines = new Set(lines.map((l) => l.take?.callId));
  return {
    calls: calls.filter(isOwn).map((c) => hidden(c, unseenIn(c.request, c.trace, own, unseen))),
    near: callsNear(calls, phoneId, system)
      .filter((n) => !onLines.has(n.id))
      .map((n) => hidden(n, unseen)),
    lines: lines.map((l) => hidden(l, unseen)),
    taken: slotsTaken(calls),
    presence,
    wants: (memory.wants ?? [])
      .filter((w) => own.has(w.phone))
      .map(({ id, personId, until }) => ({ id, personId, until })),
    queues: servedBy(me, system, calls),
    spent: spentBy(me, memory),
    finishing: done.get(me) ?? null,
  };
}

/** What a person has spent is told to them, and the whole, for the credit is everybody's. */
const spentBy = (me: string, { spent, abroad, stopped }: CallsKnown['spent']): CallsKnown['spent'] => ({
  ...(spent ? { spent: { ...spent, people: spent.people[me] ? { [me]: spent.people[me] } : {} } } : {}),
  ...(abroad ? { abroad } : {}),
  ...(stopped ? { stopped } : {}),
});

/** Numbers of a call that may not be seen: what somebody dialled on a phone of theirs they know. */
export function unseenIn(
  { from }: Pick<CallRequest, 'from'>,
  trace: Trace,
  own: ReadonlySet<string>,
  unseen: ReadonlySet<string>,
): ReadonlySet<string> {
  if (!unseen.size || from.kind !== 'phone' || !own.has(from.phoneId)) return unseen;
  const dialled = new Set(trace.flatMap((e) => (e.kind === 'goes out' ? e.number : [])));
  return new Set([...unseen].filter((number) => !dialled.has(number)));
}

/** The same without numbers that may not be seen. */
export function hidden<T extends object>(told: T, unseen: ReadonlySet<string>): T {
  if (!unseen.size) return told;
  const text = JSON.stringify(told);
  const there = [...unseen].filter((number) => text.includes(number));
  if (!there.length) return told;
  // A number may begin like a longer one.
  const without = (t: string, number: string) => t.replaceAll(new RegExp(`\\${number}(?!\\d)`, 'g'), UNSEEN);
  return JSON.parse(there.reduce(without, text)) as T;
}
