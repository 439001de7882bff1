/** Where somebody's own settings send calls on: until when, and apart for being on a call, declining, and not to be disturbed. */
import { describe, expect, it } from 'vitest';
import { allOn, edited, yard } from '../../../../tests/fixtures/yard';
import { effectOf } from '../../coverage';
import { settle, withOwn, type Setting, type Standing, type System } from '../../system';
import { rehearse } from '../engine/rehearse';
import { nobodyAnswers, type CallRequest } from '../base/request';
import type { Trace } from '../base/trace';
import { traceLines } from '../words/lines';

/** A Monday at ten in Port Ansel. */
const MONDAY = Date.parse('2026-11-23T18:00:00Z');
const STAMP = { at: MONDAY - 1000, by: 'Rosa Delgado, on this phone' };
const set = (system: System, standing: Standing, settings: Setting[]): Standing =>
  settings.reduce((s, setting) => settle(s, setting, STAMP, system).standing, standing);
const call = (more: Partial<CallRequest> = {}): CallRequest => ({
  id: 'c',
  at: MONDAY,
  from: { kind: 'outside', number: '+12065550187' },
  to: { kind: 'digits', digits: '201' },
  behaviour: nobodyAnswers(),
  ...more,
});
const words = (trace: Trace, system: System): string => traceLines(trace, system).join('\n');
const rosa = (values: Extract<Setting, { kind: 'person' }>['values']): Setting => ({
  kind: 'person',
  personId: 'rosa',
  values,
});

describe('a forward that ends', () => {
  const plain = yard();
  const standing = set(plain, allOn(plain), [
    rosa({ always: { to: 'person', personId: 'idris' }, alwaysUntil: MONDAY + 3_600_000 }),
  ]);
  const system = withOwn(plain, standing.own);
  const at = (moment: number) => words(rehearse(system, standing as never, call({ at: moment })), system);

  it('sends calls on until then, and not from then on', () => {
    expect(at(MONDAY)).toContain('sends it on to Idris Okafor (always)');
    expect(at(MONDAY + 3_599_999)).toContain('(always)');
    expect(at(MONDAY + 3_600_000)).not.toContain('(always)');
  });
  it('is told of in what it does to callers, with when it ends', () => {
    // A plan that follows what people set for themselves.
    const follows = edited(plain, [
      {
        do: 'plan.set',
        id: 'rosa-plan',
        change: {
          steps: [
            {
              id: 'r',
              kind: 'ring',
              targets: [{ kind: 'person', id: 'rosa' }],
              pattern: 'together',
              seconds: 18,
              followReach: true,
            },
            { id: 'e', kind: 'end', how: 'plain' },
          ],
        },
      },
    ]);
    const [found] = effectOf(follows, allOn(follows), standing, MONDAY).found;
    expect(found!.after).toContain('Idris Okafor');
    expect(found!.when).toContain('10:00–11:00');
  });
});

describe('declined, and not to be disturbed', () => {
  const plain = yard();
  const ways = rosa({
    onBusy: { to: 'person', personId: 'tomas' },
    onDeclined: { to: 'person', personId: 'pia' },
    onUndisturbed: { to: 'person', personId: 'idris' },
  });
  const declining = {
    ...nobodyAnswers(),
    people: { rosa: { does: 'declines' as const, after: 3 } },
  };
  const dnd: Setting = { kind: 'do not disturb', personId: 'rosa', on: true, until: null };
  const told = (settings: Setting[], behaviour = nobodyAnswers()) => {
    const standing = set(plain, allOn(plain), settings);
    const system = withOwn(plain, standing.own);
    return words(rehearse(system, standing as never, call({ behaviour })), system);
  };
  it('have ways of their own, apart from being on a call', () => {
    expect(told([ways], declining)).toContain('sends it on to Pia Lindqvist (declined)');
    expect(told([ways, dnd])).toContain('sends it on to Idris Okafor (not to be disturbed)');
  });
  it('go as on a call where none is set', () => {
    const busy = rosa({ onBusy: { to: 'person', personId: 'tomas' } });
    expect(told([busy], declining)).toContain('sends it on to Tomas');
    expect(told([busy, dnd])).toContain('sends it on to Tomas');
  });
});
