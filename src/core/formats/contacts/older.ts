/**
 * Cards of version 2.1 (versit, 1996; from memory), as many mobiles still write them, in the way of 3.0: parameters that stand
 * there bare get their name, and quoted-printable text is decoded (RFC 2045, 6.7).
 */

/** What a bare parameter is, by the lists of the standard; whatever else stands there is a type. */
const ENCODINGS = ['QUOTED-PRINTABLE', 'BASE64', '8BIT', '7BIT'];

/** @param text in ASCII, soft line ends taken out @param charset of the bytes it stands for; UTF-8 where it is not known */
function unquoted(text: string, charset: string): string {
  const bytes: number[] = [];
  for (let i = 0; i < text.length; i++) {
    const hex = text[i] === '=' ? /^[0-9A-F]{2}/i.exec(text.slice(i + 1, i + 3))?.[0] : undefined;
    if (hex) i += 2;
    bytes.push(...(hex ? [parseInt(hex, 16)] : new TextEncoder().encode(text[i])));
  }
  const decode = (as: string) => new TextDecoder(as).decode(Uint8Array.from(bytes));
  try {
    return decode(charset);
  } catch {
    return decode('utf-8');
  }
}

/** Text of 2.1, where only a semicolon is escaped, as 3.0 has it. */
const escaped = (value: string): string =>
  value
    .replace(/\\(?!;)/g, '\\\\')
    .replace(/,/g, '\\,')
    .replace(/\r\n?|\n/g, '\\n');

/** @param lines unfolded @returns the same; those within a card of version 2.1 as 3.0 has them */
export function modernised(lines: readonly string[]): string[] {
  const out: string[] = [];
  const older = lines.map(() => false);
  // The version may stand anywhere in its card.
  for (let i = 0, begin = 0; i < lines.length; i++) {
    if (/^BEGIN:VCARD\s*$/i.test(lines[i]!)) begin = i;
    if (/^VERSION:2\.1\s*$/i.test(lines[i]!))
      for (let j = begin; j < lines.length && !/^END:VCARD\s*$/i.test(lines[j]!); j++) older[j] = true;
  }
  for (let i = 0; i < lines.length; i++) {
    const [, name, given, first] = (older[i] && /^([\w.-]+)((?:;[^:]*)?):(.*)$/.exec(lines[i]!)) || [];
    if (name === undefined || given === undefined || first === undefined) {
      out.push(lines[i]!);
      continue;
    }
    const types: string[] = [];
    const named: string[] = [];
    let [quoted, charset] = [false, 'utf-8'];
    for (const parameter of given.split(';').slice(1)) {
      const [key, value] = parameter.includes('=') ? parameter.split('=', 2) : [undefined, parameter];
      const is = value!.trim().toUpperCase();
      if (is === 'QUOTED-PRINTABLE') quoted = true;
      else if (key?.toUpperCase() === 'CHARSET') charset = value!.trim();
      else if (key?.toUpperCase() === 'TYPE' || (!key && !ENCODINGS.includes(is))) types.push(value!.trim());
      else if (is === 'BASE64') named.push('ENCODING=b');
      else if (key && !ENCODINGS.includes(is)) named.push(parameter);
    }
    let value = first;
    if (quoted) {
      while (value.endsWith('=') && i + 1 < lines.length) value = value.slice(0, -1) + lines[++i]!;
      value = unquoted(value, charset);
    }
    const text = named.includes('ENCODING=b') ? value : escaped(value);
    out.push([name, ...(types.length ? [`TYPE=${types.join(',')}`] : []), ...named].join(';') + `:${text}`);
  }
  return out;
}
