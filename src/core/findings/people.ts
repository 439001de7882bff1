/** Checks of people, phones and mailboxes: can everybody be rung, invited and heard? */
import { worldOf } from '../calls';
import { isLinked, isProved, newPhone } from '../system';
import type { Check, Finding } from './finding';

export const people: Check = ({ system, standing, freshId }) =>
  Object.values(system.people).flatMap((person): Finding[] => {
    const place = { kind: 'person' as const, id: person.id };
    const phones = worldOf(system).phonesOf.get(person.id) ?? [];
    const found: Finding[] = [];
    if (!phones.length)
      found.push({
        id: `no-phone:${person.id}`,
        severity: 'warning',
        place,
        title: `${person.name} has no phone`,
        detail: 'Ringing them skips straight to what comes next.',
        fix: {
          label: 'Give them a browser softphone',
          edit: {
            words: `Give ${person.name} a browser softphone`,
            commands: [
              {
                do: 'phone.add',
                value: newPhone({
                  id: freshId('phone'),
                  name: 'Browser softphone',
                  kind: 'browser',
                  personId: person.id,
                }),
              },
            ],
          },
        },
      });
    if (!person.email)
      found.push({
        id: `no-email:${person.id}`,
        severity: 'warning',
        place,
        title: `${person.name} has no e-mail address`,
        detail: 'The invitation and voicemail have nowhere to go.',
      });
    for (const phone of phones) {
      const linked = isLinked(phone);
      if (linked && !isProved(standing, phone))
        found.push({
          id: `not-proved:${phone.id}`,
          severity: 'warning',
          place,
          title: `${person.name}: ${phone.name.toLowerCase()} is not proved`,
          detail: 'No call is sent to it before its owner gives back the code that is sent there.',
        });
      const registration = standing.registrations[phone.id];
      if (!linked && !registration)
        found.push({
          id: `not-paired:${phone.id}`,
          severity: 'warning',
          place: { kind: 'phone', id: phone.id },
          title: `${person.name}: ${phone.name.toLowerCase()} is not paired`,
          detail: 'It cannot ring until they enter the code from their invitation.',
        });
      if (registration?.outside && !phone.outsideOffice)
        found.push({
          id: `barred:${phone.id}`,
          severity: 'warning',
          place: { kind: 'phone', id: phone.id },
          title: `${person.name}: ${phone.name.toLowerCase()} is used outside, where it may not ring`,
          detail: 'It is signed on from outside every office network.',
          fix: {
            label: 'Allow it outside',
            edit: {
              words: `Allow ${person.name} to use ${phone.name.toLowerCase()} outside the office`,
              commands: [{ do: 'phone.set', id: phone.id, change: { outsideOffice: true } }],
            },
          },
        });
    }
    return found;
  });

export const mailboxes: Check = ({ system }) =>
  Object.values(system.mailboxes).flatMap((mailbox): Finding[] => {
    const place = { kind: 'mailbox' as const, id: mailbox.id };
    const heard = mailbox.ownerIds.length > 0 || mailbox.mailTo.length > 0;
    const found: Finding[] = [];
    if (!heard)
      found.push({
        id: `unheard:${mailbox.id}`,
        severity: 'warning',
        place,
        title: `Nobody hears mailbox ${mailbox.name}`,
        detail: 'Messages left there reach no person and no e-mail address.',
      });
    if (!mailbox.greetingId)
      found.push({
        id: `no-greeting:${mailbox.id}`,
        severity: 'hint',
        place,
        title: `Mailbox ${mailbox.name} has no greeting of its own`,
        detail: 'Callers hear the plain greeting, which does not say your name.',
      });
    return found;
  });
