/**
 * Heavy work in a process of its own: one thing after the other, with a queue that says how long it is, a deadline that ends in
 * any case, and an end to what nobody waits for any longer. The server goes on answering pages meanwhile.
 */
import { spawn, type ChildProcess } from 'node:child_process';

/** Too much is waiting: ask again in so many seconds. */
export class Busy extends Error {
  constructor(readonly seconds: number) {
    super('busy');
  }
}
/** It took longer than it may. */
export class Late extends Error {}
/** What it needs is not installed here. */
export class Absent extends Error {}
/** Whoever asked has gone. */
export class Gone extends Error {}

type Answer = { ok: true; answer: unknown } | { ok: false; absent: boolean; message: string };
interface Job {
  question: unknown;
  work: number;
  settle: (how: Answer | Error) => void;
}

export interface ApartOptions {
  /** So long one thing may take, in milliseconds. */
  deadline: number;
  /** So many may wait. */
  waiting: number;
  /** Milliseconds that a unit of work takes, as long as none was measured. */
  usual: number;
}

export class Apart<Q> {
  private child: ChildProcess | undefined;
  private queue: Job[] = [];
  private running: Job | undefined;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private began = 0;
  private perUnit: number;

  /** @param code of an ES module that answers each message with one `{ ok, … }` */
  constructor(
    private code: string,
    private options: ApartOptions,
  ) {
    this.perUnit = options.usual;
  }

  /**
   * Asks, and waits for its turn.
   * @param work how much it is, in units of one's own @param signal of whoever asks: gone is given up
   * @throws Busy, Late, Absent, Gone
   */
  ask<A>(question: Q, work = 1, signal?: AbortSignal): Promise<A> {
    if (signal?.aborted) return Promise.reject(new Gone());
    if (this.queue.length >= this.options.waiting) return Promise.reject(new Busy(this.seconds()));
    return new Promise<A>((resolve, reject) => {
      const job: Job = {
        question,
        work,
        settle: (how) => {
          signal?.removeEventListener('abort', gone);
          if (how instanceof Error) reject(how);
          else if (how.ok) resolve(how.answer as A);
          else reject(how.absent ? new Absent(how.message) : new Error(how.message));
        },
      };
      const gone = () => {
        this.queue = this.queue.filter((j) => j !== job);
        job.settle(new Gone());
        if (this.running === job) this.startAgain();
      };
      signal?.addEventListener('abort', gone);
      this.queue.push(job);
      this.next();
    });
  }

  /** Ends the process. */
  stop(): void {
    clearTimeout(this.timer);
    this.child?.removeAllListeners();
    this.child?.kill('SIGKILL');
    this.child = this.running = undefined;
  }

  /** How long what waits will take, in whole seconds. */
  private seconds(): number {
    const work = [...this.queue, ...(this.running ? [this.running] : [])].reduce((n, j) => n + j.work, 0);
    return Math.max(1, Math.ceil((work * this.perUnit) / 1000));
  }

  private next(): void {
    if (this.running) return;
    const job = this.queue.shift();
    if (!job) return;
    this.running = job;
    this.began = performance.now();
    this.timer = setTimeout(() => {
      job.settle(new Late());
      this.startAgain();
    }, this.options.deadline);
    this.process().send(job.question as object, (error) => {
      if (error) this.end({ ok: false, absent: false, message: error.message });
    });
  }

  private end(answer: Answer): void {
    const job = this.running;
    if (!job) return;
    clearTimeout(this.timer);
    this.running = undefined;
    const took = (performance.now() - this.began) / Math.max(1, job.work);
    this.perUnit = 0.8 * this.perUnit + 0.2 * took;
    job.settle(answer);
    this.next();
  }

  /** The process is at something that nobody waits for: it begins anew. */
  private startAgain(): void {
    this.stop();
    this.next();
  }

  private process(): ChildProcess {
    if (this.child) return this.child;
    // Packages are found from the folder the server was started in.
    const child = spawn(process.execPath, ['--input-type=module', '--eval', this.code], {
      stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
      serialization: 'advanced',
      env: { PATH: process.env.PATH ?? '' },
    });
    child.on('message', (answer) => this.end(answer as Answer));
    const over = () => {
      if (this.child !== child) return;
      this.child = undefined;
      this.end({ ok: false, absent: false, message: 'The process ended by itself.' });
    };
    child.on('exit', over);
    child.on('error', over);
    // It does not keep the server from ending, and ends with it.
    child.unref();
    child.channel?.unref();
    return (this.child = child);
  }
}
