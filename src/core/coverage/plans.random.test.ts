/** Coverage, traces and differences of plans of any shape, with every kind of step. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { allOn, edited, yard } from '../../../tests/fixtures/yard';
import { noticed, rehearse, simulate, type CallRequest } from '../calls';
import { momentOf } from '../hours';
import { newGroup, newQueue, newRota, type Command, type Step, type System } from '../system';
import { callersOf, differenceOf, everyWay, piecesOf, unansweredCall, waysOf, type Caller } from '.';

const LA = 'America/Los_Angeles';
const PEOPLE = ['rosa', 'idris', 'pia', 'tomas'];
let made = 0;
const id = () => `s${++made}`;

const target = fc.oneof(
  fc.constantFrom(...PEOPLE).map((p) => ({ kind: 'person' as const, id: p })),
  fc.constant({ kind: 'rota' as const, id: 'watch' }),
  fc.constant({ kind: 'group' as const, id: 'crew' }),
  fc.constant({ kind: 'outside' as const, id: '+12065550155' }),
);
const pattern = fc.constantFrom(
  'together' as const,
  'in order' as const,
  'in turn' as const,
  'longest idle' as const,
  'fewest calls' as const,
  'by weight' as const,
);
const leaf: fc.Arbitrary<Step> = fc.oneof(
  fc
    .record({
      targets: fc.array(target, { maxLength: 3 }),
      pattern,
      seconds: fc.integer({ min: 2, max: 25 }),
      confirm: fc.boolean(),
    })
    .map((r): Step => ({ id: id(), kind: 'ring', followReach: false, ...r })),
  fc.constantFrom('welcome', 'closed').map((recordingId): Step => ({ id: id(), kind: 'play', recordingId })),
  fc.constant(null).map((): Step => ({ id: id(), kind: 'queue', queueId: 'desk', branches: [] })),
  fc.constant(null).map((): Step => ({ id: id(), kind: 'voicemail', mailboxId: 'front' })),
  fc.constant(null).map((): Step => ({ id: id(), kind: 'end', how: 'busy' })),
  fc.constant(null).map((): Step => ({
    id: id(),
    kind: 'forward',
    number: '+12065550156',
    shows: 'caller',
    confirm: true,
    seconds: 15,
  })),
  fc.constantFrom('rosa-plan', 'main-plan').map((planId): Step => ({ id: id(), kind: 'goto', planId })),
  fc.constant(null).map((): Step => ({
    id: id(),
    kind: 'ask',
    questions: [{ id: id(), label: 'Name', says: 'What is your name?', by: 'voice' }],
    answers: [],
  })),
  fc.constant(null).map((): Step => ({ id: id(), kind: 'notify', how: 'note', to: '', text: 'x' })),
);
const steps: fc.Memo<Step[]> = fc.memo((n) => {
  if (n <= 1) return fc.array(leaf, { maxLength: 2 });
  const list = steps(n - 1);
  const tree: fc.Arbitrary<Step> = fc.oneof(
    fc.tuple(list, list).map(([a, otherwise]): Step => ({
      id: id(),
      kind: 'hours',
      hoursId: 'office',
      branches: [{ period: 'Open', steps: a }],
      otherwise,
    })),
    fc.tuple(list, list).map(([a, otherwise]): Step => ({
      id: id(),
      kind: 'caller',
      branches: [{ test: { is: 'hidden' }, steps: a }],
      otherwise,
    })),
    fc.tuple(list, list, list).map(([a, b, otherwise]): Step => ({
      id: id(),
      kind: 'menu',
      recordingId: 'welcome',
      seconds: 4,
      tries: 2,
      dialExtension: true,
      nameKey: '9',
      branches: [
        { key: '1', steps: a },
        { key: 'none', steps: b },
      ],
      otherwise,
    })),
    fc.tuple(list, list).map(([a, b]): Step => ({
      id: id(),
      kind: 'share',
      how: 'by shares',
      branches: [
        { share: 30, steps: a },
        { share: 70, steps: b },
      ],
    })),
  );
  return fc.array(fc.oneof(leaf, tree), { maxLength: 3 });
});

const base: Command[] = [
  {
    do: 'rota.add',
    value: newRota({
      id: 'watch',
      name: 'Watch',
      from: '2027-03-08',
      handover: 1020,
      days: 2,
      turns: ['tomas', 'pia', null],
    }),
  },
  {
    do: 'group.add',
    value: newGroup({
      id: 'crew',
      name: 'Crew',
      members: [
        { kind: 'person', id: 'idris' },
        { kind: 'rota', id: 'watch' },
      ],
    }),
  },
  {
    do: 'queue.add',
    value: newQueue({ id: 'desk', name: 'Desk', memberIds: ['rosa', 'pia'], longestWait: 70, exitKey: '1' }),
  },
  {
    do: 'hours.set',
    id: 'office',
    change: {
      exceptions: [
        { id: 'x', name: 'Day off', when: { on: 'dates', dates: ['2027-03-15'] }, times: [], holiday: null },
      ],
    },
  },
  { do: 'person.set', id: 'pia', change: { hoursId: 'office' } },
  {
    do: 'person.set',
    id: 'idris',
    change: { away: [{ from: '2027-03-15', to: '2027-03-15', standInId: null }] },
  },
  {
    do: 'mailbox.set',
    id: 'front',
    change: {
      ownerIds: ['idris'],
      greetings: [
        { id: 'g', when: { on: 'dates', from: '2027-03-14', to: '2027-03-14' }, recordingId: 'closed' },
        { id: 'h', when: { on: 'away' }, recordingId: 'welcome' },
        { id: 'i', when: { on: 'occasion', occasion: 'busy' }, recordingId: 'rosa-greeting' },
      ],
    },
  },
];
const anySystem = steps(3).map((list): System =>
  edited(yard(), [...base, { do: 'plan.set', id: 'main-plan', change: { steps: list } }]),
);
const keys = fc.array(fc.constantFrom('1', '5', '201', '9', ''), { maxLength: 3 });

// The change of the clocks on 2027-03-14 is in it.
const from = momentOf(LA, '2027-03-13', 0);
const to = momentOf(LA, '2027-03-16', 0);

const callWith =
  (presses: string[]) =>
  (number: System['numbers'][string], at: number): CallRequest => {
    const call = unansweredCall(number, at);
    const caller = { ...call.behaviour!.caller, keys: presses.map((press) => ({ after: 2, press })) };
    return { ...call, behaviour: { ...call.behaviour!, caller } };
  };

describe('plans of any shape', () => {
  it('are covered without gap or overlap, and as a call at any moment goes', () => {
    fc.assert(
      fc.property(
        anySystem,
        keys,
        fc.array(fc.integer({ min: from, max: to - 1 }), { minLength: 12, maxLength: 12 }),
        (system, presses, moments) => {
          const standing = allOn(system);
          const number = system.numbers.main!;
          const callAt = callWith(presses);
          const pieces = piecesOf(system, standing, number, from, to, callAt);
          expect(pieces[0]!.from).toBe(from);
          expect(pieces.at(-1)!.to).toBe(to);
          for (let i = 1; i < pieces.length; i++) expect(pieces[i]!.from).toBe(pieces[i - 1]!.to);
          const around = pieces.slice(0, 12).flatMap((p) => [p.from, p.to - 1]);
          for (const at of [...moments, ...around]) {
            const own = pieces.find((p) => p.from <= at && at < p.to)!;
            expect(own.ways).toEqual(waysOf(system, standing, callAt(number, at)).traces);
          }
        },
      ),
      { numRuns: 120, seed: 12 },
    );
  });

  it('end every call, ring no phone in two places, and go alike with the same seed', () => {
    fc.assert(
      fc.property(anySystem, keys, fc.integer({ min: 0, max: 50 }), (system, presses, seed) => {
        const standing = allOn(system);
        const number = system.numbers.main!;
        const requests = [0, 4, 11, 30].map((s, i) => ({
          ...callWith(presses)(number, from + 36_000_000 + s * 1000),
          id: `c${i}`,
          seed,
        }));
        const traces = simulate(system, standing, requests);
        const busy: { phone: string; from: number; to: number }[] = [];
        for (const request of requests) {
          const trace = traces.get(request.id)!;
          expect(trace.at(-1)!.kind).toBe('ended');
          const offered = new Map<number, { phone: string; t: number }>();
          for (const e of trace) {
            if (e.kind === 'leg offered') offered.set(e.leg, { phone: e.phone, t: e.t });
            if (e.kind !== 'leg ended') continue;
            const { phone, t } = offered.get(e.leg)!;
            if (!phone.startsWith('outside'))
              busy.push({ phone, from: request.at + t, to: request.at + e.t });
          }
        }
        for (const [i, a] of busy.entries())
          for (const b of busy.slice(i + 1))
            if (a.phone === b.phone) expect(a.from < b.to && b.from < a.to).toBe(false);
        expect(simulate(system, standing, requests)).toEqual(traces);
      }),
      { numRuns: 150, seed: 8 },
    );
  });

  it('differ from themselves in nothing, and from another exactly where a call goes another way', () => {
    fc.assert(
      fc.property(
        fc.oneof(
          fc.tuple(anySystem, anySystem),
          anySystem.chain((s) => fc.tuple(fc.constant(s), little(s))),
        ),
        fc.array(fc.integer({ min: 0, max: 7 * 86_400_000 - 1 }), { minLength: 8, maxLength: 8 }),
        ([before, after], moments) => {
          const standing = allOn(before);
          expect(differenceOf(before, before, standing, from).found).toEqual([]);
          const told = differenceOf(before, after, standing, from).found.filter((d) => d.numberId === 'main');
          const callers = new Map(
            [before, after].flatMap((s) => callersOf(s, s.numbers.main!).callers).map((c) => [c.id, c]),
          );
          // All that anybody notices, whatever chance decides.
          const get = (s: System, caller: Caller, at: number) =>
            waysOf(s, standing, caller.callAt(s.numbers.main!, at))
              .traces.map((way) => JSON.stringify(noticed(way, s).map(({ t, what }) => [t, what])))
              .sort();
          const differs = [...callers.values()].some((c) =>
            moments.some((m) => !equal(get(before, c, from + m), get(after, c, from + m))),
          );
          // Where nothing is told every call goes alike; where calls go differently something is told.
          if (!told.length) expect(differs).toBe(false);
          for (const d of told) {
            expect(d.before).not.toBe(d.after);
            const caller = [...callers.values()].find((c) => c.words === d.caller)!;
            expect(equal(get(before, caller, d.at), get(after, caller, d.at))).toBe(false);
          }
        },
      ),
      { numRuns: 20, seed: 3 },
    );
  });
});

const equal = (a: readonly string[], b: readonly string[]): boolean =>
  JSON.stringify(a) === JSON.stringify(b);

/** A system that differs from another in one small thing, which callers may or may not notice. */
const little = (system: System): fc.Arbitrary<System> =>
  fc
    .constantFrom<Command>(
      {
        do: 'recording.set',
        id: 'closed',
        change: { text: 'The yard is shut now. Please leave a message for us.' },
      },
      { do: 'recording.set', id: 'welcome', change: { name: 'Hello' } },
      { do: 'hours.set', id: 'office', change: { name: 'Yard hours' } },
      { do: 'person.set', id: 'pia', change: { hoursId: null } },
      { do: 'plan.set', id: 'rosa-plan', change: { steps: [] } },
      { do: 'phone.set', id: 'pia-web', change: { alertDelay: 4 } },
      { do: 'queue.set', id: 'desk', change: { longestWait: 71 } },
    )
    .map((command) => edited(system, [command]));

describe('what chance decides', () => {
  const shared = edited(yard(), [
    {
      do: 'plan.set',
      id: 'main-plan',
      change: {
        steps: [
          {
            id: 'share',
            kind: 'share',
            how: 'by shares',
            branches: [
              { share: 25, steps: [{ id: 'v', kind: 'voicemail', mailboxId: 'front' }] },
              { share: 75, steps: [{ id: 'e', kind: 'end', how: 'busy' }] },
              { share: 0, steps: [{ id: 'n', kind: 'end', how: 'plain' }] },
            ],
          },
        ],
      },
    },
  ]);
  it('is followed every way, and a share of nothing in none', () => {
    const ways = everyWay(shared, allOn(shared), unansweredCall(shared.numbers.main!, from)).traces;
    expect(
      ways
        .map((w) => w.at(-1))
        .map((e) => e!.kind === 'ended' && e!.outcome.kind)
        .sort(),
    ).toEqual(['ended', 'message']);
  });
  it('comes in the shares asked for', () => {
    let first = 0;
    for (let seed = 0; seed < 4000; seed++)
      if (
        rehearse(shared, allOn(shared), { ...unansweredCall(shared.numbers.main!, from), seed }).some(
          (e) => e.kind === 'tone',
        )
      )
        first++;
    // Three standard deviations of a quarter of 4,000: 3 √(4000 · ¼ · ¾) = 82.
    expect(Math.abs(first - 1000)).toBeLessThan(82);
  });
});
