/** Keys that the words of a menu name: "press 1", "dial zero", "drücken Sie die 3", "tapez étoile". */

/** Words for keys, in the languages a menu is likely to be spoken in. */
const WORDS: Readonly<Record<string, string>> = Object.fromEntries(
  (
    [
      ['0', 'zero oh null zéro'],
      ['1', 'one eins un'],
      ['2', 'two zwei deux'],
      ['3', 'three drei trois'],
      ['4', 'four vier quatre'],
      ['5', 'five fünf cinq'],
      ['6', 'six sechs'],
      ['7', 'seven sieben sept'],
      ['8', 'eight acht huit'],
      ['9', 'nine neun neuf'],
      ['*', 'star asterisk stern étoile'],
      ['#', 'pound hash square raute dièse'],
    ] as const
  ).flatMap(([key, words]) => words.split(' ').map((word) => [word, key])),
);
const KEY = `[0-9*#](?![0-9])|(?:${Object.keys(WORDS).join('|')})(?![\\p{L}])`;
/** What stands before a key that is to be pressed, and what may stand between. */
const PRESS = '(?:press|push|hit|dial|drücken sie|wählen sie|tapez|appuyez sur)';
const BETWEEN = '(?:\\s+(?:the|number|key|digit|die|taste|la|le|touche|sur))*\\s+';
const NAMED = new RegExp(`${PRESS}${BETWEEN}(${KEY})(?:\\s*(?:,|or|oder|ou)\\s*(${KEY}))*`, 'giu');
const EACH = new RegExp(`(?<![\\p{L}0-9])(?:${KEY})`, 'giu');

/** @param text what a menu says @returns the keys it names, each once, in order; none where it names none that are known here */
export function keysNamed(text: string): string[] {
  const found = new Set<string>();
  for (const [whole] of text.matchAll(NAMED)) {
    const keys = whole.replace(new RegExp(`^${PRESS}`, 'iu'), '');
    for (const [key] of keys.matchAll(EACH)) found.add(WORDS[key.toLowerCase()] ?? key);
  }
  return [...found];
}
