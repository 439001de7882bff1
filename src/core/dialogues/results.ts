/** What was answered, counted: shares with the interval in which they may truly lie, never a lone average. */
import type { Run } from './run';

/** Of the normal distribution, for 95 of 100: its 97.5th percentile. */
const Z95 = 1.959963984540054;

/**
 * The interval of a share by Wilson's score method (Wilson 1927, as in Agresti and Coull 1998): right also where few answered.
 * @returns from and to, 0 to 1; all of it where nobody answered
 */
export function wilson(n: number, of: number, z = Z95): readonly [from: number, to: number] {
  if (of <= 0) return [0, 1];
  const p = n / of;
  const z2 = (z * z) / of;
  const middle = (p + z2 / 2) / (1 + z2);
  const half = (z / (1 + z2)) * Math.sqrt((p * (1 - p)) / of + z2 / (4 * of));
  // At the ends it is exact; reckoned, it would be off by the last digit.
  return [n <= 0 ? 0 : middle - half, n >= of ? 1 : middle + half];
}

export interface Share {
  /** What was answered: 1 to 5, yes or no. */
  name: string;
  n: number;
  /** The interval of its share. */
  from: number;
  to: number;
}
export interface Result {
  label: string;
  by: 'words' | '1 to 5' | 'yes or no';
  /** Who was asked, and who answered. */
  asked: number;
  answered: number;
  /** Of what can be counted. */
  shares: Share[];
  /** What was said in words, the newest first. */
  said: { text: string; runId: string }[];
}

const NAMES = {
  '1 to 5': ['1', '2', '3', '4', '5'],
  'yes or no': ['no', 'yes'],
  words: [],
} as const;

/** @param runs of one dialogue, the oldest first */
export function resultsOf(runs: readonly Run[]): Result[] {
  const labels = new Map<string, Result>();
  for (const run of runs)
    for (const [i, step] of run.steps.entries()) {
      if (step.kind !== 'ask') continue;
      const found = labels.get(step.label) ?? {
        label: step.label,
        by: step.by,
        asked: 0,
        answered: 0,
        shares: [],
        said: [],
      };
      labels.set(step.label, found);
      const given = run.answers.find((a) => a.label === step.label);
      // A question further on than it came was never put.
      if (given || run.put?.includes(step.label) || (run.state !== 'done' && run.step === i)) found.asked++;
      if (!given) continue;
      found.answered++;
      found.said.unshift({ text: given.said, runId: run.id });
    }
  for (const result of labels.values()) {
    const values = runs.flatMap((r) => r.answers.flatMap((a) => (a.label === result.label ? [a.value] : [])));
    result.shares = NAMES[result.by].map((name, i) => {
      const value = result.by === '1 to 5' ? i + 1 : i;
      const n = values.filter((v) => v === value).length;
      const [from, to] = wilson(n, result.answered);
      return { name, n, from, to };
    });
  }
  return [...labels.values()];
}
