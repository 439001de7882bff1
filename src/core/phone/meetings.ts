/** Meetings as windows see them: who is in a room, who hears whom, and who may be dealt with. */
import { whoseName, type CallState, type End } from '../calls';
import type { System } from '../system';

/** One of those in a room. */
export interface Met {
  callId: string;
  name: string;
  as: 'host' | 'member';
  is: 'waits' | 'in';
  muted: boolean;
  /** Epoch milliseconds. */
  since: number;
}

/** What somebody who meets is told of it. */
export interface MeetsNow {
  roomId: string;
  /** As the others know them. */
  name: string;
  /** What it is called. */
  room: string;
  stage: 'pin' | 'name' | 'waits' | 'in';
  as: 'host' | 'member';
  muted: boolean;
  locked: boolean;
  /** Whether what is said is recorded, or about to be. */
  recorded: 'announced' | 'on' | 'paused' | null;
  /** The name of their own end, and between whom sound goes; nobody as long as they are not in. */
  me: string;
  ends: readonly End[];
  /** Who is there, as the others know them. */
  others: Met[];
}

type Meets = Pick<CallState, 'request' | 'phase' | 'meeting' | 'since' | 'trace' | 'recorded'>;

/** A phone of ours, or a name for a guest that says nothing of their number. */
const endName = ({ request: { from, id } }: Meets): string =>
  from.kind === 'phone' ? from.phoneId : `guest-${id}`;

/** What a guest has said they are called; else that they are a guest. */
function nameOf(call: Meets, system: System, n: number): string {
  const { from } = call.request;
  if (from.kind === 'phone') return whoseName(system, from.phoneId);
  const said = call.trace.findLast((e) => e.kind === 'noted' && e.label === 'Name' && e.text !== '');
  return said?.kind === 'noted' ? said.text : `Guest ${n}`;
}

/** Those who are in a room or wait for its host, in the order they came. */
export function metIn(calls: readonly Meets[], roomId: string, system: System): Met[] {
  return calls
    .filter((c) => c.phase === 'meeting' && c.meeting?.roomId === roomId)
    .flatMap((c, i): Met[] => {
      const { stage, as, muted } = c.meeting!;
      if (stage !== 'in' && stage !== 'waits') return [];
      return [{ callId: c.request.id, name: nameOf(c, system, i + 1), as, is: stage, muted, since: c.since }];
    });
}

/** @param calls all that go on @param locked rooms that are @returns undefined for a call that meets nobody */
export function meetsNow(
  call: Meets,
  calls: readonly Meets[],
  locked: readonly string[],
  system: System,
): MeetsNow | undefined {
  if (call.phase !== 'meeting' || !call.meeting) return undefined;
  const { roomId, stage, as, muted } = call.meeting;
  const inside = calls.filter(
    (c) => c.phase === 'meeting' && c.meeting?.roomId === roomId && c.meeting.stage === 'in',
  );
  return {
    roomId,
    name: nameOf(
      call,
      system,
      calls.filter((c) => c.meeting?.roomId === roomId).findIndex((c) => c.request.id === call.request.id) +
        1,
    ),
    room: system.rooms[roomId]?.name ?? 'a removed room',
    stage,
    as,
    muted,
    locked: locked.includes(roomId),
    recorded: stage === 'in' ? (inside.find((c) => c.recorded)?.recorded?.is ?? null) : null,
    me: endName(call),
    ends:
      stage === 'in'
        ? inside.map((c, i): End => ({
            n: i + 1,
            phone: endName(c),
            personId: null,
            ...(c.meeting!.muted ? { listens: true } : {}),
          }))
        : [],
    others: stage === 'in' ? metIn(calls, roomId, system).filter((m) => m.callId !== call.request.id) : [],
  };
}

/** Those who are in a room or wait for its host, as windows are told of calls. */
export const metNow = (
  calls: readonly { request: { id: string }; since: number; meets?: MeetsNow | undefined }[],
  roomId: string,
): Met[] =>
  calls.flatMap(({ request, since, meets }): Met[] =>
    meets?.roomId === roomId && (meets.stage === 'in' || meets.stage === 'waits')
      ? [{ callId: request.id, name: meets.name, as: meets.as, is: meets.stage, muted: meets.muted, since }]
      : [],
  );

/** How it is for one of those who meet, in words. */
export function meetsInWords({ room, stage, as, muted, locked, recorded, others }: MeetsNow): string {
  if (stage === 'waits') return 'You wait for the host, and hear music.';
  if (stage !== 'in') return '';
  const there = others.filter((o) => o.is === 'in').map((o) => o.name);
  const who = there.length
    ? `with ${there.length > 3 ? `${there.slice(0, 3).join(', ')} and ${there.length - 3} more` : there.join(', ')}`
    : 'alone so far';
  return [
    `You are in the meeting ${room}, ${who}.`,
    muted ? 'You are muted; key 1 changes that.' : '',
    recorded === 'on' ? 'It is recorded.' : '',
    locked && as === 'host' ? 'The room is locked; key 3 opens it.' : '',
  ]
    .filter(Boolean)
    .join(' ');
}
