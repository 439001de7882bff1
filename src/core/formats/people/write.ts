/** People as CSV (RFC 4180), in the columns that reading knows. */
import Papa from 'papaparse';
import { directNumbersOf } from '../../people';
import { groupsOf, isLinked, type Person, type System } from '../../system';
import { FORMULA } from '../csv/decode';
import type { Field } from './columns';
import { writeList } from './lists';

/** The columns of the file, in order, and what stands in them for somebody. */
const COLUMNS: [Field, (p: Person, system: System, direct: Map<string, string[]>) => string][] = [
  ['name', (p) => p.name],
  ['family name', (p) => p.familyName],
  ['e-mail', (p) => p.email],
  ['extension', (p) => p.extension],
  ['role', (p) => p.role],
  ['site', (p, s) => s.sites[p.siteId ?? '']?.name ?? ''],
  ['groups', (p, s) => writeList(groupsOf(s, p.id).map((g) => g.name))],
  ['phones', (p, s) => writeList(phonesOf(p, s).map((x) => x.kind))],
  ['mobile', (p, s) => phonesOf(p, s).find(isLinked)?.number ?? ''],
  ['direct number', (p, _, direct) => direct.get(p.id)?.[0] ?? ''],
  ['working hours', (p, s) => s.hours[p.hoursId ?? '']?.name ?? ''],
  ['mobile seen by', (p) => p.mobileSeenBy],
];
const phonesOf = (p: Person, { phones }: System) => Object.values(phones).filter((x) => x.personId === p.id);

/** @param people whom to write; everybody where not given */
export function writePeopleCsv(
  system: System,
  people: readonly Person[] = Object.values(system.people),
): string {
  const direct = directNumbersOf(system);
  return Papa.unparse(
    {
      fields: COLUMNS.map(([name]) => name),
      data: people.map((p) => COLUMNS.map(([, write]) => write(p, system, direct))),
    },
    { newline: '\r\n', escapeFormulae: FORMULA },
  );
}
