/** Works out days of calls of the past, off the page. */
import { expose } from 'comlink';
import type { Standing, System } from '../core/system';
import { pastOf, type Past } from '../standins/past/past';

const EVERY_MS = 150;

const past = {
  /** @param tell how many calls have been worked out, of so many, now and then */
  make(
    businessId: string,
    system: System,
    standing: Standing,
    until: number,
    days: number,
    tell: (done: number, of: number) => void,
  ): Past {
    let last = performance.now();
    return pastOf(businessId, system, standing, until, days, (done, of) => {
      if (performance.now() - last < EVERY_MS) return;
      tell(done, of);
      last = performance.now();
    });
  },
};
export type PastWorker = typeof past;
expose(past);
