/** Which dialogue a text begins. */
import type { Dialogue, System } from '../system';
import { wishOf } from '../texting';
import { hasAny } from '../asking';

/** What is wrong with words that are to begin a dialogue; undefined where nothing is. */
export function wrongWords(words: readonly string[]): string | undefined {
  const wish = words.find((w) => wishOf(w));
  return wish && `“${wish}” is for those who want no texts, or ask who writes: it never begins a dialogue.`;
}

/** The first of them that has one of its words, on that line; never for a stop or a question who writes. @param ours E.164 */
export function beganBy(text: string, ours: string, system: System): Dialogue | undefined {
  if (wishOf(text)) return undefined;
  const line = Object.values(system.numbers).find((n) => n.e164 === ours);
  return Object.values(system.dialogues).find(
    (d) =>
      d.words.length > 0 &&
      (!d.numberIds.length || (line !== undefined && d.numberIds.includes(line.id))) &&
      hasAny(text, d.words),
  );
}
