/** What stands in braces in the words of a follow-up, filled in from what set it off. */
import { momentInFull } from '../hours';
import { writeNumber } from '../numbering';
import { partiesOf } from '../story';
import type { System } from '../system';
import { FIELDS, fieldsIn, filled, filledBy, type Filled } from '../texting';
import { overAt, rowOf, type Happening } from './happenings';

/** Besides those of ready-made answers. */
const OWN_FIELDS = {
  caller: 'the other side’s name, or their number',
  line: 'the number of yours it was about, by name',
  when: 'the day and the time',
  answers: 'what they answered to questions',
  person: 'who has not paired a phone',
} as const;
export const FOLLOW_FIELDS: Readonly<Record<string, string>> = { ...FIELDS, ...OWN_FIELDS };

/** Fields in a text that there are none of. */
export const wrongFields = (text: string): string[] =>
  fieldsIn(text).filter((field) => !Object.hasOwn(FOLLOW_FIELDS, field));

/** @param from the number of ours it goes out from, E.164; null where it goes to nobody outside */
export function filledFor(text: string, happening: Happening, from: string | null, system: System): Filled {
  const { business } = system;
  const row = rowOf(happening);
  const { contact, line } = row
    ? partiesOf(row, system)
    : {
        contact: undefined,
        line: happening.is === 'number moved' ? system.numbers[happening.numberId] : undefined,
      };
  const other = row?.facts.other ?? null;
  const ours = from ?? line?.e164 ?? '';
  const me = system.people[row?.facts.withIds[0] ?? '']?.name;
  return filledBy(text, (field) => {
    switch (field as keyof typeof OWN_FIELDS) {
      case 'caller':
        return contact?.name ?? (other ? writeNumber(other, business.country) : row ? 'a hidden number' : '');
      case 'line':
        return line?.label ?? '';
      case 'when':
        return momentInFull(row?.at ?? overAt(happening), business.timeZone);
      case 'answers':
        return (row?.facts.course?.noted ?? []).map(([label, said]) => `${label}: ${said}`).join('; ');
      case 'person':
        return (happening.is === 'not paired' && system.people[happening.personId]?.name) || '';
      default: {
        if (!Object.hasOwn(FIELDS, field)) return '';
        const one = filled(`{${field}}`, { contact, business, by: me, from: ours });
        return one.empty.length || (field === 'number' && !ours) ? '' : one.text;
      }
    }
  });
}
