/** The worker that works out coverage; a later question takes the place of one that is not answered yet. */
import { wrap, type Remote } from 'comlink';
import type { CoverageWorker } from '../../workers/coverage.worker';

export class CoverageClient {
  private worker: Worker | null = null;
  private remote: Remote<CoverageWorker> | null = null;
  private asked = 0;
  private busy = false;

  /** @returns null when a later question took its place, or the worker failed */
  async ask<T>(question: (remote: Remote<CoverageWorker>) => Promise<T>): Promise<T | null> {
    if (this.busy) this.stop();
    const mine = ++this.asked;
    this.worker ??= new Worker(new URL('../../workers/coverage.worker.ts', import.meta.url), {
      type: 'module',
    });
    this.remote ??= wrap<CoverageWorker>(this.worker);
    const failed = new Promise<null>((resolve) => {
      this.worker!.onerror = () => resolve(null);
    });
    this.busy = true;
    const answer = await Promise.race([question(this.remote), failed]);
    if (mine !== this.asked) return null;
    this.busy = false;
    return answer;
  }

  stop(): void {
    this.worker?.terminate();
    this.worker = this.remote = null;
    this.busy = false;
    this.asked++;
  }
}
