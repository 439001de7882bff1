/** A worker that is asked one thing at a time: a later question takes the place of one that is not answered yet. */
import { wrap, type Remote } from 'comlink';

export class Latest<T> {
  private worker: Worker | null = null;
  private remote: Remote<T> | null = null;
  private asked = 0;
  private busy = false;

  /** @param start makes the worker, which is only started when it is first asked */
  constructor(private start: () => Worker) {}

  /** @returns null when a later question took its place @throws when the worker fails */
  async ask<A>(question: (remote: Remote<T>) => Promise<A>): Promise<A | null> {
    if (this.busy) this.stop();
    const mine = ++this.asked;
    this.worker ??= this.start();
    this.remote ??= wrap<T>(this.worker);
    const failed = new Promise<never>((_, reject) => {
      this.worker!.onerror = () => reject(new Error('What was asked could not be worked out.'));
    });
    this.busy = true;
    // A worker that was ended never answers: the question is then dropped with it.
    const answer = await Promise.race([question(this.remote), failed]);
    if (mine !== this.asked) return null;
    this.busy = false;
    return answer;
  }

  /** Ends whatever is being worked out. */
  stop(): void {
    this.worker?.terminate();
    this.worker = this.remote = null;
    this.busy = false;
    this.asked++;
  }
}
