/** A name asked first takes the time that the plan's sheet gives it, before anybody rings. */
import { expect, it } from 'vitest';
import { allOn, edited, ROSA_DIRECT, yard } from '../../../../tests/fixtures/yard';
import { arrivalTimes, detailInWords } from '../../answering';
import { newStep, type Pattern } from '../../system';
import { nobodyAnswers, rehearse, type Trace } from '..';

const asking = (askName: boolean, pattern: Pattern) =>
  edited(yard(), [
    {
      do: 'plan.set',
      id: 'rosa-plan',
      change: {
        steps: [
          newStep('ring', {
            id: 'ring',
            targets: ['rosa', 'idris'].map((id) => ({ kind: 'person' as const, id })),
            pattern,
            seconds: 10,
            askName,
            branches: [{ way: 'all on calls', steps: [newStep('end', { id: 'busy', how: 'busy' })] }],
          }),
          newStep('voicemail', { id: 'vm', mailboxId: 'front' }),
        ],
      },
    },
  ]);
const secondOf = (trace: Trace, kind: Trace[number]['kind']) => trace.find((e) => e.kind === kind)!.t / 1000;

it.each<[boolean, Pattern, number, number]>([
  [true, 'together', 6, 16],
  [true, 'in order', 6, 26],
  [false, 'in order', 0, 20],
])('asked %s, %s: phones ring from second %i, voicemail comes at %i', (asked, pattern, rings, voicemail) => {
  const system = asking(asked, pattern);
  const trace = rehearse(system, allOn(system), {
    id: 'c',
    at: Date.UTC(2026, 10, 24, 18),
    from: { kind: 'outside', number: null },
    to: { kind: 'number', e164: ROSA_DIRECT },
    behaviour: nobodyAnswers(),
  });
  expect([secondOf(trace, 'leg offered'), secondOf(trace, 'greeting started')]).toEqual([rings, voicemail]);
  const plan = system.plans['rosa-plan']!;
  const times = arrivalTimes(plan, system);
  expect([times.get('busy'), times.get('vm')]).toEqual([rings, voicemail]);
  expect(detailInWords(plan.steps[0]!, system).includes('asks the name first, 6 s')).toBe(asked);
});
