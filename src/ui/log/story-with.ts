/** Everything with whoever an entry is with. */
import { ANY, type Entry, type Question } from '$core/story';

/** With the same contact; from a number that is nobody's, by its digits. */
export const storyWith = ({ contact, facts }: Entry): Question =>
  contact ? { ...ANY, contactId: contact.id } : { ...ANY, text: facts.other!.slice(1) };
