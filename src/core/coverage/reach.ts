/** When somebody can be rung, and coverage as a table. */
import { outcomeOf, type Trace } from '../calls';
import type { System } from '../system';
import { firstOf } from './first';
import type { Piece } from './pieces';
import { waysInWords } from './words';

/** The second at which a call first sounds on a phone of somebody, or null where it never does. */
export function secondsUntilRung(trace: Trace, personId: string): number | null {
  const first = trace.find((e) => e.kind === 'leg sounding' && e.personId === personId);
  return first ? first.t / 1000 : null;
}

/** The second at which voicemail begins, or null where a call comes to none. */
export function secondsUntilVoicemail(trace: Trace): number | null {
  const greeting = trace.find((e) => e.kind === 'greeting started');
  return greeting ? greeting.t / 1000 : null;
}

/** Rows of coverage for a spreadsheet, the first with the names of the columns. */
export function coverageRows(
  rows: readonly { label: string; e164: string; pieces: readonly Piece[] }[],
  system: System,
  written: (at: number) => string,
): string[][] {
  return [
    ['number', 'label', 'from', 'to', 'rung first', 'seconds until voicemail', 'ends', 'what happens'],
    ...rows.flatMap(({ label, e164, pieces }) =>
      pieces.map((piece) => [
        e164,
        label,
        written(piece.from),
        written(piece.to),
        firstOf(piece, system).label,
        String(secondsUntilVoicemail(piece.trace) ?? ''),
        outcomeOf(piece.trace)?.outcome.kind ?? '',
        waysInWords(piece, system),
      ]),
    ),
  ];
}
