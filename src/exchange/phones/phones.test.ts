/** Staff phones are thin: a window knows what the exchange tells it, asks for the rest, and hears no secret. */
import { afterEach, beforeEach, expect, it } from 'vitest';
import { DEMO_ID } from '../../../demo/lantern-cove';
import { Changes } from '../../workspace';
import { callerLock, phoneLock } from '../protocol';
import {
  act,
  breathe,
  CALL,
  db,
  hold,
  parts,
  pass,
  place,
  startSwitch,
  withSwitch,
} from '../../../tests/fixtures/switch';
import { PhoneClient, Refused } from './client';
import type { Parts } from './protocol';

withSwitch();

const DOVS = '+13605550188';
const NOOR = 'noor-computer';

/** A phone's window, with everything it ever received. */
class Window {
  readonly received: string[] = [];
  is: Partial<Parts> = {};
  none = '';
  readonly client: PhoneClient;
  private asked = 0;
  constructor(
    readonly phoneId: string,
    businessId = DEMO_ID,
  ) {
    this.client = new PhoneClient(
      { businessId, phoneId },
      {
        told: (part, is) => {
          this.received.push(JSON.stringify(is));
          this.is = { ...this.is, [part]: is };
        },
        none: (words) => (this.none = words),
      },
      () => `${phoneId}-${++this.asked}`,
    );
    parts.push(this.client);
  }
  /** Asks, and lets what it starts finish. */
  async ask<R extends Parameters<PhoneClient['ask']>[0]>(request: R, id?: string) {
    const answer = this.client.ask(request, id).then(
      (value) => ({ value, refused: '' }),
      (error: Error) => ({
        value: null,
        refused: error instanceof Refused ? error.message : `! ${error.message}`,
      }),
    );
    await breathe();
    await pass(1);
    await breathe();
    const got = await answer;
    this.received.push(JSON.stringify(got));
    return got;
  }
}
let noor: Window;
beforeEach(async () => {
  hold([callerLock(CALL), phoneLock(DEMO_ID, NOOR), phoneLock(DEMO_ID, 'rosa-mobile-app')]);
  noor = new Window(NOOR);
  await pass(100);
  await breathe();
});
afterEach(() => noor.client.close());

const call = (id: string, digits: string, phoneId = NOOR) => ({
  do: 'act' as const,
  action: {
    kind: 'place' as const,
    request: {
      id,
      at: 0,
      from: { kind: 'phone' as const, phoneId },
      to: { kind: 'digits' as const, digits },
      behaviour: null,
    },
  },
});

it('is told of its business when it opens, and of its calls as they go', async () => {
  expect(noor.is.business!.system.people['noor']!.name).toBe('Noor Haddad');
  expect(noor.is.business!.inForce).toBe(true);
  expect(noor.is.calls!.presence['mei']).toEqual({ is: 'free' });
  await noor.ask(call('to-mei', '205'));
  await pass(4000);
  expect(noor.is.calls!.calls.map((c) => c.phase)).toEqual(['ringing']);
  expect(noor.is.calls!.presence['mei']).toEqual({ is: 'ringing' });
  await noor.ask({ do: 'act', action: { kind: 'hang up', callId: 'to-mei', by: 'caller' } });
  await pass(100);
  expect(noor.is.messages!.log.map((c) => c.id)).toContain('to-mei');
});

it('never receives what its person may not see, whatever goes on', async () => {
  // She calls whoever has a private mobile; a caller from outside talks with others and leaves a message for others.
  await noor.ask(call('to-dov', '210'));
  await pass(8000);
  await noor.ask({ do: 'act', action: { kind: 'hang up', callId: 'to-dov', by: 'caller' } });
  await noor.ask({
    do: 'if called',
    values: { onNotAnswered: { to: 'person', personId: 'dov' } },
    supposed: true,
  });
  await noor.ask({ do: 'effect', values: { onNotAnswered: { to: 'person', personId: 'dov' } } });
  await place('+13605550171');
  await pass(30_000);
  await act({ kind: 'hang up', callId: CALL, by: 'caller' });
  await pass(1000);
  expect(noor.received.length).toBeGreaterThan(8);
  const all = noor.received.join('\n');
  expect(all).not.toContain(DOVS);
  expect(all).not.toContain('The timber is here');
  expect(all).not.toContain('mast step');
  expect(noor.is.messages!.log.map((c) => c.id)).not.toContain(CALL);
  const account = Object.values((await db.get('standing', DEMO_ID))!.standing.accounts)[0]!;
  expect(all).not.toContain(account.user);
  // It is all there for whoever may see it: the test could tell.
  const rosa = new Window('rosa-mobile-app');
  await pass(100);
  await breathe();
  expect(rosa.received.join('\n')).toContain(DOVS);
  expect(rosa.received.join('\n')).toContain('The timber is here');
});

it('is refused what is not its own, in words, and nothing changes', async () => {
  expect((await noor.ask(call('as-mei', '201', 'mei-desk'))).refused).toContain('not a phone of yours');
  expect(
    (await noor.ask({ do: 'change messages', ids: ['demo-message-3'], to: { folder: 'bin' } })).refused,
  ).toContain('not in a mailbox of yours');
  expect((await db.get('messages', 'demo-message-3'))!.folder).toBeUndefined();
  expect((await noor.ask({ do: 'sound', of: 'message', id: 'demo-message-3' })).refused).not.toBe('');
  expect(
    (
      await noor.ask({
        do: 'set',
        settings: [{ kind: 'do not disturb', personId: 'mei', on: true, until: null }],
        by: 'Noor',
        at: null,
      })
    ).refused,
  ).not.toBe('');
  expect((await db.get('standing', DEMO_ID))!.standing.dnd['mei']).toBeUndefined();
});

it('sets what is its own, and every other phone sees by its presence that it does', async () => {
  const rosa = new Window('rosa-mobile-app');
  await pass(100);
  await noor.ask({
    do: 'set',
    settings: [{ kind: 'do not disturb', personId: 'noor', on: true, until: null }],
    by: 'Noor · Computer',
    at: null,
  });
  await pass(100);
  await breathe();
  expect(noor.is.business!.standing.dnd['noor']).toMatchObject({ value: true, by: 'Noor · Computer' });
  expect(rosa.is.calls!.presence['noor']).toEqual({ is: 'not to be disturbed' });
});

it('messages are changed and taken back; the sound of one is sent when it is asked for', async () => {
  const sound = 'data:audio/wav;base64,UklGRg==';
  const message = (await db.get('messages', 'demo-message-3'))!;
  await db.write('upkeep', async (open) => {
    const tx = open('messages');
    void tx.objectStore('messages').put({ ...message, sound });
    await tx.done;
  });
  // Whoever writes tells it, as all do.
  const changes = new Changes();
  changes.tell({ businessId: DEMO_ID, what: 'messages', ids: [message.id] });
  changes.close();
  const rosa = new Window('rosa-mobile-app');
  await pass(100);
  await breathe();
  expect(rosa.is.messages!.messages.find((m) => m.id === message.id)).toMatchObject({
    sound: null,
    soundThere: true,
  });
  expect((await rosa.ask({ do: 'sound', of: 'message', id: message.id })).value).toBe(sound);
  const change = { do: 'change messages' as const, ids: [message.id], to: { note: 'called' } };
  const done = rosa.client.ask(change, 'the-change');
  await breathe();
  await pass(1);
  await done;
  expect((await db.get('messages', message.id))!.note).toBe('called');
  expect((await rosa.ask({ do: 'take back', of: 'the-change' })).value).toBeNull();
  expect((await db.get('messages', message.id))!.note).toBeUndefined();
});

it('texts of its numbers are told, taken, answered and called off; those of others are not', async () => {
  const MAIN = '+13605550142';
  const ROSAS = '+13605550171';
  const theirs = '+12065550176';
  expect(noor.is.texting!.texts.map((t) => t.to)).toContain(MAIN);
  const taken = { does: 'give' as const, to: 'noor', seen: undefined };
  await noor.ask({ do: 'conversation', ours: MAIN, theirs, change: taken }, 'take');
  await breathe();
  expect(noor.is.texting!.threads).toContainEqual(
    expect.objectContaining({ id: `${MAIN} ${theirs}`, assignedTo: 'noor' }),
  );
  // Whoever takes it with an older picture before them is told.
  const late = await noor.ask({ do: 'conversation', ours: MAIN, theirs, change: { ...taken, to: 'mei' } });
  expect(late.value).toMatchObject({ ok: false, message: 'Noor Haddad has taken it meanwhile.' });
  await noor.ask({ do: 'take back', of: 'take' });
  await breathe();
  expect(noor.is.texting!.threads.find((t) => t.id === `${MAIN} ${theirs}`)?.assignedTo).toBeUndefined();

  const sent = await noor.ask({ do: 'text', from: MAIN, to: theirs, text: 'There is.' });
  expect(sent.value).toMatchObject({ ok: true, text: { by: 'Noor Haddad', fate: { after: 2500 } } });
  const now = noor.is.texting!.texts.at(-1)!.at;
  await noor.ask({ do: 'text', from: MAIN, to: theirs, text: 'Come on Friday.', sendAt: now + 9e6 });
  await breathe();
  const later = noor.is.texting!.texts.find((t) => t.sendAt);
  expect((await noor.ask({ do: 'call off text', id: later!.id }, 'off')).value).toBe(true);
  await noor.ask({ do: 'take back', of: 'off' });
  await breathe();
  expect(noor.is.texting!.texts.filter((t) => t.sendAt && t.to === theirs)).toHaveLength(1);

  expect((await noor.ask({ do: 'text', from: ROSAS, to: theirs, text: 'x' })).refused).not.toBe('');
  await db.raw.put('texts', {
    ...(await db.get('texts', 'demo-text-7'))!,
    id: 'for-rosa',
    to: ROSAS,
    text: 'only for Rosa',
  });
  const changes = new Changes();
  changes.tell({ businessId: DEMO_ID, what: 'texts', ids: ['for-rosa'] });
  changes.close();
  await pass(100);
  await breathe();
  expect(noor.received.join('\n')).not.toContain('only for Rosa');
  expect((await noor.ask({ do: 'call off text', id: 'for-rosa' })).refused).not.toBe('');
});

it('what colleagues write is told to those it is for; so are contacts of one’s own', async () => {
  const mei = new Window('mei-mobile-app');
  const callum = new Window('callum-mobile-app');
  await pass(100);
  await breathe();
  const written = await noor.ask({ do: 'write', to: { with: ['mei'] }, text: 'between us' });
  expect(written.value).toMatchObject({ ok: true });
  await pass(100);
  await breathe();
  expect(mei.is.circles!.words.map((w) => w.text)).toEqual(['between us']);
  expect(callum.received.join('\n')).not.toContain('between us');
  const { circleId } = written.value as { circleId: string };
  expect((await callum.ask({ do: 'write', to: { circleId }, text: 'x' })).refused).toContain('not in that');
  const at = mei.is.circles!.words[0]!.at;
  await mei.ask({ do: 'seen', circleId, at });
  await breathe();
  expect(mei.is.circles!.circles[0]!.seen['mei']).toBe(at);

  const contact = { id: 'own-1', name: 'Her sister', numbers: ['+12065550155'] };
  expect((await noor.ask({ do: 'own contact', contact }, 'own')).value).toBeNull();
  await pass(100);
  await breathe();
  expect(noor.is.business!.system.contacts['own-1']!.name).toBe('Her sister');
  expect(mei.received.join('\n')).not.toContain('Her sister');
  expect((await mei.ask({ do: 'drop own contact', id: 'own-1' })).refused).not.toBe('');
  expect((await noor.ask({ do: 'own contact', contact: { ...contact, numbers: [] } })).value).toContain(
    'number',
  );
  await noor.ask({ do: 'take back', of: 'own' });
  await pass(100);
  await breathe();
  expect(noor.is.business!.system.contacts['own-1']).toBeUndefined();
  mei.client.close();
  callum.client.close();
});

it('a note is kept with the call while it goes on and once it is over; how it sounded, too', async () => {
  await noor.ask(call('noted', '205'));
  await pass(3000);
  await act({ kind: 'answer', callId: 'noted', phone: 'mei-desk' });
  await noor.ask({ do: 'note', callId: 'noted', text: '  wants the <b>red</b> paint ' });
  expect(noor.is.calls!.calls[0]!.note).toBe('wants the <b>red</b> paint');
  await noor.ask({ do: 'quality', callId: 'noted', rating: 71 });
  await noor.ask({ do: 'act', action: { kind: 'hang up', callId: 'noted', by: 'called', phone: NOOR } });
  await pass(100);
  await breathe();
  expect(await db.get('calls', 'noted')).toMatchObject({
    note: 'wants the <b>red</b> paint',
    quality: { [NOOR]: 71 },
  });
  await noor.ask({ do: 'note', callId: 'noted', text: '' });
  expect((await db.get('calls', 'noted'))!.note).toBeUndefined();
  expect((await db.get('calls', 'noted'))!.quality).toEqual({ [NOOR]: 71 });
  // Of a call of others nothing is written.
  await place('+13605550171');
  await pass(1000);
  expect((await noor.ask({ do: 'note', callId: CALL, text: 'x' })).refused).toContain('not a call of yours');
});

it('goes on with the switch that takes over, without opening anew', async () => {
  for (const part of parts.slice(0, 2)) part.close();
  noor.received.length = 0;
  await startSwitch();
  await pass(1500);
  await breathe();
  expect(noor.received.length).toBeGreaterThan(0);
  await noor.ask(call('after', '205'));
  await pass(3000);
  expect(noor.is.calls!.calls.map((c) => c.request.id)).toEqual(['after']);
});

it('a business that is not here is said to be none', async () => {
  const nowhere = new Window('idris-browser', 'no-such-business');
  await pass(100);
  await breathe();
  expect(nowhere.none).toBe('This business is not in this browser.');
});
