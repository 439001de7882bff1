/** States and provinces by their names: people look for numbers by them. */

/** Source: ISO 3166-2:US and ISO 3166-2:CA, put down from memory; the tests hold them against a table that others made. */
const NAMES: Readonly<Record<string, string>> = {
  US: 'AL Alabama|AK Alaska|AZ Arizona|AR Arkansas|CA California|CO Colorado|CT Connecticut|DE Delaware|DC District of Columbia|FL Florida|GA Georgia|HI Hawaii|ID Idaho|IL Illinois|IN Indiana|IA Iowa|KS Kansas|KY Kentucky|LA Louisiana|ME Maine|MD Maryland|MA Massachusetts|MI Michigan|MN Minnesota|MS Mississippi|MO Missouri|MT Montana|NE Nebraska|NV Nevada|NH New Hampshire|NJ New Jersey|NM New Mexico|NY New York|NC North Carolina|ND North Dakota|OH Ohio|OK Oklahoma|OR Oregon|PA Pennsylvania|RI Rhode Island|SC South Carolina|SD South Dakota|TN Tennessee|TX Texas|UT Utah|VT Vermont|VA Virginia|WA Washington|WV West Virginia|WI Wisconsin|WY Wyoming',
  CA: 'AB Alberta|BC British Columbia|MB Manitoba|NB New Brunswick|NL Newfoundland and Labrador|NS Nova Scotia|NT Northwest Territories|NU Nunavut|ON Ontario|PE Prince Edward Island|QC Quebec|SK Saskatchewan|YT Yukon',
};
const REGIONS = new Map(
  Object.entries(NAMES).map(([country, all]) => [
    country,
    all.split('|').map((one) => ({ code: one.slice(0, 2), name: one.slice(3) })),
  ]),
);

/** States or provinces of a country, by short name and name; none where numbers are not told apart by them. */
export const regionsOf = (country: string): readonly { code: string; name: string }[] =>
  REGIONS.get(country) ?? [];

/** So many letters of a name are enough to mean it. */
const ENOUGH = 3;

/** Short names of the states or provinces meant by "MN", "minn" or "Minnesota". */
export function regionsMeant(country: string, typed: string): string[] {
  const text = typed.trim().toLowerCase();
  return regionsOf(country)
    .filter(
      ({ code, name }) =>
        code.toLowerCase() === text || (text.length >= ENOUGH && name.toLowerCase().startsWith(text)),
    )
    .map(({ code }) => code);
}
