/** The letter that invites somebody to pair a phone: its words filled in, as text and as HTML, with its picture and its file. */
import { z } from 'zod';
import type { InvitationWording } from '../../core/system';
import { base64Of, type Attachment, type Letter } from './compose';

/** What may stand in braces, with what it becomes. */
export const PLACEHOLDERS = {
  name: 'their name',
  business: 'the name of the business',
  extension: 'their extension',
  phone: 'the phone it is for',
  link: 'the link that pairs',
  number: 'the business number',
  code: 'the code',
  until: 'when the code runs out',
} as const;
export type InvitationFacts = Record<keyof typeof PLACEHOLDERS, string>;

/** Names in braces that are never filled in. */
export const unknownPlaceholders = (text: string): string[] =>
  [...text.matchAll(/\{([^{}\s]{0,30})\}/g)].map((m) => m[1]!).filter((n) => !(n in PLACEHOLDERS));

const fill = (text: string, facts: InvitationFacts): string =>
  text.replace(/\{(\w+)\}/g, (whole, name: string) => facts[name as keyof InvitationFacts] ?? whole);

const escaped = (text: string): string =>
  text.replace(/[&<>"]/g, (c) => `&${{ '&': 'amp', '<': 'lt', '>': 'gt', '"': 'quot' }[c]};`);

/** What a phone is set up with: the file that is attached to the letter, and what its picture says as a link. */
export const PhoneSettings = z.object({
  format: z.literal('upper-line-phone'),
  version: z.literal(1),
  business: z.string().max(80),
  /** E.164. */
  number: z.string().max(20),
  code: z.string().max(10),
  page: z.string().max(300),
  /** What makes a phone of another machine: the fragment of the link. */
  join: z.string().max(300).optional(),
});
export type PhoneSettings = z.infer<typeof PhoneSettings>;

/** The link that pairs: the page of the staff phone with number and code. The number is E.164. @param join its fragment, for other machines */
export const pairingLink = (page: string, number: string, code: string, join = ''): string =>
  `${page}?number=${encodeURIComponent(number)}&code=${code}${join && `#${join}`}`;

/** What such a link says, or undefined for anything else. */
export function readLink(text: string): { number: string; code: string; join: string } | undefined {
  try {
    const { searchParams, hash } = new URL(text);
    const [number, code] = [searchParams.get('number'), searchParams.get('code')];
    return number && code ? { number, code, join: hash.slice(1) } : undefined;
  } catch {
    return undefined;
  }
}

/** The words of the letter. Whatever is filled in is text, never markup. */
export function invitationWords(
  wording: InvitationWording,
  facts: InvitationFacts,
): Pick<Letter, 'subject' | 'text' | 'html'> {
  const text = fill(wording.text, facts) + '\n';
  const link = escaped(facts.link);
  const paragraphs = escaped(text.trim())
    .split(/\n{2,}/)
    .map((p) => `<p>${p.replaceAll('\n', '<br>').replaceAll(link, `<a href="${link}">${link}</a>`)}</p>`);
  const html = `<!doctype html><html lang="en"><body>${paragraphs.join('')}<p><img src="cid:pairing-picture" alt="The same link as a picture for a camera" width="220" height="220"></p></body></html>`;
  return { subject: fill(wording.subject, facts).replace(/\s+/g, ' '), text, html };
}

/** The picture and the file that go with it. The picture is a QR code (ISO/IEC 18004), drawn by a library. */
export async function invitationParts(settings: PhoneSettings): Promise<Attachment[]> {
  const { toDataURL } = await import('qrcode');
  const link = pairingLink(settings.page, settings.number, settings.code, settings.join);
  const picture = await toDataURL(link, { errorCorrectionLevel: 'M', width: 440, margin: 4 });
  return [
    {
      name: 'pairing-picture.png',
      type: 'image/png',
      base64: picture.slice(picture.indexOf(',') + 1),
      cid: 'pairing-picture',
    },
    {
      name: 'phone-settings.json',
      type: 'application/json',
      base64: base64Of(JSON.stringify(settings, null, 2) + '\n'),
    },
  ];
}
