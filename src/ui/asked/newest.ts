/** A worker that finishes what it was asked before it takes up another question; of several that wait only the newest is asked. */
import { wrap, type Remote } from 'comlink';

export class Newest<T> {
  private worker: Worker | null = null;
  private remote: Remote<T> | null = null;
  private running: Promise<unknown> | null = null;
  private asked = 0;

  /** @param start makes the worker, which is only started when it is first asked */
  constructor(private start: () => Worker) {}

  /** @returns null when a later question was asked, or it was stopped @throws when the worker fails */
  async ask<A>(question: (remote: Remote<T>) => Promise<A>): Promise<A | null> {
    const mine = ++this.asked;
    while (this.running) {
      await this.running.catch(() => undefined);
      if (mine !== this.asked) return null;
    }
    const worker = (this.worker ??= this.start());
    const remote = (this.remote ??= wrap<T>(worker));
    const failed = new Promise<never>((_, reject) => {
      worker.onerror = () => {
        // The next question begins with a new one.
        this.end();
        reject(new Error('What was asked could not be worked out.'));
      };
    });
    const running = Promise.race([question(remote), failed]).finally(() => {
      if (this.running === running) this.running = null;
    });
    this.running = running;
    const answer = await running;
    return mine === this.asked ? answer : null;
  }

  /** Ends whatever is being worked out. */
  stop(): void {
    this.asked++;
    this.end();
  }
  private end(): void {
    this.worker?.terminate();
    this.worker = this.remote = this.running = null;
  }
}
