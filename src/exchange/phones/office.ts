/** What the exchange's side of staff phones needs of the switch, and what it keeps of each window. */
import type { Action, Memory } from '../../core/calls';
import type { Differing } from '../../core/coverage';
import type { Standing, System } from '../../core/system';
import type { ClockSetting } from '../../standins/clock/clock';
import type { Beside, CallRecord } from '../../workspace';
import type { LiveCall } from '../protocol';
import type { Passes } from './passes';
import type { FromPhone, Knock, ToPhone } from './protocol';

/** The business of a line as it is now. */
export interface LineNow {
  system: System;
  standing: Standing;
  calls: readonly LiveCall[];
  memory: Memory;
}

/** What phones need of the switch. */
export interface Office {
  clock(): ClockSetting;
  now(): number;
  /** Does something while the switch does nothing else. */
  turn<T>(job: () => Promise<T>): Promise<T>;
  /** The business as calls go by it; undefined where it is not here. To be asked within a turn. */
  line(businessId: string): Promise<LineNow | undefined>;
  /** To be asked outside of a turn. */
  act(businessId: string, action: Action): Promise<void>;
  /** Writes something beside a call: kept with it while it goes on, and in its record once it is over. Outside of a turn. */
  writeBeside(businessId: string, callId: string, change: (known: Beside) => Beside): Promise<void>;
  /** What a change of settings does to callers: worked out apart, for it takes long. */
  effect(system: System, before: Standing, after: Standing, moment: number): Promise<Differing>;
}

export interface Window extends Knock {
  passes: Passes<FromPhone, ToPhone>;
  /** What of the business it was told of last, to judge what it asks and what it may see of calls. */
  system: System;
  standing: Standing;
  unseen: ReadonlySet<string>;
  /** Requests being done, and the answers of those done lately, so that one sent again is not done twice. */
  going: Set<string>;
  answered: Map<string, ToPhone>;
  /** Takes back what a request did to messages. */
  backs: Map<string, () => Promise<string | null>>;
}

/** Whether a phone took part in a call that is over. */
export const isOwnRecord = ({ request, trace }: CallRecord, own: ReadonlySet<string>): boolean =>
  (request.from.kind === 'phone' && own.has(request.from.phoneId)) ||
  trace.some((e) => 'phone' in e && own.has(String(e.phone)));
