/**
 * The rows of a day. Their texts lie one after the other, and a word is looked for in all of them at once: asking each row by itself
 * takes several times as long among a hundred thousand.
 */
import type { System } from '../../system';
import { rowKey, searchOf, type Row } from './rows';

/** Stands between rows: no text has it, nor can it be typed. */
const APART = '\u0000';

/** The texts of rows, in their order. */
interface Block {
  text: string;
  /** Where the text of each row ends. */
  ends: Uint32Array;
}

function blockOf(rows: readonly Row[], system: System): Block {
  const ends = new Uint32Array(rows.length);
  const texts: string[] = [];
  let at = 0;
  for (const [i, row] of rows.entries()) {
    const text = searchOf(row, system).replaceAll(APART, ' ');
    texts.push(text);
    at += text.length;
    ends[i] = at;
    at += 1;
  }
  return { text: texts.join(APART), ends };
}

/** Marks the rows that have a word. */
function mark({ text, ends }: Block, word: string, marks: Uint8Array): void {
  let row = 0;
  for (let at = text.indexOf(word); at >= 0;) {
    // The first row that ends after it: most hits are near the one before.
    if (ends[row]! <= at) {
      let [low, high] = [row + 1, ends.length - 1];
      while (low < high) {
        const middle = (low + high) >> 1;
        if (ends[middle]! > at) high = middle;
        else low = middle + 1;
      }
      row = low;
    }
    marks[row] = 1;
    at = text.indexOf(word, ends[row]! + 1);
  }
}

export class Day {
  /** The newest first. */
  readonly rows: Row[] = [];
  /** Made when it is first asked for, and again after a change. */
  private block: Block | undefined;
  private by: System | undefined;
  private ordered = true;

  put(row: Row): void {
    const at = this.rows.findIndex((r) => r.id === row.id && r.kind === row.kind);
    if (at >= 0) this.rows[at] = row;
    else this.rows.push(row);
    this.changed();
  }
  /** Many at once, none of which is there yet. */
  fill(rows: readonly Row[]): void {
    for (const row of rows) this.rows.push(row);
    this.changed();
  }
  drop(key: string): void {
    const at = this.rows.findIndex((r) => rowKey(r) === key);
    if (at < 0) return;
    this.rows.splice(at, 1);
    this.changed();
  }
  private changed(): void {
    this.ordered = false;
    this.block = undefined;
  }

  order(): readonly Row[] {
    if (!this.ordered) this.rows.sort((a, b) => b.at - a.at);
    this.ordered = true;
    return this.rows;
  }

  /**
   * Which rows have all words, or the digits, by their places in order; null is all of them.
   * @param words in lower case @param digits empty where none were typed
   */
  having(words: readonly string[], digits: string, system: System): Uint8Array | null {
    if (!words.length) return null;
    const rows = this.order();
    if (!this.block || this.by !== system) {
      this.block = blockOf(rows, system);
      this.by = system;
    }
    const { text } = this.block;
    const all = new Uint8Array(rows.length);
    if (digits) mark(this.block, digits, all);
    // Most days have not all of several words: they are passed over at once.
    if (words.some((word) => word.includes(APART) || !text.includes(word))) return all;
    const having = new Uint8Array(rows.length).fill(1);
    for (const word of words) {
      const marks = new Uint8Array(rows.length);
      mark(this.block, word, marks);
      for (let i = 0; i < having.length; i++) having[i]! &= marks[i]!;
    }
    for (let i = 0; i < all.length; i++) all[i]! |= having[i]!;
    return all;
  }
}
