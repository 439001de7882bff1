/** Searching in blocks finds what asking each entry finds. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { DEMO_ID, demonstration } from '../../../demo/lantern-cove';
import { pastOf } from '../../standins/past/past';
import { ANY, tester, VIEWS } from './question';
import { search } from './search';
import { settling } from './settled';
import { storyOf, type Entry } from './story';

const NOW = Date.UTC(2026, 10, 24, 18, 15);
const whole = demonstration(NOW);
const { system } = whole.draft;
const past = pastOf(DEMO_ID, system, whole.standing.standing, NOW, 10);
const texts = Array.from({ length: 4500 }, (_, i) => ({
  id: `t${i}`,
  way: 'in' as const,
  from: `+120655501${String(i % 100).padStart(2, '0')}`,
  to: '+13605550142',
  text: i % 7 ? `Is it ready, number ${i}?` : 'STRASSE ß İ 🚤 keel',
  at: NOW - i * 60_000,
}));
const kept = { calls: past.calls, messages: past.messages, texts };
const entries = [...storyOf(kept, system)];
const by = settling(kept);
const day = () => [0, 1e15] as const;

describe('in blocks', () => {
  it('the same is found as one by one, whatever is asked', () => {
    const word = fc.oneof(
      fc.constantFrom(
        'ready',
        'number 77',
        'keel',
        '555-0101',
        '(206) 555-0142',
        'rosa',
        'ß',
        '🚤',
        'no such',
        '\0',
      ),
      fc.string({ maxLength: 3 }),
      fc.integer({ min: 0, max: 9999 }).map(String),
    );
    fc.assert(
      fc.property(word, word, fc.constantFrom(...VIEWS), (a, b, view) => {
        const question = { ...ANY, view, text: `${a} ${b}`.trim().slice(0, 200) };
        const plain = entries.filter(tester(question, by, day));
        expect(search(entries, question, by, day).map((e) => e.id)).toEqual(plain.map((e) => e.id));
      }),
      { numRuns: 150 },
    );
  });
  it('goes on when entries come, and others take their place', () => {
    const question = { ...ANY, text: 'keel' };
    const ids = (all: readonly Entry[]) => search(all, question, by, day).map((e) => e.id);
    const plain = (all: readonly Entry[]) => all.filter(tester(question, by, day)).map((e) => e.id);
    expect(ids(entries)).toEqual(plain(entries));
    const newer = [{ ...entries[7]!, id: 'new', search: 'a keel' }, ...entries];
    expect(ids(newer)).toEqual(plain(newer));
    const changed = newer.map((e, i) => (i === 3000 ? { ...e, id: 'changed', search: 'keel, too' } : e));
    expect(ids(changed)).toEqual(plain(changed));
  });
});
