/** Windows of the same browser: one writes at a time, and all hear of it. */

/** What changed, for windows that show it. */
export interface Change {
  businessId: string | null;
  what: 'draft' | 'in force' | 'standing' | 'mail' | 'messages' | 'calls' | 'invitations' | 'businesses' | 'clock';
}

const CHANNEL = 'upper-line:changes';
const WRITE_LOCK = 'upper-line:write';

/** Runs something while no other window writes. */
export const whileWriting = <T>(work: () => Promise<T>): Promise<T> =>
  (typeof navigator !== 'undefined' && navigator.locks ? navigator.locks.request(WRITE_LOCK, work) : work()) as Promise<T>;

/** Tells the other windows, and hears from them. */
export class Changes {
  private channel = new BroadcastChannel(CHANNEL);
  private listeners = new Set<(change: Change, fromHere: boolean) => void>();

  constructor() {
    this.channel.onmessage = (event: MessageEvent<Change>) => this.emit(event.data, false);
  }

  tell(change: Change): void {
    this.channel.postMessage(change);
    this.emit(change, true);
  }

  /** @returns how to stop listening */
  listen(listener: (change: Change, fromHere: boolean) => void): () => void {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  }

  close(): void {
    this.channel.close();
    this.listeners.clear();
  }

  private emit(change: Change, fromHere: boolean): void {
    for (const listener of this.listeners) listener(change, fromHere);
  }
}
