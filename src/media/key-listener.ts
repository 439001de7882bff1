/** Hears keypad tones in what comes from the other side, by the receiver of the core. */
import { keysIn, RATE } from '../core/audio';

/** Sound is looked at in pieces of about so many samples, with the piece before: a tone may lie across. */
const PIECE = 2048;

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
    let known = new Float32Array(0);
    let told = '';
    node.onaudioprocess = ({ inputBuffer }) => {
      const piece = inputBuffer.getChannelData(0);
      const all = new Float32Array(known.length + piece.length);
      all.set(known);
      all.set(piece, known.length);
      const keys = keysIn(all);
      for (const key of keys.slice(told.length)) heard(key);
      // A silent piece ends what was being pressed: from there it is heard anew.
      const silent = piece.every((s) => Math.abs(s) < 0.004);
      known = silent ? new Float32Array(0) : all.slice(-RATE * 20);
      told = silent ? '' : keys;
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
