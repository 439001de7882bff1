/** What Lantern Cove promises its callers. */
import { type Command, type Expectation, type PromiseTime } from '../src/core/system';
import { WEEKDAYS } from './hours';

const promise = (
  id: string,
  name: string,
  plan: string,
  when: PromiseTime,
  expects: Expectation[],
  keys: string[] = [],
): Command => ({
  do: 'promise.add',
  value: {
    id,
    name,
    numberId: `n-${plan}`,
    caller: null,
    behaviour: {
      people: {},
      phones: {},
      otherwise: { does: 'nothing' },
      caller: {
        hangsUpAfter: null,
        talks: 60,
        message: 12,
        ...(keys.length ? { keys: keys.map((press) => ({ after: 2, press })) } : {}),
      },
    },
    when,
    expects,
  },
});
const during = (hoursId: string, period: string | null): PromiseTime => ({ on: 'hours', hoursId, period });
const ALWAYS: PromiseTime = { on: 'always' };
export const PROMISES = [
  promise('p-night', 'A boat adrift always rings somebody', 'night-watch', ALWAYS, [
    { is: 'rings', personIds: [], within: 10 },
  ]),
  promise('p-main', 'The main line never leaves anybody alone', 'main', ALWAYS, [{ is: 'ends well' }]),
  promise('p-office', 'The office rings at once', 'main', during('office', 'Open'), [
    { is: 'rings', personIds: ['rosa', 'idris', 'ines'], within: 10 },
  ]),
  promise('p-saturday', 'Saturdays ring the charter desk', 'main', during('office', 'Saturday'), [
    { is: 'rings', personIds: ['pia', 'callum'], within: 5 },
  ]),
  promise('p-closed', 'Who calls at night hears of the night watch', 'main', during('office', null), [
    { is: 'hears', recordingId: 'closed' },
  ]),
  promise('p-lunch', 'At lunch somebody can still be reached', 'main', during('office', 'Lunch'), [
    { is: 'rings', personIds: ['rosa', 'idris', 'ines'], within: 90 },
  ]),
  promise(
    'p-rosa',
    'Rosa is rung on weekday mornings',
    'rosa-direct',
    { on: 'week', days: WEEKDAYS, from: 540, to: 720 },
    [{ is: 'rings', personIds: ['rosa'], within: 5 }],
  ),
  promise('p-store', 'The store never loses a message', 'winter-store', ALWAYS, [
    { is: 'voicemail', mailboxId: 'store', within: 25 },
  ]),
];
