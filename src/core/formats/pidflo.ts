/** Locations for an emergency service: PIDF-LO documents (RFC 4119) with civic addresses (RFC 5139). */
import { XMLBuilder } from 'fast-xml-parser';
import type { CivicAddress, System } from '../system';
import { forXml } from './clean';

/** Parts in the order of the schema in RFC 5139 §4 (from memory). */
const ORDER = ['country', 'A1', 'A3', 'RD', 'HNO', 'LOC', 'FLR', 'NAM', 'PC', 'BLD', 'UNIT', 'ROOM'] as const;

const parts = (address: CivicAddress): Record<string, string> =>
  Object.fromEntries(ORDER.filter((p) => address[p]).map((p) => [`ca:${p}`, forXml(address[p])]));

interface Place {
  id: string;
  note: string;
  address: CivicAddress;
  callback: string | null;
}

/** Every place from which somebody of the business may call for help. */
const placesOf = ({ business, sites, numbers, phones, people }: System): Place[] => [
  ...Object.values(sites).map(({ id, name, address, callback }) => ({
    id: `site-${id}`,
    note: name,
    address,
    callback: callback ?? business.defaultCallerId,
  })),
  ...Object.values(numbers).flatMap(({ id, label, address, e164 }) =>
    address ? [{ id: `number-${id}`, note: label, address, callback: e164 }] : [],
  ),
  ...Object.values(phones).flatMap(({ id, name, personId, address }) => {
    const owner = personId ? people[personId]?.name : undefined;
    const note = owner ? `${owner}, ${name}` : name;
    return address ? [{ id: `phone-${id}`, note, address, callback: business.defaultCallerId }] : [];
  }),
];

/**
 * One document for a system: a tuple for each site, and for each number and phone with an address of its own, with the
 * number to ring back. @param at moment it is written, epoch milliseconds
 */
export function asPidfLo(system: System, at: number): string {
  const builder = new XMLBuilder({ ignoreAttributes: false, format: true, suppressEmptyNode: true });
  const tuple = ({ id, note, address, callback }: Place) => ({
    '@_id': id,
    status: {
      'gp:geopriv': {
        'gp:location-info': { 'ca:civicAddress': { '@_xml:lang': 'en', ...parts(address) } },
        'gp:usage-rules': '',
        'gp:method': 'Manual',
      },
    },
    ...(callback ? { contact: `tel:${callback}` } : {}),
    note: forXml(note),
    timestamp: new Date(at).toISOString(),
  });
  return (
    '<?xml version="1.0" encoding="UTF-8"?>\n' +
    builder.build({
      presence: {
        '@_xmlns': 'urn:ietf:params:xml:ns:pidf',
        '@_xmlns:gp': 'urn:ietf:params:xml:ns:pidf:geopriv10',
        '@_xmlns:ca': 'urn:ietf:params:xml:ns:pidf:geopriv10:civicAddr',
        '@_entity': 'pres:places@upperline.example',
        tuple: placesOf(system).map(tuple),
      },
    })
  );
}
