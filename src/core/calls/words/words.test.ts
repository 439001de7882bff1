import { describe, expect, it } from 'vitest';
import { allOn, edited, MAIN, NIGHT, ROSA_DIRECT, yard } from '../../../../tests/fixtures/yard';
import { momentOf } from '../../hours';
import type { Command, Standing, System } from '../../system';
import {
  Behaviour,
  ending,
  outcomeInWords,
  phoneName,
  rehearse,
  ringChart,
  sentence,
  traceLines,
  whoseName,
  type CallRequest,
} from '..';

const TEN = momentOf('America/Los_Angeles', '2026-11-24', 600);

interface Situation {
  to?: string;
  dials?: string;
  commands?: Command[];
  behaviour?: unknown;
  standing?: (s: Standing) => void;
}
function call({ to = ROSA_DIRECT, dials, commands = [], behaviour = {}, standing = () => {} }: Situation) {
  const system: System = edited(yard(), commands);
  const now = allOn(system);
  standing(now);
  const request: CallRequest = {
    id: 'call',
    at: TEN,
    from: dials ? { kind: 'phone', phoneId: 'idris-desk' } : { kind: 'outside', number: null },
    to: dials ? { kind: 'digits', digits: dials } : { kind: 'number', e164: to },
    behaviour: Behaviour.parse(behaviour),
  };
  const trace = rehearse(system, now, request);
  return {
    system,
    trace,
    outcome: outcomeInWords(trace, system),
    sentence: sentence(trace, system),
    chart: ringChart(trace, system),
  };
}
const rosa = (does: string, after?: number) => ({
  people: { rosa: after === undefined ? { does } : { does, after } },
});

describe('the outcome in words, with the second it came at', () => {
  it.each<[string, Situation, string]>([
    ['answered', { behaviour: rosa('answers', 9) }, 'answered by Rosa Delgado at 9 s'],
    ['a message', {}, '21 s until the tone, then a message in Rosa Delgado'],
    [
      'silence at the tone',
      { behaviour: { caller: { message: 0 } } },
      'no message left in Rosa Delgado after 21.5 s',
    ],
    [
      'hanging up while it rings',
      { behaviour: { caller: { hangsUpAfter: 7 } } },
      'the caller hung up during the ringing after 7 s',
    ],
    [
      'hanging up in the greeting',
      { behaviour: { caller: { hangsUpAfter: 19 } } },
      'the caller hung up during the greeting after 19 s',
    ],
    [
      'hanging up after a word',
      { behaviour: { caller: { hangsUpAfter: 22 } } },
      'the caller hung up before saying anything after 22 s',
    ],
    [
      'no plan',
      { commands: [{ do: 'number.set', id: 'rosa-number', change: { planId: null } }] },
      'not in service: the number has no plan after 0 s',
    ],
    ['an unknown number', { to: '+13605550199' }, 'not in service after 0 s'],
    [
      'a plan that runs out',
      { commands: [{ do: 'step.remove', planId: 'rosa-plan', stepId: 'vm-rosa' }] },
      'cut off: the plan ends without an answer after 18 s',
    ],
    [
      'a swallowed call',
      { to: NIGHT, commands: [{ do: 'phone.set', id: 'tomas-cell', change: { confirmByKey: false } }] },
      'taken by the own voicemail of Tomas Brandt after 25 s',
    ],
    ['an emergency call', { dials: '911' }, 'put through to 911 after 0 s'],
    ['an outside call', { dials: '9 1 206 555 0199' }, '(206) 555-0199: not answered after 60 s'],
    [
      'an outside call with a hidden number',
      { dials: '*67 9 1 206 555 0199' },
      '(206) 555-0199: not answered after 60 s',
    ],
    ['nonsense dialled', { dials: '4711' }, 'not in service after 0 s'],
    [
      'a colleague without a mailbox',
      { dials: '203' },
      'nobody answered, and there is no mailbox after 18 s',
    ],
  ])('%s', (_, situation, words) => {
    expect(call(situation).outcome).toBe(words);
  });
});

describe('the sentence', () => {
  it('says who was not rung and why when nobody could be', () => {
    const { sentence: words } = call({ standing: (s) => (s.dnd.rosa = { value: true, at: 0, by: 'Rosa' }) });
    expect(words).toBe(
      'Nobody could be rung (Rosa Delgado: do not disturb); message left in Rosa Delgado after 15.5 s.',
    );
  });
  it('tells of forwarding', () => {
    const reach = {
      always: { to: 'person' as const, personId: 'idris' },
      steps: [],
      onBusy: null,
      onNotAnswered: null,
      onUnreachable: null,
    };
    const { sentence: words } = call({
      dials: '201',
      commands: [{ do: 'person.set', id: 'rosa', change: { reach } }],
    });
    expect(words).toContain('Sent on by Rosa Delgado (always)');
  });
  it('names each person once, however many phones ring', () => {
    expect(call({}).sentence).toMatch(/^Rings Rosa Delgado 18 s, nobody answered;/);
  });
  it('names whoever rang when the caller gives up', () => {
    expect(call({ behaviour: { caller: { hangsUpAfter: 7 } } }).sentence).toBe(
      'Rings Rosa Delgado 7 s; the caller hung up during the ringing after 7 s.',
    );
  });
  it('does not fail on what has been removed since', () => {
    const { trace } = call({ to: MAIN });
    const empty = {
      ...yard(),
      people: {},
      phones: {},
      recordings: {},
      mailboxes: {},
      plans: {},
      numbers: {},
      hours: {},
    };
    expect(sentence(trace, empty)).toContain('a removed recording');
    expect(traceLines(trace, empty).join('\n')).toContain('a removed phone');
    expect(ringChart(trace, empty).lanes.length).toBeGreaterThan(1);
    expect(ending({ kind: 'message', mailboxId: 'gone', seconds: 3 }, empty)).toBe(
      'message left in a removed mailbox',
    );
  });
});

describe('the ring chart of', () => {
  const bars = (chart: ReturnType<typeof call>['chart'], lane: string) =>
    chart.lanes
      .find((l) => l.id === lane)
      ?.bars.map((b) => `${b.kind} ${b.from / 1000}–${b.to / 1000} ${b.label}`);

  it('a declined call', () => {
    const { chart } = call({ behaviour: rosa('declines', 4) });
    expect(bars(chart, 'rosa-desk')).toEqual(['sounding 0–4 declined']);
    expect(bars(chart, 'rosa-app')).toEqual(['offered 0–2 ', 'sounding 2–4 declined elsewhere']);
    expect(bars(chart, 'caller')![0]).toBe('ringing 0–4 hears ringing');
  });
  it('a linked phone that asks for a key', () => {
    const { chart } = call({ to: NIGHT, behaviour: { people: { tomas: { does: 'answers', after: 5 } } } });
    expect(bars(chart, 'tomas-cell')).toEqual([
      'offered 0–6 ',
      'sounding 6–11 rings',
      'confirming 11–14 press 1',
      'talking 14–29 talks',
    ]);
  });
  it('a plan with recordings and two branches of ringing', () => {
    const { chart } = call({ to: MAIN });
    expect(bars(chart, 'caller')).toEqual([
      'prompt 0–4 Welcome',
      'ringing 4–22 hears ringing',
      'greeting 22–25 greeting Front desk',
      'tone 25–25.5 tone',
      'message 25.5–37.5 leaves a message',
    ]);
  });
  it('phones that are not rung comes after those that are', () => {
    const { chart } = call({ to: MAIN, standing: (s) => delete s.registrations['rosa-desk'] });
    expect(chart.lanes.map((l) => [l.id, l.notRung])).toEqual([
      ['caller', null],
      ['rosa-app', null],
      ['idris-desk', null],
      ['rosa-desk', 'not paired'],
    ]);
  });
  it('a call that is still going on ends at the present moment', () => {
    const { system, trace } = call({});
    const ringing = trace.filter((e) => e.t < 5000);
    expect(ringChart(ringing, system, { now: 8000 })).toMatchObject({
      length: 8000,
      lanes: [{ bars: [{ kind: 'ringing', from: 0, to: 8000 }] }, {}, {}],
    });
  });
  it('a call that ends at once has a length to draw', () => {
    expect(call({ dials: '911' }).chart).toMatchObject({ length: 1000, lanes: [{ bars: [] }] });
  });
});

it('names phones by their people', () => {
  const system = yard();
  expect(whoseName(system, 'rosa-desk')).toBe('Rosa Delgado');
  expect(phoneName(system, 'rosa-desk')).toBe('Rosa Delgado · Desk phone');
  expect(whoseName(system, 'outside:+12065550199')).toBe('(206) 555-0199');
  const shared = edited(system, [
    { do: 'phone.set', id: 'rosa-desk', change: { personId: null, name: 'Slipway phone' } },
  ]);
  expect(phoneName(shared, 'rosa-desk')).toBe('Slipway phone');
});
