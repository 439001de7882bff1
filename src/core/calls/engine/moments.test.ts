/** What happens in the same moment, at the end of a ring, and what is said of how long something rang. */
import { describe, expect, it } from 'vitest';
import { allOn, edited, MAIN, yard } from '../../../../tests/fixtures/yard';
import { piecesOf } from '../../coverage';
import { findingsOf } from '../../findings';
import { momentOf } from '../../hours';
import { asPaired, newHours, newRegistration, type Command, type Step } from '../../system';
import {
  CallEngine,
  nobodyAnswers,
  outcomeOf,
  rehearse,
  ringableNow,
  sentence,
  simulate,
  supposedOn,
  traceLines,
  type CallRequest,
} from '..';

const TEN = Date.UTC(2026, 10, 24, 18);
const plan = (...steps: Step[]): Command => ({ do: 'plan.set', id: 'main-plan', change: { steps } });
const box: Step = { id: 'vm', kind: 'voicemail', mailboxId: 'front' };
const ring = (id: string, change: Partial<Extract<Step, { kind: 'ring' }>> = {}): Step => ({
  id: `ring-${id}`,
  kind: 'ring',
  targets: [{ kind: 'person', id }],
  pattern: 'together',
  seconds: 18,
  followReach: false,
  ...change,
});
const call = (
  id: string,
  at: number,
  change: Partial<CallRequest['behaviour'] & object> = {},
): CallRequest => ({
  id,
  at: TEN + at,
  from: { kind: 'outside', number: null },
  to: { kind: 'number', e164: MAIN },
  behaviour: { ...nobodyAnswers(), ...change },
});

describe('whoever hangs up comes before who arrives in the same millisecond', () => {
  const system = edited(yard(), [plan(ring('rosa'), box)]);
  const talks = (seconds: number) => ({
    otherwise: { does: 'answers' as const, after: 2 },
    caller: { ...nobodyAnswers().caller, talks: seconds },
  });
  const rung = (system_: typeof system, requests: CallRequest[]) =>
    simulate(system_, allOn(system_), requests)
      .get('b')!
      .some((e) => e.kind === 'leg offered');
  it('in a rehearsal: the phone is free for the next', () => {
    // Answered at 2 s, talked for 10 s: over at 12 s.
    expect(rung(system, [call('a', 0, talks(10)), call('b', 12_000)])).toBe(true);
    expect(rung(system, [call('a', 0, talks(10)), call('b', 11_999)])).toBe(false);
  });
  it('in a live call, in whichever order it is told; and a call hung up as it is placed is over', () => {
    for (const first of ['hang up', 'place']) {
      const engine = new CallEngine(system, allOn(system));
      engine.act(TEN, { kind: 'place', request: { ...call('a', 0), behaviour: null } });
      engine.act(TEN + 1000, { kind: 'answer', callId: 'a', phone: 'rosa-desk' });
      const hangUp = { kind: 'hang up', callId: 'a', by: 'caller' } as const;
      if (first === 'hang up') engine.act(TEN + 5000, hangUp);
      engine.act(TEN + 5000, { kind: 'place', request: { ...call('b', 5000), behaviour: null } });
      if (first === 'place') engine.act(TEN + 5000, hangUp);
      engine.advance(TEN + 5000);
      expect(engine.calls.get('b')!.trace.some((e) => e.kind === 'leg offered')).toBe(true);
    }
    const engine = new CallEngine(system, allOn(system));
    engine.act(TEN, { kind: 'place', request: { ...call('a', 0), behaviour: null } });
    engine.act(TEN, { kind: 'hang up', callId: 'a', by: 'caller' });
    engine.advance(TEN);
    expect(outcomeOf(engine.calls.get('a')!.trace)?.outcome.kind).toBe('hung up');
  });
});

describe('whoever lifts in time has the time to press the key', () => {
  const lifts = (after: number) =>
    rehearse(
      edited(yard(), [plan(ring('rosa', { confirm: true }), box)]),
      allOn(yard()),
      call('a', 0, { otherwise: { does: 'answers', after } }),
    );
  it('though ringing is over before they have pressed it', () => {
    const lines = traceLines(lifts(17), yard()).map((l) => l.trim());
    expect(lines).toContain('17.0 s  Rosa Delgado · Desk phone: lifted, asked to press 1');
    const answered = lifts(17).find((e) => e.kind === 'answered');
    expect(answered?.t).toBe(20_000);
  });
  it('and no longer: whoever presses nothing is left after ten seconds', () => {
    const system = edited(yard(), [plan(ring('rosa', { confirm: true }), box)]);
    const engine = new CallEngine(system, allOn(system));
    engine.act(TEN, { kind: 'place', request: { ...call('a', 0), behaviour: null } });
    engine.act(TEN + 17_000, { kind: 'answer', callId: 'a', phone: 'rosa-desk' });
    engine.advance(TEN + 40_000);
    const { trace } = engine.calls.get('a')!;
    expect(trace.find((e) => e.kind === 'greeting started')?.t).toBe(27_000);
  });
});

it('how long it rang is told, not how long the call lasted', () => {
  const system = edited(yard(), [plan(ring('rosa', { followReach: true }), box)]);
  const trace = rehearse(
    system,
    allOn(system),
    call('a', 0, { otherwise: { does: 'sends to voicemail', after: 5 } }),
  );
  expect(sentence(trace, system)).toMatch(/^Rings Rosa Delgado 5 s; sent on by Rosa Delgado \(chosen\)/);
});

it('what would ring now is what a call would ring', () => {
  const system = yard();
  const on = allOn(system);
  const why = (standing: typeof on) =>
    ringableNow(system, standing, ['rosa'], TEN)
      .get('rosa')!
      .map((r) => r.why);
  expect(why(on).every((w) => w === null)).toBe(true);
  expect(why({ ...on, registrations: {} })).toContain('not paired');
  expect(why({ ...on, dnd: { rosa: { value: true, at: 0, by: 'x' } } })).toContain('do not disturb');
});

describe('why a call comes to a mailbox', () => {
  const closed: Command[] = [
    {
      do: 'hours.add',
      value: newHours({
        id: 'h',
        name: 'Office',
        weekly: [1, 2, 3, 4, 5].map((day) => ({ day, from: 540, to: 1020, kind: 'Open' })),
        exceptions: [
          {
            id: 'x',
            name: 'Thanksgiving Day',
            when: { on: 'dates', dates: ['2026-11-26'] },
            times: [],
            holiday: { country: 'US', region: '', rule: '4th thursday in November' },
          },
          {
            id: 'y',
            name: 'Stocktaking',
            when: { on: 'dates', dates: ['2026-11-27'] },
            times: [],
            holiday: null,
          },
        ],
      }),
    },
    {
      do: 'mailbox.set',
      id: 'front',
      change: {
        greetings: (['holiday', 'closed', 'busy', 'not answered'] as const).map((occasion) => ({
          id: occasion.replace(' ', '-'),
          when: { on: 'occasion', occasion },
          recordingId: 'closed',
        })),
      },
    },
  ];
  const system = edited(yard(), [
    ...closed,
    plan(
      {
        id: 'by',
        kind: 'hours',
        hoursId: 'h',
        branches: [{ period: 'Open', steps: [ring('rosa')] }],
        otherwise: [],
      },
      box,
    ),
  ]);
  const greets = (day: string, minute: number, busy = false) => {
    const at = momentOf('America/Los_Angeles', day, minute) - TEN;
    const behaviour = busy ? { otherwise: { does: 'is on a call' as const } } : {};
    return rehearse(system, allOn(system), call('a', at, behaviour)).find(
      (e) => e.kind === 'greeting started',
    )?.greetingId;
  };
  it('is a holiday before closed, closed before busy, and else that nobody answered', () => {
    expect(greets('2026-11-26', 600)).toBe('holiday');
    expect(greets('2026-11-26', 10)).toBe('holiday');
    expect(greets('2026-11-27', 600)).toBe('closed');
    expect(greets('2026-11-25', 1400)).toBe('closed');
    expect(greets('2026-11-25', 600, true)).toBe('busy');
    expect(greets('2026-11-25', 600)).toBe('not-answered');
  });
  it('is seen in coverage from the midnight at which the holiday begins', () => {
    const [from, to] = ['2026-11-25', '2026-11-28'].map((d) => momentOf('America/Los_Angeles', d, 0));
    const pieces = piecesOf(system, allOn(system), system.numbers.main!, from!, to!);
    const greeting = (at: number) =>
      pieces.find((p) => p.from <= at && at < p.to)!.trace.find((e) => e.kind === 'greeting started')
        ?.greetingId;
    const midnight = momentOf('America/Los_Angeles', '2026-11-26', 0);
    expect([greeting(midnight - 1), greeting(midnight)]).toEqual(['closed', 'holiday']);
  });
  it('one that can never come is a finding', () => {
    const ids = (s: typeof system) =>
      findingsOf({ system: s, standing: allOn(s), today: '2026-11-24', freshId: (k) => k }).map((f) => f.id);
    expect(ids(system).filter((id) => id.startsWith('never-greets'))).toEqual([]);
    const noHoliday = edited(system, [{ do: 'hours.set', id: 'h', change: { exceptions: [] } }]);
    expect(ids(noHoliday)).toContain('never-greets:front:holiday');
  });
});

it('a phone that is off is named beside what a rehearsal supposes', () => {
  const system = edited(yard(), [plan(ring('pia'), box)]);
  const on = allOn(system);
  const off = {
    ...on,
    registrations: { ...on.registrations, 'pia-web': newRegistration({ pairedAt: 0, online: false }) },
  };
  const trace = rehearse(system, asPaired(off), call('a', 0));
  expect(trace.some((e) => e.kind === 'leg offered' && e.phone === 'pia-web')).toBe(true);
  expect(supposedOn(trace, system, off, TEN).map((s) => [s.phone.id, s.is])).toEqual([['pia-web', 'off']]);
  expect(supposedOn(trace, system, on, TEN)).toEqual([]);
});
