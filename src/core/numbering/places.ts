/** Street addresses that an emergency service can find. */
import type { AddressPart } from './profile';
import { profileOf } from './profiles';

/** Parts of an address in the order in which a form asks for them, with their words in a country. */
export function addressForm(country: string): { part: AddressPart; label: string; needed: boolean }[] {
  const { region, postalCode, needed } = profileOf(country).address;
  const labels: [AddressPart, string][] = [
    ['HNO', 'House number'],
    ['RD', 'Street'],
    ['A3', 'City'],
    ['A1', region],
    ['PC', postalCode],
    ['UNIT', 'Unit'],
    ['BLD', 'Building'],
    ['FLR', 'Floor'],
    ['ROOM', 'Room'],
    ['LOC', 'How to find it'],
    ['NAM', 'Name at the door'],
  ];
  return labels.map(([part, label]) => ({ part, label, needed: needed.includes(part) }));
}

/**
 * What an emergency service would miss in an address, by part, in words; empty when nothing is.
 * Which parts are needed: profiles, common practice, no source.
 */
export function addressProblems(
  address: { country: string } & Partial<Record<AddressPart, string>>,
): Partial<Record<AddressPart, string>> {
  const problems: Partial<Record<AddressPart, string>> = {};
  for (const { part, label, needed } of addressForm(address.country)) {
    const text = address[part]?.trim() ?? '';
    if (needed && !text) problems[part] = `${label} is missing: help must find the door.`;
  }
  const code = address.PC?.trim();
  const { name, address: habit } = profileOf(address.country);
  if (code && !habit.postalPattern.test(code))
    problems.PC = `“${code}” is not a ${habit.postalCode} of ${name}.`;
  return problems;
}

/** An address in one line. */
export const addressLine = (a: { country: string } & Partial<Record<AddressPart, string>>): string =>
  [
    a.NAM,
    [a.HNO, a.RD].filter(Boolean).join(' '),
    a.UNIT && `unit ${a.UNIT}`,
    a.BLD,
    a.FLR && `floor ${a.FLR}`,
    a.ROOM && `room ${a.ROOM}`,
    [a.A3, a.A1, a.PC].filter(Boolean).join(' '),
  ]
    .filter(Boolean)
    .join(', ');
