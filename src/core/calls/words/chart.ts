/** The ring chart: a trace as lanes of bars, time across. */
import type { System } from '../../system';
import { listed, mailboxName, phoneName, queueName, whoseName } from '../base/names';
import type { NotRung, Trace } from '../base/trace';
import { isTold } from './told';

/** What a bar shows; each is drawn in its own hue and always labelled. */
export type BarKind =
  | 'prompt'
  | 'menu'
  | 'asked'
  | 'waiting'
  | 'ringing'
  | 'talking'
  | 'holding'
  | 'greeting'
  | 'tone'
  | 'message'
  | 'offered'
  | 'sounding'
  | 'confirming'
  | 'ended';

export interface Bar {
  /** Milliseconds from arrival. */
  from: number;
  to: number;
  kind: BarKind;
  label: string;
}

export interface Lane {
  id: string;
  label: string;
  bars: Bar[];
  /** Why this phone is not rung, where it never is. */
  notRung: NotRung | null;
}

export interface RingChart {
  /** First what the caller hears, then each phone that is rung in order, then those that are not. */
  lanes: Lane[];
  /** Milliseconds shown. */
  length: number;
}

/** Talk is drawn no longer than this, so that what comes before it stays legible. */
const SHOWN_TALK_MS = 15_000;

/**
 * Draws a trace.
 * @param now milliseconds from arrival up to which a call that still goes on is drawn
 * @param whose somebody whose name the page says already: their phones are called "Desk phone" alone
 */
export function ringChart(
  trace: Trace,
  system: System,
  { now, whose }: { now?: number; whose?: string } = {},
): RingChart {
  const caller: Lane = { id: 'caller', label: 'Caller hears', bars: [], notRung: null };
  const phones = new Map<string, Lane>();
  const lane = (phone: string, personId: string | null): Lane => {
    let found = phones.get(phone);
    if (!found) {
      const own = whose && system.phones[phone]?.personId === whose && personId === whose;
      const label = own ? system.phones[phone]!.name : phoneName(system, phone, personId);
      phones.set(phone, (found = { id: phone, label, bars: [], notRung: null }));
    }
    return found;
  };
  let heard: Bar | null = null;
  /** Who waits in a queue hears its music, whoever is rung for them. */
  let waitsIn = '';
  const end = trace.at(-1)!;
  const last = end.kind === 'ended' ? end.t : Math.max(now ?? end.t, end.t);

  const hear = (t: number, kind: BarKind | null, label = '') => {
    if (heard) heard.to = t;
    if (heard && kind === heard.kind && kind === 'ringing') return void (heard.to = last);
    heard = kind ? { from: t, to: last, kind, label } : null;
    if (heard) caller.bars.push(heard);
  };
  const bar = (l: Lane, from: number, kind: BarKind, label: string) => {
    const open = l.bars.at(-1);
    if (open && open.to > from) open.to = from;
    l.bars.push({ from, to: last, kind, label });
  };

  /** Those in the talk besides the caller, and whether they hold; what the caller hears follows from it. */
  const talks = new Map<string, { personId: string | null; holds: boolean }>();
  const origin =
    trace[0]?.kind === 'arrived' && trace[0].from.kind === 'phone' ? trace[0].from.phoneId : 'caller';
  let callerHolds = false;
  const hearTalk = (t: number) => {
    const all = [...talks];
    const heardOnes = all.filter(([, { holds }]) => !holds);
    if (!all.length) return;
    if (!heardOnes.length) return hear(t, 'waiting', 'hears music');
    if (callerHolds) return hear(t, 'holding', 'holds');
    hear(
      t,
      'talking',
      `talks with ${listed(heardOnes.map(([p, { personId }]) => whoseName(system, p, personId)))}`,
    );
  };
  const comes = (t: number, phone: string, personId: string | null) => {
    if (phone === origin) return;
    talks.set(phone, { personId, holds: false });
    bar(lane(phone, personId), t, 'talking', 'talks');
    hearTalk(t);
  };
  const goes = (t: number, phone: string) => {
    talks.delete(phone);
    const open = phones.get(phone)?.bars.at(-1);
    if (open && open.to > t) open.to = t;
    hearTalk(t);
  };
  const holds = (t: number, phone: string, on: boolean) => {
    if (phone === origin) callerHolds = on;
    const end = talks.get(phone);
    if (end) {
      end.holds = on;
      bar(lane(phone, end.personId), t, on ? 'holding' : 'talking', on ? 'holds' : 'talks');
    }
    hearTalk(t);
  };

  for (const e of trace) {
    if (!isTold(e, 'drawn')) continue;
    switch (e.kind) {
      case 'prompt started':
        hear(e.t, 'prompt', system.recordings[e.recordingId]?.name ?? 'recording');
        break;
      case 'menu':
        hear(e.t, 'menu', e.recordingId ? (system.recordings[e.recordingId]?.name ?? 'menu') : 'menu');
        break;
      case 'spell a name':
        hear(e.t, 'menu', 'spells a name');
        break;
      case 'found by name':
        hear(e.t, 'menu', 'chooses a name');
        break;
      case 'asked':
        hear(e.t, 'asked', `asked for ${e.label}`);
        break;
      case 'says':
        hear(e.t, 'menu', 'listens');
        break;
      case 'plays':
        hear(e.t, 'message', 'plays a message');
        break;
      case 'told':
        hear(e.t, 'asked', 'is told');
        break;
      case 'meets':
        hear(
          e.t,
          e.is === 'waits' ? 'waiting' : 'talking',
          e.is === 'waits' ? 'waits for the host' : 'is in the meeting',
        );
        break;
      case 'queued':
        waitsIn = queueName(system, e.queueId);
        hear(e.t, 'waiting', `waits in ${waitsIn}`);
        break;
      case 'left queue':
        waitsIn = '';
        break;
      case 'leg offered':
        lane(e.phone, e.personId).notRung = null;
        bar(lane(e.phone, e.personId), e.t, 'offered', '');
        if (!waitsIn) hear(e.t, 'ringing', 'hears ringing');
        break;
      case 'leg sounding':
        bar(lane(e.phone, e.personId), e.t, 'sounding', 'rings');
        break;
      case 'leg asked to confirm':
        bar(lane(e.phone, e.personId), e.t, 'confirming', 'press 1');
        break;
      case 'leg ended': {
        const open = lane(e.phone, e.personId).bars.at(-1)!;
        open.to = e.t;
        if (e.how !== 'answered' && open.label) open.label = e.how === 'not answered' ? open.label : e.how;
        break;
      }
      case 'answered':
        waitsIn = '';
        talks.clear();
        comes(e.t, e.phone, e.personId);
        break;
      case 'held':
        holds(e.t, e.phone, true);
        break;
      case 'taken back':
        holds(e.t, e.phone, false);
        break;
      case 'joins':
        comes(e.t, e.phone, e.personId);
        break;
      case 'leaves':
        goes(e.t, e.phone);
        break;
      case 'passed on':
        goes(e.t, e.by);
        break;
      case 'parked':
        goes(e.t, e.by);
        hear(e.t, 'waiting', `waits on ${e.slot}`);
        break;
      case 'phone gone':
        hear(e.t, 'waiting', 'is asked to wait a moment');
        break;
      case 'phone there again':
        hearTalk(e.t);
        break;
      case 'not rung':
        if (e.phone && !lane(e.phone, e.personId).bars.length) lane(e.phone, e.personId).notRung = e.why;
        break;
      case 'greeting started':
        hear(e.t, 'greeting', `greeting ${mailboxName(system, e.mailboxId)}`);
        break;
      case 'tone':
        hear(e.t, 'tone', 'tone');
        break;
      case 'recording started':
        hear(e.t, 'message', 'leaves a message');
        break;
      case 'ended':
        hear(e.t, null);
        break;
      default:
        e satisfies never;
    }
  }
  const length = shorten(trace, caller, phones, last);
  const tried = [...phones.values()].map(dropEmpty);
  const rung = tried.filter((l) => l.bars.length);
  return { lanes: [dropEmpty(caller), ...rung, ...tried.filter((l) => !l.bars.length)], length };
}

const dropEmpty = (lane: Lane): Lane => ({ ...lane, bars: lane.bars.filter((b) => b.to > b.from) });

/** Cuts a long conversation short, so that the seconds before it can be read. @returns the length to draw */
function shorten(trace: Trace, caller: Lane, phones: Map<string, Lane>, last: number): number {
  // A long talk is the end of most calls; where something still happens in it, it is cut after that.
  const talk = caller.bars.at(-1)?.kind === 'talking' ? caller.bars.at(-1) : undefined;
  const acts = trace.findLast((e) => e.kind !== 'ended' && isTold(e, 'drawn'))?.t ?? 0;
  const from = talk && Math.max(talk.from, acts);
  const length = from !== undefined && last - from > SHOWN_TALK_MS ? from + SHOWN_TALK_MS : last;
  for (const lane of [caller, ...phones.values()])
    for (const bar of lane.bars) bar.to = Math.min(bar.to, length);
  return Math.max(length, 1000);
}
