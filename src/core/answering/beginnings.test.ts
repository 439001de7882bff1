/** Starting points for plans: each gives a plan that can go in force as it is. */
import { describe, expect, it } from 'vitest';
import { allOn, edited, yard } from '../../../tests/fixtures/yard';
import { rehearse } from '../calls';
import { endsWell, piecesOf, unansweredCall } from '../coverage';
import { findingsOf } from '../findings';
import { momentOf } from '../hours';
import { civicAddress, newSite, type System } from '../system';
import { BEGINNINGS, explainPlan, planInWords } from '.';

let made = 0;
const freshId = (kind: string) => `${kind}-${++made}`;
const today = '2026-11-24';
const begun = (id: string, from: System = yard()): System => {
  const bare = edited(from, [{ do: 'plan.set', id: 'main-plan', change: { steps: [] } }]);
  const b = BEGINNINGS.find((x) => x.id === id)!;
  expect(b.lacks(bare), id).toBe('');
  return edited(bare, b.make(bare, bare.plans['main-plan']!, { today, freshId }));
};
const twoSites = () =>
  edited(yard(), [
    {
      do: 'site.add',
      value: newSite({
        id: 'store',
        name: 'Store',
        timeZone: 'America/Los_Angeles',
        address: civicAddress({ country: 'US' }),
      }),
    },
    { do: 'person.set', id: 'tomas', change: { siteId: 'store' } },
  ]);

describe('starting points', () => {
  it.each(BEGINNINGS.map((b) => b.id))(
    '%s leaves no caller without an answer or a mailbox, all week, and nothing that stops',
    (id) => {
      const system = begun(id, id === 'two-sites' ? twoSites() : yard());
      const from = momentOf('America/Los_Angeles', today, 0);
      for (const piece of piecesOf(system, allOn(system), system.numbers.main!, from, from + 7 * 86_400_000))
        expect(endsWell(piece.trace)).toBe('message');
      const own = findingsOf({ system, standing: allOn(system), today, freshId }).filter(
        (f) => f.place.kind === 'plan' && f.place.id === 'main-plan',
      );
      expect(own.filter((f) => f.severity !== 'hint').map((f) => f.title)).toEqual([]);
    },
  );
  it('say what is lacking where they cannot begin', () => {
    const alone = edited(
      yard(),
      ['idris', 'pia', 'tomas'].map((id) => ({ do: 'person.remove' as const, id })),
    );
    expect(Object.fromEntries(BEGINNINGS.map((b) => [b.id, b.lacks(alone)]))).toEqual({
      'one-person': '',
      'small-office': '',
      'office-with-menu': '2 people',
      'shop-with-saturday': '',
      'on-call': '2 people',
      'two-sites': 'a second site',
    });
  });
  it('use the hours and the rota there are', () => {
    const system = begun('small-office');
    expect(Object.keys(system.hours)).toEqual(['office']);
    const twice = begun('on-call', begun('on-call'));
    expect(Object.keys(twice.rotas)).toHaveLength(1);
  });
  it('with two sites ring the first, then the second', () => {
    const system = begun('two-sites', twoSites());
    const trace = rehearse(
      system,
      allOn(system),
      unansweredCall(system.numbers.main!, momentOf('America/Los_Angeles', today, 600)),
    );
    const rung = trace.flatMap((e) => (e.kind === 'leg offered' ? [e.personId] : []));
    expect(rung.at(-1)).toBe('tomas');
    expect(rung[0]).not.toBe('tomas');
  });
});

it('explains a plan line by line', () => {
  const text = explainPlan(yard().plans['main-plan']!, yard());
  expect(text.split('\n').slice(0, 8)).toEqual([
    'Main line',
    'Answers Main line, (360) 555-0142.',
    '',
    '1. Play “Welcome”.',
    '   It says: Welcome to Lantern Cove Boatworks, we are here for you.',
    '2. By hours Office hours.',
    '   Open · Mon–Fri 08:00–17:00:',
    '      1. Ring Rosa Delgado and Idris Okafor, all together, 18 s.',
  ]);
  expect(planInWords(begun('office-with-menu').plans['main-plan']!, begun('office-with-menu'))).toContain(
    'key 1: rings Rosa Delgado',
  );
});
