/** A plan of two hundred steps, invented, to measure the sheet with: a menu of ten keys, hours below each, rings and notes. */
import { applyEdit, type Step } from '../src/core/system';
import type { Whole } from '../src/workspace/businesses';

const ring = (id: string, person: number): Step => ({
  id,
  kind: 'ring',
  targets: [{ kind: 'person', id: `p${person}` }],
  pattern: 'together',
  seconds: 18,
  followReach: false,
});
const play = (id: string): Step => ({ id, kind: 'play', recordingId: 'welcome' });

/** Twenty steps below one key: hours with two branches. */
const below = (key: number): Step[] => [
  play(`k${key}-play`),
  {
    id: `k${key}-hours`,
    kind: 'hours',
    hoursId: 'office',
    branches: [
      { period: 'Open', steps: Array.from({ length: 8 }, (_, i) => ring(`k${key}-open-${i}`, key * 10 + i)) },
    ],
    otherwise: Array.from({ length: 8 }, (_, i) => ring(`k${key}-closed-${i}`, key * 10 + i)),
  },
  { id: `k${key}-voicemail`, kind: 'voicemail', mailboxId: 'front' },
];

export const LONG_PLAN = 'long';
export function withLongPlan(whole: Whole): Whole {
  const steps: Step[] = [
    play('long-welcome'),
    {
      id: 'long-menu',
      kind: 'menu',
      recordingId: 'welcome',
      seconds: 5,
      tries: 2,
      dialExtension: false,
      nameKey: null,
      branches: Array.from({ length: 10 }, (_, k) => ({ key: String(k), steps: below(k) })),
      otherwise: [],
    },
    ...Array.from({ length: 7 }, (_, i) => ring(`long-ring-${i}`, 200 + i)),
    { id: 'long-voicemail', kind: 'voicemail', mailboxId: 'front' },
  ];
  const made = applyEdit(whole.draft.system, {
    words: 'A long plan',
    commands: [
      { do: 'plan.add', value: { id: LONG_PLAN, name: 'Long', steps } },
      { do: 'number.set', id: 'n0', change: { planId: LONG_PLAN } },
    ],
  });
  if (!made.ok) throw new Error(made.problems[0]!.message);
  return { ...whole, draft: { ...whole.draft, system: made.system } };
}
