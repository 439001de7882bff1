/** Checks of calendars: those that are never open, and those that nobody is offered. */
import { allSteps } from '../../system';
import type { Check, Finding } from '../finding';

export const calendars: Check = ({ system }) => {
  const offered = new Set([
    ...Object.values(system.buttons).flatMap((b) => (b.offers.includes('book') && b.calendarId) || []),
    ...Object.values(system.dialogues).flatMap((d) =>
      d.steps.flatMap((s) => (s.kind === 'book' ? (s.calendarId ?? []) : [])),
    ),
    ...Object.values(system.plans).flatMap((p) =>
      [...allSteps(p.steps)].flatMap((s) =>
        s.kind === 'ask' ? s.questions.flatMap((q) => (q.by === 'free times' && q.calendarId) || []) : [],
      ),
    ),
  ]);
  return [
    ...Object.values(system.calendars).flatMap((one): Finding[] => {
      const place = { kind: 'calendar', id: one.id } as const;
      const hours = one.hoursId ? system.hours[one.hoursId] : undefined;
      const least = Math.max(0, ...(hours?.weekly ?? []).map((p) => p.to - p.from));
      if (!hours || !hours.weekly.length)
        return [
          {
            id: `calendar:hours:${one.id}`,
            severity: 'warning',
            place,
            title: `${one.name} has no hours`,
            detail: 'Nobody can be offered a time: choose when it is open.',
          },
        ];
      if (least < one.minutes)
        return [
          {
            id: `calendar:short:${one.id}`,
            severity: 'warning',
            place,
            title: `Nothing fits into the hours of ${one.name}`,
            detail: `An appointment takes ${one.minutes} minutes, and no period of ${hours.name} is as long.`,
          },
        ];
      return offered.has(one.id)
        ? []
        : [
            {
              id: `calendar:idle:${one.id}`,
              severity: 'hint',
              place,
              title: `Nobody is offered the times of ${one.name}`,
              detail: 'Only you can book in it: let a dialogue by text or an Ask step offer them.',
            },
          ];
    }),
    ...Object.values(system.dialogues).flatMap((d): Finding[] =>
      d.steps.some((s) => s.kind === 'book' && !s.calendarId)
        ? [
            {
              id: `dialogue:calendar:${d.id}`,
              severity: 'warning',
              place: { kind: 'dialogue', id: d.id },
              title: `${d.name} offers times of no calendar`,
              detail: 'Choose which: until then a person has to go on.',
            },
          ]
        : [],
    ),
  ];
};
