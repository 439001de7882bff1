/** What a follow-up would do for an invented happening, where there is none yet to try it on. */
import { NO_COURSE, type Row } from '../story';
import type { FollowUp, System } from '../system';
import { errandsOf, type Errand } from './errands';

/** @param now when it is supposed to have happened, epoch milliseconds @returns null where there is no number it could be about */
export function exampleOf(followUp: FollowUp, system: System, now: number): Errand[] | null {
  const named = followUp.if.flatMap((c) => (c.is === 'number' ? c.numberIds : []))[0];
  const line = (named && system.numbers[named]) || Object.values(system.numbers)[0];
  const contact = Object.values(system.contacts).find((c) => !c.blocked && c.numbers.length);
  if (!line) return null;
  const { when } = followUp;
  if (when.is === 'number moved')
    return errandsOf(followUp, { is: 'number moved', numberId: line.id, at: now }, system);
  const personId = Object.keys(system.people)[0];
  if (when.is === 'not paired')
    return personId
      ? errandsOf(followUp, { is: 'not paired', personId, days: when.days, at: now }, system)
      : null;
  const row: Row = {
    id: 'example',
    kind: when.is === 'text' ? 'text' : 'call',
    at: now,
    left: when.is === 'message',
    noted: false,
    recorded: when.is === 'recorded',
    facts: {
      way: 'in',
      other: contact?.numbers[0] ?? null,
      numberId: line.id,
      ours: when.is === 'text' ? line.e164 : null,
      rungIds: [],
      withIds: personId ? [personId] : [],
      phones: [],
      queueIds: [],
      groupIds: [],
      mailboxId: null,
      missed: when.is === 'missed',
      talked: when.is === 'talked',
      unwanted: false,
      times: null,
      outcome: null,
      course: when.is === 'asked' ? { ...NO_COURSE, noted: [[when.label || 'Name', 'Ada Ferris']] } : null,
      text: '',
    },
  };
  return errandsOf(followUp, { is: 'dealt with', row }, system);
}
