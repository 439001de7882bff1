/** Calls that a phone may take and that are not for it. */
import { listed, mayPickUp, ownsMailbox, whoseName, worldOf, type CallState } from '../calls';
import type { System } from '../system';
import { callerName, othersOf, type Told } from './parties';

/** A call that rings at a colleague and may be taken, or that waits in a slot. */
export interface Near {
  id: string;
  /**
   * It rings at a colleague, waits in a slot, is talked in on another phone of one's own, or its caller leaves a message in a
   * mailbox of theirs, to which this phone listens or not.
   */
  is: 'rings' | 'waits' | 'mine' | 'speaks' | 'listened to';
  /** Who calls. */
  name: string;
  /** Who is rung, or the slot. */
  where: string;
  slot: string | null;
  /** Since when it is so, epoch milliseconds. */
  since: number;
}

/**
 * Calls a phone may take that are not for it: those that ring at whom its person shares a group with, those parked, and
 * those its person talks in on another phone.
 */
export function callsNear(calls: readonly Told[], phoneId: string, system: System): Near[] {
  const personId = system.phones[phoneId]?.personId ?? null;
  const world = () => worldOf(system);
  return calls.flatMap((call): Near[] => {
    const { name } = callerName(call, system);
    const { since } = call;
    if (call.parked && call.phase !== 'over')
      return [
        {
          id: call.request.id,
          is: 'waits',
          name,
          where: `on ${call.parked.slot}`,
          slot: call.parked.slot,
          since,
        },
      ];
    const mine = call.ends.find((e) => personId !== null && e.personId === personId);
    if (call.phase === 'talking' && mine && !call.ends.some((e) => e.phone === phoneId)) {
      const others = othersOf(call, mine.phone, system).map((o) => o.name);
      const where = `on your ${(system.phones[mine.phone]?.name ?? 'other phone').toLowerCase()}`;
      return [{ id: call.request.id, is: 'mine', name: listed(others), where, slot: null, since }];
    }
    if (call.phase === 'message' && personId && call.mailboxId) {
      if (!ownsMailbox(system, call.mailboxId, personId)) return [];
      const is = call.listening?.some((l) => l.phone === phoneId) ? 'listened to' : 'speaks';
      const where = `into ${system.mailboxes[call.mailboxId]?.name ?? 'a mailbox'}`;
      return [{ id: call.request.id, is, name, where, slot: null, since }];
    }
    if (call.phase !== 'ringing' || call.legs.some((l) => l.phone === phoneId && l.state !== 'over'))
      return [];
    if (!mayPickUp({ world }, call as CallState, { phone: phoneId, personId })) return [];
    const rung = [
      ...new Set(
        call.legs.flatMap((l) => (l.state === 'over' ? [] : whoseName(system, l.phone, l.personId))),
      ),
    ];
    return [{ id: call.request.id, is: 'rings', name, where: `at ${rung.join(', ')}`, slot: null, since }];
  });
}

/** Slots in which a call waits. */
export const slotsTaken = (calls: readonly Told[]): string[] =>
  calls.flatMap((c) => (c.parked && c.phase !== 'over' ? c.parked.slot : []));
