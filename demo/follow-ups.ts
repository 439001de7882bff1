/** What happens by itself in the demonstration. */
import { dialogueStarters } from '../src/core/dialogues';
import { starters } from '../src/core/followups';
import type { Command } from '../src/core/system';

const [sorry, , waited, thanks] = starters('mei');
export const FOLLOW_UPS: readonly Command[] = [
  {
    do: 'follow-up.add',
    value: { ...sorry!, id: 'sorry', if: [{ is: 'number', numberIds: ['n-main', 'n-workshop'] }] },
  },
  { do: 'follow-up.add', value: { ...waited!, id: 'waited' } },
  {
    do: 'follow-up.add',
    value: {
      ...thanks!,
      id: 'ask-after',
      name: 'Ask how it was, the day after',
      then: [{ do: 'ask', dialogueId: 'how-was-it', numberId: null }],
      rests: true,
    },
  },
];

/** What stands on the site of the demonstration. */
export const BUTTON: Command = {
  do: 'call button.add',
  value: {
    id: 'site-button',
    name: 'Button on the site',
    says: 'Call the yard',
    numberId: 'n-main',
    offers: ['call', 'call back', 'book'],
    hoursId: 'office',
    calendarId: 'slipway',
    personId: 'idris',
    closed: 'The office is closed. Leave a message, or let us call you back.',
    look: { background: '#7a2e1d', ink: '#fffaf2', corner: 4, size: 'usual' },
  },
};

let step = 0;
const [survey, , quote] = dialogueStarters('rosa', () => `dialogue-step-${(step += 1)}`);
/** What texts with some words are answered, and what is asked after a talk. */
export const DIALOGUES: readonly Command[] = [
  { do: 'dialogue.add', value: { ...survey!, id: 'how-was-it' } },
  { do: 'dialogue.add', value: { ...quote!, id: 'quote' } },
  {
    do: 'calendar.add',
    value: {
      id: 'slipway',
      name: 'The slipway',
      hoursId: 'office',
      minutes: 60,
      gapMinutes: 30,
      atOnce: 1,
      leadMinutes: 240,
      horizonDays: 30,
      personId: 'anselm',
    },
  },
  {
    do: 'dialogue.add',
    value: {
      id: 'lift',
      name: 'A time on the slipway',
      words: ['slipway', 'lift', 'haul out'],
      numberIds: [],
      days: 3,
      steps: [
        {
          id: 'lift-boat',
          only: null,
          kind: 'ask',
          label: 'Boat',
          text: 'Which boat is it, and how long?',
          by: 'words',
        },
        { id: 'lift-time', only: null, kind: 'book', calendarId: 'slipway', text: 'The slipway is free:' },
      ],
    },
  },
];
