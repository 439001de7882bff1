/** Dialogues to begin with. */
import type { Dialogue } from '../system';

type Sketch = Omit<Dialogue, 'id'>;
const base = { numberIds: [], days: 3 };

/** @param personId who hears of what went badly @param id makes ids of steps */
export const dialogueStarters = (personId: string | null, id: () => string): readonly Sketch[] => [
  {
    ...base,
    name: 'How was it?',
    words: [],
    steps: [
      {
        id: id(),
        only: null,
        kind: 'ask',
        label: 'Satisfied',
        text: '{business}: how well were you helped, from 1 (badly) to 5 (well)? Reply STOP to end texts.',
        by: '1 to 5',
      },
      {
        id: id(),
        only: { is: 'at most', label: 'Satisfied', n: 2 },
        kind: 'ask',
        label: 'What went wrong',
        text: 'We are sorry. What should have gone better?',
        by: 'words',
      },
      {
        id: id(),
        only: { is: 'at most', label: 'Satisfied', n: 2 },
        kind: 'task',
        personId,
        text: 'Ring {name|them}: they gave {Satisfied}. {What went wrong|No reason given.}',
      },
      {
        id: id(),
        only: { is: 'at most', label: 'Satisfied', n: 3 },
        kind: 'say',
        text: 'Thank you. We will do better.',
      },
      {
        id: id(),
        only: { is: 'at least', label: 'Satisfied', n: 4 },
        kind: 'say',
        text: 'Thank you, that makes us glad.',
      },
    ],
  },
  {
    ...base,
    name: 'Opening hours',
    words: ['hours', 'open', 'opening'],
    steps: [
      {
        id: id(),
        only: null,
        kind: 'say',
        text: 'The yard is open Monday to Friday from 8 to 17, on Saturday until noon.',
      },
    ],
  },
  {
    ...base,
    name: 'Ask what it is about',
    words: ['quote', 'offer', 'repair'],
    steps: [
      {
        id: id(),
        only: null,
        kind: 'ask',
        label: 'Boat',
        text: 'Gladly. Which boat is it, and how long?',
        by: 'words',
      },
      {
        id: id(),
        only: null,
        kind: 'ask',
        label: 'Urgent',
        text: 'Is it urgent? Yes or no.',
        by: 'yes or no',
      },
      {
        id: id(),
        only: { is: 'yes', label: 'Urgent' },
        kind: 'task',
        personId,
        text: 'Call {name|them} today about {Boat}',
      },
      { id: id(), only: null, kind: 'say', text: 'Thank you. One of us writes to you about {Boat}.' },
      { id: id(), only: null, kind: 'hand over', personId: null },
    ],
  },
];
