/** Checks over time: rotas with gaps, holidays nobody has thought of, hours at which nobody is reached. */
import { likenessOf, piecesOf, spansInWords, worstEnd, type Piece } from '../../coverage';
import { addDays, dateInWords, daysOf, localTime, momentOf, momentOfDay, shiftsOf } from '../../hours';
import type { Hours, NumberHeld, Rota } from '../../system';
import type { Check, Finding } from '../finding';
import { everyStep } from '../steps';

const DAY_MS = 86_400_000;

/** So many days ahead a rota is looked through. */
const ROTA_DAYS = 56;

/** Times at which nobody is on duty. */
export const rotas: Check = ({ system, today }) => {
  const zone = system.business.timeZone;
  const from = momentOf(zone, today, 0);
  return Object.values(system.rotas).flatMap((rota): Finding[] => {
    const place = { kind: 'rota' as const, id: rota.id };
    const gap = shiftsOf(rota, zone, from, from + ROTA_DAYS * DAY_MS).find((s) => s.personId === null);
    if (!gap) return [];
    const when = localTime(zone, gap.from).date;
    return [
      {
        id: `gap:${rota.id}`,
        severity: 'warning',
        place,
        title: `Nobody is on duty in ${rota.name} from ${dateInWords(when)}`,
        detail: 'Plans that ring whoever is on duty ring nobody then.',
        ...withoutSwap(rota, when),
      },
    ];
  });
};

/** A gap that somebody was swapped out into is closed by taking that back. */
function withoutSwap(rota: Rota, date: string): Pick<Finding, 'fix'> {
  const swap = rota.swaps.find((s) => s.personId === null && s.from.slice(0, 10) === date);
  return swap
    ? {
        fix: {
          label: 'Take that swap back',
          edit: {
            words: `${rota.name}: whoever has the turn from ${dateInWords(date)} has it again`,
            commands: [
              { do: 'rota.set', id: rota.id, change: { swaps: rota.swaps.filter((s) => s !== swap) } },
            ],
          },
        },
      }
    : {};
}

/** Hours that plans ask and that know no holiday in the coming year. */
export const holidays: Check = ({ system, today }) => {
  const asked = new Set(everyStep(system, 'hours').flatMap(({ step }) => step.hoursId ?? []));
  return Object.values(system.hours).flatMap((hours): Finding[] =>
    !asked.has(hours.id) || !hours.weekly.length || allWeek(hours) || knowsDays(hours, today)
      ? []
      : [
          {
            id: `no-holidays:${hours.id}`,
            severity: 'hint',
            place: { kind: 'hours', id: hours.id },
            title: `${hours.name} knows no holiday in the coming twelve months`,
            detail: 'On public holidays callers get what they get on any other day.',
          },
        ],
  );
};

const allWeek = (hours: Hours): boolean =>
  [1, 2, 3, 4, 5, 6, 7].every(
    (day) => hours.weekly.filter((p) => p.day === day).reduce((all, p) => all + p.to - p.from, 0) === 1440,
  );

function knowsDays(hours: Hours, today: string): boolean {
  const end = addDays(today, 366);
  return (hours.exceptions ?? []).some(({ when }) => {
    if (daysOf(when) > 31) return false;
    if (when.on === 'yearly') return true;
    return when.on === 'range'
      ? when.to >= today && when.from <= end
      : when.dates.some((d) => d >= today && d <= end);
  });
}

/** Hours of the week in which a call to a number ends badly. */
export const badHours: Check = ({ system, standing, today }) => {
  const zone = system.business.timeZone;
  const from = momentOf(zone, today, 0);
  const to = momentOfDay(zone, localTime(zone, from).days + 7, 0);
  /** What ends badly for numbers whose calls go alike, worked out once. */
  const known = new Map<string, Piece[]>();
  const badOf = (number: NumberHeld): Piece[] => {
    const key = likenessOf(system, standing, number) ?? ` ${number.id}`;
    let bad = known.get(key);
    if (!bad) {
      bad = piecesOf(system, standing, number, from, to).filter((p) => worstEnd(p) === 'nobody');
      known.set(key, bad);
    }
    return bad;
  };
  return Object.values(system.numbers).flatMap((number): Finding[] => {
    if (!number.planId || !system.plans[number.planId]?.steps.length) return [];
    const bad = badOf(number);
    const ms = bad.reduce((all, p) => all + p.to - p.from, 0);
    if (ms < BAD_MS) return [];
    return [
      {
        id: `bad-hours:${number.id}`,
        severity: 'warning',
        place: { kind: 'plan', id: number.planId },
        title: `Callers to ${number.label} reach nobody and no mailbox`,
        detail: `${spansInWords(
          bad.map((p) => [p.from, p.to]),
          zone,
          [from, to],
        )}. They are cut off, or hear it ring without end.`,
      },
    ];
  });
};

/** Less than this in a week is the length of one call around a change of hours. */
const BAD_MS = 300_000;
