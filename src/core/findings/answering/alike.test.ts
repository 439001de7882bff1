import fc from 'fast-check';
import { expect, it } from 'vitest';
import { alike } from './alike';
import type { Finding, Severity } from '../finding';

const found = (id: string, detail = 'It cannot ring.', severity: Severity = 'warning'): Finding => ({
  id,
  severity,
  place: { kind: 'phone', id },
  title: id,
  detail,
});
const ids = (findings: readonly Finding[]) => alike(findings).map((g) => g.map((f) => f.id));

it('tells what is found of three things once, where the first stood', () => {
  expect(
    ids([found('no-plan:a'), found('pair:a'), found('dead:b'), found('pair:b'), found('pair:c')]),
  ).toEqual([['no-plan:a'], ['pair:a', 'pair:b', 'pair:c'], ['dead:b']]);
});
it('leaves two of a kind, and what differs in what to do, each for itself', () => {
  expect(ids([found('pair:a'), found('pair:b'), found('pair:c', 'Make its account.')])).toEqual([
    ['pair:a'],
    ['pair:b'],
    ['pair:c'],
  ]);
  expect(ids([found('pair:a'), found('pair:b'), found('pair:c', undefined, 'hint')])).toHaveLength(3);
  expect(ids([])).toEqual([]);
});
it('loses none and tells none twice', () => {
  const one = fc.record({
    of: fc.constantFrom('pair', 'calendar:hours', 'silent'),
    n: fc.nat(20),
    detail: fc.constantFrom('x', 'y'),
  });
  fc.assert(
    fc.property(fc.uniqueArray(one, { selector: (o) => `${o.of}:${o.n}` }), (all) => {
      const findings = all.map((o) => found(`${o.of}:${o.n}`, o.detail));
      expect(ids(findings).flat().sort()).toEqual(findings.map((f) => f.id).sort());
    }),
    { seed: 11 },
  );
});
