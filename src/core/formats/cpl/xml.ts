/** XML elements in the order they are to stand in, and a script made of them. */
import { XMLBuilder } from 'fast-xml-parser';
import { forXml } from '../clean';
import { DEEPEST } from './elements';

/** An element in the order-keeping form of the XML library: its name with its content, and its attributes. */
export type Node = Record<string, unknown>;
export const element = (name: string, attributes: Record<string, string>, content: Node[] = []): Node => ({
  [name]: content,
  ':@': Object.fromEntries(Object.entries(attributes).map(([k, v]) => [`@_${k}`, forXml(v)])),
});

/** Where people and mailboxes are addressed: no such host exists (RFC 2606). */
export const HOST = 'pbx.example';

/** How deep elements stand in each other, no deeper than is looked for. */
function depthOf(content: readonly Node[], depth = 1): number {
  if (depth > DEEPEST) return depth;
  return Math.max(
    depth,
    ...content.flatMap((node) =>
      Object.entries(node).flatMap(([name, inner]) =>
        name === ':@' || !Array.isArray(inner) ? [] : [depthOf(inner as Node[], depth + 1)],
      ),
    ),
  );
}

/** A whole script (RFC 3880 §3); empty where it would be one that is not read back, see `DEEPEST`. */
export function scriptOf(content: Node[]): string {
  if (depthOf(content) >= DEEPEST) return '';
  const builder = new XMLBuilder({
    preserveOrder: true,
    ignoreAttributes: false,
    format: true,
    suppressEmptyNode: true,
    maxNestedTags: DEEPEST + 1,
  });
  const xml = builder.build([
    element('?xml', { version: '1.0', encoding: 'UTF-8' }, [{ '#text': '' }]),
    element('cpl', { xmlns: 'urn:ietf:params:xml:ns:cpl' }, content),
  ]) as string;
  return `${xml.trim()}\n`;
}
