/** What a staff phone is told, and what it may ask: nothing of others that a directory would not say. */
import { describe, expect, it } from 'vitest';
import { demonstration } from '../../../../demo/lantern-cove';
import { directory } from '../../people';
import { asPaired, settle, type Setting, type Standing, type System } from '../../system';
import { callees, ifCalled, presenceOf, presencesApart, presencesIn } from '../index';
import {
  callsKnown,
  hidden,
  knownTo,
  mayAsk,
  textLines,
  textsKnown,
  TEXTS_TOLD,
  unseenIn,
  unseenNumbers,
  type PhoneRequest,
} from './index';

const NOW = Date.UTC(2026, 10, 24, 18, 15);
const whole = demonstration(NOW);
const { system } = whole.versions[0]!;
const DOVS = '+13605550188';
const TOMAS_SENDS_TO = '+13605550177';
const set = (standing: Standing, setting: Setting) =>
  settle(standing, setting, { at: NOW, by: 'somebody' }, system).standing;
const standing: Standing = set(
  {
    ...whole.standing.standing,
    pins: { 'mei-box': { value: { salt: 'salted', hash: 'f'.repeat(64) }, at: NOW, by: 'Mei' } },
  } as Standing,
  { kind: 'person', personId: 'tomas', values: { always: { to: 'outside', number: TOMAS_SENDS_TO } } },
);
const NOOR = 'noor-computer';
const text = (phoneId: string, of: System = system) => JSON.stringify(knownTo(of, standing, phoneId));

describe('what a phone is told of the business', () => {
  it.each([
    ['a colleague’s private number', DOVS],
    ['where a colleague sends their calls', TOMAS_SENDS_TO],
    ['a PIN', 'salted'],
    ['a password of a desk phone', JSON.stringify(Object.values(standing.accounts)[0]!).slice(0, 40)],
    ['what is promised', Object.values(system.promises)[0]!.name],
  ])('staff are not told %s', (_, secret) => {
    expect(JSON.stringify([system, standing])).toContain(secret);
    expect(text(NOOR)).not.toContain(secret);
  });

  it('whoever may see the system is told all but PINs and passwords', () => {
    const told = text('rosa-desk');
    expect(told).toContain(DOVS);
    expect(told).toContain(TOMAS_SENDS_TO);
    expect(told).not.toContain('salted');
    expect(knownTo(system, standing, 'rosa-desk').standing.accounts).toEqual({});
  });

  it('a private number is told to those who may see it, and to whoever has it', () => {
    const people = {
      ...system.people,
      dov: { ...system.people['dov']!, mobileSeenBy: 'everybody' as const },
    };
    expect(text(NOOR, { ...system, people })).toContain(DOVS);
    expect(text('dov-linked-mobile')).toContain(DOVS);
  });

  it('leaves the directory as it would be looked up in the whole', () => {
    const known = knownTo(system, standing, NOOR).system;
    expect(directory(known, 'noor')).toEqual(directory(system, 'noor'));
  });

  it('leaves what is typed to call as it would be found in the whole', () => {
    const known = knownTo(system, standing, NOOR);
    const phone = system.phones[NOOR]!;
    for (const typed of ['ro', '204', 'charter', '9 1 206 555 0134', '911', '280', '*97'])
      expect(callees(typed, { ...known, phone, now: NOW }, 'call'), typed).toEqual(
        callees(typed, { system, standing, phone, now: NOW }, 'call'),
      );
  });

  it('a phone of nobody is told no person’s things', () => {
    const told = knownTo(system, standing, 'slipway-desk').standing;
    expect(told.own?.people).toEqual({});
    expect(Object.keys(told.registrations).sort()).toEqual(['rosa-desk--slipway', 'slipway-desk']);
  });
});

describe('calls', () => {
  const told = { calledPerson: null };
  it('numbers that may not be seen are taken out of a trace, but for those of contacts', () => {
    const unseen = unseenNumbers(system, standing, NOOR);
    expect([...unseen]).toEqual(expect.arrayContaining([DOVS, TOMAS_SENDS_TO]));
    const trace = ifCalled(system.people['tomas']!, system, asPaired(standing), NOW);
    expect(JSON.stringify(trace)).toContain(TOMAS_SENDS_TO);
    expect(JSON.stringify(hidden(trace, unseen))).not.toContain(TOMAS_SENDS_TO);
    expect(unseenNumbers(system, standing, 'rosa-desk').size).toBe(0);
  });

  it('what somebody dialled themselves they see; a longer number that begins alike stays', () => {
    const unseen = new Set([DOVS]);
    const trace = [{ t: 0, kind: 'goes out' as const, number: DOVS, shows: null }];
    const from = { kind: 'phone' as const, phoneId: NOOR };
    expect(unseenIn({ from }, trace, new Set([NOOR]), unseen).size).toBe(0);
    expect(unseenIn({ from }, trace, new Set(['mei-desk']), unseen).size).toBe(1);
    expect(hidden({ a: DOVS, b: `${DOVS}9` }, unseen)).toEqual({ a: 'a private number', b: `${DOVS}9` });
  });

  it('calls of others are not told, but who is on one is', () => {
    const call = {
      request: { from: { kind: 'outside', number: '+12065550134' } },
      from: { kind: 'outside', number: '+12065550134' },
      phase: 'talking',
      ends: [{ phone: 'caller' }, { phone: 'mei-desk', personId: 'mei' }],
      legs: [],
      trace: [],
      ...told,
    } as never;
    const presence = presencesIn(presencesApart({ system, standing, now: NOW }), [call], system);
    const got = callsKnown([call], NOOR, system, presence, {}, new Map(), new Set());
    expect(got.calls).toEqual([]);
    expect(got.presence['mei']).toEqual({ is: 'talking' });
    expect(
      callsKnown([call], 'mei-mobile-app', system, presence, {}, new Map(), new Set()).calls,
    ).toHaveLength(1);
  });

  it('presence worked out once and laid over by calls is what it is for each', () => {
    const call = {
      phase: 'ringing',
      from: { kind: 'phone', phoneId: 'rosa-desk' },
      ends: [],
      legs: [{ phone: 'mei-desk', state: 'sounding' }],
    } as never;
    const phones = (id: string) => Object.values(system.phones).filter((p) => p.personId === id);
    const around = { system, standing, now: NOW };
    const all = presencesIn(presencesApart(around), [call], system);
    for (const person of Object.values(system.people))
      expect(all[person.id], person.name).toEqual(
        presenceOf(person, phones(person.id), { ...around, calls: [call] }),
      );
  });
});

const MAIN = '+13605550142';
const ROSAS = '+13605550160';
const withLines: System = {
  ...system,
  numbers: {
    main: { ...Object.values(system.numbers)[0]!, id: 'main', e164: MAIN, callerIdFor: 'everybody' },
    rosas: { ...Object.values(system.numbers)[0]!, id: 'rosas', e164: ROSAS, callerIdFor: ['rosa'] },
  },
};

describe('texts', () => {
  const text = (id: string, ours: string) => ({
    id,
    way: 'in' as const,
    from: '+12065550134',
    to: ours,
    text: 'x',
    at: 1,
  });
  it('are told with the numbers that somebody may show, and with all to whoever sees all', () => {
    const all = [text('a', MAIN), text('b', ROSAS)];
    const threads = all.map((t) => ({ id: `${t.to} ${t.from}` }));
    const told = (phoneId: string) => textsKnown(all, threads, [], textLines(withLines, phoneId));
    expect(told(NOOR)).toMatchObject({ texts: [{ id: 'a' }], threads: [threads[0]], older: 0 });
    expect(told('rosa-desk').texts).toHaveLength(2);
    expect(told('rosa-desk').threads).toHaveLength(2);
  });
  it('older ones than a phone takes are counted', () => {
    const many = Array.from({ length: TEXTS_TOLD + 3 }, (_, i) => text(`t${i}`, MAIN));
    const told = textsKnown(many, [], [], new Set([MAIN]));
    expect([told.texts.length, told.older, told.texts[0]!.id]).toEqual([TEXTS_TOLD, 3, 't3']);
  });
});

describe('what a phone may ask', () => {
  const ask = (request: PhoneRequest, phoneId = NOOR) =>
    mayAsk(request, {
      system: {
        ...system,
        people: { ...system.people, noor: { ...system.people['noor']!, mailboxId: 'noor-box' } },
        numbers: withLines.numbers,
      },
      phoneId,
      mailboxOf: (id) => (id === 'hers' ? 'rosa-box' : 'noor-box'),
      recordedBy: (_, at) => (at === 1 ? 'noor' : at === 2 ? null : undefined),
      isOwnCall: (id) => id === 'my call',
      phoneCalling: (id) => (id === 'her call' ? 'mei-desk' : NOOR),
      isShownFile: (hash) => hash === 'in my circle',
      membersOf: (id) => ({ mine: ['noor', 'mei'], hers: ['mei', 'rosa'] })[id],
      ownerOf: (id) => ({ 'own-mine': 'noor', 'own-hers': 'mei' })[id],
      linesOf: (what) => [Object.values(what)[0] === 'hers' ? ROSAS : MAIN],
    });
  const act = (action: Extract<PhoneRequest, { do: 'act' }>['action']) => ask({ do: 'act', action });

  it('acts with its own phones only', () => {
    expect(act({ kind: 'hold', callId: 'c', phone: NOOR })).toBe('');
    expect(act({ kind: 'hold', callId: 'c', phone: 'mei-desk' })).not.toBe('');
    expect(act({ kind: 'hang up', callId: 'her call', by: 'caller' })).not.toBe('');
    expect(act({ kind: 'press', callId: 'her call', key: '1' })).not.toBe('');
    expect(act({ kind: 'outside', callId: 'c', phone: NOOR, is: 'busy' })).not.toBe('');
    const from = (phoneId: string) => ({
      kind: 'place' as const,
      request: {
        id: 'n',
        at: NOW,
        from: { kind: 'phone' as const, phoneId },
        to: { kind: 'digits' as const, digits: '201' },
        behaviour: null,
      },
    });
    expect(act(from(NOOR))).toBe('');
    expect(act(from('mei-desk'))).not.toBe('');
  });

  it('texts from, and sees to, the numbers its person may show', () => {
    const words = { to: '+12065550134', text: 'x' };
    expect(ask({ do: 'text', from: MAIN, ...words })).toBe('');
    expect(ask({ do: 'text', from: ROSAS, ...words })).not.toBe('');
    expect(ask({ do: 'text', from: ROSAS, ...words }, 'rosa-desk')).toBe('');
    const close = { does: 'close' as const };
    const theirs = '+12065550134';
    expect(ask({ do: 'conversation', ours: MAIN, theirs, change: close })).toBe('');
    expect(ask({ do: 'conversation', ours: ROSAS, theirs, change: close })).not.toBe('');
    expect(ask({ do: 'file', hash: 'mine' })).toBe('');
    expect(ask({ do: 'file', hash: 'hers' })).not.toBe('');
    expect(ask({ do: 'call off text', id: 'hers' })).not.toBe('');
  });

  it('writes to colleagues, in conversations of its person, and reads no other', () => {
    const words = { text: 'x' };
    expect(ask({ do: 'write', to: { circleId: 'mine' }, ...words })).toBe('');
    expect(ask({ do: 'write', to: { circleId: 'hers' }, ...words })).not.toBe('');
    expect(ask({ do: 'write', to: { circleId: 'hers' }, ...words }, 'rosa-desk')).toBe('');
    expect(ask({ do: 'write', to: { with: ['mei'] }, ...words })).toBe('');
    expect(ask({ do: 'write', to: { with: ['nobody'] }, ...words })).not.toBe('');
    expect(ask({ do: 'seen', circleId: 'hers', at: 1 })).not.toBe('');
    expect(ask({ do: 'file', hash: 'in my circle' })).toBe('');
  });

  it('keeps contacts of its person’s own, and touches those of nobody else', () => {
    const contact = (id: string) => ({ id, name: 'Ada', numbers: ['+12065550134'] });
    expect(ask({ do: 'own contact', contact: contact('own-new') })).toBe('');
    expect(ask({ do: 'own contact', contact: contact('own-mine') })).toBe('');
    expect(ask({ do: 'own contact', contact: contact('own-hers') })).not.toBe('');
    expect(ask({ do: 'own contact', contact: contact('own-hers') }, 'rosa-desk')).not.toBe('');
    expect(ask({ do: 'drop own contact', id: 'own-mine' })).toBe('');
    expect(ask({ do: 'drop own contact', id: 'own-hers' })).not.toBe('');
    expect(ask({ do: 'drop own contact', id: 'own-none' })).not.toBe('');
  });

  it('sets and hears what is its own, and whoever runs the system all', () => {
    const dnd = (personId: string): PhoneRequest => ({
      do: 'set',
      settings: [{ kind: 'do not disturb', personId, on: true, until: null }],
      by: '',
      at: null,
    });
    expect(ask(dnd('noor'))).toBe('');
    expect(ask(dnd('mei'))).not.toBe('');
    expect(ask(dnd('mei'), 'rosa-desk')).toBe('');
    expect(ask({ do: 'sound', of: 'message', id: 'mine' })).toBe('');
    expect(ask({ do: 'sound', of: 'message', id: 'hers' })).not.toBe('');
    expect(ask({ do: 'change messages', ids: ['mine', 'hers'], to: { heard: true } })).not.toBe('');
    expect(ask({ do: 'note', callId: 'my call', text: 'x' })).toBe('');
    expect(ask({ do: 'note', callId: 'her call', text: 'x' })).not.toBe('');
    expect(ask({ do: 'note', callId: 'her call', text: 'x' }, 'rosa-desk')).toBe('');
    const goes = (at: number, phoneId?: string) =>
      ask({ do: 'delete recording', callId: 'my call', at }, phoneId);
    expect([goes(1), goes(2, 'rosa-desk')]).toEqual(['', '']);
    expect(goes(2)).toContain('whoever runs the system');
    expect(ask({ do: 'sign out' }, 'no-such-phone')).toBe('This phone has been removed.');
  });
});
