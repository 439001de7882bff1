/** Signals between windows of one browser. */
import { VOICE_CHANNEL, type Signal, type Signals } from '../channel/voice';

export type { Body, Signal, Signals } from '../channel/voice';

export class BrowserSignals implements Signals {
  private channel = new BroadcastChannel(VOICE_CHANNEL);

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
