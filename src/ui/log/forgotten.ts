/** What was deleted for good or hidden, in words. */
import type { DealingsRecord } from '$workspace';
import { count, momentText } from '../format';

type Gone = NonNullable<DealingsRecord['forgotten']>[number];

export const forgottenInWords = ({ at, by, entries, hidden }: Gone, zone: string): string =>
  hidden
    ? `${momentText(at, zone)}: the numbers of ${count(entries, 'caller')} hidden, by ${by}.`
    : `${momentText(at, zone)}: ${count(entries, 'entry', 'entries')} deleted for good, by ${by}.`;
