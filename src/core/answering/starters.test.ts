import { describe, expect, it } from 'vitest';
import { allOn, edited, yard } from '../../../tests/fixtures/yard';
import { assignNumber, mailboxFor, planInWords } from '.';
import { sentence, rehearse } from '../calls';
import { unansweredCall, weekInWords } from '../coverage';

const system = yard();
let made = 0;
const freshId = (kind: string) => `${kind}-${++made}`;
const assigned = (numberId: string, people: string[]) =>
  edited(system, assignNumber(system, numberId, people, freshId));

describe('giving a number to people in one step', () => {
  it('rings one person, then takes a message in their mailbox', () => {
    const after = assigned('main', ['rosa']);
    const number = after.numbers.main!;
    expect(number.use).toBe('direct');
    expect(planInWords(after.plans[number.planId!]!, after)).toBe(
      'Rings Rosa Delgado, 18 s, then voicemail Rosa Delgado.',
    );
    // The plan with hours it had is worth keeping.
    expect(after.plans['main-plan']).toBeDefined();
  });
  it('makes a mailbox for whoever has none, and drops a plan as simple that nobody uses', () => {
    const after = assigned('rosa-number', ['pia']);
    expect(after.people.pia!.mailboxId).not.toBeNull();
    expect(after.mailboxes[after.people.pia!.mailboxId!]).toMatchObject({
      name: 'Pia Lindqvist',
      ownerIds: ['pia'],
    });
    expect(after.plans['rosa-plan']).toBeUndefined();
  });
  it('shared by several, changes the plan it has and goes on with its mailbox', () => {
    const after = assigned('rosa-number', ['rosa', 'idris']);
    expect(Object.keys(after.plans).sort()).toEqual(Object.keys(system.plans).sort());
    expect(Object.keys(after.mailboxes).sort()).toEqual(Object.keys(system.mailboxes).sort());
    expect(after.numbers['rosa-number']!.planId).toBe(system.numbers['rosa-number']!.planId);
    // Once more, with others: no second plan and no second mailbox of the same name.
    const again = edited(after, assignNumber(after, 'main', ['rosa', 'pia'], freshId));
    const twice = edited(again, assignNumber(again, 'main', ['rosa', 'tomas'], freshId));
    expect(Object.keys(twice.plans)).toEqual(Object.keys(again.plans));
    expect(Object.keys(twice.mailboxes)).toEqual(Object.keys(again.mailboxes));
  });
  it('shared by several, all their phones ring', () => {
    const after = assigned('rosa-number', ['rosa', 'idris', 'pia']);
    const number = after.numbers['rosa-number']!;
    expect(number.use).toBe('shared');
    const trace = rehearse(after, allOn(after), unansweredCall(number, 0));
    expect(sentence(trace, after)).toContain('Rings Rosa Delgado, Idris Okafor and Pia Lindqvist 18 s');
  });
});

describe('where calls go over the week', () => {
  // Tuesday 24 November 2026, 10:15 in Los Angeles.
  const ways = (moment: number) => weekInWords(system, allOn(system), system.numbers.main!, moment);
  it('says now first, then the other hours', () => {
    const open = ways(Date.UTC(2026, 10, 24, 18, 15));
    expect(open.map((w) => [w.now, w.when])).toEqual([
      [true, 'Mon–Fri 08:00–17:00'],
      [false, 'Mon–Fri 00:00–08:00 and 17:00–24:00, Sat, Sun all day'],
    ]);
    expect(open[0]!.words).toContain('rings Rosa Delgado');
    // 45 of 168 hours, less the seconds of a call that meets closing time.
    expect(open[0]!.share).toBeCloseTo(45 / 168, 3);
    expect(ways(Date.UTC(2026, 10, 25, 8))[0]).toMatchObject({
      now: true,
      when: expect.stringContaining('all day'),
    });
  });
});

it('a mailbox of a plan is heard by the people it rings, each once', () => {
  const system = yard();
  expect(mailboxFor(system.plans['main-plan']!, 'box')).toMatchObject({
    id: 'box',
    name: 'Main line',
    ownerIds: ['rosa', 'idris'],
    greetingId: null,
  });
});
