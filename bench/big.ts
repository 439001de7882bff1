/** A business of 500 people with 50 numbers, invented, to measure with. */
import {
  applyEdit,
  emptyStanding,
  emptySystem,
  newBusiness,
  newNumber,
  newPerson,
  newPhone,
  type Command,
  newRegistration,
} from '../src/core/system';
import { wholeOf, type Whole } from '../src/workspace/businesses';

export function bigBusiness(people = 500, numbers = 50): Whole {
  const commands: Command[] = [
    {
      do: 'recording.add',
      value: { id: 'welcome', name: 'Welcome', text: 'Welcome to the yard, one moment please.' },
    },
    {
      do: 'mailbox.add',
      value: {
        id: 'front',
        name: 'Front desk',
        ownerIds: [],
        greetingId: 'welcome',
        longest: 120,
        mailTo: [],
      },
    },
    {
      do: 'hours.add',
      value: {
        id: 'office',
        name: 'Office hours',
        timeZone: null,
        weekly: [1, 2, 3, 4, 5].map((day) => ({ day, from: 480, to: 1020, kind: 'Open' })),
      },
    },
  ];
  for (let i = 0; i < people; i++) {
    const id = `p${i}`;
    commands.push(
      {
        do: 'person.add',
        value: newPerson({
          id,
          name: `Person ${i}`,
          extension: String(2000 + i),
          email: `p${i}@big.example`,
        }),
      },
      {
        do: 'phone.add',
        value: newPhone({ id: `desk-${i}`, name: 'Desk phone', kind: 'desk', personId: id }),
      },
    );
  }
  for (let n = 0; n < numbers; n++) {
    const targets = Array.from({ length: 10 }, (_, k) => ({
      kind: 'person' as const,
      id: `p${(n * 10 + k) % people}`,
    }));
    commands.push(
      {
        do: 'plan.add',
        value: {
          id: `plan-${n}`,
          name: `Line ${n}`,
          steps: [
            { id: `play-${n}`, kind: 'play', recordingId: 'welcome' },
            { id: `ring-${n}`, kind: 'ring', targets, pattern: 'together', seconds: 18, followReach: false },
            { id: `voicemail-${n}`, kind: 'voicemail', mailboxId: 'front' },
          ],
        },
      },
      {
        do: 'number.add',
        value: newNumber({
          id: `n${n}`,
          e164: `+1360555${String(100 + n).padStart(4, '0')}`,
          country: 'US',
          label: `Line ${n}`,
          kind: 'geographic',
          place: 'Olympia',
          siteId: null,
          planId: `plan-${n}`,
          monthlyCents: 400,
          currency: 'USD',
        }),
      },
    );
  }
  const empty = emptySystem(
    newBusiness({
      name: 'Big Yard',
      country: 'US',
      timeZone: 'America/Los_Angeles',
      extensionLength: 4,
    }),
  );
  const made = applyEdit(empty, { words: 'Set up', commands });
  if (!made.ok) throw new Error(made.problems[0]!.message);
  const registrations = Object.fromEntries(
    Object.keys(made.system.phones).map((id) => [id, newRegistration({ pairedAt: 0, standIn: true })]),
  );
  return wholeOf({ id: 'big', kind: 'own', createdAt: 0 }, made.system, {
    ...emptyStanding(),
    registrations,
  });
}
