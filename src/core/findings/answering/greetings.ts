/** Greetings for occasions that never come. */
import { greetingWhenInWords } from '../../answering';
import { kindsOf } from '../../hours';
import type { Greeting, Mailbox, System } from '../../system';
import type { Check, Finding } from '../finding';
import { everyStep } from '../steps';

export const greetings: Check = ({ system, today }) =>
  Object.values(system.mailboxes).flatMap((mailbox) =>
    (mailbox.greetings ?? []).flatMap((greeting): Finding[] => {
      const why = whyNever(greeting, mailbox, system, today);
      if (!why) return [];
      const others = mailbox.greetings!.filter((g) => g !== greeting);
      const when = greetingWhenInWords(greeting.when, system);
      return [
        {
          id: `never-greets:${mailbox.id}:${greeting.id}`,
          severity: 'hint',
          place: { kind: 'mailbox', id: mailbox.id },
          title: `The greeting of ${mailbox.name} ${when} never plays`,
          detail: why,
          fix: {
            label: 'Remove that greeting',
            edit: {
              words: `${mailbox.name} has no greeting of its own ${when}`,
              commands: [{ do: 'mailbox.set', id: mailbox.id, change: { greetings: others } }],
            },
          },
        },
      ];
    }),
  );

/** Why a greeting can never play, in a sentence, or undefined where it can. */
function whyNever(greeting: Greeting, mailbox: Mailbox, system: System, today: string): string | undefined {
  const { when } = greeting;
  const alike = JSON.stringify(when);
  const first = mailbox.greetings!.find((g) => JSON.stringify(g.when) === alike && g.recordingId !== null);
  if (first && first !== greeting && greeting.recordingId)
    return 'Another one plays then, which is first in the list.';
  switch (when.on) {
    case 'dates':
      return when.to < today ? 'Its days are over.' : undefined;
    case 'list':
      return Object.values(system.contacts).some((c) => c.listIds.includes(when.listId) && c.numbers.length)
        ? undefined
        : 'Nobody with a number is on that list.';
    case 'away':
      return mailbox.ownerIds.length
        ? undefined
        : 'Nobody in particular hears this mailbox, so nobody is away.';
    case 'period':
      return asked(system).some((hours) => kindsOf(hours).includes(when.period))
        ? undefined
        : 'No hours that a plan asks have such a period.';
    case 'occasion': {
      const said = everyStep(system, 'voicemail').some(({ step }) => step.occasion === when.occasion);
      if (said || when.occasion === 'busy' || when.occasion === 'not answered') return undefined;
      if (!asked(system).length) return 'No plan asks any hours.';
      const isOff = asked(system).some((hours) => (hours.exceptions ?? []).some((e) => e.holiday));
      return when.occasion === 'closed' || isOff ? undefined : 'No hours that a plan asks have holidays.';
    }
  }
}

/** The hours that plans ask. */
const asked = (system: System) =>
  everyStep(system, 'hours').flatMap(({ step }) => (step.hoursId ? (system.hours[step.hoursId] ?? []) : []));
