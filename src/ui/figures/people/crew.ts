/** Workers that run weeks among them: as many as there are cores. */
import { wrap, type Remote } from 'comlink';
import type { Week } from '$core/staffing';
import type { LoadWorker, Setup } from '../../../workers/load.worker';

/** More than so many weigh more than they help. */
const MOST = 8;
/** The first answer comes after few weeks; later ones take more at once. */
const FIRST = 2;
const THEN = 6;

interface Hand {
  worker: Worker;
  remote: Remote<LoadWorker>;
}

export class Crew {
  private hands: Hand[] = [];
  private running = 0;
  private give: (() => void) | undefined;
  private busy = false;

  private start(): Hand[] {
    if (!this.hands.length)
      this.hands = Array.from({ length: Math.min(MOST, navigator.hardwareConcurrency || 2) }, () => {
        const worker = new Worker(new URL('../../../workers/load.worker.ts', import.meta.url), {
          type: 'module',
        });
        return { worker, remote: wrap<LoadWorker>(worker) };
      });
    return this.hands;
  }

  /**
   * Runs weeks, and gives those that are there in order, without a gap: the n-th is always that of the same callers.
   * @param told is given all of them so far, again and again @returns all of them; null where it was stopped
   * @throws Error where a worker fails, or what was to be changed is no longer there
   */
  async run(setup: Setup, count: number, told: (weeks: Week[]) => void): Promise<Week[] | null> {
    if (this.busy) this.stop();
    const mine = ++this.running;
    const hands = this.start();
    const stopped = new Promise<null>((resolve) => (this.give = () => resolve(null)));
    const weeks: (Week | undefined)[] = [];
    let next = 0;
    const work = async ({ worker, remote }: Hand): Promise<void> => {
      const failed = new Promise<never>((_, reject) => {
        worker.onerror = () => reject(new Error('The weeks could not be run.'));
      });
      const all = async () => {
        await remote.prepare(setup);
        while (next < count && mine === this.running) {
          const from = next;
          const some = Math.min(count - from, from < hands.length * FIRST ? FIRST : THEN);
          next += some;
          const done = await remote.weeks(from, some);
          if (mine !== this.running) return;
          done.forEach((week, i) => (weeks[from + i] = week));
          const gap = weeks.findIndex((w) => !w);
          told(weeks.slice(0, gap < 0 ? weeks.length : gap) as Week[]);
        }
      };
      await Promise.race([all(), failed]);
    };
    this.busy = true;
    const done = await Promise.race([Promise.all(hands.map(work)), stopped]).finally(() => {
      if (mine === this.running) this.busy = false;
    });
    return done && mine === this.running ? (weeks as Week[]) : null;
  }

  /** Ends whatever is run. */
  stop(): void {
    this.running++;
    this.busy = false;
    this.give?.();
    this.give = undefined;
    for (const { worker } of this.hands) worker.terminate();
    this.hands = [];
  }
}
