/** Contacts as vCards: the examples of the standards, cards with too much in them, and joining. */
import { createHash } from 'node:crypto';
import fc from 'fast-check';
import libqp from 'libqp';
import { describe, expect, it } from 'vitest';
import { edited, yard } from '../../../../tests/fixtures/yard';
import type { Contact, System } from '../../system';
import { previewCards, readCards, writeCards, type Card } from '.';

const card = (...lines: string[]) => ['BEGIN:VCARD', ...lines, 'END:VCARD', ''].join('\r\n');
/** As a library of mail writes it, soft line ends and all. */
const quotedPrintable = (text: string): string => libqp.wrap(libqp.encode(text), 76);
const read = (text: string): Card[] => {
  const cards = readCards(text, 'US');
  if ('message' in cards) throw new Error(cards.message);
  return cards;
};
const ADA: Contact = {
  id: 'ada',
  name: 'Ada Ferris',
  numbers: ['+12065550101'],
  ownerId: null,
  listIds: [],
  blocked: false,
};
const system = edited(yard(), [{ do: 'contact.add', value: ADA }]);
let n = 0;
const freshId = (kind: string) => `${kind}-${(n += 1)}`;
const taken = (text: string, from: System = system) => {
  const rows = previewCards(read(text), from, freshId);
  const commands = rows.flatMap((r) => r.command ?? []);
  return { rows, system: commands.length ? edited(from, commands) : from };
};

describe('cards as they come', () => {
  it('version 4.0, after RFC 6350 section 8: a TEL as a URI, with an extension that is no part of the number', () => {
    const [simon] = read(
      card(
        'VERSION:4.0',
        'FN:Simon Perreault',
        'N:Perreault;Simon;;;ing. jr,M.Sc.',
        'ORG;TYPE=work:Viagenie',
        'TEL;VALUE=uri;TYPE="work,voice";PREF=1:tel:+1-418-656-9254;ext=102',
        'TEL;VALUE=uri;TYPE="work,cell,voice,video,text":tel:+1-418-262-6501',
        'EMAIL;TYPE=work:simon.perreault@viagenie.example',
      ),
    );
    expect(simon).toMatchObject({
      name: 'Simon Perreault',
      firm: 'Viagenie',
      numbers: ['+14186569254', '+14182626501'],
      emails: ['simon.perreault@viagenie.example'],
      kinds: {
        '+14186569254': 'work',
        '+14182626501': 'mobile',
        'simon.perreault@viagenie.example': 'work',
      },
    });
  });
  it('version 3.0, after RFC 2426 section 7: folded lines, types, numbers as people write them', () => {
    const [frank] = read(
      card(
        'VERSION:3.0',
        'FN:Frank Dawson',
        'ORG:Lotus Development Corporation',
        'TEL;TYPE=VOICE,MSG,WORK:+1-919-676-9515',
        'NOTE:Comes on Fridays\\, mostly\\nand pays',
        '  in cash',
      ),
    );
    expect(frank).toMatchObject({
      firm: 'Lotus Development Corporation',
      numbers: ['+19196769515'],
      note: 'Comes on Fridays, mostly\nand pays in cash',
    });
  });
  it('says why there is none, and leaves groups', () => {
    expect(readCards('nothing', 'US')).toEqual({ message: 'There is no card in it.' });
    expect(read(card('VERSION:4.0', 'KIND:group', 'FN:All') + card('VERSION:4.0', 'FN:One'))).toHaveLength(1);
  });
});

describe('cards of version 2.1, as mobiles still write them', () => {
  it('have types without a name, and text in quoted-printable', () => {
    const text = 'Strandgade 4, ø; bag huset\\ til højre';
    const quoted = quotedPrintable(text);
    const [first] = read(
      card(
        'VERSION:2.1',
        'N;CHARSET=UTF-8;ENCODING=QUOTED-PRINTABLE:S=C3=B8rensen;J=C3=B8rgen',
        'FN;CHARSET=UTF-8;ENCODING=QUOTED-PRINTABLE:J=C3=B8rgen S=C3=B8ren=',
        'sen',
        'TEL;CELL;PREF:206-555-0117',
        'TEL;WORK;FAX:206-555-0118',
        'TEL;X-OTHER:206-555-0119',
        'EMAIL;HOME:jorgen@boats.example',
        `NOTE;ENCODING=QUOTED-PRINTABLE:${quoted}`,
      ),
    );
    expect(first).toMatchObject({
      name: 'Jørgen Sørensen',
      numbers: ['+12065550117', '+12065550118', '+12065550119'],
      kinds: { '+12065550117': 'mobile', '+12065550118': 'fax', 'jorgen@boats.example': 'home' },
      note: text,
    });
  });
  it('may be of another alphabet, have a picture, and stand beside newer ones', () => {
    const [older, newer] = read(
      card(
        'VERSION:2.1',
        'FN;CHARSET=ISO-8859-1;ENCODING=QUOTED-PRINTABLE:Ren=E9 Faure',
        'PHOTO;JPEG;ENCODING=BASE64:',
        ' /9j/4AAQ',
        ' SkZJRg==',
        '',
        'TEL;VOICE:206-555-0117',
      ) + card('VERSION:4.0', 'FN:Ada=C3', 'TEL;TYPE=cell:tel:+12065550101'),
    );
    expect(older).toMatchObject({ name: 'René Faure', numbers: ['+12065550117'] });
    expect(older!.picture).toHaveLength(10);
    expect(newer).toMatchObject({ name: 'Ada=C3', kinds: { '+12065550101': 'mobile' } });
  });
  it('are read whatever stands in them', () => {
    fc.assert(
      fc.property(fc.string(), fc.string({ unit: 'grapheme' }), (note, rest) => {
        const quoted = quotedPrintable(note.replace(/\r\n?/g, '\n'));
        const [one] = read(card('VERSION:2.1', 'FN:A', `NOTE;ENCODING=QUOTED-PRINTABLE:${quoted}`, rest));
        expect(one!.name).toBe('A');
      }),
    );
  });
});

describe('pictures in cards', () => {
  // A GIF of one pixel.
  const GIF = 'R0lGODlhAQABAIAAAAAAAP///ywAAAAAAQABAAACAUwAOw==';
  const bytes = Uint8Array.from(atob(GIF), (c) => c.charCodeAt(0));
  const photo = (line: string) => read(card('VERSION:4.0', 'FN:Ada Ferris', 'TEL:(206) 555-0101', line))[0]!;
  it('are read as data in an address (RFC 6350, 6.2.4), and as binary text in folded lines (RFC 2426, 3.1.4)', () => {
    expect(photo(`PHOTO:data:image/gif;base64,${GIF}`).picture).toEqual(bytes);
    expect(photo(`PHOTO;ENCODING=b;TYPE=GIF:${GIF.slice(0, 20)}\r\n ${GIF.slice(20)}`).picture).toEqual(
      bytes,
    );
  });
  it.each([
    ['PHOTO;VALUE=uri:https://pictures.example/ada.gif', 'its picture lies elsewhere and is not fetched'],
    ['PHOTO:data:image/gif;base64,***', 'its picture cannot be read'],
    [`PHOTO:data:image/gif;base64,${'A'.repeat(1_400_000)}`, 'its picture is larger than 1 MB and left out'],
  ])('%#: %s', (line, words) => {
    expect(photo(line)).toMatchObject({ noPicture: words });
    expect(photo(line).picture).toBeUndefined();
    expect(previewCards([photo(line)], system, freshId)[0]!.says).toContain(words);
  });
  it('are brought to a contact that has none, by their hash; what is written with them is read as the same', () => {
    const given = photo(`PHOTO:data:image/gif;base64,${GIF}`);
    const [row] = previewCards([given], system, freshId);
    // SHA-256 of the bytes, by Node’s own.
    const hash = createHash('sha256').update(bytes).digest('hex');
    expect(row).toMatchObject({ is: 'adds', says: 'the picture', command: { change: { picture: hash } } });
    expect(row!.picture).toEqual(bytes);
    const contact = { ...ADA, picture: hash, kinds: { '+12065550101': 'fax' as const } };
    const text = writeCards([contact], {}, new Map([[hash, { type: 'image/gif', bytes }]]));
    expect(text).toContain('\r\nPHOTO:data:image/gif;base64,R0lGOD');
    expect(read(text)[0]).toMatchObject({ picture: bytes, kinds: { '+12065550101': 'fax' } });
    const known = edited(yard(), [{ do: 'contact.add', value: contact }]);
    expect(previewCards(read(text), known, freshId)[0]).toMatchObject({
      is: 'adds',
      says: 'the name the file has for it',
    });
  });
});

describe('joining', () => {
  it('somebody new is added; a number that is known joins its contact, and brings what it lacks', () => {
    const { rows, system: after } = taken(
      card('VERSION:4.0', 'FN:Bo Linde', 'TEL:(206) 555-0102', 'ORG:Linde Sails') +
        card(
          'VERSION:4.0',
          'FN:A. Ferris',
          'UID:x-1',
          'TEL:206 555 0101',
          'TEL:206 555 0103',
          'EMAIL:ada@f.example',
        ),
    );
    expect(rows.map((r) => [r.is, r.contact?.name])).toEqual([
      ['new', undefined],
      ['adds', 'Ada Ferris'],
    ]);
    expect(after.contacts.ada).toEqual({
      ...ADA,
      numbers: ['+12065550101', '+12065550103'],
      emails: ['ada@f.example'],
      uid: 'x-1',
    });
    // The same file again changes nothing, whatever number was taken away meanwhile.
    const again = taken(card('VERSION:4.0', 'FN:Anything', 'UID:x-1'), after);
    expect(again.rows[0]).toMatchObject({ is: 'same', contact: { id: 'ada' } });
    expect(again.system.contacts).toEqual(after.contacts);
  });
  it('two cards of one file with one number are one contact', () => {
    const { rows, system: after } = taken(
      card('VERSION:4.0', 'FN:Bo', 'TEL:206 555 0102') +
        card('VERSION:4.0', 'FN:Bo L.', 'TEL:206 555 0102', 'NOTE:Tall'),
    );
    expect(rows.map((r) => r.is)).toEqual(['new', 'adds']);
    expect(Object.values(after.contacts).filter((c) => c.numbers.includes('+12065550102'))).toMatchObject([
      { name: 'Bo', note: 'Tall' },
    ]);
  });
  it('an address that is none, and a note that is too long, are told', () => {
    const { rows, system: after } = taken(
      card('VERSION:4.0', 'FN:Bo', 'TEL:206 555 0102', 'EMAIL:at home', `NOTE:${'x'.repeat(2001)}`),
    );
    expect(rows[0]!.says).toBe('its note is cut at 2,000 letters; “at home” is no address');
    const [bo] = Object.values(after.contacts).filter((c) => c.name === 'Bo');
    expect([bo!.emails, bo!.note!.length]).toEqual([undefined, 2000]);
  });
  it('a card of a thousand numbers, of none, or of none that is one is told, and nothing breaks', () => {
    const many = Array.from({ length: 1000 }, (_, i) => `TEL:+1206555${String(1000 + i)}`);
    const { rows } = taken(
      card('VERSION:4.0', 'FN:Many', ...many) +
        card('VERSION:4.0', 'FN:None') +
        card('VERSION:4.0', 'FN:Odd', 'TEL:call me') +
        card('VERSION:4.0', 'TEL:206 555 0109'),
    );
    expect(rows.map((r) => [r.is, r.says])).toEqual([
      ['new', '990 numbers more than 10 are left out'],
      ['not taken', 'It has no number: nobody could call from it.'],
      ['not taken', '“call me” is no number.'],
      ['not taken', 'It says no name.'],
    ]);
  });
});

it('what is written is read as it was, and taken again changes nothing', () => {
  const contacts = fc.record({
    name: fc.string({ minLength: 1, maxLength: 40 }).filter((s) => s.trim() === s && /\S/.test(s)),
    firm: fc.constantFrom(undefined, 'Linde, Sails; and more', 'ŁÓDŹ'),
    note: fc.constantFrom(undefined, 'One\nTwo, three; four', '🚤 and <b>'),
    emails: fc.constantFrom(undefined, ['a@b.example']),
    numbers: fc.uniqueArray(
      fc.integer({ min: 100, max: 199 }).map((i) => `+120655501${String(i).slice(1)}`),
      {
        minLength: 1,
        maxLength: 4,
      },
    ),
  });
  fc.assert(
    fc.property(contacts, (c) => {
      const contact = { ...ADA, ...JSON.parse(JSON.stringify(c)) } as Contact;
      const [back] = read(writeCards([contact], {}));
      expect(back!.numbers).toEqual(contact.numbers);
      expect([back!.firm, back!.note, back!.emails]).toEqual([
        contact.firm ?? '',
        contact.note ?? '',
        contact.emails ?? [],
      ]);
      const with_ = { ...system, contacts: { ada: { ...contact, uid: 'urn:upper-line:ada' } } };
      expect(previewCards([back!], with_, freshId)[0]!.is).toBe('same');
    }),
  );
});
