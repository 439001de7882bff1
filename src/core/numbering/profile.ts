/** What differs from country to country. A profile is data plus tests: adding a country is one file. */

import type { StarCode } from './star-codes';

/** A tone repeated for as long as somebody listens: frequencies in Hz, then on, off, on, off … in milliseconds. */
export interface Cadence {
  hertz: number[];
  onOff: number[];
}

export type NumberKind = 'geographic' | 'toll-free' | 'mobile';
/** A star code with what it does, in the words of the system's schema. */
export type StarCodes = StarCode[];

/** A stretch of numbers that the regulator keeps for fiction, so that a demonstration never calls anybody. */
export interface FictionRange {
  /** E.164 digits after the "+", without the part that varies. */
  prefix: string;
  /** How many digits vary, and their first and last value. */
  digits: number;
  from: number;
  to: number;
  kind: NumberKind;
  /** The code people search by ("360", "020"). */
  area: string;
  /** Places that have this area code. */
  places: string[];
}

/** An area code with what it covers. */
export interface Area {
  /** As people dial it inside the country, with the leading 0 where there is one. */
  code: string;
  /** State, province or region; empty where the country has no such habit. */
  region: string;
  places: string[];
}

/** A part of a civic address by its name in RFC 4119 and RFC 5139. */
export type AddressPart = 'A1' | 'A3' | 'RD' | 'HNO' | 'PC' | 'UNIT' | 'BLD' | 'FLR' | 'ROOM' | 'LOC' | 'NAM';

/** How an address is written in a country. */
export interface AddressHabit {
  /** Words for the parts whose name differs from country to country. */
  region: string;
  postalCode: string;
  /** What a postal code looks like; from memory, and tested against the validator package. */
  postalPattern: RegExp;
  /** Parts without which an emergency service cannot find the door. */
  needed: AddressPart[];
}

/** What people dial for outside numbers, as entries of a digit map (RFC 3435), without the digit for an outside line. */
export interface DialHabit {
  /** Whole numbers of the country as they are dialled. */
  national: string[];
  /** Short numbers for services that are not emergencies. */
  services: string[];
  /** Any number of another country. */
  international: string;
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
  /** Star codes a new business starts with. */
  starCodes: StarCodes;
  dialling: DialHabit;
  address: AddressHabit;
  /** Kinds of number that can send and receive text messages. */
  textable: NumberKind[];
  /** Whether a business needs approval before its texts are delivered. Common practice, no source: in the United States. */
  textingApproval: boolean;
  areas: Area[];
  fiction: FictionRange[];
}

/** Length of one ring cycle in seconds: 6 s in North America, 3 s in Britain. */
export const ringCycle = (cadence: Cadence): number => cadence.onOff.reduce((a, b) => a + b, 0) / 1000;

/** Rings a caller hears begin in so many seconds: 18 s are 3 in North America, 6 in Britain. */
export const ringsIn = (seconds: number, cadence: Cadence): number =>
  Math.ceil(Math.round((seconds / ringCycle(cadence)) * 1e6) / 1e6);
