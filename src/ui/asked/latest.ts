/** A worker that is asked one thing at a time: a later question takes the place of one that is not answered yet. */
import { wrap, type Remote } from 'comlink';

/** Thrown where something took longer than it may; the worker is ended, and nothing has changed. */
export class TookTooLong extends Error {
  constructor(ms: number) {
    super(`This took longer than ${Math.round(ms / 1000)} s and was stopped. Nothing has changed.`);
  }
}

export class Latest<T> {
  private worker: Worker | null = null;
  private remote: Remote<T> | null = null;
  private asked = 0;
  private busy = false;
  /** Settles the question that is not answered yet, where it is stopped. */
  private letGo: (() => void) | undefined;

  /**
   * @param start makes the worker, which is only started when it is first asked
   * @param deadline so long an answer may take, in milliseconds
   */
  constructor(
    private start: () => Worker,
    private deadline = Infinity,
  ) {}

  /** @returns null when a later question took its place, or it was stopped @throws TookTooLong; when the worker fails */
  async ask<A>(question: (remote: Remote<T>) => Promise<A>): Promise<A | null> {
    if (this.busy) this.stop();
    const mine = ++this.asked;
    this.worker ??= this.start();
    this.remote ??= wrap<T>(this.worker);
    let timer: ReturnType<typeof setTimeout> | undefined;
    const otherwise = new Promise<null>((resolve, reject) => {
      this.worker!.onerror = () => reject(new Error('What was asked could not be worked out.'));
      this.letGo = () => resolve(null);
      if (this.deadline < Infinity)
        timer = setTimeout(() => {
          reject(new TookTooLong(this.deadline));
          this.stop();
        }, this.deadline);
    });
    this.busy = true;
    try {
      const answer = await Promise.race([question(this.remote), otherwise]);
      return mine === this.asked ? answer : null;
    } finally {
      clearTimeout(timer);
      if (mine === this.asked) this.busy = false;
    }
  }

  /** Ends whatever is being worked out. */
  stop(): void {
    this.worker?.terminate();
    this.worker = this.remote = null;
    this.busy = false;
    this.asked++;
    this.letGo?.();
  }
}
