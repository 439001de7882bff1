/** Mail as a mail system sends it: RFC 5322 messages with MIME parts. Written by a library, loaded when first needed. */

export interface Letter {
  id: string;
  to: { name: string; address: string };
  from: { name: string; address: string };
  subject: string;
  text: string;
  /** Epoch milliseconds. */
  at: number;
  attachment?: { name: string; type: string; base64: string };
}

/** The letter as a raw RFC 5322 message, lines ended by CRLF. */
export async function rawMessage(letter: Letter): Promise<string> {
  const { createMimeMessage } = await import('mimetext/browser');
  const message = createMimeMessage();
  message.setHeader('Date', new Date(letter.at).toUTCString().replace('GMT', '+0000'));
  message.setHeader('Message-ID', `<${letter.id}@mail.upperline.example>`);
  message.setSender({ name: letter.from.name, addr: letter.from.address });
  message.setTo({ name: letter.to.name, addr: letter.to.address });
  message.setSubject(letter.subject);
  const utf8 = new TextEncoder().encode(letter.text.replace(/\r?\n/g, '\r\n'));
  message.addMessage({
    contentType: 'text/plain',
    encoding: 'base64',
    data: wrapped(btoa(Array.from(utf8, (b) => String.fromCharCode(b)).join(''))),
  });
  if (letter.attachment)
    message.addAttachment({
      filename: letter.attachment.name,
      contentType: letter.attachment.type,
      data: wrapped(letter.attachment.base64),
      encoding: 'base64',
    });
  return message.asRaw();
}

/** Base64 in lines of 76 characters (RFC 2045 §6.8). */
const wrapped = (base64: string): string => base64.match(/.{1,76}/g)?.join('\r\n') ?? '';
