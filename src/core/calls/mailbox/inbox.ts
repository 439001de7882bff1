/** Listening to a mailbox by keypad: a spoken menu of the system itself, from one of its phones or from outside. */
import { spokenSeconds } from '../../answering';
import { localTime, writeTime } from '../../hours';
import { pinFits, type Held } from '../../messages';
import { usualKeys } from '../rules/keys';
import { mailboxName } from '../base/names';
import { RANK, type CallIn, type CallState, type DialIn, type Run } from '../base/state';
import { shownBy } from '../base/shown';
import { hasArrived } from '../../system';

/** So long a key is waited for after what was said, in milliseconds. Common practice, no source. */
const KEY_MS = 5000;
/** Digits that belong together come no further apart than this, in milliseconds. Common practice, no source. */
const DIGITS_MS = 4000;
/** A menu is said so often; then the call ends. */
const MOST_TIMES = 3;
/** So many wrong PINs end a call, and so many in a row lock the mailbox for a while. Common practice, no source. */
const MOST_WRONG = 3;
const LOCKED_AFTER = 9;
const LOCKED_MS = 30 * 60_000;

type Listening = CallIn<'inbox'>;

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'] as const;

/** Somebody calls to listen. @param mailboxId null where it is to be asked whose */
export function dialIn(run: Run, call: CallState, mailboxId: string | null): void {
  const listening = run.begin(call, 'inbox', {
    dialIn: { mailboxId, stage: 'pin', open: false, digits: '', times: 0, wrong: 0, list: [], index: 0 },
  });
  if (mailboxId === null) return askExtension(run, listening);
  askPin(run, listening, '');
}

const set = (call: Listening, change: Partial<DialIn>): DialIn =>
  (call.dialIn = { ...call.dialIn, ...change });

/** Says something and waits for keys, which may be pressed meanwhile. */
function says(run: Run, call: Listening, words: string, wait = KEY_MS): void {
  run.begin(call, 'inbox', { dialIn: call.dialIn });
  run.say(call, { t: 0, kind: 'says', words });
  const ms = spokenSeconds(words) * 1000 + wait;
  call.until = run.now + ms;
  run.after(call, ms, 'time out', RANK.timeout);
  usualKeys(run, call);
}

/** Says something to its end, and the call is over. */
function farewell(run: Run, call: Listening, words: string): void {
  set(call, { stage: 'goodbye' });
  says(run, call, words, 0);
}

/** The call is over; without the right PIN nobody listened to anything. */
export function finish(run: Run, call: Listening, by: 'caller' | 'called' | 'system'): void {
  const { open, mailboxId } = call.dialIn;
  run.end(call, by, { kind: 'listened', mailboxId: open ? mailboxId : null });
}

function askExtension(run: Run, call: Listening): void {
  set(call, { stage: 'extension', digits: '' });
  says(run, call, 'Enter the extension of the mailbox, then the square key.', 10_000);
}

function askPin(run: Run, call: Listening, before: string): void {
  const { mailboxId } = set(call, { stage: 'pin', digits: '' });
  if (!run.standing.pins?.[mailboxId!])
    return farewell(run, call, 'This mailbox has no PIN yet. Set one on the page of the mailbox first.');
  if (isLocked(run, mailboxId!))
    return farewell(
      run,
      call,
      'This mailbox is locked, for its PIN was wrong too often. Try again in half an hour.',
    );
  says(
    run,
    call,
    `${before}Enter the PIN of ${mailboxName(run.world(call).system, mailboxId!)}, then the square key.`.trim(),
    10_000,
  );
}

function isLocked(run: Run, mailboxId: string): boolean {
  const wrong = run.memory.wrongPins?.[mailboxId];
  return wrong !== undefined && wrong.times >= LOCKED_AFTER && run.now - wrong.at < LOCKED_MS;
}

/** A key pressed while listening. */
export function keyInInbox(run: Run, call: Listening, key: string): void {
  const { stage } = call.dialIn;
  // A PIN is written down nowhere: the trace is kept in the log.
  if (stage === 'goodbye') return;
  if (stage === 'extension' || stage === 'pin') return digit(run, call, key);
  run.say(call, { t: 0, kind: 'key', key });
  if (key === '*') return finish(run, call, 'caller');
  if (stage === 'menu') return choose(run, call, key);
  if (key === '0') return menu(run, call);
  doWithMessage(run, call, key);
}

function digit(run: Run, call: Listening, key: string): void {
  if (key === '*') return finish(run, call, 'caller');
  if (key === '#') return enough(run, call);
  set(call, { digits: call.dialIn.digits + key });
  run.begin(call, 'inbox', { dialIn: call.dialIn });
  call.until = run.now + DIGITS_MS;
  run.after(call, DIGITS_MS, 'time out', RANK.timeout);
}

/** The digits entered are whole. */
function enough(run: Run, call: Listening): void {
  const { stage, digits, mailboxId } = call.dialIn;
  if (stage === 'extension') {
    const { system, extensions } = run.world(call);
    const owner = extensions.get(digits);
    const found =
      owner?.kind === 'mailbox'
        ? owner.id
        : owner?.kind === 'person'
          ? (system.people[owner.id]?.mailboxId ?? null)
          : null;
    if (found && system.mailboxes[found]) {
      set(call, { mailboxId: found });
      return askPin(run, call, '');
    }
    return wrongly(run, call, () => askExtension(run, call));
  }
  const pin = run.standing.pins?.[mailboxId!]?.value;
  const right = pin !== undefined && pinFits(pin, digits);
  run.say(call, { t: 0, kind: 'pin', right });
  if (!right) {
    const known = run.memory.wrongPins?.[mailboxId!];
    // What was wrong long ago counts no more: one slip after a lock is not another lock.
    const times = known && run.now - known.at < LOCKED_MS ? known.times : 0;
    (run.memory.wrongPins ??= {})[mailboxId!] = { times: times + 1, at: run.now };
    return wrongly(run, call, () => askPin(run, call, 'That is not it. '));
  }
  delete run.memory.wrongPins?.[mailboxId!];
  set(call, { times: 0, open: true });
  menu(run, call);
}

function wrongly(run: Run, call: Listening, again: () => void): void {
  const { wrong } = set(call, { wrong: call.dialIn.wrong + 1, digits: '' });
  if (wrong >= MOST_WRONG) return farewell(run, call, 'That was wrong three times. Goodbye.');
  again();
}

/** What lies in the mailbox: as it is held, and as this call has marked it since. */
function heldNow(run: Run, call: Listening): Held[] {
  const marks = new Map(
    call.trace.flatMap((e) => (e.kind === 'marked' ? [[e.messageId, e.as] as const] : [])),
  );
  return run
    .held(call.dialIn.mailboxId!)
    .filter((m) => marks.get(m.id) !== 'binned')
    .map((m) => (marks.has(m.id) ? { ...m, heard: true } : m));
}

const many = (n: number, what: string): string => `${n || 'no'} ${what} ${n === 1 ? 'message' : 'messages'}`;

function menu(run: Run, call: Listening): void {
  const held = heldNow(run, call);
  const fresh = held.filter((m) => !m.heard).length;
  const old = held.length - fresh;
  set(call, { stage: 'menu', digits: '' });
  says(
    run,
    call,
    [
      `You have ${many(fresh, 'new')} and ${many(old, 'heard')}.`,
      fresh ? 'For the new ones press 1.' : '',
      old ? 'For those you have heard press 2.' : '',
      'To end press star.',
    ]
      .filter(Boolean)
      .join(' '),
  );
}

function choose(run: Run, call: Listening, key: string): void {
  const held = heldNow(run, call);
  const list = key === '1' ? held.filter((m) => !m.heard) : key === '2' ? held.filter((m) => m.heard) : [];
  if (!list.length) return menuAgain(run, call);
  set(call, { list, index: 0, times: 0 });
  play(run, call);
}

/** The present message: who left it when, and then itself. */
function play(run: Run, call: Listening): void {
  const { list, index } = set(call, { stage: 'message', digits: '' });
  const message = list[index];
  if (!message) return menu(run, call);
  const local = localTime(run.world(call).system.business.timeZone, message.at);
  const words = `Message ${index + 1} of ${list.length}, from ${message.from}, ${DAYS[local.day - 1]} ${writeTime(local.minute)}.`;
  run.begin(call, 'inbox', { dialIn: call.dialIn });
  run.say(call, { t: 0, kind: 'says', words });
  run.say(call, { t: 0, kind: 'plays', messageId: message.id, afterMs: spokenSeconds(words) * 1000 });
  const ms = (spokenSeconds(words) + message.seconds) * 1000;
  call.until = run.now + ms;
  run.after(call, ms, 'time out', RANK.timeout);
  usualKeys(run, call);
}

function after(run: Run, call: Listening): void {
  set(call, { stage: 'after' });
  says(
    run,
    call,
    'To hear it again press 1. To keep it press 2. To put it in the bin press 3. To call back press 4. For what came first press 0.',
  );
}

function doWithMessage(run: Run, call: Listening, key: string): void {
  const { list, index } = call.dialIn;
  const message = list[index]!;
  const next = (): void => {
    set(call, { index: index + 1, times: 0 });
    play(run, call);
  };
  if (key === '1') return play(run, call);
  if (key === '2' || key === '#') {
    run.say(call, { t: 0, kind: 'marked', messageId: message.id, as: 'heard' });
    return next();
  }
  if (key === '3') {
    run.say(call, { t: 0, kind: 'marked', messageId: message.id, as: 'binned' });
    return next();
  }
  if (key === '4') return callBack(run, call, message);
  after(run, call);
}

function callBack(run: Run, call: Listening, message: Held): void {
  const { from } = call.request;
  const { system } = run.world(call);
  if (from.kind !== 'phone' || !message.fromNumber) {
    set(call, { stage: 'after' });
    return says(
      run,
      call,
      message.fromNumber
        ? 'From outside you cannot be put through. Call them yourself.'
        : 'The caller hid their number: there is nothing to call back.',
    );
  }
  run.say(call, { t: 0, kind: 'marked', messageId: message.id, as: 'heard' });
  const personId = system.phones[from.phoneId]?.personId ?? null;
  const shows = shownBy(system, personId, (e) => hasArrived(run.standing, e, run.now));
  run.end(call, 'system', { kind: 'went out', number: message.fromNumber, shows });
}

function menuAgain(run: Run, call: Listening): void {
  const { times } = set(call, { times: call.dialIn.times + 1 });
  if (times >= MOST_TIMES) return farewell(run, call, 'Goodbye.');
  menu(run, call);
}

/** Nothing was pressed, or a message has been played to its end. */
export function inboxTimeOut(run: Run, call: Listening): void {
  const { stage, digits, list, index } = call.dialIn;
  if (stage === 'goodbye') return finish(run, call, 'system');
  if ((stage === 'pin' || stage === 'extension') && digits) return enough(run, call);
  if (stage === 'message') {
    const { id } = list[index]!;
    run.say(call, { t: 0, kind: 'marked', messageId: id, as: 'heard' });
    return after(run, call);
  }
  if (stage === 'menu') return menuAgain(run, call);
  const { times } = set(call, { times: call.dialIn.times + 1 });
  if (times >= MOST_TIMES) return farewell(run, call, 'Goodbye.');
  if (stage === 'pin') return askPin(run, call, '');
  if (stage === 'extension') return askExtension(run, call);
  after(run, call);
}
