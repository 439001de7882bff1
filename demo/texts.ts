/** The demonstration's texts: one that waits, one that somebody has answered, one who wants none, one that goes tomorrow. */
import { conversationKey } from '../src/core/story';
import type { Command, Wording } from '../src/core/system';
import type { TextingRequest } from '../src/standins/carrier/approval';
import type { TextRecord, ThreadRecord } from '../src/workspace';

const MAIN = '+13605550142';
const CHARTERS = '+13605550151';
const HOUR = 3_600_000;

const wording = (id: string, name: string, text: string): Command => ({
  do: 'wording.add',
  value: { id, name, text } satisfies Wording,
});
export const WORDINGS: readonly Command[] = [
  wording(
    'ready',
    'Ready',
    '{first name}, your boat is ready. The shed is open until five. {me}, {business}',
  ),
  wording('call-you', 'We call you', 'Thank you. We call you back today. {me}, {business}'),
  wording(
    'way',
    'The way here',
    'Lantern Cove Road 12, past the chandlery, then left at the slipway. {business}',
  ),
];

/** Whom the yard calls most. */
export const SHORTCUTS: readonly Command[] = [
  {
    do: 'shortcut.add',
    value: {
      id: 'club',
      code: '41',
      group: 'Boats',
      target: { kind: 'contact', contactId: 'harrow', number: null },
    },
  },
  {
    do: 'shortcut.add',
    value: {
      id: 'fuel',
      code: '42',
      group: 'Boats',
      target: { kind: 'number', number: '+13605550139', name: 'Fuel dock' },
    },
  },
  {
    do: 'shortcut.add',
    value: { id: 'tomas', code: null, group: 'Workshop', target: { kind: 'person', personId: 'tomas' } },
  },
];

/** They may text since ten days ago. */
export const approval = (now: number): TextingRequest[] => [
  {
    at: now - 24 * 24 * HOUR,
    facts: {
      legalName: 'Lantern Cove Boatworks',
      taxId: '00-0000000',
      website: 'https://lanterncove.example',
      contact: 'rosa@lanterncove.example',
      purpose: 'Tell customers about their boats, when they ask for it.',
      sample: 'Your boat is ready. Reply STOP to end.',
      consent: 'They tick a box on the order.',
    },
  },
];

export function demoTexts(now: number, businessId: string): { texts: TextRecord[]; threads: ThreadRecord[] } {
  let n = 0;
  const text = (
    way: 'in' | 'out',
    [ours, theirs]: readonly [string, string],
    hoursAgo: number,
    words: string,
    more: Partial<TextRecord> = {},
  ): TextRecord => ({
    id: `demo-text-${++n}${businessId === 'lantern-cove' ? '' : `-${businessId}`}`,
    businessId,
    way,
    from: way === 'in' ? theirs : ours,
    to: way === 'in' ? ours : theirs,
    text: words,
    at: Math.round(now - hoursAgo * HOUR),
    ...(way === 'out' ? { fate: { after: 2500 } } : {}),
    ...more,
  });
  const harrow = [MAIN, '+13605550134'] as const;
  const asks = [MAIN, '+12065550176'] as const;
  const stopped = [CHARTERS, '+16045550126'] as const;
  const sails = [MAIN, '+12065550172'] as const;
  const landline = [CHARTERS, '+12065550168'] as const;
  return {
    texts: [
      text('in', harrow, 50, 'Could you look at the keel bolts while she is out of the water?'),
      text('out', harrow, 49.6, 'Yes. I will text you when we have seen them.', { by: 'Tomas Brandt' }),
      text('out', harrow, 26, 'Keel bolts are fine. She goes back in on Friday.', { by: 'Tomas Brandt' }),
      text('in', stopped, 73, 'Stop'),
      text(
        'out',
        stopped,
        73,
        'Lantern Cove Boatworks: you get no more texts from us. Reply START to get them again.',
        { byItself: true },
      ),
      text('out', landline, 28, 'Your booking for June is noted.', {
        by: 'Mei Tanaka',
        fate: { after: 2500, failed: 'landline' },
      }),
      text('in', asks, 0.6, 'Is there still room inside for a sloop of 30 feet these months?'),
      text('out', sails, 2, 'Your sails are ready. The loft is open from nine.', {
        by: 'Rosa Delgado',
        sendAt: now + 22 * HOUR,
        fate: undefined,
      }),
    ].map((t) => JSON.parse(JSON.stringify(t)) as TextRecord),
    threads: [
      {
        id: conversationKey(...harrow),
        businessId,
        at: now - 49 * HOUR,
        assignedTo: 'tomas',
        closedAt: now - 25 * HOUR,
      },
    ],
  };
}
