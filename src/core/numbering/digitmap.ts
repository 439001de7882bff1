/**
 * Digit maps: what a phone waits for before it sends the digits that were dialled.
 * Source: RFC 3435 §2.1.5 (MGCP): entries parted by "|", "x" any digit, "[1-7]" a range, "." the one before it any number
 * of times and also none, "T" the expiry of a timer, "*" and "#" themselves.
 */

/** One place of an entry: the keys it takes, and whether it may repeat. */
interface Place {
  keys: string;
  repeats: boolean;
}
interface Entry {
  text: string;
  places: Place[];
  /** Complete only when the timer has run out. */
  timer: boolean;
}

/**
 * Where dialling stands: nothing can come of it, more digits are needed, it is whole at once, or it is whole as soon as
 * the timer runs out without another digit.
 */
export type Dialling =
  | { state: 'nothing' }
  | { state: 'more' }
  | { state: 'whole'; entry: string }
  | { state: 'whole after timer'; entry: string };

export class DigitMap {
  private constructor(private readonly list: Entry[]) {}

  /** @throws SyntaxError that says what is wrong and where */
  static parse(text: string): DigitMap {
    const inner = /^\s*\(([^()]*)\)\s*$/.exec(text)?.[1] ?? text;
    return new DigitMap(inner.split('|').map((entry) => parseEntry(entry.trim())));
  }

  get entries(): string[] {
    return this.list.map((e) => e.text);
  }

  toString(): string {
    return `(${this.entries.join('|')})`;
  }

  /** What these keys are, taken one after the other. The first entry that is whole wins, at once (RFC 3435 §2.1.5). */
  look(keys: string): Dialling {
    let more = false;
    let timed: string | undefined;
    for (const entry of this.list) {
      const at = walk(entry.places, keys);
      if (!at.size) continue;
      if (at.has(entry.places.length)) {
        if (!entry.timer) return { state: 'whole', entry: entry.text };
        timed ??= entry.text;
      }
      more = true;
    }
    if (timed !== undefined) return { state: 'whole after timer', entry: timed };
    return { state: more ? 'more' : 'nothing' };
  }

  /** Feeds keys one by one: how many are taken before the phone sends or gives up, and how it stands then. */
  feed(keys: string): { used: string; at: Dialling } {
    for (let n = 1; n <= keys.length; n++) {
      const at = this.look(keys.slice(0, n));
      if (at.state === 'whole' || at.state === 'nothing') return { used: keys.slice(0, n), at };
    }
    return { used: keys, at: this.look(keys) };
  }
}

/** Whether some keys that make one entry whole are only the beginning of another. */
export function canGoOn(entry: string, other: string): boolean {
  const [a, b] = [parseEntry(entry), parseEntry(other)];
  let at = closed(b.places, new Set([0]));
  for (const { keys } of a.places) {
    const next = new Set<number>();
    for (const i of at) {
      const place = b.places[i];
      if (!place || ![...keys].some((k) => place.keys.includes(k))) continue;
      next.add(place.repeats ? i : i + 1);
    }
    at = closed(b.places, next);
  }
  return [...at].some((i) => i < b.places.length);
}

function parseEntry(text: string): Entry {
  const places: Place[] = [];
  let timer = false;
  for (let i = 0; i < text.length; i++) {
    const c = text[i]!;
    const fail = (what: string): never => {
      throw new SyntaxError(`${what} in “${text}” at ${i + 1}`);
    };
    if (timer) fail('Something after T');
    if (/[\d*#]/.test(c)) places.push({ keys: c, repeats: false });
    else if (/x/i.test(c)) places.push({ keys: '0123456789', repeats: false });
    else if (/t/i.test(c)) timer = true;
    else if (c === '.') {
      const last = places.at(-1) ?? fail('A dot with nothing before it');
      if (last.repeats) fail('Two dots');
      last.repeats = true;
    } else if (c === '[') {
      const end = text.indexOf(']', i);
      if (end < 0) fail('A range that does not end');
      const keys = rangeKeys(text.slice(i + 1, end));
      if (!keys) fail('A range that is not understood');
      places.push({ keys: keys!, repeats: false });
      i = end;
    } else fail(`“${c}”`);
  }
  if (!places.length) throw new SyntaxError('An entry of a digit map has no digits.');
  return { text, places, timer };
}

function rangeKeys(text: string): string | undefined {
  let keys = '';
  for (const part of text.match(/\d-\d|[\d*#]/g) ?? []) {
    if (part.length === 1) keys += part;
    else for (let d = Number(part[0]); d <= Number(part[2]); d++) keys += d;
  }
  return text.replace(/\d-\d|[\d*#]/g, '') === '' && keys ? keys : undefined;
}

/** The places an entry can be at after some keys; its length is past the end. Empty when they do not fit. */
function walk(places: readonly Place[], keys: string): Set<number> {
  let at = closed(places, new Set([0]));
  for (const key of keys) {
    const next = new Set<number>();
    for (const i of at) {
      const place = places[i];
      if (place?.keys.includes(key)) next.add(place.repeats ? i : i + 1);
    }
    at = closed(places, next);
    if (!at.size) break;
  }
  return at;
}

/** A place that repeats may also be passed over. */
function closed(places: readonly Place[], at: Set<number>): Set<number> {
  for (const i of at) if (places[i]?.repeats) at.add(i + 1);
  return at;
}
