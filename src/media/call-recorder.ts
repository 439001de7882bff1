/**
 * Records a talk in the window of one of its ends: two channels at telephone rate, ours and theirs, as G.711. Keys that are
 * pressed are left out: they may be the number of a card.
 */
import { encodeUlaw, eraseKeys, RATE } from '../core/audio';

/** Sound is taken in pieces of so many samples. */
const PIECE = 4096;
/** So long is one recording at most, in seconds: what comes later is not kept, and that is told. */
export const LONGEST_S = 600;
/** So many typed words are kept with a recording; that there were more is told as it being cut. */
const MOST_SAID = 500;

export interface CallSound {
  /** µ-law at 8 kHz, of the same length. */
  ours: Uint8Array;
  theirs: Uint8Array;
  seconds: number;
  /** It was longer than may be kept. */
  cut: boolean;
  /** What was typed meanwhile, by names of ends. */
  said: Said[];
}

export interface Said {
  from: string;
  text: string;
}

/** Silences the keys in the newest piece, and in the one before where they began. */
function withoutKeys(pieces: readonly Float32Array[]): void {
  const last = pieces.slice(-2);
  const joined = new Float32Array(last.length * PIECE);
  for (const [i, piece] of last.entries()) joined.set(piece, i * PIECE);
  if (!eraseKeys(joined)) return;
  for (const [i, piece] of last.entries()) piece.set(joined.subarray(i * PIECE, (i + 1) * PIECE));
}

const toUlaw = (pieces: readonly Float32Array[]): Uint8Array => {
  const pcm = new Int16Array(pieces.reduce((n, p) => n + p.length, 0));
  let at = 0;
  for (const piece of pieces)
    for (const s of piece) pcm[at++] = Math.max(-32_768, Math.min(32_767, Math.round(s * 32_767)));
  return encodeUlaw(pcm);
};

export class CallRecorder {
  private readonly context = new AudioContext({ sampleRate: RATE });
  private readonly ours = this.context.createGain();
  private readonly theirs = this.context.createGain();
  private readonly pieces: [Float32Array[], Float32Array[]] = [[], []];
  private readonly sources = new Map<string, { track: MediaStreamTrack; node: MediaStreamAudioSourceNode }>();
  private length = 0;
  private cut = false;
  private readonly said: Said[] = [];
  /** A gap: nothing is taken. */
  paused = false;

  constructor() {
    // Deprecated and everywhere: a worklet would need a file of its own for twenty lines.
    const node = this.context.createScriptProcessor(PIECE, 2, 1);
    const both = this.context.createChannelMerger(2);
    this.ours.connect(both, 0, 0);
    this.theirs.connect(both, 0, 1);
    both.connect(node);
    node.connect(this.context.destination);
    node.onaudioprocess = ({ inputBuffer }) => {
      if (this.paused) return;
      if (this.length + PIECE > LONGEST_S * RATE) return void (this.cut = true);
      for (const [i, channel] of this.pieces.entries()) {
        channel.push(inputBuffer.getChannelData(i).slice());
        withoutKeys(channel);
      }
      this.length += PIECE;
    };
    void this.context.resume();
  }

  /** Something was typed in the talk. */
  typed(said: Said): void {
    if (this.paused) return;
    if (this.said.length < MOST_SAID) this.said.push(said);
    else this.cut = true;
  }

  /** Whose sound is taken from now on. @param mine what this window sends @param others what it hears, by name */
  take(mine: MediaStreamTrack | null, others: ReadonlyMap<string, MediaStreamTrack>): void {
    const wanted = new Map<string, [MediaStreamTrack, GainNode]>(
      [...others].map(([name, track]) => [`their ${name}`, [track, this.theirs]]),
    );
    if (mine) wanted.set('ours', [mine, this.ours]);
    for (const [name, { track, node }] of this.sources)
      if (wanted.get(name)?.[0] !== track) {
        node.disconnect();
        this.sources.delete(name);
      }
    for (const [name, [track, to]] of wanted)
      if (!this.sources.has(name)) {
        const node = this.context.createMediaStreamSource(new MediaStream([track]));
        node.connect(to);
        this.sources.set(name, { track, node });
      }
  }

  /** Ends it. @returns what was taken, or null where that is nothing */
  end(): CallSound | null {
    for (const { node } of this.sources.values()) node.disconnect();
    this.sources.clear();
    void this.context.close();
    if (!this.length) return null;
    return {
      ours: toUlaw(this.pieces[0]),
      theirs: toUlaw(this.pieces[1]),
      seconds: this.length / RATE,
      cut: this.cut,
      said: this.said,
    };
  }
}
