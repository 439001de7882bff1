/** Time zones as people look for them: by a city, a country or the zone's own name, with how far it is from UTC. */
import type { RawTimeZone } from '@vvo/tzdb';
import { PROFILES, zoneOfArea } from '../numbering';
import { offsetAt } from './zone';

export interface ZoneChoice {
  /** IANA name. */
  zone: string;
  /** "Los Angeles, San Diego · Pacific Time, UTC−08:00". */
  words: string;
  /** What it is found by, in small letters. */
  search: string;
}

/** "UTC−08:00". @param minutes east of it */
export function offsetInWords(minutes: number): string {
  const [hours, rest] = [Math.floor(Math.abs(minutes) / 60), Math.abs(minutes) % 60];
  return `UTC${minutes < 0 ? '−' : '+'}${String(hours).padStart(2, '0')}:${String(Math.floor(rest)).padStart(2, '0')}`;
}

/** Towns that an area code covers, by the zone they lie in: only where an area lies in one. */
function townsByZone(): Map<string, Set<string>> {
  const towns = new Map<string, Set<string>>();
  for (const { country, areas } of PROFILES) {
    for (const area of areas) {
      const zone = zoneOfArea(country, area);
      if (!zone) continue;
      const here = towns.get(zone) ?? new Set();
      for (const place of area.places) here.add(place);
      towns.set(zone, here);
    }
  }
  return towns;
}

/**
 * All zones, those of a country first and then from west to east.
 * @param known what a table of zones and cities has (CLDR and GeoNames, as a package ships them)
 * @param home ISO 3166-1 alpha-2 @param at the moment whose distance from UTC is told, epoch milliseconds
 */
export function zoneChoices(known: readonly RawTimeZone[], home: string, at: number): ZoneChoice[] {
  const towns = townsByZone();
  return known
    .map((z) => {
      const more = z.group.flatMap((name) => [...(towns.get(name) ?? [])]);
      const offset = offsetAt(z.name, at);
      const words = `${z.mainCities.slice(0, 2).join(', ')} · ${z.alternativeName}, ${offsetInWords(offset)}`;
      const search = [...z.mainCities, ...more, z.countryName, z.alternativeName, ...z.group, z.abbreviation]
        .join('\n')
        .replaceAll('_', ' ')
        .toLowerCase();
      return { zone: z.name, words, search, offset, home: z.countryCode === home };
    })
    .sort((a, b) => Number(b.home) - Number(a.home) || a.offset - b.offset)
    .map(({ zone, words, search }) => ({ zone, words, search }));
}

/** Whether a choice is meant: each word that was typed begins a word of it. */
export function isMeant({ search, words }: ZoneChoice, typed: string): boolean {
  if (typed === words) return true;
  const parts = typed
    .toLowerCase()
    .trim()
    .split(/[\s,·]+/)
    .filter(Boolean);
  return parts.every(
    (part) => ` ${search}`.replaceAll('\n', ' ').includes(` ${part}`) || words.toLowerCase().includes(part),
  );
}

/** The choice that a zone is, by any of its names. */
export const choiceOf = (choices: readonly ZoneChoice[], zone: string): ZoneChoice | undefined =>
  choices.find((c) => c.zone === zone) ??
  choices.find((c) => c.search.split('\n').includes(zone.replaceAll('_', ' ').toLowerCase()));
