/** Where a text is, in words. */
import { deliveryOf, FAILURES } from '$standins/carrier/texting';
import type { TextRecord } from '$workspace';
import { momentText } from '../format';
import type { Here } from '../window/here';

export interface Reached {
  words: string;
  failed: boolean;
}

export function reached(text: TextRecord, { texting, now, zone }: Here): Reached {
  if (text.way === 'in') return { words: `came ${momentText(text.at, zone)}`, failed: false };
  const is = deliveryOf(text, texting.requests, now);
  switch (is.state) {
    case 'later':
      return { words: `goes ${momentText(is.at, zone)}`, failed: false };
    case 'held':
      return { words: 'held back until you may text', failed: false };
    case 'on its way':
      return { words: `on its way since ${momentText(is.since, zone)}`, failed: false };
    case 'delivered':
      return { words: `delivered ${momentText(is.at, zone)}`, failed: false };
    case 'failed':
      return { words: `not delivered ${momentText(is.at, zone)}: ${FAILURES[is.why]}`, failed: true };
  }
}
