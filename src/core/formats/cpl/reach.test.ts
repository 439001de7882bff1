import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { edited, yard } from '../../../../tests/fixtures/yard';
import { isQuiet } from '../../calls';
import type { Reach } from '../../system';
import { readReachCpl, writeReachCpl } from './reach';

const system = edited(yard(), [
  {
    do: 'group.add',
    value: { id: 'crew', name: 'Crew', extension: '230', members: [], pattern: 'together', seconds: 18 },
  },
]);
const rosa = system.people.rosa!;
const read = (xml: string) => {
  const result = readReachCpl(xml, rosa, system);
  if (!result.ok) throw new Error(result.message);
  return result;
};

describe('reach as CPL', () => {
  it.each<[string, Partial<Reach>]>([
    ['as usual', {}],
    [
      'the desk phone, then all, then a colleague or a number',
      {
        steps: [
          { phoneIds: ['rosa-desk'], seconds: 10 },
          { phoneIds: null, seconds: 15 },
        ],
        onNotAnswered: { to: 'person', personId: 'pia' },
        onBusy: { to: 'outside', number: '+12065550111' },
        onUnreachable: { to: 'group', groupId: 'crew' },
      },
    ],
    ['always to another mailbox', { always: { to: 'mailbox', mailboxId: 'front' }, steps: [] }],
  ])('is read back as it was written: %s', (_name, change) => {
    const person = { ...rosa, reach: { ...rosa.reach, ...change } };
    expect(read(writeReachCpl(person, system).xml)).toEqual({ ok: true, values: person.reach, left: [] });
  });

  it('hidden callers are refused by not-present', () => {
    const { xml } = writeReachCpl({ ...rosa, hidden: 'refused' }, system);
    expect(xml).toContain('<not-present>');
    expect(xml).toContain('<reject status="reject"/>');
    expect(read(xml).values).toMatchObject({ hidden: 'refused' });
  });

  it('says what the language has no words for', () => {
    const quiet = { from: 0, to: 1, phoneIds: ['rosa-app'] };
    const exceptions = { personIds: ['pia'], listIds: [], contacts: false, again: false };
    const { left } = writeReachCpl({ ...rosa, quiet, exceptions, screening: 'strangers' }, system);
    expect(left).toEqual([
      'that only one phone has quiet hours',
      'who gets through in quiet hours',
      'saying a name first',
    ]);
  });

  it('quiet hours are times at which no phone rings, in the zone of whoever has them', () => {
    const quiet = { from: 1080, to: 480, wholeDays: [6, 7] };
    const { xml, left } = writeReachCpl({ ...rosa, quiet }, system);
    expect(left).toEqual([]);
    expect(xml).toContain('<time-switch tzid="America/Los_Angeles">');
    expect(xml).toContain('duration="PT24H" freq="weekly" byday="SA,SU"');
    expect(read(xml)).toEqual({ ok: true, values: { ...rosa.reach, quiet }, left: [] });
  });
  it('whatever quiet hours there are, they are read back as the same minutes of the week', () => {
    const minute = fc.integer({ min: 0, max: 1439 });
    const days = fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { maxLength: 6 });
    fc.assert(
      fc.property(
        minute,
        minute,
        days,
        fc.integer({ min: 1, max: 7 }),
        minute,
        (from, to, wholeDays, day, at) => {
          const quiet = { from, to, wholeDays };
          const back = read(writeReachCpl({ ...rosa, quiet }, system).xml).values.quiet;
          expect(back ? isQuiet(back, { day, minute: at }) : false).toBe(isQuiet(quiet, { day, minute: at }));
        },
      ),
    );
  });
});

// RFC 3880 §12 gives these examples; the addresses are of its own, the text is from memory.
describe('the forwarding examples of RFC 3880', () => {
  it('call redirect unconditional: the address is nobody’s here, and that is said', () => {
    const result = read(`<?xml version="1.0" encoding="UTF-8"?>
      <cpl xmlns="urn:ietf:params:xml:ns:cpl"><incoming>
        <location url="sip:smith@phone.example.com"><redirect/></location>
      </incoming></cpl>`);
    expect(result.values.always).toBeNull();
    expect(result.left).toEqual(['sip:smith@phone.example.com: nobody here has it']);
  });

  it('call forward busy/no answer: their phones 8 s, then their voicemail', () => {
    const result = read(`<?xml version="1.0" encoding="UTF-8"?>
      <cpl xmlns="urn:ietf:params:xml:ns:cpl">
        <subaction id="voicemail">
          <location url="sip:jones@voicemail.example.com"><redirect/></location>
        </subaction>
        <incoming>
          <location url="sip:jones@jonespc.example.com">
            <proxy timeout="8">
              <busy><sub ref="voicemail"/></busy>
              <noanswer><sub ref="voicemail"/></noanswer>
              <failure><sub ref="voicemail"/></failure>
            </proxy>
          </location>
        </incoming></cpl>`);
    expect(result.values).toMatchObject({
      always: null,
      steps: [{ phoneIds: null, seconds: 8 }],
      onBusy: null,
      onNotAnswered: null,
      onUnreachable: null,
    });
  });

  it('time-of-day routing: outside the hours of the script no phone rings', () => {
    const hours = (dtstart: string, byday: string) => `
      <cpl xmlns="urn:ietf:params:xml:ns:cpl"><incoming>
        <time-switch tzid="America/New_York">
          <time dtstart="${dtstart}" duration="PT8H" freq="weekly" byday="${byday}">
            <location url="sip:201@pbx.example"><proxy timeout="15"/></location>
          </time>
          <otherwise>
            <location url="sip:jones@voicemail.example.com"><proxy/></location>
          </otherwise>
        </time-switch></incoming></cpl>`;
    const { values, left } = read(hours('20000703T090000', 'MO,TU,WE,TH,FR'));
    expect(values).toMatchObject({
      steps: [{ phoneIds: null, seconds: 15 }],
      onUnreachable: null,
      quiet: { from: 17 * 60, to: 9 * 60, wholeDays: [6, 7] },
    });
    expect(left).toEqual(['the time zone America/New_York: taken as America/Los_Angeles']);
  });

  it('a script that only says what happens at night leaves the phones ringing by day', () => {
    const { values } = read(`<cpl xmlns="urn:ietf:params:xml:ns:cpl"><incoming><time-switch>
        <time dtstart="20000703T220000" duration="PT9H" freq="daily">
          <location url="sip:203@pbx.example"><redirect/></location>
        </time></time-switch></incoming></cpl>`);
    expect(values).toMatchObject({
      steps: [{ phoneIds: null }],
      onUnreachable: { to: 'person', personId: 'pia' },
      quiet: { from: 22 * 60, to: 7 * 60 },
    });
  });

  it('times that quiet hours cannot say are left out, and that is said', () => {
    const result = read(`<cpl xmlns="urn:ietf:params:xml:ns:cpl"><incoming><time-switch>
        <time dtstart="20000703T120000" duration="PT1H" freq="weekly" byday="WE">
          <location url="tel:+12065550111"><redirect/></location>
        </time>
        <time dtstart="20000703T120000" duration="PT1H" freq="yearly"><reject status="busy"/></time>
        <otherwise><location url="sip:rosa-desk@pbx.example"><proxy timeout="12"/></location></otherwise>
      </time-switch></incoming></cpl>`);
    expect(result.values).toMatchObject({
      steps: [{ phoneIds: ['rosa-desk'], seconds: 12 }],
      onUnreachable: { to: 'outside', number: '+12065550111' },
    });
    expect(result.values.quiet).toBeUndefined();
    expect(result.left).toEqual([
      'a time from 20000703T120000, and what happens then: it comes yearly',
      'times that are not the same every day, or whole days',
    ]);
  });

  it('call screening: anonymous callers are rejected, others go on', () => {
    const result = read(`<cpl xmlns="urn:ietf:params:xml:ns:cpl"><incoming>
        <address-switch field="origin" subfield="user">
          <address is="anonymous"><reject status="reject" reason="I do not accept anonymous calls"/></address>
        </address-switch></incoming></cpl>`);
    expect(result.left).toEqual(['what is told apart by caller']);
  });
});

it.each([
  ['<cpl><incoming>', 'not well-formed'],
  ['<plan/>', 'no CPL script'],
  ['<cpl><outgoing/></cpl>', 'nothing of calls that come in'],
  ['<!DOCTYPE x><cpl/>', 'document type'],
])('%s is refused: %s', (xml, why) => {
  const result = readReachCpl(xml, rosa, system);
  expect(result.ok ? '' : result.message).toContain(why);
});

it('a script that refers to itself ends', () => {
  const loop = '<cpl><subaction id="a"><sub ref="a"/></subaction><incoming><sub ref="a"/></incoming></cpl>';
  expect(read(loop).ok).toBe(true);
});
