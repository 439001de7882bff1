/** What the kinds of questions come to: how an answer is read, and what somebody says who means yes. */
import type { Question } from '../system';
import type { AnsweredBy } from './answers';

/** What a caller of a rehearsal says who types the code of an appointment of theirs; one is made up where they have none. */
export const THEIR_CODE = 'their code';

interface Kind {
  readAs: AnsweredBy;
  /** What comes to yes, and to no. */
  yes: string;
  no: string;
  ofCalendar?: true;
  /** How a caller of a rehearsal answers. */
  help: string;
}
const USUAL = { yes: 'yes', no: 'no' };
const IN_PARTS = 'Asked again, then says: apart by /';

const KINDS: Record<Question['by'], Kind> = {
  voice: { readAs: 'words', ...USUAL, help: '' },
  keys: { readAs: 'words', ...USUAL, help: '' },
  '1 to 5': { readAs: '1 to 5', ...USUAL, help: IN_PARTS },
  'yes or no': { readAs: 'yes or no', ...USUAL, help: IN_PARTS },
  'own answers': { readAs: 'yes or no', ...USUAL, help: IN_PARTS },
  'free times': { readAs: 'yes or no', yes: '1', no: 'none of them', ofCalendar: true, help: IN_PARTS },
  appointment: {
    readAs: 'yes or no',
    yes: `${THEIR_CODE} / 1`,
    no: 'no',
    ofCalendar: true,
    help: `${THEIR_CODE} / 1: the code of one they have, then key 1`,
  },
};

export const readAs = ({ by }: Pick<Question, 'by'>): AnsweredBy => KINDS[by].readAs;
/** It goes by a calendar, which must be chosen. */
export const asksOfCalendar = ({ by }: Pick<Question, 'by'>): boolean => KINDS[by].ofCalendar === true;
export const answeringHelp = ({ by }: Pick<Question, 'by'>): string => KINDS[by].help;
export const sayingYes = ({ by }: Pick<Question, 'by'>): string => KINDS[by].yes;
export const sayingNo = ({ by }: Pick<Question, 'by'>): string => KINDS[by].no;
