/** Live calls in menus, questions and queues: what callers press and say, and an engine that is taken up elsewhere. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { allOn, edited, MAIN, yard } from '../../../../tests/fixtures/yard';
import { newQueue, type Command, type Standing, type Step } from '../../system';
import { CallEngine, nobodyAnswers, ringChart, traceLines, type Action, type CallRequest } from '..';

const TEN = Date.UTC(2026, 10, 24, 18);
const queue: Command = {
  do: 'queue.add',
  value: newQueue({
    id: 'q',
    name: 'Desk',
    memberIds: ['rosa', 'idris'],
    pattern: 'in order',
    seconds: 15,
    longestWait: 120,
    wrapUp: 10,
    pauseAfter: null,
    exitKey: '1',
    callBackKey: '2',
    comfort: { recordingId: 'welcome', every: 20, position: true },
  }),
};
const plan = (...steps: Step[]): Command => ({ do: 'plan.set', id: 'main-plan', change: { steps } });
const VOICEMAIL: Step = { id: 'vm', kind: 'voicemail', mailboxId: 'front' };
const MENU: Step = {
  id: 'menu',
  kind: 'menu',
  recordingId: 'welcome',
  seconds: 5,
  tries: 2,
  dialExtension: true,
  nameKey: '9',
  branches: [
    { key: '1', steps: [{ id: 'q1', kind: 'queue', queueId: 'q', branches: [] }] },
    {
      key: '5',
      steps: [
        {
          id: 'ask',
          kind: 'ask',
          questions: [
            { id: 'a', label: 'Name', says: 'What is your name?', by: 'voice' },
            { id: 'b', label: 'Number', says: 'Which number?', by: 'keys' },
          ],
          answers: [{ words: ['open'], says: 'From eight to five.' }],
        },
      ],
    },
  ],
  otherwise: [],
};
const system = edited(yard(), [queue, plan(MENU, VOICEMAIL)]);

/** An engine with one live call, and what is done to it, in seconds from its arrival. */
class Live {
  engine: CallEngine;
  constructor(private standing: Standing = allOn(system)) {
    this.engine = new CallEngine(system, standing);
    this.place('a', 0);
  }
  place(id: string, seconds: number): void {
    const request: CallRequest = {
      id,
      at: TEN + seconds * 1000,
      from: { kind: 'outside', number: null },
      to: { kind: 'number', e164: MAIN },
      behaviour: null,
    };
    this.engine.act(request.at, { kind: 'place', request });
  }
  at(seconds: number, action: Action): this {
    this.engine.act(TEN + seconds * 1000, action);
    return this;
  }
  press(seconds: number, key: string, callId = 'a'): this {
    return this.at(seconds, { kind: 'press', callId, key });
  }
  /** The lines of a call's trace after so many seconds. */
  lines(seconds: number, id = 'a'): string[] {
    this.engine.advance(TEN + seconds * 1000);
    return traceLines(this.engine.calls.get(id)!.trace, system).map((l) => l.trim());
  }
  /** The engine is stored, and goes on from what was stored. */
  moved(): void {
    this.engine = CallEngine.restore(structuredClone(this.engine.snapshot()), this.standing);
  }
}

describe('a live caller in a menu', () => {
  it('presses a key while it speaks, or hears it again', () => {
    expect(new Live().press(1, '1').lines(2)).toContain('1.0 s  waits in Desk, number 1');
    const silent = new Live().lines(30);
    expect(silent.filter((l) => l.includes('no key pressed'))).toHaveLength(2);
    expect(silent.at(-1)).toContain('the caller speaks');
  });
  it('dials an extension digit by digit, with time between them', () => {
    const lines = new Live().press(1, '2').press(3, '0').press(5, '2').lines(6);
    expect(lines).toContain('5.0 s  202 dialled: Idris Okafor');
    const slow = new Live().press(1, '2').lines(6);
    expect(slow).toContain('5.0 s  2 leads nowhere');
  });
  it('presses keys that mean nothing when nobody waits for one', () => {
    const talking = new Live().press(1, '1').at(2, { kind: 'answer', callId: 'a', phone: 'rosa-desk' });
    const before = talking.lines(3).length;
    expect(talking.press(4, '1').press(5, '2').lines(6)).toHaveLength(before);
  });
});

describe('a live caller who is asked', () => {
  it('answers by voice and on the keypad, and is told what was asked for', () => {
    const live = new Live()
      .press(1, '5')
      .at(4, { kind: 'say', callId: 'a', text: 'Ada, when are you open?' });
    for (const [i, key] of [...'206#'].entries()) live.press(9 + i, key);
    const lines = live.lines(13);
    expect(lines).toContain('4.0 s  Name: Ada, when are you open?');
    expect(lines).toContain('4.0 s  told: From eight to five.');
    expect(lines).toContain('12.0 s  Number: 206');
    expect(lines.some((l) => l.startsWith('12.0 s  voicemail Front desk'))).toBe(true);
  });
  it('who says nothing is not waited for longer than twenty seconds', () => {
    const lines = new Live().press(1, '5').lines(24);
    expect(lines).toContain('23.0 s  Name: nothing said');
  });
  it('cannot answer by voice what is asked on the keypad by pressing, nor by keys what is asked by voice', () => {
    const lines = new Live().press(1, '5').press(3, '7').press(4, '#').lines(6);
    expect(lines.some((l) => / s {2}Name:/.test(l))).toBe(false);
  });
});

describe('a live queue', () => {
  it('is first come, first served, also in the pause after a round that nobody took', () => {
    const live = new Live();
    live.press(1, '1');
    live.place('b', 20);
    live.press(21, '1', 'b');
    // Both let the first caller ring out, at 31 s; Rosa is rung for the second from 21 s to 36 s.
    const lines = live.lines(36);
    expect(lines.filter((l) => l.startsWith('31.0 s'))).toHaveLength(3);
    expect(lines).toContain('36.0 s  came first in Desk: offered again before those who came later');
    expect(lines).toContain('36.0 s  Rosa Delgado · Desk phone: offered the call');
    // The second is offered whoever is left, and a third nobody while those two ring for the two before.
    expect(live.lines(36, 'b')).toContain('16.0 s  Idris Okafor · Desk phone: offered the call');
    live.place('c', 37);
    live.press(38, '1', 'c');
    expect(live.lines(39, 'c').some((l) => l.includes('offered the call'))).toBe(false);
  });
  it('comes to an end where phones decline at once while others wait', () => {
    const live = new Live();
    live.press(1, '1').at(1, { kind: 'decline', callId: 'a', phone: 'rosa-desk' });
    live.place('b', 1);
    live.press(1, '1', 'b');
    for (const callId of ['a', 'b'])
      for (const phone of ['rosa-desk', 'idris-desk']) live.at(1, { kind: 'decline', callId, phone });
    expect(live.lines(900).at(-1)).toContain('end (');
  });
  it('tries somebody who just let it ring out after those who did not', () => {
    const live = new Live();
    live.press(1, '1').at(17, { kind: 'answer', callId: 'a', phone: 'idris-desk' });
    live.at(18, { kind: 'hang up', callId: 'a', by: 'caller' });
    live.place('b', 29);
    live.press(30, '1', 'b');
    const lines = live.lines(31, 'b');
    expect(lines).toContain('1.0 s  Rosa Delgado just let it ring out: somebody else is tried first');
    expect(lines).toContain('1.0 s  Idris Okafor · Desk phone: offered the call');
  });
  it('serves in order of arrival, and leaves whoever was on a call alone for the wrap-up', () => {
    const live = new Live();
    live.press(1, '1').at(3, { kind: 'answer', callId: 'a', phone: 'rosa-desk' });
    live.place('b', 5);
    live.press(6, '1', 'b').at(8, { kind: 'answer', callId: 'b', phone: 'idris-desk' });
    live.place('c', 10);
    live.press(11, '1', 'c');
    live.at(20, { kind: 'hang up', callId: 'a', by: 'called' });
    const lines = live.lines(33, 'c');
    expect(lines).toContain('1.0 s  nobody is free in Desk, number 1');
    // Rosa's call ended at 20 s, her ten seconds are over at 30 s: 20 s into this call.
    expect(lines).toContain('20.0 s  Rosa Delgado · Desk phone: offered the call');
    expect(live.lines(33, 'c').some((l) => l.startsWith('10.0 s  Rosa'))).toBe(false);
  });
  it('is left by key, or asked to call back', () => {
    expect(new Live().press(1, '1').press(10, '1').lines(11)).toContain(
      '10.0 s  leaves Desk after 9 s: left by key',
    );
    const back = new Live().press(1, '1').press(10, '2').lines(11);
    expect(back.at(-1)).toBe('10.0 s  end (caller): asked to be called back by Desk');
  });
  it('looks anew when somebody logs in', () => {
    const standing = allOn(system);
    standing.logins = {
      q: { rosa: { value: false, at: 0, by: 'x' }, idris: { value: true, at: 0, by: 'x' } },
    };
    const live = new Live(standing);
    live.press(1, '1').at(4, { kind: 'decline', callId: 'a', phone: 'idris-desk' });
    live.lines(10);
    live.engine.standing = { ...standing, logins: {} };
    expect(live.lines(30)).toContain('24.0 s  Rosa Delgado · Desk phone: offered the call');
  });
});

it('goes on alike wherever it is taken up, in the middle of anything', () => {
  const scene = (moves: number[]): string[][] => {
    const live = new Live();
    live.place('b', 3);
    live.place('c', 4);
    live.press(1, '1').press(5, '1', 'b').press(6, '5', 'c').press(40, '1', 'b');
    live.at(9, { kind: 'say', callId: 'c', text: 'Ada' });
    live.at(12, { kind: 'decline', callId: 'a', phone: 'rosa-desk' });
    live.at(22, { kind: 'answer', callId: 'a', phone: 'idris-desk' });
    live.at(44, { kind: 'hang up', callId: 'a', by: 'caller' });
    for (const second of [...moves].sort((x, y) => x - y)) {
      live.engine.advance(TEN + second * 1000);
      live.moved();
    }
    return ['a', 'b', 'c'].map((id) => live.lines(400, id));
  };
  const still = scene([]);
  expect(still.every((lines) => lines.at(-1)!.includes('end ('))).toBe(true);
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 0, max: 200 }), { minLength: 1, maxLength: 5 }), (moves) => {
      expect(scene(moves)).toEqual(still);
    }),
    { numRuns: 60, seed: 2 },
  );
});

it('is drawn with what the caller hears: menu, question, waiting with music while phones ring', () => {
  const live = new Live().press(1, '1');
  live.engine.advance(TEN + 200_000);
  const chart = ringChart(live.engine.calls.get('a')!.trace, system);
  const bars = chart.lanes[0]!.bars.map((b) => [b.kind, b.label, Math.round(b.from / 1000)]);
  expect(bars.slice(0, 2)).toEqual([
    ['menu', 'Welcome', 0],
    ['waiting', 'waits in Desk', 1],
  ]);
  expect(bars[2]![0]).toBe('greeting');
  expect(bars[2]![2]).toBe(121);
  expect(chart.lanes.map((l) => l.label)).toEqual(expect.arrayContaining(['Rosa Delgado · Desk phone']));
  const asked = new Live().press(1, '5');
  asked.engine.advance(TEN + 200_000);
  const kinds = ringChart(asked.engine.calls.get('a')!.trace, system).lanes[0]!.bars.map((b) => b.kind);
  expect(kinds.slice(0, 3)).toEqual(['menu', 'asked', 'asked']);
});

it('with nobody who answers leaves nothing behind that still rings or waits', () => {
  const live = new Live();
  live.engine.act(TEN + 1000, {
    kind: 'place',
    request: {
      id: 'r',
      at: TEN + 1000,
      from: { kind: 'outside', number: null },
      to: { kind: 'number', e164: MAIN },
      behaviour: {
        ...nobodyAnswers(),
        caller: { ...nobodyAnswers().caller, keys: [{ after: 1, press: '1' }] },
      },
    },
  });
  live.press(2, '1');
  live.engine.advance(TEN + 1_000_000);
  expect(live.engine.next()).toBeUndefined();
  expect([live.engine.ringing.size, live.engine.onCall.size, live.engine.waitingIn('q').length]).toEqual([
    0, 0, 0,
  ]);
});
