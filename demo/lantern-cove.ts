/** Lantern Cove Boatworks, the demonstration: made by the same commands a person uses, so that it can never be invalid. */
import {
  accountId,
  accountsOn,
  applyEdit,
  civicAddress,
  emptyStanding,
  emptySystem,
  newBusiness,
  newMailbox,
  newNumber,
  newRegistration,
  newSite,
  settle,
  type Command,
  type NumberHeld,
  type Setting,
  type Standing,
  type System,
  type PhoneKind,
  type Account,
} from '../src/core/system';
import { HOURS, ROTA } from './hours';
import { BUTTON, DIALOGUES, FOLLOW_UPS } from './follow-ups';
import { ASKS_FIRST, OWN_ANSWERS } from './own-answers';
import { ROOMS } from './rooms';
import { GROUPS, PEOPLE, person, phone, UNPAIRED } from './people';
import { CALLERS, PLANS, QUEUE, SERVICE } from './plans';
import { PROMISES } from './promises';
import { MAILBOXES, RECORDINGS } from './recordings';
import { approval, demoTexts, SHORTCUTS, WORDINGS } from './texts';
import { noDealings, wholeOf, type MessageRecord, type Whole } from '../src/workspace';

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

/** Everybody has a mailbox of their own; Rosa's and Wren's are told apart above. */
const ownMailbox = ({ id, name }: (typeof PEOPLE)[number]): Command[] => [
  { do: 'mailbox.add', value: newMailbox({ id: `${id}-box`, name, ownerIds: [id] }) },
  { do: 'person.set', id, change: { mailboxId: `${id}-box` } },
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
  ...PEOPLE.filter((p) => p.role !== 'shared room' && !['rosa', 'wren'].includes(p.id)).flatMap(ownMailbox),
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
  // Idris answers for Rosa; the store's number stands on the phones of all who look after it.
  {
    do: 'phone.set',
    id: 'idris-browser',
    change: { lines: { personIds: ['rosa'], numberIds: ['n-winter-store'] } },
  },
  ...['jonah-browser', 'wren-desk'].map((id): Command => ({
    do: 'phone.set',
    id,
    change: { lines: { personIds: [], numberIds: ['n-winter-store'] } },
  })),
  ...PROMISES,
  ...WORDINGS,
  ...SHORTCUTS,
  ...FOLLOW_UPS,
  ...DIALOGUES,
  { do: 'number.set', id: 'n-charters', change: { afterwardsId: 'how-was-it' } },
  BUTTON,
  ...OWN_ANSWERS,
  ASKS_FIRST,
  ...ROOMS,
  { do: 'business.set', change: { defaultCallerId: '+13605550142', park: { from: '280', to: '284' } } },
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
      // As at sea.
      clock: '24-hour',
      dates: 'day first',
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

/** What people have set for themselves: Dov's mobile says which calls are for work, and Tomas's go on to Mei. */
function withSettings(standing: Standing, system: System, now: number): Standing {
  const made: readonly [Setting, by: string][] = [
    [
      { kind: 'phone', phoneId: 'dov-linked-mobile', values: { shows: 'number called' } },
      'Dov Petrenko, on the staff page',
    ],
    [
      { kind: 'person', personId: 'tomas', values: { onNotAnswered: { to: 'person', personId: 'mei' } } },
      'Tomas Brandt · Desk phone',
    ],
  ];
  return made.reduce(
    (s, [setting, by]) => settle(s, setting, { at: now - 6 * 86_400_000, by }, system).standing,
    standing,
  );
}

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
  const { texts, threads } = demoTexts(now, businessId);
  return wholeOf(
    { id: businessId, kind: 'demonstration', createdAt: now },
    system,
    withSettings({ ...emptyStanding(), registrations, accounts, proved }, system, now),
    {
      texts,
      threads,
      dealings: { ...noDealings(businessId), texting: approval(now) },
      messages: [
        message(
          'demo-message-1',
          'front',
          15,
          '+12065550134',
          '(206) 555-0134',
          6,
          'It is about the mast step. Call me before noon if you can.',
        ),
        message(
          'demo-message-2',
          'charters',
          18,
          '+16045550126',
          '(604) 555-0126',
          5,
          'We are four and would like the first week of June.',
        ),
        message(
          'demo-message-3',
          'rosa-box',
          40,
          '+13605550187',
          '(360) 555-0187',
          4,
          'The timber is here, come and look.',
          true,
        ),
      ],
    },
  );
}
