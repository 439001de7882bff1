/** Short codes: what may be one, whom it leads to, and that an engine dials it for phones inside and nobody else. */
import { describe, expect, it } from 'vitest';
import { edited, yard } from '../../../tests/fixtures/yard';
import { simulate } from '../calls';
import {
  applyEdit,
  behindCode,
  emptyStanding,
  extensionsInUse,
  settle,
  type Command,
  type Shortcut,
  type Standing,
} from '../system';
import { callees } from '.';

const ADA = '+12065550101';
const contact: Command = {
  do: 'contact.add',
  value: { id: 'ada', name: 'Ada Ferris', numbers: [ADA], ownerId: null, listIds: [], blocked: false },
};
const shortcut = (code: string | null, target: Shortcut['target'], id = `s${code}`): Command => ({
  do: 'shortcut.add',
  value: { id, code, group: '', target },
});
const toAda = { kind: 'contact' as const, contactId: 'ada', number: null };
const system = edited(yard(), [contact, shortcut('41', toAda)]);
const [first] = Object.values(system.people);
const phone = Object.values(system.phones).find((p) => p.personId === first!.id && p.number === null)!;

describe('what may be a short code', () => {
  const refused = (...commands: Command[]) => {
    const done = applyEdit(system, { words: 'x', commands });
    return done.ok ? 'taken' : done.problems[0]!.message;
  };
  it('two digits that nothing else is dialled with', () => {
    expect(refused(shortcut('41', toAda, 'other'))).toContain('another shortcut');
    expect(refused(shortcut('4', toAda))).toContain('Two digits');
    // 911 is dialled as 91 and 1: help is never in the way of anything.
    expect(refused(shortcut('91', toAda))).not.toBe('taken');
    expect(refused(shortcut(first!.extension.slice(0, 2), toAda))).not.toBe('taken');
    expect(refused(shortcut('42', toAda))).toBe('taken');
    expect(refused(shortcut(null, toAda, 'row'), shortcut(null, toAda, 'row-2'))).toBe('taken');
  });
  it('goes with the contact it leads to', () => {
    const done = applyEdit(system, { words: 'x', commands: [{ do: 'contact.remove', id: 'ada' }] });
    expect(done.ok && done.system.shortcuts).toEqual({});
  });
});

describe('what is behind a code', () => {
  const own = (shortcuts: Shortcut[]): Standing =>
    settle(
      emptyStanding(),
      { kind: 'own shortcuts', personId: first!.id, shortcuts },
      { at: 1, by: 'x' },
      system,
    ).standing;
  const bo: Shortcut = {
    id: 'bo',
    code: '41',
    group: '',
    target: { kind: 'number', number: '+12065550102', name: 'Bo' },
  };
  it('is one’s own before the business’s, and nothing for others', () => {
    expect(behindCode('41', system, emptyStanding(), first!.id)).toMatchObject({ digits: ADA });
    expect(behindCode('41', system, own([bo]), first!.id)).toMatchObject({ name: 'Bo' });
    expect(behindCode('41', system, own([bo]), 'another')).toMatchObject({ digits: ADA });
    expect(behindCode('43', system, own([bo]), first!.id)).toBeUndefined();
  });
  it('one whose contact is gone is passed over', () => {
    const gone = { ...bo, target: { kind: 'contact' as const, contactId: 'nobody', number: null } };
    expect(behindCode('41', system, own([gone]), first!.id)).toMatchObject({ digits: ADA });
  });
  it('is offered where it is typed, by the name it leads to', () => {
    const found = callees('41', { system, standing: own([bo]), phone, now: 0 }, 'call');
    expect(found.callees[0]!.to).toEqual({ kind: 'digits', digits: '+12065550102' });
  });
});

it('the engine dials it for a phone of ours; for callers who dial extensions it is none', () => {
  const request = {
    id: 'c',
    at: Date.UTC(2026, 10, 24, 18),
    from: { kind: 'phone' as const, phoneId: phone.id },
    to: { kind: 'digits' as const, digits: '41' },
    behaviour: {
      people: {},
      phones: {},
      otherwise: { does: 'nothing' as const },
      caller: { hangsUpAfter: 30, talks: 5, message: 0 },
    },
  };
  const trace = simulate(system, emptyStanding(), [request]).get('c')!;
  expect(trace.find((e) => e.kind === 'goes out')).toMatchObject({ number: ADA });
  expect(extensionsInUse(system).map((e) => e.extension)).not.toContain('41');
});
