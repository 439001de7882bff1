/** How windows that talk find each other: what they say to each other before sound flows. Another carrier may take its place. */

export type Body =
  /** It is in the talk and would connect. */
  | { kind: 'here' }
  | { kind: 'description'; description: RTCSessionDescriptionInit }
  | { kind: 'candidate'; candidate: RTCIceCandidateInit }
  /** Typed instead of spoken. */
  | { kind: 'words'; text: string };

/** From one end of a call to another. */
export type Signal = { callId: string; from: string; to: string } & Body;

export interface Signals {
  send(signal: Signal): void;
  /** @returns how to stop */
  listen(heard: (signal: Signal) => void): () => void;
  close(): void;
}

const CHANNEL = 'upper-line:voice';

/** Between windows of one browser. */
export class BrowserSignals implements Signals {
  private channel = new BroadcastChannel(CHANNEL);

  send(signal: Signal): void {
    this.channel.postMessage(signal);
  }
  listen(heard: (signal: Signal) => void): () => void {
    const listener = ({ data }: MessageEvent<Signal>) => heard(data);
    this.channel.addEventListener('message', listener);
    return () => this.channel.removeEventListener('message', listener);
  }
  close(): void {
    this.channel.close();
  }
}
