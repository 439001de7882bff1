/** Lines of others on a phone: what goes on there, and what may be done about it. */
import { heldForLine, isOurs, lineOf, listed, mayPickUp, whoseName, worldOf, type CallState } from '../calls';
import { writeNumber } from '../numbering';
import { linesOn, type System } from '../system';
import { callerName, othersOf, type Told } from './parties';

export interface Line {
  of: { kind: 'person' | 'number'; id: string };
  name: string;
  /** The extension or the number. */
  detail: string;
  is: 'free' | 'rings' | 'talks' | 'held';
  /** Who of ours is rung, talks or holds; empty where it is free, or a person's own. */
  by: string;
  /** Who calls, where the call may be taken from here; else nobody's business. */
  who: string;
  /** The call that may be taken from here, and how. */
  take: { callId: string; act: 'pick up' | 'take over' } | null;
  /** Since when, epoch milliseconds; null where it is free. */
  since: number | null;
}

/** What needs somebody soonest stands for a line with several calls. */
const URGENCY: Record<Line['is'], number> = { rings: 0, held: 1, talks: 2, free: 3 };

/** The lines that stand on a phone, in the order they were put there. */
export function linesOf(calls: readonly Told[], phoneId: string, system: System): Line[] {
  const phone = system.phones[phoneId];
  if (!phone) return [];
  const { personIds, numberIds } = linesOn(phone);
  const going = calls.filter((c) => c.phase !== 'over');
  const best = (of: Line['of'], name: string, detail: string, found: (call: Told) => Went | null): Line => {
    const free: Line = { of, name, detail, is: 'free', by: '', who: '', take: null, since: null };
    return going
      .flatMap((call): Line[] => {
        const went = found(call);
        return went ? [{ ...free, ...went, ...taking(call, went.is, phoneId, system) }] : [];
      })
      .reduce((a, b) => (URGENCY[b.is] < URGENCY[a.is] ? b : a), free);
  };
  return [
    ...numberIds.flatMap((id) => {
      const number = system.numbers[id];
      if (!number) return [];
      const onIt = (call: Told) => (lineOf(call, system) === id ? wentOn(call, phoneId, system, null) : null);
      return [
        best({ kind: 'number', id }, number.label, writeNumber(number.e164, system.business.country), onIt),
      ];
    }),
    ...personIds.flatMap((id) => {
      const person = system.people[id];
      if (!person) return [];
      return [
        best({ kind: 'person', id }, person.name, person.extension, (call) =>
          wentOn(call, phoneId, system, id),
        ),
      ];
    }),
  ];
}

type Went = Pick<Line, 'is' | 'by' | 'since'>;

/** What goes on in a call on a line. @param personId of whom, where it is the line of somebody */
function wentOn(call: Told, phoneId: string, system: System, personId: string | null): Went | null {
  const of = <T extends { phone: string; personId: string | null }>(all: readonly T[]) =>
    all.filter((e) => personId === null || e.personId === personId);
  const names = (all: readonly { phone: string; personId: string | null }[]) =>
    personId !== null
      ? ''
      : listed([
          ...new Set(all.map((e) => (e.phone === phoneId ? 'you' : whoseName(system, e.phone, e.personId)))),
        ]);
  if (call.phase === 'talking') {
    const ours = of(call.ends.filter(isOurs));
    const held = ours.filter((e) => e.holds !== undefined);
    if (!ours.length) return null;
    return held.length === ours.length
      ? { is: 'held', by: names(held), since: held[0]!.holds! }
      : { is: 'talks', by: names(ours), since: call.since };
  }
  const rung = of(call.legs.filter((l) => l.state !== 'over' && isOurs(l)));
  return rung.length ? { is: 'rings', by: names(rung), since: call.since } : null;
}

/** How a call on a line may be taken from this phone: it rings elsewhere, or somebody holds it. */
function taking(call: Told, is: Line['is'], phoneId: string, system: System): Pick<Line, 'who' | 'take'> {
  const none = { who: '', take: null };
  const callId = call.request.id;
  const by = { phone: phoneId, personId: system.phones[phoneId]?.personId ?? null };
  if (call.ends.some((e) => e.phone === phoneId)) return none;
  if (is === 'rings') {
    const here = call.legs.some((l) => l.phone === phoneId && l.state !== 'over');
    const may = !here && mayPickUp({ world: () => worldOf(system) }, call as CallState, by);
    return may ? { who: callerName(call, system).name, take: { callId, act: 'pick up' } } : none;
  }
  const holder = is === 'held' ? heldForLine(call, system.phones[phoneId], system) : undefined;
  if (!holder) return none;
  const who = listed(othersOf(call, holder.phone, system).map((o) => o.name));
  return { who, take: { callId, act: 'take over' } };
}
