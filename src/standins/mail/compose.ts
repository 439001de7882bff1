/** Mail as a mail system sends it: RFC 5322 messages with MIME parts. Written by a library, loaded when first needed. */

export interface Letter {
  id: string;
  to: { name: string; address: string };
  from: { name: string; address: string };
  subject: string;
  text: string;
  /** The same for programs that show it; pictures in it are named as cid: and their id. */
  html?: string;
  /** Epoch milliseconds. */
  at: number;
  attachments?: Attachment[];
}

export interface Attachment {
  name: string;
  type: string;
  base64: string;
  /** Where the HTML shows it as a picture (RFC 2392). */
  cid?: string;
}

/** Text as base64 of its UTF-8. */
export const base64Of = (text: string): string =>
  btoa(Array.from(new TextEncoder().encode(text), (b) => String.fromCharCode(b)).join(''));

/** The letter as a raw RFC 5322 message, lines ended by CRLF. */
export async function rawMessage(letter: Letter): Promise<string> {
  const { createMimeMessage } = await import('mimetext/browser');
  const message = createMimeMessage();
  message.setHeader('Date', new Date(letter.at).toUTCString().replace('GMT', '+0000'));
  message.setHeader('Message-ID', `<${letter.id}@mail.upperline.example>`);
  message.setSender({ name: letter.from.name, addr: letter.from.address });
  message.setTo({ name: letter.to.name, addr: letter.to.address });
  message.setSubject(letter.subject);
  const bodies = [
    ['text/plain', letter.text] as const,
    ...(letter.html ? [['text/html', letter.html] as const] : []),
  ];
  for (const [contentType, body] of bodies)
    message.addMessage({
      contentType,
      encoding: 'base64',
      data: wrapped(base64Of(body.replace(/\r?\n/g, '\r\n'))),
    });
  for (const { name, type, base64, cid } of letter.attachments ?? [])
    message.addAttachment({
      filename: name,
      contentType: type,
      data: wrapped(base64),
      encoding: 'base64',
      ...(cid ? { inline: true, headers: { 'Content-ID': cid } } : {}),
    });
  return message.asRaw();
}

/** Base64 in lines of 76 characters (RFC 2045 §6.8). */
const wrapped = (base64: string): string => base64.match(/.{1,76}/g)?.join('\r\n') ?? '';
