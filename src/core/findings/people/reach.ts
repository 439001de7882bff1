/** Checks of how people are reached by their own settings, and of calls nobody wants. */
import { targetInWords } from '../../people';
import { alwaysAt, isOn } from '../../system';
import type { Check, Finding } from '../finding';

/** A switch without an end that has been on so long was probably forgotten, in milliseconds. Common practice, no source. */
const FORGOTTEN_MS = 3 * 86_400_000;

/** Do not disturb, and everything sent on, for days on end. */
export const forgotten: Check = ({ system, standing, now = 0 }) =>
  Object.values(system.people).flatMap((person): Finding[] => {
    const place = { kind: 'person' as const, id: person.id };
    const found: Finding[] = [];
    const dnd = standing.dnd[person.id];
    const days = (at: number) => Math.floor((now - at) / 86_400_000);
    if (dnd && dnd.until == null && isOn(dnd, now) && now - dnd.at >= FORGOTTEN_MS)
      found.push({
        id: `forgotten-dnd:${person.id}`,
        severity: 'hint',
        place,
        title: `${person.name} has not wanted to be disturbed for ${days(dnd.at)} days`,
        detail: `Set by ${dnd.by}, without an end. None of their phones rings.`,
      });
    const always = standing.own?.people[person.id]?.always;
    if (
      always &&
      alwaysAt(person.reach, now) &&
      person.reach.alwaysUntil == null &&
      now - always.at >= FORGOTTEN_MS
    )
      found.push({
        id: `forgotten-forward:${person.id}`,
        severity: 'hint',
        place,
        title: `${person.name} has sent all calls on for ${days(always.at)} days`,
        detail: `To ${targetInWords(always.value!, system)}, set by ${always.by}.`,
      });
    return found;
  });

/** Calls nobody wants are to go to a mailbox that is not there. */
export const unwantedNowhere: Check = ({ system }) => {
  const { unwanted } = system.business;
  if (!unwanted || (unwanted.blocked !== 'mailbox' && unwanted.suspected !== 'mailbox')) return [];
  if (unwanted.mailboxId && system.mailboxes[unwanted.mailboxId]) return [];
  return [
    {
      id: 'unwanted-nowhere',
      severity: 'warning',
      place: { kind: 'dialling' },
      title: 'Calls nobody wants have no mailbox',
      detail: 'They are refused until one is chosen, under Answering, Callers.',
    },
  ];
};
