/** How each kind of question is put, and what an answer to it comes to. */
import { answerFor, readAnswer, type AnsweredBy } from '../../../asking';
import type { Question } from '../../../system';
import { CODE_DIGITS } from '../../../booking';
import { changed } from './appointments';
import { chosen, offerTimes } from './free-times';
import type { Answered, Put } from './question';

interface Kind {
  /** What is said; with times to choose from, where there are any. */
  put: (p: Put) => { says: string; offers?: number[]; alike?: string };
  /**
   * What keys come to: the whole answer, a part of it, or nothing. Null is that it is not answered by any.
   * @param pressed all of them so far @param meant what the caller means, once it is known
   */
  keys: ((pressed: string, meant: string | undefined) => 'whole' | 'part' | 'nothing') | null;
  /** It may be put more than once: a rehearsed caller answers in parts, apart by a stroke. */
  often: boolean;
  answered: (p: Put, said: string) => Answered;
}

/** So often a question that was not understood is put in all; so often somebody may ask. Common practice. */
const MOST_PUT = 2;
const MOST_ASKED = 6;

const ONE_KEY = () => 'whole' as const;
const toTheSquare = (pressed: string) => (pressed.endsWith('#') ? 'whole' : 'part');
const plain = ({ question }: Put) => ({ says: question.says });
const asIs = (_: Put, text: string): Answered => ({ is: 'kept', text });

function scale(by: Exclude<AnsweredBy, 'words'>, how: string, read: (said: string) => string): Kind {
  return {
    put: ({ question, time }) => ({ says: time > 1 ? how : `${question.says} ${how}` }),
    keys: ONE_KEY,
    often: true,
    answered: ({ question, time }, said) => {
      const found = readAnswer({ label: question.label, by }, read(said));
      if (found?.value != null) return { is: 'kept', text: said.trim(), value: found.value };
      return time < MOST_PUT ? { is: 'again', says: how } : { is: 'kept', text: said.trim() };
    },
  };
}

const NOT_KNOWN = { told: 'That I do not know.', unknown: true } as const;

const NOTHING_MORE =
  /^\s*(no|nope|nothing|that(?:'s| is) (?:all|it)|no,? thanks?.*|thanks?(?: you)?|bye)\W*$/i;

const KINDS: Record<Question['by'], Kind> = {
  voice: { put: plain, keys: null, often: false, answered: asIs },
  keys: {
    put: plain,
    keys: toTheSquare,
    often: false,
    answered: (_, text) => ({ is: 'kept', text: text.replace(/#$/, '') }),
  },
  '1 to 5': scale('1 to 5', 'Press or say a number from 1 to 5.', (said) => said),
  'yes or no': scale('yes or no', 'Say yes or no, or press 1 for yes and 2 for no.', (said) =>
    said.trim() === '1' ? 'yes' : said.trim() === '2' ? 'no' : said,
  ),
  'own answers': {
    put: plain,
    keys: null,
    often: true,
    answered: ({ run, call, time, meant }, said) => {
      const text = said.trim();
      if (time > 1 && meant === undefined && (!text || NOTHING_MORE.test(text)))
        return { is: 'kept', text: '', value: 1 };
      if (!text) return { is: 'kept', text: '', value: 0, ...(meant === undefined ? {} : NOT_KNOWN) };
      const { ownAnswers } = run.world(call).system;
      const asked = meant === undefined ? undefined : ownAnswers[meant];
      const yes = asked && readAnswer({ label: '', by: 'yes or no' }, text)?.value === 1;
      const found = yes ? { answer: asked, sure: true } : answerFor(ownAnswers, text);
      // What was not meant is not offered again.
      if (!found || (asked && !yes && found.answer.id === asked.id))
        return { is: 'kept', text, value: 0, ...NOT_KNOWN };
      if (!found.sure && time < MOST_ASKED)
        return { is: 'again', says: `Do you mean: ${found.answer.name}`, meant: found.answer.id };
      const says = found.answer.says;
      if (time >= MOST_ASKED) return { is: 'kept', text, value: 1, told: says };
      return {
        is: 'more',
        text: asked ? asked.name : text,
        value: 1,
        told: says,
        next: 'Is there anything else?',
      };
    },
  },
  'free times': {
    put: offerTimes,
    keys: ONE_KEY,
    often: true,
    answered: chosen,
  },
  appointment: {
    put: plain,
    // Whoever ends the code with the square key does so once it has been taken.
    keys: (pressed, meant) =>
      pressed === '#'
        ? 'nothing'
        : meant !== undefined || pressed.length >= CODE_DIGITS
          ? 'whole'
          : toTheSquare(pressed),
    often: true,
    answered: changed,
  },
};
export const kindOf = ({ by }: Question): Kind => KINDS[by];
