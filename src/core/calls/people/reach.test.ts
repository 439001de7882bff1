import { describe, expect, it } from 'vitest';
import { MAIN, ROSA_DIRECT, allOn, edited, yard } from '../../../../tests/fixtures/yard';
import { effectOf } from '../../coverage';
import { momentOf } from '../../hours';
import {
  settle,
  standingOver,
  withOwn,
  type Command,
  type Setting,
  type Standing,
  type System,
} from '../../system';
import { rehearse, rehearseAsNow, simulate } from '../engine/rehearse';
import { nobodyAnswers, type CallRequest } from '../base/request';
import { outcomeInWords } from '../words/summary';
import { outcomeOf, type Trace } from '../base/trace';
import { traceLines } from '../words/lines';

/** A Monday at ten in Port Ansel. */
const MONDAY = Date.parse('2026-11-23T18:00:00Z');
const STAMP = { at: MONDAY - 1000, by: 'Rosa Delgado, on this phone' };

const set = (system: System, standing: Standing, settings: Setting[], stamp = STAMP): Standing =>
  settings.reduce((s, setting) => settle(s, setting, stamp, system).standing, standing);
const call = (more: Partial<CallRequest> = {}): CallRequest => ({
  id: 'c',
  at: MONDAY,
  from: { kind: 'outside', number: '+12065550187' },
  to: { kind: 'digits', digits: '201' },
  behaviour: nobodyAnswers(),
  ...more,
});
const words = (trace: Trace, system: System): string => traceLines(trace, system).join('\n');
const rosa = (values: Extract<Setting, { kind: 'person' }>['values']): Setting => ({
  kind: 'person',
  personId: 'rosa',
  values,
});

describe('what somebody sets for themselves', () => {
  it('sends all their calls to a colleague at once, without a change to the document', () => {
    const system = yard();
    const standing = set(system, allOn(system), [rosa({ always: { to: 'person', personId: 'pia' } })]);
    const trace = rehearseAsNow(system, standing, call());
    expect(words(trace, system)).toContain('Rosa Delgado sends it on to Pia Lindqvist (always)');
    expect(trace.some((e) => e.kind === 'leg offered' && e.phone === 'rosa-desk')).toBe(false);
    expect(outcomeInWords(trace, system)).toContain('message in Rosa Delgado');
  });

  it('rings the desk phone first, then the app, then a group, each as long as they say', () => {
    const system = edited(yard(), [
      {
        do: 'group.add',
        value: {
          id: 'crew',
          name: 'Crew',
          extension: '230',
          members: [{ kind: 'person', id: 'idris' }],
          pattern: 'together',
          seconds: 12,
        },
      },
    ]);
    const standing = set(system, allOn(system), [
      rosa({
        steps: [
          { phoneIds: ['rosa-desk'], seconds: 10 },
          { phoneIds: ['rosa-app'], seconds: 15 },
        ],
        onNotAnswered: { to: 'group', groupId: 'crew' },
      }),
    ]);
    const trace = rehearseAsNow(system, standing, call());
    const offered = trace.filter((e) => e.kind === 'leg offered').map((e) => [e.t / 1000, e.phone]);
    expect(offered).toEqual([
      [0, 'rosa-desk'],
      [10, 'rosa-app'],
      [25, 'idris-desk'],
    ]);
    // Nobody of the group takes it either: the caller is still Rosa's.
    expect(trace.find((e) => e.kind === 'greeting started')).toMatchObject({
      t: 37_000,
      mailboxId: 'rosa-box',
    });
  });

  it('shows the business’s number on a linked phone that wants it, and the caller’s on others', () => {
    const system = yard();
    const to = { kind: 'number', e164: '+13605550160' } as const;
    const plain = rehearse(system, allOn(system), call({ to }));
    expect(words(plain, system)).not.toContain('showing');
    const standing = set(system, allOn(system), [
      { kind: 'phone', phoneId: 'tomas-cell', values: { shows: 'number called' } },
    ]);
    expect(words(rehearseAsNow(system, standing, call({ to })), system)).toContain(
      'offered the call, showing (360) 555-0160',
    );
  });

  it('holds until the document says something else, which then is the later word', () => {
    const system = yard();
    const standing = set(system, allOn(system), [rosa({ onNotAnswered: { to: 'person', personId: 'pia' } })]);
    const change: Command[] = [
      {
        do: 'person.set',
        id: 'rosa',
        change: {
          reach: { ...system.people.rosa!.reach, onNotAnswered: { to: 'person', personId: 'idris' } },
        },
      },
    ];
    const later = edited(system, change);
    expect(withOwn(system, standing.own).people.rosa!.reach.onNotAnswered).toMatchObject({ personId: 'pia' });
    expect(withOwn(later, standing.own).people.rosa!.reach.onNotAnswered).toMatchObject({
      personId: 'idris',
    });
    // Put in force, it is gone for good: the old value coming back does not bring the setting back.
    expect(standingOver(standing.own!, later).people.rosa).toEqual({});
    // What somebody sets meanwhile in other fields stays.
    const quiet = set(later, standing, [rosa({ quiet: { from: 1080, to: 420 } })]);
    expect(standingOver(quiet.own!, later).people.rosa!.quiet).toBeDefined();
  });

  it('never undoes a newer setting, and says whose that is', () => {
    const system = yard();
    const first = set(system, allOn(system), [
      { kind: 'do not disturb', personId: 'rosa', on: true, until: null },
    ]);
    const old = { at: STAMP.at - 60_000, by: 'Rosa Delgado · Mobile app' };
    const { standing, stayed } = settle(
      first,
      { kind: 'do not disturb', personId: 'rosa', on: false, until: null },
      old,
      system,
    );
    expect(standing.dnd.rosa).toMatchObject({ value: true, by: STAMP.by });
    expect(stayed).toEqual([{ what: 'do not disturb', by: STAMP.by, at: STAMP.at }]);
    // Another field that nobody set later is set all the same.
    const mixed = settle(first, rosa({ always: { to: 'person', personId: 'pia' } }), old, system);
    expect(mixed.stayed).toEqual([]);
  });

  it('leaves out what has been removed since', () => {
    const system = yard();
    const standing = set(system, allOn(system), [
      rosa({
        always: { to: 'person', personId: 'pia' },
        steps: [{ phoneIds: ['rosa-app', 'rosa-desk'], seconds: 18 }],
      }),
    ]);
    const fewer = edited(system, [
      { do: 'person.remove', id: 'pia' },
      { do: 'phone.remove', id: 'rosa-app' },
    ]);
    const { reach } = withOwn(fewer, standing.own).people.rosa!;
    expect(reach.always).toBeNull();
    expect(reach.steps).toEqual([{ phoneIds: ['rosa-desk'], seconds: 18 }]);
  });
});

describe('not to be disturbed', () => {
  const again = (exceptions: Partial<NonNullable<System['people'][string]['exceptions']>>): Setting =>
    rosa({ exceptions: { personIds: [], listIds: [], contacts: false, again: false, ...exceptions } });
  const dnd = (until: number | null = null): Setting => ({
    kind: 'do not disturb',
    personId: 'rosa',
    on: true,
    until,
  });
  const rings = (trace: Trace) => trace.some((e) => e.kind === 'leg sounding');

  it('ends by itself at the time somebody chose', () => {
    const system = yard();
    const standing = set(system, allOn(system), [dnd(MONDAY + 60_000)]);
    expect(rings(rehearseAsNow(system, standing, call()))).toBe(false);
    expect(rings(rehearseAsNow(system, standing, call({ at: MONDAY + 59_999 })))).toBe(false);
    expect(rings(rehearseAsNow(system, standing, call({ at: MONDAY + 60_000 })))).toBe(true);
  });

  it('on one phone only leaves the others ringing', () => {
    const system = yard();
    const standing = set(system, allOn(system), [
      { kind: 'resting', phoneId: 'rosa-app', on: true, until: null },
    ]);
    const trace = rehearseAsNow(system, standing, call());
    expect(words(trace, system)).toContain(
      'Rosa Delgado · Mobile app: not rung, do not disturb on this phone',
    );
    expect(words(trace, system)).toContain('Rosa Delgado · Desk phone: sounds');
  });

  it('a linked phone that is switched off is not dialled, and whoever is left without a phone is said to be', () => {
    const system = yard();
    const standing = set(system, allOn(system), [
      { kind: 'resting', phoneId: 'tomas-cell', on: true, until: null },
    ]);
    const trace = rehearseAsNow(system, standing, call({ to: { kind: 'digits', digits: '204' } }));
    expect(words(trace, system)).toContain('Tomas Brandt · Own mobile: not rung, switched off');
    expect(outcomeOf(trace)!.outcome.kind).toBe('nobody answered');
  });

  it.each([
    ['a colleague', { personIds: ['pia'] }, { from: { kind: 'phone', phoneId: 'pia-web' } }, true],
    ['another colleague', { personIds: ['idris'] }, { from: { kind: 'phone', phoneId: 'pia-web' } }, false],
    ['a caller on a list', { listIds: ['vip'] }, { from: { kind: 'outside', number: '+12065550134' } }, true],
    ['a contact', { contacts: true }, { from: { kind: 'outside', number: '+12065550134' } }, true],
    ['a stranger', { contacts: true, listIds: ['vip'] }, {}, false],
  ] as const)('%s', (_who, exceptions, from, through) => {
    const system = edited(yard(), [
      { do: 'list.add', value: { id: 'vip', name: 'Suppliers' } },
      {
        do: 'contact.add',
        value: {
          id: 'chandler',
          name: 'Chandler',
          numbers: ['+12065550134'],
          ownerId: null,
          listIds: ['vip'],
          blocked: false,
        },
      },
    ]);
    const standing = set(system, allOn(system), [dnd(), again({ ...exceptions } as never)]);
    expect(rings(rehearseAsNow(system, standing, call(from as Partial<CallRequest>)))).toBe(through);
  });

  it('quiet hours of one phone leave the other ringing, over midnight too', () => {
    const system = yard();
    const standing = set(system, allOn(system), [
      rosa({ quiet: { from: 22 * 60, to: 10 * 60 + 1, phoneIds: ['rosa-app'] } }),
    ]);
    const at = (minutes: number) =>
      words(rehearseAsNow(system, standing, call({ at: MONDAY + minutes * 60_000 })), system);
    expect(at(0)).toContain('Mobile app: not rung, quiet hours');
    expect(at(0)).toContain('Desk phone: sounds');
    expect(at(1)).toContain('Mobile app: sounds');
  });

  it('whole days are quiet from midnight to midnight of where somebody is, beside the hours of each day', () => {
    const system = yard();
    const quiet = { from: 18 * 60, to: 8 * 60, wholeDays: [6, 7] };
    const standing = set(system, allOn(system), [rosa({ quiet })]);
    const ringsAt = (date: string, minute: number) =>
      rings(rehearseAsNow(system, standing, call({ at: momentOf('America/Los_Angeles', date, minute) })));
    // Friday to Monday, 27 to 30 November 2026; Monday morning begins when the hours of each day end.
    expect(ringsAt('2026-11-27', 17 * 60 + 59)).toBe(true);
    expect(ringsAt('2026-11-27', 18 * 60)).toBe(false);
    expect(ringsAt('2026-11-28', 12 * 60)).toBe(false);
    expect(ringsAt('2026-11-29', 12 * 60)).toBe(false);
    expect(ringsAt('2026-11-30', 8 * 60 - 1)).toBe(false);
    expect(ringsAt('2026-11-30', 8 * 60)).toBe(true);
  });
});

describe('who calls', () => {
  it('a caller who hides their number goes to the mailbox or is refused, as somebody likes', () => {
    const system = yard();
    const hidden = call({ from: { kind: 'outside', number: null } });
    const to = (value: 'mailbox' | 'refused') => set(system, allOn(system), [rosa({ hidden: value })]);
    expect(outcomeOf(rehearseAsNow(system, to('refused'), hidden))!.outcome).toEqual({
      kind: 'refused',
      why: 'hidden number',
    });
    const mailbox = rehearseAsNow(system, to('mailbox'), hidden);
    expect(mailbox.some((e) => e.kind === 'leg offered')).toBe(false);
    expect(outcomeOf(mailbox)!.outcome).toMatchObject({ kind: 'message', mailboxId: 'rosa-box' });
    expect(rehearseAsNow(system, to('refused'), call()).some((e) => e.kind === 'leg sounding')).toBe(true);
  });

  it('a stranger says who they are first; whoever is rung can send them to voicemail', () => {
    const system = yard();
    const standing = set(system, allOn(system), [rosa({ screening: 'strangers' })]);
    const behaviour = nobodyAnswers();
    behaviour.caller.says = { Name: 'Jo from the chandlery' };
    behaviour.people.rosa = { does: 'sends to voicemail', after: 4 };
    const trace = rehearseAsNow(system, standing, call({ behaviour }));
    const lines = words(trace, system);
    expect(lines).toContain('Name: Jo from the chandlery');
    expect(trace.find((e) => e.kind === 'leg offered')!.t).toBe(6000);
    expect(lines).toContain('Rosa Delgado sends it on to mailbox Rosa Delgado (chosen)');
    expect(outcomeOf(trace)!.outcome).toMatchObject({ kind: 'message', mailboxId: 'rosa-box' });
    // A colleague is never asked.
    const inside = rehearseAsNow(system, standing, call({ from: { kind: 'phone', phoneId: 'pia-web' } }));
    expect(words(inside, system)).not.toContain('asked for Name');
  });

  it('a phone that shows the name is simply answered; a linked one is told it and asks for a key', () => {
    const system = edited(yard(), [{ do: 'phone.set', id: 'tomas-cell', change: { confirmByKey: false } }]);
    const screened = (personId: string): Setting => ({
      kind: 'person',
      personId,
      values: { screening: 'everybody' },
    });
    const standing = set(system, allOn(system), [screened('rosa'), screened('tomas')]);
    const behaviour = { ...nobodyAnswers(), otherwise: { does: 'answers' as const, after: 2 } };
    const asked = (digits: string) =>
      words(rehearseAsNow(system, standing, call({ to: { kind: 'digits', digits }, behaviour })), system);
    expect(asked('201')).not.toContain('asked to press 1');
    expect(asked('204')).toContain('Tomas Brandt · Own mobile: lifted, asked to press 1');
  });

  it('a call for several is never sent to the mailbox of one of them', () => {
    const system = yard();
    const behaviour = nobodyAnswers();
    behaviour.people.rosa = { does: 'sends to voicemail', after: 4 };
    const at = Date.parse('2026-11-23T18:00:00Z');
    const main = rehearse(system, allOn(system), call({ at, to: { kind: 'number', e164: MAIN }, behaviour }));
    expect(words(main, system)).toContain('Rosa Delgado · Desk phone: declined');
    expect(words(main, system)).not.toContain('(chosen)');
    expect(outcomeOf(main)!.outcome).toMatchObject({ kind: 'message', mailboxId: 'front' });
    // A number that rings only her is hers.
    const direct = call({ to: { kind: 'number', e164: ROSA_DIRECT }, behaviour });
    expect(words(rehearse(system, allOn(system), direct), system)).toContain('(chosen)');
  });

  it('a blocked number is refused at once, unless the plan of the number has its own branch for it', () => {
    const system = yard();
    const from = { kind: 'outside', number: '+12065550187' } as const;
    const standing = set(system, allOn(system), [{ kind: 'blocked', number: from.number, on: true }]);
    const to = { kind: 'number', e164: ROSA_DIRECT } as const;
    expect(outcomeOf(rehearseAsNow(system, standing, call({ from, to })))!).toMatchObject({
      t: 0,
      outcome: { kind: 'refused', why: 'blocked' },
    });
    const free = set(system, standing, [{ kind: 'blocked', number: from.number, on: false }]);
    expect(rehearseAsNow(system, free, call({ from, to })).some((e) => e.kind === 'leg sounding')).toBe(true);
    const own = edited(system, [
      {
        do: 'step.add',
        planId: 'rosa-plan',
        place: null,
        index: 0,
        step: {
          id: 'who',
          kind: 'caller',
          branches: [
            { test: { is: 'blocked' }, steps: [{ id: 'away', kind: 'end', how: 'busy', recordingId: null }] },
          ],
          otherwise: [],
        },
      },
    ]);
    expect(outcomeOf(rehearseAsNow(own, standing, call({ from, to })))!.outcome).toEqual({
      kind: 'ended',
      how: 'busy',
    });
  });
});

describe('what reach does to the plans', () => {
  it('says from when to when a number then reaches nobody, and nothing where nothing changes for callers', () => {
    const system = yard();
    const before = allOn(system);
    const off = set(system, before, [
      { kind: 'do not disturb', personId: 'rosa', on: true, until: MONDAY + 7_200_000 },
      { kind: 'do not disturb', personId: 'idris', on: true, until: MONDAY + 3_600_000 },
    ]);
    const found = effectOf(system, before, off, MONDAY).found;
    const main = found.filter((d) => d.label === 'Main line');
    expect(main.map((d) => d.when)).toEqual([
      expect.stringContaining('10:00–11:00'),
      expect.stringContaining('11:00–12:00'),
    ]);
    expect(main[0]!.after).toContain('Rosa Delgado: do not disturb');
    // Her own forwarding is not asked when the front office is rung.
    const forwarded = set(system, before, [rosa({ always: { to: 'person', personId: 'pia' } })]);
    // Asked in the middle of a day, what follows holds at all hours of what is left of the week.
    const noon = MONDAY + 12 * 3_600_000;
    const always = set(system, before, [{ kind: 'do not disturb', personId: 'rosa', on: true, until: null }]);
    expect(effectOf(system, before, always, noon).found.map((d) => d.when)).toContain('at all hours');
    expect(effectOf(system, before, forwarded, MONDAY).found).toEqual([]);
  });
});

it('whoever calls again within three minutes gets through, and not after them', () => {
  const system = yard();
  const standing = set(system, allOn(system), [
    { kind: 'do not disturb', personId: 'rosa', on: true, until: null },
    rosa({ exceptions: { personIds: [], listIds: [], contacts: false, again: true } }),
  ]);
  const at = (id: string, minutes: number): CallRequest => call({ id, at: MONDAY + minutes * 60_000 });
  const traces = simulate(system, standing, [at('a', 0), at('b', 2), at('c', 6)]);
  const rang = [...traces].map(([id, trace]) => [id, trace.some((e) => e.kind === 'leg sounding')]);
  expect(rang).toEqual([
    ['a', false],
    ['b', true],
    ['c', false],
  ]);
});
