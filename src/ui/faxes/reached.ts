/** Where a fax is, in words. */
import { FAX_FAILURES, faxStandingOf } from '$standins/carrier/faxing';
import type { FaxRecord } from '$workspace';
import { count, momentText } from '../format';

export function faxInWords(fax: FaxRecord, now: number, zone: string): { words: string; failed: boolean } {
  const is = faxStandingOf(fax, now);
  switch (is.state) {
    case 'came':
      return { words: `came ${momentText(is.at, zone)}`, failed: false };
    case 'calling':
      return { words: 'is called', failed: false };
    case 'sending':
      return { words: `page ${is.page} of ${is.of} is on its way`, failed: false };
    case 'sent':
      return { words: `sent ${momentText(is.at, zone)}`, failed: false };
    case 'failed':
      return {
        words: `not sent ${momentText(is.at, zone)}: ${FAX_FAILURES[is.why]}${is.pages ? ` ${count(is.pages, 'page')} got through.` : ''}`,
        failed: true,
      };
  }
}
