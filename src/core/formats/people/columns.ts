/** Columns of a list of people: what they are called, and which column of a strange list is likely which. */

/** What a column can hold, with the words it goes by elsewhere. */
const WORDS = {
  name: ['name', 'full name', 'display name', 'person', 'employee', 'who', 'staff'],
  'given name': ['given name', 'first name', 'forename', 'given', 'first'],
  'family name': ['family name', 'last name', 'surname', 'family', 'last'],
  'e-mail': ['e-mail', 'email', 'mail', 'e-mail address', 'email address', 'mail address'],
  extension: ['extension', 'ext', 'ext.', 'extn', 'internal', 'internal number'],
  role: ['role', 'rights'],
  site: ['site', 'location', 'office', 'branch', 'place'],
  groups: ['groups', 'group', 'team', 'teams', 'department', 'departments'],
  phones: ['phones', 'phone kinds', 'devices', 'device'],
  mobile: ['mobile', 'cell', 'cell phone', 'mobile phone', 'mobile number', 'private mobile', 'own mobile'],
  'direct number': [
    'direct number',
    'direct',
    'did',
    'ddi',
    'direct line',
    'phone',
    'phone number',
    'telephone',
  ],
  'working hours': ['working hours', 'hours', 'shift'],
  'mobile seen by': ['mobile seen by'],
} as const;

export type Field = keyof typeof WORDS;
export const FIELDS = Object.keys(WORDS) as Field[];

/** A list taken apart. */
export interface PeopleTable {
  header: string[];
  rows: string[][];
  /** The likely field of each column; null is not read. */
  fields: (Field | null)[];
  /** Rows that could not be taken apart, by index, with why. */
  faults: Record<number, string>;
  /** What was peculiar about the text, or empty. */
  note: string;
}

const plain = (text: string): string =>
  text
    .trim()
    .toLowerCase()
    .replace(/[_\s-]+/g, ' ');
const byWord = new Map<string, Field>(
  FIELDS.flatMap((field) => WORDS[field].map((word): [string, Field] => [plain(word), field])),
);

/** The field a header names, or undefined. */
export const fieldNamed = (header: string): Field | undefined => byWord.get(plain(header));

/** What the cells of a column look like, where no header says it. */
function fieldLike(cells: readonly string[]): Field | undefined {
  const filled = cells.map((c) => c.trim()).filter(Boolean);
  if (!filled.length) return undefined;
  const most = (test: (cell: string) => boolean) => filled.filter(test).length > filled.length / 2;
  if (most((c) => /^\S+@\S+\.\S+$/.test(c))) return 'e-mail';
  if (most((c) => /^\d{2,6}$/.test(c))) return 'extension';
  if (most((c) => /^[+(\d][\d\s().+-]{6,}$/.test(c))) return 'mobile';
  if (most((c) => /^(owner|administrator|staff|shared room)$/i.test(c))) return 'role';
  if (most((c) => /^\p{L}[^@\d]*$/u.test(c))) return 'name';
  return undefined;
}

/**
 * Which column is likely which: by its header, else by what its cells look like. No field is given twice.
 * @param header names of the columns, or null where the list has none @param rows a few of its rows are looked at
 */
export function guessColumns(header: readonly string[] | null, rows: readonly string[][]): (Field | null)[] {
  const width = Math.max(header?.length ?? 0, ...rows.slice(0, 50).map((r) => r.length));
  const taken = new Set<Field>();
  const take = (field: Field | undefined): Field | null => {
    if (!field || taken.has(field)) return null;
    taken.add(field);
    return field;
  };
  const named = Array.from({ length: width }, (_, i) =>
    take(header ? fieldNamed(header[i] ?? '') : undefined),
  );
  if (header) return named;
  return named.map((field, i) => field ?? take(fieldLike(rows.slice(0, 50).map((r) => r[i] ?? ''))));
}
