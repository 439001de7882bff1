/** What help gets of each phone, and which numbers summon it. */
import { describe, expect, it } from 'vitest';
import { allOn, edited, yard } from '../../../../tests/fixtures/yard';
import { civicAddress, newSite } from '../../system';
import { emergencyAnywhere, emergencyFrom, emergencyOfSites, helpFor, helpTable } from '..';

const base = yard();
const home = civicAddress({ country: 'GB', A3: 'Drayhorse', RD: 'Mill Lane', HNO: '8', PC: 'DH1 1AA' });
const system = edited(base, [
  { do: 'phone.set', id: 'rosa-app', change: { address: home } },
  { do: 'person.set', id: 'tomas', change: { siteId: null } },
  { do: 'business.set', change: { defaultCallerId: '+13605550142' } },
]);
const shownByNobody = [
  { do: 'business.set' as const, change: { defaultCallerId: null } },
  ...Object.keys(base.numbers).map((id) => ({
    do: 'number.set' as const,
    id,
    change: { callerIdFor: [] },
  })),
];
const at = Date.parse('2026-11-24T18:00:00Z');
const standing = (outside: readonly string[] = []) => {
  const on = allOn(system);
  for (const id of outside) on.registrations[id]!.outside = true;
  return on;
};
const phone = (id: string) => system.phones[id]!;

describe('where help is sent', () => {
  it('is the site of the person, as long as the phone is in the office', () => {
    expect(helpFor(system, standing(), 'rosa', at, phone('rosa-app'))).toEqual({
      place: { kind: 'site', id: 'yard' },
      callback: '+13605550142',
      siteId: 'yard',
    });
  });
  it('is the phone’s own address where it is used elsewhere', () => {
    expect(helpFor(system, standing(['rosa-app']), 'rosa', at, phone('rosa-app'))).toMatchObject({
      place: { kind: 'phone', id: 'rosa-app' },
    });
    expect(helpFor(system, standing(['rosa-app']), 'rosa', at, phone('rosa-app'))).not.toHaveProperty(
      'elsewhere',
    );
  });
  it('is the business’s, and said to be so, where it is used elsewhere and says no address', () => {
    expect(helpFor(system, standing(['rosa-desk']), 'rosa', at, phone('rosa-desk'))).toMatchObject({
      place: { kind: 'site', id: 'yard' },
      elsewhere: true,
    });
  });
  it('is nowhere known without a site and an address of the number', () => {
    expect(helpFor(system, standing(), 'tomas', at, phone('tomas-cell'))).toEqual({
      place: null,
      callback: '+13605550142',
      siteId: null,
    });
    expect(helpFor(system, standing(), null, at)).toMatchObject({ place: null, siteId: null });
    expect(helpFor(system, standing(), 'somebody-gone', at)).toMatchObject({ place: null, siteId: null });
    const numbered = edited(system, [{ do: 'number.set', id: 'main', change: { address: home } }]);
    expect(helpFor(numbered, standing(), null, at)).toEqual({
      place: { kind: 'number', id: 'main' },
      callback: '+13605550142',
      siteId: null,
    });
  });
  it('and the site’s own number rings back where it has one; nobody’s where none is shown', () => {
    const called = edited(system, [{ do: 'site.set', id: 'yard', change: { callback: '+13605550160' } }]);
    expect(helpFor(called, standing(), 'rosa', at).callback).toBe('+13605550160');
    const none = edited(system, shownByNobody);
    expect(helpFor(none, standing(), 'pia', at).callback).toBeNull();
  });
});

describe('numbers that summon help', () => {
  // 999 and 112 in the United Kingdom (Ofcom), 911 in the United States (47 CFR 9.3); from memory.
  it('are those of where the phone is, and the business’s', () => {
    expect(emergencyFrom(system, standing(), 'rosa', phone('rosa-app'))).toEqual(['911']);
    const away = emergencyFrom(system, standing(['rosa-app']), 'rosa', phone('rosa-app'));
    expect(away).toEqual(expect.arrayContaining(['999', '112', '911']));
    expect(new Set(away).size).toBe(away.length);
    expect(emergencyFrom(system, standing(['rosa-desk']), 'rosa', phone('rosa-desk'))).toEqual(['911']);
    expect(emergencyFrom(system, standing(), null, undefined)).toEqual(['911']);
    expect(emergencyFrom(system, standing(), 'somebody-gone', undefined)).toEqual(['911']);
  });
  it('are those of the person’s site', () => {
    const abroad = edited(system, [{ do: 'site.set', id: 'yard', change: { address: home } }]);
    expect(emergencyFrom(abroad, standing(), 'rosa', phone('rosa-desk'))).toEqual(
      expect.arrayContaining(['999', '911']),
    );
    expect(emergencyAnywhere(abroad)).toEqual(expect.arrayContaining(['999', '112', '911']));
  });
  it('of a site in another country are told apart, where they are others', () => {
    expect(emergencyOfSites(base)).toEqual([]);
    const abroad = edited(base, [
      {
        do: 'site.add',
        value: newSite({ id: 'loft', name: 'Loft', timeZone: 'Europe/London', address: home }),
      },
    ]);
    // 999 and 112 in the United Kingdom (Ofcom, General Condition A3); from memory.
    expect(emergencyOfSites(abroad)).toMatchObject([{ site: { id: 'loft' }, numbers: ['999', '112'] }]);
  });
  it('anywhere are those of every site and of every phone that says where it is', () => {
    expect(emergencyAnywhere(system)).toEqual(expect.arrayContaining(['911', '999', '112']));
    expect(emergencyAnywhere(base)).toEqual(['911']);
  });
});

describe('the table of phones', () => {
  const rowOf = (id: string, outside: readonly string[] = [], of = system) =>
    helpTable(of, standing(outside), at).find((r) => r.phone.id === id);
  it('has every phone that is not a linked one', () => {
    expect(helpTable(system, standing(), at).map((r) => r.phone.id)).toEqual([
      'rosa-desk',
      'rosa-app',
      'idris-desk',
      'pia-web',
    ]);
  });
  it('says whose, by which numbers and to where', () => {
    expect(rowOf('idris-desk')).toMatchObject({
      personId: 'idris',
      numbers: ['911'],
      address: '12 Lantern Cove Road, Port Ansel WA 98300',
    });
    expect(rowOf('rosa-app', ['rosa-app'])!.address).toContain('Mill Lane');
  });
  it('says what is doubtful, and nothing where nothing is', () => {
    const told = edited(system, [
      { do: 'site.set', id: 'yard', change: { notify: { personIds: ['rosa'], mailTo: [] } } },
    ]);
    expect(rowOf('idris-desk', [], told)!.doubts).toEqual([]);
    expect(rowOf('idris-desk')!.doubts).toEqual(['Nobody is told.']);
    expect(rowOf('idris-desk', ['idris-desk'], told)!.doubts).toEqual([
      'It is used elsewhere and says no address: help is told that its place is not known.',
    ]);
    const nowhere = edited(told, [
      { do: 'person.set', id: 'idris', change: { siteId: null } },
      ...shownByNobody,
    ]);
    expect(rowOf('idris-desk', [], nowhere)!.doubts).toEqual([
      'No address is known: help is sent nowhere.',
      'They cannot ring back.',
      'Nobody is told.',
    ]);
  });
});
