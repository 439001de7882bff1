/** Who gets through while somebody is not to be disturbed, or has quiet hours. */
import type { Person } from '../../system';
import type { CallState, Run } from '../base/state';

/** A second call counts as urgent when it comes so soon after the first, in milliseconds. Common practice, no source. */
const AGAIN_MS = 3 * 60_000;

/** Keeps in mind that a number called, where somebody heeds it; and whether it did shortly before. */
export function noteCaller(run: Run, call: CallState): void {
  const { from } = call.request;
  if (from.kind !== 'outside' || from.number === null || !run.world(call).heedsAgain) return;
  const calls = (run.memory.lastCalls ??= {});
  const before = calls[from.number];
  call.again = before !== undefined && run.now - before <= AGAIN_MS;
  // What is too long ago is forgotten: the memory goes into storage with every change.
  for (const [number, at] of Object.entries(calls)) if (run.now - at > AGAIN_MS) delete calls[number];
  calls[from.number] = run.now;
}

/** Whether a caller is one of somebody's exceptions. */
export function getsThrough(run: Run, call: CallState, person: Person): boolean {
  const { exceptions } = person;
  if (!exceptions) return false;
  const { from } = call.request;
  const { system, contacts } = run.world(call);
  if (from.kind === 'phone') {
    const caller = system.phones[from.phoneId]?.personId;
    return caller != null && exceptions.personIds.includes(caller);
  }
  if (exceptions.again && call.again) return true;
  const contact = from.number ? contacts.get(from.number) : undefined;
  if (!contact) return false;
  return exceptions.contacts || contact.listIds.some((id) => exceptions.listIds.includes(id));
}
