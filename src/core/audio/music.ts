/** Music for those who wait, made by code: nobody else has a right in it. */
import { drawn } from '../calls/rules/chance';
import { RATE } from './g711';

/** Semitones above the root of the notes it goes over: a scale of five, in which nothing clashes. */
const SCALE = [0, 2, 4, 7, 9, 12, 14, 16] as const;
/** Chords as roots, in semitones. */
const ROOTS = [0, -3, -7, -5] as const;
const ROOT_HZ = 262;
const BEAT_S = 0.42;
const BEATS_A_CHORD = 8;

/** A quiet piece that can begin again where it ends. @param seed another one plays another melody @param rounds of four chords */
export function holdMusic(seed = 1, rounds = 2): Float32Array {
  const beats = ROOTS.length * BEATS_A_CHORD * rounds;
  const out = new Float32Array(Math.round(beats * BEAT_S * RATE));
  let note = 3;
  for (let beat = 0; beat < beats; beat++) {
    const root = ROOTS[Math.floor(beat / BEATS_A_CHORD) % ROOTS.length]!;
    if (beat % BEATS_A_CHORD === 0) for (const up of [-12, -5, 4]) pluck(out, beat, root + up, 0.09, 3);
    // Up or down by a step or two, resting now and then.
    const draw = drawn(seed, beat);
    if (draw < 0.2) continue;
    note = Math.max(0, Math.min(SCALE.length - 1, note + Math.round((drawn(seed + 1, beat) - 0.5) * 4)));
    pluck(out, beat, root + SCALE[note]!, 0.16, 1.1);
  }
  return out;
}

/** A plucked note: a sine and its octave that die away. What rings past the end rings into the beginning. */
function pluck(out: Float32Array, beat: number, semitones: number, level: number, seconds: number): void {
  const hz = ROOT_HZ * 2 ** (semitones / 12);
  const from = Math.round(beat * BEAT_S * RATE);
  for (let i = 0; i < seconds * RATE; i++) {
    const t = i / RATE;
    const fade = Math.exp((-4 * t) / seconds) * Math.min(1, t / 0.01);
    const at = (from + i) % out.length;
    out[at]! += level * fade * (Math.sin(2 * Math.PI * hz * t) + 0.3 * Math.sin(4 * Math.PI * hz * t));
  }
}
