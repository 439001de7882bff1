/** What a piece of coverage shows at a glance: who is rung first, and where an unanswered call ends. */
import { listed, MEANING, outcomeOf, whoseName, type Trace } from '../calls';
import { outsideNumber } from '../calls/base/trace';
import type { System } from '../system';
import type { Piece } from './pieces';

export type Glance = 'person' | 'group' | 'outside' | 'message' | 'ended' | 'nobody';

/** Where an unanswered call ends: a message, a deliberate end, or nothing. */
export const endsWell = (trace: Trace): Glance => {
  const ended = outcomeOf(trace);
  return ended ? MEANING[ended.outcome.kind].unanswered : 'nobody';
};

/** The worst that can come of a piece, whatever chance or whose turn it is decides. */
export function worstEnd(piece: Piece): Glance {
  const ends = piece.ways.map(endsWell);
  return ends.find((end) => end === 'nobody') ?? ends.find((end) => end === 'outside') ?? ends[0]!;
}

/** Who is rung first in the calls of a piece; several are told apart where chance or whose turn it is decides. */
export function firstOf(piece: Piece, system: System): { kind: Glance; label: string } {
  const firsts = piece.ways.map((way) => firstRung(way, system));
  const labels = [...new Set(firsts.map((f) => f.label))];
  const { kind, label } = firsts[0]!;
  if (labels.length === 1) return { kind, label };
  return {
    kind,
    label: labels.length === 2 ? labels.join(' or ') : `${label} or ${labels.length - 1} others`,
  };
}

/** Who is rung first in an unanswered call, as a kind with a short label. */
export function firstRung(trace: Trace, system: System): { kind: Glance; label: string } {
  const first = trace.find((e) => e.kind === 'leg offered');
  if (!first || first.kind !== 'leg offered') {
    const kind = endsWell(trace);
    const greeting = trace.find((e) => e.kind === 'greeting started');
    const mailbox =
      greeting?.kind === 'greeting started' ? system.mailboxes[greeting.mailboxId]?.name : undefined;
    return {
      kind,
      label: kind === 'message' ? `Voicemail ${mailbox ?? ''}`.trim() : kind === 'ended' ? 'Ends' : 'Nobody',
    };
  }
  const legs = trace.filter((e) => e.kind === 'leg offered' && e.t === first.t) as (typeof first)[];
  // First names, so that a label fits into a few hours of the week.
  const short = (l: (typeof legs)[number]) =>
    l.personId ? whoseName(system, l.phone, l.personId).split(' ')[0]! : whoseName(system, l.phone);
  const names = [...new Set(legs.map(short))];
  const outside = legs.every(
    (l) => outsideNumber(l.phone) !== undefined || system.phones[l.phone]?.kind.startsWith('linked'),
  );
  return { kind: outside ? 'outside' : names.length > 1 ? 'group' : 'person', label: listed(names) };
}
