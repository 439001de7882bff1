import PostalMime from 'postal-mime';
import { describe, expect, it } from 'vitest';
import { DEMO_ID } from '../../demo/lantern-cove';
import { outcomeOf, traceLines, rehearse } from '../core/calls';
import { keptPin } from '../core/messages';
import { asPaired, newRegistration } from '../core/system';
import { Changes, storeStanding } from '../workspace';
import { callerLock, phoneLock } from './protocol';
import {
  act,
  breathe,
  CALL,
  calls,
  client,
  db,
  hold,
  parts,
  pass,
  phase,
  place,
  request,
  seen,
  startSwitch,
  TEN_FIFTEEN,
  told,
  whole,
  withSwitch,
} from '../../tests/fixtures/switch';

withSwitch();

describe('a real call', () => {
  it('takes the same way as its rehearsal, to the millisecond', async () => {
    await place('+13605550171');
    await pass(34_000);
    const said = client.say(CALL, { text: 'Hello Rosa', sound: null });
    await breathe();
    await pass(1);
    await said;
    await act({ kind: 'hang up', callId: CALL, by: 'caller' });
    const record = (await db.get('calls', CALL))!;
    const system = whole.draft.system;
    const { seconds } = outcomeOf(record.trace)!.outcome as { seconds: number };
    const rehearsed = rehearse(system, asPaired(whole.standing.standing), {
      ...record.request,
      behaviour: {
        people: {},
        phones: {},
        otherwise: { does: 'nothing' },
        caller: { hangsUpAfter: null, talks: 60, message: seconds },
      },
    });
    const start = (lines: string[]) => lines.slice(0, -2);
    expect(start(traceLines(record.trace, system))).toEqual(start(traceLines(rehearsed, system)));
    expect(record.words).toMatch(/^Rang Rosa Delgado 18 s, nobody answered; message left in Rosa Delgado/);
  });

  it('keeps what was said to a mailbox until somebody took the call from it', async () => {
    await place('+13605550171');
    await pass(36_000);
    expect(seen.get(CALL)?.phase).toBe('message');
    const said = client.say(CALL, { text: 'Rosa, are you there?', sound: null });
    await breathe();
    await pass(4000);
    await said;
    await act({ kind: 'listen in', callId: CALL, phone: 'rosa-desk' });
    expect(seen.get(CALL)?.listening).toEqual([{ phone: 'rosa-desk', personId: 'rosa' }]);
    await act({ kind: 'pick up', callId: CALL, phone: 'rosa-desk' });
    await pass(3000);
    await act({ kind: 'hang up', callId: CALL, by: 'caller' });
    expect(outcomeOf((await db.get('calls', CALL))!.trace)?.outcome.kind).toBe('answered');
    expect(await db.get('messages', CALL)).toMatchObject({
      mailboxId: 'rosa-box',
      said: 'Rosa, are you there?',
    });
  });

  it('leaves the message in the mailbox and in its people’s mail', async () => {
    await place('+13605550143');
    await act({ kind: 'hang up', callId: CALL, by: 'caller' });
    expect(await db.get('messages', CALL)).toBeUndefined();
    // The workshop rings three people for 12 s each.
    await place('+13605550143', { id: 'second', from: { kind: 'outside', number: null } });
    hold([callerLock('second')]);
    await pass(46_000);
    expect(seen.get('second')?.phase).toBe('message');
    const said = client.say('second', { text: 'It leaks', sound: 'data:audio/webm;base64,AAAA' });
    await breathe();
    await pass(1);
    await said;
    await act({ kind: 'hang up', callId: 'second', by: 'caller' });
    expect(await db.get('messages', 'second')).toMatchObject({
      mailboxId: 'workshop',
      said: 'It leaks',
      from: 'Hidden number',
      heard: false,
    });
    const mail = await db.getAllFromIndex('mail', 'business', DEMO_ID);
    expect(mail.map((m) => m.to).sort()).toEqual([
      'mei.tanaka@lanterncove.example',
      'tomas.brandt@lanterncove.example',
    ]);
    const letter = await PostalMime.parse(mail[0]!.raw);
    expect(letter.text).toContain('It leaks');
    expect(letter.attachments).toHaveLength(1);
    expect(told.map((c) => c.what)).toEqual(expect.arrayContaining(['calls', 'messages', 'mail']));
  });

  it('is answered on one phone and stops on the others; either side can hang up', async () => {
    await place();
    expect(phase()).toBe('ringing');
    await pass(3000);
    expect(seen.get(CALL)!.legs.map((l) => l.state)).toEqual(['sounding', 'sounding']);
    await act({ kind: 'answer', callId: CALL, phone: 'rosa-desk' });
    expect(seen.get(CALL)).toMatchObject({
      phase: 'talking',
      ends: [{ phone: 'caller' }, { phone: 'rosa-desk' }],
    });
    await pass(5000);
    await act({ kind: 'hang up', callId: CALL, by: 'called' });
    expect(phase()).toBe('over');
    expect((await db.get('calls', CALL))!.trace.at(-1)).toMatchObject({ kind: 'ended', by: 'called' });
    expect(calls).toHaveLength(1);
    await place('+13605550171', { id: 'next' });
    expect(calls.map((c) => c.request.id)).toEqual(['next']);
  });
});

describe('windows that come and go', () => {
  it('a star code dialled on a desk phone changes the setting of whoever it belongs to', async () => {
    const from = { kind: 'phone' as const, phoneId: 'rosa-desk' };
    await place('', { from, to: { kind: 'digits', digits: '*78' } });
    const rosa = async () => (await db.get('standing', DEMO_ID))!.standing.dnd.rosa;
    expect(await rosa()).toEqual({
      value: true,
      until: null,
      at: expect.any(Number),
      by: 'Rosa Delgado · Desk phone, by *78',
    });
    expect((await db.get('calls', CALL))!.words).toBe('*78: do not disturb on after 0 s.');
    await place('', { id: 'call-2', from, to: { kind: 'digits', digits: '*79' } });
    expect((await rosa())!.value).toBe(false);
    await place('', { id: 'call-3', from, to: { kind: 'digits', digits: '*72' } });
    expect((await db.get('calls', 'call-3'))!.words).toContain('not done');
    await place('', { id: 'call-4', from, to: { kind: 'digits', digits: '*72203' } });
    const { own } = (await db.get('standing', DEMO_ID))!.standing;
    expect(own!.people.rosa!.always).toMatchObject({ value: { to: 'person', personId: 'pia' } });
    // It holds for the next call.
    await place();
    expect(calls.find((c) => c.request.id === CALL)!.trace).toContainEqual(
      expect.objectContaining({ kind: 'redirected', to: { to: 'person', personId: 'pia' }, why: 'always' }),
    );
  });

  it('a code to forward, dialled by itself, goes where the same calls went last', async () => {
    const from = { kind: 'phone' as const, phoneId: 'rosa-desk' };
    for (const [i, digits] of ['*72203', '*73', '*90202', '*91', '*90', '*92'].entries())
      await place('', { id: `call-${i}`, from, to: { kind: 'digits', digits } });
    const { own } = (await db.get('standing', DEMO_ID))!.standing;
    expect(own!.people.rosa!.onBusy).toMatchObject({ value: { to: 'person', personId: 'idris' } });
    expect(own!.people.rosa!.always).toMatchObject({ value: null });
    expect(own!.people.rosa!.onNotAnswered).toBeUndefined();
    expect((await db.get('calls', 'call-5'))!.words).toContain('dial where calls are to go behind *92');
  });

  it('whoever listens by keypad marks the messages, and another window sees it', async () => {
    await storeStanding(db, DEMO_ID, (s) => ({
      ...s,
      pins: { 'rosa-box': { value: keptPin('4827', 'salt'), at: 0, by: 'Rosa Delgado' } },
    }));
    const other = new Changes();
    parts.push(other);
    other.tell({ businessId: DEMO_ID, what: 'standing' });
    await breathe();
    const from = { kind: 'phone' as const, phoneId: 'rosa-desk' };
    await place('', { from, to: { kind: 'digits', digits: '*98' } });
    for (const key of '4827#2') await act({ kind: 'press', callId: CALL, key });
    await act({ kind: 'press', callId: CALL, key: '3' });
    expect(await db.get('messages', 'demo-message-3')).toMatchObject({ folder: 'bin', heard: true });
    expect(told.filter((c) => c.what === 'messages').length).toBeGreaterThan(0);
    await act({ kind: 'press', callId: CALL, key: '*' });
    expect((await db.get('calls', CALL))!.words).toContain('listened to Rosa Delgado');
  });

  it('a message of somebody suspected lies among spam, and nobody is told of it by mail', async () => {
    const from = { kind: 'outside' as const, number: '+12065550187', suspected: true };
    await place('+13605550171', { from });
    await pass(60_000);
    await client.say(CALL, { text: 'You have won.', sound: null });
    await act({ kind: 'hang up', callId: CALL, by: 'caller' });
    expect(await db.get('messages', CALL)).toMatchObject({ folder: 'spam', said: 'You have won.' });
    expect(await db.getAllFromIndex('mail', 'business', DEMO_ID)).toEqual([]);
  });

  it('a caller whose window stays closed has hung up; a reload has not', async () => {
    await place();
    hold([]);
    await pass(2000);
    hold([callerLock(CALL)]);
    await pass(6000);
    expect(phase()).toBe('ringing');
    hold([]);
    await pass(8000);
    expect(phase()).toBe('over');
    expect(outcomeOf((await db.get('calls', CALL))!.trace)?.outcome).toEqual({
      kind: 'hung up',
      during: 'ringing',
    });
  });

  it('a softphone is on while its window is open, and rings only then', async () => {
    await storeStanding(db, DEMO_ID, (s) => ({
      ...s,
      registrations: {
        ...s.registrations,
        'jonah-browser': newRegistration({ pairedAt: 0 }),
      },
    }));
    const other = new Changes();
    parts.push(other);
    other.tell({ businessId: DEMO_ID, what: 'standing' });
    await breathe();
    await pass(2500);
    expect((await db.get('standing', DEMO_ID))!.standing.registrations['jonah-browser']!.online).toBe(false);
    hold([callerLock(CALL), phoneLock(DEMO_ID, 'jonah-browser')]);
    // Placing a call looks first who is there.
    await place('+15095550118');
    expect(seen.get(CALL)!.legs.map((l) => l.phone)).toEqual(['wren-desk', 'jonah-browser']);
  });

  it('another window takes the calls up where they are', async () => {
    await place();
    await pass(7000);
    for (const part of parts.splice(0, 2)) part.close();
    await pass(3000);
    await startSwitch();
    await pass(9500);
    expect(phase()).toBe('greeting');
    await pass(6000);
    expect(phase()).toBe('message');
    const times = seen
      .get(CALL)!
      .trace.filter((e) => e.kind === 'ringing over' || e.kind === 'tone')
      .map((e) => e.t);
    // Thirteen words of greeting take 5.5 s.
    expect(times).toEqual([18_000, 23_500]);
  });

  it('a message sent twice is done once', async () => {
    const channel = new BroadcastChannel('upper-line:exchange');
    parts.push(channel);
    const message = {
      kind: 'act',
      id: 'same',
      businessId: DEMO_ID,
      action: { kind: 'place', request: request('+13605550171') },
    };
    channel.postMessage(message);
    channel.postMessage(message);
    await breathe();
    await pass(10);
    expect(calls).toHaveLength(1);
    await act({ kind: 'hang up', callId: CALL, by: 'caller' });
    channel.postMessage(message);
    await breathe();
    await pass(10);
    expect((await db.getAll('calls')).length).toBe(1);
    expect(calls.filter((c) => c.phase !== 'over')).toHaveLength(0);
  });
});

it('new plans hold for new calls once they are in force', async () => {
  await place();
  const version = (await db.getAllFromIndex('versions', 'business', DEMO_ID))[0]!;
  const system = structuredClone(version.system);
  system.plans['rosa-direct']!.steps = [{ id: 'busy', kind: 'end', how: 'busy' }];
  await db.raw.put('versions', { ...version, n: 1, system });
  const other = new Changes();
  parts.push(other);
  other.tell({ businessId: DEMO_ID, what: 'in force' });
  await breathe();
  await pass(100);
  expect(phase()).toBe('ringing');
  await place('+13605550171', { id: 'later' });
  expect(outcomeOf(seen.get('later')!.trace)?.outcome).toEqual({ kind: 'ended', how: 'busy' });
});

it('says so when nobody runs the switch', async () => {
  for (const part of parts.splice(0, 2)) part.close();
  const tried = client.act({ kind: 'place', request: request('+13605550171') });
  const failed = expect(tried).rejects.toThrow('does not answer');
  await pass(9000);
  await failed;
});

it('goes by a bench clock that runs ten times as fast', async () => {
  await db.raw.put('settings', { mode: 'set', benchAt: TEN_FIFTEEN, realAt: Date.now(), speed: 10 }, 'clock');
  const other = new Changes();
  parts.push(other);
  other.tell({ businessId: null, what: 'clock' });
  await breathe();
  await place();
  await pass(1500);
  expect(phase()).toBe('ringing');
  // Eighteen seconds of ringing are over, and nobody did anything.
  await pass(350);
  expect(phase()).toBe('greeting');
});
