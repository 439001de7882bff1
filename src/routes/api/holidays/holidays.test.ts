/** The list of public holidays, against the days that laws name. */
import { describe, expect, it } from 'vitest';
import { holidaysOf } from './holidays';
import { GET } from './+server';

const list = async (country: string, region: string) => (await holidaysOf(country, region, 2026))!;
const dates = async (country: string, region: string, name: string) =>
  (await list(country, region)).holidays
    .find((h) => h.name === name && h.kind === 'public')
    ?.dates.slice(0, 3);

describe('holidays', () => {
  // 5 USC 6103: the fourth Thursday in November, the first Monday in September, 25 December.
  it('of the United States fall where the law puts them', async () => {
    expect(await dates('US', '', 'Thanksgiving Day')).toEqual(['2026-11-26', '2027-11-25', '2028-11-23']);
    expect(await dates('US', '', 'Labor Day')).toEqual(['2026-09-07', '2027-09-06', '2028-09-04']);
    expect((await dates('US', '', 'Christmas Day'))!.slice(0, 1)).toEqual(['2026-12-25']);
  });
  // The date of Easter by the Gregorian rule: 5 April 2026, 28 March 2027, 16 April 2028 (published tables; from memory).
  it('that move with Easter do', async () => {
    expect(await dates('DE', '', 'Ostermontag')).toEqual(['2026-04-06', '2027-03-29', '2028-04-17']);
  });
  it('differ by region, and name the regions there are', async () => {
    const { regions } = await list('DE', '');
    expect(regions.map((r) => r.code)).toContain('BY');
    const names = async (region: string) =>
      (await list('DE', region)).holidays.filter((h) => h.kind === 'public').map((h) => h.name);
    expect((await names('BY')).length).toBeGreaterThan((await names('')).length);
  });
  it('last for as many days as they do, in order and without repeats, for ten years', async () => {
    for (const h of (await list('US', 'WA')).holidays) {
      expect([...new Set(h.dates)].sort()).toEqual(h.dates);
      if (h.name === 'Christmas Day') expect(h.dates.at(-1)).toBe('2035-12-25');
    }
  });
});

it('questions that make no sense get a problem document', async () => {
  const ask = (query: string) =>
    GET({ url: new URL(`http://x/api/holidays?${query}`) } as never) as Promise<Response>;
  expect((await ask('country=us&from=2026')).status).toBe(422);
  expect((await ask('country=US&from=never')).headers.get('content-type')).toBe('application/problem+json');
  expect((await ask('country=XX&from=2026')).status).toBe(404);
  expect(await (await ask('country=US&region=WA&from=2026')).json()).toMatchObject({
    holidays: expect.any(Array),
    regions: expect.any(Array),
  });
});
