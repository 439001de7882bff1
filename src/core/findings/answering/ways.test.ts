/** What the checks find of where calls go, and that each fix puts it right. */
import { describe, expect, it } from 'vitest';
import { allOn, edited, yard } from '../../../../tests/fixtures/yard';
import { newQueue, newRota, type Command, type Step, type System } from '../../system';
import { momentOf } from '../../hours';
import { checkPromises } from '../../promises';
import { findingsOf } from '..';

const today = '2026-11-24';
let made = 0;
const look = (system: System, more = {}) =>
  findingsOf({ system, standing: allOn(system), today, freshId: (k) => `${k}-${++made}`, ...more });
const steps = (...list: Step[]): Command => ({ do: 'plan.set', id: 'main-plan', change: { steps: list } });
const vm: Step = { id: 'vm', kind: 'voicemail', mailboxId: 'front' };
const menu = (branches: Extract<Step, { kind: 'menu' }>['branches'], dialExtension = false): Step => ({
  id: 'menu',
  kind: 'menu',
  recordingId: 'welcome',
  seconds: 5,
  tries: 2,
  dialExtension,
  nameKey: null,
  branches,
  otherwise: [],
});
/** The finding is there, and gone once its fix is applied. */
function fixed(system: System, id: string): System {
  const finding = look(system).find((f) => f.id === id);
  expect(finding, id).toBeDefined();
  const after = edited(system, finding!.fix!.edit.commands);
  expect(look(after).map((f) => f.id)).not.toContain(id);
  return after;
}

describe('the checks of where calls go', () => {
  it('find plans that go round in a circle, once, and plans that go to themselves', () => {
    const circle = edited(yard(), [
      steps({ id: 'a', kind: 'goto', planId: 'rosa-plan' }),
      {
        do: 'plan.set',
        id: 'rosa-plan',
        change: { steps: [{ id: 'b', kind: 'goto', planId: 'main-plan' }] },
      },
    ]);
    const found = look(circle).filter((f) => f.id.startsWith('loop:'));
    expect(found).toMatchObject([
      { severity: 'stops', title: 'Main line and Rosa direct send calls round in a circle' },
    ]);
    const own = edited(yard(), [steps({ id: 'a', kind: 'goto', planId: 'main-plan' })]);
    expect(look(own).filter((f) => f.id.startsWith('loop:'))).toMatchObject([
      { title: 'Main line sends calls to itself' },
    ]);
  });
  it('find keys that lead nowhere, and keys that wait for extensions', () => {
    const system = edited(yard(), [
      steps(
        menu(
          [
            { key: '1', steps: [vm] },
            { key: '6', steps: [] },
            { key: '2', steps: [{ ...vm, id: 'vm2' }] },
          ],
          true,
        ),
        { ...vm, id: 'end' },
      ),
    ]);
    const after = fixed(system, 'dead-key:menu:6');
    expect(look(after).find((f) => f.id === 'late-key:menu')).toMatchObject({
      severity: 'hint',
      title: 'Key 2 of Main line waits 4 s',
    });
  });
  it('find menus without keys, and steps that lack what they need', () => {
    const system = edited(yard(), [
      steps(
        menu([]),
        { id: 'f', kind: 'forward', number: null, shows: 'caller', confirm: true, seconds: 20 },
        { id: 'q', kind: 'queue', queueId: null, branches: [] },
        { id: 'g', kind: 'goto', planId: null },
        { id: 'n', kind: 'notify', how: 'mail', to: '', text: '' },
        { id: 's', kind: 'share', how: 'in turn', branches: [] },
        { id: 'a', kind: 'ask', questions: [], answers: [] },
        { id: 'c', kind: 'caller', branches: [], otherwise: [] },
        { id: 'e', kind: 'end', how: 'message', recordingId: null },
      ),
    ]);
    const ids = look(system).map((f) => f.id);
    for (const id of [
      'no-keys:menu',
      'no-number:f',
      'no-queue:q',
      'no-plan-chosen:g',
      'no-address:n',
      'no-ways:s',
      'no-questions:a',
      'no-tests:c',
      'silent:e',
    ])
      expect(ids).toContain(id);
  });
  it('find queues nobody serves', () => {
    const system = edited(yard(), [{ do: 'queue.add', value: newQueue({ id: 'q', name: 'Desk' }) }]);
    expect(look(system).find((f) => f.id === 'empty-queue:q')).toMatchObject({
      place: { kind: 'queue', id: 'q' },
    });
  });
  it('find gaps of a rota, and take back the swap that made one', () => {
    const rota = newRota({
      id: 'w',
      name: 'Watch',
      from: '2026-11-23',
      turns: ['rosa'],
      swaps: [{ from: '2026-12-05T08:00', to: '2026-12-06T08:00', personId: null }],
    });
    fixed(edited(yard(), [{ do: 'rota.add', value: rota }]), 'gap:w');
    const empty = edited(yard(), [{ do: 'rota.add', value: { ...rota, turns: ['rosa', null], swaps: [] } }]);
    expect(look(empty).find((f) => f.id === 'gap:w')!.fix).toBeUndefined();
  });
  it('find outside phones that take calls by lifting', () => {
    const forward = edited(yard(), [
      steps(
        { id: 'f', kind: 'forward', number: '+12065550155', shows: 'caller', confirm: false, seconds: 20 },
        vm,
      ),
    ]);
    fixed(forward, 'unconfirmed:f');
    const rung = edited(yard(), [
      steps(
        {
          id: 'r',
          kind: 'ring',
          targets: [{ kind: 'outside', id: '+12065550155' }],
          pattern: 'together',
          seconds: 20,
          followReach: false,
        },
        vm,
      ),
    ]);
    fixed(rung, 'unconfirmed:r');
  });
  it('find hours that know no holiday, until they know one', () => {
    expect(look(yard()).find((f) => f.id === 'no-holidays:office')).toMatchObject({ severity: 'hint' });
    const known = edited(yard(), [
      {
        do: 'hours.set',
        id: 'office',
        change: {
          exceptions: [
            { id: 'x', name: 'X', when: { on: 'dates', dates: ['2026-12-25'] }, times: [], holiday: null },
          ],
        },
      },
    ]);
    expect(look(known).map((f) => f.id)).not.toContain('no-holidays:office');
    const past = edited(yard(), [
      {
        do: 'hours.set',
        id: 'office',
        change: {
          exceptions: [
            { id: 'x', name: 'X', when: { on: 'dates', dates: ['2020-12-25'] }, times: [], holiday: null },
          ],
        },
      },
    ]);
    expect(look(past).map((f) => f.id)).toContain('no-holidays:office');
  });
  it('find hours of the week that end badly, and say when', () => {
    const system = edited(yard(), [
      steps({
        id: 'h',
        kind: 'hours',
        hoursId: 'office',
        branches: [{ period: 'Open', steps: [vm] }],
        otherwise: [{ id: 'p', kind: 'play', recordingId: 'closed' }],
      }),
    ]);
    const finding = look(system).find((f) => f.id === 'bad-hours:main')!;
    expect(finding.title).toBe('Callers to Main line reach nobody and no mailbox');
    expect(finding.detail).toContain('Mon–Fri 00:00–08:00 and 17:00–24:00');
  });
  it('find people whose calls go round in a circle', () => {
    const to = (personId: string) => ({
      always: { to: 'person' as const, personId },
      steps: [],
      onBusy: null,
      onNotAnswered: null,
      onUnreachable: null,
    });
    const system = edited(yard(), [
      { do: 'person.set', id: 'rosa', change: { reach: to('idris') } },
      { do: 'person.set', id: 'idris', change: { reach: to('rosa') } },
    ]);
    fixed(system, 'forward-loop:idris rosa');
  });
  it('tell of broken promises where the calls go', () => {
    const system = edited(yard(), [
      {
        do: 'promise.add',
        value: {
          id: 'p',
          name: 'Rosa is rung',
          numberId: 'main',
          caller: null,
          behaviour: {
            people: {},
            phones: {},
            otherwise: { does: 'nothing' },
            caller: { hangsUpAfter: null, talks: 60, message: 12 },
          },
          when: { on: 'always' },
          expects: [{ is: 'rings', personIds: ['rosa'], within: 10 }],
        },
      },
    ]);
    const broken = checkPromises(system, allOn(system), momentOf('America/Los_Angeles', today, 600)).filter(
      (v) => v.is === 'broken' || v.is === 'not followed',
    );
    expect(look(system, { broken }).find((f) => f.id === 'broken:p')).toMatchObject({
      severity: 'stops',
      place: { kind: 'plan', id: 'main-plan' },
      detail: expect.stringContaining('not rings Rosa Delgado within 10 s'),
    });
  });
});
