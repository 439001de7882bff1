/**
 * Meetings by telephone: each who meets keeps a call of their own; a room is all the calls that are in it. Members are let in by
 * PIN, and wait with music until the host is there.
 */
import { spokenSeconds } from '../../answering';
import type { MeetingRoom } from '../../system';
import { usualKeys } from '../rules/keys';
import { RANK, type CallIn, type CallState, type InMeeting, type Run } from '../base/state';
import type { MeetingAct } from '../base/actions';
import type { NotDone, Outcome } from '../base/trace';
import { stopRecording } from '../talks/recording';
import { recordMeeting, tellNewcomer } from './meeting-recorded';

type Meets = CallIn<'meeting'>;

/** So long digits and names are waited for, in milliseconds. Common practice, no source. */
const DIGITS_MS = 10_000;
const NAME_MS = 6000;
/** So often a PIN may be wrong. */
const MOST_WRONG = 3;
/** So long a member waits for the host, in milliseconds. */
const LONGEST_WAIT_MS = 30 * 60_000;

const roomOf = (run: Run, call: CallState & { meeting: InMeeting }): MeetingRoom | undefined =>
  run.world(call).system.rooms[call.meeting.roomId];

/** Those who are in a room, waiting among them, in the order they came. */
export const meetingIn = (run: Run, roomId: string): Meets[] =>
  run.meeting(roomId).filter((c): c is Meets => c.phase === 'meeting');
const inside = (run: Run, roomId: string): Meets[] =>
  meetingIn(run, roomId).filter((c) => c.meeting.stage === 'in');
const hasHost = (run: Run, roomId: string): boolean =>
  inside(run, roomId).some((c) => c.meeting.as === 'host');
const isLocked = (run: Run, roomId: string): boolean => run.memory.lockedRooms?.includes(roomId) ?? false;

/** The call reaches a Meeting step whose room is there. */
export function meet(run: Run, call: CallState, room: MeetingRoom): void {
  const { from } = call.request;
  const personId = from.kind === 'phone' ? run.world(call).system.phones[from.phoneId]?.personId : undefined;
  const own = personId != null && personId === room.hostId;
  const meeting: InMeeting = {
    roomId: room.id,
    stage: 'pin',
    as: own ? 'host' : 'member',
    digits: '',
    wrong: 0,
    muted: false,
  };
  if (own || (room.pin === null && room.hostPin === null))
    return comeIn(run, begin(run, call, meeting), room);
  askPin(run, begin(run, call, meeting), room.pin === null ? '' : `Welcome to ${room.name}. `);
}

const begin = (run: Run, call: CallState, meeting: InMeeting): Meets =>
  run.begin(call, 'meeting', { meeting });

function wait(run: Run, call: CallState, ms: number): void {
  call.until = run.now + ms;
  run.after(call, ms, 'time out', RANK.timeout);
}

function says(run: Run, call: Meets, words: string, ms: number): void {
  run.say(call, { t: 0, kind: 'says', words });
  wait(run, call, spokenSeconds(words) * 1000 + ms);
}

function askPin(run: Run, call: Meets, before: string): void {
  says(run, call, `${before}Type the PIN of the meeting, then the square key.`, DIGITS_MS);
  usualKeys(run, call);
}

/** A key: of the PIN, or of those who are in. */
export function keyInMeeting(run: Run, call: Meets, key: string): void {
  const room = roomOf(run, call);
  if (!room) return;
  const { stage, digits, as } = call.meeting;
  if (stage === 'pin') {
    if (key === '#') return pinTyped(run, call, room);
    const next = begin(run, call, { ...call.meeting, digits: digits + key });
    return wait(run, next, DIGITS_MS);
  }
  if (stage === 'name') return key === '#' ? comeIn(run, call, room) : undefined;
  if (stage !== 'in') return;
  run.say(call, { t: 0, kind: 'key', key });
  if (key === '1') mute(run, call, !call.meeting.muted, 'self');
  else if (as === 'host' && key === '2') for (const c of others(run, call)) mute(run, c, true, 'host');
  else if (as === 'host' && key === '3') lock(run, call, !isLocked(run, room.id));
  else if (as === 'host' && key === '4') recordByKey(run, call);
}

/** The host has it recorded, or ends that. */
function recordByKey(run: Run, call: Meets): void {
  const phone = call.request.from.kind === 'phone' ? call.request.from.phoneId : null;
  const personId = run.world(call).system.phones[phone ?? '']?.personId ?? null;
  const why = call.recorded && phone ? stopRecording(run, call, { phone, personId }) : recordHere(run, call);
  if (why) run.say(call, { t: 0, kind: 'not done', phone, personId, why });
}

/** The meeting is recorded by a phone that is in it. @returns why not */
export const recordHere = (run: Run, call: Meets): NotDone | undefined =>
  recordMeeting(run, call, inside(run, call.meeting.roomId));

const others = (run: Run, call: Meets): Meets[] =>
  inside(run, call.meeting.roomId).filter((c) => c !== call && c.meeting.as !== 'host');

function pinTyped(run: Run, call: Meets, room: MeetingRoom): void {
  const { digits } = call.meeting;
  const host = room.hostPin !== null && digits === room.hostPin;
  const member = room.pin === null || digits === room.pin;
  run.say(call, { t: 0, kind: 'pin', right: host || member });
  if (host || member) {
    const as = host ? 'host' : 'member';
    const next = begin(run, call, { ...call.meeting, as, digits: '' });
    if (!room.asksName || host) return comeIn(run, next, room);
    const asking = begin(run, next, { ...next.meeting, stage: 'name' });
    return says(run, asking, 'Say your name, please.', NAME_MS);
  }
  const wrong = call.meeting.wrong + 1;
  if (wrong >= MOST_WRONG) return notLetIn(run, call, 'wrong PIN');
  askPin(run, begin(run, call, { ...call.meeting, digits: '', wrong }), 'That is not it. ');
}

const notLetIn = (run: Run, call: Meets, why: Extract<Outcome, { kind: 'not let in' }>['why']): void =>
  run.end(call, 'system', { kind: 'not let in', roomId: call.meeting.roomId, why });

/** Whoever may comes in, or waits for the host. */
function comeIn(run: Run, call: Meets, room: MeetingRoom): void {
  const { as } = call.meeting;
  if (as !== 'host' && isLocked(run, room.id)) return notLetIn(run, call, 'locked');
  if (meetingIn(run, room.id).filter((c) => ['in', 'waits'].includes(c.meeting.stage)).length >= room.most)
    return notLetIn(run, call, 'full');
  if (as !== 'host' && room.waits && !hasHost(run, room.id)) {
    const waiting = begin(run, call, { ...call.meeting, stage: 'waits' });
    run.say(waiting, { t: 0, kind: 'meets', roomId: room.id, as, is: 'waits' });
    return wait(run, waiting, LONGEST_WAIT_MS);
  }
  isIn(run, call);
  if (as === 'host')
    for (const one of meetingIn(run, room.id)) if (one.meeting.stage === 'waits') isIn(run, one);
}

function isIn(run: Run, call: Meets): void {
  const { roomId, as } = call.meeting;
  const next = begin(run, call, { ...call.meeting, stage: 'in' });
  run.say(next, { t: 0, kind: 'meets', roomId, as, is: 'in' });
  const talks = next.request.behaviour?.caller.talks;
  if (talks !== undefined) wait(run, next, talks * 1000);
  usualKeys(run, next);
  tellNewcomer(run, next, inside(run, roomId));
}

/** The time for a PIN, a name or the host is over; in a rehearsal, somebody has met long enough. */
export function meetingTimeOut(run: Run, call: Meets): void {
  const room = roomOf(run, call);
  switch (call.meeting.stage) {
    case 'pin':
      return room ? pinTyped(run, call, room) : notLetIn(run, call, 'wrong PIN');
    case 'name': {
      const says = call.request.behaviour?.caller.says?.Name ?? '';
      return nameSaid(run, call, says);
    }
    case 'waits':
      return notLetIn(run, call, 'no host');
    case 'in':
      return leaveMeeting(run, call, 'caller');
  }
}

/** A name was said: what they are called for the others. */
export function nameSaid(run: Run, call: Meets, text: string): void {
  if (call.meeting.stage !== 'name') return;
  if (text) run.say(call, { t: 0, kind: 'noted', label: 'Name', text });
  const room = roomOf(run, call);
  if (room) comeIn(run, call, room);
}

/** Somebody goes; a room that is empty is open again. */
export function leaveMeeting(run: Run, call: Meets, by: 'caller' | 'called' | 'system'): void {
  const { roomId, stage } = call.meeting;
  const { request } = call;
  if (call.recorded && request.from.kind === 'phone')
    stopRecording(run, call, { phone: request.from.phoneId, personId: call.recorded.personId });
  run.end(
    call,
    by,
    stage === 'in'
      ? { kind: 'met', roomId }
      : { kind: 'hung up', during: stage === 'waits' ? 'wait' : 'question' },
  );
  if (!inside(run, roomId).length && run.memory.lockedRooms)
    run.memory.lockedRooms = run.memory.lockedRooms.filter((id) => id !== roomId);
}

function mute(run: Run, call: Meets, on: boolean, by: 'self' | 'host'): void {
  if (call.meeting.muted === on) return;
  call.meeting = { ...call.meeting, muted: on };
  run.say(call, { t: 0, kind: 'muted', on, by });
}

function lock(run: Run, call: Meets, on: boolean): void {
  const { roomId } = call.meeting;
  const rest = (run.memory.lockedRooms ?? []).filter((id) => id !== roomId);
  run.memory.lockedRooms = on ? [...rest, roomId] : rest;
  run.say(call, { t: 0, kind: 'room locked', roomId, on });
}

/** What is done to one of those who meet, or to their room, by the host or whoever looks after it. @returns why not */
export function actInMeeting(run: Run, call: CallState, does: MeetingAct): NotDone | undefined {
  if (call.phase !== 'meeting') return 'not in this call';
  switch (does) {
    case 'mute':
    case 'unmute':
      return void mute(run, call, does === 'mute', 'host');
    case 'mute all':
      for (const one of inside(run, call.meeting.roomId))
        if (one.meeting.as !== 'host') mute(run, one, true, 'host');
      return undefined;
    case 'lock':
    case 'unlock':
      return void lock(run, call, does === 'lock');
    case 'put out':
      return void leaveMeeting(run, call, 'system');
  }
}
