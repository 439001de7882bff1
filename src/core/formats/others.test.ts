/* eslint-disable no-control-regex */
/** Tables and cards that others made, and files with whatever a name may hold. */
import { XMLValidator } from 'fast-xml-parser';
import ICAL from 'ical.js';
import { simpleParser } from 'mailparser';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { edited, yard } from '../../../tests/fixtures/yard';
import { rawMessage } from '../../standins/mail/compose';
import { directory } from '../people';
import { applyEdit, newGroup, Person, type Command, type MenuStep } from '../system';
import { decodeCsv, previewCsv, writeCsv } from './csv';
import { writeEvents } from './ical';
import {
  isVcards,
  previewPeople,
  readVcards,
  tableOf,
  writePeopleCsv,
  writeVcards,
  type PeopleTable,
} from './people';
import { planSvg } from './picture';
import { asPidfLo } from './pidflo';
import { readPlan, writePlan, writeVoiceXml } from './plan';

let made = 0;
const freshId = (kind: string) => `${kind}-${++made}`;
const system = edited(yard(), [{ do: 'group.add', value: newGroup({ id: 'slip', name: 'Slip' }) }]);
const OPTIONS = { rule: 'next free' as const, makeGroups: true, phones: ['browser' as const], outside: [] };
const preview = (table: PeopleTable | { message: string }, of = system) => {
  if ('message' in table) throw new Error(table.message);
  return previewPeople(table.rows, table.fields, table.faults, OPTIONS, of, freshId);
};
const people = (text: string) => preview(tableOf(text)).rows;

describe('tables of spreadsheets', () => {
  it('a first line that says what parts the cells, and a title above the header', () => {
    const table = tableOf(
      'sep=;\r\nOur people 2027;;\r\nname;e-mail;extension\r\nAda Fenwick;ada@yard.example;240\r\n',
    );
    if ('message' in table) throw new Error(table.message);
    expect(table.header).toEqual(['name', 'e-mail', 'extension']);
    expect(table.note).toContain('Our people 2027');
    expect(preview(table).rows).toMatchObject([{ name: 'Ada Fenwick', does: 'new', extension: '240' }]);
    const numbers = previewCsv(
      'numbers',
      `sep=;\nNumbers\n"number";"label"\n(360) 555-0142;Front\n`,
      system,
      freshId,
    );
    expect(numbers).toMatchObject({ ok: true, rows: [{ does: 'changes' }] });
  });
  it('numbers that a spreadsheet has written its own way, and those it has rounded', () => {
    const [whole, rounded] = people(
      'name,extension,mobile\nAda Fenwick,242.0,2.065550123E9\nBo Li,243,2.06555E+09',
    );
    expect(whole).toMatchObject({ does: 'new', extension: '242' });
    expect(rounded!.problems).toEqual([{ field: 'mobile', message: expect.stringContaining('rounded') }]);
    const held = previewCsv('numbers', 'number,label\n3.605550142E9,Front', system, freshId);
    expect(held).toMatchObject({ ok: true, rows: [{ does: 'changes' }] });
  });
  it('signs nobody sees, and line breaks in names', () => {
    const [row] = people('name,extension\n"Ada\nFen\u200Bwick ",\u200B24\uFEFF0');
    expect(row).toMatchObject({ name: 'Ada Fenwick', does: 'new', extension: '240' });
  });
  it('names of over 80 characters are told beside their cell', () => {
    const long = 'x'.repeat(81);
    const rows = people(`name,family name,groups\n${long},,\nAda,${long},\nBo,,${long}`);
    expect(rows.map((r) => r.problems[0]?.field)).toEqual(['name', 'family name', 'groups']);
  });
  it('a cell of a hundred thousand characters of groups is told, not taken apart', () => {
    const [row] = people(`name,groups\nAda,"${'a"";'.repeat(25_000)}"`);
    expect(row!.problems[0]).toMatchObject({ field: 'groups', message: expect.stringContaining('too long') });
  });
  it('UTF-16 without a mark, of both kinds', () => {
    const text = 'name,extension\r\nZoë Fenwick,240\r\n';
    const le = new Uint8Array([...text].flatMap((c) => [c.charCodeAt(0) & 255, c.charCodeAt(0) >> 8]));
    const be = new Uint8Array([...text].flatMap((c) => [c.charCodeAt(0) >> 8, c.charCodeAt(0) & 255]));
    for (const bytes of [le, be]) expect(decodeCsv(bytes)).toMatchObject({ text, note: 'Read as UTF-16.' });
  });
  it('what a spreadsheet would run is text in what is written, and numbers stay numbers', () => {
    const evil = ['=1+1', '-2+3+cmd|x', '+1+2', '@SUM(1)', '\t=1', ' =1+1', '＝1+1', '-5', '+1 360 555 0142'];
    const commands = evil.map((notes, i): Command => ({
      do: 'site.add',
      value: {
        ...system.sites.yard!,
        id: `s${i}`,
        name: `Site ${i}`,
        address: { ...system.sites.yard!.address, LOC: notes },
      },
    }));
    const of = edited(system, commands);
    const rows = Papa.parse<string[]>(writeCsv('sites', of)).data;
    const column = rows[0]!.indexOf('how to find it');
    const cells = rows.slice(-evil.length).map((r) => r[column]!);
    // Runs nothing: no cell begins with a sign of a formula, but for plain numbers.
    expect(cells.filter((c) => /^\s*[=@＝＠]|^\s*[+\-＋－]/.test(c))).toEqual(['-5', '+1 360 555 0142']);
    // And is the same again when it is read.
    const back = previewCsv('sites', writeCsv('sites', of), of, freshId);
    expect(back.ok && back.rows.filter((r) => r.does !== 'same')).toEqual([]);
    expect(
      writePeopleCsv(edited(system, [{ do: 'person.set', id: 'rosa', change: { name: '=1+1' } }])),
    ).toContain(`'=1+1`);
    expect(writeCsv('numbers', system)).toContain('+13605550142');
  });
});

describe('cards of others', () => {
  const card = (...lines: string[]) => ['BEGIN:VCARD', 'VERSION:4.0', ...lines, 'END:VCARD', ''].join('\r\n');
  it('groups and organisations are no people, and that is told', () => {
    const table = readVcards(
      card('KIND:group', 'FN:The crew') + card('KIND:org', 'FN:Yard Ltd') + card('FN:Ada Fenwick'),
    );
    if ('message' in table) throw new Error(table.message);
    expect(table.rows.map((r) => r[0])).toEqual(['Ada Fenwick']);
    expect(table.note).toContain('2 cards');
  });
  it('our own directory read back changes nothing', () => {
    const of = edited(system, [
      { do: 'group.set', id: 'slip', change: { members: [{ kind: 'person', id: 'rosa' }] } },
      { do: 'person.set', id: 'idris', change: { role: 'shared room', email: '' } },
    ]);
    const text = writeVcards(directory(of, null), '+13605550142', 'The yard');
    expect(isVcards(text)).toBe(true);
    const read = preview(tableOf(text), of);
    expect(read.rows.map((r) => r.does)).toEqual(read.rows.map(() => 'same'));
    expect(read.commands).toEqual([]);
  });
  // RFC 6350 §5.3: the lowest PREF is preferred.
  it('the preferred address is taken', () => {
    const rows = (text: string) => {
      const table = readVcards(text);
      return 'message' in table ? [] : table.rows.map((r) => r[2]);
    };
    expect(
      rows(
        card('FN:Ada', 'EMAIL;PREF=50:b@yard.example', 'EMAIL;PREF=1:a@yard.example', 'EMAIL:c@yard.example'),
      ),
    ).toEqual(['a@yard.example']);
    expect(
      rows(
        'BEGIN:VCARD\r\nVERSION:3.0\r\nFN:Bo\r\nN:Bo;;;;\r\nEMAIL:c@yard.example\r\nEMAIL;TYPE=INTERNET,PREF:a@yard.example\r\nEND:VCARD\r\n',
      ),
    ).toEqual(['a@yard.example']);
  });
  it('semicolons within names stay in them', () => {
    const table = readVcards(
      card('FN:Fenwick\\; Ada', 'N:Fen\\;wick;Ada;;;', 'CATEGORIES:Slip\\, north,Loft'),
    );
    expect('rows' in table && table.rows[0]).toEqual([
      'Fenwick; Ada',
      'Fen;wick',
      '',
      '',
      '',
      'Slip, north; Loft',
      '',
    ]);
  });
  it('version 2.1 is refused in words, whatever its coding, and by its name', () => {
    const old =
      'BEGIN:VCARD\r\nVERSION:2.1\r\nN;CHARSET=UTF-8;ENCODING=QUOTED-PRINTABLE:=4D=C3=BC=6C=6C=65=72;Ada\r\nNOTE;ENCODING=QUOTED-PRINTABLE:line=0D=0A=\r\nEND of it\r\nEND:VCARD\r\n';
    const rows = preview(readVcards(old + card('FN:Bo'))).rows;
    expect(rows[0]).toMatchObject({
      name: 'Müller Ada',
      does: 'wrong',
      problems: [{ message: expect.stringContaining('version 2.1') }],
    });
    expect(rows[1]).toMatchObject({ name: 'Bo', does: 'new' });
  });
});

describe('whatever is in a name', () => {
  const EVIL = 'A\u0000B\u0007\uFFFE\uFFFF\uD800C\r\nBcc: x@y.example\u2028<b>&"\u{1F6A2}';
  it('is cleaned at the door', () => {
    const name = Person.shape.name.parse(EVIL);
    expect(name).toBe('ABC Bcc: x@y.example <b>&"\u{1F6A2}');
    const after = edited(system, [{ do: 'person.set', id: 'rosa', change: { name: EVIL } }]);
    expect(after.people.rosa!.name).toBe(name);
  });
  // Past the door, as data of an older version may be.
  const of = structuredClone(system);
  of.people.rosa!.name = EVIL;
  of.business.name = EVIL;
  for (const plan of Object.values(of.plans)) plan.name = EVIL;
  for (const recording of Object.values(of.recordings)) recording.text = EVIL;
  of.sites.yard!.name = EVIL;
  of.sites.yard!.address.LOC = EVIL;
  // XML 1.0 §2.2.
  const illegal =
    /[\u0000-\u0008\u000B\u000C\u000E-\u001F\uFFFE\uFFFF]|[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/;
  const menu: MenuStep = {
    id: 'm',
    kind: 'menu',
    recordingId: Object.keys(of.recordings)[0]!,
    seconds: 5,
    tries: 2,
    dialExtension: false,
    nameKey: null,
    branches: [],
    otherwise: [],
  };
  it.each([
    ['a picture', () => planSvg(Object.values(of.plans)[0]!, of)],
    ['a menu', () => writeVoiceXml(menu, of)],
    ['places', () => asPidfLo(of, 0)],
  ])('%s is well-formed', (_, write) => {
    const xml = write();
    expect(XMLValidator.validate(xml)).toBe(true);
    expect(illegal.test(xml)).toBe(false);
  });
  it('a calendar and a card have the lines they should have', () => {
    const text = writeEvents('x', [{ uid: 'u', name: EVIL, note: EVIL, from: 0, to: 1 }], {
      zone: 'UTC',
      now: 0,
      from: 0,
      to: 1,
    });
    const event = new ICAL.Component(ICAL.parse(text) as unknown as unknown[]).getFirstSubcomponent(
      'vevent',
    )!;
    expect(event.getAllProperties().map((p) => p.name)).toEqual([
      'uid',
      'summary',
      'dtstamp',
      'dtstart',
      'dtend',
      'description',
    ]);
    const cards = writeVcards(directory(of, null), null, EVIL);
    expect(illegal.test(cards)).toBe(false);
    expect(() => ICAL.parse(cards)).not.toThrow();
    expect(cards).not.toMatch(/^Bcc/m);
  });
  it('a mail has no headers but its own', async () => {
    const raw = await rawMessage({
      id: 'x',
      to: { name: EVIL, address: 'a@yard.example' },
      from: { name: EVIL, address: 'b@yard.example' },
      at: 0,
      subject: EVIL,
      text: EVIL,
    });
    const mail = await simpleParser(raw);
    expect(mail.bcc).toBeUndefined();
    expect([...mail.headers.keys()]).not.toContain('bcc');
    expect(mail.subject).toContain('Bcc: x@y.example');
  });
});

describe('five hundred changes at random never end in an exception', () => {
  let seed = 11;
  const random = (n: number) => (seed = (seed * 48_271) % 2_147_483_647) % n;
  const signs = '\r\n:;,="0123456789aéÄ\\%\u0000\uFFFE{}[]<>&\'';
  const mutate = (text: string) => {
    const at = random(text.length);
    return text.slice(0, at) + signs[random(signs.length)] + text.slice(at + random(5));
  };
  const of = edited(system, [
    { do: 'group.set', id: 'slip', change: { members: [{ kind: 'person', id: 'rosa' }] } },
  ]);
  const bytes = (text: string) => new TextEncoder().encode(text);
  it.each<[string, string, (text: string) => unknown]>([
    [
      'a list of people',
      writePeopleCsv(of),
      (text) => {
        const table = tableOf(decodeCsv(bytes(text)).text);
        if (!('message' in table)) preview(table, of);
      },
    ],
    [
      'cards',
      writeVcards(directory(of, null), '+13605550142', 'The yard'),
      (text) => {
        const table = readVcards(bytes(text));
        if (!('message' in table)) preview(table, of);
      },
    ],
    ['numbers', writeCsv('numbers', of), (text) => previewCsv('numbers', text, of, freshId)],
    ['sites', writeCsv('sites', of), (text) => previewCsv('sites', text, of, freshId)],
    [
      'a plan',
      writePlan(Object.values(of.plans)[0]!, of),
      (text) => {
        const read = readPlan(text, of, freshId);
        if (read.ok) applyEdit(of, { words: 'x', commands: read.commands });
      },
    ],
  ])('%s', (_, text, read) => {
    for (let i = 0; i < 500; i++) {
      const changed = mutate(text);
      expect(() => read(changed), changed).not.toThrow();
    }
  });
  it('a plan nested ten thousand deep is refused in words', () => {
    let steps = '[]';
    for (let i = 0; i < 10_000; i++)
      steps = `[{"id":"s${i}","kind":"hours","hoursId":null,"branches":[],"otherwise":${steps}}]`;
    const plan = writePlan({ id: 'x', name: 'X', steps: [] }, of).replace('"steps": []', `"steps": ${steps}`);
    expect(readPlan(plan, of, freshId)).toMatchObject({
      ok: false,
      message: expect.stringMatching(/deep|damaged/),
    });
  });
});
