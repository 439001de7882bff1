/** Which of a business's own answers fits what somebody asks: by words, their stems and small mistakes; or that none does. */
import MiniSearch from 'minisearch';
import { stemmer } from 'stemmer';
import { once } from '../once';
import type { OwnAnswer } from '../system';

/** Words that say nothing of what is asked. English, put down from memory, without a source. */
const EMPTY = new Set(
  (
    'a about am an and any are as at be been but by can could d did do does for from get got had has have hello hey hi how i ' +
    'if im in is it its just know like ll m may me my need of on or please re s say should so some t tell than thank thanks ' +
    'that the their them then there these they this to us ve want wanted was we well were what when where which who will ' +
    'with would you your'
  ).split(' '),
);
/** Words that stand for another in what shops, workshops and offices are asked. Common practice, no source. */
const SAME: Readonly<Record<string, string>> = {
  close: 'open',
  shut: 'open',
  hour: 'open',
  time: 'open',
  cost: 'price',
  charg: 'price',
  expens: 'price',
  fee: 'price',
  rate: 'price',
  much: 'price',
  locat: 'address',
  direct: 'address',
  find: 'address',
  situat: 'address',
  card: 'pai',
  cash: 'pai',
  payment: 'pai',
  appoint: 'book',
  reserv: 'book',
  vessel: 'boat',
  mend: 'repair',
  fix: 'repair',
  telephon: 'phone',
  email: 'mail',
};
/** Of what is asked, and of a question that is known: so much must be found again, weighed by how rare a word is. */
const ENOUGH = 0.5;
/** And so much for it to be told without asking back whether it is meant. */
const SURE = 0.8;
/** So many are looked at closely. */
const LOOKED_AT = 12;

const wordsOf = (text: string): string[] =>
  text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/['’]/g, '')
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);
const termOf = (word: string): string => {
  const stem = stemmer(word);
  return SAME[stem] ?? stem;
};
const termsOf = (text: string): string[] => [
  ...new Set(wordsOf(text).flatMap((w) => (EMPTY.has(w) ? [] : termOf(w)))),
];

export interface FoundAnswer {
  answer: OwnAnswer;
  /** The way of asking it that came nearest. */
  as: string;
  /** How much of what was asked is in it, and of it in what was asked: 0 to 1. */
  share: number;
  /** It may be told at once; else whoever asks is asked back. */
  sure: boolean;
}
export type Finder = (said: string) => FoundAnswer | null;

/** What answers a question among so many, made once for a set of answers that is never changed in place. */
export const finderOf: (answers: Readonly<Record<string, OwnAnswer>>) => Finder = once((answers) => {
  const ways = Object.values(answers).flatMap((answer) =>
    [answer.name, ...answer.also].map((as) => ({ answer, as, terms: termsOf(as) })),
  );
  const index = new MiniSearch<{ id: number; as: string }>({
    fields: ['as'],
    tokenize: termsOf,
    processTerm: (term) => term,
    searchOptions: {
      tokenize: termsOf,
      processTerm: (term) => term,
      // One letter off in words of five to seven, two in longer ones; what is shorter would be another word.
      fuzzy: (term) => (/\d/.test(term) || term.length < 5 ? 0 : term.length < 8 ? 1 : 2),
    },
  });
  index.addAll(ways.map(({ as }, id) => ({ id, as })));
  const having = new Map<string, number>();
  for (const { terms } of ways) for (const t of terms) having.set(t, (having.get(t) ?? 0) + 1);
  // Robertson and Spärck Jones' weight of a word, as in Okapi BM25.
  const weight = (term: string): number => {
    const n = having.get(term) ?? 0;
    return Math.log(1 + (ways.length - n + 0.5) / (n + 0.5));
  };
  const sum = (terms: Iterable<string>): number => {
    let all = 0;
    for (const t of terms) all += weight(t);
    return all;
  };
  return (said) => {
    const asked = termsOf(said.slice(0, 500));
    if (!asked.length) return null;
    let best: FoundAnswer | null = null;
    for (const hit of index.search(said.slice(0, 500)).slice(0, LOOKED_AT)) {
      const { answer, as, terms } = ways[hit.id as number]!;
      const shared = sum(new Set(hit.terms));
      // A word that no question has counts as much as a common one: people say more than what they ask.
      const ofAsked =
        shared / (shared + sum(asked.filter((t) => !hit.queryTerms.includes(t) && having.has(t))) || 1);
      const stray = asked.filter((t) => !hit.queryTerms.includes(t) && !having.has(t)).length;
      const said = ofAsked * (hit.queryTerms.length / (hit.queryTerms.length + stray / 3));
      const share = Math.min(1, (said + shared / (sum(terms) || 1)) / 2);
      if (share >= ENOUGH && share > (best?.share ?? 0)) best = { answer, as, share, sure: share > SURE };
    }
    return best;
  };
});

/** The own answer to something said, or null where none fits. */
export const answerFor = (answers: Readonly<Record<string, OwnAnswer>>, said: string): FoundAnswer | null =>
  finderOf(answers)(said);
