/** Where things are: civic addresses and sites. */
import { z } from 'zod';
import { CountryCode, E164, Id, name, text, TimeZone } from './primitives';

/**
 * Civic address; parts named as in RFC 4119 and RFC 5139: country, A1 state or region, A3 city, RD street, HNO house
 * number, UNIT, BLD building, FLR floor, ROOM, LOC other help in finding it, NAM occupant, PC postal code.
 */
export const CivicAddress = z.object({
  country: CountryCode,
  A1: text(60),
  A3: text(60),
  RD: text(80),
  HNO: text(12),
  PC: text(12),
  UNIT: text(20),
  BLD: text(60),
  FLR: text(20),
  ROOM: text(40),
  LOC: text(120),
  NAM: text(80),
});

export const Site = z.object({
  id: Id,
  name,
  timeZone: TimeZone,
  address: CivicAddress,
  /** The number an emergency service rings back; null for the number the call came from. */
  callback: E164.nullable(),
  /** Networks that count as "in the office", as address ranges (CIDR notation, RFC 4632 and RFC 4291). */
  networks: z.array(text(49)).max(20),
  /** Who is told when somebody here calls the emergency number (47 CFR §9.16). */
  notify: z.object({
    personIds: z.array(Id).max(20),
    mailTo: z.array(z.email('That is not an e-mail address.')).max(10),
  }),
  /** Day on which somebody should look whether the address is still right. */
  checkAgainOn: z.iso.date().nullable(),
});

export type CivicAddress = z.infer<typeof CivicAddress>;
export type Site = z.infer<typeof Site>;
