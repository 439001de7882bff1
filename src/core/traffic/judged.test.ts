/** What becomes of a call, as reports judge it: each by a call that the engine works out. */
import { describe, expect, it } from 'vitest';
import { demonstration } from '../../../demo/lantern-cove';
import { allOn, edited, MAIN, yard } from '../../../tests/fixtures/yard';
import { Behaviour, rehearse, sentence, type CallRequest } from '../calls';
import { momentOf } from '../hours';
import { callRow } from '../story';
import type { Command, Step } from '../system';
import { judged, USUAL_RULES, type Judged, type Rules } from '.';

const ZONE = 'America/Los_Angeles';
const TEN = momentOf(ZONE, '2026-11-24', 600);
const steps = (all: Step[]): Command => ({ do: 'plan.set', id: 'main-plan', change: { steps: all } });
const RING: Step = {
  id: 'r',
  kind: 'ring',
  targets: [{ kind: 'person', id: 'rosa' }],
  pattern: 'together',
  seconds: 18,
  followReach: false,
  branches: [],
} as unknown as Step;
const VOICEMAIL: Step = { id: 'vm', kind: 'voicemail', mailboxId: 'front' };

function of(
  plan: Step[],
  behaviour: object,
  rules: Rules = USUAL_RULES,
  more: Partial<CallRequest> = {},
): Judged {
  const system = edited(yard(), [steps(plan)]);
  const request: CallRequest = {
    id: 'c',
    at: TEN,
    from: { kind: 'outside', number: '+12065550101' },
    to: { kind: 'number', e164: MAIN },
    behaviour: Behaviour.parse(behaviour),
    ...more,
  };
  const trace = rehearse(system, allOn(system), request);
  return judged(
    callRow({ id: 'c', at: TEN, request, trace, words: sentence(trace, system, 'past') }),
    rules,
    ZONE,
  )!;
}
const caller = (change: object) => ({ caller: { hangsUpAfter: null, talks: 60, message: 0, ...change } });

describe('becomes', () => {
  it('answered, so many seconds after it began to ring', () => {
    const call = of([RING, VOICEMAIL], { people: { rosa: { does: 'answers', after: 6 } }, ...caller({}) });
    expect(call.became).toBe('answered');
    expect(call.wait).toBeGreaterThanOrEqual(6);
    expect(call.wait).toBeLessThan(9);
    expect(call.course.talks).toHaveLength(1);
    expect(call.course.talks[0]![3] - call.course.talks[0]![2]).toBe(60_000);
  });
  it('gave up, and exactly so many seconds is not at once', () => {
    expect(of([RING, VOICEMAIL], caller({ hangsUpAfter: 5 })).became).toBe('gave up');
    expect(of([RING, VOICEMAIL], caller({ hangsUpAfter: 4.9 })).became).toBe('gave up at once');
    expect(of([RING, VOICEMAIL], caller({ hangsUpAfter: 8 }), { ...USUAL_RULES, atOnce: 10 }).became).toBe(
      'gave up at once',
    );
  });
  it('to voicemail, with a message or without', () => {
    expect(of([RING, VOICEMAIL], caller({ message: 10 })).became).toBe('to voicemail');
    expect(of([RING, VOICEMAIL], caller({})).became).toBe('to voicemail');
    expect(of([RING, VOICEMAIL], caller({ hangsUpAfter: 22 })).became).toBe('to voicemail');
  });
  it('ended by the plan', () => {
    expect(of([RING, { id: 'e', kind: 'end', how: 'busy' } as Step], caller({})).became).toBe(
      'ended by the plan',
    );
  });
  it('left before anything rang', () => {
    const play = { id: 'p', kind: 'play', recordingId: 'welcome' } as Step;
    const call = of([play, RING, VOICEMAIL], caller({ hangsUpAfter: 1 }));
    expect(call.became).toBe('left before');
    expect(call.course.rings).toBeNull();
  });
  it('unwanted, where the network suspects it, whatever came of it', () => {
    const from = { kind: 'outside', number: '+12065550101', suspected: true } as const;
    expect(of([RING, VOICEMAIL], caller({}), USUAL_RULES, { from }).became).toBe('unwanted');
  });
});

describe('in the demonstration', () => {
  const whole = demonstration(TEN);
  const { system } = whole.draft;
  const call = (at: number, keys: object[] = []) => {
    const request: CallRequest = {
      id: 'c',
      at,
      from: { kind: 'outside', number: '+12065550188' },
      to: { kind: 'number', e164: MAIN },
      behaviour: Behaviour.parse(caller({ keys })),
    };
    const trace = rehearse(system, allOn(system), request);
    return judged(callRow({ id: 'c', at, request, trace, words: '' }), USUAL_RULES, ZONE)!;
  };
  it('a call on Thanksgiving is told that it is closed, one at lunch is missed', () => {
    expect(call(momentOf(ZONE, '2026-11-26', 600)).became).toBe('closed');
    expect(call(momentOf(ZONE, '2026-11-24', 12 * 60 + 30)).became).not.toBe('closed');
  });
  it('the weekday and the hour are those of the business', () => {
    expect(call(TEN)).toMatchObject({ weekday: 2, hour: 10 });
  });
});
