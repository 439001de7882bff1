/** The fields of ready-made answers, of whom a dialogue talks with. */
import { known } from '../story';
import type { System } from '../system';
import { filled } from '../texting';

/** @param ours @param theirs E.164 @returns what a field stands for; empty where nothing is known */
export const valuesOf =
  (system: System, ours: string, theirs: string) =>
  (field: string): string => {
    const contact = known(system).contacts.get(theirs);
    const made = filled(`{${field}}`, { contact, business: system.business, by: undefined, from: ours });
    return made.empty.length ? '' : made.text;
  };
