/** What a window sends: the microphone, and keypad tones in its place while keys are sent. */
import { tonesOf } from '../core/audio';

/** A tone and the silence after it, in seconds: both well above the 40 ms a receiver needs (Q.24, from memory). */
const TONE_S = 0.12;
const GAP_S = 0.08;
/** Each of the two tones of a key, full scale 1. */
const LEVEL = 0.2;

export class Outgoing {
  private context = new AudioContext();
  private out = this.context.createMediaStreamDestination();
  private microphone = this.context.createGain();
  private source: MediaStreamAudioSourceNode | null = null;
  private free = 0;
  private muted = false;

  constructor() {
    this.microphone.connect(this.out);
    void this.context.resume();
  }

  /** What is sent, whatever microphone is behind it. */
  get track(): MediaStreamTrack {
    return this.out.stream.getAudioTracks()[0]!;
  }

  /** From now on this microphone is sent, or none. */
  use(stream: MediaStream | null): void {
    this.source?.disconnect();
    this.source = stream?.getAudioTracks().length ? this.context.createMediaStreamSource(stream) : null;
    this.source?.connect(this.microphone);
  }

  /** The microphone is not sent; keys are. */
  mute(on: boolean): void {
    this.muted = on;
    this.microphone.gain.setValueAtTime(on ? 0 : 1, this.context.currentTime);
  }

  /** Keys as tones (ITU-T Q.23), one after the other; whoever speaks meanwhile is not sent, so that they are read. */
  keys(keys: string): void {
    let at = Math.max(this.free, this.context.currentTime + 0.02);
    this.microphone.gain.setValueAtTime(0, at - 0.02);
    for (const key of keys) {
      const pair = tonesOf(key);
      if (!pair) continue;
      const gain = this.context.createGain();
      gain.gain.value = LEVEL;
      gain.connect(this.out);
      for (const frequency of pair) {
        const tone = new OscillatorNode(this.context, { frequency });
        tone.connect(gain);
        tone.start(at);
        tone.stop(at + TONE_S);
      }
      at += TONE_S + GAP_S;
    }
    this.microphone.gain.setValueAtTime(this.muted ? 0 : 1, at);
    this.free = at;
  }

  close(): void {
    this.source?.disconnect();
    this.track.stop();
    void this.context.close();
  }
}
