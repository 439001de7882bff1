/** The worker that reads lists of people. */
import { proxy } from 'comlink';
import type { Field, PeopleOptions, PeoplePreview, PeopleTable } from '$core/formats/people';
import type { System } from '$core/system';
import type { PeopleReader } from '../../workers/people.worker';
import { DEADLINE_MS } from '../files/file-reader.svelte';
import { Latest } from '../asked/latest';

export class ListReader {
  private latest = new Latest<PeopleReader>(
    () => new Worker(new URL('../../workers/people.worker.ts', import.meta.url), { type: 'module' }),
    DEADLINE_MS,
  );

  /** @throws when the worker fails */
  async table(list: string | Uint8Array): Promise<PeopleTable | { message: string }> {
    type Answer = PeopleTable | { message: string };
    const answer = await this.latest.ask((remote) => remote.table(list) as Promise<Answer>);
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
    return this.latest.ask((remote) =>
      remote.preview(rows, fields, faults, options, system, proxy(progress)),
    );
  }

  /** Ends whatever is being worked out. */
  stop(): void {
    this.latest.stop();
  }
}
