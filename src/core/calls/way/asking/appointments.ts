/** An appointment that a caller gives back, or has another time for: by its code, and from the number that made it. */
import { THEIR_CODE } from '../../../asking';
import { CODE_DIGITS } from '../../../booking';
import { chosen, freeFor, inWords, NONE, NONE_FREE, offered } from './free-times';
import type { Answered, Put } from './question';

/** So often somebody may say a code in one call. Common practice: it is not to be guessed. */
const MOST_CODES = 3;
/** A code and what becomes of it are said before a time is offered. */
const BEFORE_TIMES = 2;

const STAYS = 'It stays as it is.';
const SEES_TO_IT = 'One of us sees to it.';
const DIGITS = ['zero', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine'];

/** "One two, three 4 5" is 12345; oh is a zero too. */
const codeIn = (said: string): string =>
  (said.toLowerCase().match(/\p{L}+|\d/gu) ?? [])
    .flatMap((w) => (/\d/.test(w) ? w : w === 'oh' ? '0' : DIGITS.includes(w) ? DIGITS.indexOf(w) : []))
    .join('');

interface Appointment {
  id: string;
  from: number;
  off?: boolean;
}
/** Of a rehearsal that has none: no other may have this id. */
const MADE_UP = 'made-up';

function madeUp(p: Put): Appointment | undefined {
  const [from] = freeFor(p, null);
  return from === undefined ? undefined : { id: MADE_UP, from };
}

/** Theirs to come, of the calendar that is asked for. @param means whether it is the one */
function theirs({ run, call, question }: Put, means: (a: { id: string; code?: string }) => boolean) {
  const { from } = call.request;
  const number = from.kind === 'outside' ? from.number : null;
  return run
    .taken(question.calendarId ?? '')
    .find((a) => !a.off && number !== null && a.number === number && a.from > run.now && means(a));
}

function found(p: Put, said: string): Appointment | undefined {
  if (p.call.request.behaviour && said.trim().toLowerCase() === THEIR_CODE)
    return theirs(p, () => true) ?? madeUp(p);
  const code = codeIn(said);
  return code.length === CODE_DIGITS ? theirs(p, (a) => a.code === code) : undefined;
}

/** What somebody says to it, with what is known by then in mind. */
export function changed(p: Put, said: string): Answered {
  const nothing = (told: string): Answered => ({ is: 'kept', text: '', value: 0, told });
  if (p.meant === undefined) {
    const one = found(p, said);
    if (one)
      return {
        is: 'again',
        says: `${inWords(p, one.from)}: to give it back press 1, for another time press 2, to leave it as it is press 3.`,
        alike: 'a time',
        meant: one.id,
      };
    if (NONE.test(said) || p.time >= MOST_CODES) return nothing(SEES_TO_IT);
    return {
      is: 'again',
      says: said.trim()
        ? 'We know no appointment with that code for your number. Please type or say its five digits once more.'
        : p.question.says,
    };
  }
  const { meant } = p;
  const one =
    meant === MADE_UP ? madeUp(p) : p.run.taken(p.question.calendarId ?? '').find((a) => a.id === meant);
  // Given back or moved from elsewhere meanwhile, or begun.
  if (!one || one.off || one.from <= p.run.now)
    return nothing('That appointment has just been changed. One of us sees to it.');
  return p.offers.length ? moved(p, said, one) : decided(p, said, one, nothing);
}

function decided(p: Put, said: string, one: Appointment, nothing: (told: string) => Answered): Answered {
  const was = inWords(p, one.from);
  if (/^\s*1\W*$|\b(give|back|cancel|off|one)\b/i.test(said))
    return {
      is: 'kept',
      text: `given back: ${was}`,
      value: 1,
      told: `Your appointment ${was} is given back.`,
      givesBack: one.id,
    };
  if (/^\s*2\W*$|\b(another|other|move|change|two)\b/i.test(said)) {
    const offers = freeFor(p, null);
    return offers.length
      ? {
          is: 'again',
          says: offered(p, 'Which time instead?', offers),
          offers,
          alike: 'a time',
          meant: one.id,
        }
      : nothing(`${NONE_FREE} ${STAYS}`);
  }
  if (/^\s*3\W*$|\b(leave|keep|stay|three)\b/i.test(said) || NONE.test(said)) return nothing(STAYS);
  // Said to nobody it stays; said unclearly it is asked once more.
  return said.trim() && p.time <= MOST_CODES
    ? {
        is: 'again',
        says: 'To give it back press 1, for another time press 2, to leave it as it is press 3.',
        meant: one.id,
      }
    : nothing(`${STAYS} ${SEES_TO_IT}`);
}

/** The old time stands until the new one is had. */
function moved(p: Put, said: string, one: Appointment): Answered {
  const choice = chosen({ ...p, time: Math.max(1, p.time - BEFORE_TIMES) }, said);
  if (choice.is === 'again') return { ...choice, meant: one.id };
  if (choice.is === 'more') return choice;
  if (!choice.books) return { ...choice, text: '', told: STAYS };
  return {
    ...choice,
    text: `moved to: ${choice.text}`,
    told: `Moved: ${choice.text}.`,
    books: { ...choice.books, instead: one.id },
  };
}
