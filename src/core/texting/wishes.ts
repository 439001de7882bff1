/**
 * What somebody wants by the words of a text: no more texts, texts again, or to know who writes. Sources: the CTIA messaging
 * principles, and 47 CFR 64.1200(a)(10) (any reasonable means), both from memory.
 */

/** `refusal` is one in other words than the ones that stand for it. */
export type Wish = 'stop' | 'start' | 'help' | 'refusal';

/** Whatever the case, and with spaces and signs around; a sentence that holds one is none. */
const STOP =
  /^[\s\p{P}]*(stop|stopall|unsubscribe|cancel|end|quit|revoke|opt[\s-]?out|arr[eê]t)[\s\p{P}]*$/iu;
const START = /^[\s\p{P}]*(start|unstop)[\s\p{P}]*$/iu;
const HELP = /^[\s\p{P}]*(help|info)[\s\p{P}]*$/iu;

/** Plain refusals in other words; common sense, no source. */
const REFUSALS = [
  /\b(stop|quit)\s+(texting|messaging|writing|sending|contacting)\b/i,
  /\b(don['’]?t|do not|never)\s+(text|message|contact|write(\s+to)?)\s+(me|us|this number)\b/i,
  /\b(take|remove)\s+(me|us|my number)\s+(off|from)\b/i,
  /\bno more (texts?|messages?)\b/i,
  /\bunsubscribe me\b/i,
  /\bleave me alone\b/i,
];

export function wishOf(text: string): Wish | null {
  if (STOP.test(text)) return 'stop';
  if (START.test(text)) return 'start';
  if (HELP.test(text)) return 'help';
  return REFUSALS.some((r) => r.test(text)) ? 'refusal' : null;
}

/** What a person of ours said about somebody's wish: a stop that was spoken, or that they may be texted again. */
export interface WishEntered {
  /** E.164. */
  number: string;
  at: number;
  does: 'stop' | 'lift';
  by: string;
}

interface Said {
  way: 'in' | 'out';
  from: string;
  text: string;
  at: number;
}

export interface Stopped {
  /** Epoch milliseconds. */
  since: number;
  /** By the word for it, in other words, or as a person of ours entered it. */
  how: 'word' | 'refusal' | 'entered';
  /** What they wrote, or who entered it. */
  words: string;
}

/**
 * Whether somebody wants no texts, from any number of ours: what was said last counts.
 * @param texts in any order @param number E.164 @param before only what was said earlier than this, epoch milliseconds
 */
export function stoppedBy(
  texts: readonly Said[],
  consents: readonly WishEntered[],
  number: string,
  before = Infinity,
): Stopped | null {
  let last: { at: number; stopped: Stopped | null } = { at: -Infinity, stopped: null };
  const later = (at: number, stopped: Stopped | null) => {
    if (at >= last.at && at < before) last = { at, stopped };
  };
  for (const { way, from, text, at } of texts) {
    if (way !== 'in' || from !== number) continue;
    const wish = wishOf(text);
    if (wish === 'start') later(at, null);
    else if (wish === 'stop' || wish === 'refusal')
      later(at, { since: at, how: wish === 'stop' ? 'word' : 'refusal', words: text });
  }
  for (const { number: whose, at, does, by } of consents)
    if (whose === number) later(at, does === 'stop' ? { since: at, how: 'entered', words: by } : null);
  return last.stopped;
}

/** Everybody who wants no texts, by the same rule; gone through once. */
export function allStopped(texts: readonly Said[], consents: readonly WishEntered[]): Set<string> {
  const said = new Map<string, Said[]>();
  for (const text of texts)
    if (text.way === 'in' && wishOf(text.text)) {
      const all = said.get(text.from);
      if (all) all.push(text);
      else said.set(text.from, [text]);
    }
  const numbers = new Set([...said.keys(), ...consents.map((c) => c.number)]);
  return new Set([...numbers].filter((n) => stoppedBy(said.get(n) ?? [], consents, n)));
}

/** A confirmation of the same is sent again only after so long, in milliseconds: 47 CFR 64.1200(a)(12), five minutes, from memory. */
const ONCE_IN_MS = 300_000;

/**
 * What is answered by itself, or null: one confirmation of a stop and nothing else in it, that it is lifted, and who writes.
 * @param lastAt when something was answered by itself to them before, epoch milliseconds @param number of ours to call, as written
 */
export function answerTo(
  text: string,
  at: number,
  { business, number, lastAt }: { business: string; number: string; lastAt: number },
): string | null {
  const wish = wishOf(text);
  if (wish === null || at - lastAt < ONCE_IN_MS) return null;
  switch (wish) {
    case 'stop':
    case 'refusal':
      return `${business}: you get no more texts from us. Reply START to get them again.`;
    case 'start':
      return `${business}: you get texts from us again. Reply STOP to end them.`;
    case 'help':
      return `${business}: call us at ${number}. Reply STOP to end texts.`;
    default:
      return wish satisfies never;
  }
}
