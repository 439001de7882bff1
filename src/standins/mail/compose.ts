/** Mail as a mail system sends it: RFC 5322 messages with MIME parts. Written by a library, loaded when first needed. */

import { forLine, forLines } from '../../core/formats/clean';

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
  // A name with a line end in it would begin a header of its own.
  message.setSender({ name: forLine(letter.from.name), addr: forLine(letter.from.address) });
  message.setTo({ name: forLine(letter.to.name), addr: forLine(letter.to.address) });
  message.setSubject(forLine(letter.subject));
  const bodies = [
    ['text/plain', letter.text] as const,
    ...(letter.html ? [['text/html', letter.html] as const] : []),
  ];
  for (const [contentType, body] of bodies)
    message.addMessage({
      contentType,
      encoding: 'base64',
      data: wrapped(base64Of(forLines(body).replaceAll('\n', '\r\n'))),
    });
  for (const { name, type, base64, cid } of letter.attachments ?? [])
    message.addAttachment({
      filename: forLine(name),
      contentType: type,
      data: wrapped(base64),
      encoding: 'base64',
      ...(cid ? { inline: true, headers: { 'Content-ID': cid } } : {}),
    });
  return message.asRaw();
}

/** Base64 in lines of 76 characters (RFC 2045 §6.8). */
const wrapped = (base64: string): string => base64.match(/.{1,76}/g)?.join('\r\n') ?? '';
