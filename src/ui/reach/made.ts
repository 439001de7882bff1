/** Settings that hold at once, made in this window: undo and redo take them in order with the edits of the draft. */
import equal from 'fast-deep-equal';
import { reverseOf, type Setting, type Standing, type System } from '$core/system';
import type { Workspace } from '$workspace';
import type { Notice } from '../window/notice';

interface Made {
  words: string;
  settings: Setting[];
  /** What held before, as settings. */
  back: Setting[];
  /** Who made them and where. */
  by: string;
  /** How many edits of the draft were done by then. */
  after: number;
  /** Real time, epoch milliseconds; absent in what an earlier version kept. */
  at?: number;
}

/** Where they are made. */
interface Place {
  readonly workspace: Workspace;
  readonly standing: Standing;
  /** What people’s own settings stand over. */
  readonly settable: System;
  say(notice: Omit<Notice, 'id'>): void;
}

/** As many as are remembered. */
const MOST = 50;

/** As it comes out of storage: without what is undefined. */
const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T;
const without = (list: readonly Made[], made: Made): Made[] => list.filter((m) => m !== made);

/** Kept over a reload, like the edits themselves. */
export class SettingsMade {
  private readonly key: string;
  private done: Made[] = [];
  private undone: Made[] = [];
  /** One after the other, however fast the keys are pressed. */
  private making: Promise<void> = Promise.resolve();

  constructor(
    businessId: string,
    private readonly place: Place,
  ) {
    this.key = `upper-line:settings-made:${businessId}`;
    try {
      const kept = sessionStorage.getItem(this.key);
      if (kept)
        ({ done: this.done, undone: this.undone } = JSON.parse(kept) as Record<'done' | 'undone', Made[]>);
    } catch {
      // What cannot be read is not undone.
    }
  }

  /**
   * Makes settings now, and offers to take them back.
   * @param by who makes them, and where @param edits of the draft that are done now
   * @returns the newer settings that stayed as they are
   */
  async make(
    words: string,
    settings: Setting[],
    by: string,
    edits: number,
  ): Promise<{ what: string; by: string }[]> {
    const back = this.now(settings);
    const stayed = await this.set(settings, by);
    if (stayed.length) return stayed;
    const made: Made = { words, settings, back, by, after: edits, at: Date.now() };
    this.keep([...this.done, made].slice(-MOST), []);
    this.place.say({
      kind: 'success',
      title: words,
      detail: 'It holds from now on.',
      undo: () => this.takeBack(made),
    });
    return [];
  }

  /** When something was last set that can be taken back, real time; 0 for never. */
  get lastAt(): number {
    return this.done.at(-1)?.at ?? 0;
  }

  /** Takes back what was set last, unless an edit came after it. @returns whether it did */
  undo(edits: number): boolean {
    const made = this.done.at(-1);
    if (!made || made.after < edits) return false;
    this.takeBack(made);
    return true;
  }
  /** Sets again what was taken back last, unless an edit made before it is still undone. @returns whether it did */
  redo(edits: number): boolean {
    const made = this.undone.at(-1);
    if (!made || made.after > edits) return false;
    this.keep([...this.done, made], without(this.undone, made));
    this.then(async () => {
      await this.set(made.settings, made.by);
      this.place.say({ kind: 'info', title: `Done again: ${made.words}` });
    });
    return true;
  }
  /** An edit was made: what was undone before it is not done again. */
  forgetUndone(): void {
    if (this.undone.length) this.keep(this.done, []);
  }

  private takeBack(made: Made): void {
    this.keep(without(this.done, made), [...this.undone, made]);
    this.then(async () => {
      if (!equal(plain(this.now(made.settings)), plain(made.settings))) {
        this.keep(this.done, without(this.undone, made));
        const detail = 'It was set again since, and that stays.';
        return this.place.say({ kind: 'info', title: `Not undone: ${made.words}`, detail });
      }
      await this.set(made.back, made.by);
      this.place.say({ kind: 'info', title: `Undone: ${made.words}` });
    });
  }
  private then(act: () => Promise<void>): void {
    this.making = this.making.then(act);
  }
  /** The same settings, with the values that hold now. */
  private now(settings: readonly Setting[]): Setting[] {
    return settings.map((s) => reverseOf(s, this.place.standing!, this.place.settable!));
  }
  private set(settings: readonly Setting[], by: string): Promise<{ what: string; by: string }[]> {
    const workspace = this.place.workspace!;
    return workspace.set(settings, { at: workspace.now(), by });
  }
  private keep(done: Made[], undone: Made[]): void {
    this.done = done;
    this.undone = undone;
    try {
      sessionStorage.setItem(this.key, JSON.stringify({ done, undone }));
    } catch {
      // Without room it can be taken back as long as the window is not reloaded.
    }
  }
}
