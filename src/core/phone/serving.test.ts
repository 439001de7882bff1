/** Serving a queue: what is missing first, how one stands, who waits, and what colleagues see meanwhile. */
import { describe, expect, it } from 'vitest';
import { allOn, edited, yard } from '../../../tests/fixtures/yard';
import { newQueue, settle, type Setting, type Standing } from '../system';
import {
  finishing,
  isOff,
  missingToServe,
  presenceInWords,
  presenceOf,
  servedBy,
  serviceOf,
  type Presence,
} from '.';

const NOW = Date.UTC(2026, 10, 24, 18, 15);
const system = edited(yard(), [
  {
    do: 'queue.add',
    value: newQueue({ id: 'q', name: 'Desk', memberIds: ['rosa', 'pia'], wrapUp: 20 }),
  },
]);
const set = (standing: Standing, setting: Setting, by = 'themselves') =>
  settle(standing, setting, { at: NOW, by }, system).standing;
const off = (standing: Standing, ...ids: string[]): Standing => ({
  ...standing,
  registrations: Object.fromEntries(
    Object.entries(standing.registrations).map(([id, r]) => [
      id,
      ids.includes(id) ? { ...r, online: false } : r,
    ]),
  ),
});

describe('what is missing before calls of a queue reach somebody', () => {
  const whys = (standing: Standing, person = 'pia') =>
    missingToServe(system, standing, person, NOW).map((m) => m.why);
  it('is nothing where one of their phones would ring', () => {
    expect(whys(allOn(system))).toEqual([]);
    expect(whys(off(allOn(system), 'rosa-desk'), 'rosa')).toEqual([]);
  });
  it('is a phone that is off, or peace they have asked for, each with what to do', () => {
    expect(whys(off(allOn(system), 'pia-web'))).toEqual(['not registered']);
    const dnd = set(allOn(system), { kind: 'do not disturb', personId: 'pia', on: true, until: null });
    expect(missingToServe(system, dnd, 'pia', NOW)).toEqual([
      {
        why: 'do not disturb',
        words: 'Do not disturb is on',
        todo: 'Switch it off to be rung.',
      },
    ]);
  });
  it('is a phone at all, where they have none', () => {
    const bare = { ...system, phones: {} };
    expect(missingToServe(bare, allOn(system), 'pia', NOW).map((m) => m.why)).toEqual(['has no phone']);
  });
  it('somebody is off only when all of their phones are', () => {
    expect(isOff(system, off(allOn(system), 'rosa-desk'), 'rosa', NOW)).toBe(false);
    expect(isOff(system, off(allOn(system), 'rosa-desk', 'rosa-app'), 'rosa', NOW)).toBe(true);
    const dnd = set(allOn(system), { kind: 'do not disturb', personId: 'pia', on: true, until: null });
    expect(isOff(system, dnd, 'pia', NOW)).toBe(false);
  });
});

describe('how somebody stands towards a queue', () => {
  const standing = allOn(system);
  it('is on, finishing, paused with why, or logged out by whom', () => {
    expect(serviceOf(standing, 'q', 'pia', null)).toEqual({ is: 'on' });
    expect(serviceOf(standing, 'q', 'pia', NOW + 5000)).toEqual({ is: 'finishing', until: NOW + 5000 });
    const paused = set(standing, { kind: 'paused', personId: 'pia', reason: 'a break' });
    expect(serviceOf(paused, 'q', 'pia', null)).toMatchObject({ is: 'paused', reason: 'a break' });
    const out = set(paused, { kind: 'logged in', queueId: 'q', personId: 'pia', on: false }, 'the exchange');
    expect(serviceOf(out, 'q', 'pia', null)).toMatchObject({ is: 'logged out', by: 'the exchange' });
  });
  it('finishing lasts as long as the queue leaves them alone after a call', () => {
    const memory = { idleSince: { pia: NOW - 5000, rosa: NOW - 30_000, tomas: NOW } };
    expect([...finishing(memory, system, NOW)]).toEqual([['pia', NOW + 15_000]]);
  });
  it('those who wait are counted, rung for or not, and the first of them is known', () => {
    const wait = (since: number, phase: string) => ({ phase, waiting: { queueId: 'q', since } }) as never;
    const calls = [wait(NOW - 9000, 'ringing'), wait(NOW - 2000, 'queued'), wait(NOW - 60_000, 'talking')];
    expect(servedBy('pia', system, calls)).toEqual([{ queueId: 'q', waiting: 2, since: NOW - 9000 }]);
    expect(servedBy('tomas', system, calls)).toEqual([]);
  });
});

describe('a word of one’s own', () => {
  const word = (until: number | null): Presence => {
    const standing = set(allOn(system), {
      kind: 'own word',
      personId: 'pia',
      words: 'at the dentist',
      until,
    });
    const phones = Object.values(system.phones).filter((p) => p.personId === 'pia');
    return presenceOf(system.people['pia']!, phones, { system, standing, calls: [], now: NOW });
  };
  it('stands beside what is worked out, until it ends', () => {
    expect(presenceInWords(word(NOW + 60_000), (d) => d)).toBe('free · “at the dentist”');
    expect(word(NOW)).toEqual({ is: 'free' });
    expect(word(null).word).toBe('at the dentist');
  });
});
