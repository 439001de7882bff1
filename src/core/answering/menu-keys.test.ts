/** Keys of menus: hearing it again, going back, what the words name, and circles. */
import { describe, expect, it } from 'vitest';
import { allOn, edited, yard } from '../../../tests/fixtures/yard';
import { CallEngine, outcomeOf, rehearse, sentence, type CallRequest } from '../calls';
import { findingsOf } from '../findings';
import { applyEdit, newStep, type MenuStep, type Step, type System } from '../system';
import { keysNamed } from '.';

const AT = Date.UTC(2026, 10, 24, 18, 15);
const inner: MenuStep = newStep('menu', {
  id: 'inner',
  recordingId: 'inner-words',
  backKey: '*',
  againKey: '0',
  branches: [{ key: '1', steps: [newStep('voicemail', { id: 'vm', mailboxId: 'rosa-box' })] }],
});
const outer: MenuStep = newStep('menu', {
  id: 'outer',
  recordingId: 'outer-words',
  againKey: '9',
  branches: [{ key: '2', steps: [inner] }],
  otherwise: [newStep('end', { id: 'end', how: 'plain' })],
});
const withSteps = (steps: Step[], from = yard()): System => {
  const mailboxId = Object.keys(from.mailboxes)[0]!;
  const text = JSON.stringify(steps).replaceAll('rosa-box', mailboxId);
  return edited(from, [
    {
      do: 'recording.add',
      value: { id: 'outer-words', name: 'Outer', text: 'For boats press 2. To hear this again press 9.' },
    },
    { do: 'recording.add', value: { id: 'inner-words', name: 'Inner', text: 'To leave a message press 1.' } },
    { do: 'plan.set', id: 'main-plan', change: { steps: JSON.parse(text) as Step[] } },
  ]);
};
const system = withSteps([outer]);
const pressing = (keys: string[]): CallRequest => ({
  id: 'c',
  at: AT,
  from: { kind: 'outside', number: '+12065550199' },
  to: { kind: 'number', e164: system.numbers.main!.e164 },
  behaviour: {
    people: {},
    phones: {},
    otherwise: { does: 'nothing' },
    caller: { hangsUpAfter: 120, talks: 60, message: 12, keys: keys.map((press) => ({ after: 2, press })) },
  },
});
const menus = (keys: string[]) =>
  rehearse(system, allOn(system), pressing(keys)).flatMap((e) =>
    e.kind === 'menu' ? [`${e.stepId} ${e.time}`] : [],
  );
const ends = (keys: string[]) => outcomeOf(rehearse(system, allOn(system), pressing(keys)))?.outcome.kind;

describe('keys of a menu', () => {
  it('say it again, as often as somebody wants, from the first time on', () => {
    expect(menus(['9', '9', '9', '2'])).toEqual([
      'outer 1',
      'outer 1',
      'outer 1',
      'outer 1',
      'inner 1',
      'inner 2',
    ]);
  });
  it('lead back to the menu before, and from there on again', () => {
    expect(menus(['2', '*', '2', '1'])).toEqual(['outer 1', 'inner 1', 'outer 1', 'inner 1']);
    expect(ends(['2', '*', '2', '1'])).toBe('message');
  });
  it('of going back where there is nothing before say it again', () => {
    const alone = withSteps([inner]);
    const trace = rehearse(alone, allOn(alone), {
      ...pressing(['*', '1']),
      to: { kind: 'number', e164: alone.numbers.main!.e164 },
    });
    expect(trace.filter((e) => e.kind === 'menu')).toHaveLength(2);
    expect(sentence(trace, alone)).toContain('message');
  });
  it('are remembered by a call that is stored and goes on', () => {
    const engine = new CallEngine(system, allOn(system));
    engine.act(AT, { kind: 'place', request: { ...pressing([]), behaviour: null } });
    engine.advance(AT + 1000);
    engine.act(AT + 1000, { kind: 'press', callId: 'c', key: '2' });
    engine.advance(AT + 2000);
    const again = CallEngine.restore(
      JSON.parse(JSON.stringify(engine.snapshot())) as ReturnType<typeof engine.snapshot>,
      allOn(system),
    );
    again.advance(AT + 3000);
    again.act(AT + 3000, { kind: 'press', callId: 'c', key: '*' });
    again.advance(AT + 3001);
    expect(again.calls.get('c')!.stepId).toBe('outer');
  });
  it('do one thing only', () => {
    const clash = (change: Partial<MenuStep>) => {
      const step = { ...system.plans['main-plan']!.steps[0]!, ...change } as Step;
      const done = applyEdit(system, {
        words: 'x',
        commands: [{ do: 'step.set', planId: 'main-plan', step }],
      });
      return done.ok ? '' : done.problems[0]!.message;
    };
    expect(clash({ backKey: '2' })).toBe('Key 2 has a branch already.');
    expect(clash({ backKey: '9' })).toBe('Key 9 does something else already.');
    expect(clash({ backKey: '*' })).toBe('');
  });
});

describe('the words of a menu', () => {
  const found = (text: string, change: Partial<MenuStep> = {}) => {
    const is = edited(withSteps([{ ...outer, ...change }]), [
      { do: 'recording.set', id: 'outer-words', change: { text } },
    ]);
    return findingsOf({ system: is, standing: allOn(is), today: '2026-11-24', freshId: (k) => k })
      .filter((f) => f.place.kind === 'plan' && f.place.stepId === 'outer' && /words|unsaid/.test(f.id))
      .map((f) => `${f.severity}: ${f.title}`);
  };
  it('name keys that lead somewhere, or that is found', () => {
    expect(found('For boats press 2. To hear this again press 9.')).toEqual([]);
    expect(found('For boats press 2, for sails press three. Again, press nine.')).toEqual([
      'warning: “Outer” names key 3, and nothing happens there',
    ]);
    expect(found('For boats press 2.')).toEqual(['hint: “Outer” never names key 9']);
  });
  it('of which no key is known say nothing of keys', () => expect(found('Welcome to the yard.')).toEqual([]));
  it('may name an extension where that can be dialled', () =>
    expect(found('Press 2, or press 9, or dial 201', { dialExtension: true })).toEqual([]));
  it.each([
    ['press one or two, press the pound key', ['1', '2', '#']],
    ['Für das Büro drücken Sie die 1, drücken Sie Raute', ['1', '#']],
    ['Pour le bureau, appuyez sur la touche deux', ['2']],
    ['press 1, 2 or 3', ['1', '2', '3']],
    ['dial 201 or press * now', ['*']],
    ['press onerous', []],
  ])('%s', (text, keys) => expect(keysNamed(text)).toEqual(keys));
});

describe('a plan that goes to itself', () => {
  const back: Step = newStep('goto', { id: 'back', planId: 'main-plan' });
  const loop = (steps: Step[]) =>
    findingsOf({ system: withSteps(steps), standing: allOn(yard()), today: '2026-11-24', freshId: (k) => k })
      .filter((f) => f.id.startsWith('loop:'))
      .map((f) => f.severity);
  const hours = (otherwise: Step[]): Step => newStep('hours', { id: 'h', otherwise });
  const rings = newStep('ring', { id: 'r', targets: [{ kind: 'person', id: 'rosa' }] });

  it('may, where the caller presses a key each time', () => {
    expect(loop([{ ...outer, branches: [{ key: '2', steps: [hours([back])] }] }])).toEqual([]);
    const is = withSteps([{ ...outer, branches: [{ key: '2', steps: [back] }] }]);
    const keys = Array<string>(25).fill('2');
    const trace = rehearse(is, allOn(is), {
      ...pressing(keys),
      to: { kind: 'number', e164: is.numbers.main!.e164 },
    });
    expect(trace.filter((e) => e.kind === 'key')).toHaveLength(25);
    expect(outcomeOf(trace)?.outcome).not.toEqual({ kind: 'too many redirects' });
  });
  it('is warned of where only time passes, and stops where nothing does', () => {
    expect(loop([rings, back])).toEqual(['warning']);
    expect(loop([{ ...outer, otherwise: [back] }])).toEqual(['warning']);
    expect(loop([hours([back])])).toEqual(['stops']);
    expect(loop([back])).toEqual(['stops']);
  });
});
