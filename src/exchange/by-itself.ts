/** What follow-ups and rounds want done, done while a window is open: beside calls, which never wait for it. */
import type { System } from '../core/system';
import { carryDue, raiseWithoutCall, type Changes, type Db } from '../workspace';

export class ByItself {
  /** Businesses for which something is being done. */
  private busy = new Set<string>();
  /** The minute in which it was last looked for what comes about without a call, by business: that reads a whole system. */
  private looked = new Map<string, number>();

  constructor(
    private db: Db,
    private changes: Changes,
    private now: () => number,
  ) {}

  /**
   * Does what is due. What takes longer than until the next look is not begun twice.
   * @param system in force @param trouble is told what could not be done, in words
   */
  look(id: string, system: System, trouble: (words: string) => void): void {
    if (this.busy.has(id)) return;
    this.busy.add(id);
    void this.work(id, system)
      .catch((error: unknown) => trouble(error instanceof Error ? error.message : String(error)))
      .finally(() => this.busy.delete(id));
  }

  /** First what comes about without a call, then all that is due. */
  private async work(id: string, system: System): Promise<void> {
    const { db, changes } = this;
    if (!Object.keys(system.followUps).length && !(await db.countFromIndex('errands', 'business', id)))
      return;
    const now = this.now();
    const minute = Math.floor(now / 60_000);
    if (this.looked.get(id) !== minute) {
      this.looked.set(id, minute);
      for (const change of await raiseWithoutCall(db, id, system, now)) changes.tell(change);
    }
    for (const change of await carryDue(db, id, system, now)) changes.tell(change);
  }
}
