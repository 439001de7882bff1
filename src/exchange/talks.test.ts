/** The live switch carries calls on after they are answered: out of the house, on to others, and when a window is gone. */
import { expect, it } from 'vitest';
import { DEMO_ID } from '../../demo/lantern-cove';
import { newRegistration } from '../core/system';
import { Changes, storeStanding, writeHabits } from '../workspace';
import { callerLock, outsideLock, phoneLock } from './protocol';
import {
  act,
  breathe,
  CALL,
  db,
  hold,
  parts,
  pass,
  phase,
  place,
  seen,
  startSwitch,
  withSwitch,
} from '../../tests/fixtures/switch';

withSwitch();

const ROSA = { from: { kind: 'phone' as const, phoneId: 'rosa-desk' } };
const AWAY = '+12065550134';
const out = () => place('', { ...ROSA, to: { kind: 'digits', digits: '9 1 206 555 0134' } });

it('an outside number does what is set for it, where no window rings in its place', async () => {
  await writeHabits(db, DEMO_ID, { [AWAY]: { does: 'answers', after: 2 } });
  await out();
  await pass(7000);
  expect(phase()).toBe('ringing');
  await pass(1500);
  expect(seen.get(CALL)!.ends.map((e) => e.phone)).toEqual(['rosa-desk', `outside:${AWAY}`]);
  await act({ kind: 'hang up', callId: CALL, by: 'caller' });
  expect((await db.get('calls', CALL))!.words).toContain('answered by (206) 555-0134');
});

it('it rings in its window where one is open, and whoever closes that has hung up', async () => {
  await writeHabits(db, DEMO_ID, { [AWAY]: { does: 'busy' } });
  hold([outsideLock(AWAY)]);
  await pass(1500);
  await out();
  await pass(9000);
  expect(phase()).toBe('ringing');
  await act({ kind: 'answer', callId: CALL, phone: `outside:${AWAY}` });
  await pass(1500);
  hold([]);
  await pass(7000);
  expect(phase()).toBe('over');
});

it('busy is said of it, with its own words', async () => {
  await writeHabits(db, DEMO_ID, { [AWAY]: { does: 'busy' } });
  await out();
  await pass(2500);
  expect((await db.get('calls', CALL))!.words).toContain('(206) 555-0134: busy');
});

it('a softphone whose window is gone keeps the caller for ten seconds, then they ring at its other phones', async () => {
  await storeStanding(db, DEMO_ID, (s) => ({
    ...s,
    registrations: { ...s.registrations, 'jonah-browser': newRegistration({ pairedAt: 0 }) },
  }));
  const other = new Changes();
  parts.push(other);
  other.tell({ businessId: DEMO_ID, what: 'standing' });
  const open = [callerLock(CALL), phoneLock(DEMO_ID, 'jonah-browser')];
  hold(open);
  await breathe();
  await pass(1500);
  await place('+15095550118');
  await act({ kind: 'answer', callId: CALL, phone: 'jonah-browser' });
  hold([callerLock(CALL)]);
  await pass(4000);
  expect(seen.get(CALL)!.trace.at(-1)).toMatchObject({ kind: 'phone gone', phone: 'jonah-browser' });
  hold(open);
  await pass(2000);
  expect(seen.get(CALL)!.trace.at(-1)).toMatchObject({ kind: 'phone there again' });
  expect(phase()).toBe('talking');
  hold([callerLock(CALL)]);
  await pass(12_500);
  expect(seen.get(CALL)!.trace.some((e) => e.kind === 'comes back')).toBe(true);
});

it('another window takes up a call that is held, passed on or parked', async () => {
  await place();
  await act({ kind: 'answer', callId: CALL, phone: 'rosa-desk' });
  await act({
    kind: 'pass on',
    callId: CALL,
    phone: 'rosa-desk',
    to: { to: 'person', personId: 'pia' },
    ifNobody: { then: 'back' },
  });
  for (const part of parts.splice(0, 2)) part.close();
  await startSwitch();
  await pass(1000);
  expect(seen.get(CALL)!.passing).toMatchObject({ by: 'rosa-desk', way: 'out' });
  await pass(27_000);
  expect(seen.get(CALL)!.trace.some((e) => e.kind === 'comes back')).toBe(true);
});
