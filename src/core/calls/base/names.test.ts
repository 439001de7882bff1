/** What people, phones and numbers are called, also where they are no longer there. */
import { describe, expect, it } from 'vitest';
import { edited, yard } from '../../../../tests/fixtures/yard';
import { newGroup } from '../../system';
import {
  listed,
  phoneName,
  queueName,
  rungName,
  sentOnTo,
  showingInWords,
  whoCalls,
  whoseName,
} from './names';

const system = edited(yard(), [
  { do: 'group.add', value: newGroup({ id: 'crew', name: 'Crew', members: [] }) },
  { do: 'phone.set', id: 'rosa-desk', change: { keys: [{ personId: 'idris', label: '' }] } },
]);

describe('a phone', () => {
  it('is its person’s, of whoever it is rung for, or itself where it is nobody’s', () => {
    expect(whoseName(system, 'rosa-desk')).toBe('Rosa Delgado');
    expect(whoseName(system, 'rosa-desk', 'pia')).toBe('Pia Lindqvist');
    expect(whoseName(system, 'outside:+12065550111')).toBe('(206) 555-0111');
    expect(whoseName(system, 'gone')).toBe('a removed phone');
    const nobodys = edited(system, [
      { do: 'phone.set', id: 'rosa-desk', change: { personId: null, keys: [] } },
    ]);
    expect(whoseName(nobodys, 'rosa-desk')).toBe('Desk phone');
    expect(phoneName(nobodys, 'rosa-desk')).toBe('Desk phone');
  });
  it('says which of theirs it is, and on whose phone somebody is rung', () => {
    expect(phoneName(system, 'rosa-app')).toBe('Rosa Delgado · Mobile app');
    expect(phoneName(system, 'rosa-desk', 'idris')).toBe('Idris Okafor · Desk phone of Rosa Delgado');
    expect(phoneName(system, 'gone', 'rosa')).toBe('Rosa Delgado');
    expect(phoneName(system, 'outside:+12065550111', 'rosa')).toBe('(206) 555-0111');
  });
});

it('who calls is a colleague, a number or nobody known', () => {
  expect(whoCalls(system, { kind: 'phone', phoneId: 'idris-desk' })).toBe('Idris Okafor');
  expect(whoCalls(system, { kind: 'outside', number: '+12065550187' })).toBe('(206) 555-0187');
  expect(whoCalls(system, { kind: 'outside', number: null })).toBe('Hidden number');
});

it('what a call is sent on to is named by its kind, also when it is gone', () => {
  const to = (there: string, gone: string) => [there, gone];
  const names = (kind: 'person' | 'group' | 'mailbox', id: string) =>
    [id, 'gone'].map((x) =>
      sentOnTo(
        system,
        kind === 'person'
          ? { to: kind, personId: x }
          : kind === 'group'
            ? { to: kind, groupId: x }
            : { to: kind, mailboxId: x },
      ),
    );
  expect(names('person', 'rosa')).toEqual(to('Rosa Delgado', 'somebody removed'));
  expect(names('group', 'crew')).toEqual(to('Crew', 'a removed group'));
  expect(names('mailbox', 'front')).toEqual(to('mailbox Front desk', 'mailbox a removed mailbox'));
  expect(sentOnTo(system, { to: 'outside', number: '+12065550111' })).toBe('(206) 555-0111');
});

it('others', () => {
  expect(['rosa', 'rosa-desk', '+12065550111'].map((id) => rungName(system, id))).toEqual([
    'Rosa Delgado',
    'Desk phone',
    '(206) 555-0111',
  ]);
  expect(queueName(system, 'gone')).toBe('a removed queue');
  expect(showingInWords(undefined, system)).toBe('');
  expect(showingInWords(null, system)).toBe(', showing a hidden number');
  expect(showingInWords('+12065550111', system)).toBe(', showing (206) 555-0111');
  expect([listed([]), listed(['a']), listed(['a', 'b']), listed(['a', 'b', 'c'])]).toEqual([
    '',
    'a',
    'a and b',
    'a, b and c',
  ]);
});
