/** Follow-ups to begin with: whole sentences, to be changed. */
import type { FollowUp, FollowWhen, FollowIf, FollowThen } from '../system';

type Sketch = Omit<FollowUp, 'id'>;
const sketch = (name: string, when: FollowWhen, then: FollowThen[], more: Partial<Sketch> = {}): Sketch => ({
  name,
  when,
  if: [],
  then,
  after: { is: 'minutes', minutes: 2 },
  unlessTalked: false,
  pauseDays: 7,
  ...more,
});

/** @param personId whose tasks they make */
export const starters = (personId: string | null): readonly Sketch[] => [
  sketch(
    'Sorry we missed you',
    { is: 'missed' },
    [
      {
        do: 'text',
        text: '{business}: sorry that we missed your call, {first name|hello}. We call you back, or answer here. Reply STOP to end texts.',
        numberId: null,
      },
    ],
    { unlessTalked: true },
  ),
  sketch(
    'Messages are somebody’s task',
    { is: 'message' },
    [{ do: 'task', personId, text: 'Answer the message of {caller} to {line}', callBack: true, days: 0 }],
    { after: { is: 'minutes', minutes: 0 }, pauseDays: 0 },
  ),
  sketch(
    'Waited long and gave up',
    { is: 'waited', seconds: 60 },
    [{ do: 'task', personId, text: 'Ring {caller}: they waited in vain, {when}', callBack: true, days: 0 }],
    { if: [{ is: 'end', how: 'gave up' } satisfies FollowIf], unlessTalked: true, pauseDays: 1 },
  ),
  sketch(
    'Thank new customers the day after',
    { is: 'talked', way: 'in' },
    [
      {
        do: 'text',
        text: '{business}: thank you for your call. Is anything left to be asked? Just answer here. Reply STOP to end texts.',
        numberId: null,
      },
    ],
    {
      if: [
        { is: 'contact', known: false },
        { is: 'length', longer: true, seconds: 60 },
      ],
      after: { is: 'next day', at: 10 * 60 },
      pauseDays: 90,
    },
  ),
  sketch(
    'Prices by text',
    { is: 'text', words: ['price', 'prices', 'cost', 'how much'] },
    [{ do: 'task', personId, text: 'Send {caller} the price list', callBack: false, days: 1 }],
    { after: { is: 'minutes', minutes: 0 }, pauseDays: 1 },
  ),
  sketch(
    'Tell the records elsewhere',
    { is: 'talked', way: 'either' },
    [{ do: 'hook', url: 'https://records.example/calls' }],
    { after: { is: 'minutes', minutes: 0 }, pauseDays: 0 },
  ),
  sketch(
    'Not paired yet',
    { is: 'not paired', days: 3 },
    [{ do: 'task', personId, text: 'Help {person} to pair a phone', callBack: false, days: 1 }],
    { after: { is: 'minutes', minutes: 0 }, pauseDays: 0 },
  ),
];
