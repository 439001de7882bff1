/** What goes on now, for whoever keeps an eye on all of it: calls in progress, queues, and numbers that ring nowhere. */
import {
  CALLER,
  NEW_CALLER,
  nobodyAnswers,
  rehearseAsNow,
  sentence,
  whoseName,
  type NotDone,
  type Phase,
} from '../calls';
import { servingOf, type Standing, type System } from '../system';
import { callerName, type Told } from './parties';
import { serviceOf, type Service } from './serving';

export interface BoardCall {
  id: string;
  who: string;
  /** The number, where a name stands for it. */
  detail: string;
  way: 'in' | 'out';
  /** The line it came by, or the number that is called. */
  line: string;
  doing: string;
  /** It rings, waits or talks: what it is drawn by beside its words. */
  is: 'hears' | 'rings' | 'waits' | 'talks' | 'leaves a message';
  /** People of ours who talk in it, are rung or have called, and the queue it waits in. */
  personIds: string[];
  queueId: string | null;
  /** Since when it is so, and since when it is there; epoch milliseconds. */
  since: number;
  began: number;
  /** Why what was done for it from here last came to nothing; null where nothing did, or something happened since. */
  refused: NotDone | null;
}

const IS: Record<Phase, BoardCall['is'] | null> = {
  waiting: 'hears',
  prompt: 'hears',
  menu: 'hears',
  asked: 'hears',
  naming: 'hears',
  queued: 'waits',
  ringing: 'rings',
  talking: 'talks',
  parked: 'waits',
  greeting: 'leaves a message',
  tone: 'leaves a message',
  message: 'leaves a message',
  inbox: 'hears',
  meeting: 'talks',
  over: null,
};
const WORDS: Record<Phase, string> = {
  waiting: 'is on the way',
  prompt: 'hears a recording',
  menu: 'is in a menu',
  asked: 'is asked something',
  naming: 'says a name',
  queued: 'waits',
  ringing: 'rings',
  talking: 'talks',
  parked: 'is parked',
  greeting: 'hears a greeting',
  tone: 'leaves a message',
  message: 'leaves a message',
  inbox: 'hears messages',
  meeting: 'is in a meeting',
  over: '',
};

const listed = (names: readonly string[]): string =>
  names.length > 2 ? `${names.slice(0, 2).join(', ')} and ${names.length - 2} more` : names.join(' and ');

function refusedTo({ trace }: Told): NotDone | null {
  const last = trace.at(-1);
  return last?.kind === 'not done' && last.phone === null ? last.why : null;
}

/** Calls that go on, whoever has waited longest first, then those that ring, then talks. */
export function boardCalls(calls: readonly Told[], system: System): BoardCall[] {
  const order: Record<BoardCall['is'], number> = {
    waits: 0,
    rings: 1,
    hears: 2,
    'leaves a message': 3,
    talks: 4,
  };
  return calls
    .flatMap((call): BoardCall[] => {
      const is = IS[call.phase];
      if (!is) return [];
      const { name, detail } = callerName(call, system);
      const out = call.trace.find((e) => e.kind === 'goes out');
      const names = (of: readonly { phone: string; personId: string | null }[]) => [
        ...new Set(of.map((e) => whoseName(system, e.phone, e.personId))),
      ];
      const rung = names(call.legs.filter((l) => l.state !== 'over'));
      const others = names(
        call.ends.filter(
          (e) => e.phone !== CALLER && !(call.from.kind === 'phone' && e.phone === call.from.phoneId),
        ),
      );
      const queue = call.waiting ? system.queues[call.waiting.queueId]?.name : undefined;
      // Whoever is offered to somebody from a queue waits in it still.
      const waits = queue !== undefined && call.phase !== 'talking';
      return [
        {
          id: call.request.id,
          who: name,
          detail,
          way: call.from.kind === 'phone' ? 'out' : 'in',
          line:
            (call.numberId && system.numbers[call.numberId]?.label) ||
            (out?.kind === 'goes out' ? 'to outside' : 'among ourselves'),
          doing: waits
            ? `waits in ${queue}${rung.length ? `, rings ${listed(rung)}` : ''}`
            : call.phase === 'ringing' && rung.length
              ? `rings ${listed(rung)}`
              : call.phase === 'talking' && others.length
                ? `talks with ${listed(others)}`
                : WORDS[call.phase],
          is: waits ? 'waits' : is,
          personIds: [
            ...call.legs.filter((l) => l.state !== 'over'),
            ...call.ends,
            ...(call.from.kind === 'phone' ? [{ phone: call.from.phoneId, personId: null }] : []),
          ].flatMap((e) => e.personId ?? system.phones[e.phone]?.personId ?? []),
          queueId: waits ? call.waiting!.queueId : null,
          since: waits ? call.waiting!.since : call.since,
          began: call.request.at,
          refused: refusedTo(call),
        },
      ];
    })
    .sort((a, b) => order[a.is] - order[b.is] || a.since - b.since);
}

export interface BoardQueue {
  id: string;
  name: string;
  /** Callers in it who talk with nobody yet, whoever came first first; epoch milliseconds. */
  waiting: { id: string; who: string; since: number }[];
  people: { id: string; name: string; service: Service }[];
}

/** Queues with those who wait and those who serve, those with somebody waiting first. */
export const boardQueues = (calls: readonly Told[], system: System, standing: Standing): BoardQueue[] =>
  Object.values(system.queues)
    .map((queue): BoardQueue => ({
      id: queue.id,
      name: queue.name,
      waiting: calls
        .flatMap((c) =>
          c.waiting?.queueId === queue.id && c.phase !== 'over' && c.phase !== 'talking'
            ? [{ id: c.request.id, who: callerName(c, system).name, since: c.waiting.since }]
            : [],
        )
        .sort((a, b) => a.since - b.since),
      people: servingOf(system, queue.id).flatMap((id) => {
        const person = system.people[id];
        return person ? [{ id, name: person.name, service: serviceOf(standing, queue.id, id, null) }] : [];
      }),
    }))
    .sort((a, b) => b.waiting.length - a.waiting.length || a.name.localeCompare(b.name));

export interface NowhereNow {
  numberId: string;
  label: string;
  /** What callers get instead. */
  words: string;
}
/**
 * Numbers that would ring nobody if somebody new called now, with phones as they are: told of each number in turn, null where it
 * rings, for of thousands whoever asks wants to do something else in between.
 * @param now epoch milliseconds
 */
export function* nowhereNow(
  system: System,
  standing: Standing,
  now: number,
): Generator<NowhereNow | null, void> {
  /** Numbers that lead to the same plan get the same. */
  const words = new Map<string | null, string | null>();
  const wordsOf = (e164: string): string | null => {
    const trace = rehearseAsNow(system, standing, {
      id: 'now',
      at: now,
      from: { kind: 'outside', number: NEW_CALLER },
      to: { kind: 'number', e164 },
      behaviour: nobodyAnswers(),
    });
    const rings = trace.some((e) => e.kind === 'queued' || e.kind === 'leg offered');
    return rings ? null : sentence(trace, system);
  };
  for (const { id, label, e164, planId } of Object.values(system.numbers)) {
    if (!words.has(planId)) words.set(planId, wordsOf(e164));
    const said = words.get(planId)!;
    yield said === null ? null : { numberId: id, label: label || e164, words: said };
  }
}
