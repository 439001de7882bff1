/** What holds now because somebody set it, and not because the plan says so: who, since when, until when, and how it ends. */
import { awayAt, isQuiet, passedTo } from '../calls';
import { addDays, dayNumber, daysInWords, localTime, momentOf, momentOfDay, writeTime } from '../hours';
import {
  isOn,
  stands,
  withOwn,
  zoneOf,
  type Hours,
  type OwnField,
  type Person,
  type PersonOwn,
  type Quiet,
  type Rota,
  type Setting,
  type Standing,
  type System,
  alwaysAt,
  servingOf,
} from '../system';

/** How something that holds is ended: at once, or on the page where it is set. */
export type End =
  | { by: 'setting'; setting: Setting; words: string }
  | { by: 'hours'; hoursId: string }
  | { by: 'planned' }
  | { by: 'page'; href: string };

export interface Holding {
  key: string;
  /** A person, a phone with its person, hours, a rota, a queue. */
  who: string;
  /** Whose calls it is about, where it is one person. */
  personId: string | null;
  /** It changes what whoever calls that person gets. */
  forCallers: boolean;
  what: string;
  /** Who set it, and when, epoch milliseconds; null where it stands in the document. */
  by: string | null;
  since: number | null;
  /** Epoch milliseconds; null is until somebody ends it. */
  until: number | null;
  end: End;
}

/** When quiet hours that are on now end. @returns null where every moment of the week is quiet */
function quietUntil(quiet: Quiet, zone: string, now: number): number | null {
  const { days } = localTime(zone, now);
  // They end where their span does, or at a midnight.
  for (let day = days; day <= days + 8; day++)
    for (const minute of [0, quiet.to].sort((a, b) => a - b)) {
      const at = momentOfDay(zone, day, minute);
      if (at > now && !isQuiet(quiet, localTime(zone, at))) return at;
    }
  return null;
}

const quietInWords = ({ from, to, wholeDays }: Quiet): string =>
  [
    from === to ? '' : `${writeTime(from)} to ${writeTime(to)}`,
    wholeDays?.length ? `all of ${daysInWords(wholeDays)}` : '',
  ]
    .filter(Boolean)
    .join(' and ');

function ofPerson(
  person: Person,
  document: Person,
  system: System,
  standing: Standing,
  now: number,
): Holding[] {
  const { id: personId, name } = person;
  const zone = zoneOf(person, system);
  const own: PersonOwn = standing.own?.people[personId] ?? {};
  /** Who set a field of theirs, where that still stands over the document. */
  const stamp = (field: OwnField) => {
    const set = own[field];
    const said = field === 'always' ? document.reach.always : document[field as 'quiet' | 'away'];
    return set && stands(set, said) ? { by: set.by, since: set.at } : { by: null, since: null };
  };
  const base = { who: name, personId, forCallers: true };
  const reset = (words: string, values: Extract<Setting, { kind: 'person' }>['values']): End => ({
    by: 'setting',
    words,
    setting: { kind: 'person', personId, values },
  });
  const found: Holding[] = [];
  const always = alwaysAt(person.reach, now);
  if (always)
    found.push({
      ...base,
      key: `always ${personId}`,
      what: `sends all calls on to ${passedTo(system, always)}`,
      ...stamp('always'),
      until: person.reach.alwaysUntil ?? null,
      end: reset(`${name}: calls are no longer sent on`, { always: null }),
    });
  const dnd = standing.dnd[personId];
  if (isOn(dnd, now))
    found.push({
      ...base,
      key: `dnd ${personId}`,
      what: 'is not to be disturbed',
      by: dnd!.by,
      since: dnd!.at,
      until: dnd!.until ?? null,
      end: {
        by: 'setting',
        words: `${name}: do not disturb off`,
        setting: { kind: 'do not disturb', personId, on: false, until: null },
      },
    });
  const absence = awayAt(person, zone, now);
  if (absence)
    found.push({
      ...base,
      key: `away ${personId}`,
      what: absence.standInId
        ? `is away; ${system.people[absence.standInId]?.name ?? 'somebody removed'} is rung instead`
        : 'is away; nobody is rung instead',
      ...stamp('away'),
      until: momentOfDay(zone, dayNumber(absence.to) + 1, 0),
      end: reset(`${name} is here again`, { away: endedBefore(person, absence, zone, now) }),
    });
  if (person.quiet && isQuiet(person.quiet, localTime(zone, now)))
    found.push({
      ...base,
      key: `quiet ${personId}`,
      what: `has quiet hours, ${quietInWords(person.quiet)}`,
      ...stamp('quiet'),
      until: quietUntil(person.quiet, zone, now),
      end: { by: 'page', href: `/people/${personId}/reach` },
    });
  const pause = standing.pauses?.[personId];
  if (pause?.value != null)
    found.push({
      ...base,
      key: `pause ${personId}`,
      forCallers: false,
      what: `takes no calls of queues: ${pause.value}`,
      by: pause.by,
      since: pause.at,
      until: null,
      end: {
        by: 'setting',
        words: `${name} takes calls of queues again`,
        setting: { kind: 'paused', personId, reason: null },
      },
    });
  return found;
}

/** Absences as they are when one of them ends today: days of it that are over stay. */
function endedBefore(
  person: Person,
  absence: Person['away'][number],
  zone: string,
  now: number,
): Person['away'] {
  const yesterday = addDays(localTime(zone, now).date, -1);
  return person.away.flatMap((a) => (a !== absence ? a : a.from <= yesterday ? { ...a, to: yesterday } : []));
}

function ofHours(hours: Hours, standing: Standing, now: number): Holding[] {
  const set = standing.overrides[hours.id];
  if (!set || now < set.value.from || now >= set.value.until) return [];
  return [
    {
      key: `hours ${hours.id}`,
      who: hours.name,
      personId: null,
      forCallers: false,
      what:
        set.value.kind === null
          ? 'are closed, whatever they say'
          : `are ${set.value.kind}, whatever they say`,
      by: set.by,
      since: set.at,
      until: set.value.until,
      end: { by: 'hours', hoursId: hours.id },
    },
  ];
}

function ofRota(rota: Rota, system: System, now: number): Holding[] {
  const zone = rota.timeZone ?? system.business.timeZone;
  const momentAt = (local: string) => {
    const [hour, minute] = local.slice(11).split(':').map(Number) as [number, number];
    return momentOf(zone, local.slice(0, 10), hour * 60 + minute);
  };
  // The later in the list goes first.
  const swap = rota.swaps.findLast((s) => momentAt(s.from) <= now && now < momentAt(s.to));
  if (!swap) return [];
  const name = swap.personId ? (system.people[swap.personId]?.name ?? 'somebody removed') : 'nobody';
  return [
    {
      key: `rota ${rota.id}`,
      who: rota.name,
      personId: null,
      forCallers: false,
      what: `${name} has it by a swap`,
      by: null,
      since: momentAt(swap.from),
      until: momentAt(swap.to),
      end: { by: 'page', href: `/hours/rotas#${rota.id}` },
    },
  ];
}

/**
 * Everything that holds by hand at a moment, and the draft that is planned to go in force.
 * @param document what is in force, without anybody's own settings @param now epoch milliseconds
 */
export function holdingNow(document: System, standing: Standing, now: number): Holding[] {
  const system = withOwn(document, standing.own);
  const { planned } = standing;
  return [
    ...(planned
      ? [
          {
            key: 'planned',
            who: 'The draft',
            personId: null,
            forCallers: false,
            what: 'goes in force by itself',
            by: planned.by ?? null,
            since: null,
            until: planned.at,
            end: { by: 'planned' as const },
          },
        ]
      : []),
    ...Object.values(system.hours).flatMap((hours) => ofHours(hours, standing, now)),
    ...Object.values(system.rotas).flatMap((rota) => ofRota(rota, system, now)),
    ...Object.values(system.people).flatMap((person) =>
      ofPerson(person, document.people[person.id]!, system, standing, now),
    ),
    ...Object.values(system.phones).flatMap((phone): Holding[] => {
      const set = standing.resting?.[phone.id];
      if (!isOn(set, now)) return [];
      const owner = phone.personId ? system.people[phone.personId]?.name : undefined;
      const who = owner ? `${owner} · ${phone.name}` : phone.name;
      return [
        {
          key: `resting ${phone.id}`,
          who,
          personId: phone.personId,
          forCallers: phone.personId !== null,
          what: 'does not ring',
          by: set!.by,
          since: set!.at,
          until: set!.until ?? null,
          end: {
            by: 'setting',
            words: `${who} rings again`,
            setting: { kind: 'resting', phoneId: phone.id, on: false, until: null },
          },
        },
      ];
    }),
    ...Object.values(system.queues).flatMap((queue) =>
      servingOf(system, queue.id).flatMap((personId): Holding[] => {
        const set = standing.logins[queue.id]?.[personId];
        const name = system.people[personId]?.name;
        if (!set || set.value || !name) return [];
        return [
          {
            key: `queue ${queue.id} ${personId}`,
            who: name,
            personId,
            forCallers: false,
            what: `is logged out of ${queue.name}`,
            by: set.by,
            since: set.at,
            until: null,
            end: {
              by: 'setting',
              words: `${name} logged in to ${queue.name}`,
              setting: { kind: 'logged in', queueId: queue.id, personId, on: true },
            },
          },
        ];
      }),
    ),
  ];
}
