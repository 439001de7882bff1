/** The line of a business: its engine with what calls go by, as windows see its calls, and as they are stored. */
import { calledPerson, type CallEngine, type CallState } from '../core/calls';
import type { Held } from '../core/messages';
import { meetsNow, type Told } from '../core/phone';
import type { Standing, System } from '../core/system';
import type { Beside, BookingRecord, ExchangeRecord, MessageRecord, Said } from '../workspace';
import type { LiveCall } from './protocol';

export interface Line {
  engine: CallEngine;
  /** Which version each system is that calls go by: it is stored once, and not with every act. */
  inForce: Map<System, number>;
  /** All messages, and what lies in each mailbox. */
  messages: readonly MessageRecord[];
  held: Map<string, Held[]>;
  /** All appointments. */
  bookings: readonly BookingRecord[];
  standing: Standing;
  said: Map<string, Said>;
  /** What is written to calls that go on. */
  beside: Map<string, Beside>;
  /** How many events of a call have been looked at for letters to send. */
  notified: Map<string, number>;
  /** Why what it has come to is not stored, in words; null is that it is. */
  trouble: string | null;
}

/** What of a call windows are shown as it is. */
const SHOWN = [
  'request',
  'from',
  'phase',
  'since',
  'until',
  'legs',
  'ends',
  'listening',
  'parked',
  'passing',
  'waiting',
  'recorded',
  'mailboxId',
  'numberId',
  'trace',
] as const satisfies readonly (keyof LiveCall & keyof CallState)[];
/** What a phone is told of a call and is not shown here does not compile. */
true satisfies [Exclude<keyof Told, (typeof SHOWN)[number] | 'meets'>] extends [never] ? true : false;

/** The calls of an engine as windows see them. */
export const liveCalls = ({ engine, beside }: Pick<Line, 'engine' | 'beside'>): LiveCall[] => {
  const all = [...engine.calls.values()];
  return all.map((call) => {
    const shown = Object.fromEntries(SHOWN.map((key) => [key, call[key]])) as Pick<
      CallState,
      (typeof SHOWN)[number]
    >;
    const meets = meetsNow(call, all, engine.memory.lockedRooms ?? [], engine.world(call).system);
    return {
      ...shown,
      calledPerson: calledPerson(engine, call),
      note: beside.get(call.request.id)?.note,
      ...(meets ? { meets } : {}),
    };
  });
};

/** Calls in progress as they are stored. */
export function stored({ engine, inForce }: Line): ExchangeRecord['snapshot'] {
  const { systems, ...snapshot } = engine.snapshot();
  return {
    ...snapshot,
    systems: systems.map(([version, system]) => {
      const n = inForce.get(system);
      return [version, n === undefined ? system : { inForce: n }];
    }),
  };
}
