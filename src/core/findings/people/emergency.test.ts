import { describe, expect, it } from 'vitest';
import { allOn, edited, yard } from '../../../../tests/fixtures/yard';
import { helpTable, rehearse } from '../../calls';
import {
  applyEdit,
  civicAddress,
  newPhone,
  newRegistration,
  type Command,
  type Standing,
  type System,
} from '../../system';
import { findingsOf } from '..';

const system = yard();
const found = (commands: Command[], standing: Partial<Standing> = {}, today = '2026-11-24') => {
  const after = edited(system, commands);
  let made = 0;
  return findingsOf({
    system: after,
    standing: { ...allOn(after), ...standing },
    today,
    freshId: (kind) => `${kind}-${++made}`,
  });
};
const ids = (...args: Parameters<typeof found>) => found(...args).map((f) => f.id);
const { address } = system.sites.yard!;

describe('help is sent to the right door', () => {
  it('a number without a site, or with an address of its own that lacks a part', () => {
    expect(ids([])).not.toContain('no-address:main');
    expect(ids([{ do: 'number.set', id: 'main', change: { siteId: null } }])).toContain('no-address:main');
    // One edit gives it the site of those whom it rings.
    const [lost] = found([{ do: 'number.set', id: 'main', change: { siteId: null } }]).filter(
      (f) => f.id === 'no-address:main',
    );
    expect(lost!.fix!.edit.commands).toEqual([{ do: 'number.set', id: 'main', change: { siteId: 'yard' } }]);
    expect(ids(lost!.fix!.edit.commands)).not.toContain('no-address:main');
    const own = civicAddress({ country: 'US', RD: 'Quay Street', HNO: '3', A1: 'WA', PC: '98300' });
    const lacking = found([{ do: 'number.set', id: 'main', change: { siteId: null, address: own } }]);
    expect(lacking.find((f) => f.id === 'bad-address:main')?.detail).toContain('City is missing');
    const whole = { ...own, A3: 'Port Ansel' };
    expect(
      ids([{ do: 'number.set', id: 'main', change: { siteId: null, address: whole } }]).join(),
    ).not.toContain('address:main');
  });
  it('a site whose address lacks a part', () => {
    const site = found([{ do: 'site.set', id: 'yard', change: { address: { ...address, HNO: '' } } }]);
    expect(site.find((f) => f.id === 'bad-site:yard')?.detail).toContain('House number');
  });
  it('is asked for again on the day somebody chose, and the answer lasts a year', () => {
    const due: Command = { do: 'site.set', id: 'yard', change: { checkAgainOn: '2026-11-24' } };
    expect(ids([due], {}, '2026-11-23')).not.toContain('still-right:yard');
    const finding = found([due]).find((f) => f.id === 'still-right:yard')!;
    const after = edited(edited(system, [due]), finding.fix!.edit.commands);
    expect(after.sites.yard!.checkAgainOn).toBe('2027-11-24');
  });
  // 47 CFR §9.16: somebody on site is told.
  it('and somebody is told', () => {
    expect(ids([])).toContain('nobody-told:yard');
    const told: Command = {
      do: 'site.set',
      id: 'yard',
      change: { notify: { personIds: ['rosa'], mailTo: [] } },
    };
    expect(ids([told])).not.toContain('nobody-told:yard');
  });
  it('a mobile app used elsewhere says where, too: its calls go out through the business', () => {
    const app: Command = {
      do: 'phone.add',
      value: newPhone({ id: 'pia-app', name: 'Mobile app', kind: 'mobile app', personId: 'pia' }),
    };
    const away = { 'pia-app': newRegistration({ pairedAt: 0, outside: true, standIn: true }) };
    expect(ids([app], { registrations: { ...allOn(system).registrations, ...away } })).toContain(
      'phone-address:pia-app',
    );
  });
  it('a site in another country: what summons help there works from there, and is in nobody’s way', () => {
    const abroad = (country: string): Command => ({
      do: 'site.set',
      id: 'yard',
      change: { address: { ...address, country } },
    });
    const dial = (after: System, digits: string) =>
      rehearse(after, allOn(after), {
        id: 'c',
        at: 0,
        from: { kind: 'phone', phoneId: 'rosa-desk' },
        to: { kind: 'digits', digits },
        behaviour: null,
      }).find((e) => e.kind === 'emergency')?.number;
    const british = edited(system, [abroad('GB')]);
    expect(['999', '112', '911', '911#'].map((d) => dial(british, d))).toEqual(['999', '112', '911', '911']);
    expect(dial(system, '999')).toBeUndefined();
    expect(dial(system, '911#')).toBe('911');
    expect(ids([abroad('JP')])).toContain('help-unknown:yard');
    const taken: Command = { do: 'person.set', id: 'pia', change: { extension: '112' } };
    expect(ids([taken])).not.toContain('hidden-by-help:pia');
    expect(ids([taken, abroad('GB')])).toContain('hidden-by-help:pia');
  });
  it('one table says of every phone what help gets, and where that is doubtful', () => {
    const row = (id: string, standing: Partial<Standing> = {}) =>
      helpTable(system, { ...allOn(system), ...standing }, 0).find((r) => r.phone.id === id)!;
    expect(row('pia-web')).toMatchObject({ numbers: ['911'], doubts: ['Nobody is told.'] });
    expect(row('pia-web').address).toContain('12 Lantern Cove Road');
    const away = { 'pia-web': newRegistration({ pairedAt: 0, outside: true, standIn: true }) };
    const elsewhere = row('pia-web', { registrations: { ...allOn(system).registrations, ...away } });
    expect(elsewhere.help).toMatchObject({ elsewhere: true, place: { kind: 'site' } });
    expect(elsewhere.doubts.join()).toContain('its place is not known');
    expect(helpTable(system, allOn(system), 0).some((r) => r.phone.kind === 'linked mobile')).toBe(false);
  });
  it('a country nobody knows the habits of is refused for the business', () => {
    const result = applyEdit(system, {
      words: 'x',
      commands: [{ do: 'business.set', change: { country: 'JP' } }],
    });
    expect(!result.ok && result.problems[0]).toMatchObject({ field: 'country' });
  });
  it('a desk phone used elsewhere says where', () => {
    const away = { 'pia-web': newRegistration({ pairedAt: 0, outside: true, standIn: true }) };
    expect(ids([], { registrations: { ...allOn(system).registrations, ...away } })).toContain(
      'phone-address:pia-web',
    );
  });
});

describe('phones and dialling', () => {
  it('a linked phone whose number is not proved', () => {
    expect(ids([], { proved: {} })).toContain('not-proved:tomas-cell');
    expect(ids([])).not.toContain('not-proved:tomas-cell');
  });
  it('outside calls cut off by an emergency number', () => {
    const australia: Command = { do: 'business.set', change: { country: 'AU', outsideDigit: '0' } };
    expect(found([australia]).find((f) => f.place.kind === 'dialling')?.detail).toContain('000');
  });
});

describe('dialling habits', () => {
  it('an extension that hides a service is found where nothing is dialled first', () => {
    const rosa: Command = { do: 'person.set', id: 'rosa', change: { extension: '411' } };
    expect(ids([rosa])).not.toContain('hides-service:rosa');
    const plain: Command = { do: 'business.set', change: { outsideDigit: '' } };
    expect(ids([plain, rosa])).toContain('hides-service:rosa');
    expect(ids([plain]).join()).not.toContain('hides-service');
  });
});

describe('what the other side sees of calls made', () => {
  const nobody: Command[] = ['main', 'rosa-number', 'night'].map((id) => ({
    do: 'number.set',
    id,
    change: { callerIdFor: id === 'main' ? ['rosa'] : [] },
  }));
  it('somebody with a phone who may show no number is found; whoever has none to call with is not', () => {
    expect(ids([]).join()).not.toContain('shows-nothing');
    const shows = ids(nobody).filter((id) => id.startsWith('shows-nothing'));
    expect(shows).toEqual(['shows-nothing:idris', 'shows-nothing:pia']);
  });
});
