/** Plays telephone sound, one at a time, as a caller hears it. */
import { decodeUlaw, RATE } from '$core/audio';

class Player {
  /** What is playing, by the name it was given; empty is nothing. */
  playing = $state('');
  private context: AudioContext | undefined;
  private source: AudioBufferSourceNode | null = null;

  /** @param what a name for it @param ulaw G.711 µ-law at 8 kHz @param loop again and again */
  async play(what: string, ulaw: Uint8Array, { loop = false, speed = 1 } = {}): Promise<void> {
    this.stop();
    this.context ??= new AudioContext();
    await this.context.resume();
    const pcm = decodeUlaw(ulaw);
    if (!pcm.length) return;
    const buffer = new AudioBuffer({ length: pcm.length, numberOfChannels: 1, sampleRate: RATE });
    buffer.copyToChannel(
      Float32Array.from(pcm, (s) => s / 32_768),
      0,
    );
    const source = new AudioBufferSourceNode(this.context, { buffer, loop, playbackRate: speed });
    source.connect(this.context.destination);
    source.onended = () => {
      if (this.source === source) this.stop();
    };
    this.source = source;
    this.playing = what;
    source.start();
  }

  stop(): void {
    const { source } = this;
    this.source = null;
    this.playing = '';
    source?.stop();
    // A loudspeaker that is kept open for silence drains a battery.
    if (source) void this.context?.suspend();
  }
}

export const player = new Player();
