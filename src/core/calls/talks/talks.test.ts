/** What can be done with a call once it is answered, act by act, and what becomes of it where nobody takes it. */
import { describe, expect, it } from 'vitest';
import { toPerson, Yard } from '../../../../tests/fixtures/talk';
import { outcomeOf } from '..';

const back = { then: 'back' } as const;
const PIA = toPerson('pia');

describe('holding', () => {
  it('gives the other music and the holder nothing, until it is taken back', () => {
    const yard = new Yard().customerTalksToRosa();
    expect(yard.heard('a')).toEqual(['caller: the others', 'rosa-desk: the others']);
    yard.does('a', { kind: 'hold', phone: 'rosa-desk' });
    expect(yard.heard('a')).toEqual(['caller: music', 'rosa-desk: nothing']);
    yard.at(20).does('a', { kind: 'take back', phone: 'rosa-desk' });
    expect(yard.heard('a')).toEqual(['caller: the others', 'rosa-desk: the others']);
  });

  it('by both is lifted one by one, and each hears music meanwhile', () => {
    const yard = new Yard()
      .calls('a', toPerson('rosa'), undefined, 'idris-desk')
      .at(3)
      .does('a', { kind: 'answer', phone: 'rosa-desk' })
      .does('a', { kind: 'hold', phone: 'rosa-desk' })
      .does('a', { kind: 'hold', phone: 'idris-desk' });
    expect(yard.heard('a')).toEqual(['idris-desk: music', 'rosa-desk: music']);
    yard.does('a', { kind: 'take back', phone: 'idris-desk' });
    expect(yard.heard('a')).toEqual(['idris-desk: music', 'rosa-desk: nothing']);
  });

  it('and the other acts are not for who calls from outside', () => {
    const yard = new Yard().customerTalksToRosa();
    yard.does('a', { kind: 'hold', phone: 'caller' }).does('a', { kind: 'park', phone: 'caller' });
    expect(yard.of('a', 'not done').map((e) => e.why)).toEqual(['not in this call', 'not in this call']);
    expect(yard.heard('a')).toEqual(['caller: the others', 'rosa-desk: the others']);
  });

  it('is brought to mind after a minute, then every half minute, and no more once it is over', () => {
    const yard = new Yard().customerTalksToRosa().does('a', { kind: 'hold', phone: 'rosa-desk' });
    yard.at(40).does('a', { kind: 'take back', phone: 'rosa-desk' });
    yard.at(50).does('a', { kind: 'hold', phone: 'rosa-desk' });
    yard.at(300);
    expect(yard.of('a', 'hold reminder').map((e) => e.t / 1000)).toEqual([110, 140, 170, 200, 230, 260, 290]);
    yard.does('a', { kind: 'take back', phone: 'rosa-desk' }).at(400);
    expect(yard.of('a', 'hold reminder')).toHaveLength(7);
  });

  it('is not possible for whoever is not in the call, which is said', () => {
    const yard = new Yard().customerTalksToRosa().does('a', { kind: 'hold', phone: 'pia-web' });
    expect(yard.of('a', 'not done')).toMatchObject([{ phone: 'pia-web', why: 'not in this call' }]);
    expect(yard.heard('a')[0]).toBe('caller: the others');
  });
});

describe('passing on at once', () => {
  const passed = (ifNobody: { then: 'back' } | { then: 'their voicemail' } = back) =>
    new Yard()
      .customerTalksToRosa()
      .at(10)
      .does('a', { kind: 'pass on', phone: 'rosa-desk', to: PIA, ifNobody });

  it('rings the phones of who it is passed to, and frees who passed it on', () => {
    const yard = passed();
    expect(yard.ringing).toEqual(['pia-web a']);
    expect(yard.engine.onCall.has('rosa-desk')).toBe(false);
    yard.at(14).does('a', { kind: 'answer', phone: 'pia-web' });
    expect(yard.heard('a')).toEqual(['caller: the others', 'pia-web: the others']);
    yard.at(20).does('a', { kind: 'hang up', by: 'called' });
    expect(outcomeOf(yard.call('a').trace)?.outcome).toMatchObject({ kind: 'answered', personId: 'pia' });
  });

  it('comes back after the seconds of their reach, 25 at most, to all phones of who passed it on, and says why', () => {
    const yard = passed().at(27.9);
    expect(yard.ringing).toEqual(['pia-web a']);
    yard.at(28);
    expect(yard.ringing).toEqual(['rosa-app a', 'rosa-desk a']);
    expect(yard.of('a', 'comes back')).toMatchObject([{ to: 'rosa-desk', why: 'nobody answered' }]);
    yard.does('a', { kind: 'answer', phone: 'rosa-app' });
    expect(yard.heard('a')).toEqual(['caller: the others', 'rosa-app: the others']);
  });

  it('comes back at once where it is declined, and where nobody can be rung', () => {
    expect(passed().at(12).does('a', { kind: 'decline', phone: 'pia-web' }).ringing).toEqual([
      'rosa-app a',
      'rosa-desk a',
    ]);
    const yard = new Yard().customerTalksToRosa();
    yard.engine.standing = {
      ...yard.engine.standing,
      dnd: { pia: { value: true, at: 0, by: 'pia' } },
    };
    yard.at(10).does('a', { kind: 'pass on', phone: 'rosa-desk', to: PIA, ifNobody: back });
    expect(yard.of('a', 'comes back')).toMatchObject([{ why: 'nobody could be rung', t: 10_000 }]);
  });

  it('ends in the mailbox the plan would have reached where nobody takes it back either', () => {
    const yard = passed().at(56);
    expect(yard.of('a', 'greeting started')).toMatchObject([{ mailboxId: 'rosa-box', t: 48_000 }]);
    const long = {
      always: null,
      steps: [{ phoneIds: null, seconds: 60 }],
      onBusy: null,
      onNotAnswered: null,
      onUnreachable: null,
    };
    const patient = new Yard([{ do: 'person.set', id: 'pia', change: { reach: long } }])
      .customerTalksToRosa()
      .at(10)
      .does('a', { kind: 'pass on', phone: 'rosa-desk', to: PIA, ifNobody: back });
    expect(patient.at(34.9).ringing).toEqual(['pia-web a']);
    expect(patient.at(35).ringing).toEqual(['rosa-app a', 'rosa-desk a']);
  });

  it('goes to their voicemail where that was said, and comes back where they have none', () => {
    const own = new Yard([{ do: 'person.set', id: 'pia', change: { mailboxId: 'front' } }])
      .customerTalksToRosa()
      .at(10)
      .does('a', { kind: 'pass on', phone: 'rosa-desk', to: PIA, ifNobody: { then: 'their voicemail' } })
      .at(36);
    expect(own.of('a', 'greeting started')).toMatchObject([{ mailboxId: 'front', t: 28_000 }]);
    expect(passed({ then: 'their voicemail' }).at(36).ringing).toEqual(['rosa-app a', 'rosa-desk a']);
  });

  it('to another who does not take it either comes back', () => {
    const yard = new Yard().customerTalksToRosa().at(10);
    yard.does('a', {
      kind: 'pass on',
      phone: 'rosa-desk',
      to: PIA,
      ifNobody: { then: 'another', to: toPerson('idris') },
    });
    expect(yard.at(35).ringing).toEqual(['idris-desk a']);
    expect(yard.at(60).ringing).toEqual(['rosa-app a', 'rosa-desk a']);
  });

  it('to a mailbox, a plan or a phone takes it there for good', () => {
    const to = (target: Parameters<Yard['calls']>[1]) =>
      new Yard()
        .customerTalksToRosa()
        .at(10)
        .does('a', { kind: 'pass on', phone: 'rosa-desk', to: target, ifNobody: back });
    expect(to({ to: 'mailbox', mailboxId: 'front' }).phase('a')).toBe('greeting');
    expect(to({ to: 'plan', planId: 'main-plan' }).phase('a')).toBe('prompt');
    expect(to({ to: 'phone', phoneId: 'pia-web' }).ringing).toEqual(['pia-web a']);
  });

  it('to oneself or to who is gone changes nothing', () => {
    const yard = new Yard().customerTalksToRosa();
    for (const to of [toPerson('rosa'), toPerson('nobody'), { to: 'phone', phoneId: 'rosa-desk' } as const])
      yard.does('a', { kind: 'pass on', phone: 'rosa-desk', to, ifNobody: back });
    expect(yard.of('a', 'not done').map((e) => e.why)).toEqual([
      'to yourself',
      'not in service',
      'to yourself',
    ]);
    expect(yard.heard('a')).toEqual(['caller: the others', 'rosa-desk: the others']);
  });

  it('is not diverted by what they set for when they do not answer, but by forwarding always', () => {
    const reach = {
      always: null,
      steps: [{ phoneIds: null, seconds: 18 }],
      onBusy: null,
      onUnreachable: null,
    };
    const quiet = new Yard([
      { do: 'person.set', id: 'pia', change: { reach: { ...reach, onNotAnswered: toPerson('tomas') } } },
    ] as never)
      .customerTalksToRosa()
      .at(10)
      .does('a', { kind: 'pass on', phone: 'rosa-desk', to: PIA, ifNobody: back })
      .at(29);
    expect(quiet.ringing).toEqual(['rosa-app a', 'rosa-desk a']);
    const always = new Yard([
      {
        do: 'person.set',
        id: 'pia',
        change: { reach: { ...reach, always: toPerson('idris'), onNotAnswered: null } },
      },
    ] as never)
      .customerTalksToRosa()
      .at(10)
      .does('a', { kind: 'pass on', phone: 'rosa-desk', to: PIA, ifNobody: back });
    expect(always.ringing).toEqual(['idris-desk a']);
  });
});

describe('passing on after a word', () => {
  const asked = () => new Yard().customerTalksToRosa().at(10).calls('b', PIA, { callId: 'a', as: 'a word' });

  it('holds the caller while the second call rings and talks', () => {
    const yard = asked();
    expect(yard.heard('a')).toEqual(['caller: music', 'rosa-desk: nothing']);
    yard.at(13).does('b', { kind: 'answer', phone: 'pia-web' });
    expect(yard.heard('b')).toEqual(['rosa-desk: the others', 'pia-web: the others']);
    expect(yard.heard('a')).toEqual(['caller: music', 'rosa-desk: nothing']);
  });

  it('joins them, by the act and by hanging up while they talk', () => {
    for (const act of [
      (y: Yard) => y.does('a', { kind: 'join', phone: 'rosa-desk' }),
      (y: Yard) => y.does('b', { kind: 'hang up', by: 'caller', phone: 'rosa-desk' }),
    ]) {
      const yard = act(asked().at(13).does('b', { kind: 'answer', phone: 'pia-web' }).at(20));
      expect(yard.heard('a')).toEqual(['caller: the others', 'pia-web: the others']);
      expect(outcomeOf(yard.call('b').trace)?.outcome).toEqual({ kind: 'handed on', callId: 'a' });
      expect([...yard.engine.onCall.keys()]).toEqual(['pia-web']);
      yard.at(30).does('a', { kind: 'hang up', by: 'caller' });
      expect(yard.phase('a')).toBe('over');
      expect(yard.engine.onCall.size).toBe(0);
    }
  });

  it('becomes a passing on at once by hanging up while it rings, and the ring is not begun anew', () => {
    const yard = asked().at(14).does('b', { kind: 'hang up', by: 'caller' });
    expect(yard.ringing).toEqual(['pia-web a']);
    expect(yard.phase('b')).toBe('over');
    // 18 s from when it began to ring for the second call, not from now.
    expect(yard.at(27.9).ringing).toEqual(['pia-web a']);
    expect(yard.at(28).ringing).toEqual(['rosa-app a', 'rosa-desk a']);
    const taken = asked().at(14).does('b', { kind: 'hang up', by: 'caller' });
    taken.at(16).does('a', { kind: 'answer', phone: 'pia-web' });
    expect(taken.heard('a')).toEqual(['caller: the others', 'pia-web: the others']);
  });

  it('goes back to the caller', () => {
    const yard = asked().at(12).does('a', { kind: 'back to', phone: 'rosa-desk' });
    expect(yard.heard('a')).toEqual(['caller: the others', 'rosa-desk: the others']);
    expect([yard.phase('b'), yard.ringing]).toEqual(['over', []]);
  });

  it('swaps between both, one of them held at a time', () => {
    const yard = asked().at(13).does('b', { kind: 'answer', phone: 'pia-web' });
    yard.does('a', { kind: 'take back', phone: 'rosa-desk' });
    expect(yard.heard('a')).toEqual(['caller: the others', 'rosa-desk: the others']);
    expect(yard.heard('b')).toEqual(['rosa-desk: nothing', 'pia-web: music']);
    yard.does('b', { kind: 'take back', phone: 'rosa-desk' });
    expect(yard.heard('a')).toEqual(['caller: music', 'rosa-desk: nothing']);
    expect(yard.heard('b')).toEqual(['rosa-desk: the others', 'pia-web: the others']);
  });

  it('puts all three together', () => {
    const yard = asked().at(13).does('b', { kind: 'answer', phone: 'pia-web' });
    yard.does('a', { kind: 'all together', phone: 'rosa-desk' });
    expect(yard.heard('a')).toEqual(['caller: the others', 'rosa-desk: the others', 'pia-web: the others']);
    yard.does('a', { kind: 'hang up', by: 'called', phone: 'rosa-desk' });
    expect(yard.heard('a')).toEqual(['caller: the others', 'pia-web: the others']);
    expect(yard.of('a', 'leaves')).toMatchObject([{ phone: 'rosa-desk' }]);
  });

  it('takes the caller back where who is asked declines, and leaves them held where they hang up after a word', () => {
    const declined = asked().at(12).does('b', { kind: 'decline', phone: 'pia-web' });
    expect(declined.heard('a')).toEqual(['caller: the others', 'rosa-desk: the others']);
    const left = asked().at(12).does('b', { kind: 'answer', phone: 'pia-web' });
    left.at(18).does('b', { kind: 'hang up', by: 'called' });
    expect(left.heard('a')).toEqual(['caller: music', 'rosa-desk: nothing']);
    expect(left.phase('b')).toBe('over');
  });

  it('at a machine hanging up comes back, and only joining leaves the caller there', () => {
    const atMachine = () =>
      new Yard()
        .customerTalksToRosa()
        .at(10)
        .calls('b', { to: 'mailbox', mailboxId: 'front' }, { callId: 'a', as: 'a word' });
    const hung = atMachine().at(12).does('b', { kind: 'hang up', by: 'caller' });
    expect(hung.heard('a')).toEqual(['caller: the others', 'rosa-desk: the others']);
    const joined = atMachine().at(12).does('a', { kind: 'join', phone: 'rosa-desk' });
    expect([joined.phase('a'), joined.phase('b')]).toEqual(['greeting', 'over']);
  });

  it('goes on as an ordinary call where the caller gives up meanwhile', () => {
    const yard = asked().at(13).does('b', { kind: 'answer', phone: 'pia-web' });
    yard.does('a', { kind: 'hang up', by: 'caller' });
    expect(yard.phase('a')).toBe('over');
    expect(yard.heard('b')).toEqual(['rosa-desk: the others', 'pia-web: the others']);
    yard.at(20).does('b', { kind: 'hang up', by: 'caller' });
    expect(outcomeOf(yard.call('b').trace)?.outcome).toMatchObject({ kind: 'answered', phone: 'pia-web' });
  });

  it('leaves two outside parties together, for four hours at most', () => {
    const yard = new Yard()
      .customerTalksToRosa()
      .at(10)
      .calls('b', { to: 'outside', number: '+12065550134' }, { callId: 'a', as: 'a word' })
      .at(20)
      .does('b', { kind: 'answer', phone: 'outside:+12065550134' })
      .at(25)
      .does('a', { kind: 'join', phone: 'rosa-desk' });
    expect(yard.heard('a')).toEqual(['caller: the others', 'outside:+12065550134: the others']);
    expect(yard.at(4 * 3600).phase('a')).toBe('talking');
    expect(yard.at(4 * 3600 + 60).phase('a')).toBe('over');
  });
});

describe('adding somebody', () => {
  const added = (target = PIA) =>
    new Yard().customerTalksToRosa().at(10).calls('b', target, { callId: 'a', as: 'add' });

  it('lets the talk go on while it rings, and puts them in when they answer', () => {
    const yard = added();
    expect(yard.heard('a')).toEqual(['caller: the others', 'rosa-desk: the others']);
    yard.at(14).does('b', { kind: 'answer', phone: 'pia-web' });
    expect(yard.heard('a')).toEqual(['caller: the others', 'rosa-desk: the others', 'pia-web: the others']);
    expect(yard.of('a', 'joins')).toMatchObject([{ phone: 'pia-web', how: 'added' }]);
  });

  it('changes nothing where they do not answer', () => {
    const yard = added().at(36);
    expect([yard.phase('b'), yard.heard('a')]).toEqual([
      'over',
      ['caller: the others', 'rosa-desk: the others'],
    ]);
  });

  it('who holds neither hears nor is heard while the others go on, without music', () => {
    const yard = added().at(14).does('b', { kind: 'answer', phone: 'pia-web' });
    yard.does('a', { kind: 'hold', phone: 'rosa-desk' });
    expect(yard.heard('a')).toEqual(['caller: the others', 'rosa-desk: nothing', 'pia-web: the others']);
  });

  it('two outside parties are not left to each other', () => {
    const yard = added({ to: 'outside', number: '+12065550134' })
      .at(20)
      .does('b', { kind: 'answer', phone: 'outside:+12065550134' })
      .at(25)
      .does('a', { kind: 'hang up', by: 'called', phone: 'rosa-desk' });
    expect(yard.phase('a')).toBe('over');
  });

  it('goes on among ours when the caller leaves', () => {
    const yard = added().at(14).does('b', { kind: 'answer', phone: 'pia-web' });
    yard.does('a', { kind: 'hang up', by: 'caller' });
    expect(yard.heard('a')).toEqual(['rosa-desk: the others', 'pia-web: the others']);
  });

  it('is refused beyond eight', () => {
    const yard = new Yard().customerTalksToRosa().at(10);
    for (let i = 0; i < 6; i++) {
      const number = `+1206555013${i}`;
      yard.calls(`b${i}`, { to: 'outside', number }, { callId: 'a', as: 'add' }).at(yard.now + 8);
      yard.does(`b${i}`, { kind: 'answer', phone: `outside:${number}` });
    }
    expect(yard.heard('a')).toHaveLength(8);
    yard.calls('ninth', PIA, { callId: 'a', as: 'add' });
    expect(outcomeOf(yard.call('ninth').trace)?.outcome).toEqual({
      kind: 'not done',
      why: 'eight are in it',
    });
    expect(yard.heard('a')).toHaveLength(8);
  });
});
