/** How this window could be found by others that talk with it, before anybody calls. */

/** So long addresses are looked for, in milliseconds. */
const LOOK_MS = 2500;

export type Ways =
  /** It has an address that others of its network can use. */
  | 'open'
  /** The browser hides its addresses behind names that only some networks look up (mDNS, RFC 6762). */
  | 'hidden'
  /** It is in no network, or the browser lets it have no address. */
  | 'none';

/** Gathers addresses as a call would (RFC 8445 §5.1.1), and calls nobody. */
export async function waysHere(): Promise<Ways> {
  const peer = new RTCPeerConnection();
  const found: string[] = [];
  try {
    peer.createDataChannel('ways');
    const gathered = new Promise<void>((resolve) => {
      peer.onicecandidate = ({ candidate }) => {
        if (candidate?.address) found.push(candidate.address);
        else if (!candidate) resolve();
      };
      setTimeout(resolve, LOOK_MS);
    });
    await peer.setLocalDescription(await peer.createOffer());
    await gathered;
  } finally {
    peer.close();
  }
  if (!found.length) return 'none';
  return found.every((address) => address.endsWith('.local')) ? 'hidden' : 'open';
}
