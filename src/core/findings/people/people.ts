/** Checks of people, phones and mailboxes: can everybody be rung, invited and heard? */
import { NEW_CALLER, nobodyAnswers, outcomeOf, rehearse, worldOf } from '../../calls';
import { readingOf } from '../../answering';
import { dateInWords, momentOf } from '../../hours';
import {
  allSteps,
  asPaired,
  flatTargets,
  newMailbox,
  newPhone,
  PHONE_NAMES,
  type Edit,
  type MenuStep,
  type Plan,
} from '../../system';
import type { Check, Finding } from '../finding';
import { everyStep } from '../steps';

const browserPhone = (name: string, personId: string, id: string): Edit => ({
  words: `Give ${name} a browser softphone`,
  commands: [
    { do: 'phone.add', value: newPhone({ id, name: PHONE_NAMES.browser, kind: 'browser', personId }) },
  ],
});

export const people: Check = ({ system, cameBack, today, freshId }) =>
  Object.values(system.people).flatMap((person): Finding[] => {
    const place = { kind: 'person' as const, id: person.id };
    const found: Finding[] = [];
    const { email, name } = person;
    if (!worldOf(system).phonesOf.has(person.id))
      found.push({
        id: `no-phone:${person.id}`,
        severity: 'warning',
        place,
        title: `${name} has no phone`,
        detail: 'Ringing them skips straight to what comes next.',
        fix: {
          label: 'Give them a browser softphone',
          edit: browserPhone(name, person.id, freshId('phone')),
        },
      });
    const correct = {
      label: `E-mail of ${name}`,
      value: email,
      personId: person.id,
      words: `Change the e-mail of ${name}`,
    };
    if (!email && person.role !== 'shared room')
      found.push({
        id: `no-email:${person.id}`,
        severity: 'warning',
        place,
        title: `${name} has no e-mail address`,
        detail: 'The invitation and voicemail have nowhere to go.',
        correct,
      });
    const back = email ? cameBack?.[email] : undefined;
    if (back)
      found.push({
        id: `came-back:${person.id}`,
        severity: 'warning',
        place,
        title: `The mail to ${name} came back`,
        detail: back,
        correct,
      });
    for (const f of person.further)
      if (f.until !== null && f.until < today)
        found.push({
          id: `ran-out:${person.id}:${f.extension}`,
          severity: 'hint',
          place,
          title: `Extension ${f.extension} no longer leads to ${name}`,
          detail: `It was theirs until ${dateInWords(f.until)}. Whoever dials it hears that it is not in service.`,
          fix: {
            label: 'Free it',
            edit: {
              words: `Free extension ${f.extension}`,
              commands: [
                {
                  do: 'person.set',
                  id: person.id,
                  change: { further: person.further.filter((o) => o !== f) },
                },
              ],
            },
          },
        });
    return found;
  });

/** Somebody rung by plans or groups while they are away, with nobody in their place. */
export const awayUnreplaced: Check = ({ system, today }) => {
  const rung = new Set(
    Object.values(system.plans).flatMap((plan) =>
      [...allSteps(plan.steps)].flatMap((s) =>
        flatTargets(readingOf(s).rings?.(s) ?? [], system).flatMap((t) => (t.kind === 'person' ? t.id : [])),
      ),
    ),
  );
  return Object.values(system.people).flatMap(({ id, name, away }): Finding[] => {
    const span = rung.has(id) ? away.find((a) => a.to >= today && a.standInId === null) : undefined;
    return span
      ? [
          {
            id: `no-stand-in:${id}:${span.from}`,
            severity: 'hint',
            place: { kind: 'person', id },
            title: `Nobody stands in for ${name}`,
            detail: `Plans ring them, and they are away from ${dateInWords(span.from)} to ${dateInWords(span.to)}.`,
          },
        ]
      : [];
  });
};

/** People without a mailbox whom callers can dial in a menu: whoever dials them when they do not answer is cut off. */
export const cutOffWhenDialled: Check = ({ system, standing, today, now, freshId }) => {
  // Where the plan goes on behind the menu, so does the call.
  const ends = ({ plan, step }: { plan: Plan; step: MenuStep }) => {
    const stop = worldOf(system).routes.get(plan.id)!.stops.get(step.id)!;
    const none = step.branches.findIndex((b) => b.key === 'none');
    return (
      (step.dialExtension || step.nameKey !== null) && !(none < 0 ? stop.otherwise : stop.branches[none])
    );
  };
  if (!everyStep(system, 'menu').some(ends)) return [];
  const paired = asPaired(standing);
  const at = now ?? momentOf(system.business.timeZone, today, 720);
  return Object.values(system.people).flatMap((person): Finding[] => {
    if (person.mailboxId !== null) return [];
    const trace = rehearse(system, paired, {
      id: 'dialled',
      at,
      from: { kind: 'outside', number: NEW_CALLER },
      to: { kind: 'digits', digits: person.extension },
      behaviour: nobodyAnswers(),
    });
    if (outcomeOf(trace)?.outcome.kind !== 'nobody answered') return [];
    const mailboxId = freshId('mailbox');
    return [
      {
        id: `cut-off:${person.id}`,
        severity: 'warning',
        place: { kind: 'person', id: person.id },
        title: `Callers who dial ${person.extension} are cut off when ${person.name} does not answer`,
        detail: 'They have no mailbox, and their calls go nowhere else.',
        fix: {
          label: 'Give them a mailbox',
          edit: {
            words: `Give ${person.name} a mailbox`,
            commands: [
              {
                do: 'mailbox.add',
                value: newMailbox({ id: mailboxId, name: person.name, ownerIds: [person.id] }),
              },
              { do: 'person.set', id: person.id, change: { mailboxId } },
            ],
          },
        },
      },
    ];
  });
};

/** Groups that ring nobody. */
export const groups: Check = ({ system }) =>
  Object.values(system.groups).flatMap((group): Finding[] =>
    flatTargets(group.members, system).length
      ? []
      : [
          {
            id: `empty-group:${group.id}`,
            severity: 'warning',
            place: { kind: 'group', id: group.id },
            title: `Group ${group.name} has no members`,
            detail: 'Ringing it skips straight to what comes next.',
          },
        ],
  );

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
