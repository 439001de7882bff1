/** XML as elements with their attributes, read without anything from outside. */
import { XMLParser, XMLValidator } from 'fast-xml-parser';

/** So deep may elements stand in each other. */
const DEEPEST = 60;

export interface Element {
  name: string;
  attributes: Record<string, string>;
  children: Element[];
}

/** Reads XML. Outside entities and document types are refused: a script has no use for them. */
export function readElements(xml: string): { ok: true; root: Element[] } | { ok: false; message: string } {
  if (/<!(DOCTYPE|ENTITY)/i.test(xml))
    return { ok: false, message: 'A script with a document type or entities is not read.' };
  const valid = XMLValidator.validate(xml);
  if (valid !== true)
    return { ok: false, message: `This is not well-formed XML: line ${valid.err.line}: ${valid.err.msg}` };
  const parser = new XMLParser({
    preserveOrder: true,
    ignoreAttributes: false,
    processEntities: true,
    removeNSPrefix: true,
    parseAttributeValue: false,
  });
  return { ok: true, root: elementsOf(parser.parse(xml) as Raw[], 0) };
}

type Raw = Record<string, unknown>;
function elementsOf(raw: readonly Raw[], depth: number): Element[] {
  if (depth > DEEPEST) return [];
  return raw.flatMap((node) => {
    const name = Object.keys(node).find((k) => k !== ':@' && k !== '#text' && !k.startsWith('?'));
    if (!name) return [];
    const attributes = Object.fromEntries(
      Object.entries((node[':@'] as Record<string, string> | undefined) ?? {}).map(([k, v]) => [
        k.replace(/^@_/, ''),
        String(v),
      ]),
    );
    return [{ name, attributes, children: elementsOf(node[name] as Raw[], depth + 1) }];
  });
}
