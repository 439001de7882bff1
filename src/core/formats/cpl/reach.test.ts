import { describe, expect, it } from 'vitest';
import { edited, yard } from '../../../../tests/fixtures/yard';
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
    const { left } = writeReachCpl({ ...rosa, quiet: { from: 0, to: 1 }, screening: 'strangers' }, system);
    expect(left).toEqual(['quiet hours', 'saying a name first']);
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
    expect(result.left).toEqual(['sip:smith@phone.example.com: nobody here has that address']);
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
