/** What windows are told of the gate, over a channel of the browser: each asks when it opens, and is told whenever it changes. */
import type { GateState } from './gate';

const CHANNEL = 'upper-line:gate';
type Said = { ask: true } | { again: string } | { states: GateState[] };

/** The exchange's side. @param now how it is @param again a business is to be answered for here again */
export class GateTeller {
  private readonly channel = new BroadcastChannel(CHANNEL);
  constructor(
    private readonly now: () => GateState[],
    again: (businessId: string) => void,
  ) {
    this.channel.onmessage = ({ data }: MessageEvent<Said>) => {
      if ('ask' in data) this.tell(this.now());
      else if ('again' in data) again(data.again);
    };
  }
  tell(states: GateState[]): void {
    this.channel.postMessage({ states } satisfies Said);
  }
  close(): void {
    this.channel.close();
  }
}

/** A window's side. @returns how to stop */
export function hearGate(told: (states: GateState[]) => void): () => void {
  const channel = new BroadcastChannel(CHANNEL);
  channel.onmessage = ({ data }: MessageEvent<Said>) => {
    if ('states' in data) told(data.states);
  };
  channel.postMessage({ ask: true } satisfies Said);
  return () => channel.close();
}

/** This browser is to answer for a business again, whichever of its windows does so. */
export function answerAgain(businessId: string): void {
  const channel = new BroadcastChannel(CHANNEL);
  channel.postMessage({ again: businessId } satisfies Said);
  channel.close();
}
