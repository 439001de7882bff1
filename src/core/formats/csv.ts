/** Numbers and sites as CSV (RFC 4180), out and in. Reading makes a preview, row by row; nothing is changed by it. */
import Papa from 'papaparse';
import { addressProblems, readNumber } from '../numbering';
import {
  applyEdit,
  civicAddress,
  newSite,
  TimeZone,
  type CivicAddress,
  type Command,
  type NumberHeld,
  type Site,
  type System,
} from '../system';

export type CsvKind = 'numbers' | 'sites';
/** A file with more rows is not read: nobody has so many, and it is most likely the wrong file. */
export const MOST_ROWS = 5000;

const NUMBER_COLUMNS = ['number', 'label', 'use', 'site', 'plan', 'caller name', 'notes'] as const;
const ADDRESS: readonly (readonly [keyof CivicAddress, string])[] = [
  ['HNO', 'house number'],
  ['RD', 'street'],
  ['A3', 'city'],
  ['A1', 'state'],
  ['PC', 'postal code'],
  ['country', 'country'],
  ['UNIT', 'unit'],
  ['BLD', 'building'],
  ['FLR', 'floor'],
  ['ROOM', 'room'],
  ['LOC', 'how to find it'],
  ['NAM', 'name at the door'],
];
const SITE_COLUMNS = [
  'name',
  ...ADDRESS.map(([, column]) => column),
  'time zone',
  'networks',
  'check again on',
];
const COLUMNS: Record<CsvKind, readonly string[]> = { numbers: NUMBER_COLUMNS, sites: SITE_COLUMNS };

/**
 * The file. A text that a spreadsheet would run as a formula gets an apostrophe in front, which reading takes off again;
 * numbers with a plus sign are left as they are.
 */
export function writeCsv(kind: CsvKind, system: System): string {
  const rows =
    kind === 'numbers'
      ? Object.values(system.numbers).map((n) => numberRow(n, system))
      : Object.values(system.sites).map(siteRow);
  return Papa.unparse(
    { fields: [...COLUMNS[kind]], data: rows.map((row) => COLUMNS[kind].map((c) => row[c] ?? '')) },
    { newline: '\r\n', escapeFormulae: /^[=@\t\r]|^[+-](?!\d)/ },
  );
}

const numberRow = (n: NumberHeld, system: System): Record<string, string> => ({
  number: n.e164,
  label: n.label,
  use: n.use,
  site: (n.siteId && system.sites[n.siteId]?.name) || '',
  plan: (n.planId && system.plans[n.planId]?.name) || '',
  'caller name': n.callerName,
  notes: n.notes,
});
const siteRow = (s: Site): Record<string, string> => ({
  name: s.name,
  ...Object.fromEntries(ADDRESS.map(([part, column]) => [column, s.address[part]])),
  'time zone': s.timeZone,
  networks: s.networks.join(' '),
  'check again on': s.checkAgainOn ?? '',
});

/** What reading one row would do. */
export interface RowPreview {
  /** Row of the file, the header being 1. */
  row: number;
  name: string;
  does: 'new' | 'changes' | 'same' | 'wrong';
  changes: { column: string; from: string; to: string }[];
  problems: { column: string; message: string }[];
}
export type CsvPreview =
  | {
      ok: true;
      rows: RowPreview[];
      commands: Command[];
      /** Columns the file has and this reading leaves aside. */ ignored: string[];
    }
  | { ok: false; message: string };

/** Bytes of a file as text: UTF-8 or UTF-16 by its mark, else UTF-8, else Windows-1252, which is then said. */
export function decodeCsv(bytes: Uint8Array): { text: string; note: string } {
  const utf16 = (bytes[0] === 0xff && bytes[1] === 0xfe) || (bytes[0] === 0xfe && bytes[1] === 0xff);
  if (utf16)
    return {
      text: new TextDecoder(bytes[0] === 0xff ? 'utf-16le' : 'utf-16be').decode(bytes),
      note: 'Read as UTF-16.',
    };
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), note: '' };
  } catch {
    return {
      text: new TextDecoder('windows-1252').decode(bytes),
      note: 'The file is not UTF-8; it was read as Windows-1252. Look whether accents are right.',
    };
  }
}

/** Progress is told after so many rows. */
const TELL_EVERY = 100;

/**
 * What reading a file would change.
 * @param freshId makes ids for what is new @param progress is told how many rows of how many are done
 */
export function previewCsv(
  kind: CsvKind,
  text: string,
  system: System,
  freshId: (kind: string) => string,
  progress: (done: number, of: number) => void = () => {},
): CsvPreview {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    skipEmptyLines: 'greedy',
    preview: MOST_ROWS + 2,
  });
  const broken = parsed.errors.find((e) => e.type === 'Quotes');
  if (broken)
    return {
      ok: false,
      message: `Quotes do not match in row ${(broken.row ?? 0) + 1}: a quote was opened and never closed, or stands alone.`,
    };
  const [head, ...body] = parsed.data;
  if (!head?.length || (head.length === 1 && !head[0]!.trim()))
    return { ok: false, message: 'The file is empty.' };
  if (body.length > MOST_ROWS)
    return {
      ok: false,
      message: `The file has more than ${MOST_ROWS.toLocaleString('en')} rows. Is it the right one? Nothing was read.`,
    };
  const names = head.map((h) => h.trim().toLowerCase());
  const key = COLUMNS[kind][0]!;
  if (!names.includes(key))
    return {
      ok: false,
      message: `There is no column “${key}”. The file has: ${names.slice(0, 8).join(', ')}. Columns that are read: ${COLUMNS[kind].join(', ')}.`,
    };
  const twice = names.find((n, i) => COLUMNS[kind].includes(n) && names.indexOf(n) !== i);
  if (twice) return { ok: false, message: `The column “${twice}” is there twice.` };
  if (!body.length) return { ok: false, message: 'The file has a header and no rows.' };

  const commands: Command[] = [];
  const seen = new Map<string, number>();
  const byPlan = new Map(Object.values(system.plans).map((p) => [p.name.toLowerCase(), p.id]));
  const bySite = new Map(Object.values(system.sites).map((s) => [s.name.toLowerCase(), s]));
  const held = new Map(Object.values(system.numbers).map((n) => [n.e164, n]));
  const rows = body.map((cells, i): RowPreview => {
    if (i % TELL_EVERY === 0) progress(i, body.length);
    const row = i + 2;
    const cell = (column: string): string | undefined => {
      const at = names.indexOf(column);
      return at < 0 ? undefined : (cells[at] ?? '').trim().replace(/^'(?=[=@+\-\t\r])/, '');
    };
    const name = cell(key) ?? '';
    const preview: RowPreview = { row, name, does: 'same', changes: [], problems: [] };
    if (cells.length > names.length)
      preview.problems.push({ column: '', message: `has ${cells.length} cells, the header ${names.length}` });
    const read =
      kind === 'numbers'
        ? readNumberRow(cell, system, { held, bySite, byPlan })
        : readSiteRow(cell, system, bySite, freshId);
    preview.problems.push(...read.problems);
    if (read.id) {
      const before = seen.get(read.id);
      if (before) preview.problems.push({ column: key, message: `is the same as row ${before}` });
      else seen.set(read.id, row);
    }
    preview.changes = read.changes;
    if (!preview.problems.length && read.command) {
      const tried = applyEdit(system, { words: 'row', commands: [read.command] });
      if (!tried.ok)
        preview.problems.push(...tried.problems.map((p) => ({ column: p.field, message: p.message })));
    }
    if (preview.problems.length) return { ...preview, does: 'wrong' };
    if (read.isNew) preview.does = 'new';
    else if (read.changes.length) preview.does = 'changes';
    if (read.command && preview.does !== 'same') commands.push(read.command);
    return preview;
  });
  const ignored = names.filter((n) => n && !COLUMNS[kind].includes(n));
  return { ok: true, rows, commands, ignored };
}

interface RowRead {
  id: string | null;
  isNew: boolean;
  command: Command | null;
  changes: RowPreview['changes'];
  problems: RowPreview['problems'];
}
type Cell = (column: string) => string | undefined;

function readNumberRow(
  cell: Cell,
  system: System,
  known: { held: Map<string, NumberHeld>; bySite: Map<string, Site>; byPlan: Map<string, string> },
): RowRead {
  const none = (message: string): RowRead => ({
    id: null,
    isNew: false,
    command: null,
    changes: [],
    problems: [{ column: 'number', message }],
  });
  const read = readNumber(cell('number') ?? '', system.business.country, system.business.outsideDigit);
  if (!read.ok) return none(read.message);
  const number = known.held.get(read.number.e164);
  if (!number) return none('You do not hold this number. Get it, or bring it over, first.');
  const before = numberRow(number, system);
  const problems: RowPreview['problems'] = [];
  const changes: RowPreview['changes'] = [];
  const change: Partial<NumberHeld> = {};
  for (const column of NUMBER_COLUMNS.slice(1)) {
    const to = cell(column);
    if (to === undefined || to === before[column]) continue;
    const wrong = (message: string) => void problems.push({ column, message });
    if (column === 'site') {
      const site = known.bySite.get(to.toLowerCase());
      if (to && !site) wrong(`There is no site “${to}”.`);
      else change.siteId = site?.id ?? null;
    } else if (column === 'plan') {
      const plan = known.byPlan.get(to.toLowerCase());
      if (to && !plan) wrong(`There is no plan “${to}”.`);
      else change.planId = plan ?? null;
    } else if (column === 'use') {
      if (!['main', 'direct', 'department', '24-hour', 'shared'].includes(to))
        wrong(`“${to}” is not main, direct, department, 24-hour or shared.`);
      else change.use = to as NumberHeld['use'];
    } else if (column === 'label') change.label = to;
    else if (column === 'notes') change.notes = to;
    else change.callerName = to;
    changes.push({ column, from: before[column]!, to });
  }
  const command: Command = { do: 'number.set', id: number.id, change };
  return { id: number.id, isNew: false, command: changes.length ? command : null, changes, problems };
}

function readSiteRow(
  cell: Cell,
  system: System,
  bySite: Map<string, Site>,
  freshId: (kind: string) => string,
): RowRead {
  const name = cell('name') ?? '';
  if (!name)
    return {
      id: null,
      isNew: false,
      command: null,
      changes: [],
      problems: [{ column: 'name', message: 'The name is missing.' }],
    };
  const known = bySite.get(name.toLowerCase());
  const { country, timeZone } = system.business;
  const site = known ?? newSite({ id: freshId('site'), name, timeZone, address: civicAddress({ country }) });
  const before = siteRow(site);
  const problems: RowPreview['problems'] = [];
  const changes: RowPreview['changes'] = [];
  const next: Site = { ...site, address: { ...site.address } };
  for (const column of SITE_COLUMNS.slice(1)) {
    const to = cell(column);
    if (to === undefined || to === before[column] || ((!known || column === 'country') && to === ''))
      continue;
    const part = ADDRESS.find(([, c]) => c === column)?.[0];
    if (part) next.address[part] = part === 'country' ? to.toUpperCase() : to;
    else if (column === 'networks') next.networks = to.split(/[\s,;]+/).filter(Boolean);
    else if (column === 'check again on') next.checkAgainOn = to || null;
    else if (TimeZone.safeParse(to).success) next.timeZone = to;
    else
      problems.push({
        column,
        message: `“${to}” is not a time zone of the IANA list, such as Europe/London.`,
      });
    changes.push({ column, from: known ? before[column]! : '', to });
  }
  if (!/^[A-Z]{2}$/.test(next.address.country))
    problems.push({ column: 'country', message: 'A country is two letters, such as US.' });
  else
    for (const [part, message] of Object.entries(addressProblems(next.address)))
      problems.push({ column: ADDRESS.find(([p]) => p === part)?.[1] ?? part, message });
  const command: Command = known
    ? {
        do: 'site.set',
        id: site.id,
        change: {
          address: next.address,
          networks: next.networks,
          timeZone: next.timeZone,
          checkAgainOn: next.checkAgainOn,
        },
      }
    : { do: 'site.add', value: next };
  return { id: site.id, isNew: !known, command, changes, problems };
}
