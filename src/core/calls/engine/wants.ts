/**
 * Ring when free (RFC 5359 §2.17, automatic redial): whoever found a colleague busy or absent is rung as soon as both are
 * free, and on lifting calls them. It waits for an hour, and one may withdraw it.
 */
import { NEW_CALLER } from '../base/request';
import { newCall, type CallState, type Run, type Want } from '../base/state';
import { whyNot } from '../people/eligible';

/** An engine with its calls. */
type Going = Run & { readonly calls: ReadonlyMap<string, CallState> };

/** So long somebody waits for another to be free, in milliseconds. */
export const WANTED_MS = 3_600_000;
/** Do not disturb ends and hours begin by themselves: it is looked again after so long, in milliseconds. No source. */
export const LOOK_MS = 20_000;

/** @returns whether it is new, and is to be looked at from time to time */
export function want(run: Run, want: Omit<Want, 'until' | 'callId' | 'tries'>): boolean {
  const wants = (run.memory.wants ??= []);
  const { phone, personId } = want;
  if (wants.some((w) => w.id === want.id || (w.phone === phone && w.personId === personId))) return false;
  wants.push({ ...want, until: run.now + WANTED_MS, callId: null, tries: 0 });
  return true;
}

/** It is wanted no longer, by whoever asked for it. */
export function withdraw(run: Run, id: string, phone: string): void {
  if (run.memory.wants) run.memory.wants = run.memory.wants.filter((w) => w.id !== id || w.phone !== phone);
}

/** Places the calls of those who waited for somebody, where both are free now; drops what has waited too long. */
export function lookAtWants(run: Going): void {
  const { wants } = run.memory;
  if (!wants?.length) return;
  run.memory.wants = wants.filter((w) => w.callId !== null || run.now < w.until);
  for (const w of run.memory.wants) {
    if (w.callId !== null || !areFree(run, w)) continue;
    w.tries++;
    w.callId = `${w.id}-${w.tries}`;
    run.place({
      id: w.callId,
      at: run.now,
      from: { kind: 'phone', phoneId: w.phone },
      to: { kind: 'target', target: { to: 'person', personId: w.personId } },
      behaviour: null,
      ringsFirst: true,
    });
  }
}

/** The phone of whoever asks would ring, one of the other's would, and neither of them talks or is rung. */
function areFree(run: Going, { phone, personId }: Want): boolean {
  const probe = newCall(
    {
      id: 'when-free',
      at: run.now,
      from: { kind: 'outside', number: NEW_CALLER },
      to: { kind: 'digits', digits: '' },
      behaviour: null,
    },
    run.newest,
    run.now,
  );
  const { system, phonesOf } = run.world(probe);
  const own = system.phones[phone];
  if (!own || !system.people[personId]) return false;
  const theirs = phonesOf.get(personId) ?? [];
  const mine = own.personId ? (phonesOf.get(own.personId) ?? [own]) : [own];
  const calling = new Set(
    [...run.calls.values()].flatMap(({ phase, from }) =>
      phase !== 'over' && from.kind === 'phone' ? from.phoneId : [],
    ),
  );
  if ([...theirs, ...mine].some(({ id }) => run.onCall.has(id) || run.ringing.has(id) || calling.has(id)))
    return false;
  return (
    whyNot(run, probe, own, own.personId) === null &&
    theirs.some((p) => whyNot(run, probe, p, personId) === null)
  );
}

/**
 * A call placed for somebody who waited is over: where the other was busy again it waits on, otherwise it has come to what it
 * could: answered, not lifted, or rung for nothing.
 */
export function wantOver(run: Run, call: CallState): void {
  const w = run.memory.wants?.find((one) => one.callId === call.request.id);
  if (!w) return;
  const lifted = call.trace.some(
    (e) => e.kind === 'answered' || (e.kind === 'leg ended' && e.how === 'answered'),
  );
  const rang = call.trace.some((e) => e.kind === 'leg sounding' && e.phone !== w.phone);
  if (lifted && !rang && run.now < w.until) w.callId = null;
  else withdraw(run, w.id, w.phone);
}
