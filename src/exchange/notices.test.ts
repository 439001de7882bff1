/** What Notify steps send: filled in with who called and what they said, and each once. */
import PostalMime from 'postal-mime';
import { describe, expect, it } from 'vitest';
import { demoSystem } from '../../demo/lantern-cove';
import { CallEngine, type CallState, type TraceEvent } from '../core/calls';
import { emptyStanding, type Command } from '../core/system';
import { edited } from '../../tests/fixtures/yard';
import { filledIn, letters } from './notices';

const NOTIFY: Command = {
  do: 'plan.set',
  id: 'winter-store',
  change: {
    steps: [
      {
        id: 'ask',
        kind: 'ask',
        questions: [{ id: 'q', label: 'Boat', says: 'Which boat is it?', by: 'voice' }],
        answers: [],
      },
      {
        id: 'n',
        kind: 'notify',
        how: 'mail',
        to: 'desk@lanterncove.example',
        text: '{caller} called {number}.\n{notes}',
      },
      { id: 'm', kind: 'notify', how: 'mail', to: '', text: 'to nobody' },
      { id: 'h', kind: 'notify', how: 'hook', to: 'https://hooks.example/x', text: '{caller}' },
      { id: 'v', kind: 'voicemail', mailboxId: 'store' },
    ],
  },
};
const system = edited(demoSystem(), [NOTIFY]);
const AT = Date.UTC(2026, 10, 24, 18);

function call(number: string | null, boat: string): CallState {
  const engine = new CallEngine(system, emptyStanding());
  engine.act(AT, {
    kind: 'place',
    request: {
      id: 'c',
      at: AT,
      from: { kind: 'outside', number },
      to: { kind: 'number', e164: '+15095550118' },
      behaviour: null,
    },
  });
  engine.act(AT + 4000, { kind: 'say', callId: 'c', text: boat });
  engine.advance(AT + 5000);
  return engine.calls.get('c')!;
}

describe('a notice by mail', () => {
  it('says who called which number and what they said, as text', async () => {
    const [letter, ...others] = await letters('b', system, call('+12065550187', 'Heron <img src=x>'), 0);
    expect(others).toEqual([]);
    expect(letter).toMatchObject({ to: 'desk@lanterncove.example', at: AT + 4000, businessId: 'b' });
    const mail = await PostalMime.parse(letter!.raw);
    expect(mail.subject).toBe('Winter store: (206) 555-0187 called Winter store ((509) 555-0118).');
    expect(mail.text?.replace(/\r/g, '').trim()).toBe(
      '(206) 555-0187 called Winter store ((509) 555-0118).\nBoat: Heron <img src=x>',
    );
    expect(mail.from?.address).toBe('calls@upperline.example');
  });
  it('goes out once: what was looked at is not looked at again', async () => {
    const c = call('+12065550187', 'Heron');
    const at = c.trace.findIndex((e) => e.kind === 'notified');
    expect(await letters('b', system, c, at)).toHaveLength(1);
    expect(await letters('b', system, c, c.trace.length)).toEqual([]);
  });
  it('of a hidden number says so, and leaves what it does not know as it stands', () => {
    expect(filledIn('{caller}, {number}, {weather}', system, call(null, 'Heron'))).toBe(
      'Hidden number, Winter store ((509) 555-0118), {weather}',
    );
  });
});

describe('what people are told of besides', () => {
  const told = async (event: Partial<TraceEvent>) => {
    const c = call('+12065550187', 'Heron');
    const at = c.trace.length;
    c.trace.push({ t: 9000, ...event } as TraceEvent);
    return letters('b', system, c, at);
  };
  it('is somebody paused, for whoever leads the queue', async () => {
    const [letter, ...others] = await told({
      kind: 'paused',
      personId: 'ines',
      queueId: 'front-queue',
      missed: 2,
    });
    expect(others).toEqual([]);
    expect(letter!.to).toBe('rosa.delgado@lanterncove.example');
    const mail = await PostalMime.parse(letter!.raw);
    expect(mail.text).toContain('Ines Morel missed 2 calls in a row and is paused in Front desk');
  });
  it('are calls that look like fraud, for all who may allow them again', async () => {
    const sent = await told({ kind: 'stopped', country: 'FR' });
    expect(sent.map((l) => l.to)).toEqual([
      'rosa.delgado@lanterncove.example',
      'idris.okafor@lanterncove.example',
    ]);
    expect(new Set(sent.map((l) => l.id)).size).toBe(2);
    expect(sent[0]!.subject).toContain('Calls to France');
  });
});
