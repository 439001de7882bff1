/** The worker that reads lists of people. A later question takes the place of one that is not answered yet. */
import { proxy, wrap, type Remote } from 'comlink';
import type { Field, PeopleOptions, PeoplePreview, PeopleTable } from '$core/formats/people';
import type { System } from '$core/system';
import type { PeopleReader } from '../../workers/people.worker';

export class ListReader {
  private worker: Worker | null = null;
  private remote: Remote<PeopleReader> | null = null;
  private busy = false;
  private asked = 0;

  /** @throws when the worker fails */
  async table(list: string | Uint8Array): Promise<PeopleTable | { message: string }> {
    type Answer = PeopleTable | { message: string };
    const answer = await this.ask((remote) => remote.table(list) as Promise<Answer>);
    return answer ?? { message: 'The reading was stopped.' };
  }

  /** @returns null when a later question took its place @throws when the worker fails */
  preview(
    rows: string[][],
    fields: (Field | null)[],
    faults: Record<number, string>,
    options: PeopleOptions,
    system: System,
    progress: (done: number, of: number) => void,
  ): Promise<PeoplePreview | null> {
    return this.ask((remote) => remote.preview(rows, fields, faults, options, system, proxy(progress)));
  }

  /** Ends whatever is being worked out. */
  stop(): void {
    this.worker?.terminate();
    this.worker = this.remote = null;
    this.busy = false;
    this.asked++;
  }

  private async ask<T>(question: (remote: Remote<PeopleReader>) => Promise<T>): Promise<T | null> {
    if (this.busy) this.stop();
    const mine = ++this.asked;
    this.worker ??= new Worker(new URL('../../workers/people.worker.ts', import.meta.url), {
      type: 'module',
    });
    this.remote ??= wrap<PeopleReader>(this.worker);
    const broken = new Promise<never>((_, reject) => {
      this.worker!.onerror = () => reject(new Error('The list could not be read.'));
    });
    this.busy = true;
    // A worker that was ended never answers: the question is then dropped with it.
    const answer = await Promise.race([question(this.remote), broken]);
    if (mine !== this.asked) return null;
    this.busy = false;
    return answer;
  }
}
