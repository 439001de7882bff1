/** What callers asked that none of the own answers fits. */
import type { Trace } from '../base/trace';

/** @returns what was asked, in the order of the call */
export const askedInVain = (trace: Trace): string[] =>
  trace.flatMap((e, i) => {
    const next = trace[i + 1];
    return e.kind === 'noted' && e.text && next?.kind === 'told' && next.unknown ? [e.text] : [];
  });
