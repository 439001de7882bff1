/** What callers of the demonstration ask, and what they are told by itself. */
import type { Command, OwnAnswer } from '../src/core/system';

const ANSWERS: readonly Omit<OwnAnswer, 'id'>[] = [
  {
    name: 'When are you open?',
    also: ['Opening hours on Saturday', 'How late are you open today?'],
    says: 'The office is open on weekdays from eight to five, and on Saturdays from nine to one.',
  },
  {
    name: 'Where are you?',
    also: ['What is your address?', 'How do I get to the yard?'],
    says: 'We are at the end of Quay Road, behind the ferry landing.',
  },
  {
    name: 'What does a night on the guest berth cost?',
    also: ['Price of a mooring for one night', 'Berth for visitors'],
    says: 'A night on the guest berth is two dollars a foot, with water and power.',
  },
  {
    name: 'How can I pay?',
    also: ['Do you take cards?', 'Can I pay by invoice?'],
    says: 'By card at the office, or by invoice within fourteen days.',
  },
  {
    name: 'Is there parking?',
    also: ['Where can I leave my car and trailer?'],
    says: 'There is room for cars and trailers beside the big shed, free for customers.',
  },
  {
    name: 'Do you store boats over the winter?',
    also: ['Winter storage for a sailing boat'],
    says: 'Yes, inside and outside, from October to April. We write you an offer if you leave the length of your boat.',
  },
];
export const OWN_ANSWERS: readonly Command[] = ANSWERS.map((a, i) => ({
  do: 'own answer.add',
  value: { ...a, id: `own-answer-${i + 1}` },
}));

/** A plan that answers what it can by itself, and books a time on the slipway. */
export const ASKS_FIRST: Command = {
  do: 'plan.add',
  value: {
    id: 'asks-first',
    name: 'Asks first',
    steps: [
      {
        id: 'first-ask',
        kind: 'ask',
        questions: [
          { id: 'first-what', label: 'Wish', says: 'What would you like to know?', by: 'own answers' },
          {
            id: 'first-book',
            label: 'Haul out',
            says: 'Shall I find you a time on the slipway?',
            by: 'yes or no',
          },
          {
            id: 'first-time',
            label: 'Time',
            says: 'Which time suits you?',
            by: 'free times',
            calendarId: 'slipway',
            only: { is: 'yes', label: 'Haul out' },
          },
          {
            id: 'first-has',
            label: 'Has one',
            says: 'Is it about an appointment that you have?',
            by: 'yes or no',
            only: { is: 'no', label: 'Haul out' },
          },
          {
            id: 'first-change',
            label: 'Appointment',
            says: 'Please type or say the five digits of its code.',
            by: 'appointment',
            calendarId: 'slipway',
            only: { is: 'yes', label: 'Has one' },
          },
          { id: 'first-urgent', label: 'Urgent', says: 'Is it urgent?', by: 'yes or no' },
        ],
        answers: [],
        points: [
          { test: { is: 'yes', label: 'Urgent' }, points: 2 },
          { test: { is: 'no', label: 'Wish' }, points: 1 },
        ],
        branches: [
          {
            test: { is: 'points', n: 2 },
            steps: [
              {
                id: 'first-ring',
                kind: 'ring',
                targets: [{ kind: 'group', id: 'front-office' }],
                pattern: 'together',
                seconds: 25,
                followReach: false,
              },
            ],
          },
        ],
      },
      { id: 'first-mailbox', kind: 'voicemail', mailboxId: 'front' },
    ],
  },
};
