/** What comes from another machine is read by its shape: what a phone really asks passes, what it never would does not. */
import { describe, expect, it } from 'vitest';
import { readRequest, type PhoneRequest } from '.';

const ask = (request: unknown) => readRequest({ id: 'ask-1', request })?.request;

const ASKED: PhoneRequest[] = [
  { do: 'act', action: { kind: 'hold', callId: 'c', phone: 'p' } },
  { do: 'act', action: { kind: 'in a meeting', callId: 'c', does: 'mute' } },
  {
    do: 'set',
    by: 'Noor, on this phone',
    at: null,
    settings: [
      {
        kind: 'person',
        personId: 'noor',
        values: { always: { to: 'outside', number: '+13605550177' }, onBusy: null },
      },
      { kind: 'do not disturb', personId: 'noor', on: true, until: null },
      { kind: 'own word', personId: 'noor', words: 'at the <b>dentist</b>', until: 5 },
      { kind: 'phone', phoneId: 'p', values: { confirmByKey: true } },
    ],
  },
  { do: 'change messages', ids: ['m'], to: { folder: undefined, heard: true } },
  { do: 'change faxes', ids: ['f'], to: { turned: 90, note: undefined } },
  {
    do: 'recorded',
    callId: 'c',
    at: 1,
    seconds: 2,
    ours: new Uint8Array([1]),
    theirs: new Uint8Array([2]),
    cut: false,
    said: [{ from: 'p', text: 'yes' }],
  },
  { do: 'text', from: '+13605550142', to: '206 555 0101', text: 'on our way', sendAt: 7 },
  { do: 'conversation', ours: 'a', theirs: 'b', change: { does: 'give', to: 'noor', seen: undefined } },
  { do: 'write', to: { with: ['mei'] }, text: 'look', about: { is: 'call', id: 'c', words: 'a call' } },
  {
    do: 'own contact',
    contact: { id: 'own-1', name: 'A', firm: '', numbers: ['+12065550101'], emails: [], note: '' },
  },
  { do: 'keep file', name: 'mast.png', bytes: new Uint8Array([3]) },
  { do: 'be', condition: 'no network' },
  { do: 'sign out' },
];

describe('a request from another machine', () => {
  it.each(ASKED.map((r) => [r.do, r] as const))('%s is read as it was asked', (_, request) => {
    expect(ask(request)).toEqual(request);
  });
  it('what is not set and what is taken away are told apart', () => {
    const read = ask({ do: 'change messages', ids: ['m'], to: { folder: undefined } });
    expect(Object.keys((read as { to: object }).to)).toEqual(['folder']);
    const other = ask({ do: 'change messages', ids: ['m'], to: { heard: true } });
    expect(Object.keys((other as { to: object }).to)).toEqual(['heard']);
  });
  it.each<[string, unknown]>([
    ['nothing', null],
    ['another kind', { do: 'delete everything' }],
    ['a field too many in a change', { do: 'change messages', ids: ['m'], to: { mailboxId: 'other' } }],
    ['a setting nobody has', { do: 'set', by: '', at: null, settings: [{ kind: 'pins', value: {} }] }],
    [
      'a value of another shape',
      {
        do: 'set',
        by: '',
        at: null,
        settings: [{ kind: 'person', personId: 'noor', values: { always: { to: 'moon' } } }],
      },
    ],
    [
      'a field of a person that is not theirs to set',
      {
        do: 'set',
        by: '',
        at: null,
        settings: [{ kind: 'person', personId: 'noor', values: { role: 'owner' } }],
      },
    ],
    ['bytes that are none', { do: 'keep file', name: 'x', bytes: [1, 2] }],
    ['a text as a number', { do: 'note', callId: 'c', text: 5 }],
    ['more at once than any page asks', { do: 'change messages', ids: Array(600).fill('m'), to: {} }],
  ])('%s is not', (_, request) => {
    expect(ask(request)).toBeUndefined();
  });
});
