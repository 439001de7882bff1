/** Checks of call buttons: those that lead nowhere, that nobody can read, and that say nothing when closed. */
import { readable } from '../../buttons';
import { readingOf, plansFrom } from '../../answering';
import { allSteps } from '../../system';
import type { Check, Finding } from '../finding';

export const buttons: Check = ({ system }) =>
  Object.values(system.buttons).flatMap((one): Finding[] => {
    const found: Finding[] = [];
    const add = (what: string, severity: Finding['severity'], title: string, detail: string) =>
      found.push({
        id: `button:${what}:${one.id}`,
        severity,
        place: { kind: 'call button', id: one.id },
        title,
        detail,
      });
    const number = one.numberId ? system.numbers[one.numberId] : undefined;
    if (!number)
      add(
        'number',
        'warning',
        `The button ${one.name} has no number`,
        'A visitor without scripts dials it: choose one.',
      );
    else if (!number.planId)
      add(
        'nowhere',
        'warning',
        `The button ${one.name} calls a number that leads nowhere`,
        `Give ${number.label} a plan.`,
      );
    else if (one.offers.includes('call')) {
      const answered = plansFrom(system, number.planId).some((plan) =>
        [...allSteps(plan.steps)].some(
          (s) =>
            readingOf(s).rings?.(s).length ||
            s.kind === 'queue' ||
            s.kind === 'voicemail' ||
            s.kind === 'forward',
        ),
      );
      if (!answered)
        add(
          'closed',
          'warning',
          `The button ${one.name} calls a closed number`,
          `Nobody is rung by ${number.label}, and nothing takes a message.`,
        );
    }
    if (one.offers.includes('book') && !(one.calendarId && system.calendars[one.calendarId]))
      add(
        'calendar',
        'warning',
        `The button ${one.name} books in no calendar`,
        'Choose one, or do not offer it.',
      );
    if (one.hoursId && !one.closed)
      add(
        'words',
        'hint',
        `The button ${one.name} says nothing outside its hours`,
        'Write what visitors read then.',
      );
    for (const wrong of readable(one.look).wrong)
      add('contrast', 'warning', `The button ${one.name} is hard to read`, wrong);
    return found;
  });
