/** What differs from country to country. A profile is data plus tests: adding a country is one file. */

/** A tone repeated for as long as somebody listens: frequencies in Hz, then on, off, on, off … in milliseconds. */
export interface Cadence {
  hertz: number[];
  onOff: number[];
}

/** A stretch of numbers that the regulator keeps for fiction, so that a demonstration never calls anybody. */
export interface FictionRange {
  /** E.164 digits after the "+", without the part that varies. */
  prefix: string;
  /** How many digits vary, and their first and last value. */
  digits: number;
  from: number;
  to: number;
  kind: 'geographic' | 'toll-free' | 'mobile';
  /** The code people search by ("360", "020"). */
  area: string;
  /** Places that have this area code. */
  places: string[];
}

export interface Profile {
  country: string;
  name: string;
  callingCode: string;
  /** Numbers that summon help; dialled from any phone they go straight out. */
  emergency: string[];
  ringback: Cadence;
  busy: Cadence;
  currency: string;
  /** The word for what the area code is part of. */
  areaWord: string;
  timeZone: string;
  fiction: FictionRange[];
}

/** Length of one ring cycle in seconds: 6 s in North America, 3 s in Britain. */
export const ringCycle = (cadence: Cadence): number => cadence.onOff.reduce((a, b) => a + b, 0) / 1000;

/** Rings a caller hears begin in so many seconds: 18 s are 3 in North America, 6 in Britain. */
export const ringsIn = (seconds: number, cadence: Cadence): number =>
  Math.ceil(Math.round((seconds / ringCycle(cadence)) * 1e6) / 1e6);
