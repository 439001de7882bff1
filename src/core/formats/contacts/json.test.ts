/** Contacts as jCard (RFC 7095): the same there and back, and whatever else is in a file is told. */
import { expect, it } from 'vitest';
import { demoSystem } from '../../../../demo/lantern-cove';
import { asJCards, fromJCards, isJson, readCards, writeCards } from '.';

const system = demoSystem();
const contacts = [
  ...Object.values(system.contacts),
  {
    ...Object.values(system.contacts)[0]!,
    id: 'odd',
    name: 'Ünal; "Zoë", <b>',
    note: 'a\nb\\c',
    numbers: ['+12065550101'],
    uid: 'odd',
  },
];
const cards = writeCards(contacts, system.lists);

it('is a list of ["vcard", properties], each with a name, parameters, a kind and a value (RFC 7095 §3.2 and §3.3)', () => {
  const json = JSON.parse(asJCards(cards)) as [string, [string, object, string, unknown][]][];
  expect(json).toHaveLength(contacts.length);
  for (const [name, properties] of json) {
    expect(name).toBe('vcard');
    expect(properties[0]).toEqual(['version', {}, 'text', '4.0']);
    for (const [field, parameters, kind] of properties) {
      expect(field).toBe(field.toLowerCase());
      expect(typeof parameters).toBe('object');
      expect(kind).toMatch(/^[a-z-]+$/);
    }
  }
  expect(json.at(-1)![1].find(([f]) => f === 'tel')).toEqual(['tel', {}, 'uri', 'tel:+12065550101']);
});

it('read back, contacts are what they were', () => {
  const back = fromJCards(asJCards(cards));
  expect(typeof back).toBe('string');
  expect(readCards(back as string, 'US')).toEqual(readCards(cards, 'US'));
});

it.each([
  ['[["vcard",[["version",', 'cut off'],
  ['[]', 'holds no contacts'],
  ['[{"name":"Ada"}]', 'holds no contacts'],
  ['[["vcard",[["fn",{}]]]]', 'holds no contacts'],
  ['["vcalendar",[],[]]', 'holds no contacts'],
])('%s is told', (text, says) => {
  expect(isJson(text)).toBe(true);
  expect((fromJCards(text) as { message: string }).message).toContain(says);
});

it('vCards and tables are no JSON', () => {
  expect(isJson('BEGIN:VCARD')).toBe(false);
  expect(isJson('name,number')).toBe(false);
});
