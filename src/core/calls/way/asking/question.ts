/** A question that is put to a caller, and what becomes of it. */
import type { Question } from '../../../system';
import type { CallState, Run } from '../../base/state';

/** What becomes of a question. */
export type Answered =
  /** It is kept; what is told goes on after it. */
  | {
      is: 'kept';
      text: string;
      value?: number;
      told?: string;
      /** None of the own answers fits. */
      unknown?: true;
      books?: { from: number; to: number; instead?: string };
      /** An appointment that is given back. */
      givesBack?: string;
    }
  /** It was answered from the own answers: the caller may ask more. */
  | { is: 'more'; text: string; told: string; value: number; next: string }
  /** It was not understood, or there is something else to choose from: it is put again, in these words. */
  | { is: 'again'; says: string; offers?: number[]; alike?: string; meant?: string };

/** A question that is put, and how it came to that. */
export interface Put {
  run: Run;
  call: CallState;
  question: Question;
  /** How often it has been put, from 1. */
  time: number;
  /** Times that were offered, epoch milliseconds. */
  offers: readonly number[];
  /** What the caller means, once it is known: the own answer of which it was asked back, or the appointment. */
  meant?: string | undefined;
}
