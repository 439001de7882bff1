/** Rounds of texts: who gets what and when, who nothing and why. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demoSystem } from '../../../demo/lantern-cove';
import { momentOf } from '../hours';
import { whereaboutsOf } from '../numbering';
import { contactsOn, prepare, readReceivers, shifted, type Asked, type Receiver } from '.';

const system = demoSystem();
const zone = system.business.timeZone;
const TEN = momentOf(zone, '2026-11-24', 600);
const sight = (change = {}) => ({
  system,
  stopped: new Set<string>(),
  where: (number: string) => whereaboutsOf(number, 'US', zone),
  paceMs: 1000,
  ...change,
});
const asked = (receivers: readonly Receiver[], change: Partial<Asked> = {}): Asked => ({
  text: '{business}: {first name|hello}, the slipway is free again. Reply STOP to end texts.',
  from: '+13605550142',
  start: TEN,
  receivers,
  consent: 'asked on the spring form of 2026',
  ...change,
});
const read = (text: string) => readReceivers(text, system).receivers;

describe('a list', () => {
  it('of numbers and names, or a table with columns of its own', () => {
    expect(read('(206) 555-0101, Ada Ferris\n206 555 0102').map((r) => [r.number, r.name])).toEqual([
      ['+12065550101', 'Ada Ferris'],
      ['+12065550102', ''],
    ]);
    const table = readReceivers('Name,Boat,Number\n"Ferris, Ada",Sloop,206 555 0101', system);
    expect(table.columns).toEqual(['boat']);
    expect(table.receivers[0]).toMatchObject({ name: 'Ferris, Ada', fields: { boat: 'Sloop' } });
  });
  it('keeps a line that is wrong, and says why', () => {
    const [wrong] = read('nobody, Ada');
    expect(wrong).toMatchObject({ number: null, name: 'Ada' });
    expect(wrong!.wrong).not.toBe('');
  });
  it('of contacts is those on a list', () => {
    const [list] = Object.keys(system.lists);
    expect(contactsOn(system, []).length).toBe(Object.keys(system.contacts).length);
    expect(contactsOn(system, [list!]).every((r) => r.contact!.listIds.includes(list!))).toBe(true);
  });
});

describe('prepared', () => {
  it('fills each in, with columns of the file before what is known of a contact', () => {
    const { lines, goes, parts } = prepare(
      asked(read('number,name,boat\n206 555 0101,Ada Ferris,Sloop\n206 555 0102,,'), {
        text: '{first name|hello}: {boat|your boat} is ready',
      }),
      sight(),
    );
    expect(lines.map((l) => l.text)).toEqual(['Ada: Sloop is ready', 'hello: your boat is ready']);
    expect([goes, parts]).toEqual([2, 2]);
  });
  it('leaves out who said stop, is there twice, is blocked, one of ours or has not agreed, and counts them', () => {
    const blocked = Object.values(system.contacts).find((c) => c.blocked)!;
    const linked = Object.values(system.phones).find((p) => p.number)!;
    const receivers = read(
      [
        '206 555 0101',
        '206 555 0101',
        '206 555 0103',
        blocked.numbers[0],
        linked.number,
        '360 555 0142',
      ].join('\n'),
    );
    const { lines, leftOut, goes } = prepare(asked(receivers), sight({ stopped: new Set(['+12065550103']) }));
    expect(goes).toBe(1);
    expect(lines.slice(1).map((l) => l.why)).toEqual([
      'They are in it twice: they get it once.',
      'They want no texts, and said so.',
      'They are blocked.',
      'It is the phone of a colleague.',
      'It is a number of yours.',
    ]);
    expect(leftOut.reduce((n, l) => n + l.n, 0)).toBe(5);
    expect(prepare(asked(receivers, { consent: ' ' }), sight()).leftOut).toContainEqual({
      why: 'They have not agreed to be texted.',
      n: 2,
    });
  });
  it('goes to a contact that agreed, whatever is said of a file', () => {
    const harrow = system.contacts.harrow!;
    const receiver = { number: harrow.numbers[0]!, name: harrow.name, fields: {}, wrong: '' };
    const of = (consent?: { on: string; how: string }) =>
      prepare(asked([{ ...receiver, contact: { ...harrow, consent } }], { consent: '' }), sight()).goes;
    expect(of()).toBe(0);
    expect(of({ on: '2026-03-01', how: 'on paper' })).toBe(1);
  });
  it('goes by the hours of each one’s place, 47 CFR 64.1200(c)(1), one part a second', () => {
    const seven = momentOf(zone, '2026-11-24', 7 * 60);
    const { lines } = prepare(
      asked(read('206 555 0101\n212 555 0102'), { start: seven, text: 'a'.repeat(200) }),
      sight(),
    );
    // In Seattle it is seven, in New York ten.
    expect(lines[0]).toMatchObject({ parts: 2, due: seven, at: momentOf(zone, '2026-11-24', 8 * 60) });
    expect(lines[1]).toMatchObject({ due: seven + 2000, at: seven + 2000 });
  });
});

it('nobody gets it twice, and no two leave closer than the carrier takes, whatever the list', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 100, max: 130 }), { maxLength: 60 }), (ends) => {
      const receivers = ends.map((n): Receiver => ({
        number: `+12065550${n}`,
        name: '',
        contact: undefined,
        fields: {},
        wrong: '',
      }));
      const going = prepare(asked(receivers), sight()).lines.filter((l) => l.text !== null);
      expect(new Set(going.map((l) => l.number)).size).toBe(going.length);
      expect(going.length).toBe(new Set(ends).size);
      going.forEach((l, i) => {
        if (i) expect(l.due! - going[i - 1]!.due!).toBeGreaterThanOrEqual(going[i - 1]!.parts * 1000);
      });
    }),
  );
});

it('after a pause they go on as far apart as they were', () => {
  expect(shifted([10, 12, 20], 100)).toEqual([100, 102, 110]);
  expect(shifted([10, 12], 5)).toEqual([10, 12]);
  expect(shifted([], 5)).toEqual([]);
});
