import { expect, it } from 'vitest';
import { allOn, edited, yard } from '../../../../tests/fixtures/yard';
import { applyEdit, noCallRecording, type CallRecording } from '../../system';
import { findingsOf } from '..';

const found = (recording: Partial<CallRecording>) => {
  const system = edited(yard(), [
    { do: 'business.set', change: { recording: { ...noCallRecording(), ...recording } } },
  ]);
  const all = findingsOf({ system, standing: allOn(system), today: '2026-11-24', freshId: (kind) => kind });
  return { system, finding: all.find((f) => f.id === 'recorded-for-ever') };
};

it('what is recorded by rule and kept for ever is found, and mended by one edit', () => {
  const { system, finding } = found({ personIds: ['rosa'], keepDays: null });
  expect(finding).toMatchObject({ severity: 'warning' });
  const mended = applyEdit(system, finding!.fix!.edit);
  expect(mended.ok && mended.system.business.recording?.keepDays).toBe(30);
  expect(found({ personIds: ['rosa'] }).finding).toBeUndefined();
  expect(found({ mayRecordFor: 'everybody', keepDays: null }).finding).toBeUndefined();
});
