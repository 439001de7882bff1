/** A key of a menu always reaches a person. */
import { expect, it } from 'vitest';
import { allOn, edited, yard } from '../../../tests/fixtures/yard';
import { momentOf } from '../hours';
import type { Command, Promised, Step, System } from '../system';
import { checkPromise, keyPromise } from '.';

const NOW = momentOf('America/Los_Angeles', '2026-11-24', 600);
const ring = (id: string, personId: string): Step => ({
  id,
  kind: 'ring',
  targets: [{ kind: 'person', id: personId }],
  pattern: 'together',
  seconds: 18,
  followReach: false,
});
const menu: Step = {
  id: 'm',
  kind: 'menu',
  recordingId: 'welcome',
  seconds: 4,
  tries: 2,
  dialExtension: false,
  nameKey: null,
  branches: [
    { key: '1', steps: [ring('t', 'tomas')] },
    { key: '2', steps: [{ id: 'e', kind: 'end', how: 'busy' }] },
  ],
  otherwise: [],
};
const plan = (...steps: Step[]): Command => ({ do: 'plan.set', id: 'main-plan', change: { steps } });
const promised = (system: System, key: '1' | '2'): Promised => ({
  ...keyPromise(system, allOn(system), 'm', key, NOW)!,
  id: 'p',
});
const kept = (system: System, key: '1' | '2') =>
  checkPromise(system, allOn(system), promised(system, key), NOW).is === 'kept';

it('is kept where the key rings somebody at all hours, and broken where it does not', () => {
  const system = edited(yard(), [plan(ring('r', 'rosa'), menu)]);
  expect(promised(system, '1')).toMatchObject({
    name: 'Main line: key 1 reaches a person',
    numberId: 'main',
    when: { on: 'always' },
    // Whoever is rung before the menu would take the call from it.
    behaviour: { people: { rosa: { does: 'nothing' } }, otherwise: { does: 'answers' } },
  });
  expect([kept(system, '1'), kept(system, '2')]).toEqual([true, false]);
});
it('is about the hours in which callers come to the menu', () => {
  const night: Step = {
    id: 'h',
    kind: 'hours',
    hoursId: 'office',
    branches: [{ period: 'Open', steps: [ring('r', 'rosa')] }],
    otherwise: [menu],
  };
  const system = edited(yard(), [plan(night, { id: 'v', kind: 'voicemail', mailboxId: 'front' })]);
  expect(promised(system, '1').when).toEqual({ on: 'hours', hoursId: 'office', period: null });
  expect(kept(system, '1')).toBe(true);
  const away: Command = { do: 'person.set', id: 'tomas', change: { quiet: { from: 1320, to: 360 } } };
  expect(kept(edited(system, [away]), '1')).toBe(false);
});
it('is none where no caller comes to the menu', () => {
  expect(keyPromise(yard(), allOn(yard()), 'm', '1', NOW)).toBeUndefined();
});
