/**
 * A call button as HTML for a foreign page: a link to a page of ours and, beside it, the number to dial. There is no script in
 * it, and it works without any: who has none dials.
 */
import type { CallButton } from '../system';
import { stylesOf } from './look';

/** Text as HTML (the five characters that mean something there). */
export const escaped = (text: string): string => text.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);

const inline = (styles: Record<string, string>): string =>
  Object.entries(styles)
    .map(([name, value]) => `${name}:${value}`)
    .join(';');

export interface Where {
  /** Of the server that has our pages, such as https://phones.example. */
  origin: string;
  businessId: string;
  /** E.164, and as people write it. */
  number: string;
  written: string;
  /** The fragment by which the exchange is found from other machines; absent is that it is not. */
  exchange?: string;
}

/** The page that a visitor comes to. */
export const visitAddress = ({ origin, businessId, number, exchange }: Where, buttonId: string): string =>
  `${origin}/visit?${new URLSearchParams({ business: businessId, button: buttonId, dial: number })}${exchange ? `#${exchange}` : ''}`;

/** @returns HTML, with nothing in it that was typed and would be markup */
export const snippetOf = (button: Pick<CallButton, 'id' | 'says' | 'look'>, where: Where): string =>
  [
    `<a href="${escaped(visitAddress(where, button.id))}" target="_blank" rel="noopener" style="${escaped(inline(stylesOf(button.look)))}">${escaped(button.says)}</a>`,
    // RFC 3966: a number in its global form.
    `<a href="tel:${escaped(where.number)}" style="margin-left:12px">${escaped(where.written)}</a>`,
  ].join('\n');
