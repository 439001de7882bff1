/** What a phone shows of its calls, what can be done with each, and what somebody types to call. */
import { describe, expect, it } from 'vitest';
import { CUSTOMER, TEN, toPerson, Yard } from '../../../tests/fixtures/talk';
import {
  actionOf,
  actsOn,
  callees,
  callsNear,
  callsOf,
  DOINGS,
  freshDoing,
  keyOfTarget,
  showings,
  slotsTaken,
  targetsOf,
  thenInWords,
  type ActName,
} from '.';
import type { Command, Doing } from '../system';

const contact: Extract<Command, { do: 'contact.add' }> = {
  do: 'contact.add',
  value: {
    id: 'club',
    name: 'Harrow Point Sailing',
    numbers: [CUSTOMER],
    ownerId: null,
    listIds: [],
    blocked: false,
  },
};
const group = {
  do: 'group.add',
  value: {
    id: 'office',
    name: 'Office',
    extension: '250',
    members: ['rosa', 'pia'].map((id) => ({ kind: 'person', id })),
    pattern: 'together',
    seconds: 18,
  },
} as never;

const view = (yard: Yard, phone: string) =>
  callsOf([...yard.engine.calls.values()], phone, yard.engine.document);
const acts = (yard: Yard, phone: string) => {
  const [call, ...rest] = view(yard, phone);
  const first = call!.about ? rest.find((c) => c.id === call!.about!.callId)! : call!;
  const second = [call!, ...rest].find((c) => c.about?.callId === first.id);
  return actsOn(first, second, {
    system: yard.engine.document,
    taken: slotsTaken([...yard.engine.calls.values()]),
    canMove: true,
  });
};

describe('what an act does', () => {
  /** An act on the phone's calls, and which of them it has then, with who is held. */
  const after = (yard: Yard, phone: string, act: ActName) => {
    const calls = view(yard, phone);
    const first = calls.find((c) => c.about === null)!;
    const second = calls.find((c) => c.about !== null);
    const action = actionOf(act, first, second, phone);
    if (!action) return null;
    yard.engine.act(yard.engine.now, action);
    yard.engine.advance(yard.engine.now);
    return view(yard, phone).map((c) => `${c.id} ${c.holds === null ? 'talks' : 'holds'}`);
  };
  const asking = () =>
    new Yard().customerTalksToRosa().at(5).calls('b', toPerson('pia'), { callId: 'a', as: 'a word' });
  it('a talk is held and ended by the phone that says so', () => {
    expect(after(new Yard().customerTalksToRosa(), 'rosa-desk', 'hold')).toEqual(['a holds']);
    expect(after(new Yard().customerTalksToRosa(), 'rosa-desk', 'hang up')).toEqual([]);
  });
  it('who calls somebody and stops has called nobody, and goes back to who is held', () =>
    expect(after(asking(), 'rosa-desk', 'back to')).toEqual(['a talks']));
  it('what asks for more, or is the phone’s own, does nothing to calls yet', () => {
    const yard = new Yard().customerTalksToRosa();
    for (const act of ['mute', 'keypad', 'pass on', 'add', 'move', 'note'] as const)
      expect(after(yard, 'rosa-desk', act)).toBeNull();
    expect(view(yard, 'rosa-desk')).toMatchObject([{ id: 'a', holds: null }]);
  });
});

describe('what a phone shows of its calls', () => {
  it('who is at the other end, by the name of the contact, what they said, and by which line', () => {
    const [call] = view(new Yard([contact]).customerTalksToRosa(), 'rosa-desk');
    expect(call).toMatchObject({ part: 'talks', line: 'Rosa direct', holds: null });
    expect(call!.others).toMatchObject([
      { name: 'Harrow Point Sailing', detail: '(206) 555-0187', is: 'talks' },
    ]);
  });

  it('who is held, rung and gone', () => {
    const yard = new Yard()
      .customerTalksToRosa()
      .at(5)
      .calls('b', toPerson('pia'), { callId: 'a', as: 'a word' });
    const is = (phone: string) =>
      view(yard, phone).map((c) => [c.id, c.part, c.others.map((o) => `${o.name} ${o.is}`)]);
    expect(is('rosa-desk')).toEqual([
      ['b', 'calls', ['Pia Lindqvist rings']],
      ['a', 'talks', ['(206) 555-0187 held']],
    ]);
    yard.at(7);
    expect(is('pia-web')).toEqual([['b', 'is rung', ['Rosa Delgado waits']]]);
    yard.does('b', { kind: 'answer', phone: 'pia-web' }).does('b', { kind: 'gone', phone: 'rosa-desk' });
    expect(is('pia-web')).toEqual([['b', 'talks', ['Rosa Delgado gone']]]);
    expect(is('idris-desk')).toEqual([]);
  });

  it('who passes it on, and what happens if nobody takes it', () => {
    const yard = new Yard().customerTalksToRosa().at(5);
    yard
      .does('a', { kind: 'pass on', phone: 'rosa-desk', to: toPerson('pia'), ifNobody: { then: 'back' } })
      .at(7);
    expect(view(yard, 'pia-web')[0]).toMatchObject({
      passedBy: 'Rosa Delgado',
      ahead: 'If you do not take it, it goes back to Rosa Delgado.',
    });
    yard.does('a', { kind: 'decline', phone: 'pia-web' });
    expect(view(yard, 'rosa-desk')[0]).toMatchObject({
      passedBy: null,
      ahead: 'Back from Pia Lindqvist: declined.',
    });
  });

  it('what was not possible, and why', () => {
    const yard = new Yard([
      { do: 'business.set', change: { park: undefined } },
    ] as never).customerTalksToRosa();
    expect(view(yard, 'rosa-desk')[0]!.refused).toBeNull();
    yard.at(9).does('a', { kind: 'park', phone: 'rosa-desk' });
    expect(view(yard, 'rosa-desk')[0]!.refused).toEqual({ why: 'no slots are set up', at: TEN + 9000 });
  });

  it('what rings at a colleague of a group, and what waits in a slot', () => {
    const yard = new Yard([group]).place('a', { to: { kind: 'number', e164: '+13605550171' } }).at(2);
    const near = (phone: string) => callsNear([...yard.engine.calls.values()], phone, yard.engine.document);
    expect(near('pia-web')).toMatchObject([{ is: 'rings', where: 'at Rosa Delgado', slot: null }]);
    expect(near('rosa-desk')).toEqual([]);
    expect(near('idris-desk')).toEqual([]);
    yard.does('a', { kind: 'answer', phone: 'rosa-desk' }).does('a', { kind: 'park', phone: 'rosa-desk' });
    expect(near('idris-desk')).toMatchObject([{ is: 'waits', where: 'on 70', slot: '70' }]);
  });
});

describe('what can be done', () => {
  it('with one at the other end: all of it, each by a key of its own', () => {
    const found = acts(new Yard().customerTalksToRosa(), 'rosa-desk');
    expect(found.map((a) => a.act)).toEqual([
      'hold',
      'mute',
      'keypad',
      'pass on',
      'add',
      'park',
      'move',
      'note',
      'hang up',
    ]);
    expect(new Set(found.map((a) => a.key)).size).toBe(found.length);
    expect(found.find((a) => a.act === 'park')!.words).toBe('Park on 70');
  });
  it('no parking where no slot is free or there are none; no passing on where there are three', () => {
    const without = new Yard([
      { do: 'business.set', change: { park: undefined } },
    ] as never).customerTalksToRosa();
    expect(acts(without, 'rosa-desk').some((a) => a.act === 'park')).toBe(false);
    const three = new Yard()
      .customerTalksToRosa()
      .calls('b', toPerson('pia'), { callId: 'a', as: 'add' })
      .at(8);
    three.does('b', { kind: 'answer', phone: 'pia-web' });
    expect(acts(three, 'rosa-desk').map((a) => a.act)).toEqual([
      'hold',
      'mute',
      'keypad',
      'add',
      'move',
      'note',
      'hang up',
    ]);
  });
  it('while somebody is asked: at once, and when they talk together or back', () => {
    const yard = new Yard()
      .customerTalksToRosa()
      .at(5)
      .calls('b', toPerson('pia'), { callId: 'a', as: 'a word' });
    expect(acts(yard, 'rosa-desk').map((a) => a.act)).toEqual(['join', 'back to', 'mute']);
    yard.at(7).does('b', { kind: 'answer', phone: 'pia-web' });
    expect(acts(yard, 'rosa-desk').map((a) => a.words)).toEqual([
      'Put (206) 555-0187 through',
      'All three together',
      'Swap',
      'Back to (206) 555-0187, without Pia Lindqvist',
      'Mute',
    ]);
  });
});

describe('what somebody types to call', () => {
  const find = (typed: string, what: 'call' | 'pass on' = 'call', yard = new Yard([contact, group])) => {
    const { document: system, standing } = yard.engine;
    return callees(typed, { system, standing, phone: system.phones['rosa-desk']!, now: TEN }, what);
  };
  const names = (typed: string, what?: 'call' | 'pass on') => find(typed, what).callees.map((c) => c.name);

  it('a name, by any word of it, without accents; never oneself', () => {
    expect(names('lind')).toEqual(['Pia Lindqvist']);
    expect(names('PIA L')).toEqual(['Pia Lindqvist']);
    expect(names('rosa')).toEqual([]);
    expect(find('rosa').problem).toBe('Nobody is called “rosa”.');
    expect(names('harrow')).toEqual(['Harrow Point Sailing']);
    expect(names('office')).toEqual(['Office']);
  });
  it('an extension, and a number in any form', () => {
    expect(find('203').callees[0]).toMatchObject({ name: 'Pia Lindqvist', target: toPerson('pia') });
    for (const typed of ['206 555 0187', '+1 (206) 555-0187', '9 1 206 555 0187'])
      expect(find(typed).callees[0], typed).toMatchObject({
        name: 'Harrow Point Sailing',
        target: { to: 'outside', number: CUSTOMER },
      });
    expect(find('4711').problem).not.toBe('');
  });
  it('help, with where it would be sent; nobody is passed on to it', () => {
    expect(find('911').callees[0]!.before).toContain('12 Lantern Cove Road');
    expect(find('911', 'pass on')).toMatchObject({
      callees: [],
      problem: expect.stringContaining('add the caller'),
    });
  });
  it('a slot is fetched from, and not passed on to; a mailbox and a plan are passed on to, and not called', () => {
    expect(names('70')).toEqual(['Fetch from 70']);
    expect(find('70', 'pass on').callees).toEqual([]);
    expect(names('front')).toEqual([]);
    expect(names('front', 'pass on')).toEqual(['Front desk']);
    expect(names('night', 'pass on')).toEqual(['Night watch']);
  });
  it('a short code does what it does, and that there are more is said', () => {
    expect(find('*78').callees[0]).toMatchObject({ detail: 'do not disturb on' });
    const many = Array.from({ length: 12 }, (_, i) => ({
      ...contact,
      value: {
        ...contact.value,
        id: `c${i}`,
        name: `Zed ${i}`,
        numbers: [`+1206555${String(140 + i).padStart(4, '0')}`],
      },
    }));
    const found = find('zed', 'call', new Yard(many));
    expect([found.callees.length, found.more]).toEqual([8, 4]);
  });
  it('what the other side may be shown: the usual first, nothing last', () => {
    const { document: system, standing } = new Yard().engine;
    const all = showings({ system, standing, phone: system.phones['rosa-desk']!, now: TEN });
    expect(all[0]).toEqual({ shows: undefined, words: '(360) 555-0142' });
    expect(all.at(-1)).toEqual({ shows: 'hidden', words: 'a hidden number' });
    expect(all.length).toBe(4);
  });
});

describe('what people are rehearsed to do', () => {
  it('each kind has its words and can be made; a target is found again by its key', () => {
    const { document: system } = new Yard([group]).engine;
    const targets = targetsOf(system);
    expect(new Set(targets.map((t) => t.key)).size).toBe(targets.length);
    for (const t of targets) expect(keyOfTarget(t.target)).toBe(t.key);
    for (const does of Object.keys(DOINGS) as Doing['does'][])
      expect(freshDoing(does, toPerson('pia')).does).toBe(does);
  });
  it('is told in a sentence', () => {
    const { document: system } = new Yard().engine;
    expect(
      thenInWords(
        [
          { personId: 'rosa', after: 30, doing: freshDoing('passes on', toPerson('pia')) },
          { personId: 'pia', after: 50, doing: { does: 'parks' } },
        ],
        system,
      ),
    ).toBe(
      'Rosa Delgado transfers it at once to Pia Lindqvist after 30 s and Pia Lindqvist parks it after 50 s',
    );
  });
});
