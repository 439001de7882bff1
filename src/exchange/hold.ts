/** Locks of this browser, by which windows and phones see of each other that they are there. */

/** Holds a Web Lock until released; another window sees by it that this one is open. */
export function hold(name: string, onHeld: () => void = () => {}): () => void {
  let release = () => {};
  const until = new Promise<void>((resolve) => (release = resolve));
  const given = new AbortController();
  navigator.locks
    .request(name, { signal: given.signal }, () => {
      onHeld();
      return until;
    })
    .catch(() => {});
  return () => {
    given.abort();
    release();
  };
}
