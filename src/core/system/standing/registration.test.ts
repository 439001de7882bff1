import { describe, expect, it } from 'vitest';
import { newPhone } from '../defaults';
import type { PhoneKind } from '../shape/people';
import {
  accountId,
  accountsOn,
  newRegistration,
  REGISTERED_SECONDS,
  registeredAt,
  type Account,
} from './registration';
import { asPaired, emptyStanding } from './standing';

const LIFE = REGISTERED_SECONDS * 1000;
const HALF = LIFE / 2;
const account = (madeAt: number): Account => ({
  user: 'p',
  ha1: { MD5: '', 'SHA-256': '' },
  madeAt,
  wrongTries: 0,
  lockedUntil: null,
});
const at = (now: number, change: object, kind: PhoneKind = 'desk', kept?: Account) =>
  registeredAt(newRegistration({ pairedAt: 0, standIn: true, ...change }), kind, kept, now);

describe('a registration', () => {
  it('is renewed at half its time for as long as the phone is in reach', () => {
    expect(at(HALF * 7.5, {})).toEqual({
      registered: true,
      reached: true,
      lastSeen: HALF * 7,
      runsOut: null,
      why: null,
    });
  });

  it('runs out a whole time after its last renewal when the network is gone', () => {
    const gone = { condition: 'no network', conditionSince: HALF * 3.2 };
    expect(at(HALF * 3.1, gone)).toMatchObject({ registered: true, reached: true, why: null });
    expect(at(HALF * 3.3, gone)).toMatchObject({
      registered: true,
      reached: false,
      lastSeen: HALF * 3,
      runsOut: HALF * 3 + LIFE,
      why: 'it has no network',
    });
    expect(at(HALF * 3 + LIFE - 1, gone).registered).toBe(true);
    expect(at(HALF * 3 + LIFE, gone).registered).toBe(false);
  });

  it('lapses with a sleeping computer, and not with a sleeping app, which a push message wakes', () => {
    const asleep = { condition: 'asleep', conditionSince: 0 };
    expect(at(LIFE, asleep, 'computer')).toMatchObject({ registered: false, why: 'it is asleep' });
    expect(at(LIFE * 100, asleep, 'mobile app')).toMatchObject({ registered: true, reached: true });
  });

  it('lapses with a password that is no longer right, and still arrives until then', () => {
    const old = { passwordOf: 0 };
    expect(at(LIFE * 5, old, 'desk', account(0)).registered).toBe(true);
    const renewed = account(LIFE * 5);
    expect(at(LIFE * 5 + 1, old, 'desk', renewed)).toMatchObject({
      registered: true,
      reached: true,
      why: 'its password is no longer right',
    });
    expect(at(LIFE * 6, old, 'desk', renewed).registered).toBe(false);
  });

  it('of a window is as long as the window, of a stand-in that is off is none', () => {
    const window = (online: boolean) =>
      registeredAt(newRegistration({ pairedAt: 0, online, seenAt: 5 }), 'browser', undefined, 100);
    expect(window(true)).toMatchObject({ registered: true, lastSeen: 100 });
    expect(window(false)).toMatchObject({ registered: false, lastSeen: 5, why: 'its window is closed' });
    expect(at(1, { online: false })).toMatchObject({ registered: false, why: 'it is switched off' });
  });

  it('in a rehearsal every phone that was paired is there', () => {
    const registrations = {
      x: newRegistration({ pairedAt: 0, standIn: true, condition: 'no network', passwordOf: 3 }),
    };
    const { x } = asPaired({ ...emptyStanding(), registrations }).registrations;
    expect(registeredAt(x!, 'desk', undefined, LIFE * 9)).toMatchObject({ registered: true, reached: true });
  });
});

describe('accounts on a phone', () => {
  const phone = newPhone({
    id: 'd',
    name: 'Desk phone',
    kind: 'desk',
    personId: 'rosa',
    keys: [{ personId: 'room', label: '' }],
  });
  it('are one for each key, in order', () => {
    expect(accountsOn(phone)).toEqual(['rosa', 'room']);
    expect(accountsOn(phone).map((p) => accountId(phone, p))).toEqual(['d', 'd--room']);
    expect(accountId({ ...phone, personId: null, keys: [] }, null)).toBe('d');
  });
});
