/** Words parted by commas, as somebody types them: without blanks around, and none that is empty. */
export const partedWords = (text: string): string[] =>
  text
    .split(',')
    .map((word) => word.trim())
    .filter(Boolean);

/** A name that none of some others has, whatever the case: the one that is wanted, or with a number behind it. */
export function freeName(wanted: string, others: readonly string[]): string {
  const taken = new Set(others.map((name) => name.toLowerCase()));
  for (let n = 1; ; n++) {
    const tried = n === 1 ? wanted : `${wanted} ${n}`;
    if (!taken.has(tried.toLowerCase())) return tried;
  }
}
