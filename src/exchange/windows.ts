/** What open windows mean for calls: whoever calls from one that is closed has hung up, and who has no phone on serves no queue. */
import { outsideNumber, type Action } from '../core/calls';
import { isOff } from '../core/phone';
import type { Setting } from '../core/system';
import type { Line as Whole } from './line';
import { callerLock, outsideLock, phoneLock } from './protocol';

/** A window that is gone for less than this is only being reloaded: milliseconds of real time. */
const RELOAD_MS = 4000;
/** Whoever serves a queue and has no phone on for so long is logged out: milliseconds of real time. */
const OFF_MS = 30_000;
/** With what the locks of outside phones begin. */
const OUTSIDE = outsideLock('');

/** What of a line it goes by. */
type Line = Pick<Whole, 'engine' | 'standing'>;

/** Names of the locks that windows hold: those that are open. */
export type Open = ReadonlySet<string | undefined>;

export class Windows {
  private goneSince = new Map<string, number>();
  /** Since when people who serve queues have no phone on, in real time, by business and person. */
  private offSince = new Map<string, number>();
  /** Windows of outside phones that have been seen. */
  private outside = new Set<string | undefined>();

  /** What callers and phones whose windows have gone, or are there again, have done by that. */
  actsOf(businessId: string, line: Line, open: Open): Action[] {
    const acts: Action[] = [];
    for (const call of line.engine.calls.values()) {
      if (call.phase === 'over') continue;
      const { id: callId, from } = call.request;
      // Whoever calls from a window that is closed has hung up, and so has an outside phone that had one.
      if (from.kind === 'outside' && this.isGone(callerLock(callId), open))
        acts.push({ kind: 'hang up', callId, by: 'caller' });
      for (const { phone, gone } of call.ends) {
        const number = outsideNumber(phone);
        const isHere = number && this.outside.has(outsideLock(number));
        if (isHere && this.isGone(outsideLock(number), open))
          acts.push({ kind: 'hang up', callId, by: 'called', phone });
        if (line.standing.registrations[phone]?.standIn !== false) continue;
        // A softphone may only be reloading: the others wait a moment for it.
        const there = open.has(phoneLock(businessId, phone));
        if (!there && gone === undefined) acts.push({ kind: 'gone', callId, phone });
        else if (there && gone !== undefined) acts.push({ kind: 'there again', callId, phone });
      }
    }
    this.outside = new Set([...this.outside, ...[...open].filter((l) => l?.startsWith(OUTSIDE))]);
    return acts;
  }

  /** Whether a window has been closed for longer than a reload takes. */
  private isGone(lock: string, open: Open): boolean {
    if (open.has(lock)) {
      this.goneSince.delete(lock);
      return false;
    }
    const real = Date.now();
    const since = this.goneSince.get(lock) ?? real;
    this.goneSince.set(lock, since);
    if (real - since < RELOAD_MS) return false;
    this.goneSince.delete(lock);
    this.outside.delete(lock);
    return true;
  }

  /**
   * Whoever logged in to a queue and has no phone on any more is logged out after a while. Who never logged in or out serves
   * it when they can. @param now epoch milliseconds
   */
  loggedOut(businessId: string, { standing, engine }: Line, now: number): Setting[] {
    const out: Setting[] = [];
    for (const [queueId, by] of Object.entries(standing.logins))
      for (const [personId, login] of Object.entries(by)) {
        const off = login.value && isOff(engine.document, standing, personId, now);
        const key = `${businessId} ${personId}`;
        const since = this.offSince.get(key) ?? Date.now();
        if (!off) this.offSince.delete(key);
        else this.offSince.set(key, since);
        if (off && Date.now() - since >= OFF_MS)
          out.push({ kind: 'logged in', queueId, personId, on: false });
      }
    return out;
  }
}
