/** What the other side of an outside call sees, and what help is told. */
import { describe, expect, it } from 'vitest';
import { allOn, edited, MAIN, NIGHT, ROSA_DIRECT, yard } from '../../../../tests/fixtures/yard';
import { civicAddress, type Command } from '../../system';
import { addressOfHelp, helpFor, rehearse, shownBy } from '..';

const NOW = Date.UTC(2026, 10, 24, 18, 15);
const number = (id: string, change: Extract<Command, { do: 'number.set' }>['change']): Command => ({
  do: 'number.set',
  id,
  change,
});
const usual: Command = { do: 'business.set', change: { defaultCallerId: NIGHT } };

describe('the number that calls show', () => {
  it('is the first there is where nothing is chosen, and the usual one where it is', () => {
    expect(shownBy(yard(), 'rosa')).toEqual({ e164: MAIN, name: '' });
    expect(shownBy(edited(yard(), [usual]), 'rosa')?.e164).toBe(NIGHT);
  });

  it('is a direct number that is theirs alone before the usual one', () => {
    const direct = number('rosa-number', { use: 'direct', callerIdFor: ['rosa'], callerName: 'ROSA' });
    const system = edited(yard(), [usual, direct]);
    expect(shownBy(system, 'rosa')).toEqual({ e164: ROSA_DIRECT, name: 'ROSA' });
    expect(shownBy(system, 'idris')?.e164).toBe(NIGHT);
    // Somebody who may show it too, such as an assistant, does not do so unasked.
    const two = number('rosa-number', { use: 'direct', callerIdFor: ['rosa', 'idris'] });
    expect(shownBy(edited(yard(), [usual, two]), 'idris')?.e164).toBe(NIGHT);
    // A direct number that everybody may show belongs to nobody in particular.
    const open = edited(yard(), [usual, number('rosa-number', { use: 'direct' })]);
    expect(shownBy(open, 'rosa')?.e164).toBe(NIGHT);
  });

  it('is never one they may not show, nor one that is still with another provider', () => {
    const kept = edited(yard(), [usual, number('night', { callerIdFor: ['idris'] })]);
    expect(shownBy(kept, 'rosa')?.e164).toBe(MAIN);
    expect(shownBy(kept, null)?.e164).toBe(MAIN);
    const none = edited(
      kept,
      ['main', 'rosa-number'].map((id) => number(id, { callerIdFor: [] })),
    );
    expect(shownBy(none, 'rosa')).toBeNull();
    const system = edited(yard(), [usual]);
    const standing = { ...allOn(system), arrivals: { [NIGHT]: NOW + 60_000 } };
    const shows = (at: number) => {
      const out = rehearse(system, standing, {
        id: 'call',
        at,
        from: { kind: 'phone', phoneId: 'idris-desk' },
        to: { kind: 'digits', digits: '912065550134' },
        behaviour: null,
      }).find((e) => e.kind === 'goes out');
      return out?.kind === 'goes out' ? out.shows?.e164 : undefined;
    };
    expect(shows(NOW)).toBe(MAIN);
    expect(shows(NOW + 60_000)).toBe(NIGHT);
  });
});

describe('help', () => {
  const system = edited(yard(), [usual]);
  it('is sent to the site and rings back its number, else the one shown', () => {
    const help = helpFor(system, allOn(system), 'rosa', NOW);
    expect(help).toEqual({ place: { kind: 'site', id: 'yard' }, callback: NIGHT, siteId: 'yard' });
    expect(addressOfHelp(system, help.place)?.RD).toBe('Lantern Cove Road');
    const own = edited(system, [{ do: 'site.set', id: 'yard', change: { callback: MAIN } }]);
    expect(helpFor(own, allOn(own), 'rosa', NOW).callback).toBe(MAIN);
  });
  it('is sent to a phone’s own address only while it is used elsewhere', () => {
    const address = civicAddress({ country: 'US', RD: 'Mill Lane', HNO: '8' });
    const moved = edited(system, [{ do: 'phone.set', id: 'pia-web', change: { address } }]);
    const standing = allOn(moved);
    const phone = moved.phones['pia-web']!;
    expect(helpFor(moved, standing, 'pia', NOW, phone).place).toEqual({ kind: 'site', id: 'yard' });
    standing.registrations['pia-web']!.outside = true;
    const help = helpFor(moved, standing, 'pia', NOW, phone);
    expect(addressOfHelp(moved, help.place)).toEqual(address);
    expect(help.siteId).toBe('yard');
  });
  it('knows no place where there is none', () => {
    const nowhere = edited(system, [{ do: 'person.set', id: 'pia', change: { siteId: null } }]);
    const help = helpFor(nowhere, allOn(nowhere), 'pia', NOW);
    expect(help).toEqual({ place: null, callback: NIGHT, siteId: null });
    expect(addressOfHelp(nowhere, help.place)).toBeUndefined();
  });
});
