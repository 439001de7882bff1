/** The edits of hours, as commands with their words. */
import { writeSpans } from '$core/hours';
import type { ExceptionTime, Hours, HoursException, Rota, Standing } from '$core/system';
import { freshId } from '../ids';
import { theBusiness } from '../window/session.svelte';

export const setHours = (
  hours: Hours,
  change: Partial<Omit<Hours, 'id'>>,
  words: string,
  mergeKey?: string,
): string | undefined => {
  const result = theBusiness().edit(`${hours.name}: ${words}`, [{ do: 'hours.set', id: hours.id, change }], {
    quiet: true,
    ...(mergeKey ? { mergeKey } : {}),
  });
  return result.ok ? undefined : result.problems[0]!.message;
};

export const exceptionsOf = (hours: Hours): HoursException[] => hours.exceptions ?? [];

/** Adds exceptions. @returns what is wrong, or undefined */
export function addExceptions(
  hours: Hours,
  added: readonly Omit<HoursException, 'id'>[],
  words: string,
): string | undefined {
  const list = added.map((e) => ({ ...e, id: freshId('exception') }));
  return setHours(hours, { exceptions: [...exceptionsOf(hours), ...list] }, words);
}

export const setException = (hours: Hours, changed: HoursException, words: string): string | undefined =>
  setHours(hours, { exceptions: exceptionsOf(hours).map((e) => (e.id === changed.id ? changed : e)) }, words);

export function removeException(hours: Hours, gone: HoursException): void {
  theBusiness().edit(
    `${hours.name}: ${gone.name} is a day like any other`,
    [
      {
        do: 'hours.set',
        id: hours.id,
        change: { exceptions: exceptionsOf(hours).filter((e) => e.id !== gone.id) },
      },
    ],
    { withNotice: true },
  );
}

/** The times of an exception in words: "closed", "Open 9-12". */
export function timesInWords(times: readonly ExceptionTime[]): string {
  if (!times.length) return 'closed';
  const byKind = new Map<string, ExceptionTime[]>();
  for (const t of times) byKind.set(t.kind, [...(byKind.get(t.kind) ?? []), t]);
  return [...byKind]
    .map(([kind, own]) => {
      const perDay = own.some((t) => t.day !== null);
      return `${kind} ${perDay ? 'by the day of the week' : writeSpans(own)}`;
    })
    .join(', ');
}

/** Closes hours, or keeps them open, until a moment: at once, for callers too. */
export async function override(hours: Hours, kind: string | null, until: number): Promise<void> {
  const before = theBusiness().standing.overrides[hours.id];
  const now = theBusiness().workspace.now();
  // From the beginning of the minute, which is the moment that "now" is asked about.
  const from = Math.floor(now / 60_000) * 60_000;
  await putOverride(hours, { value: { kind, from, until }, at: now, by: 'the Hours page' });
  theBusiness().did(`${hours.name} ${kind === null ? 'closed' : 'stay open'} for a time`, () =>
    putOverride(hours, before),
  );
}

export async function endOverride(hours: Hours): Promise<void> {
  const before = theBusiness().standing.overrides[hours.id];
  await putOverride(hours, undefined);
  theBusiness().did(`${hours.name} go by their own times again`, () => putOverride(hours, before));
}

const putOverride = (hours: Hours, value: Standing['overrides'][string] | undefined): Promise<void> =>
  theBusiness().workspace.changeStanding((s) => {
    const { [hours.id]: _, ...others } = s.overrides;
    return { ...s, overrides: value ? { ...others, [hours.id]: value } : others };
  });

export const setRota = (rota: Rota, change: Partial<Omit<Rota, 'id'>>, words: string): string | undefined =>
  theBusiness().keep(`${rota.name}: ${words}`, [{ do: 'rota.set', id: rota.id, change }]);
