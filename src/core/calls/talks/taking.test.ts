/** Calls moved, parked, fetched, picked up and made, phones that are gone, and what knocks meanwhile. */
import { describe, expect, it } from 'vitest';
import { toPerson, Yard } from '../../../../tests/fixtures/talk';
import { outcomeOf } from '..';

const back = { then: 'back' } as const;
const PIA = toPerson('pia');

describe('moving', () => {
  const moved = () =>
    new Yard()
      .customerTalksToRosa()
      .at(10)
      .calls('b', { to: 'phone', phoneId: 'rosa-app' }, { callId: 'a', as: 'move' });

  it('rings the other phone while the talk goes on, and changes over when it answers', () => {
    const yard = moved();
    expect(yard.ringing).toEqual(['rosa-app b']);
    expect(yard.heard('a')).toEqual(['caller: the others', 'rosa-desk: the others']);
    yard.at(14).does('b', { kind: 'answer', phone: 'rosa-app' });
    expect(yard.heard('a')).toEqual(['caller: the others', 'rosa-app: the others']);
    expect([...yard.engine.onCall.keys()]).toEqual(['rosa-app']);
  });

  it('changes nothing where the other phone is not lifted; hanging up first sends the call there', () => {
    expect(moved().at(36).heard('a')).toEqual(['caller: the others', 'rosa-desk: the others']);
    const yard = moved().at(14).does('a', { kind: 'hang up', by: 'called', phone: 'rosa-desk' });
    expect(yard.ringing).toEqual(['rosa-app a']);
    yard.at(16).does('a', { kind: 'answer', phone: 'rosa-app' });
    expect(yard.heard('a')).toEqual(['caller: the others', 'rosa-app: the others']);
  });

  it('is taken over at once from the other side, and only by one’s own phone', () => {
    const yard = new Yard().customerTalksToRosa().at(10).does('a', { kind: 'take over', phone: 'rosa-app' });
    expect(yard.heard('a')).toEqual(['caller: the others', 'rosa-app: the others']);
    yard.does('a', { kind: 'take over', phone: 'pia-web' });
    expect(yard.of('a', 'not done')).toMatchObject([{ phone: 'pia-web', why: 'not in this call' }]);
  });
});

describe('parking', () => {
  const parked = () =>
    new Yard().customerTalksToRosa().at(10).does('a', { kind: 'park', phone: 'rosa-desk' });
  const dials = (yard: Yard, id: string, digits: string, phoneId = 'pia-web') =>
    yard.place(id, { from: { kind: 'phone', phoneId }, to: { kind: 'digits', digits } });

  it('takes the lowest free slot, and any phone of ours fetches it', () => {
    const yard = parked();
    expect(yard.of('a', 'parked')).toMatchObject([{ slot: '70', by: 'rosa-desk' }]);
    expect(yard.engine.onCall.size).toBe(0);
    dials(yard.at(40), 'f', '70');
    expect(yard.heard('a')).toEqual(['caller: the others', 'pia-web: the others']);
    expect(outcomeOf(yard.call('f').trace)?.outcome).toEqual({ kind: 'handed on', callId: 'a' });
  });

  it('rings back after two minutes, and may still be fetched then', () => {
    const yard = parked().at(130);
    expect(yard.ringing).toEqual(['rosa-app a', 'rosa-desk a']);
    expect(yard.of('a', 'comes back')).toMatchObject([{ why: 'not fetched', t: 130_000 }]);
    dials(yard.at(140), 'f', '70');
    expect(yard.heard('a')).toEqual(['caller: the others', 'pia-web: the others']);
    expect(parked().at(151).of('a', 'greeting started')).toMatchObject([{ mailboxId: 'rosa-box' }]);
  });

  it('an empty slot says that nobody waits there, and a full range refuses: the talk goes on', () => {
    const yard = dials(new Yard(), 'f', '71');
    expect(outcomeOf(yard.call('f').trace)?.outcome).toEqual({ kind: 'not done', why: 'nobody waits there' });
    const full = new Yard([{ do: 'business.set', change: { park: { from: '70', to: '70' } } }])
      .customerTalksToRosa()
      .does('a', { kind: 'park', phone: 'rosa-desk' })
      .place('c', { to: { kind: 'number', e164: '+13605550171' }, from: { kind: 'outside', number: null } })
      .at(10)
      .does('c', { kind: 'answer', phone: 'rosa-desk' })
      .does('c', { kind: 'park', phone: 'rosa-desk' });
    expect(full.of('c', 'not done')).toMatchObject([{ why: 'no slot is free' }]);
    expect(full.phase('c')).toBe('talking');
    const none = new Yard([{ do: 'business.set', change: { park: undefined } }] as never)
      .customerTalksToRosa()
      .does('a', { kind: 'park', phone: 'rosa-desk' });
    expect(none.of('a', 'not done')).toMatchObject([{ why: 'no slots are set up' }]);
  });

  it('the caller may hang up while they wait', () => {
    const yard = parked().at(20).does('a', { kind: 'hang up', by: 'caller' });
    expect(outcomeOf(yard.call('a').trace)?.outcome).toEqual({ kind: 'hung up', during: 'wait' });
    dials(yard, 'f', '70');
    expect(outcomeOf(yard.call('f').trace)?.outcome).toMatchObject({ kind: 'not done' });
  });
});

describe('picking up', () => {
  const group = (members: string[]) =>
    ({
      do: 'group.add',
      value: {
        id: 'office',
        name: 'Office',
        extension: null,
        members: members.map((id) => ({ kind: 'person', id })),
        pattern: 'together',
        seconds: 18,
      },
    }) as never;

  it('takes what rings at somebody one shares a group with; the others see that it was answered elsewhere', () => {
    const yard = new Yard([group(['rosa', 'pia'])])
      .place('a', { to: { kind: 'number', e164: '+13605550171' } })
      .at(5)
      .does('a', { kind: 'pick up', phone: 'pia-web' });
    expect(yard.heard('a')).toEqual(['caller: the others', 'pia-web: the others']);
    expect(yard.of('a', 'leg ended').map((e) => `${e.phone} ${e.how}`)).toEqual([
      'rosa-desk answered elsewhere',
      'rosa-app answered elsewhere',
    ]);
  });

  it('is refused to others, and too late', () => {
    const yard = new Yard([group(['rosa', 'idris'])])
      .place('a', { to: { kind: 'number', e164: '+13605550171' } })
      .at(5)
      .does('a', { kind: 'pick up', phone: 'pia-web' });
    expect(yard.of('a', 'not done')).toMatchObject([{ why: 'nobody you share a group with is rung' }]);
    yard
      .does('a', { kind: 'answer', phone: 'rosa-desk' })
      .does('a', { kind: 'pick up', phone: 'idris-desk' });
    expect(yard.of('a', 'not done')).toMatchObject([{}, { why: 'somebody was faster' }]);
  });
});

describe('calling out', () => {
  const out = (more: Parameters<Yard['place']>[1] = {}) =>
    new Yard().place('o', {
      from: { kind: 'phone', phoneId: 'rosa-desk' },
      to: { kind: 'digits', digits: '9 1 206 555 0134' },
      ...more,
    });
  const THERE = 'outside:+12065550134';

  it('rings outside, showing what it shows, and talks', () => {
    const yard = out();
    expect(yard.of('o', 'goes out')).toMatchObject([
      { number: '+12065550134', shows: { e164: '+13605550142' } },
    ]);
    yard.at(9).does('o', { kind: 'answer', phone: THERE });
    expect(yard.heard('o')).toEqual(['rosa-desk: the others', `${THERE}: the others`]);
  });

  it('shows another number for this call, or none, and never one that may not be shown', () => {
    const shown = (shows: string) => out({ shows }).of('o', 'goes out')[0]!.shows?.e164;
    expect(shown('+13605550160')).toBe('+13605550160');
    expect(shown('hidden')).toBeUndefined();
    expect(shown('+12065550100')).toBe('+13605550142');
  });

  it('ends with what came of it', () => {
    const ended = (yard: Yard) => outcomeOf(yard.call('o').trace)?.outcome;
    expect(ended(out().at(61))).toMatchObject({ kind: 'outside', how: 'not answered' });
    expect(ended(out().at(3).does('o', { kind: 'outside', phone: THERE, is: 'busy' }))).toMatchObject({
      how: 'busy',
    });
    expect(
      ended(out().at(3).does('o', { kind: 'outside', phone: THERE, is: 'not in service' })),
    ).toMatchObject({ how: 'not in service' });
    expect(ended(out().at(9).does('o', { kind: 'decline', phone: THERE }))).toMatchObject({
      how: 'declined',
    });
  });

  it('talks to a machine that answers', () => {
    const yard = out().at(20).does('o', { kind: 'outside', phone: THERE, is: 'own voicemail' });
    expect(yard.of('o', 'machine')).toHaveLength(1);
    expect(yard.phase('o')).toBe('talking');
  });

  it('to one of our own numbers comes in like anybody’s', () => {
    const yard = out({
      from: { kind: 'phone', phoneId: 'pia-web' },
      to: { kind: 'digits', digits: '9 1 360 555 0171' },
    });
    expect(yard.phase('o')).toBe('ringing');
    expect(yard.of('o', 'step')).toMatchObject([{ planId: 'rosa-plan' }]);
  });

  it('ends by who hung up, whatever window says so', () => {
    const yard = out().at(9).does('o', { kind: 'answer', phone: THERE }).at(20);
    yard.does('o', { kind: 'hang up', by: 'called', phone: 'rosa-desk' });
    expect(yard.of('o', 'ended')).toMatchObject([{ by: 'caller' }]);
  });

  it('may be passed on by who called: the other side goes on', () => {
    const yard = out().at(9).does('o', { kind: 'answer', phone: THERE }).at(20);
    yard.does('o', { kind: 'pass on', phone: 'rosa-desk', to: PIA, ifNobody: back });
    yard.at(24).does('o', { kind: 'answer', phone: 'pia-web' });
    expect(yard.heard('o')).toEqual([`${THERE}: the others`, 'pia-web: the others']);
    yard.does('o', { kind: 'hang up', by: 'caller', phone: THERE });
    expect(yard.phase('o')).toBe('over');
  });

  it('that nobody takes when it is passed on ends with words, not in a mailbox', () => {
    const yard = out().at(9).does('o', { kind: 'answer', phone: THERE }).at(20);
    yard.does('o', { kind: 'pass on', phone: 'rosa-desk', to: PIA, ifNobody: back }).at(70);
    expect(outcomeOf(yard.call('o').trace)?.outcome).toEqual({ kind: 'nobody answered' });
    expect(yard.of('o', 'greeting started')).toEqual([]);
  });
});

describe('click to dial (RFC 5359 section 2.18, from memory)', () => {
  const clicked = () =>
    new Yard().place('o', {
      from: { kind: 'phone', phoneId: 'rosa-desk' },
      to: { kind: 'digits', digits: '9 1 206 555 0134' },
      ringsFirst: true,
    });
  it('rings one’s own phone, and calls out when that is lifted', () => {
    const yard = clicked();
    expect(yard.ringing).toEqual(['rosa-desk o']);
    expect(yard.of('o', 'goes out')).toEqual([]);
    yard.at(4).does('o', { kind: 'answer', phone: 'rosa-desk' });
    expect(yard.ringing).toEqual(['outside:+12065550134 o']);
    expect(yard.of('o', 'answered')).toEqual([]);
    yard.at(14).does('o', { kind: 'answer', phone: 'outside:+12065550134' });
    expect(yard.heard('o')).toEqual(['rosa-desk: the others', 'outside:+12065550134: the others']);
  });
  it('calls nobody where it is not lifted within 20 s, or declined', () => {
    const ended = (yard: Yard) => outcomeOf(yard.call('o').trace)?.outcome;
    expect(ended(clicked().at(20))).toEqual({ kind: 'not lifted', phone: 'rosa-desk' });
    expect(ended(clicked().at(2).does('o', { kind: 'decline', phone: 'rosa-desk' }))).toMatchObject({
      kind: 'not lifted',
    });
    expect(clicked().at(20).of('o', 'goes out')).toEqual([]);
  });
});

describe('a phone that is gone', () => {
  it('within ten seconds the talk goes on by itself, held calls as they were', () => {
    const yard = new Yard().customerTalksToRosa().does('a', { kind: 'hold', phone: 'rosa-desk' });
    yard.at(10).does('a', { kind: 'gone', phone: 'rosa-desk' });
    yard.at(19).does('a', { kind: 'there again', phone: 'rosa-desk' }).at(40);
    expect(yard.heard('a')).toEqual(['caller: music', 'rosa-desk: nothing']);
  });

  it('later the caller rings at the other phones, and goes on from there as nobody took it', () => {
    const yard = new Yard().customerTalksToRosa().at(10).does('a', { kind: 'gone', phone: 'rosa-desk' });
    expect(yard.heard('a')[0]).toBe('caller: nothing');
    expect(yard.at(20).ringing).toEqual(['rosa-app a', 'rosa-desk a']);
    expect(yard.at(41).of('a', 'greeting started')).toMatchObject([{ mailboxId: 'rosa-box' }]);
  });

  it('nothing is handed on by it: who was called about the caller is let go', () => {
    const yard = new Yard()
      .customerTalksToRosa()
      .at(10)
      .calls('b', PIA, { callId: 'a', as: 'a word' })
      .at(13)
      .does('b', { kind: 'answer', phone: 'pia-web' })
      .does('a', { kind: 'gone', phone: 'rosa-desk' })
      .does('b', { kind: 'gone', phone: 'rosa-desk' })
      .at(23);
    expect(yard.phase('b')).toBe('over');
    expect(yard.ringing).toEqual(['rosa-app a', 'rosa-desk a']);
  });

  it('of three the others go on', () => {
    const yard = new Yard()
      .customerTalksToRosa()
      .calls('b', PIA, { callId: 'a', as: 'add' })
      .at(8)
      .does('b', { kind: 'answer', phone: 'pia-web' })
      .does('a', { kind: 'gone', phone: 'rosa-desk' })
      .at(18);
    expect(yard.heard('a')).toEqual(['caller: the others', 'pia-web: the others']);
  });
});

describe('a second call that comes in', () => {
  it('knocks at the phone one talks on with call waiting, and taking it holds the first', () => {
    const yard = new Yard([{ do: 'person.set', id: 'rosa', change: { callWaiting: true } }])
      .customerTalksToRosa()
      .place('c', { to: { kind: 'number', e164: '+13605550171' }, from: { kind: 'outside', number: null } });
    expect(yard.ringing).toEqual(['rosa-desk c']);
    yard.at(8).does('c', { kind: 'answer', phone: 'rosa-desk' });
    expect(yard.heard('a')).toEqual(['caller: music', 'rosa-desk: nothing']);
    expect(yard.heard('c')).toEqual(['caller: the others', 'rosa-desk: the others']);
    yard.at(20).does('c', { kind: 'hang up', by: 'called' });
    expect(yard.heard('a')).toEqual(['caller: music', 'rosa-desk: nothing']);
  });
});

describe('keys', () => {
  it('are counted, and never kept', () => {
    const yard = new Yard()
      .customerTalksToRosa()
      .does('a', { kind: 'send keys', phone: 'rosa-desk', keys: '4711' });
    expect(yard.of('a', 'keys sent')).toMatchObject([{ phone: 'rosa-desk', count: 4 }]);
    expect(JSON.stringify(yard.call('a'))).not.toContain('4711');
  });
});

it('a caller back in the queue they came through stands at its head', () => {
  const yard = new Yard([
    {
      do: 'queue.add',
      value: {
        id: 'desk',
        name: 'Desk',
        extension: '300',
        memberIds: ['rosa'],
        pattern: 'in order',
        seconds: 15,
        limit: 5,
        longestWait: 600,
        holdMusicId: null,
        comfort: null,
        exitKey: null,
        callBackKey: null,
        wrapUp: 0,
      },
    },
    {
      do: 'plan.set',
      id: 'main-plan',
      change: { steps: [{ id: 'q', kind: 'queue', queueId: 'desk', branches: [] }] },
    },
  ])
    .place('a', {})
    .at(2)
    .does('a', { kind: 'answer', phone: 'rosa-desk' })
    .place('z', { from: { kind: 'outside', number: null } })
    .at(5)
    .does('a', { kind: 'pass on', phone: 'rosa-desk', to: PIA, ifNobody: back });
  // Rosa is rung for who waits; she declines, and so does everybody who is asked for the first.
  yard.at(31).at(60);
  expect(yard.engine.waitingIn('desk').map((c) => c.request.id)[0]).toBe('a');
});
