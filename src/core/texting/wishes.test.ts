/** Who wants no texts: words, refusals, what was entered. The words are those of the CTIA messaging principles and 47 CFR 64.1200(a)(10), from memory. */
import { describe, expect, it } from 'vitest';
import { allStopped, answerTo, stoppedBy, wishOf } from './wishes';

const ADA = '+12065550101';
const text = (words: string, at: number, change: object = {}) => ({
  way: 'in' as const,
  from: ADA,
  text: words,
  at,
  ...change,
});

it.each([
  ['STOP', 'stop'],
  ['  stop. ', 'stop'],
  ['“Stop!”', 'stop'],
  ['STOPALL', 'stop'],
  ['opt out', 'stop'],
  ['OPTOUT', 'stop'],
  ['Opt-out', 'stop'],
  ['revoke', 'stop'],
  ['ARRÊT', 'stop'],
  ['arret', 'stop'],
  ['Stop by at 5', null],
  ['Do not stop', null],
  ['end of the week', null],
  ['yes', null],
  ['Unstop', 'start'],
  ['START', 'start'],
  ['Help!', 'help'],
  ['info', 'help'],
  ['I need help with the mast', null],
  ['Please stop texting me', 'refusal'],
  ['Don’t text me again', 'refusal'],
  ['take me off your list', 'refusal'],
  ['No more messages, thanks', 'refusal'],
])('“%s”: %s', (words, wish) => expect(wishOf(words)).toBe(wish));

describe('whether somebody wants no texts', () => {
  const since = (...said: Parameters<typeof stoppedBy>[0]) => stoppedBy(said, [], ADA)?.since ?? null;
  it('goes by what they said last, to whatever number of ours, in whatever order it lies', () => {
    expect(since()).toBeNull();
    expect(since(text('STOP', 1))).toBe(1);
    expect(since(text('STOP', 1), text('Thanks', 2))).toBe(1);
    expect(since(text('start', 3), text('STOP', 1))).toBeNull();
    expect(since(text('STOP', 1, { from: '+12065550102' }))).toBeNull();
    expect(since(text('STOP', 1, { way: 'out' }))).toBeNull();
  });
  it('a refusal in other words stops at once; a person may undo it, and enter one that was spoken', () => {
    const refused = [text('leave me alone', 1)];
    expect(stoppedBy(refused, [], ADA)).toEqual({ since: 1, how: 'refusal', words: 'leave me alone' });
    const lifted = { number: ADA, at: 2, does: 'lift' as const, by: 'Rosa' };
    expect(stoppedBy(refused, [lifted], ADA)).toBeNull();
    const spoken = { ...lifted, at: 3, does: 'stop' as const };
    expect(stoppedBy(refused, [lifted, spoken], ADA)).toEqual({ since: 3, how: 'entered', words: 'Rosa' });
    expect(stoppedBy([...refused, text('START', 4)], [spoken], ADA)).toBeNull();
  });
  it('can be asked of an earlier moment', () => {
    expect(stoppedBy([text('STOP', 5)], [], ADA, 5)).toBeNull();
    expect(stoppedBy([text('STOP', 5)], [], ADA, 6)).not.toBeNull();
  });
});

describe('what is answered by itself', () => {
  const about = { business: 'Lantern Cove', number: '(360) 555-0142', lastAt: -Infinity };
  it('is one confirmation, that it is lifted, and who writes; nothing else', () => {
    expect(answerTo('STOP', 9, about)).toContain('no more texts');
    expect(answerTo('Start', 9, about)).toContain('again');
    expect(answerTo('HELP', 9, about)).toContain('(360) 555-0142');
    expect(answerTo('Is my boat ready?', 9, about)).toBeNull();
  });
  // 47 CFR 64.1200(a)(12), from memory: within five minutes.
  it('is not said again within five minutes', () => {
    expect(answerTo('STOP', 300_000 - 1, { ...about, lastAt: 0 })).toBeNull();
    expect(answerTo('STOP', 300_000, { ...about, lastAt: 0 })).not.toBeNull();
  });
});

it('everybody who wants none is found as each is alone', () => {
  const BO = '+12065550102';
  const texts = [
    text('STOP', 1),
    text('start', 3),
    text('Stop!', 2, { from: BO }),
    text('Hello', 9, { from: BO }),
  ];
  const entered = [{ number: '+12065550103', at: 4, does: 'stop' as const, by: 'Rosa' }];
  expect(allStopped(texts, entered)).toEqual(new Set([BO, '+12065550103']));
  for (const number of [ADA, BO, '+12065550103'])
    expect(allStopped(texts, entered).has(number)).toBe(stoppedBy(texts, entered, number) !== null);
});
