/** What a call, a message or a text says by itself, whatever people and contacts are called: read once for each record. */
import { MEANING, outcomeOf, reachedOutside, timesOf, type CallTimes, type Outcome } from '../calls';
import { once } from '../once';
import { courseOf, type Course } from './course';
import type { CallKept, FaxKept, MessageKept, TextKept } from './records';

export type Way = 'in' | 'out' | 'inside';

export interface Facts {
  way: Way;
  /** The number of the other side, E.164; null where it is hidden, or one of ours. */
  other: string | null;
  /** The number of ours that was called. */
  numberId: string | null;
  /** The number of ours in digits, E.164, where that is all that is known. */
  ours: string | null;
  /** Ours who were rung, and who talked, wrote or called. */
  rungIds: readonly string[];
  withIds: readonly string[];
  phones: readonly string[];
  queueIds: readonly string[];
  groupIds: readonly string[];
  mailboxId: string | null;
  /** They came in and reached nobody. */
  missed: boolean;
  /** Somebody of ours talked with the other side. */
  talked: boolean;
  /** The network, or the business, took it for unwanted. */
  unwanted: boolean;
  times: CallTimes | null;
  outcome: Outcome | null;
  /** Of a call that is over. */
  course: Course | null;
  /** All that stands in it in words, in lower case. */
  text: string;
}

const NONE = {
  queueIds: [],
  groupIds: [],
  rungIds: [],
  phones: [],
  numberId: null,
  ours: null,
  times: null,
  course: null,
} as const;

const low = (parts: readonly (string | null | undefined)[]): string =>
  parts.filter(Boolean).join(' ').toLowerCase();

export const factsOfCall = once(
  ({ request, trace, words, note, remarks, recordings, tags }: CallKept): Facts => {
    const { from } = request;
    const outcome = outcomeOf(trace)?.outcome ?? null;
    const sets = {
      rung: new Set<string>(),
      with: new Set<string>(),
      phones: new Set<string>(),
      queues: new Set<string>(),
      groups: new Set<string>(),
    };
    let out: string | null = null;
    let numberId: string | null = null;
    let mailboxId: string | null = null;
    const said: string[] = [];
    if (from.kind === 'phone') sets.phones.add(from.phoneId);
    for (const e of trace)
      switch (e.kind) {
        case 'arrived':
          numberId = e.numberId;
          break;
        case 'leg offered':
          if (e.personId) sets.rung.add(e.personId);
          break;
        case 'answered':
        case 'joins':
        case 'picked up':
          if (e.personId) sets.with.add(e.personId);
          break;
        case 'queued':
          sets.queues.add(e.queueId);
          break;
        case 'group':
          sets.groups.add(e.groupId);
          break;
        case 'goes out':
          out ??= e.number;
          break;
        case 'recorded':
          mailboxId = e.mailboxId;
          break;
        case 'noted':
          said.push(e.label, e.text);
          break;
        default:
      }
    // A caller of ours who dials out is on the line of what they showed.
    const way: Way = from.kind === 'outside' ? 'in' : out ? 'out' : 'inside';
    const bears = outcome ? MEANING[outcome.kind].callBack : 'none';
    return {
      way,
      other: from.kind === 'outside' ? from.number : out,
      numberId,
      ours: null,
      rungIds: [...sets.rung],
      withIds: [...sets.with],
      phones: [...sets.phones],
      queueIds: [...sets.queues],
      groupIds: [...sets.groups],
      mailboxId,
      missed: way === 'in' && bears === 'in vain',
      talked: way === 'in' ? bears === 'talked' : way === 'out' && reachedOutside(trace) !== null,
      unwanted: (from.kind === 'outside' && from.suspected === true) || outcome?.kind === 'refused',
      times: timesOf(trace),
      outcome,
      course: outcome && courseOf(trace, from.kind === 'phone' ? from.phoneId : null),
      text: low([
        words,
        note,
        ...said,
        ...(tags ?? []),
        ...(remarks ?? []).flatMap((r) => [r.text, r.by]),
        ...(recordings ?? []).flatMap((r) => (r.said ?? []).map((s) => s.text)),
      ]),
    };
  },
);

export const factsOfMessage = once((m: MessageKept): Facts => ({
  ...NONE,
  way: 'in',
  other: m.fromNumber,
  withIds: [],
  mailboxId: m.mailboxId,
  missed: true,
  talked: false,
  unwanted: m.folder === 'spam',
  outcome: null,
  text: low([
    m.from,
    m.said,
    m.note,
    ...(m.notes ?? []).flatMap((n) => [n.label, n.text]),
    ...(m.remarks ?? []).flatMap((r) => [r.text, r.by]),
  ]),
}));

export const factsOfText = once(({ way, from, to, text, files }: TextKept): Facts => ({
  ...NONE,
  way,
  other: way === 'in' ? from : to,
  ours: way === 'in' ? to : from,
  withIds: [],
  mailboxId: null,
  missed: false,
  talked: false,
  unwanted: false,
  outcome: null,
  text: low([text, ...(files ?? []).map((f) => f.name)]),
}));

export const factsOfFax = once(({ way, from, to, file, note, mailboxId }: FaxKept): Facts => ({
  ...NONE,
  way,
  other: way === 'in' ? from : to,
  ours: way === 'in' ? to : from,
  withIds: [],
  mailboxId: mailboxId ?? null,
  missed: false,
  talked: false,
  unwanted: false,
  outcome: null,
  text: low([file.name, note]),
}));
