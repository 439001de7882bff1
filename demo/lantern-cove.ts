/** Lantern Cove Boatworks, the demonstration: made by the same commands a person uses, so that it can never be invalid. */
import {
  accountId,
  accountsOn,
  applyEdit,
  civicAddress,
  emptyStanding,
  emptySystem,
  newBusiness,
  newGroup,
  newNumber,
  newPerson,
  newPhone,
  newQueue,
  newRegistration,
  newRota,
  newSite,
  PHONE_NAMES,
  type Account,
  type Command,
  type Expectation,
  type HoursException,
  type HoursStep,
  type MenuStep,
  type NumberHeld,
  type Pattern,
  type PeriodOfWeek,
  type PromiseTime,
  type RingStep,
  type PhoneKind,
  type Role,
  type Step,
  type System,
} from '../src/core/system';
import { wholeOf, type MessageRecord, type Whole } from '../src/workspace';

export const DEMO_ID = 'lantern-cove';

const site = (
  id: string,
  name: string,
  A3: string,
  RD: string,
  HNO: string,
  PC: string,
  network: string,
  checkAgainOn: string,
): Command => ({
  do: 'site.add',
  value: newSite({
    id,
    name,
    timeZone: 'America/Los_Angeles',
    address: civicAddress({ country: 'US', A1: 'WA', A3, RD, HNO, PC }),
    networks: [network],
    checkAgainOn,
  }),
});

interface Who {
  id: string;
  name: string;
  extension: string;
  role?: Role;
  site?: string;
  phones: PhoneKind[];
}

const PEOPLE: Who[] = [
  { id: 'rosa', name: 'Rosa Delgado', extension: '201', role: 'owner', phones: ['desk', 'mobile app'] },
  { id: 'idris', name: 'Idris Okafor', extension: '202', role: 'administrator', phones: ['desk', 'browser'] },
  { id: 'pia', name: 'Pia Lindqvist', extension: '203', phones: ['mobile app'] },
  { id: 'tomas', name: 'Tomas Brandt', extension: '204', phones: ['desk'] },
  { id: 'mei', name: 'Mei Tanaka', extension: '205', phones: ['desk', 'mobile app'] },
  { id: 'anselm', name: 'Anselm Frey', extension: '206', phones: ['desk'] },
  { id: 'noor', name: 'Noor Haddad', extension: '207', phones: ['computer'] },
  { id: 'callum', name: 'Callum Reyes', extension: '208', phones: ['mobile app'] },
  { id: 'ines', name: 'Ines Morel', extension: '209', phones: ['desk'] },
  { id: 'dov', name: 'Dov Petrenko', extension: '210', phones: ['linked mobile'] },
  { id: 'wren', name: 'Wren Halloran', extension: '211', site: 'store', phones: ['desk'] },
  { id: 'jonah', name: 'Jonah Achterberg', extension: '212', site: 'store', phones: ['browser'] },
  { id: 'slipway', name: 'Slipway shed', extension: '220', role: 'shared room', phones: ['desk'] },
];

/** Phones whose invitation nobody has taken up yet. */
const UNPAIRED = ['idris-browser', 'jonah-browser'];
const phoneId = (who: string, kind: PhoneKind): string => `${who}-${kind.replace(' ', '-')}`;

const person = ({ id, name, extension, role = 'staff', site: siteId = 'yard' }: Who): Command => ({
  do: 'person.add',
  value: newPerson({
    id,
    name,
    extension,
    role,
    siteId,
    email: role === 'shared room' ? '' : `${name.toLowerCase().replace(' ', '.')}@lanterncove.example`,
  }),
});
const phone = (who: Who, kind: PhoneKind): Command => ({
  do: 'phone.add',
  value: newPhone({
    id: phoneId(who.id, kind),
    name: PHONE_NAMES[kind],
    kind,
    personId: who.id,
    outsideOffice: kind === 'mobile app',
    number: kind === 'linked mobile' ? '+13605550188' : null,
  }),
});

const group = (id: string, name: string, extension: string, people: string[]): Command => ({
  do: 'group.add',
  value: newGroup({ id, name, extension, members: people.map((p) => ({ kind: 'person', id: p })) }),
});
const GROUPS = [
  group('front-office', 'Front office', '230', ['rosa', 'idris', 'ines']),
  group('workshop-crew', 'Workshop crew', '231', ['tomas', 'mei', 'anselm']),
  group('charter-desk', 'Charter desk', '232', ['pia', 'callum']),
];

const recording = (id: string, name: string, text: string): Command => ({
  do: 'recording.add',
  value: { id, name, text },
});
const RECORDINGS = [
  recording('welcome', 'Welcome', 'Thank you for calling Lantern Cove Boatworks. One moment, please.'),
  recording(
    'closed',
    'Yard closed',
    'The yard is closed now. If a boat is adrift, call our night watch at 360, 555, 0160.',
  ),
  recording('lunch', 'Lunch', 'The office is at lunch until one.'),
  recording('charter-welcome', 'Charters', 'Lantern Cove boat charters, good day.'),
  recording(
    'front-greeting',
    'Busy on the slip',
    'We are all busy on the slip. Please leave your name, your boat and a number.',
  ),
  recording(
    'workshop-greeting',
    'Workshop greeting',
    'You have reached the workshop. Please leave a message after the tone.',
  ),
  recording(
    'charters-greeting',
    'Charters greeting',
    'The charter desk is not there just now. Tell us your dates and how many you are.',
  ),
  recording(
    'service-menu',
    'Service',
    'For a boat on the slip press 1. For storage and launching press 4. For charters press 7. If you know the extension, dial it; to spell a name press 9. Or stay on the line.',
  ),
  recording('storage-menu', 'Storage', 'To store a boat press 1. For the crane press 5.'),
  recording('please-hold', 'Please hold', 'Thank you for waiting. Somebody will be with you soon.'),
  recording('rosa-greeting', 'Rosa is out', 'This is Rosa. I am out in the yard, please leave a message.'),
];

const mailbox = (id: string, name: string, ownerIds: string[], greetingId: string | null): Command => ({
  do: 'mailbox.add',
  value: { id, name, ownerIds, greetingId, longest: 180, mailTo: [] },
});
const MAILBOXES = [
  mailbox('front', 'Front desk', ['rosa', 'idris'], 'front-greeting'),
  mailbox('workshop', 'Workshop', ['tomas', 'mei'], 'workshop-greeting'),
  mailbox('charters', 'Charters', ['pia'], 'charters-greeting'),
  mailbox('rosa-box', 'Rosa Delgado', ['rosa'], 'rosa-greeting'),
  mailbox('store', 'Winter store', ['wren'], null),
];

const daily = (days: number[], from: number, to: number, kind = 'Open'): PeriodOfWeek[] =>
  days.map((day) => ({ day, from: from * 60, to: to * 60, kind }));
const WEEKDAYS = [1, 2, 3, 4, 5];
const hours = (
  id: string,
  name: string,
  weekly: PeriodOfWeek[],
  exceptions: HoursException[] = [],
): Command => ({
  do: 'hours.add',
  value: { id, name, timeZone: null, weekly, exceptions },
});
const closedOn = (id: string, name: string, dates: string[], rule: string): HoursException => ({
  id,
  name,
  when: { on: 'dates', dates },
  times: [],
  holiday: { country: 'US', region: 'WA', rule },
});
const YEARS = [2026, 2027, 2028, 2029, 2030];
/** Days off of Washington State, United States: 5 USC 6103 and RCW 1.16.050 (dates from memory). */
const HOLIDAYS = (of: string): HoursException[] => [
  closedOn(
    `${of}-new-year`,
    "New Year's Day",
    YEARS.map((y) => `${y + 1}-01-01`),
    '01-01',
  ),
  closedOn(
    `${of}-independence`,
    'Independence Day',
    YEARS.map((y) => `${y + 1}-07-04`),
    '07-04',
  ),
  closedOn(
    `${of}-thanksgiving`,
    'Thanksgiving Day',
    ['2026-11-26', '2027-11-25', '2028-11-23', '2029-11-22', '2030-11-28'],
    '4th thursday in November',
  ),
  closedOn(
    `${of}-christmas`,
    'Christmas Day',
    YEARS.map((y) => `${y}-12-25`),
    '12-25',
  ),
];
const SUMMER: HoursException = {
  id: 'summer',
  name: 'Summer',
  when: { on: 'yearly', from: '05-15', to: '09-15' },
  times: [{ day: null, from: 480, to: 1200, kind: 'Open' }],
  holiday: null,
};
const HOURS = [
  hours(
    'office',
    'Office hours',
    [
      ...daily(WEEKDAYS, 8, 12),
      ...daily(WEEKDAYS, 12, 13, 'Lunch'),
      ...daily(WEEKDAYS, 13, 17),
      ...daily([6], 9, 13, 'Saturday'),
    ],
    HOLIDAYS('office'),
  ),
  hours('workshop-hours', 'Workshop hours', daily(WEEKDAYS, 7, 16), HOLIDAYS('workshop')),
  hours('charter-hours', 'Charter season', daily([1, 2, 3, 4, 5, 6], 9, 18), [
    ...HOLIDAYS('charters'),
    SUMMER,
  ]),
];

/** A gap is planted in it: nobody has the watch on two nights of December. */
const ROTA: Command = {
  do: 'rota.add',
  value: newRota({
    id: 'watch',
    name: 'Night watch',
    from: '2026-11-23',
    handover: 17 * 60,
    turns: ['callum', 'mei', 'tomas'],
    swaps: [
      { from: '2026-12-05T17:00', to: '2026-12-07T17:00', personId: 'rosa' },
      { from: '2026-12-19T17:00', to: '2026-12-21T17:00', personId: null },
    ],
  }),
};

const QUEUE: Command = {
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
  }),
};

const CALLERS: Command[] = [
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
const SERVICE = plan('service', 'Service menu', [
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

const promise = (
  id: string,
  name: string,
  plan: string,
  when: PromiseTime,
  expects: Expectation[],
  keys: string[] = [],
): Command => ({
  do: 'promise.add',
  value: {
    id,
    name,
    numberId: `n-${plan}`,
    caller: null,
    behaviour: {
      people: {},
      phones: {},
      otherwise: { does: 'nothing' },
      caller: {
        hangsUpAfter: null,
        talks: 60,
        message: 12,
        ...(keys.length ? { keys: keys.map((press) => ({ after: 2, press })) } : {}),
      },
    },
    when,
    expects,
  },
});
const during = (hoursId: string, period: string | null): PromiseTime => ({ on: 'hours', hoursId, period });
const ALWAYS: PromiseTime = { on: 'always' };
const PROMISES = [
  promise('p-night', 'A boat adrift always rings somebody', 'night-watch', ALWAYS, [
    { is: 'rings', personIds: [], within: 10 },
  ]),
  promise('p-main', 'The main line never leaves anybody alone', 'main', ALWAYS, [{ is: 'ends well' }]),
  promise('p-office', 'The office rings at once', 'main', during('office', 'Open'), [
    { is: 'rings', personIds: ['rosa', 'idris', 'ines'], within: 10 },
  ]),
  promise('p-saturday', 'Saturdays ring the charter desk', 'main', during('office', 'Saturday'), [
    { is: 'rings', personIds: ['pia', 'callum'], within: 5 },
  ]),
  promise('p-closed', 'Who calls at night hears of the night watch', 'main', during('office', null), [
    { is: 'hears', recordingId: 'closed' },
  ]),
  promise('p-lunch', 'At lunch somebody can still be reached', 'main', during('office', 'Lunch'), [
    { is: 'rings', personIds: ['rosa', 'idris', 'ines'], within: 90 },
  ]),
  promise(
    'p-rosa',
    'Rosa is rung on weekday mornings',
    'rosa-direct',
    { on: 'week', days: WEEKDAYS, from: 540, to: 720 },
    [{ is: 'rings', personIds: ['rosa'], within: 5 }],
  ),
  promise('p-store', 'The store never loses a message', 'winter-store', ALWAYS, [
    { is: 'voicemail', mailboxId: 'store', within: 25 },
  ]),
];

const PLANS = [
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
    ring('rosa-ring', ['rosa'], 18),
    voicemail('rosa-voicemail', 'rosa-box'),
  ]),
  plan('winter-store', 'Winter store', [
    ring('store-ring', ['wren', 'jonah'], 18),
    voicemail('store-voicemail', 'store'),
  ]),
];

const CALLER_NAME = 'LANTERN COVE';
const USES: Record<string, NumberHeld['use']> = {
  main: 'main',
  'night-watch': '24-hour',
  'rosa-direct': 'direct',
};
const number = (
  e164: string,
  label: string,
  planId: string,
  siteId = 'yard',
  place = 'Port Townsend',
): Command => ({
  do: 'number.add',
  value: newNumber({
    id: `n-${planId}`,
    e164,
    country: 'US',
    label,
    kind: 'geographic',
    place,
    use: USES[planId] ?? 'department',
    siteId,
    planId,
    callerName: CALLER_NAME,
    monthlyCents: 400,
    currency: 'USD',
  }),
});
const NUMBERS = [
  number('+13605550142', 'Main line', 'main'),
  number('+13605550143', 'Workshop', 'workshop'),
  number('+13605550151', 'Charters', 'charters'),
  number('+13605550160', 'Night watch', 'night-watch'),
  number('+13605550171', 'Rosa Delgado, direct', 'rosa-direct'),
  number('+15095550118', 'Winter store', 'winter-store', 'store', 'Spokane'),
];

/** Every command the demonstration is made of, in order. */
export const demoCommands = (): Command[] => [
  site('yard', 'The yard', 'Port Ansel', 'Lantern Cove Road', '12', '98300', '192.0.2.0/24', '2027-06-01'),
  site('store', 'Winter store', 'Drayhorse', 'Old Mill Lane', '3', '99000', '198.51.100.0/24', '2026-11-01'),
  ...PEOPLE.map(person),
  ...PEOPLE.flatMap((who) => who.phones.map((kind) => phone(who, kind))),
  ...GROUPS,
  ...RECORDINGS,
  ...MAILBOXES,
  { do: 'person.set', id: 'rosa', change: { mailboxId: 'rosa-box' } },
  { do: 'person.set', id: 'wren', change: { mailboxId: 'store' } },
  { do: 'person.set', id: 'anselm', change: { email: '' } },
  // The shed's line is on Rosa's desk phone too, so that she can take its calls.
  {
    do: 'phone.set',
    id: 'rosa-desk',
    change: { label: 'Rosa', keys: [{ personId: 'slipway', label: 'Slipway' }] },
  },
  ...HOURS,
  ROTA,
  QUEUE,
  ...CALLERS,
  ...PLANS,
  SERVICE,
  { do: 'plan.set', id: 'service', change: { extension: '300' } },
  ...NUMBERS,
  ...PROMISES,
  { do: 'business.set', change: { defaultCallerId: '+13605550142' } },
  { do: 'number.set', id: 'n-rosa-direct', change: { callerIdFor: ['rosa'] } },
  { do: 'site.set', id: 'yard', change: { notify: { personIds: ['rosa', 'idris'], mailTo: [] } } },
  { do: 'site.set', id: 'store', change: { notify: { personIds: ['wren'], mailTo: [] } } },
];

/** The demonstration's system. */
export function demoSystem(): System {
  const empty = emptySystem(
    newBusiness({
      name: 'Lantern Cove Boatworks',
      country: 'US',
      timeZone: 'America/Los_Angeles',
      outsideDigit: '9',
      reserved: [{ from: '270', to: '279', note: 'season staff' }],
    }),
  );
  const made = applyEdit(empty, { words: 'Set up Lantern Cove Boatworks', commands: demoCommands() });
  if (!made.ok) throw new Error(made.problems.map((p) => `${p.field}: ${p.message}`).join('; '));
  return made.system;
}

/** Phones that are on the road. */
const OUTSIDE = ['callum-mobile-app'];
const VERSIONS: Partial<Record<PhoneKind, string>> = {
  desk: 'Stand-in desk phone 2.1',
  'mobile app': 'Stand-in app 3.2',
  computer: 'Stand-in softphone 5.0',
};
/** An account whose password nobody knows any more: it is in the phone, and a new one can be made. */
const unknownAccount = (user: string, madeAt: number): Account => ({
  user,
  ha1: { MD5: '0'.repeat(32), 'SHA-256': '0'.repeat(64) },
  madeAt,
  wrongTries: 0,
  lockedUntil: null,
});

/** The demonstration as it stands on a first visit. @param now epoch milliseconds; @param businessId where another one has the usual id */
export function demonstration(now: number, businessId = DEMO_ID): Whole {
  const system = demoSystem();
  const since = now - 40 * 86_400_000;
  const ownPhones = Object.values(system.phones).filter((p) => p.number === null && !UNPAIRED.includes(p.id));
  const accounts = Object.fromEntries(
    ownPhones
      .filter((p) => p.kind === 'desk')
      .flatMap((p) => accountsOn(p).map((personId) => accountId(p, personId)))
      .map((id, i) => [id, unknownAccount(`p${(i + 11) * 8761}`, since)]),
  );
  const registrations = Object.fromEntries(
    ownPhones.flatMap((p) =>
      accountsOn(p).map((personId) => {
        const id = accountId(p, personId);
        const outside = OUTSIDE.includes(p.id);
        const site = system.people[p.personId ?? '']?.siteId;
        return [
          id,
          newRegistration({
            pairedAt: since,
            standIn: true,
            outside,
            address: outside ? '203.0.113.77' : site === 'store' ? '198.51.100.20' : '192.0.2.20',
            version: VERSIONS[p.kind] ?? '',
            passwordOf: accounts[id] ? since : null,
          }),
        ];
      }),
    ),
  );
  // Dov gave back the code that was sent to his own mobile.
  const proved = { 'dov-linked-mobile': { number: '+13605550188', at: now - 40 * 86_400_000 } };
  const message = (
    id: string,
    mailboxId: string,
    hoursAgo: number,
    fromNumber: string,
    from: string,
    seconds: number,
    said: string,
    heard = false,
  ): MessageRecord => ({
    id: businessId === DEMO_ID ? id : `${id}-${businessId}`,
    businessId,
    mailboxId,
    at: now - hoursAgo * 3_600_000,
    from,
    fromNumber,
    seconds,
    said,
    sound: null,
    heard,
  });
  return wholeOf(
    { id: businessId, kind: 'demonstration', createdAt: now },
    system,
    { ...emptyStanding(), registrations, accounts, proved },
    {
      messages: [
        message(
          'demo-message-1',
          'front',
          15,
          '+12065550134',
          '(206) 555-0134',
          24,
          'It is about the mast step. Call me before noon if you can.',
        ),
        message(
          'demo-message-2',
          'charters',
          18,
          '+16045550126',
          '(604) 555-0126',
          16,
          'We are four and would like the first week of June.',
        ),
        message(
          'demo-message-3',
          'rosa-box',
          40,
          '+13605550187',
          '(360) 555-0187',
          9,
          'The timber is here, come and look.',
          true,
        ),
      ],
    },
  );
}
