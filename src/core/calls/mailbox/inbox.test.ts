import { beforeEach, describe, expect, it } from 'vitest';
import { ROSA_DIRECT, allOn, edited, yard } from '../../../../tests/fixtures/yard';
import { keptPin, type Held } from '../../messages';
import type { Standing, System } from '../../system';
import { CallEngine } from '../engine/engine';
import { rehearse } from '../engine/rehearse';
import { nobodyAnswers, type CallRequest } from '../base/request';
import { traceLines } from '../words/lines';
import { outcomeOf } from '../base/trace';

const MONDAY = Date.parse('2026-11-23T18:00:00Z');
const PIN = '4827';
const held: Held[] = [
  {
    id: 'm1',
    from: '(206) 555-0134',
    fromNumber: '+12065550134',
    at: MONDAY - 3_600_000,
    seconds: 9,
    heard: false,
  },
  { id: 'm2', from: 'Hidden number', fromNumber: null, at: MONDAY - 7_200_000, seconds: 4, heard: false },
  {
    id: 'm3',
    from: '(604) 555-0126',
    fromNumber: '+16045550126',
    at: MONDAY - 90_000_000,
    seconds: 5,
    heard: true,
  },
];

/** Somebody listens by keypad, one key after the other. */
class Listener {
  readonly engine: CallEngine;
  at = MONDAY;
  constructor(
    readonly system: System,
    standing: Standing,
    request: Partial<CallRequest>,
  ) {
    this.engine = new CallEngine(system, standing);
    this.engine.held = (id) => (id === 'rosa-box' ? held : []);
    const from = { kind: 'phone', phoneId: 'rosa-desk' } as const;
    const to = { kind: 'digits', digits: '*98' } as const;
    this.engine.act(this.at, {
      kind: 'place',
      request: { id: 'c', at: this.at, from, to, behaviour: null, ...request },
    });
    this.engine.advance(this.at);
  }
  press(keys: string): this {
    for (const key of keys) {
      this.at += 200;
      this.engine.act(this.at, { kind: 'press', callId: 'c', key });
      this.engine.advance(this.at);
    }
    return this;
  }
  wait(seconds: number): this {
    this.engine.advance((this.at += seconds * 1000));
    return this;
  }
  get trace() {
    return this.engine.calls.get('c')!.trace;
  }
  get heard(): string {
    const last = this.trace.findLast((e) => e.kind === 'says');
    return last?.kind === 'says' ? last.words : '';
  }
  get marked() {
    return this.trace.flatMap((e) => (e.kind === 'marked' ? [[e.messageId, e.as]] : []));
  }
  get outcome() {
    return outcomeOf(this.trace)?.outcome;
  }
}

describe('a mailbox listened to by keypad', () => {
  const system = yard();
  let standing: Standing;
  beforeEach(() => {
    standing = {
      ...allOn(system),
      pins: { 'rosa-box': { value: keptPin(PIN, 'salt'), at: 0, by: 'Rosa Delgado' } },
    };
  });
  const listen = (request: Partial<CallRequest> = {}) => new Listener(system, standing, request);

  it('asks for the PIN, says how many there are, plays them, and keeps or bins them', () => {
    const call = listen();
    expect(call.heard).toBe('Enter the PIN of Rosa Delgado, then the square key.');
    call.press(`${PIN}#`);
    expect(call.heard).toBe(
      'You have 2 new messages and 1 heard message. For the new ones press 1. For those you have heard press 2. To end press star.',
    );
    call.press('1');
    expect(call.heard).toBe('Message 1 of 2, from (206) 555-0134, Monday 09:00.');
    // The words take 3.5 s, the message 9 s; then it is asked what to do with it.
    call.wait(10).wait(5);
    expect(call.heard).toContain('To hear it again press 1.');
    expect(call.marked).toEqual([['m1', 'heard']]);
    call.press('3');
    expect(call.heard).toContain('Message 2 of 2, from Hidden number');
    call.press('2');
    // The one in the bin is gone, both are heard.
    expect(call.heard).toContain('You have no new messages and 2 heard messages.');
    call.press('*');
    expect(call.marked).toEqual([
      ['m1', 'heard'],
      ['m1', 'binned'],
      ['m2', 'heard'],
    ]);
    expect(call.outcome).toEqual({ kind: 'listened', mailboxId: 'rosa-box' });
  });

  const said = (call: Listener) => call.trace.flatMap((e) => (e.kind === 'says' ? [e.words] : []));
  const keys = (call: Listener) => call.trace.flatMap((e) => (e.kind === 'key' ? [e.key] : []));
  const MENU =
    'You have 2 new messages and 1 heard message. For the new ones press 1. For those you have heard press 2. To end press star.';
  const AFTER =
    'To hear it again press 1. To keep it press 2. To put it in the bin press 3. To call back press 4. For what came first press 0.';

  it('plays those that have been heard, each with who left it when', () => {
    const call = listen().press(`${PIN}#2`);
    expect(call.heard).toBe('Message 1 of 1, from (604) 555-0126, Sunday 09:00.');
    expect(keys(call)).toEqual(['2']);
    expect(call.trace.find((e) => e.kind === 'pin')).toMatchObject({ right: true });
    // What is said of it takes so long before it is played.
    expect(call.trace.find((e) => e.kind === 'plays')).toMatchObject({ messageId: 'm3', afterMs: 4000 });
  });
  it('plays one again, goes on by the square key, and to what came first by 0', () => {
    const call = listen().press(`${PIN}#1`);
    call.press('1');
    expect(said(call).slice(-2)).toEqual(Array(2).fill('Message 1 of 2, from (206) 555-0134, Monday 09:00.'));
    expect(call.press('#').heard).toContain('Message 2 of 2');
    expect(call.marked).toEqual([['m1', 'heard']]);
    // One of them has been heard by now.
    expect(call.press('0').heard).toContain('You have 1 new message and 2 heard messages.');
  });
  it('asks what to do after a key that means nothing, and after a message has been played', () => {
    const call = listen().press(`${PIN}#1`);
    expect(call.press('9').heard).toBe(AFTER);
    call.wait(60);
    // Nobody says anything any more: it is said three times in all, and the call is over.
    expect(said(call).filter((w) => w === AFTER)).toHaveLength(3);
    expect(said(call).at(-1)).toBe('Goodbye.');
    expect(call.outcome).toEqual({ kind: 'listened', mailboxId: 'rosa-box' });
  });
  it('says the menu again after a key that leads nowhere, three times in all', () => {
    const call = listen().press(`${PIN}#9`);
    expect(said(call).filter((w) => w === MENU)).toHaveLength(2);
    call.press('9');
    expect(said(call).filter((w) => w === MENU)).toHaveLength(3);
    expect(call.press('9').heard).toBe('Goodbye.');
    // What is pressed while it says goodbye means nothing.
    const { length } = call.trace;
    call.press('*1');
    expect(call.trace).toHaveLength(length);
    expect(call.wait(3).outcome).toEqual({ kind: 'listened', mailboxId: 'rosa-box' });
  });
  it('says only what there is to be heard', () => {
    const of = (messages: Held[]) => {
      const call = listen();
      call.engine.held = () => messages;
      return call.press(`${PIN}#`);
    };
    expect(of([]).heard).toBe('You have no new messages and no heard messages. To end press star.');
    expect(of(held.slice(0, 1)).heard).toBe(
      'You have 1 new message and no heard messages. For the new ones press 1. To end press star.',
    );
    expect(of(held.slice(2)).heard).toBe(
      'You have no new messages and 1 heard message. For those you have heard press 2. To end press star.',
    );
    const none = of(held.slice(2)).press('1');
    expect(none.trace.some((e) => e.kind === 'plays')).toBe(false);
  });
  it('ends by the star while a PIN is asked for; nobody has listened then', () => {
    expect(listen().press('12*').outcome).toEqual({ kind: 'listened', mailboxId: null });
  });
  it('asks for the PIN again where nothing is dialled, three times in all', () => {
    const call = listen().wait(120);
    expect(said(call)).toEqual([
      ...Array<string>(3).fill('Enter the PIN of Rosa Delgado, then the square key.'),
      'Goodbye.',
    ]);
    expect(call.outcome).toEqual({ kind: 'listened', mailboxId: null });
  });

  describe('from a phone whose person has no mailbox', () => {
    const ASK = 'Enter the extension of the mailbox, then the square key.';
    const from = { from: { kind: 'phone', phoneId: 'pia-web' } } as const;
    it('asks whose it is, and then for the PIN', () => {
      const call = listen(from);
      expect(call.heard).toBe(ASK);
      expect(call.press('201#').heard).toBe('Enter the PIN of Rosa Delgado, then the square key.');
      expect(call.press(`${PIN}#`).heard).toBe(MENU);
    });
    it('takes an extension without the square key after a pause', () => {
      expect(listen(from).press('201').wait(4).heard).toContain('Enter the PIN of Rosa Delgado');
    });
    it('asks again where nobody has it, or whoever has it has no mailbox, and ends after the third', () => {
      const call = listen(from).press('299#');
      expect(said(call)).toEqual([ASK, ASK]);
      call.press('203#');
      expect(said(call)).toEqual([ASK, ASK, ASK]);
      expect(call.press('230#').heard).toBe('That was wrong three times. Goodbye.');
      expect(call.wait(5).outcome).toEqual({ kind: 'listened', mailboxId: null });
    });
    it('asks again where nothing is dialled, three times in all', () => {
      expect(said(listen(from).wait(120))).toEqual([ASK, ASK, ASK, 'Goodbye.']);
    });
  });

  it('says of a hidden number that it cannot be called, and goes on', () => {
    const call = listen().press(`${PIN}#12`).press('4');
    expect(call.heard).toBe('The caller hid their number: there is nothing to call back.');
    expect(call.press('3').marked).toContainEqual(['m2', 'binned']);
  });

  it('keeps the PIN out of what is written down', () => {
    const call = listen().press(`${PIN}#`);
    expect(call.trace.some((e) => e.kind === 'key')).toBe(false);
    expect(JSON.stringify(call.trace)).not.toContain(PIN);
  });

  it('takes a PIN without the square key after a pause', () => {
    expect(listen().press(PIN).wait(4).heard).toContain('You have 2 new messages');
  });

  it('ends after three wrong PINs, and locks the mailbox for half an hour after nine', () => {
    const first = listen().press('1111#2222#');
    expect(first.heard).toContain('That is not it.');
    first.press('3333#');
    expect(first.heard).toBe('That was wrong three times. Goodbye.');
    // It is said to its end; and nobody has listened to anything.
    expect(first.outcome).toBeUndefined();
    expect(first.wait(4).outcome).toEqual({ kind: 'listened', mailboxId: null });
    const { engine } = first;
    const again = (at: number) => {
      engine.advance(at);
      first.at = at;
      engine.forget('c');
      engine.act(at, {
        kind: 'place',
        request: {
          id: 'c',
          at,
          from: { kind: 'phone', phoneId: 'pia-web' },
          to: { kind: 'digits', digits: '*98' },
          behaviour: null,
        },
      });
      engine.advance(at);
      return first;
    };
    for (const minute of [1, 2]) again(MONDAY + minute * 60_000).press('201#1111#2222#3333#');
    expect(again(MONDAY + 180_000).press('201#').heard).toContain('This mailbox is locked');
    // One slip after the lock is not another lock.
    expect(again(MONDAY + 33 * 60_000).press(`201#1111#`).heard).toContain('That is not it.');
    expect(first.press(`${PIN}#`).heard).toContain('You have 2 new');
  });

  it('without a PIN nobody listens, from whatever phone', () => {
    standing = { ...standing, pins: {} };
    expect(listen().heard).toContain('has no PIN yet');
    expect(listen().wait(10).outcome).toEqual({ kind: 'listened', mailboxId: null });
  });

  it('calls the sender back from a phone of the business, showing its number; a hidden one cannot be', () => {
    const call = listen().press(`${PIN}#1`).press('4');
    expect(call.outcome).toMatchObject({
      kind: 'went out',
      number: '+12065550134',
      shows: { e164: '+13605550142' },
    });
    const hidden = listen().press(`${PIN}#12`).press('4');
    expect(hidden.heard).toContain('The caller hid their number');
  });

  it('from outside, the star during the greeting asks for the PIN', () => {
    const from = { kind: 'outside', number: '+12065550111' } as const;
    const call = listen({ from, to: { kind: 'number', e164: ROSA_DIRECT } });
    call.wait(19).press('*');
    expect(call.heard).toContain('Enter the PIN of Rosa Delgado');
    call.press(`${PIN}#`);
    expect(call.heard).toContain('You have 2 new messages');
    call.press('14');
    expect(call.heard).toContain('From outside you cannot be put through');
  });

  it('says the menu three times to somebody who presses nothing, and ends', () => {
    const call = listen().press(`${PIN}#`).wait(300);
    expect(call.trace.filter((e) => e.kind === 'says' && e.words.startsWith('You have')).length).toBe(3);
    expect(call.outcome).toMatchObject({ kind: 'listened' });
  });
});

describe('leaving a message', () => {
  const to = { kind: 'number', e164: ROSA_DIRECT } as const;
  const call = (system: System, caller: Partial<ReturnType<typeof nobodyAnswers>['caller']>) => {
    const behaviour = nobodyAnswers();
    Object.assign(behaviour.caller, caller);
    const from = { kind: 'outside', number: '+12065550187' } as const;
    return rehearse(system, allOn(system), { id: 'c', at: MONDAY, from, to, behaviour });
  };
  const set = (change: object) => edited(yard(), [{ do: 'mailbox.set', id: 'rosa-box', change }]);

  it('silence ends it, and is not kept', () => {
    const trace = call(set({ silence: 5 }), { message: 12, stays: true });
    const start = trace.find((e) => e.kind === 'recording started')!.t;
    expect(trace.at(-1)!.t - start).toBe(17_000);
    expect(outcomeOf(trace)!.outcome).toMatchObject({ kind: 'message', seconds: 12 });
    // Never: then it is as long as it may be.
    const never = call(set({ silence: null, longest: 60 }), { message: 12, stays: true });
    expect(outcomeOf(never)!.outcome).toMatchObject({ seconds: 60 });
  });

  it('somebody who says nothing and stays leaves no message', () => {
    const trace = call(set({}), { message: 0, stays: true });
    expect(outcomeOf(trace)!.outcome).toMatchObject({ kind: 'hung up' });
  });

  it('without a tone recording begins where the greeting ends', () => {
    const trace = call(set({ noTone: true }), {});
    expect(trace.some((e) => e.kind === 'tone')).toBe(false);
    const greeting = trace.find((e) => e.kind === 'greeting started')!.t;
    // “This is Rosa. Please leave a message.”: seven words.
    expect(trace.find((e) => e.kind === 'recording started')!.t - greeting).toBe(3000);
  });

  it('0 leads to whom the mailbox names, and back to the greeting where they do not answer', () => {
    const system = set({ zero: { to: 'person', personId: 'pia' } });
    const keys = [{ after: 1, press: '0' }];
    const trace = call(system, { keys });
    const lines = traceLines(trace, system).join('\n');
    expect(lines).toContain('mailbox Rosa Delgado sends it on to Pia Lindqvist (key 0)');
    expect(lines).toContain('Pia Lindqvist · Browser softphone: sounds');
    expect(trace.filter((e) => e.kind === 'greeting started')).toHaveLength(2);
    expect(outcomeOf(trace)!.outcome).toMatchObject({ kind: 'message', mailboxId: 'rosa-box' });
    // Where nobody is named, the key means nothing.
    expect(traceLines(call(set({}), { keys }), system).join('\n')).not.toContain('presses 0');
  });

  it('no key but the square loses or ends what is being said', () => {
    const system = set({ zero: { to: 'person', personId: 'pia' }, noTone: true });
    // The greeting takes 3 s: the keys come while the message is left.
    const spoken = call(system, { keys: [{ after: 5, press: '0*' }] });
    expect(outcomeOf(spoken)!.outcome).toMatchObject({ kind: 'message', seconds: 12 });
    const ended = call(system, { keys: [{ after: 8, press: '#' }] });
    expect(outcomeOf(ended)!.outcome).toMatchObject({ kind: 'message', seconds: 5 });
  });

  it('the square key skips the greeting', () => {
    const system = set({ zero: { to: 'person', personId: 'pia' } });
    const trace = call(system, { keys: [{ after: 1, press: '#' }] });
    const greeting = trace.find((e) => e.kind === 'greeting started')!.t;
    expect(trace.find((e) => e.kind === 'tone')!.t).toBe(greeting + 1000);
  });
});
