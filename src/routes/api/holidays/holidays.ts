/** Public holidays, worked out in a process of their own (holidays.child.mjs) and kept: the same are asked for again and again. */
import { Apart } from '../apart/apart';
import code from './holidays.child.mjs?raw';

export interface Holiday {
  name: string;
  /** The rule of the library that its dates follow. */
  rule: string;
  /** Days off for everybody, or kept by some. */
  kind: 'public' | 'bank' | 'optional' | 'school' | 'observance';
  /** ISO, ascending. */
  dates: string[];
}
export interface HolidayList {
  holidays: Holiday[];
  /** Regions of the country that have holidays of their own, by name. */
  regions: { code: string; name: string }[];
}

const process = new Apart<{ country: string; region: string; from: number }>(code, {
  deadline: 20_000,
  waiting: 100,
  usual: 300,
});

/** So many lists are kept, those asked for last. */
const KEPT = 200;
const kept = new Map<string, Promise<HolidayList | null>>();

/**
 * The holidays of a country and region for ten years, days off for everybody first. Null where the library has none.
 * @throws Busy, Late, Absent
 */
export function holidaysOf(country: string, region: string, from: number): Promise<HolidayList | null> {
  const key = `${country} ${region} ${from}`;
  const known = kept.get(key);
  const list = known ?? process.ask<HolidayList | null>({ country, region, from });
  kept.delete(key);
  kept.set(key, list);
  // What failed is not kept.
  list.catch(() => kept.delete(key));
  if (kept.size > KEPT) kept.delete(kept.keys().next().value!);
  return list;
}
