/** The same invented business in four sizes: plans with hours, menus, queues and groups, people with hours, quiet hours and forwards. */
import {
  applyEdit,
  civicAddress,
  emptyStanding,
  emptySystem,
  newBusiness,
  newGroup,
  newMailbox,
  newNumber,
  newPerson,
  newPhone,
  newQueue,
  newRegistration,
  newSite,
  type Command,
  type Step,
} from '../src/core/system';
import { wholeOf, type Whole } from '../src/workspace/businesses';

export interface Size {
  name: 'S' | 'M' | 'L' | 'XL';
  people: number;
  numbers: number;
  plans: number;
}
export const SIZES: readonly Size[] = [
  { name: 'S', people: 12, numbers: 6, plans: 6 },
  { name: 'M', people: 100, numbers: 40, plans: 20 },
  { name: 'L', people: 500, numbers: 150, plans: 60 },
  { name: 'XL', people: 2000, numbers: 500, plans: 200 },
];

const WEEKDAYS = [1, 2, 3, 4, 5];
const person = (i: number) => ({ kind: 'person' as const, id: `p${i}` });

export function businessOf({ name, people, numbers, plans }: Size): Whole {
  const some = (n: number, count: number) => Array.from({ length: count }, (_, k) => (n * 7 + k) % people);
  const plan = (n: number): Step[] => {
    const ring: Step = {
      kind: 'ring',
      id: `ring-${n}`,
      targets: n % 3 ? some(n, 4).map(person) : [{ kind: 'group', id: `g${n % 20}` }],
      pattern: 'together',
      seconds: 18,
      followReach: n % 2 === 0,
    };
    const box: Step = { kind: 'voicemail', id: `box-${n}`, mailboxId: `box${n % 10}` };
    const open: Step[] =
      n % 4 === 1
        ? [{ kind: 'queue', id: `queue-${n}`, queueId: `q${n % 5}`, branches: [] } as Step, box]
        : n % 4 === 2
          ? [
              {
                kind: 'menu',
                id: `menu-${n}`,
                recordingId: 'welcome',
                seconds: 5,
                tries: 2,
                dialExtension: false,
                nameKey: null,
                branches: [
                  { key: '1', steps: [ring] },
                  { key: '2', steps: [box] },
                ],
                otherwise: [{ ...box, id: `other-${n}` }],
              } as Step,
            ]
          : [ring, box];
    return [
      { kind: 'play', id: `play-${n}`, recordingId: 'welcome' },
      {
        kind: 'hours',
        id: `hours-${n}`,
        hoursId: `h${n % 6}`,
        branches: [{ period: 'Open', steps: open }],
        otherwise: [{ kind: 'voicemail', id: `closed-${n}`, mailboxId: `box${n % 10}` }],
      } as Step,
    ];
  };
  const range = (count: number) => Array.from({ length: count }, (_, i) => i);
  const commands: Command[] = [
    {
      do: 'site.add',
      value: newSite({
        id: 'yard',
        name: 'The yard',
        timeZone: 'America/Los_Angeles',
        address: civicAddress({
          country: 'US',
          A1: 'WA',
          A3: 'Olympia',
          RD: 'Lantern Road',
          HNO: '1',
          PC: '98500',
        }),
      }),
    },
    { do: 'recording.add', value: { id: 'welcome', name: 'Welcome', text: 'Welcome, one moment please.' } },
    ...range(6).map((i): Command => ({
      do: 'hours.add',
      value: {
        id: `h${i}`,
        name: `Hours ${i}`,
        timeZone: null,
        weekly: WEEKDAYS.map((day) => ({ day, from: 480 + 15 * i, to: 1020, kind: 'Open' })),
      },
    })),
    ...range(people).flatMap((i): Command[] => [
      {
        do: 'person.add',
        value: newPerson({
          id: `p${i}`,
          name: `Person ${i}`,
          extension: String(20_000 + i),
          email: `p${i}@big.example`,
          siteId: 'yard',
        }),
      },
      {
        do: 'phone.add',
        value: newPhone({ id: `d${i}`, name: 'Desk phone', kind: 'desk', personId: `p${i}` }),
      },
    ]),
    ...range(10).map((i): Command => ({
      do: 'mailbox.add',
      value: newMailbox({ id: `box${i}`, name: `Mailbox ${i}`, ownerIds: [`p${i}`], greetingId: 'welcome' }),
    })),
    ...range(people)
      .filter((i) => i % 5 === 0)
      .map((i): Command => ({
        do: 'person.set',
        id: `p${i}`,
        change:
          i % 2 ? { hoursId: `h${i % 6}` } : { quiet: { from: 1140, to: 420 }, mailboxId: `box${i % 10}` },
      })),
    ...range(20).map((i): Command => ({
      do: 'group.add',
      value: newGroup({ id: `g${i}`, name: `Group ${i}`, members: some(i * 3, 5).map(person) }),
    })),
    ...range(5).map((i): Command => ({
      do: 'queue.add',
      value: newQueue({ id: `q${i}`, name: `Queue ${i}`, memberIds: some(i * 5, 6).map((p) => `p${p}`) }),
    })),
    ...range(plans).map((n): Command => ({
      do: 'plan.add',
      value: { id: `plan-${n}`, name: `Plan ${n}`, steps: plan(n) },
    })),
    ...range(numbers).map((n): Command => ({
      do: 'number.add',
      value: newNumber({
        id: `n${n}`,
        e164: `+1${360 + Math.floor(n / 100)}55501${String(n % 100).padStart(2, '0')}`,
        country: 'US',
        label: `Line ${n}`,
        kind: 'geographic',
        place: 'Olympia',
        siteId: 'yard',
        planId: `plan-${n % plans}`,
        monthlyCents: 400,
        currency: 'USD',
      }),
    })),
  ];
  const empty = emptySystem(
    newBusiness({ name: 'Big Yard', country: 'US', timeZone: 'America/Los_Angeles', extensionLength: 5 }),
  );
  const made = applyEdit(empty, { words: 'Set up', commands });
  if (!made.ok) throw new Error(JSON.stringify(made.problems[0]));
  const registrations = Object.fromEntries(
    Object.keys(made.system.phones).map((id) => [id, newRegistration({ pairedAt: 0, standIn: true })]),
  );
  return wholeOf({ id: `sized-${name.toLowerCase()}`, kind: 'own', createdAt: 0 }, made.system, {
    ...emptyStanding(),
    registrations,
  });
}
