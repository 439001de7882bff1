/** What happens to a call to somebody's extension if nobody does anything. */
import { nobodyAnswers, rehearseAsNow, type Trace } from '../calls';
import type { Person, Standing, System } from '../system';

const MINUTE_MS = 60_000;

/** @param standing as phones stand now, or `asPaired` @param now epoch milliseconds; it is worked out for the whole minute */
export const ifCalled = (person: Person, system: System, standing: Standing, now: number): Trace =>
  rehearseAsNow(system, standing, {
    id: 'if-called',
    at: Math.floor(now / MINUTE_MS) * MINUTE_MS,
    from: { kind: 'outside', number: null },
    to: { kind: 'digits', digits: person.extension },
    behaviour: nobodyAnswers(),
  });
