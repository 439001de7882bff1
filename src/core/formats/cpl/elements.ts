/** XML as elements with their attributes, read without anything from outside. */
import { XMLParser, XMLValidator } from 'fast-xml-parser';

/** So deep may elements stand in each other: a location for each of a few hundred phones, and switches around them. */
export const DEEPEST = 1000;
/** So many elements may there be. */
const MOST = 20_000;

export interface Element {
  name: string;
  attributes: Record<string, string>;
  children: Element[];
}

/** Reads XML. Outside entities and document types are refused: a script has no use for them. */
export function readElements(xml: string): { ok: true; root: Element[] } | { ok: false; message: string } {
  if (/<!(DOCTYPE|ENTITY)/i.test(xml))
    return { ok: false, message: 'A script with a document type or entities is not read.' };
  try {
    const valid = XMLValidator.validate(xml);
    if (valid !== true)
      return { ok: false, message: `This is not well-formed XML: line ${valid.err.line}: ${valid.err.msg}` };
    const parser = new XMLParser({
      preserveOrder: true,
      ignoreAttributes: false,
      processEntities: true,
      removeNSPrefix: true,
      parseAttributeValue: false,
      maxNestedTags: DEEPEST + 1,
    });
    return { ok: true, root: elementsOf(parser.parse(xml) as Raw[], 0, { n: 0 }) };
  } catch (error) {
    if (error instanceof TooMuch)
      return {
        ok: false,
        message: `Elements stand more than ${DEEPEST} deep in each other, or there are more than ${MOST}: that is more than is read.`,
      };
    const why = error instanceof Error ? error.message.slice(0, 120) : '';
    const deep = /nest|depth|call stack/i.test(why);
    return {
      ok: false,
      message: deep
        ? `Elements stand more than ${DEEPEST} deep in each other: that is more than is read.`
        : `This is not well-formed XML${why ? `: ${why}` : ''}.`,
    };
  }
}

class TooMuch extends Error {}

type Raw = Record<string, unknown>;
function elementsOf(raw: readonly Raw[], depth: number, seen: { n: number }): Element[] {
  if (depth > DEEPEST) throw new TooMuch();
  return raw.flatMap((node) => {
    const name = Object.keys(node).find((k) => k !== ':@' && k !== '#text' && !k.startsWith('?'));
    if (!name) return [];
    if (++seen.n > MOST) throw new TooMuch();
    const attributes: Record<string, string> = Object.assign(
      Object.create(null) as object,
      Object.fromEntries(
        Object.entries((node[':@'] as Record<string, string> | undefined) ?? {}).map(([k, v]) => [
          k.replace(/^@_/, ''),
          String(v),
        ]),
      ),
    );
    return [{ name, attributes, children: elementsOf(node[name] as Raw[], depth + 1, seen) }];
  });
}
