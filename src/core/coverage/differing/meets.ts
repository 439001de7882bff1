/** What a call that begins in a plan can meet: every object that can decide how it goes. */
import { plansFrom, readingOf } from '../../answering';
import { once } from '../../once';
import { accountsOn, allSteps, pointersIn, type Kind, type System } from '../../system';

/** Sections in which what decides a call stands, by what commands call an object of each. */
const SECTIONS = {
  plan: 'plans',
  hours: 'hours',
  person: 'people',
  phone: 'phones',
  group: 'groups',
  queue: 'queues',
  rota: 'rotas',
  recording: 'recordings',
  mailbox: 'mailboxes',
  list: 'lists',
  site: 'sites',
} as const satisfies Partial<Record<Kind, keyof System>>;
type Section = (typeof SECTIONS)[keyof typeof SECTIONS];

/** Objects by section and id. */
export type Met = ReadonlyMap<string, unknown>;

/** Where it can be anything: callers dial extensions, or spell names as well. */
export type Anything = 'anything' | 'anything by name';

const known = once((_: System) => new Map<string, Met | Anything>());

/**
 * Whatever a call that begins in a plan can come to, followed from name to name; a little more than that, but nothing less. Who
 * calls (contacts) and the business itself are not among it. Where callers dial extensions or spell names it is anything.
 */
export function metFrom(system: System, planId: string): Met | Anything {
  const plans = known(system);
  let met = plans.get(planId);
  if (!met) plans.set(planId, (met = find(system, planId)));
  return met;
}

function find(system: System, planId: string): Met | Anything {
  const plans = plansFrom(system, planId);
  const steps = plans.flatMap((p) => [...allSteps(p.steps)]);
  const dialled = steps.flatMap((step) => readingOf(step).dials?.(step) ?? []);
  if (dialled.some((d) => d.names)) return 'anything by name';
  if (dialled.some((d) => d.extensions)) return 'anything';
  const met = new Map<string, unknown>();
  const next: [Section, string][] = plans.map((p) => ['plans', p.id]);
  // Whoever looks after a caller can be anybody somebody outside has been given to.
  if (steps.some((s) => [...(readingOf(s).rings?.(s) ?? [])].some((t) => t.kind === 'owner')))
    for (const { ownerId } of Object.values(system.contacts)) if (ownerId) next.push(['people', ownerId]);
  for (let one = next.pop(); one; one = next.pop()) {
    const [section, id] = one;
    const object = system[section][id];
    const key = `${section} ${id}`;
    if (!object || met.has(key)) continue;
    met.set(key, object);
    for (const { to, id } of pointersIn(section, object))
      if (to in SECTIONS) next.push([SECTIONS[to as keyof typeof SECTIONS], id]);
    if (section === 'people')
      for (const phone of phonesOf(system).get(id) ?? []) next.push(['phones', phone]);
  }
  return met;
}

/** Phones that ring for each person. */
const phonesOf = once((system: System): ReadonlyMap<string, string[]> => {
  const found = new Map<string, string[]>();
  for (const phone of Object.values(system.phones))
    for (const personId of accountsOn(phone))
      if (personId) found.set(personId, [...(found.get(personId) ?? []), phone.id]);
  return found;
});
