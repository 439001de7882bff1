/** Who and what is rung, and where a call goes on when that came to nothing. */
import type { Phone } from '../../system';

export interface Leg {
  /** Counts from 1 within the call. */
  n: number;
  phone: string;
  personId: string | null;
  state: 'offered' | 'sounding' | 'confirming' | 'over';
  confirmByKey: boolean;
  /** Moment up to which whoever lifted may press the key that takes the call; absent until then. */
  confirmBy?: number;
}

/** One of those rung: a person, a phone, or an outside number. */
export interface Rung {
  personId: string | null;
  phoneId: string | null;
  outside: string | null;
}

/** What is offered to one of those rung: their phones, or those of who stands in for them. */
export interface Offer {
  personId: string | null;
  phones: readonly Phone[];
  /** An outside number, rung instead of phones. */
  outside: string | null;
}

/** Where a call goes on when ringing came to nothing. */
export type Onward =
  | {
      kind: 'step';
      stepId: string | null;
      /** Where it goes when nobody could be rung, or all were on calls; absent is the same way. */
      unreachable?: string | null;
      busy?: string | null;
    }
  | { kind: 'own mailbox'; personId: string }
  /** Back to the greeting of a mailbox, from which a key led away. */
  | { kind: 'mailbox'; mailboxId: string }
  | { kind: 'nobody' }
  /** One of ours called an outside number: it ends with what came of it. */
  | { kind: 'outside'; number: string }
  /** It rings at the phone it is placed from; where that is not lifted, nobody is called. */
  | { kind: 'own phone'; phone: string };

/** Ringing one person by their own rules. */
export interface PersonRing {
  personId: string;
  /** Which step of their reach is rung. */
  index: number;
  rung: boolean;
  sawBusy: boolean;
  /** Moment at which the plan's patience ends, or null. */
  until: number | null;
}
