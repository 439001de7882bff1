/** Promises about load, held against a usual week as the log has it: when asked, and before a change goes in force. */
import { addDays, localTime } from '$core/hours';
import { daysOfPromises, usualMonday, verdictOf, type LoadPromise, type LoadVerdict } from '$core/staffing';
import { asPaired, type System } from '$core/system';
import { USUAL_RULES } from '$core/traffic';
import { readLoadPromises } from '$workspace';
import { Crew } from '../figures/people/crew';
import type { OpenBusiness } from '../window/open-business.svelte';

/** Weeks of the log that are gone by. */
const WEEKS_BACK = 12;
/** So many weeks are run, and so many where it is too close to say. */
const WEEKS = 60;
const LONGER = 300;
const SEED = 1;

export class LoadHeld {
  promises = $state.raw<readonly LoadPromise[]>([]);
  verdicts = $state.raw<ReadonlyMap<string, LoadVerdict>>(new Map());
  /** Why nothing can be said, in words. */
  problem = $state('');
  busy = $state(false);
  done = $state(0);
  of = $state(0);
  /** It was gone through to its end. */
  whole = $state(false);
  private crew = new Crew();
  private asked = 0;

  async read(business: OpenBusiness): Promise<void> {
    this.promises = await readLoadPromises(business.db, business.id);
  }
  get broken(): number {
    return [...this.verdicts.values()].filter((v) => v.is === 'broken').length;
  }

  /** Holds them against a system. What it is stopped in says nothing. */
  async hold(business: OpenBusiness, system: System): Promise<void> {
    const mine = ++this.asked;
    this.verdicts = new Map();
    this.problem = '';
    this.whole = false;
    this.busy = true;
    try {
      await this.read(business);
      if (!this.promises.length || mine !== this.asked) {
        this.whole = true;
        return;
      }
      const today = localTime(business.zone, business.now).date;
      const span = { from: addDays(today, -7 * WEEKS_BACK), to: addDays(today, -1) };
      const made = await business.logbook.traffic(span, []);
      if (mine !== this.asked) return;
      if (!made) {
        this.problem = 'Nobody called in the last twelve weeks: there is nothing to hold them against.';
        this.whole = true;
        return;
      }
      const { monday } = usualMonday(system, today);
      for (const within of new Set(this.promises.map((p) => p.within))) {
        let open = this.promises.filter((p) => p.within === within);
        for (const count of [WEEKS, LONGER]) {
          if (!open.length) break;
          this.of = count;
          this.done = 0;
          const weeks = await this.crew.run(
            {
              system: $state.snapshot(system) as System,
              standing: $state.snapshot(asPaired(business.standing)),
              change: { what: 'nothing' },
              traffic: made.traffic,
              monday,
              seed: SEED,
              rules: { ...USUAL_RULES, within },
              more: 1,
              days: daysOfPromises(open),
            },
            count,
            (some) => (this.done = some.length),
          );
          if (!weeks || mine !== this.asked) return;
          this.verdicts = new Map([
            ...this.verdicts,
            ...open.map((p) => [p.id, verdictOf(p, weeks)] as const),
          ]);
          open = open.filter((p) => this.verdicts.get(p.id)!.is === 'too close');
        }
      }
      this.whole = true;
    } catch (error) {
      this.problem = error instanceof Error ? error.message : String(error);
    } finally {
      if (mine === this.asked) this.busy = false;
    }
  }

  /** What was found so far stays; the rest is not held. */
  stop(): void {
    this.asked++;
    this.busy = false;
    this.crew.stop();
  }
}
