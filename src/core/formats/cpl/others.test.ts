/** Scripts that others wrote, and ours read back: nothing is dropped without a word, and what is written keeps the rules. */
import { describe, expect, it } from 'vitest';
import { demonstration } from '../../../../demo/lantern-cove';
import { brokenRules } from '../../../../tests/fixtures/cpl-rules';
import { edited, yard } from '../../../../tests/fixtures/yard';
import {
  flatTargets,
  newGroup,
  newPerson,
  withOwn,
  type Command,
  type Step,
  type System,
} from '../../system';
import { readCpl, readReachCpl, writeCpl, writeReachCpl } from '.';

let made = 0;
const freshId = (kind: string) => `${kind}-${++made}`;
const system = yard();
const script = (inside: string, before = '') =>
  `<cpl xmlns="urn:ietf:params:xml:ns:cpl">${before}<incoming>${inside}</incoming></cpl>`;
const read = (xml: string, of: System = system) => {
  const result = readCpl(xml, of, freshId);
  if (!result.ok) throw new Error(result.message);
  const planId = freshId('plan');
  const add: Command = { do: 'plan.add', value: { id: planId, name: 'Script', steps: result.steps } };
  // What is read can be added.
  return { ...result, after: edited(of, [...result.commands, add]) };
};
const left = (xml: string) => read(xml).left.join('\n');
const reachLeft = (xml: string) => {
  const result = readReachCpl(xml, system.people.rosa!, system);
  return result.ok ? result.left.join('\n') : result.message;
};
const RING = '<location url="sip:201@pbx.example"><proxy timeout="10"/></location>';

describe('what is not taken over is listed', () => {
  const time = (attributes: string) =>
    script(`<time-switch tzid="America/Los_Angeles"><time ${attributes}>${RING}</time></time-switch>`);
  it.each([
    [
      'an end of a time',
      time('dtstart="20270104T080000" duration="PT8H" freq="weekly" until="20270601T000000Z"'),
      'until',
    ],
    [
      'months of a time',
      time('dtstart="20270104T080000" duration="PT8H" freq="weekly" bymonth="6,7"'),
      'bymonth 6,7',
    ],
    ['a time in UTC', time('dtstart="20270104T080000Z" duration="PT8H" freq="weekly"'), 'UTC'],
    [
      'every other week',
      time('dtstart="20270104T080000" duration="PT8H" freq="weekly" interval="2"'),
      'every 2 times',
    ],
    [
      'only the first of several',
      script('<location url="sip:201@pbx.example"><proxy ordering="first-only"/></location>'),
      'only the first',
    ],
    [
      'what comes of a lookup',
      script(
        `<lookup source="registration"><success>${RING}</success><notfound><reject status="busy"/></notfound></lookup>`,
      ),
      'a lookup ends in “notfound”',
    ],
    [
      'a switch by priority',
      script(
        `<priority-switch><priority greater="normal">${RING}</priority><otherwise><reject status="busy"/></otherwise></priority-switch>`,
      ),
      '<priority-switch>',
    ],
    [
      'a priority of a location',
      script('<location url="sip:201@pbx.example" priority="0.5"><proxy/></location>'),
      'priority 0.5',
    ],
    ['what the caller is told', script('<reject status="reject" reason="We moved"/>'), 'We moved'],
    [
      'calls sent elsewhere by a phone',
      script(
        '<location url="sip:201@pbx.example"><proxy><redirection><reject status="busy"/></redirection></proxy></location>',
      ),
      'sends the call elsewhere',
    ],
    ['calls that go out', script(RING, '<outgoing><reject status="reject"/></outgoing>'), '<outgoing>'],
    ['a second node', script(`${RING}<reject status="busy"/>`), '<reject> beside <location>'],
    ['what nobody knows', script('<dance/>'), '<dance>'],
  ])('%s', (_, xml, what) => {
    expect(left(xml)).toContain(what);
  });
  it.each([
    [
      'an end of a time',
      `<time-switch><time dtstart="20270104T180000" duration="PT8H" freq="weekly" until="20270601T000000Z"><reject status="busy"/></time><otherwise>${RING}</otherwise></time-switch>`,
      'until',
    ],
    [
      'more than ten ways of ringing',
      Array.from({ length: 12 }).reduce(
        (inner: string) =>
          `<location url="sip:201@pbx.example"><proxy timeout="5"><default>${inner}</default></proxy></location>`,
        '<reject status="busy"/>',
      ),
      'more than ten',
    ],
    ['a script without an end', `<sub ref="a"/>`, 'subaction “a”'],
    ['refusing', '<reject status="reject"/>', 'refusing'],
    [
      'times within times',
      `<time-switch><time dtstart="20270104T080000" duration="PT8H" freq="weekly" byday="MO,TU,WE,TH,FR,SA,SU"><location url="sip:201@pbx.example"><proxy><noanswer><time-switch><time dtstart="20270104T080000" duration="PT2H" freq="weekly"><reject status="busy"/></time></time-switch></noanswer></proxy></location></time></time-switch>`,
      'times after the phones have rung',
    ],
  ])('of how somebody is reached: %s', (_, inside, what) => {
    expect(reachLeft(script(inside))).toContain(what);
  });
  it('a location that is taken out again is not rung', () => {
    const xml = script(
      '<location url="sip:201@pbx.example"><location url="sip:202@pbx.example"><remove-location location="sip:201@pbx.example"><proxy timeout="10"/></remove-location></location></location>',
    );
    expect(read(xml).steps[0]).toMatchObject({ kind: 'ring', targets: [{ kind: 'person', id: 'idris' }] });
  });
  // RFC 3966 §5.1.1: separators between digits mean nothing. 020 7946 0958 is kept for fiction (Ofcom, from memory).
  it.each([
    ['tel:+44-20-7946-0958', '+442079460958'],
    ['tel:+44(20)7946.0958', '+442079460958'],
    ['tel:(206)555-0187', '+12065550187'],
    ['tel:555-0187;phone-context=+1206', '+12065550187'],
  ])('%s is read as a number', (url, e164) => {
    expect(read(script(`<location url="${url}"><proxy timeout="10"/></location>`)).steps[0]).toMatchObject({
      targets: [{ kind: 'outside', id: e164 }],
    });
  });
});

describe('nothing ends in an exception', () => {
  it.each([
    ['an escape that is none', script('<location url="sip:%zz@pbx.example"><proxy/></location>')],
    ['an instruction that is never closed', '<cpl><?'],
    ['half an element', script('<location url="sip:201@')],
    [
      'ids that every object has',
      script(
        '<location url="sip:constructor@pbx.example"><location url="sip:__proto__@voicemail.x"><proxy/></location></location><sub ref="toString"/>',
      ),
    ],
  ])('%s', (_, xml) => {
    for (const answer of [readCpl(xml, system, freshId), readReachCpl(xml, system.people.rosa!, system)])
      expect(answer.ok || answer.message).toBeTruthy();
  });
  it('fifty switches in each other are read, a thousand are too many', () => {
    const nested = (n: number): string =>
      n
        ? `<address-switch field="origin" subfield="tel"><address subdomain-of="1"><reject status="busy"/></address><otherwise>${nested(n - 1)}</otherwise></address-switch>`
        : RING;
    expect(read(script(nested(50))).steps).toHaveLength(1);
    const much = readCpl(script(nested(900)), system, freshId);
    expect(!much.ok && much.message).toMatch(/more than is read|More than 200 steps/);
    expect(readReachCpl(script(nested(900)), system.people.rosa!, system).ok).toBe(false);
  });
  it('five hundred changes at random', () => {
    const xml = writeCpl(demonstration(0).draft.system.plans.main!, demonstration(0).draft.system).xml;
    let seed = 7;
    const random = (n: number) => (seed = (seed * 48_271) % 2_147_483_647) % n;
    const signs = '<>"&?/%=\u0000aé!-';
    for (let i = 0; i < 500; i++) {
      const at = random(xml.length);
      const changed = xml.slice(0, at) + signs[random(signs.length)] + xml.slice(at + random(5));
      expect(() => readCpl(changed, system, freshId)).not.toThrow();
      expect(() => readReachCpl(changed, system.people.rosa!, system)).not.toThrow();
    }
  });
});

describe('our own scripts', () => {
  it.each([60, 300])('that ring a group of %i read back as that group', (n) => {
    const people = Array.from({ length: n }, (_, i): Command => ({
      do: 'person.add',
      value: newPerson({ id: `p${i}`, name: `Person ${i}`, extension: String(4000 + i) }),
    }));
    const halves = [0, 1].map((h): Command => ({
      do: 'group.add',
      value: {
        ...newGroup({ id: `g${h}`, name: `Half ${h}` }),
        members: Array.from({ length: n / 2 }, (_, i) => ({ kind: 'person' as const, id: `p${i * 2 + h}` })),
      },
    }));
    const all: Command = {
      do: 'group.add',
      value: {
        ...newGroup({ id: 'all', name: 'All' }),
        members: [
          { kind: 'group', id: 'g0' },
          { kind: 'group', id: 'g1' },
        ],
      },
    };
    const many = edited(edited(system, [{ do: 'business.set', change: { extensionLength: 4 } }]), [
      ...people,
      ...halves,
      all,
    ]);
    const steps: Step[] = [
      {
        id: 'r',
        kind: 'ring',
        targets: [{ kind: 'group', id: 'all' }],
        pattern: 'together',
        seconds: 20,
        followReach: false,
      },
    ];
    const written = writeCpl({ id: 'x', name: 'X', steps }, many);
    expect(brokenRules(written.xml)).toEqual([]);
    const back = read(written.xml, many);
    expect(back.steps).toMatchObject([
      { kind: 'ring', targets: [{ kind: 'group', id: 'all' }], seconds: 20 },
    ]);
    expect(back.left).toEqual([]);
    // Where that group is not there, one is made, or it is said that there are too many.
    const without = edited(many, [
      { do: 'group.remove', id: 'all' },
      { do: 'group.remove', id: 'g1' },
    ]);
    const elsewhere = read(written.xml, without);
    const [ring] = elsewhere.steps;
    const rung = ring?.kind === 'ring' ? flatTargets(ring.targets, elsewhere.after) : [];
    expect(new Set(rung.map((t) => t.id)).size).toBe(n);
  });
  it('of plans that go to each other in a circle end, and say where', () => {
    const plans: Command[] = ['a', 'b'].map((id) => ({
      do: 'plan.add',
      value: {
        id,
        name: `Plan ${id}`,
        steps: [
          {
            id: `${id}-ring`,
            kind: 'ring',
            targets: [{ kind: 'person', id: 'rosa' }],
            pattern: 'together',
            seconds: 9,
            followReach: false,
          },
          { id: `${id}-go`, kind: 'goto', planId: id === 'a' ? 'b' : 'a' },
        ],
      },
    }));
    const round = edited(system, plans);
    const written = writeCpl(round.plans.a!, round);
    expect(brokenRules(written.xml)).toEqual([]);
    expect(written.left.join()).toContain('going back to Plan a');
    expect(read(written.xml, round).steps.map((s) => s.kind)).toEqual(['ring', 'ring', 'end']);
  });
  it('keep the rules of the language, all of the demonstration and the yard', () => {
    const demo = demonstration(0);
    for (const of of [demo.draft.system, system]) {
      for (const plan of Object.values(of.plans))
        expect(brokenRules(writeCpl(plan, of).xml), plan.name).toEqual([]);
      for (const person of Object.values(withOwn(of, undefined).people))
        expect(brokenRules(writeReachCpl(person, of).xml), person.name).toEqual([]);
    }
  });
  it('the rules find what breaks them', () => {
    expect(brokenRules(script('<sub ref="x"/>'))).not.toEqual([]);
    expect(brokenRules(script(`${RING}${RING}`))).not.toEqual([]);
    expect(brokenRules(script('<location url="nowhere"><proxy/></location>'))).not.toEqual([]);
  });
});
