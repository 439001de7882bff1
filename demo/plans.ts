/** What happens to calls at Lantern Cove: plans, the queue, and callers that plans know. */
import {
  newQueue,
  type Command,
  type HoursStep,
  type MenuStep,
  type Pattern,
  type RingStep,
  type Step,
} from '../src/core/system';

export const QUEUE: Command = {
  do: 'queue.add',
  value: newQueue({
    id: 'front-queue',
    name: 'Front desk',
    extension: '310',
    memberIds: ['rosa', 'idris', 'ines'],
    seconds: 15,
    longestWait: 120,
    comfort: { recordingId: 'please-hold', every: 45, position: true },
    exitKey: '1',
    callBackKey: '2',
    pauseAfter: null,
    leadId: 'rosa',
  }),
};

export const CALLERS: Command[] = [
  { do: 'list.add', value: { id: 'regulars', name: 'Regular customers' } },
  {
    do: 'contact.add',
    value: {
      id: 'harrow',
      name: 'Harrow Point Sailing Club',
      numbers: ['+13605550134'],
      ownerId: 'tomas',
      listIds: ['regulars'],
      blocked: false,
    },
  },
  {
    do: 'contact.add',
    value: {
      id: 'offers',
      name: 'Calls with offers',
      numbers: ['+12065550199'],
      ownerId: null,
      listIds: [],
      blocked: true,
    },
  },
];

const ring = (id: string, people: string[], seconds: number, pattern: Pattern = 'together'): RingStep => ({
  id,
  kind: 'ring',
  targets: people.map((p) => ({ kind: 'person' as const, id: p })),
  pattern,
  seconds,
  followReach: false,
});
const play = (id: string, recordingId: string): Step => ({ id, kind: 'play', recordingId });
const voicemail = (id: string, mailboxId: string): Step => ({ id, kind: 'voicemail', mailboxId });
const byHours = (id: string, hoursId: string, branches: HoursStep['branches'], otherwise: Step[]): Step => ({
  id,
  kind: 'hours',
  hoursId,
  branches,
  otherwise,
});
const plan = (id: string, name: string, steps: Step[]): Command => ({
  do: 'plan.add',
  value: { id, name, steps },
});

const keyed = (
  id: string,
  recordingId: string,
  branches: MenuStep['branches'],
  more: Partial<MenuStep> = {},
): MenuStep => ({
  id,
  kind: 'menu',
  recordingId,
  seconds: 6,
  tries: 2,
  dialExtension: false,
  nameKey: null,
  branches,
  otherwise: [],
  ...more,
});

/** Two mistakes are planted in it: a key that leads nowhere, and an outside phone whose voicemail can take the call. */
export const SERVICE = plan('service', 'Service menu', [
  {
    id: 'service-who',
    kind: 'caller',
    branches: [
      { test: { is: 'blocked' }, steps: [{ id: 'service-blocked', kind: 'end', how: 'busy' }] },
      {
        test: { is: 'known' },
        steps: [{ ...ring('service-owner', [], 12), targets: [{ kind: 'owner', id: 'owner' }] }],
      },
    ],
    otherwise: [],
  },
  keyed(
    'service-menu',
    'service-menu',
    [
      {
        key: '1',
        steps: [
          {
            ...ring('service-crew', [], 12, 'longest idle'),
            targets: [{ kind: 'group', id: 'workshop-crew' }],
          },
          voicemail('service-workshop', 'workshop'),
        ],
      },
      {
        key: '4',
        steps: [
          keyed('storage-menu', 'storage-menu', [
            { key: '1', steps: [ring('storage-book', ['wren', 'jonah'], 15, 'in turn')] },
            {
              key: '5',
              steps: [
                {
                  id: 'storage-crane',
                  kind: 'forward',
                  number: '+15095550147',
                  shows: 'caller',
                  confirm: false,
                  seconds: 24,
                },
              ],
            },
            { key: '6', steps: [] },
          ]),
          voicemail('service-store', 'store'),
        ],
      },
      {
        key: '7',
        steps: [
          {
            id: 'service-share',
            kind: 'share',
            how: 'by shares',
            branches: [
              { share: 60, steps: [ring('service-pia', ['pia', 'callum'], 12, 'fewest calls')] },
              {
                share: 40,
                steps: [
                  {
                    ...ring('service-callum', ['callum', 'pia'], 12, 'by weight'),
                    weights: { callum: 3, pia: 1 },
                  },
                ],
              },
            ],
          },
          voicemail('service-charters', 'charters'),
        ],
      },
    ],
    { dialExtension: true, nameKey: '9' },
  ),
  {
    id: 'service-queue',
    kind: 'queue',
    queueId: 'front-queue',
    branches: [
      {
        way: 'waited too long',
        steps: [
          {
            id: 'service-ask',
            kind: 'ask',
            questions: [
              { id: 'ask-name', label: 'Name', says: 'What is your name, please?', by: 'voice' },
              { id: 'ask-boat', label: 'Boat', says: 'What is the name of your boat?', by: 'voice' },
            ],
            answers: [
              {
                words: ['opening hours', 'open'],
                says: 'The office is open on weekdays from eight to five, and on Saturdays from nine to one.',
              },
            ],
          },
        ],
      },
    ],
  },
  {
    id: 'service-notify',
    kind: 'notify',
    how: 'mail',
    to: 'desk@lanterncove.example',
    text: '{caller} could not be answered. {notes}',
  },
  voicemail('service-voicemail', 'front'),
]);
export const PLANS = [
  plan('main', 'Main line', [
    byHours(
      'main-hours',
      'office',
      [
        {
          period: 'Open',
          steps: [
            play('main-welcome', 'welcome'),
            ring('main-front', ['rosa', 'idris', 'ines'], 18),
            ring('main-help', ['mei', 'noor'], 12),
          ],
        },
        {
          period: 'Lunch',
          steps: [
            play('main-lunch', 'lunch'),
            ring('main-noon', ['noor'], 18),
            { id: 'main-service', kind: 'goto', planId: 'service' },
          ],
        },
        { period: 'Saturday', steps: [ring('main-saturday', ['pia', 'callum'], 20)] },
      ],
      [play('main-closed', 'closed')],
    ),
    voicemail('main-voicemail', 'front'),
  ]),
  plan('workshop', 'Workshop', [
    byHours(
      'workshop-by',
      'workshop-hours',
      [{ period: 'Open', steps: [ring('workshop-ring', ['tomas', 'mei', 'anselm'], 12, 'in order')] }],
      [],
    ),
    voicemail('workshop-voicemail', 'workshop'),
  ]),
  plan('charters', 'Charters', [
    byHours(
      'charters-by',
      'charter-hours',
      [
        {
          period: 'Open',
          steps: [
            play('charters-play', 'charter-welcome'),
            { ...ring('charters-ring', [], 20), targets: [{ kind: 'group', id: 'charter-desk' }] },
          ],
        },
      ],
      [],
    ),
    voicemail('charters-voicemail', 'charters'),
  ]),
  plan('night-watch', 'Night watch', [
    ring('night-ring', ['dov'], 30),
    { ...ring('night-duty', [], 24), targets: [{ kind: 'rota', id: 'watch' }] },
    voicemail('night-voicemail', 'front'),
  ]),
  plan('rosa-direct', 'Rosa Delgado', [
    // Her own reach says which of her phones ring how long, within what the plan waits.
    { ...ring('rosa-ring', ['rosa'], 30), followReach: true },
    voicemail('rosa-voicemail', 'rosa-box'),
  ]),
  plan('winter-store', 'Winter store', [
    ring('store-ring', ['wren', 'jonah'], 18),
    voicemail('store-voicemail', 'store'),
  ]),
];
