/** When somebody is rung, and when voicemail begins. */
import type { Trace } from '../../calls';

/** The second at which a call first sounds on a phone of somebody, or null where it never does. */
export function secondsUntilRung(trace: Trace, personId: string): number | null {
  const first = trace.find((e) => e.kind === 'leg sounding' && e.personId === personId);
  return first ? first.t / 1000 : null;
}

/** The second at which voicemail begins, or null where a call comes to none. */
export function secondsUntilVoicemail(trace: Trace): number | null {
  const greeting = trace.find((e) => e.kind === 'greeting started');
  return greeting ? greeting.t / 1000 : null;
}
