/** Hears keypad tones in what comes from the other side, by the receiver of the core. */
import { KeyReceiver, RATE } from '../core/audio';

/** Sound is listened to in pieces of so many samples. */
const PIECE = 2048;
/** A packet or two that are lost (20 ms each) are no pause between keys: in steps of 10 ms. */
const PAUSE = 7;

export class KeyListener {
  private context: AudioContext | null = null;
  private stop = () => {};

  /** @param heard called with each key, once @param track of the other side */
  listen(track: MediaStreamTrack, heard: (key: string) => void): void {
    this.close();
    const context = (this.context = new AudioContext({ sampleRate: RATE }));
    const source = context.createMediaStreamSource(new MediaStream([track]));
    // Deprecated and everywhere: a worklet would need a file of its own for twenty lines.
    const node = context.createScriptProcessor(PIECE, 1, 1);
    const receiver = new KeyReceiver(RATE, PAUSE);
    node.onaudioprocess = ({ inputBuffer }) => {
      for (const key of receiver.push(inputBuffer.getChannelData(0))) heard(key);
    };
    source.connect(node);
    node.connect(context.destination);
    this.stop = () => {
      node.disconnect();
      source.disconnect();
    };
  }

  close(): void {
    this.stop();
    this.stop = () => {};
    void this.context?.close();
    this.context = null;
  }
}
