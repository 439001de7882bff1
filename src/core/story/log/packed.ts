/** A day of the log as it is stored: one text, without what is empty. What is worked out of records otherwise gets another version. */
import type { Facts } from '../facts';
import type { Row } from './rows';

/** Rows that were packed by another version are worked out anew. */
export const PACKED_VERSION = 1;

const EMPTY: Facts = {
  way: 'in',
  other: null,
  numberId: null,
  ours: null,
  rungIds: [],
  withIds: [],
  phones: [],
  queueIds: [],
  groupIds: [],
  mailboxId: null,
  missed: false,
  talked: false,
  unwanted: false,
  times: null,
  outcome: null,
  text: '',
};
const isEmpty = (value: unknown): boolean =>
  value === null ||
  value === false ||
  value === '' ||
  value === undefined ||
  (Array.isArray(value) && !value.length);

export const packed = (rows: readonly Row[]): string =>
  JSON.stringify(
    rows.map(({ facts, left, noted, recorded, ...row }) => ({
      ...row,
      ...(left ? { left } : {}),
      ...(noted ? { noted } : {}),
      ...(recorded ? { recorded } : {}),
      facts: Object.fromEntries(Object.entries(facts).filter(([, value]) => !isEmpty(value))),
    })),
  );

/** @param text of `packed`, of this version @throws SyntaxError where it is no such text */
export function unpacked(text: string): Row[] {
  const rows = JSON.parse(text) as (Partial<Row> & Pick<Row, 'id' | 'kind' | 'at'>)[];
  return rows.map((row) => ({
    left: false,
    noted: false,
    recorded: false,
    ...row,
    facts: { ...EMPTY, ...row.facts },
  }));
}
