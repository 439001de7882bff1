/**
 * In which time zones whoever has a number may be: every zone in which its area code lies. A number may be taken along, and most
 * mobiles of North America have an area code like any other, so that this is a guess there.
 *
 * Source: the areas of the North American plan (NANPA) and the zones of the IANA time zone database, put down from memory; the
 * tests hold them against a table that others made.
 */
import { classOf } from './classes';
import { fictionRangeOf } from './fiction';
import { profileOf } from './profiles';

/** Zones of a state or province; where it lies in several, those of its area codes stand below. */
const STATES: Readonly<Record<string, string>> = {
  'America/New_York': 'CT DC DE FL GA IN KY MA MD ME MI NC NH NJ NY OH PA RI SC TN VA VT WV',
  'America/Chicago': 'AL AR IA IL KS LA MN MO MS ND NE OK SD TX WI',
  'America/Denver': 'CO ID MT NM UT WY',
  'America/Phoenix': 'AZ',
  'America/Los_Angeles': 'CA NV OR WA',
  'America/Anchorage': 'AK',
  'Pacific/Honolulu': 'HI',
  'America/Vancouver': 'BC',
  'America/Edmonton': 'AB',
  'America/Regina': 'SK',
  'America/Winnipeg': 'MB',
  'America/Toronto': 'ON QC',
  'America/Moncton': 'NB',
  'America/Halifax': 'NS PE',
  'America/St_Johns': 'NL',
};
const BY_STATE = new Map(
  Object.entries(STATES).flatMap(([zone, states]) => states.split(' ').map((s) => [s, zone] as const)),
);

const EASTERN = 'America/New_York';
const CENTRAL = 'America/Chicago';
const MOUNTAIN = 'America/Denver';
const PACIFIC = 'America/Los_Angeles';
/** Area codes that lie in more zones than their state's, or in another. */
const BY_AREA: Readonly<Record<string, readonly string[]>> = {
  // The west of the Aleutians.
  907: ['America/Anchorage', 'America/Adak'],
  // The north-east of Arizona keeps summer time.
  928: ['America/Phoenix', MOUNTAIN],
  850: [CENTRAL, EASTERN],
  448: [CENTRAL, EASTERN],
  208: [MOUNTAIN, PACIFIC],
  986: [MOUNTAIN, PACIFIC],
  219: [CENTRAL, EASTERN],
  574: [EASTERN, CENTRAL],
  812: [EASTERN, CENTRAL],
  930: [EASTERN, CENTRAL],
  620: [CENTRAL, MOUNTAIN],
  785: [CENTRAL, MOUNTAIN],
  270: [CENTRAL, EASTERN],
  364: [CENTRAL, EASTERN],
  606: [EASTERN, CENTRAL],
  906: [EASTERN, CENTRAL],
  701: [CENTRAL, MOUNTAIN],
  308: [CENTRAL, MOUNTAIN],
  402: [CENTRAL, MOUNTAIN],
  531: [CENTRAL, MOUNTAIN],
  775: [PACIFIC, MOUNTAIN],
  458: [PACIFIC, MOUNTAIN],
  541: [PACIFIC, MOUNTAIN],
  605: [CENTRAL, MOUNTAIN],
  423: [EASTERN, CENTRAL],
  615: [CENTRAL],
  629: [CENTRAL],
  731: [CENTRAL],
  901: [CENTRAL],
  931: [CENTRAL, EASTERN],
  915: [MOUNTAIN],
  432: [CENTRAL, MOUNTAIN],
  236: ['America/Vancouver', 'America/Edmonton', 'America/Dawson_Creek'],
  250: ['America/Vancouver', 'America/Edmonton', 'America/Dawson_Creek'],
  257: ['America/Vancouver', 'America/Edmonton', 'America/Dawson_Creek'],
  672: ['America/Vancouver', 'America/Edmonton', 'America/Dawson_Creek'],
  778: ['America/Vancouver', 'America/Edmonton', 'America/Dawson_Creek'],
  306: ['America/Regina', 'America/Edmonton', 'America/Winnipeg'],
  474: ['America/Regina', 'America/Edmonton', 'America/Winnipeg'],
  639: ['America/Regina', 'America/Edmonton', 'America/Winnipeg'],
  807: ['America/Toronto', 'America/Winnipeg'],
  709: ['America/St_Johns', 'America/Halifax'],
  879: ['America/St_Johns', 'America/Halifax'],
  // The Magdalen Islands and the lower north shore.
  367: ['America/Toronto', 'America/Halifax'],
  418: ['America/Toronto', 'America/Halifax'],
  581: ['America/Toronto', 'America/Halifax'],
  // The three territories.
  867: [
    'America/Whitehorse',
    'America/Edmonton',
    'America/Regina',
    'America/Winnipeg',
    'America/Toronto',
    'America/Halifax',
  ],
};

/** Where a number that names no place may be: anywhere in its country. Own data for those with several zones; else one. */
const COUNTRIES: Readonly<Record<string, readonly string[]>> = {
  US: [
    EASTERN,
    CENTRAL,
    MOUNTAIN,
    'America/Phoenix',
    PACIFIC,
    'America/Anchorage',
    'America/Adak',
    'Pacific/Honolulu',
  ],
  CA: [
    'America/St_Johns',
    'America/Halifax',
    'America/Toronto',
    'America/Winnipeg',
    'America/Regina',
    'America/Edmonton',
    'America/Vancouver',
    'America/Whitehorse',
  ],
  GB: ['Europe/London'],
  IE: ['Europe/Dublin'],
  FR: ['Europe/Paris'],
  DE: ['Europe/Berlin'],
  NZ: ['Pacific/Auckland', 'Pacific/Chatham'],
  AU: [
    'Australia/Perth',
    'Australia/Eucla',
    'Australia/Darwin',
    'Australia/Adelaide',
    'Australia/Brisbane',
    'Australia/Sydney',
    'Australia/Lord_Howe',
  ],
};

/** The zone an area lies in, where it lies in one only and that is known; else null. */
export function zoneOfArea(country: string, area: { code: string; region: string }): string | null {
  const ofCountry = COUNTRIES[country];
  if (ofCountry?.length === 1) return ofCountry[0]!;
  const zones = BY_AREA[area.code] ?? (BY_STATE.has(area.region) ? [BY_STATE.get(area.region)!] : []);
  return (country === 'US' || country === 'CA') && zones.length === 1 ? zones[0]! : null;
}

export interface Whereabouts {
  /** IANA names; at least one. */
  zones: readonly string[];
  /**
   * What it goes by: where the contact is, its area code (a guess, for it may be a mobile that was taken elsewhere), only its
   * country, or nothing at all, in which case it is the business's own zone.
   */
  by: 'contact' | 'area' | 'country' | 'nothing';
}

/**
 * @param e164 of whoever is called or written to @param home the country of the business
 * @param known where they are as somebody entered it
 * @param own zone of the business, where nothing else is known
 */
export function whereaboutsOf(e164: string, home: string, own: string, known?: string): Whereabouts {
  if (known) return { zones: [known], by: 'contact' };
  const { country } = classOf(e164, home);
  if (country === null) return { zones: [own], by: 'nothing' };
  const zones = COUNTRIES[country];
  if (!zones) return { zones: [own], by: 'nothing' };
  const { callingCode, areas } = profileOf(country);
  if (callingCode !== '1' || fictionRangeOf(e164)?.range.kind === 'mobile') return { zones, by: 'country' };
  const code = e164.slice(2, 5);
  const area = areas.find((a) => a.code === code);
  const found =
    area && (BY_AREA[code] ?? (BY_STATE.has(area.region) ? [BY_STATE.get(area.region)!] : undefined));
  return found ? { zones: found, by: 'area' } : { zones, by: 'country' };
}
