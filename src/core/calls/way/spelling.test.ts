/** A caller who spells a name on the keypad (ITU-T E.161: Delgado begins 3 3 5, Pia is 7 4 2), key by key. */
import { beforeEach, describe, expect, it } from 'vitest';
import { allOn, edited, MAIN, yard } from '../../../../tests/fixtures/yard';
import { newPerson, newStep } from '../../system';
import { CallEngine, type Trace } from '..';
import { foundByName } from './menu';

const TEN = Date.UTC(2026, 10, 24, 18);
const system = edited(yard(), [
  { do: 'person.set', id: 'tomas', change: { name: 'Tomás Delgado' } },
  {
    do: 'plan.set',
    id: 'main-plan',
    change: {
      steps: [
        newStep('menu', { id: 'menu', recordingId: 'welcome', seconds: 5, tries: 2, nameKey: '9' }),
        newStep('voicemail', { id: 'vm', mailboxId: 'front' }),
      ],
    },
  },
]);

let engine: CallEngine;
let now = TEN;
/** Presses keys one after the other, a tenth of a second apart. */
const press = (keys: string) => {
  for (const key of keys) {
    engine.act((now += 100), { kind: 'press', callId: 'a', key });
    engine.advance(now);
  }
};
const wait = (ms: number) => engine.advance((now += ms));
const trace = (): Trace => engine.calls.get('a')!.trace;
const last = () => trace().at(-1)!;
const kinds = () => trace().map((e) => e.kind);

beforeEach(() => {
  engine = new CallEngine(system, allOn(system));
  now = TEN;
  engine.act(TEN, {
    kind: 'place',
    request: {
      id: 'a',
      at: TEN,
      from: { kind: 'outside', number: null },
      to: { kind: 'number', e164: MAIN },
      behaviour: null,
    },
  });
  engine.advance(TEN);
  press('9');
});

describe('a name spelt', () => {
  it('goes on to the only one it fits, after three letters', () => {
    press('74');
    expect(kinds()).not.toContain('dialled');
    press('2');
    expect(trace().find((e) => e.kind === 'dialled')).toMatchObject({
      who: 'Pia Lindqvist',
      extension: '742',
    });
  });
  it('or after fewer, once the pound key says that it is all', () => {
    press('74#');
    expect(trace().find((e) => e.kind === 'dialled')).toMatchObject({
      who: 'Pia Lindqvist',
      extension: '74',
    });
  });
  it('whose letters end goes on to the one found, when no key comes for a while', () => {
    press('74');
    wait(3900);
    expect(kinds()).not.toContain('dialled');
    wait(200);
    expect(trace().find((e) => e.kind === 'dialled')).toMatchObject({
      who: 'Pia Lindqvist',
      extension: '74',
    });
  });
  it('of two whose letters end offers both, as soon as no key comes for a while', () => {
    press('335');
    wait(4100);
    expect(last()).toMatchObject({ kind: 'found by name', personIds: ['rosa', 'tomas'] });
    press('2');
    expect(trace().find((e) => e.kind === 'dialled')).toMatchObject({ who: 'Tomás Delgado' });
  });
  it('of two, of whom none is chosen, is no key, and the menu is played again', () => {
    press('335#');
    expect(last()).toMatchObject({ kind: 'found by name' });
    // The names take three seconds to say, and then there are as many to press as in the menu.
    wait(7900);
    expect(last().kind).toBe('found by name');
    wait(200);
    expect(kinds().slice(-2)).toEqual(['no key', 'menu']);
  });
  it('of two, with a key that is neither, is a wrong key', () => {
    press('335#3');
    expect(kinds().slice(-2)).toEqual(['wrong key', 'menu']);
    expect(trace().at(-2)).toMatchObject({ keys: '3' });
  });
  it('that is nobody’s is wrong at once', () => {
    press('0');
    expect(kinds().slice(-2)).toEqual(['wrong key', 'menu']);
  });
  it('not begun is no key, after the time to hear what to do and to press', () => {
    wait(8900);
    expect(last().kind).toBe('spell a name');
    wait(200);
    expect(kinds().slice(-2)).toEqual(['no key', 'menu']);
  });
});

describe('who is found', () => {
  it('are people by any of their names, whatever the accents, sorted', () => {
    expect(foundByName(system, '335').map((p) => p.name)).toEqual(['Rosa Delgado', 'Tomás Delgado']);
    expect(foundByName(system, '86627').map((p) => p.name)).toEqual(['Tomás Delgado']);
    expect(foundByName(system, '6627').map((p) => p.name)).toEqual([]);
    expect(foundByName(system, '')).toEqual([]);
  });
  it('are those with further signs between or after their names, and nobody without letters', () => {
    const more = edited(system, [
      { do: 'person.add', value: newPerson({ id: 'b', name: 'Ben (Hal) Ash', extension: '301' }) },
      { do: 'person.add', value: newPerson({ id: 'c', name: '王 小明', extension: '302' }) },
    ]);
    expect(foundByName(more, '425').map((p) => p.id)).toEqual(['b']);
    expect(foundByName(more, '274').map((p) => p.id)).toEqual(['b']);
    expect(foundByName(more, '0')).toEqual([]);
  });
});
