/** States and provinces by their names. Held against a table of ISO 3166-2 that others made. */
import iso from 'iso-3166-2';
import { describe, expect, it } from 'vitest';
import { PROFILES, regionsMeant, regionsOf } from '.';

describe('states and provinces', () => {
  it.each(['US', 'CA'])('of %s are those of ISO 3166-2', (country) => {
    const theirs = Object.entries(iso.country(country)!.sub)
      .filter(([, { type }]) => /State|District|Province|Territory/.test(type) && !/Outlying/.test(type))
      .map(([code, { name }]) => `${code.slice(3)} ${name}`)
      // The islands have country codes of their own.
      .filter((one) => !/^(AS|GU|MP|PR|UM|VI) /.test(one));
    expect(
      regionsOf(country)
        .map(({ code, name }) => `${code} ${name}`)
        .sort(),
    ).toEqual(theirs.sort());
  });
  it('cover the areas of the profiles', () => {
    for (const { country, areas } of PROFILES) {
      const known = new Set(regionsOf(country).map((r) => r.code));
      if (known.size) for (const { region } of areas) if (region) expect(known).toContain(region);
    }
  });
  it.each([
    ['US', 'Minnesota', ['MN']],
    ['US', 'mn', ['MN']],
    ['US', 'minn', ['MN']],
    ['US', 'new', ['NH', 'NJ', 'NM', 'NY']],
    ['US', 'mi', ['MI']],
    ['CA', 'quebec', ['QC']],
    ['US', 'Bellingham', []],
    ['GB', 'Kent', []],
  ])('%s: %s', (country, typed, codes) => expect(regionsMeant(country, typed)).toEqual(codes));
});
