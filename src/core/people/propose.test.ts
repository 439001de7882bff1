import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { edited, yard } from '../../../tests/fixtures/yard';
import { checkExtension, ExtensionIndex } from '../numbering';
import {
  emptySystem,
  newBusiness,
  newGroup,
  newPerson,
  newSite,
  type Business,
  type Command,
  type System,
} from '../system';
import { ExtensionProposer, type ExtensionRule } from '.';

const empty = (change: Partial<Business> = {}): System =>
  emptySystem({
    ...newBusiness({ name: 'Yard', country: 'US', timeZone: 'America/Los_Angeles' }),
    ...change,
  });
const person = (extension: string, siteId: string | null = null): Command => ({
  do: 'person.add',
  value: newPerson({ id: `p${extension}`, name: `Person ${extension}`, extension, siteId }),
});
/** So many proposals one after the other, each taken. */
function proposals(
  system: System,
  rule: ExtensionRule,
  asked: readonly [siteId: string | null, direct: string][],
) {
  const proposer = new ExtensionProposer(system, rule);
  return asked.map(([siteId, direct]) => {
    const extension = proposer.propose(siteId, direct);
    if (extension) proposer.take(extension, 'somebody');
    return extension;
  });
}
const several = (n: number): [null, string][] => Array.from({ length: n }, () => [null, '']);

describe('extensions proposed one after the other', () => {
  it('start at 201 in an empty business, and never hide a service such as 211', () => {
    const given = proposals(empty(), 'next free', several(12));
    expect(given).toEqual([
      '201',
      '202',
      '203',
      '204',
      '205',
      '206',
      '207',
      '208',
      '209',
      '210',
      '212',
      '213',
    ]);
  });

  it('go on from the lowest that is in use, around those of groups and further ones', () => {
    const system = edited(yard(), [
      { do: 'group.add', value: newGroup({ id: 'g', name: 'Slip', extension: '205' }) },
      { do: 'person.set', id: 'pia', change: { further: [{ extension: '206', until: null, note: '' }] } },
    ]);
    expect(proposals(system, 'next free', several(2))).toEqual(['207', '208']);
  });

  it('end when none is left, and start again below when only those above are taken', () => {
    const two = empty({ extensionLength: 2, outsideDigit: '9' });
    const all = proposals(two, 'next free', several(100));
    const given = all.filter((e) => e !== undefined);
    expect(new Set(given).size).toBe(given.length);
    expect(all.at(-1)).toBeUndefined();
    // Neither what begins with the outside-line digit nor with 0.
    expect(given.every((e) => /^[1-8]\d$/.test(e))).toBe(true);
    expect(given).toContain('12');
  });

  it('keep a hundred for each site: the one its people are in, else the first that nobody has', () => {
    const sites = ['a', 'b', 'c'].map((id): Command => ({
      do: 'site.add',
      value: newSite({ id, name: id, timeZone: 'America/Los_Angeles', address: yard().sites.yard!.address }),
    }));
    const system = edited(empty(), [...sites, person('401', 'b'), person('402', 'b'), person('300')]);
    expect(
      proposals(system, 'by site', [
        ['b', ''],
        ['a', ''],
        ['c', ''],
        ['a', ''],
        [null, ''],
      ]),
    ).toEqual(['403', '201', '501', '202', '301']);
  });

  it('take the last digits of a direct number where they are free, else the next free one', () => {
    const direct = '+13605550142';
    expect(
      proposals(empty(), 'last digits', [
        [null, direct],
        [null, direct],
        [null, '+13605550060'],
        [null, ''],
      ]),
    ).toEqual(['142', '201', '202', '203']);
  });

  it('whatever is there, each could stand in the namespace', () => {
    const rule = fc.constantFrom<ExtensionRule>('next free', 'by site', 'last digits');
    const used = fc.uniqueArray(fc.integer({ min: 200, max: 899 }), { maxLength: 30 });
    fc.assert(
      fc.property(rule, used, fc.nat(60), (rule, extensions, n) => {
        const kept = extensions.map(String).filter((e) => !checkExtension(e, [], empty().business));
        const system = edited(
          empty({ outsideDigit: '9' }),
          kept.map((e) => person(e)),
        );
        const index = new ExtensionIndex(kept.map((extension) => ({ extension, who: 'x' })));
        for (const e of proposals(system, rule, several(n))) {
          expect(checkExtension(e!, index, system.business)).toBeUndefined();
          index.add({ extension: e!, who: 'y' });
        }
      }),
      { numRuns: 60, seed: 3 },
    );
  });

  it('an extension given up is free again, and what it was the beginning of is not forgotten', () => {
    const index = new ExtensionIndex([
      { extension: '201', who: 'a' },
      { extension: '2020', who: 'b' },
      { extension: '2021', who: 'c' },
    ]);
    index.remove('2020');
    expect(index.clash('202')).toMatchObject({ extension: '2021' });
    index.remove('2021');
    expect(index.clash('202')).toBeUndefined();
    expect(index.clash('201')).toMatchObject({ who: 'a' });
  });
});
