/**
 * Presence for other programs: PIDF (RFC 3863) with the person elements of RFC 4479 and the activities of RFC 4480. Element
 * names and namespaces are from memory.
 */
import { XMLBuilder } from 'fast-xml-parser';
import { ACTIVITY, type Presence } from '../phone';
import type { System } from '../system';
import { forXml } from './clean';

/** Whether calls are taken there: what is known of somebody who is on a call is that they can be called. */
const basic = ({ is }: Presence): 'open' | 'closed' => {
  switch (is) {
    case 'free':
    case 'talking':
    case 'ringing':
    case 'finishing':
      return 'open';
    case 'away':
    case 'not to be disturbed':
    case 'out of hours':
    case 'no phone on':
      return 'closed';
  }
};

/**
 * One document for a business: a tuple and a person element for each of those given.
 * @param presence by person @param at when it is written, epoch milliseconds
 */
export function asPidf(system: System, presence: Readonly<Record<string, Presence>>, at: number): string {
  const builder = new XMLBuilder({ ignoreAttributes: false, format: true, suppressEmptyNode: true });
  const timestamp = new Date(at).toISOString();
  const people = Object.values(system.people).flatMap((p) => {
    const is = presence[p.id];
    return is ? [{ ...p, is }] : [];
  });
  return (
    '<?xml version="1.0" encoding="UTF-8"?>\n' +
    builder.build({
      presence: {
        '@_xmlns': 'urn:ietf:params:xml:ns:pidf',
        '@_xmlns:dm': 'urn:ietf:params:xml:ns:pidf:data-model',
        '@_xmlns:rpid': 'urn:ietf:params:xml:ns:pidf:rpid',
        '@_entity': 'pres:people@upperline.example',
        tuple: people.map(({ id, name, extension, is }) => ({
          '@_id': `t-${id}`,
          status: { basic: basic(is) },
          ...(extension ? { contact: `sip:${extension}@pbx.example` } : {}),
          note: [forXml(name), ...(is.word ? [forXml(is.word)] : [])],
          timestamp,
        })),
        'dm:person': people.map(({ id, is }) => {
          const activity = ACTIVITY[is.is];
          return {
            '@_id': `p-${id}`,
            'rpid:activities': activity ? { [`rpid:${activity}`]: '' } : { 'rpid:unknown': '' },
            ...(is.word ? { 'dm:note': forXml(is.word) } : {}),
            'dm:timestamp': timestamp,
          };
        }),
      },
    })
  );
}
