/** A rehearsal that becomes a promise. */
import { outcomeOf, type Behaviour, type Trace } from '../calls';
import type { Expectation, NumberHeld, Promised, PromiseTime } from '../system';

/**
 * What came of a call stays so, whenever a call meets the same hours.
 * @returns the promise without its id
 */
export const promiseOf = (
  number: NumberHeld,
  caller: string | null,
  behaviour: Behaviour,
  trace: Trace,
): Omit<Promised, 'id'> => ({
  name: `${number.label}, as rehearsed`,
  numberId: number.id,
  caller,
  behaviour,
  when: timeOf(trace),
  expects: expectationsOf(trace),
});

/** The period of the hours that the call asked last, or always where it asked none. */
function timeOf(trace: Trace): PromiseTime {
  const asked = trace.findLast((e) => e.kind === 'hours' && e.hoursId !== null);
  return asked?.kind === 'hours'
    ? { on: 'hours', hoursId: asked.hoursId!, period: asked.period }
    : { on: 'always' };
}

/** What matters of a call, as it went. */
function expectationsOf(trace: Trace): Expectation[] {
  const outcome = outcomeOf(trace)?.outcome;
  const answered = trace.find((e) => e.kind === 'answered');
  if (outcome?.kind === 'answered' && answered?.kind === 'answered')
    return [
      {
        is: 'answered',
        personIds: answered.personId ? [answered.personId] : [],
        within: Math.ceil(answered.t / 1000),
      },
    ];
  const greeting = trace.find((e) => e.kind === 'greeting started');
  if (greeting?.kind === 'greeting started')
    return [{ is: 'voicemail', mailboxId: greeting.mailboxId, within: Math.ceil(greeting.t / 1000) }];
  return [{ is: 'ends well' }];
}
