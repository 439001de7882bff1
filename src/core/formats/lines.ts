/** The lines of an iCalendar or vCard file, taken apart without failing: what is wrong with one is told, and the rest read. */
import ICAL from 'ical.js';

/** Bytes as lines. They are unfolded before they are decoded: a fold may stand within a character (RFC 5545 §3.1). */
export function unfolded(file: Uint8Array | string): string[] {
  const bytes = typeof file === 'string' ? new TextEncoder().encode(file) : file;
  const kept = new Uint8Array(bytes.length);
  let n = 0;
  for (let i = 0; i < bytes.length; i++) {
    const end = bytes[i] === 13 && bytes[i + 1] === 10 ? 2 : bytes[i] === 10 || bytes[i] === 13 ? 1 : 0;
    const next = bytes[i + end];
    if (end && (next === 32 || next === 9)) {
      i += end;
      continue;
    }
    if (end === 2) i++;
    kept[n++] = end ? 10 : bytes[i]!;
  }
  const text = decode(kept.subarray(0, n));
  return text.replace(/^\uFEFF/, '').split('\n');
}

function decode(bytes: Uint8Array): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

/** A property of a component: its value as text, as it stands there. */
export interface Property {
  name: string;
  parameters: Record<string, string>;
  value: string;
}

/** A component with its own properties; what stands in components within it is apart. */
export interface Block {
  name: string;
  properties: Property[];
  within: Block[];
  /** It was never closed. */
  open: boolean;
  /** Lines that are none. */
  wrong: string[];
}

/** So deep may components stand in each other. */
const DEEPEST = 8;

/** The components of a file, whatever stands between them. */
export function blocksOf(lines: readonly string[]): Block[] {
  const roots: Block[] = [];
  const stack: Block[] = [];
  for (const line of lines) {
    if (!line.trim()) continue;
    const top = stack.at(-1);
    const begin = /^BEGIN:(\S+)\s*$/i.exec(line)?.[1];
    if (begin) {
      const block: Block = { name: begin.toUpperCase(), properties: [], within: [], open: true, wrong: [] };
      if (stack.length < DEEPEST) (top ? top.within : roots).push(block);
      stack.push(block);
      continue;
    }
    const end = /^END:(\S+)\s*$/i.exec(line)?.[1]?.toUpperCase();
    if (end) {
      const at = stack.findLastIndex((b) => b.name === end);
      if (at < 0) continue;
      // What was opened within it and never closed ends with it, and is told.
      stack[at]!.open = false;
      stack.length = at;
      continue;
    }
    if (!top) continue;
    const property = propertyOf(line);
    if (property) top.properties.push(property);
    else top.wrong.push(line.slice(0, 60));
  }
  return roots;
}

/** One content line (RFC 5545 §3.1), as the library takes it apart where it can. */
function propertyOf(line: string): Property | undefined {
  const head =
    /^([A-Za-z0-9-]+(?:\.[A-Za-z0-9-]+)?)((?:;[A-Za-z0-9-]+=(?:"[^"]*"|[^";:,]*)(?:,(?:"[^"]*"|[^";:,]*))*)*):/.exec(
      line,
    );
  if (!head) return undefined;
  const parameters: Record<string, string> = Object.create(null) as Record<string, string>;
  for (const [, name, value] of head[2]!.matchAll(
    /;([A-Za-z0-9-]+)=((?:"[^"]*"|[^";:,]*)(?:,(?:"[^"]*"|[^";:,]*))*)/g,
  )) {
    // The same one several times is one with several values (RFC 6350 §5.6).
    const [key, is] = [name!.toLowerCase(), value!.replaceAll('"', '')];
    parameters[key] = key in parameters ? `${parameters[key]},${is}` : is;
  }
  // A group in front of a name (RFC 6350 §3.3) says nothing here.
  const name = head[1]!.split('.').at(-1)!.toUpperCase();
  return { name, parameters, value: line.slice(head[0].length) };
}

/** A TEXT value as it is meant (RFC 5545 §3.3.11, RFC 6350 §3.4). */
export const textOf = (value: string): string =>
  value.replace(/\\([\\;,nN])/g, (_, c: string) => (c === 'n' || c === 'N' ? '\n' : c));

/** The parts of a structured value, parted by a sign that is not escaped. */
export const partsOf = (value: string, sign: ';' | ','): string[] =>
  (
    value.match(sign === ';' ? /(?:\\.|[^\\;])+|(?<=;|^)(?=;|$)/g : /(?:\\.|[^\\,])+|(?<=,|^)(?=,|$)/g) ?? [
      '',
    ]
  ).map(textOf);

/** A zone that the file describes itself, as the library reckons it. @throws what the library throws */
export const zoneOf = (lines: readonly string[]): ICAL.Timezone =>
  new ICAL.Timezone(new ICAL.Component(ICAL.parse(`${lines.join('\r\n')}\r\n`) as unknown as unknown[]));
