import fc from 'fast-check';
import ICAL from 'ical.js';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { edited, yard } from '../../../../tests/fixtures/yard';
import { directory } from '../../people';
import { groupsOf, newGroup, newPerson, type Command, type System } from '../../system';
import { previewPeople, tableOf, writePeopleCsv, writeVcards, type PeopleOptions } from '.';

const OPTIONS: PeopleOptions = {
  rule: 'next free',
  makeGroups: false,
  phones: ['browser'],
  outside: ['mobile app'],
};
let made = 0;
const freshId = (kind: string) => `${kind}-${++made}`;
const slip: Command = { do: 'group.add', value: newGroup({ id: 'slip', name: 'Slip' }) };
const system = edited(yard(), [slip]);

function read(text: string, of: System = system, options: Partial<PeopleOptions> = {}) {
  const table = tableOf(text);
  if ('message' in table) throw new Error(table.message);
  const preview = previewPeople(
    table.rows,
    table.fields,
    table.faults,
    { ...OPTIONS, ...options },
    of,
    freshId,
  );
  return { ...preview, table, after: () => edited(of, preview.commands) };
}
const problems = (text: string, of?: System, options?: Partial<PeopleOptions>) =>
  read(text, of, options).rows.map((r) => r.problems.map((p) => `${p.field}: ${p.message}`).join(' | '));
const named = (of: System, name: string) => Object.values(of.people).find((p) => p.name === name)!;

describe('columns are guessed', () => {
  it.each([
    ['Full Name,Email Address,Ext.,Department,Cell', ['name', 'e-mail', 'extension', 'groups', 'mobile']],
    ['First name;Last name;E-Mail;DID', ['given name', 'family name', 'e-mail', 'direct number']],
    ['name\textension\tColour', ['name', 'extension', null]],
    ['Name,Full name,Mail', ['name', null, 'e-mail']],
  ])('by the header %s', (header, fields) => {
    const delimiter = /[,;\t]/.exec(header)![0];
    expect(
      read(`${header}\n${['a', 'b', 'c', 'd', 'e'].slice(0, fields.length).join(delimiter)}`).table.fields,
    ).toEqual(fields);
  });
  it('and by what the cells look like where there is no header', () => {
    const { table } = read(
      'Ada Fenwick\tada@yard.example\t240\t(206) 555-0123\nBo Li\tbo@yard.example\t241\t',
    );
    expect(table.fields).toEqual(['name', 'e-mail', 'extension', 'mobile']);
    expect(table.rows).toHaveLength(2);
    expect(table.note).toContain('No header was found');
  });
});

describe('a list of people', () => {
  it('adds people with extension, mailbox and phones, and puts them in their groups', () => {
    const list = read(
      'name,e-mail,site,groups,phones,mobile,role\n' +
        'Ada Fenwick,ada@yard.example,Yard,Slip,desk; app,(206) 555-0123,admin\n' +
        'Meeting room,,Yard,,desk phone,,room\n' +
        'Bo Li,bo@yard.example,,,,,\n',
    );
    expect(list.rows.map((r) => [r.name, r.does, r.extension, r.proposed])).toEqual([
      ['Ada Fenwick', 'new', '205', true],
      ['Meeting room', 'new', '206', true],
      ['Bo Li', 'new', '207', true],
    ]);
    const after = list.after();
    const ada = named(after, 'Ada Fenwick');
    expect(ada).toMatchObject({ role: 'administrator', siteId: 'yard', email: 'ada@yard.example' });
    expect(after.mailboxes[ada.mailboxId!]).toMatchObject({ name: 'Ada Fenwick', ownerIds: [ada.id] });
    const phones = (id: string) =>
      Object.values(after.phones)
        .filter((p) => p.personId === id)
        .map((p) => [p.kind, p.number, p.outsideOffice]);
    expect(phones(ada.id)).toEqual([
      ['desk', null, false],
      ['mobile app', null, true],
      ['linked mobile', '+12065550123', false],
    ]);
    expect(groupsOf(after, ada.id).map((g) => g.id)).toEqual(['slip']);
    expect(phones(named(after, 'Bo Li').id)).toEqual([['browser', null, false]]);
    expect(named(after, 'Meeting room')).toMatchObject({ role: 'shared room', mailboxId: null });
  });

  it('changes those who are there, known by address, by extension with the name, or by name', () => {
    const list = read(
      'name,e-mail,extension,role\nRosa D,ROSA@yard.example,,owner\nIdris Okafor,idris.okafor@yard.example,202,\nPia Lindqvist,,230,\n',
    );
    expect(list.rows.map((r) => r.changes.map((c) => `${c.field} ${c.from}>${c.to}`))).toEqual([
      ['name Rosa Delgado>Rosa D', 'e-mail rosa@yard.example>ROSA@yard.example', 'role staff>owner'],
      ['e-mail idris@yard.example>idris.okafor@yard.example'],
      ['extension 203>230'],
    ]);
    expect(list.after().people).toMatchObject({
      rosa: { name: 'Rosa D', role: 'owner', extension: '201' },
      idris: { email: 'idris.okafor@yard.example' },
      pia: { extension: '230', email: 'pia@yard.example' },
    });
  });

  it('names what is wrong beside its cell, and reads the rest', () => {
    const list = read(
      'name,e-mail,extension,site,groups,phones,mobile,direct number,role,working hours\n' +
        'Ada,not an address,,,,,,,,\n' +
        'Bo,rosa@yard.example,202,,,,,,,\n' +
        'Cy,cy@yard.example,911,Nowhere,Crew,fax,555,(206) 555-0199,boss,Never\n' +
        ',x@yard.example,,,,,,,,\n' +
        'Di,cy@yard.example,,,,,+13605550142,,,\n' +
        'Ed,ed@yard.example,20,,,,,,,\n' +
        'Flo,flo@yard.example,,Yard,Slip,,,,,Office hours\n' +
        'Flo,flo@yard.example,,,,,,,,\n' +
        'Gus,gus@yard.example,,,,linked mobile,,,,\n',
    );
    const said = list.rows.map((r) => r.problems.map((p) => `${p.field}: ${p.message}`));
    expect(said[0]).toEqual([expect.stringContaining('e-mail: That is not an e-mail address')]);
    expect(said[1]).toEqual(['extension: 202 belongs to Idris Okafor.']);
    expect(said[2]!.map((m) => m.split(':')[0]).sort()).toEqual([
      'direct number',
      'extension',
      'groups',
      'mobile',
      'phones',
      'role',
      'site',
      'working hours',
    ]);
    expect(said[2]!.join()).toContain('You do not hold this number');
    expect(said[2]!.join()).toContain('“fax” is not browser, computer');
    expect(said[2]!.join()).toContain('911 is an emergency number');
    expect(said[3]).toEqual(['name: Give it a name.']);
    expect(said[4]!.join()).toContain('is the same as in row 3');
    expect(said[4]!.join()).toContain('your own Main line');
    expect(said[5]![0]).toContain('extension: 20 is the beginning of 20');
    expect(said[6]).toEqual([]);
    expect(said[7]!.join()).toContain('is the same as in row 7');
    expect(said[8]).toEqual(['mobile: A linked phone needs its number.']);
    expect(list.rows.map((r) => r.does)).toEqual([...Array(6).fill('wrong'), 'new', 'wrong', 'wrong']);
    expect(Object.keys(list.after().people)).toHaveLength(5);
  });

  it('a group that does not exist is an error, unless it is to be made', () => {
    const text = 'name,groups\nAda,"Crew; Slip"\nBo,crew\n';
    expect(problems(text)).toEqual([
      'groups: There is no group “Crew”.',
      'groups: There is no group “crew”.',
    ]);
    const list = read(text, system, { makeGroups: true });
    expect(list.missingGroups).toEqual(['Crew']);
    const after = list.after();
    const crew = Object.values(after.groups).find((g) => g.name === 'Crew')!;
    expect(crew.members.map((m) => after.people[m.id]!.name)).toEqual(['Ada', 'Bo']);
  });

  it('a direct number rings its person from then on', () => {
    const after = read('name,direct number\nAda,(360) 555-0160\n').after();
    const plan = after.plans[after.numbers.night!.planId!]!;
    const ada = named(after, 'Ada');
    expect(plan.steps).toMatchObject([
      { kind: 'ring', targets: [{ kind: 'person', id: ada.id }] },
      { kind: 'voicemail', mailboxId: ada.mailboxId },
    ]);
    expect(read(writePeopleCsv(after), after).commands).toEqual([]);
  });

  it('two of the same name must be told apart', () => {
    const twins = edited(system, [
      { do: 'person.set', id: 'idris', change: { name: 'Rosa Delgado', email: '' } },
    ]);
    expect(problems('name,role\nRosa Delgado,owner\n', twins)[0]).toContain('Two are called so');
    expect(read('name,extension,role\nRosa Delgado,202,owner\n', twins).after().people.idris!.role).toBe(
      'owner',
    );
  });

  it.each([
    ['', 'empty'],
    ['name,e-mail\n', 'no rows'],
    ['name\n"Ada\n', 'Quotes do not match'],
  ])('%j as a whole is refused', (text, message) =>
    expect(tableOf(text)).toMatchObject({ message: expect.stringContaining(message) }),
  );
});

describe('extensions are proposed by a rule', () => {
  const list = 'name,site,direct number\nAda,Store,(360) 555-0142\nBo,Yard,\nCy,Store,(360) 555-0160\n';
  const withStore = edited(system, [
    { do: 'site.add', value: { ...system.sites.yard!, id: 'store', name: 'Store' } },
  ]);
  it.each([
    ['next free', ['205', '206', '207']],
    ['by site', ['301', '205', '302']],
    // 142 and 160 are the last digits of the direct numbers.
    ['last digits', ['142', '205', '160']],
  ] as const)('%s', (rule, extensions) =>
    expect(read(list, withStore, { rule }).rows.map((r) => r.extension)).toEqual(extensions),
  );
  it('none that is reserved, and none twice', () => {
    const reserved = edited(system, [
      { do: 'business.set', change: { reserved: [{ from: '205', to: '298', note: 'season' }] } },
    ]);
    expect(read('name\nAda\nBo\n', reserved).rows.map((r) => r.extension)).toEqual(['299', '300']);
  });
});

describe('out and in again', () => {
  // RFC 4180 §2: CRLF between records; fields with commas, quotes or breaks in quotes, quotes doubled.
  it('is CSV that another reader takes apart the same way', () => {
    const odd = edited(system, [
      { do: 'person.set', id: 'rosa', change: { name: 'Rosa, "the boss"', familyName: '=Delgado' } },
    ]);
    const text = writePeopleCsv(odd);
    expect(text.split('\r\n')[1]).toMatch(
      /^"Rosa, ""the boss""","?'=Delgado"?,rosa@yard\.example,201,staff,Yard,/,
    );
    const [row] = Papa.parse<Record<string, string>>(text, { header: true }).data;
    expect(row).toMatchObject({ name: 'Rosa, "the boss"', phones: 'desk; mobile app' });
  });

  const word = fc
    .string({ unit: 'grapheme', minLength: 1, maxLength: 30 })
    .map((t) => t.trim().replace(/[\r\n]/g, ''))
    .filter((t) => t !== '' && !t.startsWith("'"));
  it('a list of people read, written and read again is the same', () => {
    const person = fc.record({
      name: word,
      family: fc.option(word, { nil: '' }),
      groups: fc.subarray(['Slip', 'A; b', 'C "d"']),
      role: fc.constantFrom('owner', 'administrator', 'staff', 'shared room'),
    });
    const groups = ['A; b', 'C "d"'].map((name, i): Command => ({
      do: 'group.add',
      value: newGroup({ id: `g${i}`, name }),
    }));
    fc.assert(
      fc.property(
        fc.uniqueArray(person, { maxLength: 8, selector: (p) => p.name.toLowerCase() }),
        (people) => {
          const before = edited(
            edited(yard(), [slip, ...groups]),
            people.flatMap((p, i): Command[] => [
              {
                do: 'person.add',
                value: newPerson({
                  id: `p${i}`,
                  name: p.name,
                  familyName: p.family,
                  extension: String(300 + i),
                  role: p.role as never,
                  email: `p${i}@yard.example`,
                }),
              },
            ]),
          );
          const joined = edited(
            before,
            ['slip', 'g0', 'g1'].map((id): Command => ({
              do: 'group.set',
              id,
              change: {
                members: people.flatMap((p, i) =>
                  p.groups.includes(before.groups[id]!.name)
                    ? [{ kind: 'person' as const, id: `p${i}` }]
                    : [],
                ),
              },
            })),
          );
          const text = writePeopleCsv(joined);
          const again = read(text, joined);
          expect(again.rows.flatMap((r) => r.problems)).toEqual([]);
          expect(again.commands).toEqual([]);
          // Read into an empty yard it makes the same list.
          const fresh = read(text, edited(yard(), [slip, ...groups]), { phones: [] }).after();
          expect(writePeopleCsv(fresh).split('\r\n').sort()).toEqual(text.split('\r\n').sort());
        },
      ),
      { numRuns: 60, seed: 4 },
    );
  });
});

describe('vCards', () => {
  const card = (lines: string) => `BEGIN:VCARD\r\nVERSION:4.0\r\n${lines}\r\nEND:VCARD\r\n`;

  // RFC 6350 §8, the author's own card, shortened to the properties read here; name and numbers invented. (published form)
  it('are read: name, address, extension, mobile, groups', () => {
    const { table, rows } = read(
      card(
        'FN:Simone Perro\r\nN:Perro;Simone;;;\r\nEMAIL;TYPE=work:simone@yard.example\r\nTEL;VALUE=uri;TYPE="work,voice";PREF=1:tel:+1-360-555-0142;ext=240\r\nTEL;VALUE=uri;TYPE="cell,voice":tel:+1-206-555-0123\r\nCATEGORIES:Slip\r\nLANG;PREF=1:en',
      ) +
        // RFC 6350 §3.2: a line is folded by a break and one space.
        card('FN:Ada Fen\r\n wick\r\nNOTE:a\\, b'),
    );
    expect(table.rows).toEqual([
      ['Simone Perro', 'Perro', 'simone@yard.example', '240', '+1-206-555-0123', 'Slip', ''],
      ['Ada Fenwick', '', '', '', '', '', ''],
    ]);
    expect(rows.map((r) => [r.does, r.extension])).toEqual([
      ['new', '240'],
      ['new', '205'],
    ]);
  });

  it('of another version are named and left out; the rest is read', () => {
    const list = read(
      card('FN:Ada') +
        'BEGIN:VCARD\r\nVERSION:2.1\r\nFN:Old\r\nEND:VCARD\r\n' +
        'BEGIN:VCARD\r\nVERSION:3.0\r\nFN:Bo Li\r\nN:Li;Bo;;;\r\nitem1.TEL;TYPE=CELL:(206) 555-0123\r\nEND:VCARD\r\n' +
        card('FN') +
        'BEGIN:VCARD\r\nVERSION:4.0\r\nFN:Cut off',
    );
    expect(list.rows.map((r) => [r.name, r.does])).toEqual([
      ['Ada', 'new'],
      ['Old', 'wrong'],
      ['Bo Li', 'new'],
      ['', 'wrong'],
      ['Cut off', 'wrong'],
    ]);
    expect(list.rows[1]!.problems[0]!.message).toContain('version 2.1');
    expect(list.rows[3]!.problems[0]!.message).toContain('damaged');
  });

  it('are written so that a library reads them back, and this reading too', () => {
    const odd = edited(system, [
      { do: 'person.set', id: 'rosa', change: { name: 'Rosa; Maria, Delgado' } },
      { do: 'group.set', id: 'slip', change: { members: [{ kind: 'person', id: 'rosa' }] } },
    ]);
    const text = writeVcards(directory(odd, null), '+13605550142', 'Lantern Cove, Boatworks');
    const cards = (ICAL.parse(text) as unknown as unknown[][]).map((c) => new ICAL.Component(c));
    const rosa = cards.find((c) => c.getFirstPropertyValue('fn') === 'Rosa; Maria, Delgado')!;
    expect(rosa.getFirstPropertyValue('version')).toBe('4.0');
    expect(rosa.getFirstPropertyValue('n')).toEqual(['Delgado', 'Rosa; Maria,', '', '', '']);
    // RFC 6350 §6.4.1: a TEL that is a URI says so; RFC 3966 §5.3: the extension hangs on the number.
    expect(text).toMatch(/TEL;VALUE=uri;TYPE=.*:tel:\+13605550142;ext=201\r\n/);
    expect(cards.map((c) => c.getFirstPropertyValue('kind'))).toContain('group');
    const own = read(
      text
        .split(/(?=BEGIN:VCARD)/)
        .filter((c) => !c.includes('KIND:group'))
        .join(''),
      odd,
    );
    expect(own.rows.map((r) => r.does)).toEqual(['same', 'same', 'same', 'same']);
  });
});
