/** What was done in this window that is neither an edit nor a setting, so that undo takes back what came last, whatever it was. */
import type { Notice } from './notice';

/** Takes something back. @returns why it could not be, or nothing */
export type Back = () => Promise<string | undefined | void>;

interface Act {
  words: string;
  /** Takes it back; null where that cannot be done. */
  back: Back | null;
  /** Why it cannot, and what can be done instead. */
  why: string;
  /** Edits of the draft that were done by then. */
  after: number;
  /** Real time, epoch milliseconds. */
  at: number;
}

/** As many as are remembered. */
const MOST = 50;

export class ActsDone {
  private acts: Act[] = [];

  constructor(private readonly say: (notice: Omit<Notice, 'id'>) => void) {}

  /**
   * Notes what was done.
   * @param edits of the draft that are done now @param back takes it back
   * @returns takes it back, unless that has been done: for the notice that tells of it
   */
  did(words: string, edits: number, back: Back): () => void {
    const act: Act = { words, back, why: '', after: edits, at: Date.now() };
    this.note(act);
    return () => {
      if (!this.acts.includes(act)) return;
      this.acts = this.acts.filter((other) => other !== act);
      void this.takeBack(act);
    };
  }
  /** Notes what was done and cannot be taken back. @param why and what can be done instead */
  didForGood(words: string, edits: number, why: string): void {
    this.note({ words, back: null, why, after: edits, at: Date.now() });
  }
  private note(act: Act): void {
    this.acts = [...this.acts, act].slice(-MOST);
  }

  /**
   * Takes back what was done last, unless an edit or a setting came after it.
   * @param edits of the draft that are done now @param set when something was last set at once, real time
   * @returns whether it was this that came last
   */
  undo(edits: number, set: number): boolean {
    const last = this.acts.at(-1);
    if (!last || last.after < edits || last.at < set) return false;
    this.acts = this.acts.slice(0, -1);
    void this.takeBack(last);
    return true;
  }

  private async takeBack({ words, back, why }: Act): Promise<void> {
    if (!back) return this.say({ kind: 'info', title: `Not undone: ${words}`, detail: why });
    const problem = await back();
    this.say(
      problem
        ? { kind: 'error', title: `Not undone: ${words}`, detail: problem }
        : { kind: 'info', title: `Undone: ${words}` },
    );
  }
  /** Another business is opened: what was done to the one before is not its to take back. */
  forget(): void {
    this.acts = [];
  }
}
