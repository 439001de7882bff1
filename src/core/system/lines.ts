/** The lines that stand on a phone besides its own: of people, and of numbers that several answer. */
import type { Phone } from './shape/people';

export interface LinesOn {
  personIds: string[];
  numberIds: string[];
}

/** Lines on a phone, in order; accounts of others on its further keys are lines of theirs. */
export const linesOn = ({ keys, lines, personId }: Phone): LinesOn => ({
  personIds: [...new Set([...keys.map((k) => k.personId), ...(lines?.personIds ?? [])])].filter(
    (id) => id !== personId,
  ),
  numberIds: lines?.numberIds ?? [],
});
