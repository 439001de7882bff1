/** What may stand in the files that are written: each format forbids something, whatever a name may hold. */

/** Halves of surrogate pairs that stand alone: no character, and no UTF-8 (RFC 3629 §3). */
const LONE = /[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/g;

/** Text that XML 1.0 may hold (§2.2, the production Char): anything else goes. */
export const forXml = (text: string): string =>
  // eslint-disable-next-line no-control-regex
  text.replace(LONE, '').replace(/[\u0000-\u0008\u000B\u000C\u000E-\u001F\uFFFE\uFFFF]/g, '');

/** Text of several lines for iCalendar and vCard: no controls but tab and line ends (RFC 5545 §3.1, RFC 6350 §3.3). */
export const forLines = (text: string): string =>
  forXml(text)
    .replace(/\r\n?/g, '\n')
    .replace(/\u007F/g, '');

/** Text of one line, as a header of a mail (RFC 5322 §2.2) or a name in a file: line ends and controls become blanks. */
export const forLine = (text: string): string => forXml(text).replace(BREAKS, ' ').trim();
// eslint-disable-next-line no-control-regex
const BREAKS = /[\u0000-\u001F\u007F-\u009F\u2028\u2029]+/g;
