/** The axis of the coverage board, and coverage as a table. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { allOn, yard } from '../../../../tests/fixtures/yard';
import { momentOf } from '../../hours';
import { piecesOf } from '../pieces';
import { NO_FILTER, rowsOf, tableOf } from './lanes';
import { secondsUntilRung, secondsUntilVoicemail } from './reach';
import { compressed } from './scale';

const HOUR = 3_600_000;

describe('the compressed axis', () => {
  it('keeps the order of moments, from 0 to 1', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: -5, max: 200 }), { maxLength: 20 }),
        fc.array(fc.integer({ min: 0, max: 168 }), { minLength: 2, maxLength: 20 }),
        (cuts, moments) => {
          const scale = compressed(
            cuts.map((c) => c * HOUR),
            0,
            168 * HOUR,
          );
          expect([scale(0), scale(168 * HOUR)]).toEqual([0, 1]);
          const sorted = [...moments].sort((a, b) => a - b);
          for (let i = 1; i < sorted.length; i++) {
            const [a, b] = [scale(sorted[i - 1]! * HOUR), scale(sorted[i]! * HOUR)];
            if (sorted[i]! > sorted[i - 1]!) expect(b).toBeGreaterThan(a);
          }
        },
      ),
    );
  });
  it('gives nine hours without a change three times the room of one', () => {
    const scale = compressed([9 * HOUR], 0, 10 * HOUR);
    expect(scale(9 * HOUR)).toBeCloseTo(3 / 4);
  });
});

describe('coverage as a table', () => {
  const system = yard();
  const from = momentOf('America/Los_Angeles', '2026-11-24', 0);
  const number = system.numbers.main!;
  const pieces = piecesOf(system, allOn(system), number, from, from + 24 * HOUR);
  it('says when somebody is first rung, and when voicemail begins', () => {
    const open = pieces.find((p) => p.trace.some((e) => e.kind === 'leg offered'))!;
    // Four seconds of welcome, then at once on the desk phone; 18 s of ringing.
    expect([
      secondsUntilRung(open.trace, 'rosa'),
      secondsUntilRung(open.trace, 'pia'),
      secondsUntilVoicemail(open.trace),
    ]).toEqual([4, null, 22]);
  });
  it('has a row for each piece', () => {
    const day = rowsOf(system, allOn(system), { ...NO_FILTER, numberId: number.id }, from, from + 24 * HOUR);
    const rows = tableOf(day, String);
    expect(rows).toHaveLength(pieces.length + 1);
    expect(rows[0]).toHaveLength(8);
    expect(rows[1]).toEqual(expect.arrayContaining(['+13605550142', 'Main line', 'message']));
  });
});
