/** What somebody hears who is held: played in their own window, as the telephone would carry it. */
import { holdMusic, RATE } from '../core/audio';

export class HoldMusic {
  private context: AudioContext | null = null;
  private source: AudioBufferSourceNode | null = null;

  /** Whether it plays. */
  get playing(): boolean {
    return this.source !== null;
  }

  /** @param samples of a recording at 8 kHz; without them a piece made here */
  play(samples: Float32Array<ArrayBuffer> = Float32Array.from(holdMusic())): void {
    if (this.source || !samples.length) return;
    this.context ??= new AudioContext();
    void this.context.resume();
    const buffer = new AudioBuffer({ length: samples.length, numberOfChannels: 1, sampleRate: RATE });
    buffer.copyToChannel(samples, 0);
    this.source = new AudioBufferSourceNode(this.context, { buffer, loop: true });
    this.source.connect(this.context.destination);
    this.source.start();
  }

  stop(): void {
    this.source?.stop();
    this.source = null;
    // A loudspeaker that is kept open for silence drains a battery.
    void this.context?.suspend();
  }
}
