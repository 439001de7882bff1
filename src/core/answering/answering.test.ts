import { describe, expect, it } from 'vitest';
import { edited, yard } from '../../../tests/fixtures/yard';
import { arrivalTimes, planInWords, spokenSeconds } from '.';

const system = yard();

it('says a plan in words', () => {
  expect(planInWords(system.plans['rosa-plan']!, system)).toBe(
    'Rings Rosa Delgado, 18 s, then voicemail Rosa Delgado.',
  );
  expect(planInWords(system.plans['main-plan']!, system)).toBe(
    'Plays “Welcome”, then by Office hours (when Open: rings Rosa Delgado and Idris Okafor, all together, 18 s; otherwise: plays “Closed”), then voicemail Front desk.',
  );
  expect(planInWords({ id: 'x', name: 'X', steps: [] }, system)).toContain('cut off');
});

describe('the second a call reaches a step', () => {
  it('counts recordings and ringing, and takes the longer way where branches join', () => {
    const times = arrivalTimes(system.plans['main-plan']!, system);
    expect(Object.fromEntries(times)).toEqual({
      play: 0,
      'by-hours': 4,
      'ring-front': 4,
      'play-closed': 4,
      'vm-front': 22,
    });
  });
  it('counts one after the other for each', () => {
    const step = {
      id: 'ring-front',
      kind: 'ring' as const,
      targets: [
        { kind: 'person' as const, id: 'rosa' },
        { kind: 'person' as const, id: 'idris' },
      ],
      pattern: 'in order' as const,
      seconds: 10,
      followReach: false,
    };
    const after = edited(system, [{ do: 'step.set', planId: 'main-plan', step }]);
    expect(arrivalTimes(after.plans['main-plan']!, after).get('vm-front')).toBe(24);
  });
});

it('reckons speech at 150 words a minute', () => {
  expect(spokenSeconds('')).toBe(0);
  expect(spokenSeconds('Hello')).toBe(1);
  expect(spokenSeconds(Array(150).fill('word').join(' '))).toBe(60);
});
