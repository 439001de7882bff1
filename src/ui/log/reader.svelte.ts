/** The log as this window asks a worker for it: whatever its length, nothing of it is gone through on the page. */
import { proxy, wrap, type Remote } from 'comlink';
import { momentOf } from '$core/hours';
import {
  callEntry,
  faxEntry,
  messageEntry,
  textEntry,
  type Entry,
  type Question,
  type Settled,
} from '$core/story';
import type { System } from '$core/system';
import type { Seen, Traffic } from '$core/staffing';
import { USUAL_RULES, type Report, type Span, type Today } from '$core/traffic';
import type { WishEntered } from '$core/texting';
import type { Found, LogReader, ReportAsked, Shown, State, TriedHere } from '../../workers/log.worker';

/** An entry as it is shown, with what settled it. */
export interface Told {
  entry: Entry;
  settled: Settled | undefined;
}

function entryOf({ kind, call, message, text, fax }: Shown, system: System): Entry | null {
  switch (kind) {
    case 'call':
      return call ? callEntry(call, message, system) : null;
    case 'message':
      return message ? messageEntry(message, system) : null;
    case 'text':
      return text ? textEntry(text, system) : null;
    case 'fax':
      return fax ? faxEntry(fax, system) : null;
  }
}
const told = (shown: readonly Shown[], system: System): Told[] =>
  shown.flatMap((s) => {
    const entry = entryOf(s, system);
    return entry ? [{ entry, settled: s.settled }] : [];
  });

/** Whose log it is. */
interface Whose {
  readonly id: string;
  readonly system: System;
  readonly zone: string;
  /** Epoch milliseconds. */
  readonly now: number;
}

/** So many are read at once, where all of them are. */
const BATCH = 500;

export class LogHere {
  /** How far it is; undefined until something is known. */
  state = $state.raw<State | undefined>();
  /** Why it cannot be read, in words. */
  problem = $state('');
  private worker: Worker | null = null;
  private remote: Remote<LogReader> | null = null;
  private asked = 0;
  /** What names were taken from when they were last told. */
  private names: unknown[] = [];

  constructor(private whose: Whose) {}

  private start(): Remote<LogReader> {
    if (this.remote) return this.remote;
    this.worker = new Worker(new URL('../../workers/log.worker.ts', import.meta.url), { type: 'module' });
    this.worker.onerror = () => this.fail(new Error('The log could not be read.'));
    this.remote = wrap<LogReader>(this.worker);
    this.problem = '';
    const onState = proxy((state: State) => (this.state = state));
    this.remote.open(this.whose.id, onState).catch((error: unknown) => this.fail(error));
    return this.remote;
  }
  private fail(error: unknown): void {
    this.close();
    this.problem = error instanceof Error ? error.message : String(error);
  }
  /** It is not asked any more; the next question begins anew. */
  close(): void {
    this.worker?.terminate();
    this.worker = this.remote = null;
    this.names = [];
    this.state = undefined;
  }

  /** Tells what people, contacts and lines are called, where that is not known already. */
  private tellNames(remote: Remote<LogReader>): void {
    const { system } = this.whose;
    const names = [system.people, system.phones, system.contacts, system.numbers, system.business.country];
    if (names.every((part, i) => part === this.names[i])) return;
    this.names = names;
    void remote.names(system);
  }

  /** A report asks of plans and hours too. */
  private tellSystem(remote: Remote<LogReader>): void {
    const { system } = this.whose;
    if (this.names[0] === system) return;
    this.names = [system];
    void remote.names(system);
  }

  /** @param found is told the first of them, and then how many there are; not any more once something else is asked */
  async ask(
    question: Question,
    most: number,
    found: (told: Told[], total: number | null) => void,
  ): Promise<void> {
    const remote = this.start();
    this.tellNames(remote);
    const { system, zone } = this.whose;
    const days = Object.fromEntries(
      [question.from, question.to]
        .filter(Boolean)
        .map((iso) => [iso, [momentOf(zone, iso, 0), momentOf(zone, iso, 1440)] as const]),
    );
    const mine = ++this.asked;
    // What answers an older question comes too late.
    const onFound = proxy(({ shown, total }: Found) => {
      if (mine === this.asked) found(told(shown, system), total);
    });
    await remote.ask(question, days, most, onFound).catch((error: unknown) => this.fail(error));
  }
  /** Everything with some numbers, E.164. @param most so many of them @returns those, and how many there are */
  async with(numbers: readonly string[], most: number): Promise<{ told: Told[]; total: number }> {
    const remote = this.start();
    this.tellNames(remote);
    const { shown, total } = await remote.with([...numbers], most);
    return { told: told(shown, this.whose.system), total: total ?? 0 };
  }
  /** @returns null where a later one was asked, or it cannot be read: see `problem` */
  async report(asked: ReportAsked): Promise<Report | null> {
    const remote = this.start();
    this.tellSystem(remote);
    return remote.report(asked).catch((error: unknown) => {
      this.fail(error);
      return null;
    });
  }
  /** Today so far, and what is usual. @param people to whose calls it is narrowed; null is everybody's */
  today(people: readonly string[] | null): Promise<Today | null> {
    const remote = this.start();
    this.tellSystem(remote);
    return remote.today(USUAL_RULES, people && [...people], this.whose.now);
  }
  /** The traffic of days of the log. @returns null where nobody called */
  traffic(span: Span, numberIds: readonly string[]): Promise<{ traffic: Traffic; seen: Seen } | null> {
    const remote = this.start();
    this.tellSystem(remote);
    return remote.traffic(span, [...numberIds]);
  }
  /** A follow-up of the draft tried on the last days. @returns null where it cannot be read, or there is no such follow-up */
  tried(id: string, wishes: readonly WishEntered[], days: number, most: number): Promise<TriedHere | null> {
    const remote = this.start();
    this.tellSystem(remote);
    return remote
      .tried(id, $state.snapshot([...wishes]), days, this.whose.now, most)
      .catch((error: unknown) => {
        this.fail(error);
        return null;
      });
  }
  /** The calls behind a figure of the last report. */
  async behind(key: string, most: number): Promise<{ told: Told[]; total: number }> {
    const { shown, total } = await this.start().behind(key, most);
    return { told: told(shown, this.whose.system), total: total ?? 0 };
  }
  /** All that was found last. @param each is given them in batches, and how many have been before */
  async all(total: number, each: (told: Told[], before: number) => void): Promise<void> {
    for (let from = 0; from < total; from += BATCH) {
      const shown = await this.start().more(from, from + BATCH);
      each(told(shown, this.whose.system), from);
    }
  }
}
