import { describe, expect, it } from 'vitest';
import { allOn, edited, yard } from '../../../tests/fixtures/yard';
import { emptySystem, newBusiness, newRegistration, type Command, type Standing } from '../../core/system';
import { hurdles, type Device } from './ready';

const system = yard();
const fine: Device = { microphone: 'granted', notifications: 'granted', here: true };
/** Tuesday 24 November 2026, 10:15 at the yard. */
const NOW = Date.UTC(2026, 10, 24, 18, 15);

interface Case {
  commands?: Command[];
  standing?: Partial<Standing>;
  registration?: Parameters<typeof newRegistration>[0];
  device?: Partial<Device>;
  forced?: boolean;
}
function said({ commands = [], standing = {}, registration, device = {}, forced = true }: Case) {
  const of = edited(system, commands);
  const all = allOn(of);
  const registrations = registration
    ? { ...all.registrations, 'pia-web': newRegistration(registration) }
    : all.registrations;
  const nothing = emptySystem(newBusiness({ name: 'x', country: 'US', timeZone: 'America/Los_Angeles' }));
  return hurdles(
    of.people.pia!,
    of.phones['pia-web']!,
    forced ? of : nothing,
    { ...all, registrations, ...standing },
    { ...fine, ...device },
    NOW,
  );
}
const set = (change: Extract<Command, { do: 'person.set' }>['change']): Command[] => [
  { do: 'person.set', id: 'pia', change },
];

describe('whether a phone is ready', () => {
  it('nothing is in the way of one that is', () => expect(said({})).toEqual([]));

  it.each<[string, Case]>([
    ['This phone is open in another window', { device: { here: false } }],
    ['It is still signing on', { registration: { pairedAt: 0, online: false } }],
    ['You are not in force yet', { forced: false }],
    [
      'You are outside the office, where this phone may not ring',
      { registration: { pairedAt: 0, outside: true } },
    ],
    ['Do not disturb is on', { standing: { dnd: { pia: { value: true, at: 0, by: 'Pia' } } } }],
    [
      'You are away today',
      { commands: set({ away: [{ from: '2026-11-24', to: '2026-11-24', standInId: null }] }) },
    ],
    ['The microphone is not allowed yet', { device: { microphone: 'prompt' } }],
    ['The browser refuses the microphone', { device: { microphone: 'denied' } }],
  ])('%s', (words, given) => {
    const found = said(given);
    expect(found.map((h) => h.words)).toEqual([words]);
    expect(found[0]!.stops).toBe(true);
    expect(found[0]!.todo).not.toBe('');
  });

  it('outside the office is no hurdle where it is allowed', () => {
    const allowed: Command[] = [{ do: 'phone.set', id: 'pia-web', change: { outsideOffice: true } }];
    expect(said({ commands: allowed, registration: { pairedAt: 0, outside: true } })).toEqual([]);
  });

  it('working hours are asked at the moment', () => {
    expect(said({ commands: set({ hoursId: 'office' }) })).toEqual([]);
    const shut: Command = {
      do: 'hours.add',
      value: {
        id: 'late',
        name: 'Late shift',
        timeZone: null,
        weekly: [{ day: 2, from: 1200, to: 1320, kind: 'Open' }],
      },
    };
    expect(said({ commands: [shut, ...set({ hoursId: 'late' })] })[0]).toMatchObject({
      words: 'It is outside your working hours',
      todo: 'Late shift say when you are rung.',
    });
  });

  it('refused notifications are good to know and stop nothing', () => {
    expect(said({ device: { notifications: 'denied' } })).toEqual([
      expect.objectContaining({ words: 'The browser refuses notifications', stops: false }),
    ]);
    expect(said({ device: { notifications: 'default' } })).toEqual([]);
  });
});
