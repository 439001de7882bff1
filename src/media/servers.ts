/** Asks a server between networks whether it does what it is there for, as a call would. */

/** So long it may take to answer, in milliseconds. */
const ANSWER_MS = 6000;

export type Tried =
  /** It answers: this machine is seen from outside at an address, or voice would be passed on by one. */
  { is: 'answers'; address: string } | { is: 'refuses'; why: string } | { is: 'silent' };

/** What the errors of a server mean (RFC 8489 §14.8, RFC 8656 §19). */
const ERRORS: Record<number, string> = {
  400: 'it does not understand what it is asked',
  401: 'it does not take this user name and password',
  403: 'it does not serve this machine',
  438: 'it does not take this user name and password',
  441: 'it does not take this user name and password',
  486: 'it serves as many already as it may',
  508: 'it has no room just now',
};

/** @param passes whether it is to pass voice on */
export async function tryServer(server: RTCIceServer, passes: boolean): Promise<Tried> {
  const peer = new RTCPeerConnection({
    iceServers: [server],
    iceTransportPolicy: passes ? 'relay' : 'all',
  });
  try {
    peer.createDataChannel('tried');
    const tried = new Promise<Tried>((resolve) => {
      let refused = '';
      let unreached = false;
      peer.onicecandidateerror = ({ errorCode }) => {
        // 701 is that it cannot be reached by one of the addresses this machine has; another may do.
        if (errorCode === 701) unreached = true;
        else refused = ERRORS[errorCode] ?? `it says ${errorCode}`;
      };
      peer.onicecandidate = ({ candidate }) => {
        if (candidate?.type === (passes ? 'relay' : 'srflx'))
          resolve({ is: 'answers', address: candidate.address ?? '' });
        else if (candidate) return;
        else if (refused) resolve({ is: 'refuses', why: refused });
        // Seen from there as it sees itself, it has no other address to tell of.
        else resolve(passes || unreached ? { is: 'silent' } : { is: 'answers', address: '' });
      };
      setTimeout(() => resolve(refused ? { is: 'refuses', why: refused } : { is: 'silent' }), ANSWER_MS);
    });
    await peer.setLocalDescription(await peer.createOffer());
    return await tried;
  } finally {
    peer.close();
  }
}
