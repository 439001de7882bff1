/** What a phone shows of its calls. */
import { passedTo, saidSoFar, whoseName, type NotDone, type Note } from '../calls';
import type { System } from '../system';
import { othersOf, type Other, type Told } from './parties';

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
  /** The room in which it meets with others, or null. */
  meets: string | null;
  /** What this phone did last that was not possible: why, and when, epoch milliseconds. */
  refused: { why: NotDone; at: number } | null;
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
              : call.passing.way === 'from a queue'
                ? ((call.passing.personId && system.people[call.passing.personId]?.name) ?? null)
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
        meets: call.meets?.stage === 'in' ? call.meets.room : null,
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
export function aheadOf(call: Told, phoneId: string, system: System): string {
  const { passing } = call;
  const credit = call.phase === 'talking' ? call.trace.findLast((e) => e.kind === 'credit') : undefined;
  if (credit?.kind === 'credit')
    return `It can be paid for ${credit.minutes === 1 ? 'a minute' : `${credit.minutes} minutes`} more; then it ends.`;
  if (!passing || call.phase !== 'ringing') return '';
  if (passing.way === 'from a queue') {
    const sent = call.trace.findLast((e) => e.kind === 'sent on');
    return `If you do not take it, it goes back to ${(sent?.kind === 'sent on' && system.queues[sent.queueId]?.name) || 'where they waited'}.`;
  }
  if (passing.way !== 'out') {
    const why = call.trace.findLast((e) => e.kind === 'comes back');
    return why
      ? `Back from ${passing.to ? passedTo(system, passing.to) : 'where it was parked'}: ${why.why}.`
      : '';
  }
  return passing.by === phoneId
    ? ''
    : `If you do not take it, it goes back to ${whoseName(system, passing.by, passing.personId)}.`;
}
