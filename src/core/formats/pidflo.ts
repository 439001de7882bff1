/** Locations for an emergency service: PIDF-LO documents (RFC 4119) with civic addresses (RFC 5139). */
import { XMLBuilder } from 'fast-xml-parser';
import type { CivicAddress, Site, System } from '../system';

/** Parts in the order of the schema in RFC 5139 §4 (from memory). */
const ORDER = ['country', 'A1', 'A3', 'RD', 'HNO', 'LOC', 'FLR', 'NAM', 'PC', 'BLD', 'UNIT', 'ROOM'] as const;

const parts = (address: CivicAddress): Record<string, string> =>
  Object.fromEntries(ORDER.filter((p) => address[p]).map((p) => [`ca:${p}`, address[p]]));

/**
 * One document for the sites of a system: a tuple for each, with its address and the number to ring back.
 * @param at moment it is written, epoch milliseconds
 */
export function sitesAsPidfLo(system: System, sites: readonly Site[], at: number): string {
  const builder = new XMLBuilder({ ignoreAttributes: false, format: true, suppressEmptyNode: true });
  const tuple = (site: Site) => {
    const callback = site.callback ?? system.business.defaultCallerId;
    return {
      '@_id': `site-${site.id}`,
      status: {
        'gp:geopriv': {
          'gp:location-info': { 'ca:civicAddress': { '@_xml:lang': 'en', ...parts(site.address) } },
          'gp:usage-rules': '',
          'gp:method': 'Manual',
        },
      },
      ...(callback ? { contact: `tel:${callback}` } : {}),
      note: site.name,
      timestamp: new Date(at).toISOString(),
    };
  };
  return (
    '<?xml version="1.0" encoding="UTF-8"?>\n' +
    builder.build({
      presence: {
        '@_xmlns': 'urn:ietf:params:xml:ns:pidf',
        '@_xmlns:gp': 'urn:ietf:params:xml:ns:pidf:geopriv10',
        '@_xmlns:ca': 'urn:ietf:params:xml:ns:pidf:geopriv10:civicAddr',
        '@_entity': 'pres:sites@upperline.example',
        tuple: sites.map(tuple),
      },
    })
  );
}
