/** PIDF-LO documents, held against the examples of RFC 4119 and RFC 5139. */
import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { describe, expect, it } from 'vitest';
import { edited, yard } from '../../../tests/fixtures/yard';
import { addressProblems } from '../numbering';
import { civicAddress, newSite, type Command } from '../system';
import { asPidfLo } from './pidflo';

const AT = Date.UTC(2026, 10, 24, 18, 15);
type Parts = Record<string, string>;
interface Tuple {
  id: string;
  note: string;
  contact?: string;
  timestamp: string;
  parts: Parts;
}
/** The document as another reader sees it: local names only. */
function tuples(commands: Command[] = []): Tuple[] {
  const xml = asPidfLo(edited(yard(), commands), AT);
  expect(XMLValidator.validate(xml)).toBe(true);
  const parser = new XMLParser({
    ignoreAttributes: false,
    removeNSPrefix: true,
    parseTagValue: false,
    isArray: (name) => name === 'tuple',
  });
  const { presence } = parser.parse(xml) as { presence: { tuple: Record<string, never>[] } };
  return presence.tuple.map((t) => {
    const { geopriv } = t.status as unknown as { geopriv: Record<string, { civicAddress: Parts }> };
    const { '@_lang': _, ...parts } = geopriv['location-info']!.civicAddress;
    return {
      id: t['@_id'] as unknown as string,
      note: t.note as unknown as string,
      contact: t.contact as unknown as string,
      timestamp: t.timestamp as unknown as string,
      parts,
    };
  });
}

describe('PIDF-LO', () => {
  // RFC 5139 §5, its example, from memory; the street type is part of RD here, and parts we do not ask for are left out.
  it('has the parts of the example of RFC 5139 under their names, in the order of its schema', () => {
    const store = newSite({
      id: 'store',
      name: 'Store',
      timeZone: 'Australia/Sydney',
      address: civicAddress({
        country: 'AU',
        ROOM: 'Westerns and Classics',
        PC: '2500',
        NAM: 'Video Rental Store',
        LOC: 'Corner',
        RD: 'Flinders Street',
        A3: 'Wollongong',
        A1: 'NSW',
      }),
    });
    const { parts } = tuples([{ do: 'site.add', value: store }])[1]!;
    expect(Object.entries(parts)).toEqual([
      ['country', 'AU'],
      ['A1', 'NSW'],
      ['A3', 'Wollongong'],
      ['RD', 'Flinders Street'],
      ['LOC', 'Corner'],
      ['NAM', 'Video Rental Store'],
      ['PC', '2500'],
      ['ROOM', 'Westerns and Classics'],
    ]);
    expect(Object.keys(addressProblems(store.address))).toEqual(['HNO']);
  });

  it('has a place for each site, and for each number and phone with an address of its own', () => {
    const address = civicAddress({ country: 'US', RD: 'Mill & Sons <Lane>', HNO: '8', A3: 'Drayhorse' });
    const places = tuples([
      { do: 'number.set', id: 'night', change: { address } },
      { do: 'phone.set', id: 'pia-web', change: { address } },
      { do: 'business.set', change: { defaultCallerId: '+13605550142' } },
    ]);
    expect(places.map((p) => [p.id, p.note])).toEqual([
      ['site-yard', 'Yard'],
      ['number-night', 'Night watch'],
      ['phone-pia-web', 'Pia Lindqvist, Browser softphone'],
    ]);
    expect(places[1]!.parts.RD).toBe('Mill & Sons <Lane>');
    // RFC 3863 §4.1: a contact is a URI; RFC 3966: a global number is tel:+ and digits.
    expect(places.map((p) => p.contact)).toEqual([
      'tel:+13605550142',
      'tel:+13605550160',
      'tel:+13605550142',
    ]);
    // RFC 3863 §4.1.7: the moment as RFC 3339 writes it.
    expect(places[0]!.timestamp).toBe('2026-11-24T18:15:00.000Z');
  });

  it('leaves out the number to ring back where there is none', () => {
    expect(tuples()[0]).not.toHaveProperty('contact', expect.anything());
    const callback: Command = { do: 'site.set', id: 'yard', change: { callback: '+13605550160' } };
    expect(tuples([callback])[0]!.contact).toBe('tel:+13605550160');
  });
});
