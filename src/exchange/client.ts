/** A window's side of the live switch. */
import type { Action } from '../core/calls';
import type { Said } from '../workspace';
import { CHANNEL, type FromSwitch, type LiveCall, type ToSwitch } from './protocol';

/** A message is sent again so often until the switch confirms it: it may just be moving to another window. */
const AGAIN_MS = 400;
const GIVE_UP_MS = 8000;

type Confirmed = Extract<ToSwitch, { id: string }>;

/** Hears from the switch what could not be stored of calls. @returns how to stop */
export function listenForTrouble(told: (businessId: string, words: string | null) => void): () => void {
  const channel = new BroadcastChannel(CHANNEL);
  channel.onmessage = ({ data }: MessageEvent<FromSwitch>) => {
    if (data.kind === 'trouble') told(data.businessId, data.words);
  };
  return () => channel.close();
}

export class ExchangeClient {
  private channel = new BroadcastChannel(CHANNEL);
  private waiting = new Map<string, () => void>();

  /** @param onCalls told of all calls of the business whenever one changes */
  constructor(
    private businessId: string,
    onCalls: (calls: LiveCall[]) => void,
    private freshId: () => string,
  ) {
    this.channel.onmessage = ({ data }: MessageEvent<FromSwitch>) => {
      if (data.kind === 'calls' && data.businessId === this.businessId) onCalls(data.calls);
      else if (data.kind === 'done') this.waiting.get(data.id)?.();
    };
    this.channel.postMessage({ kind: 'ask', businessId } satisfies ToSwitch);
  }

  /** Does something to a call. @throws when no switch answers within a few seconds */
  act(action: Action): Promise<void> {
    return this.send({ kind: 'act', id: this.freshId(), businessId: this.businessId, action });
  }

  /** What the caller has said so far. */
  say(callId: string, said: Said): Promise<void> {
    return this.send({ kind: 'say', id: this.freshId(), businessId: this.businessId, callId, said });
  }

  close(): void {
    this.channel.close();
  }

  private send(message: Confirmed): Promise<void> {
    return new Promise((resolve, reject) => {
      const post = () => this.channel.postMessage(message);
      const again = setInterval(post, AGAIN_MS);
      const end = (settle: () => void) => {
        clearInterval(again);
        clearTimeout(late);
        this.waiting.delete(message.id);
        settle();
      };
      const late = setTimeout(
        () => end(() => reject(new Error('The exchange does not answer. Reload this window.'))),
        GIVE_UP_MS,
      );
      this.waiting.set(message.id, () => end(resolve));
      post();
    });
  }
}
