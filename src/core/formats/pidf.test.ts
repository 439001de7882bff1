/** Presence as a file: RFC 3863, 4479 and 4480, element names from memory. Read back with an XML parser nobody here wrote. */
import { XMLParser } from 'fast-xml-parser';
import { expect, it } from 'vitest';
import { yard } from '../../../tests/fixtures/yard';
import { asPidf } from './pidf';

const AT = Date.UTC(2026, 10, 24, 18, 15);
interface Read {
  presence: {
    '@_xmlns': string;
    tuple: { '@_id': string; status: { basic: string }; note: string | string[]; timestamp: string }[];
    'dm:person': { '@_id': string; 'rpid:activities': Record<string, string> }[];
  };
}
const read = (xml: string) => new XMLParser({ ignoreAttributes: false }).parse(xml) as Read;

it('says of each person whether calls are taken, by the activities of RFC 4480, with their own word', () => {
  const { presence } = read(
    asPidf(
      yard(),
      {
        rosa: { is: 'talking' },
        idris: { is: 'away', until: '2026-11-27', word: 'at the dentist <back> & at 14:00' },
        pia: { is: 'ringing' },
        tomas: { is: 'free' },
      },
      AT,
    ),
  );
  expect(presence['@_xmlns']).toBe('urn:ietf:params:xml:ns:pidf');
  expect(presence.tuple.map((t) => [t['@_id'], t.status.basic])).toEqual([
    ['t-rosa', 'open'],
    ['t-idris', 'closed'],
    ['t-pia', 'open'],
    ['t-tomas', 'open'],
  ]);
  expect(presence['dm:person'].map((p) => Object.keys(p['rpid:activities'])[0])).toEqual([
    'rpid:on-the-phone',
    'rpid:away',
    // Ringing is a state of a dialog (RFC 4235), and no activity.
    'rpid:unknown',
    'rpid:unknown',
  ]);
  expect(presence.tuple[1]!.note).toEqual(['Idris Okafor', 'at the dentist <back> & at 14:00']);
  expect(presence.tuple[0]!.timestamp).toBe('2026-11-24T18:15:00.000Z');
});
