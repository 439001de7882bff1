/** What calls out cost: the time outside numbers were talked with, at so much a minute that has begun. */
import { classOf } from '../../numbering';
import type { Rates } from '../../system';
import { lastOf, outsideNumber, type Trace } from '../base/trace';

/** Cents a minute to a number. */
export function rateOf(rates: Rates, e164: string, home: string): number {
  const { kind, country } = classOf(e164, home);
  switch (kind) {
    case 'free':
      return 0;
    case 'inland':
      return rates.inland;
    case 'premium':
      return rates.premium;
    case 'abroad':
      return rates.abroad[country ?? ''] ?? rates.elsewhere;
  }
}

export interface Metered {
  number: string;
  seconds: number;
}

/** Outside numbers that were called from here and answered, with how long each was talked with. */
export const metered = (trace: Trace): readonly Metered[] => meter(trace).over;

/** Those that are still talked with: since when, in milliseconds of the call. */
export const costingSince = (trace: Trace): ReadonlyMap<string, number> => meter(trace).since;

/** Of most calls nobody outside was called: each that is over is asked, and need not be gone through twice. */
const NOBODY: ReturnType<typeof meter> = { over: [], since: new Map() };

function meter(trace: Trace): { over: readonly Metered[]; since: ReadonlyMap<string, number> } {
  if (!lastOf(trace, 'goes out') && !lastOf(trace, 'joins')) return NOBODY;
  const called = new Set(trace.flatMap((e) => (e.kind === 'goes out' ? e.number : [])));
  const since = new Map<string, number>();
  const found: Metered[] = [];
  const over = (number: string, t: number) => {
    const from = since.get(number);
    if (from === undefined) return;
    found.push({ number, seconds: (t - from) / 1000 });
    since.delete(number);
  };
  for (const e of trace) {
    const number = 'phone' in e && typeof e.phone === 'string' ? outsideNumber(e.phone) : undefined;
    // Whoever joins from outside was called about the call, in one of its own.
    if (number && ((e.kind === 'answered' && called.has(number)) || e.kind === 'joins'))
      since.set(number, since.get(number) ?? e.t);
    else if (number && e.kind === 'leaves') over(number, e.t);
    else if (e.kind === 'ended') for (const one of [...since.keys()]) over(one, e.t);
  }
  return { over: found, since };
}

/** In cents: each minute that has begun. */
export const costOf = (trace: Trace, rates: Rates, home: string): number =>
  metered(trace).reduce(
    (sum, { number, seconds }) => sum + Math.ceil(seconds / 60) * rateOf(rates, number, home),
    0,
  );
