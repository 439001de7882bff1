/** The promise that a key of a menu always reaches a person. */
import { nobodyAnswers, type Trace } from '../calls';
import { callersOf, piecesOf } from '../coverage';
import { addDays, localTime, momentOf } from '../hours';
import {
  withOwn,
  type MenuKey,
  type Promised,
  type PromiseTime,
  type Standing,
  type System,
} from '../system';

/** Seconds of ringing after which whoever is reached by the key answers. */
const ANSWERS_AFTER = 6;

/**
 * The promise for callers of the first number on whose way the menu lies: whenever they come to the menu and press the
 * key, somebody answers. Whoever is rung before the menu only is taken not to answer.
 * @param menu id of the menu step
 * @param now epoch milliseconds: the menu is looked for in the seven days from this one
 * @returns the promise without its id, or undefined where no caller comes to the menu and presses the key
 */
export function keyPromise(
  system: System,
  standing: Standing,
  menu: string,
  key: MenuKey,
  now: number,
): Omit<Promised, 'id'> | undefined {
  const zone = system.business.timeZone;
  const { date } = localTime(zone, now);
  const week = [momentOf(zone, date, 0), momentOf(zone, addDays(date, 7), 0)] as const;
  for (const number of Object.values(system.numbers))
    for (const caller of callersOf(withOwn(system, standing.own), number).callers) {
      const pieces = piecesOf(system, standing, number, ...week, caller.callAt);
      const hits = pieces.flatMap(({ trace }) => {
        const at = pressedAt(trace, menu, key);
        return at < 0 ? [] : [{ trace, at }];
      });
      const [hit] = hits;
      if (!hit) continue;
      const call = caller.callAt(number, week[0]);
      return {
        name: `${number.label}: key ${key} reaches a person`,
        numberId: number.id,
        caller: call.from.kind === 'outside' ? call.from.number : null,
        behaviour: {
          ...nobodyAnswers(),
          caller: call.behaviour!.caller,
          otherwise: { does: 'answers', after: ANSWERS_AFTER },
          people: Object.fromEntries(
            rungOnlyBefore(hit.trace, hit.at).map((id) => [id, { does: 'nothing' }]),
          ),
        },
        when: hits.length === pieces.length ? { on: 'always' } : hoursBefore(hit.trace, hit.at),
        expects: [{ is: 'answered', personIds: [], within: null }],
      };
    }
  return undefined;
}

/** Where in a trace a key is pressed in a menu, or -1. */
function pressedAt(trace: Trace, menu: string, key: MenuKey): number {
  let inMenu = false;
  return trace.findIndex((e) => {
    if (e.kind === 'menu') inMenu = e.stepId === menu;
    return inMenu && e.kind === 'key' && e.key === key;
  });
}

/** When the menu is reached: while what the hours last asked before it answered is so. */
function hoursBefore(trace: Trace, at: number): PromiseTime {
  const asked = trace.slice(0, at).findLast((e) => e.kind === 'hours');
  return asked?.kind === 'hours' && asked.hoursId
    ? { on: 'hours', hoursId: asked.hoursId, period: asked.period }
    : { on: 'always' };
}

function rungOnlyBefore(trace: Trace, at: number): string[] {
  const rung = (events: Trace): string[] =>
    events.flatMap((e) => (e.kind === 'leg offered' && e.personId ? [e.personId] : []));
  const after = rung(trace.slice(at));
  return [...new Set(rung(trace.slice(0, at)))].filter((id) => !after.includes(id));
}
