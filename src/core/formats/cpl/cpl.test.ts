/** Scripts of the Call Processing Language, against the ones RFC 3880 prints (from memory of its sections 4 to 13). */
import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { describe, expect, it } from 'vitest';
import { edited, yard } from '../../../../tests/fixtures/yard';
import { planInWords } from '../../answering';
import type { Command, Step, System } from '../../system';
import { readCpl, writeCpl } from '.';

/** The yard, with the people of the RFC's examples. */
const system = edited(yard(), [
  { do: 'person.set', id: 'idris', change: { email: 'jones@example.com' } },
  {
    do: 'mailbox.add',
    value: { id: 'jones', name: 'Jones', ownerIds: ['idris'], greetingId: null, longest: 60, mailTo: [] },
  },
  { do: 'person.set', id: 'rosa', change: { email: 'smith@example.com' } },
]);
const script = (inside: string, before = '') =>
  `<?xml version="1.0" encoding="UTF-8"?>
<cpl xmlns="urn:ietf:params:xml:ns:cpl" xmlns:xsi="http://www.w3.org/2001/XMLSchema-instance" xsi:schemaLocation="urn:ietf:params:xml:ns:cpl cpl.xsd ">${before}<incoming>${inside}</incoming></cpl>`;
let made = 0;
const freshId = (kind: string) => `${kind}-${++made}`;
function read(xml: string): { steps: Step[]; left: string[]; system: System; words: string } {
  const result = readCpl(xml, system, freshId);
  if (!result.ok) throw new Error(result.message);
  const planId = freshId('plan');
  const add: Command = { do: 'plan.add', value: { id: planId, name: 'Script', steps: result.steps } };
  const after = edited(system, [...result.commands, add]);
  return { ...result, system: after, words: planInWords(after.plans[planId]!, after) };
}
const VOICEMAIL = `<subaction id="voicemail"><location url="sip:jones@voicemail.example.com"><redirect/></location></subaction>`;

describe('the scripts of RFC 3880', () => {
  it('call redirect unconditional', () => {
    expect(read(script('<location url="sip:smith@phone.example.com"><redirect/></location>')).words).toBe(
      'Rings Rosa Delgado, 60 s.',
    );
  });
  it('call forward busy or no answer', () => {
    const { steps, words } = read(
      script(
        '<location url="sip:jones@jonespc.example.com"><proxy timeout="8"><busy><sub ref="voicemail"/></busy><noanswer><sub ref="voicemail"/></noanswer></proxy></location>',
        VOICEMAIL,
      ),
    );
    expect(words).toBe('Rings Idris Okafor, 8 s (all on calls: voicemail Jones), then voicemail Jones.');
    expect(steps[0]).toMatchObject({ kind: 'ring', seconds: 8, pattern: 'together' });
  });
  it('call screening: whoever hides their number is rejected', () => {
    const { steps } = read(
      script(
        '<address-switch field="origin" subfield="user"><address is="anonymous"><reject status="reject" reason="I don\'t accept anonymous calls"/></address></address-switch>',
      ),
    );
    expect(steps[0]).toMatchObject({
      kind: 'caller',
      branches: [{ test: { is: 'hidden' }, steps: [{ kind: 'end', how: 'plain' }] }],
    });
  });
  it('time-of-day routing: phones in office hours, voicemail otherwise', () => {
    const {
      steps,
      system: after,
      left,
    } = read(
      script(
        `<time-switch tzid="America/New_York" tzurl="http://zones.example.com/tz/America/New_York"><time dtstart="20000703T090000" duration="PT8H" freq="weekly" byday="MO,TU,WE,TH,FR"><lookup source="registration"><success><proxy/></success></lookup></time><otherwise><location url="sip:jones@voicemail.example.com"><proxy/></location></otherwise></time-switch>`,
      ),
    );
    const step = steps[0] as Extract<Step, { kind: 'hours' }>;
    const hours = after.hours[step.hoursId!]!;
    expect(hours.timeZone).toBe('America/New_York');
    expect(hours.weekly).toEqual([1, 2, 3, 4, 5].map((day) => ({ day, from: 540, to: 1020, kind: 'Open' })));
    expect(step.otherwise).toMatchObject([{ kind: 'voicemail', mailboxId: 'jones' }]);
    expect(left.join()).toContain('lookup of registration');
  });
  it('outgoing scripts and what only a server can do are said to be left out', () => {
    expect(
      readCpl(
        '<cpl xmlns="urn:ietf:params:xml:ns:cpl"><outgoing><reject status="reject"/></outgoing></cpl>',
        system,
        freshId,
      ),
    ).toMatchObject({ ok: false });
    const { left } = read(
      script(
        '<priority-switch><priority greater="urgent"><location url="sip:nobody@x.example"><proxy/></location></priority></priority-switch>',
      ),
    );
    expect(left.join()).toContain('priority-switch');
  });
});

describe('bad scripts', () => {
  const says = (xml: string) => {
    const result = readCpl(xml, system, freshId);
    return result.ok ? 'read' : result.message;
  };
  it('are refused with the reason: cut off, entities, circles, unknown subactions', () => {
    expect(says('<cpl><incoming>')).toContain('not well-formed');
    expect(
      says('<!DOCTYPE cpl [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;&a;">]><cpl><incoming/></cpl>'),
    ).toContain('entities');
    expect(says('<!DOCTYPE cpl SYSTEM "file:///etc/passwd"><cpl><incoming/></cpl>')).toContain(
      'document type',
    );
    expect(says(script('<sub ref="a"/>', '<subaction id="a"><sub ref="a"/></subaction>'))).toContain(
      'refers to itself',
    );
    expect(says(script('<sub ref="gone"/>'))).toContain('no subaction “gone”');
    expect(
      says(
        `<cpl><incoming>${'<location url="sip:smith@x.example">'.repeat(90)}${'</location>'.repeat(90)}</incoming></cpl>`,
      ),
    ).toBe('read');
    expect(says('x'.repeat(600_000))).toContain('too large');
  });
  it('with markup in their texts leave it text', () => {
    const { left } = read(script('<location url="sip:&lt;script&gt;@x.example"><proxy/></location>'));
    expect(left.join()).toContain('<script>');
  });
});

describe('plans written as scripts', () => {
  const main = system.plans['main-plan']!;
  it('say hours, ringing and voicemail, and list what cannot be said', () => {
    const { xml, left } = writeCpl(main, system);
    expect(XMLValidator.validate(xml)).toBe(true);
    expect(left).toEqual(['Play “Welcome”', 'Play “Closed”']);
    const root = new XMLParser({ ignoreAttributes: false }).parse(xml) as Record<string, never>;
    expect(root).toMatchObject({
      cpl: {
        incoming: {
          'time-switch': {
            '@_tzid': 'America/Los_Angeles',
            time: {
              '@_freq': 'weekly',
              '@_byday': 'MO,TU,WE,TH,FR',
              '@_duration': 'PT9H',
              '@_dtstart': '20200106T080000',
            },
          },
        },
      },
    });
  });
  it('read back mean the same, as far as they could be said', () => {
    const plain = edited(system, [
      { do: 'step.remove', planId: 'main-plan', stepId: 'play' },
      { do: 'step.remove', planId: 'main-plan', stepId: 'play-closed' },
    ]);
    const { xml, left } = writeCpl(plain.plans['main-plan']!, plain);
    expect(left).toEqual([]);
    const { steps, system: after } = read(xml);
    const step = steps[0] as Extract<Step, { kind: 'hours' }>;
    expect(after.hours[step.hoursId!]!.weekly).toEqual(plain.hours.office!.weekly);
    expect(step.branches[0]!.steps).toMatchObject([
      {
        kind: 'ring',
        targets: [
          { kind: 'person', id: 'rosa' },
          { kind: 'person', id: 'idris' },
        ],
        seconds: 18,
      },
      { kind: 'voicemail', mailboxId: 'front' },
    ]);
    expect(step.otherwise).toMatchObject([{ kind: 'voicemail', mailboxId: 'front' }]);
  });
  it('begin hours of the weekend alone on a day there is', () => {
    const weekly = [5, 6, 7].map((day) => ({ day, from: 600, to: 1440, kind: 'Open' }));
    const weekend = edited(system, [{ do: 'hours.set', id: 'office', change: { weekly } }]);
    const { xml } = writeCpl(main, weekend);
    // A date of RFC 5545 §3.3.5, of a Friday.
    expect(xml).toContain('dtstart="20200110T100000"');
    expect(new Date('2020-01-10T00:00:00Z').getUTCDay()).toBe(5);
    const { steps, system: after } = read(xml);
    const step = steps[0] as Extract<Step, { kind: 'hours' }>;
    expect(after.hours[step.hoursId!]!.weekly).toEqual(weekly);
  });
  it('in a circle of plans come to an end', () => {
    const circle = edited(system, [
      {
        do: 'plan.set',
        id: 'main-plan',
        change: { steps: [{ id: 'a', kind: 'goto', planId: 'rosa-plan' }] },
      },
      {
        do: 'plan.set',
        id: 'rosa-plan',
        change: { steps: [{ id: 'b', kind: 'goto', planId: 'main-plan' }] },
      },
    ]);
    expect(XMLValidator.validate(writeCpl(circle.plans['main-plan']!, circle).xml)).toBe(true);
  });
  it('with many branches one after the other stay small', () => {
    const many = edited(system, [
      {
        do: 'plan.set',
        id: 'main-plan',
        change: {
          steps: [
            ...Array.from({ length: 24 }, (_, i): Step => ({
              id: `h${i}`,
              kind: 'hours',
              hoursId: 'office',
              branches: [{ period: 'Open', steps: [] }],
              otherwise: [],
            })),
            { id: 'v', kind: 'voicemail', mailboxId: 'front' },
          ],
        },
      },
    ]);
    expect(writeCpl(many.plans['main-plan']!, many).xml.length).toBeLessThan(30_000);
  });
});
