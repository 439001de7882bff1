/** Links to numbers, handed to the window of a phone that is open already. */

const channelOf = (phoneId: string) => new BroadcastChannel(`upper-line:links:${phoneId}`);
/** A window that is open answers within this, in milliseconds. */
const OPEN_MS = 600;

type Said = { kind: 'call'; to: string } | { kind: 'taken' };

let own: ((to: string) => void) | null = null;
/** A link that was clicked in this window. @returns whether it is a phone's, and has taken it */
export function takenHere(to: string): boolean {
  own?.(to);
  return own !== null;
}

/** The window of a phone takes links. @returns how to stop */
export function takeLinks(phoneId: string, taken: (to: string) => void): () => void {
  const channel = channelOf(phoneId);
  channel.onmessage = ({ data }: MessageEvent<Said>) => {
    if (data.kind !== 'call') return;
    channel.postMessage({ kind: 'taken' } satisfies Said);
    window.focus();
    taken(data.to);
  };
  own = taken;
  return () => {
    own = null;
    channel.close();
  };
}

/** @returns whether a window of the phone is open and has taken it */
export function handOver(phoneId: string, to: string): Promise<boolean> {
  const channel = channelOf(phoneId);
  return new Promise((resolve) => {
    const end = (is: boolean) => {
      clearTimeout(late);
      channel.close();
      resolve(is);
    };
    const late = setTimeout(() => end(false), OPEN_MS);
    channel.onmessage = ({ data }: MessageEvent<Said>) => {
      if (data.kind === 'taken') end(true);
    };
    channel.postMessage({ kind: 'call', to } satisfies Said);
  });
}
