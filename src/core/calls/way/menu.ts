/** Menus: keys that choose a branch, extensions dialled, names spelt on the keypad. */
import { localTime } from '../../hours';
import { keypadDigits } from '../../numbering';
import type { MenuKey, MenuStep, Person, System } from '../../system';
import { reachExtension, reachPerson } from './extensions';
import { usualKeys } from '../rules/keys';
import { RANK, type CallIn, type CallState, type Run } from '../base/state';
import { stopOf } from '../base/stop';

/** What is said before a name is spelt, and before one of several is chosen, in milliseconds. */
const SPELL_MS = 4000;
const CHOOSE_MS = 3000;
/** Digits of a name after which one person found is connected at once. Common practice, no source. */
const ENOUGH_LETTERS = 3;
/** So many of those found by name are offered, one for each key. */
const MOST_OFFERED = 9;
/** So many menus are kept in mind to come back to. */
const MOST_BEFORE = 20;

type InAMenu = CallIn<'menu'>;
const stepOf = (run: Run, call: CallState): MenuStep => stopOf(run, call).step as MenuStep;

/** The call reaches a menu: it is played, and keys are waited for. */
export const menu = (run: Run, call: CallState): void => playMenu(run, call, 1);

function playMenu(run: Run, call: CallState, time: number): void {
  const step = stepOf(run, call);
  run.begin(call, 'menu', { menu: { tries: time, digits: '', mode: 'keys', found: [] } });
  run.say(call, { t: 0, kind: 'menu', stepId: step.id, recordingId: step.recordingId, time });
  const says = step.recordingId ? (run.world(call).promptMs.get(step.recordingId) ?? 0) : 0;
  wait(run, call, says + step.seconds * 1000);
  usualKeys(run, call);
}

function wait(run: Run, call: CallState, ms: number): void {
  call.until = run.now + ms;
  run.after(call, ms, 'time out', RANK.timeout);
}

/** A key is pressed in a menu. */
export function pressInMenu(run: Run, call: InAMenu, key: string): void {
  run.say(call, { t: 0, kind: 'key', key });
  const digits = call.menu.digits + key;
  call.menu = { ...call.menu, digits };
  if (call.menu.mode === 'name') return spell(run, call);
  if (call.menu.mode === 'choose') return chooseFound(run, call);
  const step = stepOf(run, call);
  const { extensions } = run.world(call);
  const longer =
    step.dialExtension &&
    [...extensions.keys()].some((e) => e.length > digits.length && e.startsWith(digits));
  if (longer) return keepListening(run, call);
  decide(run, call);
}

/** The present digits are read on their own: a branch, the key for names, an extension, or wrong. */
function decide(run: Run, call: InAMenu): void {
  const step = stepOf(run, call);
  const { digits } = call.menu;
  const branch = branchFor(run, call, digits as MenuKey);
  if (branch !== undefined) return choose(run, call, branch);
  if (digits === step.nameKey) return startSpelling(run, call);
  if (digits === step.againKey) return playMenu(run, call, 1);
  if (digits === step.backKey) return back(run, call);
  if (step.dialExtension && run.world(call).extensions.has(digits)) return dialInside(run, call, digits);
  wrong(run, call);
}

/** A branch is chosen by key: the caller can come back, and a plan that is gone to again is no circle. */
function choose(run: Run, call: InAMenu, branch: string | null): void {
  const here = { planId: call.planId!, stepId: call.stepId! };
  call.menusBefore = [...(call.menusBefore ?? []), here].slice(-MOST_BEFORE);
  call.redirects = 0;
  run.enter(call, branch);
}

/** To the menu in which the last key was chosen; from the first one, to itself. */
function back(run: Run, call: InAMenu): void {
  const before = call.menusBefore?.at(-1);
  if (!before || !run.world(call).routes.get(before.planId)?.stops.has(before.stepId))
    return playMenu(run, call, 1);
  call.menusBefore = call.menusBefore!.slice(0, -1);
  call.redirects = 0;
  if (before.planId !== call.planId) {
    call.planId = before.planId;
    run.say(call, { t: 0, kind: 'plan', planId: before.planId });
  }
  run.enter(call, before.stepId);
}

const branchFor = (run: Run, call: CallState, key: MenuKey): string | null | undefined => {
  const i = stepOf(run, call).branches.findIndex((b) => b.key === key);
  return i < 0 ? undefined : stopOf(run, call).branches[i]!;
};

function wrong(run: Run, call: InAMenu): void {
  run.say(call, { t: 0, kind: 'wrong key', keys: call.menu.digits });
  again(run, call, 'wrong');
}

/** It is played again, or has been often enough and the call goes on. */
function again(run: Run, call: InAMenu, why: 'wrong' | 'none'): void {
  if (call.menu.tries < stepOf(run, call).tries) return playMenu(run, call, call.menu.tries + 1);
  const branch = branchFor(run, call, why);
  run.enter(call, branch !== undefined ? branch : stopOf(run, call).otherwise);
}

/** No further key came in time. */
export function menuTimeOut(run: Run, call: InAMenu): void {
  const { mode, digits, found } = call.menu;
  if (mode === 'keys' && digits) return decide(run, call);
  if (mode === 'name' && found.length && digits) return offerFound(run, call);
  if (mode !== 'keys' && digits) return wrong(run, call);
  run.say(call, { t: 0, kind: 'no key' });
  again(run, call, 'none');
}

/** The keys so far may be the beginning of more. */
function keepListening(run: Run, call: InAMenu): void {
  run.begin(call, 'menu', { menu: call.menu });
  wait(run, call, run.world(call).system.business.digitSeconds * 1000);
}

function startSpelling(run: Run, call: InAMenu): void {
  run.say(call, { t: 0, kind: 'spell a name' });
  run.begin(call, 'menu', { menu: { ...call.menu, digits: '', mode: 'name', found: [] } });
  wait(run, call, SPELL_MS + stepOf(run, call).seconds * 1000);
  usualKeys(run, call);
}

function spell(run: Run, call: InAMenu): void {
  const { digits } = call.menu;
  const done = digits.endsWith('#');
  const letters = done ? digits.slice(0, -1) : digits;
  const found = foundByName(run.world(call).system, letters);
  call.menu = { ...call.menu, found: found.map((p) => p.id) };
  if (!found.length) return wrong(run, call);
  if (found.length === 1 && (done || letters.length >= ENOUGH_LETTERS))
    return connect(run, call, found[0]!.id, letters);
  if (done) return offerFound(run, call);
  keepListening(run, call);
}

/** People one of whose names begins with the letters on these keys (ITU-T E.161), by name. */
export function foundByName(system: System, digits: string): Person[] {
  if (!digits) return [];
  return Object.values(system.people)
    .filter(
      (p) =>
        p.role !== 'shared room' &&
        p.name
          .normalize('NFD')
          .replace(/\p{M}/gu, '')
          .split(/[^\p{L}\p{N}]+/u)
          .some((word) => keypadDigits(word)?.startsWith(digits)),
    )
    .sort((a, b) => a.name.localeCompare(b.name, 'en'));
}

function offerFound(run: Run, call: InAMenu): void {
  const found = call.menu.found.slice(0, MOST_OFFERED);
  if (found.length === 1) return connect(run, call, found[0]!, call.menu.digits.replace('#', ''));
  run.say(call, { t: 0, kind: 'found by name', personIds: found });
  run.begin(call, 'menu', { menu: { ...call.menu, digits: '', mode: 'choose', found } });
  wait(run, call, CHOOSE_MS + stepOf(run, call).seconds * 1000);
  usualKeys(run, call);
}

function chooseFound(run: Run, call: InAMenu): void {
  const id = call.menu.found[Number(call.menu.digits) - 1];
  if (id) connect(run, call, id, call.menu.digits);
  else wrong(run, call);
}

/** Where whoever dials somebody goes on who does not take it: as if no key had been pressed. */
function rememberMenu(run: Run, call: CallState): void {
  const none = branchFor(run, call, 'none');
  call.backTo = { planId: call.planId!, stepId: none === undefined ? stopOf(run, call).otherwise : none };
}

function connect(run: Run, call: InAMenu, personId: string, digits: string): void {
  const { people } = run.world(call).system;
  rememberMenu(run, call);
  run.say(call, { t: 0, kind: 'dialled', extension: digits, who: people[personId]?.name ?? '' });
  reachPerson(run, call, personId);
}

function dialInside(run: Run, call: InAMenu, digits: string): void {
  const { system, extensions } = run.world(call);
  const owner = extensions.get(digits)!;
  if (owner.until !== null && owner.until < localTime(system.business.timeZone, run.now).date)
    return wrong(run, call);
  run.say(call, { t: 0, kind: 'dialled', extension: digits, who: owner.who });
  rememberMenu(run, call);
  reachExtension(run, call, owner);
}
