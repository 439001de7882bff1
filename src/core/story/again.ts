/** How everybody behaved in a real call, to be asked again with another plan. */
import { outcomeOf, type Behaviour, type Trace } from '../calls';

const inSeconds = (ms: number): number => Math.round(ms / 100) / 10;

/**
 * What people and the caller of a call did, as a rehearsal takes it: who took or refused it and after how long, what was pressed
 * and said, when the caller gave up, how long the talk and the message were. What was done to the call once it was answered is
 * not among it.
 */
export function behaviourBehind(trace: Trace): Behaviour {
  const people: Behaviour['people'] = {};
  const phones: Behaviour['phones'] = {};
  const keys: NonNullable<Behaviour['caller']['keys']> = [];
  const says: Record<string, string> = {};
  /** When each phone that rings began to sound. */
  const since = new Map<number, number>();
  let asked = 0;
  let pressed: { at: number; keys: string } | null = null;
  const takeKeys = () => {
    keys.push({
      after: pressed ? Math.max(0, inSeconds(pressed.at - asked)) : 0,
      press: pressed?.keys ?? '',
    });
    pressed = null;
  };
  let awaits = false;
  for (const e of trace)
    switch (e.kind) {
      case 'leg sounding':
        since.set(e.leg, e.t);
        break;
      case 'leg ended': {
        const after = inSeconds(e.t - (since.get(e.leg) ?? e.t));
        if (e.how !== 'declined') break;
        if (e.personId) people[e.personId] = { does: 'declines', after };
        else phones[e.phone] = { does: 'declines', after };
        break;
      }
      case 'answered': {
        const leg = trace.findLast((o) => o.kind === 'leg sounding' && o.phone === e.phone && o.t <= e.t);
        const act = { does: 'answers' as const, after: inSeconds(e.t - (leg?.t ?? e.t)) };
        phones[e.phone] = act;
        break;
      }
      case 'menu':
      case 'queued':
        if (awaits) takeKeys();
        awaits = true;
        asked = e.t;
        break;
      case 'key': {
        const before: string = pressed ? (pressed as { keys: string }).keys : '';
        const at: number = pressed ? (pressed as { at: number }).at : e.t;
        pressed = { at, keys: before + e.key };
        break;
      }
      case 'noted':
        says[e.label] = e.text;
        break;
      default:
    }
  if (pressed) takeKeys();
  const ended = outcomeOf(trace);
  const answered = trace.find((e) => e.kind === 'answered');
  const last = trace.at(-1);
  const outcome = ended?.outcome;
  const gaveUp =
    outcome?.kind === 'hung up' && last?.kind === 'ended' && last.by === 'caller' ? inSeconds(last.t) : null;
  return {
    people,
    phones,
    otherwise: { does: 'nothing' },
    caller: {
      hangsUpAfter: gaveUp,
      talks: answered && ended ? inSeconds(ended.t - answered.t) : 60,
      message: outcome?.kind === 'message' ? outcome.seconds : 12,
      ...(keys.length ? { keys } : {}),
      ...(Object.keys(says).length ? { says } : {}),
    },
  };
}
