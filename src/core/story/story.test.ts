/** The log: what is told of calls, messages and texts, what is found, and what has been settled. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { demonstration } from '../../../demo/lantern-cove';
import { allOn, edited, MAIN, yard } from '../../../tests/fixtures/yard';
import { Behaviour, rehearse, sentence, type CallRequest } from '../calls';
import { momentOf } from '../hours';
import {
  ANY,
  behaviourBehind,
  detailOf,
  keptWith,
  lastOf,
  says,
  searchOf,
  settledBy,
  settledInWords,
  settling,
  storyOf,
  tester,
  titleOf,
  VIEWS,
  type CallKept,
  type Entry,
  type Kept,
  type Question,
  type Settling,
} from '.';

const ADA = '+12065550101';
const BO = '+12065550102';
const TEN = momentOf('America/Los_Angeles', '2026-11-24', 600);
const MINUTE = 60_000;
const system = edited(yard(), [
  {
    do: 'contact.add',
    value: { id: 'ada', name: 'Ada Ferris', numbers: [ADA], ownerId: null, listIds: [], blocked: false },
  },
]);
const standing = allOn(system);
const request = (id: string, minutes: number, change: Partial<CallRequest> = {}): CallRequest => ({
  id,
  at: TEN + minutes * MINUTE,
  from: { kind: 'outside', number: ADA },
  to: { kind: 'number', e164: MAIN },
  behaviour: Behaviour.parse({}),
  ...change,
});
const kept = (r: CallRequest, more: Partial<CallKept> = {}): CallKept => {
  const trace = rehearse(system, standing, r);
  return { id: r.id, at: r.at, request: r, trace, words: sentence(trace, system, 'past'), ...more };
};
const answers = (after: number) => Behaviour.parse({ people: { rosa: { does: 'answers', after } } });
const out = (id: string, minutes: number, lifts = true): CallKept => {
  const r = request(id, minutes, {
    from: { kind: 'phone', phoneId: 'rosa-desk' },
    to: { kind: 'digits', digits: ADA },
  });
  const trace = rehearse(system, standing, {
    ...r,
    behaviour: Behaviour.parse({
      phones: { [`outside:${ADA}`]: lifts ? { does: 'answers', after: 4 } : { does: 'nothing' } },
      caller: { hangsUpAfter: 50, talks: 90, message: 0 },
    }),
  });
  return { id, at: r.at, request: r, trace, words: 'Rosa called.' };
};
const nothing: Kept = { calls: [], messages: [], texts: [] };
const story = (all: Partial<Kept>) => [...storyOf({ ...nothing, ...all }, system)];
const day = (iso: string): [number, number] => [
  momentOf('America/Los_Angeles', iso, 0),
  momentOf('America/Los_Angeles', iso, 1440),
];
const fits = (question: Question, by: Settling) => {
  const passes = tester(question, by, day, system);
  return (entry: Entry) => passes(entry) && says(question, searchOf(entry, system));
};
const found = (all: Partial<Kept>, question: Partial<Question>): string[] => {
  const whole = { ...nothing, ...all };
  return story(all)
    .filter(fits({ ...ANY, ...question }, settling(whole)))
    .map((e) => e.id);
};

describe('a line of the log', () => {
  it('says who called, who was rung and talked, and how long', () => {
    const [entry] = story({ calls: [kept(request('a', 0, { behaviour: answers(3) }))] });
    expect(titleOf(entry!, system)).toBe('Ada Ferris called Main line');
    expect(detailOf(entry!, system)).toMatch(/^rang Rosa Delgado.* 3 s, talked 1 min with Rosa Delgado$/);
  });
  it('somebody who was tried and did not lift has not been called back', () => {
    const all = { calls: [kept(request('a', 0)), out('b', 12, false)], messages: [], texts: [] };
    const [, first] = story(all);
    expect(settledBy(first!, settling(all))).toBeUndefined();
  });
  it('says of a call in vain what was left, and whether somebody has called back since', () => {
    const missed = kept(request('a', 0));
    const message = {
      id: 'a',
      mailboxId: 'front',
      at: missed.at,
      from: '',
      fromNumber: ADA,
      said: 'The mast is down',
    };
    const all = { calls: [missed, out('b', 12)], messages: [message], texts: [] };
    const [back, first] = story(all);
    expect(titleOf(back!, system)).toBe('Rosa Delgado called Ada Ferris');
    expect(detailOf(back!, system)).toBe('talked 1 min 30 s');
    expect(detailOf(first!, system)).toContain('left a message in Front desk');
    expect(settledInWords(settledBy(first!, settling(all)), first!.at, system)).toBe(
      'called back by Rosa Delgado 12 min later',
    );
    expect(
      settledInWords(
        settledBy(story({ calls: [missed] })[0]!, settling({ ...nothing, calls: [missed] })),
        0,
        system,
      ),
    ).toBe('not called back yet');
  });
  it('tells texts with who wrote, and a number that is nobody’s as it is written', () => {
    const texts = [
      { id: 't1', way: 'in' as const, from: ADA, to: MAIN, text: 'On my way', at: TEN },
      { id: 't2', way: 'out' as const, from: MAIN, to: BO, text: 'Ready at noon', at: TEN + 1 },
    ];
    expect(story({ texts }).map((e) => titleOf(e, system))).toEqual([
      'Text to (206) 555-0102 from Main line',
      'Ada Ferris texted Main line',
    ]);
  });
});

describe('what is found', () => {
  const talked = kept(request('talked', 0, { behaviour: answers(3) }), { note: 'Wants a new keel' });
  const missed = kept(request('missed', 5, { from: { kind: 'outside', number: BO } }));
  const hidden = kept(request('hidden', 9, { from: { kind: 'outside', number: null } }));
  const spam = kept(request('spam', 11, { from: { kind: 'outside', number: BO, suspected: true } }));
  const later = kept(request('later', 24 * 60, { from: { kind: 'outside', number: BO } }));
  const calls = [talked, missed, hidden, spam, later];
  it.each([
    ['missed', ['later', 'hidden', 'missed']],
    // A hidden number cannot be called.
    ['not called back', ['later', 'missed']],
    ['with a note', ['talked']],
    ['unwanted', ['spam']],
    ['out', []],
  ] as const)('%s', (view, ids) => expect(found({ calls }, { view })).toEqual(ids));
  it('goes by words in any order, in names, lines and notes, and by digits however they are typed', () => {
    expect(found({ calls }, { text: 'keel ferris' })).toEqual(['talked']);
    expect(found({ calls }, { text: '(206) 555-0102' })).toEqual(['later', 'spam', 'missed']);
    expect(found({ calls }, { text: '0101' })).toEqual(['talked']);
    expect(found({ calls }, { text: 'main rosa' })).toHaveLength(5);
    expect(found({ calls }, { text: 'keel nobody' })).toEqual([]);
  });
  it('goes by days of the business, lines, people and contacts', () => {
    expect(found({ calls }, { from: '2026-11-25' })).toEqual(['later']);
    expect(found({ calls }, { to: '2026-11-24', contactId: 'ada' })).toEqual(['talked']);
    expect(found({ calls }, { personId: 'pia' })).toEqual([]);
    expect(found({ calls }, { numberId: 'night' })).toEqual([]);
  });
  it('is what a plain look at every entry finds, whatever is asked', () => {
    const whole: Kept = { ...nothing, calls: [...calls, out('back', 30)] };
    const by = settling(whole);
    const entries = story(whole);
    const plain = (e: Entry, q: Question): boolean => {
      const inView: Record<Question['view'], boolean> = {
        all: true,
        missed: e.facts.missed && !e.facts.unwanted,
        'not called back':
          e.facts.missed &&
          !e.facts.unwanted &&
          e.facts.other !== null &&
          !whole.calls.some((c) => c.at > e.at && c.id === 'back' && e.facts.other === ADA),
        in: e.call?.request.from.kind === 'outside',
        out: e.id === 'back',
        inside: false,
        recorded: false,
        'with a message': false,
        'with a note': e.call?.note !== undefined,
        unwanted: e.id === 'spam',
        texts: false,
        faxes: false,
      };
      return inView[q.view] && q.text.split(' ').every((w) => searchOf(e, system).includes(w.toLowerCase()));
    };
    fc.assert(
      fc.property(
        fc.constantFrom(...VIEWS),
        fc.array(fc.constantFrom('ada', 'main', 'KEEL', 'rosa', '0102', 'zzz'), { maxLength: 2 }),
        (view, words) => {
          const q = { ...ANY, view, text: words.join(' ') };
          expect(entries.filter(fits(q, by))).toEqual(entries.filter((e) => plain(e, q)));
        },
      ),
    );
  });
});

describe('a real call asked again', () => {
  const ways = [
    ['somebody answers', answers(5)],
    ['nobody answers, and a message is left', Behaviour.parse({ caller: { message: 20 } })],
    ['the caller gives up', Behaviour.parse({ caller: { hangsUpAfter: 9 } })],
    ['somebody declines', Behaviour.parse({ people: { rosa: { does: 'declines', after: 2 } } })],
  ] as const;
  it.each(ways)('%s: with the same plan it goes the same way', (_, behaviour) => {
    const r = request('again', 0, { behaviour });
    const trace = rehearse(system, standing, r);
    expect(rehearse(system, standing, { ...r, behaviour: behaviourBehind(trace) })).toEqual(trace);
  });
  it('keys pressed in the demonstration’s menu lead there again', () => {
    const demo = edited(demonstration(TEN).draft.system, [
      { do: 'number.set', id: 'n-main', change: { planId: 'service' } },
    ]);
    const on = allOn(demo);
    const asked: string[] = [];
    for (const { e164 } of Object.values(demo.numbers))
      for (const press of ['1', '2', '9']) {
        const r = request('keys', 0, {
          to: { kind: 'number', e164 },
          behaviour: Behaviour.parse({ caller: { keys: [{ after: 2, press }] } }),
        });
        const trace = rehearse(demo, on, r);
        if (trace.some((e) => e.kind === 'key')) asked.push(press);
        expect(rehearse(demo, on, { ...r, behaviour: behaviourBehind(trace) })).toEqual(trace);
      }
    expect(asked).toEqual(['1', '2', '9']);
  });
});

it('the last with somebody are those that stand first in all of it', () => {
  const calls = Array.from({ length: 9 }, (_, i) => kept(request(`c${i}`, i * 10)));
  const messages = [2, 5].map((i) => ({
    id: `c${i}`,
    mailboxId: 'office',
    at: TEN + i * 10 * MINUTE,
    from: 'Ada',
    fromNumber: ADA,
    said: 'Call me.',
  }));
  const texts = [15, 75, 95].map((minutes) => ({
    id: `t${minutes}`,
    way: 'in' as const,
    from: ADA,
    to: MAIN,
    text: 'x',
    at: TEN + minutes * MINUTE,
  }));
  const all: Kept = {
    calls,
    messages,
    texts: [...texts, { ...texts[0]!, id: 'later', sendAt: 1e15, at: 1e15 }],
  };
  const theirs = keptWith(all, [ADA]);
  for (const most of [1, 3, 6, 50])
    expect(lastOf(theirs, most, system)).toEqual(storyOf(theirs, system).slice(0, most));
});
