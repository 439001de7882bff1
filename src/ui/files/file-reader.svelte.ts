/** Reading a file that others made: in a worker, with how far it is, a way to stop it, and an end that comes in any case. */
import { proxy, type Remote } from 'comlink';
import type { ReachRead } from '$core/formats/cpl';
import { LARGEST_CALENDAR, type CalendarRead } from '$core/formats/ical';
import type { PlanRead } from '$core/formats/plan';
import type { Person, System } from '$core/system';
import type { CardsRead, FormatsWorker } from '../../workers/formats.worker';
import { bytesText } from '../format';
import { Latest } from '../asked/latest';

/** So long reading may take, in milliseconds: nothing that somebody means to read takes half of it. */
export const DEADLINE_MS = 30_000;

/** A plan or a script is small; a larger file is none. In bytes. */
const LARGEST_PLAN = 5_000_000;
const LARGEST_REACH = 200_000;
/** Pictures in cards are large. */
const LARGEST_CARDS = 50_000_000;

/** What came of it, in words where it failed; null where it was stopped. */
type Read<T> = Promise<T | { ok: false; message: string } | null>;

export class FileReading {
  /** What is being read, and how far it is; null is nothing. */
  now = $state.raw<{ name: string; done: number; of: number } | null>(null);
  private worker = new Latest<FormatsWorker>(
    () => new Worker(new URL('../../workers/formats.worker.ts', import.meta.url), { type: 'module' }),
    DEADLINE_MS,
  );

  /** Days off or turns. @param from @param to first and last day, ISO */
  calendar(file: File, zone: string, from: string, to: string): Read<CalendarRead> {
    return this.read(
      file,
      LARGEST_CALENDAR,
      (w, bytes, progress) => w.calendar(bytes, zone, from, to, progress) as Promise<CalendarRead>,
    );
  }
  /** A plan as JSON or as a script. */
  plan(file: File, system: System): Read<PlanRead> {
    const name = file.name.replace(/\.[^.]*(\.xml)?$/, '').slice(0, 80) || 'Plan from a script';
    return this.read(file, LARGEST_PLAN, (w, bytes) => w.plan(bytes, name, system) as Promise<PlanRead>);
  }
  /** How somebody is reached. */
  reach(file: File, person: Person, system: System): Read<ReachRead> {
    return this.read(file, LARGEST_REACH, (w, bytes) => w.reach(bytes, person, system) as Promise<ReachRead>);
  }
  /** Contacts as vCards. */
  cards(file: File, system: System): Read<CardsRead> {
    return this.read(file, LARGEST_CARDS, (w, bytes) => w.cards(bytes, system) as Promise<CardsRead>);
  }
  stop(): void {
    this.worker.stop();
  }

  private async read<T>(
    file: File,
    largest: number,
    how: (
      worker: Remote<FormatsWorker>,
      bytes: Uint8Array,
      progress: (done: number, of: number) => void,
    ) => Promise<T>,
  ): Read<T> {
    const no = (message: string) => ({ ok: false as const, message });
    if (file.size > largest)
      return no(
        `The file has ${bytesText(file.size)}; at most ${bytesText(largest)} are read. Is it the right one?`,
      );
    const name = file.name.slice(0, 80);
    this.now = { name, done: 0, of: 0 };
    try {
      const bytes = new Uint8Array(await file.arrayBuffer());
      return await this.worker.ask((w) =>
        how(
          w,
          bytes,
          proxy((done: number, of: number) => {
            this.now = { name, done, of };
          }),
        ),
      );
    } catch (error) {
      return no(error instanceof Error ? error.message : 'The file could not be read.');
    } finally {
      this.now = null;
    }
  }
}
