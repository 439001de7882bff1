/** Windows of the same browser: one writes at a time, and all hear of it. */

/** What changed, for windows that show it. */
export interface Change {
  businessId: string | null;
  what:
    | 'draft'
    | 'in force'
    | 'standing'
    | 'mail'
    | 'messages'
    | 'calls'
    | 'texts'
    | 'threads'
    | 'ownContacts'
    | 'faxes'
    | 'circles'
    | 'words'
    | 'errands'
    | 'tasks'
    | 'runs'
    | 'rounds'
    | 'bookings'
    | 'meetings'
    | 'devices'
    | 'callLists'
    | 'listed'
    | 'invitations'
    | 'dealings'
    | 'carrier'
    | 'businesses'
    | 'clock';
  /** Which records, where it is only so many; absent is any of them. */
  ids?: readonly string[] | undefined;
}

const CHANNEL = 'upper-line:changes';
const WRITE_LOCK = 'upper-line:write';

/** Where there are no Web Locks there are no other windows either: one after the other within this one. */
let last: Promise<unknown> = Promise.resolve();

/** Runs something while nobody else writes, in this window or another. */
export function whileWriting<T>(work: () => Promise<T>): Promise<T> {
  if (typeof navigator !== 'undefined' && navigator.locks)
    return navigator.locks.request(WRITE_LOCK, work) as Promise<T>;
  const done = last.then(work);
  last = done.catch(() => {});
  return done;
}

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
