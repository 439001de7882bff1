/** What happened in a call, as it is stored: also as earlier versions wrote it. */
import { z } from 'zod';
import type { ForwardTarget } from '../../system';
import type { Trace } from './trace';

type Stored = { t: number; kind: string } & Record<string, unknown>;

const StoredEvent = z.looseObject({ t: z.number(), kind: z.string() });

/** Produced by the engine only: what each event says besides its moment and kind is kept as it is. */
export const TraceRecord = z
  .custom<Stored[]>(
    (trace) => Array.isArray(trace) && trace.every((e) => StoredEvent.safeParse(e).success),
    'What happened in the call cannot be read.',
  )
  .transform(asWrittenNow);

/**
 * What earlier versions left to be looked up is said in the event: the phone a leg is on, what a call is sent on to; times
 * in seconds and milliseconds are named so. @returns the same array where nothing is of an earlier version
 */
function asWrittenNow(trace: Stored[]): Trace {
  const legs = new Map<unknown, Stored>();
  for (const e of trace) if (e.kind === 'leg offered') legs.set(e['leg'], e);
  return trace.map((e, i) => {
    switch (e.kind) {
      case 'leg sounding':
      case 'leg asked to confirm':
      case 'leg ended': {
        const leg = legs.get(e['leg']);
        return 'phone' in e || !leg ? e : { ...e, phone: leg['phone'], personId: leg['personId'] };
      }
      case 'redirected':
      case 'forward skipped':
        return typeof e['to'] === 'string' ? { ...e, to: targetOf(e['to'], trace[i + 1]) } : e;
      case 'left queue':
        return renamed(e, 'waited', 'waitedSeconds');
      case 'plays':
        return renamed(e, 'after', 'afterMs');
      default:
        return e;
    }
  }) as unknown as Trace;
}

/** By what came next: a group and a mailbox are named there. A number begins with a plus; the rest are people. */
function targetOf(id: string, next: Stored | undefined): ForwardTarget {
  if (id.startsWith('+')) return { to: 'outside', number: id };
  if (next?.kind === 'group' && next['groupId'] === id) return { to: 'group', groupId: id };
  if (next?.kind === 'greeting started' && next['mailboxId'] === id) return { to: 'mailbox', mailboxId: id };
  return { to: 'person', personId: id };
}

function renamed(e: Stored, before: string, now: string): Stored {
  if (!(before in e)) return e;
  const { [before]: value, ...rest } = e;
  return { ...rest, [now]: value } as Stored;
}
