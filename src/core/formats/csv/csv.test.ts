import Papa from 'papaparse';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { edited, yard } from '../../../../tests/fixtures/yard';
import { MOST_ROWS, decodeCsv, previewCsv, writeCsv, type CsvKind } from '.';

const system = yard();
let made = 0;
const freshId = (kind: string) => `${kind}-${++made}`;
const read = (kind: CsvKind, text: string, of = system) => previewCsv(kind, text, of, freshId);
const rows = (kind: CsvKind, text: string) => {
  const preview = read(kind, text);
  if (!preview.ok) throw new Error(preview.message);
  return preview;
};
const refusal = (kind: CsvKind, text: string) => {
  const preview = read(kind, text);
  return preview.ok ? 'was read' : preview.message;
};

describe('numbers and sites as CSV', () => {
  it('come back as they went out: nothing changes', () => {
    for (const kind of ['numbers', 'sites'] as const) {
      const preview = rows(kind, writeCsv(kind, system));
      expect(preview.commands).toEqual([]);
      expect(preview.rows.every((r) => r.does === 'same')).toBe(true);
    }
  });

  // RFC 4180 §2: CRLF between records; fields with commas, quotes or breaks in quotes, quotes doubled.
  it('is written as RFC 4180 says', () => {
    const odd = edited(system, [
      { do: 'number.set', id: 'main', change: { label: 'Main, "the" line', notes: 'one\ntwo' } },
    ]);
    const text = writeCsv('numbers', odd);
    expect(text).toContain('+13605550142,"Main, ""the"" line",');
    expect(text).toContain('"one\ntwo"');
    expect(text.split('\r\n')[0]).toMatch(/^number,label,use,site,plan,shown by,caller name,notes,/);
  });

  it('any label and note survives the way out and in', () => {
    const text = fc.string({ unit: 'grapheme', maxLength: 60 });
    fc.assert(
      fc.property(text, text, (a, b) => {
        const label = a.trim() || 'x';
        const before = edited(system, [{ do: 'number.set', id: 'main', change: { label, notes: b } }]);
        const preview = previewCsv('numbers', writeCsv('numbers', before), before, freshId);
        expect(preview.ok && preview.commands).toEqual([]);
      }),
      { numRuns: 200, seed: 11 },
    );
  });

  // A spreadsheet runs such texts as formulas (OWASP, CSV injection; from memory).
  it('gives a spreadsheet no formula to run', () => {
    const odd = edited(system, [{ do: 'number.set', id: 'main', change: { notes: '=HYPERLINK("x")' } }]);
    const cell = Papa.parse<Record<string, string>>(writeCsv('numbers', odd), { header: true }).data[0]!;
    expect(cell.notes).toBe(`'=HYPERLINK("x")`);
    expect(cell.number).toBe('+13605550142');
  });
});

describe('reading a file', () => {
  it('shows what changes, row by row, and makes one command a row', () => {
    const preview = rows(
      'numbers',
      'number,label,use\n(360) 555-0142,Front door,main\n360-555-0160,Night watch,24-hour\n',
    );
    expect(preview.rows[0]).toMatchObject({
      does: 'changes',
      changes: [
        { column: 'label', from: 'Main line', to: 'Front door' },
        { column: 'use', from: 'department', to: 'main' },
      ],
    });
    const after = edited(system, preview.commands);
    expect(after.numbers.main).toMatchObject({ label: 'Front door', use: 'main', siteId: 'yard' });
    expect(after.numbers.night!.use).toBe('24-hour');
  });

  it('names wrong rows and leaves them out', () => {
    const preview = rows(
      'numbers',
      'number,label,site,use,plan\n555-BOAT,a,,main,\n+13605550199,b,,main,\n+13605550142,,Yard,main,\n+13605550160,N,Nowhere,odd,None\n+13605550171,Rosa,Yard,direct,\n+13605550171,Rosa,Yard,direct,\n',
    );
    const messages = preview.rows.map((r) => r.problems.map((p) => `${p.column}: ${p.message}`).join(' '));
    expect(messages[0]).toContain('letters');
    expect(messages[1]).toContain('do not hold');
    expect(messages[2]).toContain('label: Give it a name');
    expect(messages[3]).toMatch(/no site “Nowhere”.*no plan “None”|“odd” is not/);
    expect(messages[4]).toBe('');
    expect(messages[5]).toContain('same as row 6');
    expect(preview.commands).toHaveLength(1);
  });

  it('adds and changes sites, and names what help would miss', () => {
    const preview = rows(
      'sites',
      'name,house number,street,city,state,postal code,country,networks\nYard,14,,,,,,\nSail loft,3,Quay Street,Port Ansel,WA,98300,us,192.0.2.0/24\nBarn,1,Old Mill Lane,,WA,98300,US,\nShed,1,Lane,Town,WA,98300,US,office\n',
    );
    expect(preview.rows.map((r) => r.does)).toEqual(['wrong', 'new', 'wrong', 'wrong']);
    expect(preview.rows[0]!.problems.map((p) => p.column)).toEqual([
      'street',
      'city',
      'state',
      'postal code',
    ]);
    expect(preview.rows[2]!.problems).toEqual([
      { column: 'city', message: expect.stringContaining('City is missing') },
    ]);
    expect(preview.rows[3]!.problems[0]!.message).toContain('not a network');
    const after = edited(system, preview.commands);
    expect(Object.values(after.sites).map((s) => s.name)).toEqual(['Yard', 'Sail loft']);
  });

  it('who may show a number, by name or extension', () => {
    const preview = rows(
      'numbers',
      'number,shown by,caller name\n+13605550142,rosa delgado; 202,\n+13605550160,Nobody,\n+13605550171,Zoe,THIS NAME IS FAR TOO LONG\n',
    );
    expect(preview.rows[0]!.changes).toEqual([
      { column: 'shown by', from: 'everybody', to: 'rosa delgado; 202' },
    ]);
    const after = edited(system, preview.commands);
    expect(after.numbers.main!.callerIdFor).toEqual(['rosa', 'idris']);
    expect(after.numbers.night!.callerIdFor).toEqual([]);
    expect(preview.rows[2]!.problems[0]!.message).toContain('nobody called “Zoe”');
    const long = rows('numbers', 'number,caller name\n+13605550142,THIS NAME IS FAR TOO LONG\n');
    expect(long.rows[0]!.problems[0]!.column).toBe('caller name');
    const twins = edited(after, [{ do: 'person.set', id: 'idris', change: { name: 'Rosa Delgado' } }]);
    expect(writeCsv('numbers', twins)).toContain(',201; 202,');
    expect(read('numbers', 'number,shown by\n+13605550142,Rosa Delgado\n', twins)).toMatchObject({
      rows: [{ problems: [{ message: expect.stringContaining('Write their extension') }] }],
    });
  });

  it('an emergency address of a number’s own, in parts, and none again', () => {
    const head =
      'number,emergency house number,emergency street,emergency city,emergency state,emergency postal code\n';
    const preview = rows(
      'numbers',
      `${head}+13605550142,3,Quay Street,Port Ansel,WA,98300\n+13605550160,3,,,,\n`,
    );
    expect(preview.rows[1]).toMatchObject({
      does: 'wrong',
      problems: [{ column: 'emergency street' }, {}, {}, {}],
    });
    const after = edited(system, preview.commands);
    expect(after.numbers.main!.address).toMatchObject({ RD: 'Quay Street', A3: 'Port Ansel', country: 'US' });
    expect(read('numbers', writeCsv('numbers', after), after)).toMatchObject({ commands: [] });
    const none = read('numbers', `${head}+13605550142,,,,,\n`, after);
    expect(none.ok && edited(after, none.commands).numbers.main!.address).toBeNull();
  });

  it('who is told of emergency calls at a site, and the number help rings back', () => {
    const preview = rows(
      'sites',
      'name,rings back,told,told by mail,check again on\nYard,(360) 555-0142,Rosa Delgado; 203,watch@yard.example,2027-06-01\n',
    );
    expect(edited(system, preview.commands).sites.yard).toMatchObject({
      callback: '+13605550142',
      notify: { personIds: ['rosa', 'pia'], mailTo: ['watch@yard.example'] },
      checkAgainOn: '2027-06-01',
    });
    const wrong = (cells: string) =>
      rows('sites', `name,rings back,told by mail,check again on\nYard,${cells}\n`).rows[0]!.problems[0]!;
    expect(wrong('+12065550134,,').message).toContain('not one of your own');
    expect(wrong(',no mail,').column).toBe('told by mail');
    expect(wrong(',,soon').column).toBe('check again on');
  });

  it.each([
    ['nothing in it', '', 'empty'],
    ['a header only', 'number,label\n', 'no rows'],
    ['other columns', 'phone;name\n1;2\n', 'no column “number”'],
    ['a column twice', 'number,label,label\n1,2,3\n', 'twice'],
    ['a quote that is never closed', 'number,label\n+13605550142,"Main\n', 'Quotes do not match'],
    ['too many rows', 'number\n' + '+13605550142\n'.repeat(100_000), MOST_ROWS.toLocaleString('en')],
  ])('refuses a file with %s', (_, text, message) => {
    expect(refusal('numbers', text)).toContain(message);
  });

  it('takes semicolons, a mark at the start, and columns it does not know', () => {
    const preview = rows('numbers', '\uFEFFNumber;Label;Colour\n360 555 0142;Front;red\n');
    expect(preview.rows[0]).toMatchObject({ does: 'changes', changes: [{ column: 'label', to: 'Front' }] });
    expect(preview.ignored).toEqual(['colour']);
  });

  it('reads other encodings, and says so', () => {
    const bytes = new Uint8Array([...'name\nAnlegestelle S'].map((c) => c.charCodeAt(0)).concat([0xfc]));
    expect(decodeCsv(bytes)).toEqual({
      text: 'name\nAnlegestelle Sü',
      note: expect.stringContaining('Windows-1252'),
    });
    expect(decodeCsv(new TextEncoder().encode('Sü'))).toEqual({ text: 'Sü', note: '' });
    expect(decodeCsv(new Uint8Array([0xff, 0xfe, 0x53, 0, 0xfc, 0])).text).toBe('Sü');
  });
});
