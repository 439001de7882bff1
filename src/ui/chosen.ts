/** Lists that are gone through by arrows while something is typed. */

/** Which of so many is chosen after a key; null where the key is for something else. */
export function chosenBy(key: string, chosen: number, of: number): number | null {
  if (key === 'ArrowDown') return Math.max(0, Math.min(chosen + 1, of - 1));
  if (key === 'ArrowUp') return Math.max(chosen - 1, 0);
  return null;
}
