/** What a phone shows of its calls, and what can be done with each: by word, by key, in the order of need. */
import {
  CALLER,
  hears,
  listed,
  mayPickUp,
  outsideNumber,
  partyOf,
  passedTo,
  saidSoFar,
  whoseName,
  worldOf,
  type CallState,
  type End,
  type Hears,
  type NotDone,
  type Note,
} from '../calls';
import { writeNumber } from '../numbering';
import { contactOf, slotsOf, type System } from '../system';

/** What of a call a phone is told. */
export type Told = Pick<
  CallState,
  | 'request'
  | 'from'
  | 'phase'
  | 'since'
  | 'until'
  | 'legs'
  | 'ends'
  | 'passing'
  | 'parked'
  | 'waiting'
  | 'recorded'
  | 'numberId'
  | 'trace'
>;

/** One of those in a call, as a phone draws it. */
export interface Other {
  phone: string;
  name: string;
  /** The number, or which phone. */
  detail: string;
  /** It rings there, it talks, or it is held by us or on its own side. */
  is: 'rings' | 'talks' | 'held' | 'holds' | 'gone' | 'waits';
  hears: Hears | 'ringing';
  /** Since when it is so, epoch milliseconds. */
  since: number;
}

export interface PhoneCall {
  id: string;
  /** It is in the talk, calls, is rung, or may take it from a colleague. */
  part: 'talks' | 'calls' | 'is rung';
  /** Which number or extension it came by. */
  line: string;
  others: Other[];
  /** This phone holds it since then. */
  holds: number | null;
  /** The call this one was placed about. */
  about: { callId: string; as: 'a word' | 'add' | 'move' } | null;
  /** What the caller said and pressed, as long as the call goes on. */
  said: Note[];
  since: number;
  until: number | null;
  /** Somebody passes it on to this phone. */
  passedBy: string | null;
  /** What happens by itself, in words; empty where nothing does. */
  ahead: string;
  /** It is recorded, or about to be: by this phone, another, or a rule. */
  recorded: { is: 'announced' | 'on' | 'paused'; by: 'me' | 'rule' | 'other'; since: number } | null;
  /** What this phone did last that was not possible: why, and when, epoch milliseconds. */
  refused: { why: NotDone; at: number } | null;
}

const endDetail = (end: Pick<End, 'phone'>, system: System): string => {
  const number = outsideNumber(end.phone);
  if (number) return writeNumber(number, system.business.country);
  return system.phones[end.phone]?.name ?? '';
};

/** Who calls, by the name of the contact where there is one. */
function callerName(call: Told, system: System): { name: string; detail: string } {
  const { from } = call;
  if (from.kind === 'phone')
    return { name: whoseName(system, from.phoneId), detail: endDetail({ phone: from.phoneId }, system) };
  if (from.number === null) return { name: 'Hidden number', detail: '' };
  return outsideName(from.number, system);
}

function outsideName(e164: string, system: System): { name: string; detail: string } {
  const number = writeNumber(e164, system.business.country);
  const contact = contactOf(e164, system.contacts);
  return contact ? { name: contact.name, detail: number } : { name: number, detail: '' };
}

function nameOf(
  phone: string,
  personId: string | null,
  call: Told,
  system: System,
): { name: string; detail: string } {
  if (phone === CALLER) return callerName({ ...call, from: call.request.from }, system);
  const number = outsideNumber(phone);
  if (number) return outsideName(number, system);
  return { name: whoseName(system, phone, personId), detail: endDetail({ phone }, system) };
}

function othersOf(call: Told, phoneId: string, system: System): Other[] {
  if (call.phase === 'talking')
    return call.ends
      .filter((e) => e.phone !== phoneId)
      .map((e): Other => {
        const heard = hears(e, call.ends);
        const is =
          e.gone !== undefined
            ? 'gone'
            : e.holds !== undefined
              ? 'holds'
              : heard === 'music'
                ? 'held'
                : 'talks';
        return {
          phone: e.phone,
          ...nameOf(e.phone, e.personId, call, system),
          is,
          hears: heard,
          since: e.gone ?? e.holds ?? call.since,
        };
      });
  const goes = partyOf(call.request.from, call.from);
  const caller: Other[] =
    goes === phoneId
      ? []
      : [{ phone: goes, ...callerName(call, system), is: 'waits', hears: 'ringing', since: call.since }];
  const rung = call.legs
    .filter((l) => l.state !== 'over' && l.phone !== phoneId)
    .map((l): Other => ({
      phone: l.phone,
      ...nameOf(l.phone, l.personId, call, system),
      is: 'rings',
      hears: 'ringing',
      since: call.since,
    }));
  // Several phones of one person are one ring to whoever waits for them.
  const people = new Map<string, Other>();
  for (const other of rung) {
    const known = people.get(other.name);
    if (known) known.detail = [known.detail, other.detail].filter(Boolean).join(' and ');
    else people.set(other.name, { ...other });
  }
  return [...caller, ...people.values()];
}

/** The calls a phone takes part in or is rung for, those it talks in first, then the newest. */
export function callsOf(calls: readonly Told[], phoneId: string, system: System): PhoneCall[] {
  const found = calls.flatMap((call): PhoneCall[] => {
    if (call.phase === 'over') return [];
    const me = call.ends.find((e) => e.phone === phoneId);
    const rung = call.legs.some(
      (l) => l.phone === phoneId && (l.state === 'sounding' || l.state === 'confirming'),
    );
    const calling = !me && call.from.kind === 'phone' && call.from.phoneId === phoneId;
    if (!me && !rung && !calling) return [];
    return [
      {
        id: call.request.id,
        part: me ? 'talks' : rung ? 'is rung' : 'calls',
        line: (call.numberId && system.numbers[call.numberId]?.label) || 'Extension',
        others: othersOf(call, phoneId, system),
        holds: me?.holds ?? null,
        about: call.request.about ?? null,
        said: saidSoFar(call.trace, system),
        since: call.since,
        until: call.until,
        passedBy:
          call.passing && rung
            ? call.passing.way === 'out'
              ? whoseName(system, call.passing.by, call.passing.personId)
              : null
            : null,
        ahead: aheadOf(call, phoneId, system),
        recorded: call.recorded
          ? {
              is: call.recorded.is,
              since: call.recorded.since,
              by: call.recorded.by === null ? 'rule' : call.recorded.by === phoneId ? 'me' : 'other',
            }
          : null,
        refused: refusedTo(call, phoneId),
      },
    ];
  });
  const order = (c: PhoneCall) => (c.part === 'talks' && c.holds === null ? 0 : c.part === 'is rung' ? 1 : 2);
  return found.sort((a, b) => order(a) - order(b) || b.since - a.since);
}

function refusedTo({ request, trace }: Told, phoneId: string): PhoneCall['refused'] {
  const last = trace.findLast((e) => e.kind === 'not done' && e.phone === phoneId);
  return last?.kind === 'not done' ? { why: last.why, at: request.at + last.t } : null;
}

/** What happens by itself: when the credit runs out, and to whoever is rung when a call was passed on and comes back. */
function aheadOf(call: Told, phoneId: string, system: System): string {
  const { passing } = call;
  const credit = call.phase === 'talking' ? call.trace.findLast((e) => e.kind === 'credit') : undefined;
  if (credit?.kind === 'credit')
    return `It can be paid for ${credit.minutes === 1 ? 'a minute' : `${credit.minutes} minutes`} more; then it ends.`;
  if (!passing || call.phase !== 'ringing') return '';
  if (passing.way === 'back') {
    const why = call.trace.findLast((e) => e.kind === 'comes back');
    return why
      ? `Back from ${passing.to ? passedTo(system, passing.to) : 'where it was parked'}: ${why.why}.`
      : '';
  }
  return passing.by === phoneId
    ? ''
    : `If you do not take it, it goes back to ${whoseName(system, passing.by, passing.personId)}.`;
}

/** Everything that can be done with a call on a phone. */
export type ActName =
  | 'take back'
  | 'hold'
  | 'mute'
  | 'keypad'
  | 'pass on'
  | 'add'
  | 'park'
  | 'move'
  | 'join'
  | 'all together'
  | 'back to'
  | 'swap'
  | 'note'
  | 'record'
  | 'stop recording'
  | 'pause recording'
  | 'hang up';

export interface PhoneAct {
  act: ActName;
  words: string;
  /** The key that does it. */
  key: string;
}

/** The key of each act. */
export const ACT_KEYS: Record<ActName, string> = {
  'take back': 'h',
  hold: 'h',
  mute: 'm',
  keypad: 'k',
  'pass on': 't',
  add: 'a',
  park: 'p',
  move: 'o',
  join: 'Enter',
  'all together': '3',
  'back to': 'b',
  swap: 's',
  note: 'n',
  record: 'r',
  'stop recording': 'r',
  'pause recording': 'g',
  'hang up': 'Escape',
};

/**
 * What can be done with the call a phone is in, in the order of need.
 * @param second the call it has placed about that one, where there is one
 */
export function actsOn(
  call: PhoneCall,
  second: PhoneCall | undefined,
  {
    system,
    taken,
    canMove,
    mayRecord = false,
  }: { system: System; taken: readonly string[]; canMove: boolean; mayRecord?: boolean },
): PhoneAct[] {
  const act = (name: ActName, words: string): PhoneAct => ({ act: name, words, key: ACT_KEYS[name] });
  const hangUp = act('hang up', 'Hang up');
  if (call.part === 'calls') return [act('keypad', 'Keypad'), act('hang up', 'Stop calling')];
  if (second?.about?.as === 'a word') {
    const them = second.others[0]?.name ?? 'them';
    const first = call.others[0]?.name ?? 'the caller';
    const talks = second.part === 'talks';
    return [
      act('join', talks ? `Put ${first} through` : 'Transfer now'),
      ...(talks
        ? [
            act('all together', 'All three together'),
            act('swap', call.holds === null ? `Back to ${them}` : 'Swap'),
          ]
        : []),
      act('back to', `Back to ${first}, without ${them}`),
      act('mute', 'Mute'),
    ];
  }
  const two = call.others.length === 1;
  const slot = slotsOf(system.business).find((s) => !taken.includes(s));
  return [
    call.holds === null ? act('hold', 'Hold') : act('take back', 'Take back'),
    act('mute', 'Mute'),
    act('keypad', 'Keypad'),
    ...(two ? [act('pass on', 'Transfer…')] : []),
    act('add', 'Add…'),
    ...(two && slot ? [act('park', `Park on ${slot}`)] : []),
    ...(canMove ? [act('move', 'To another phone…')] : []),
    act('note', 'Note…'),
    ...recordingActs(call, mayRecord).map(([name, words]) => act(name, words)),
    hangUp,
  ];
}

/** What can be done about recording; what is by rule nobody ends. */
function recordingActs({ recorded }: PhoneCall, mayRecord: boolean): [ActName, string][] {
  if (!recorded) return mayRecord ? [['record', 'Record']] : [];
  const gap: [ActName, string] = ['pause recording', recorded.is === 'paused' ? 'Record on' : 'Gap'];
  return [
    ...(recorded.is === 'announced' ? [] : [gap]),
    ...(recorded.by === 'rule' ? [] : [['stop recording', 'Stop recording'] as [ActName, string]]),
  ];
}

/** Whether somebody may have calls recorded. */
export function mayRecord({ business }: System, personId: string | null): boolean {
  const who = business.recording?.mayRecordFor ?? [];
  return who === 'everybody' || (personId !== null && who.includes(personId));
}

/** A call that rings at a colleague and may be taken, or that waits in a slot. */
export interface Near {
  id: string;
  /** It rings at a colleague, waits in a slot, or is talked in on another phone of one's own. */
  is: 'rings' | 'waits' | 'mine';
  /** Who calls. */
  name: string;
  /** Who is rung, or the slot. */
  where: string;
  slot: string | null;
}

/**
 * Calls a phone may take that are not for it: those that ring at whom its person shares a group with, those parked, and
 * those its person talks in on another phone.
 */
export function callsNear(calls: readonly Told[], phoneId: string, system: System): Near[] {
  const personId = system.phones[phoneId]?.personId ?? null;
  const world = () => worldOf(system);
  return calls.flatMap((call): Near[] => {
    const { name } = callerName(call, system);
    if (call.parked && call.phase !== 'over')
      return [
        { id: call.request.id, is: 'waits', name, where: `on ${call.parked.slot}`, slot: call.parked.slot },
      ];
    const mine = call.ends.find((e) => personId !== null && e.personId === personId);
    if (call.phase === 'talking' && mine && !call.ends.some((e) => e.phone === phoneId)) {
      const others = othersOf(call, mine.phone, system).map((o) => o.name);
      const where = `on your ${(system.phones[mine.phone]?.name ?? 'other phone').toLowerCase()}`;
      return [{ id: call.request.id, is: 'mine', name: listed(others), where, slot: null }];
    }
    if (call.phase !== 'ringing' || call.legs.some((l) => l.phone === phoneId && l.state !== 'over'))
      return [];
    if (!mayPickUp({ world }, call as CallState, personId)) return [];
    const rung = [
      ...new Set(
        call.legs.flatMap((l) => (l.state === 'over' ? [] : whoseName(system, l.phone, l.personId))),
      ),
    ];
    return [{ id: call.request.id, is: 'rings', name, where: `at ${rung.join(', ')}`, slot: null }];
  });
}

/** Slots in which a call waits. */
export const slotsTaken = (calls: readonly Told[]): string[] =>
  calls.flatMap((c) => (c.parked && c.phase !== 'over' ? c.parked.slot : []));
