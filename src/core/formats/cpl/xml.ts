/** XML elements in the order they are to stand in, and a script made of them. */
import { XMLBuilder } from 'fast-xml-parser';

/** An element in the order-keeping form of the XML library: its name with its content, and its attributes. */
export type Node = Record<string, unknown>;
export const element = (name: string, attributes: Record<string, string>, content: Node[] = []): Node => ({
  [name]: content,
  ':@': Object.fromEntries(Object.entries(attributes).map(([k, v]) => [`@_${k}`, v])),
});

/** Where people and mailboxes are addressed: no such host exists (RFC 2606). */
export const HOST = 'pbx.example';

/** A whole script (RFC 3880 §3). */
export function scriptOf(content: Node[]): string {
  const builder = new XMLBuilder({
    preserveOrder: true,
    ignoreAttributes: false,
    format: true,
    suppressEmptyNode: true,
  });
  const xml = builder.build([
    element('?xml', { version: '1.0', encoding: 'UTF-8' }, [{ '#text': '' }]),
    element('cpl', { xmlns: 'urn:ietf:params:xml:ns:cpl' }, content),
  ]) as string;
  return `${xml.trim()}\n`;
}
