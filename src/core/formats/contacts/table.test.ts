/** Contacts as CSV: columns by whatever words, and out and in again. */
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { edited, yard } from '../../../../tests/fixtures/yard';
import { previewCards, readContactTable, writeContactTable, type Card } from '.';

const read = (text: string): Card[] => {
  const cards = readContactTable(text, 'US');
  if ('message' in cards) throw new Error(cards.message);
  return cards;
};

describe('what is read', () => {
  it('columns by the words they go by elsewhere, several of a kind, numbers as people write them', () => {
    expect(
      read(
        'First Name;Last Name;Company;Home Phone;Mobile Phone;E-mail 1 - Value;Notes;Boat\r\n' +
          'Ada;Ferris;Ferris & Co;(206) 555-0101;+1 206 555 0102;ada@f.example;Pays; Heron\r\n',
      ),
    ).toEqual([
      {
        name: 'Ada Ferris',
        firm: 'Ferris & Co',
        numbers: ['+12065550101', '+12065550102'],
        unread: [],
        emails: ['ada@f.example'],
        kinds: { '+12065550101': 'home', '+12065550102': 'mobile' },
        note: 'Pays',
        uid: '',
        lists: [],
      },
    ]);
  });
  it('several numbers in a cell, and what is none is told', () => {
    const [bo] = read('name,phone\nBo,"206 555 0103; 206 555 0104, call me"\n');
    expect(bo).toMatchObject({ numbers: ['+12065550103'], unread: ['206 555 0104, call me'] });
  });
  it('a number that a spreadsheet made a power of ten', () => {
    expect(read('name,phone\nBo,2.065550103E9\n')[0]!.numbers).toEqual(['+12065550103']);
  });
  it.each([
    ['a,b\n1,2\n', 'a header with “name” and “number” is needed'],
    ['name,firm\nBo,Linde\n', 'No column is called “number”'],
    ['name,number\n', 'a header and no rows'],
  ])('%j: %s', (text, message) => {
    expect(readContactTable(text, 'US')).toMatchObject({ message: expect.stringContaining(message) });
  });
});

it('is put on lists of the same name; one that there is not is told', () => {
  const system = edited(yard(), [{ do: 'list.add', value: { id: 'reg', name: 'Regulars' } }]);
  const [row] = previewCards(read('name,phone,lists\nBo,206 555 0103,regulars; VIP\n'), system, () => 'x');
  expect(row).toMatchObject({
    is: 'new',
    says: 'there is no list “VIP”',
    command: { value: { listIds: ['reg'] } },
  });
});

it('what is written another reader reads as well, runs nowhere, and taken again changes nothing', () => {
  const contact = {
    id: 'ada',
    name: '=HYPERLINK("x")',
    numbers: ['+12065550101', '+12065550102'],
    firm: 'Linde, "Sails"',
    emails: ['a@b.example'],
    note: 'One\nTwo, three',
    ownerId: null,
    listIds: [],
    blocked: false,
  };
  const system = edited(yard(), [{ do: 'contact.add', value: contact }]);
  const text = writeContactTable([system.contacts.ada!], system);
  const { data } = Papa.parse<Record<string, string>>(text, { header: true });
  expect(data[0]).toMatchObject({
    firm: 'Linde, "Sails"',
    name: '\'=HYPERLINK("x")',
    note: 'One\nTwo, three',
  });
  expect(read(text)[0]).toMatchObject({ name: '=HYPERLINK("x")', numbers: contact.numbers });
  const known = edited(system, [{ do: 'contact.set', id: 'ada', change: { uid: 'urn:upper-line:ada' } }]);
  expect(previewCards(read(text), known, () => 'x')[0]!.is).toBe('same');
});
