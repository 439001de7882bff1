/** Tones of the keypad (ITU-T Q.23): made, and heard within the limits of a receiver. */
import { RATE } from './g711';

const LOW = [697, 770, 852, 941] as const;
const HIGH = [1209, 1336, 1477, 1633] as const;
const KEYS = ['123A', '456B', '789C', '*0#D'] as const;

/** The two tones of a key, in Hz (ITU-T Q.23). */
export function tonesOf(key: string): [low: number, high: number] | undefined {
  const row = KEYS.findIndex((keys) => keys.includes(key));
  return row < 0 ? undefined : [LOW[row]!, HIGH[KEYS[row]!.indexOf(key)]!];
}

/** A sum of tones. @param hz each of them @param seconds how long @param level of each, full scale 1 */
export function tone(hz: readonly number[], seconds: number, level = 0.25, rate = RATE): Float32Array {
  return Float32Array.from({ length: Math.round(seconds * rate) }, (_, i) =>
    hz.reduce((sum, f) => sum + level * Math.sin((2 * Math.PI * f * i) / rate), 0),
  );
}

/** Listens in steps of 10 ms to the last 32 ms. */
const WINDOW = 256;
const STEP = 80;
/**
 * So many steps one after the other a key must be heard, and not be heard before another is taken. With what PURITY asks of
 * a window that is 40 ms and more, and never 23 ms and less (ITU-T Q.24, from memory).
 */
const LONG_ENOUGH = 2;
const GONE = 2;
/** A pair counts from this level of each tone, full scale 1. */
const QUIETEST = 0.008;
/** The two tones of a key differ by no more than this, in dB: twist (Q.24: 4 to 8; from memory). */
const TWIST_DB = 8;
/** So much of all that is heard in a window is the pair. */
const PURITY = 0.75;
/** So far from a tone it still counts, as a share of its frequency: 1.5 % must, beyond 3.5 % must not (Q.24, from memory). */
const OFF = 0.025;
/** The frequency heard is reckoned from the power at a tone and so many Hz beside it. */
const BESIDE_HZ = 15;

/** Power of one frequency in a window: Goertzel's algorithm. */
function goertzel(samples: ArrayLike<number>, from: number, hz: number, rate: number): number {
  const coefficient = 2 * Math.cos((2 * Math.PI * hz) / rate);
  let [s1, s2] = [0, 0];
  for (let i = 0; i < WINDOW; i++) [s2, s1] = [s1, samples[from + i]! + coefficient * s1 - s2];
  return (2 * (s1 * s1 + s2 * s2 - coefficient * s1 * s2)) / (WINDOW * WINDOW);
}

/** The frequency of a tone near one, by the top of a parabola through three powers. */
function frequencyNear(samples: ArrayLike<number>, at: number, hz: number, rate: number): number {
  const [below, own, above] = [hz - BESIDE_HZ, hz, hz + BESIDE_HZ].map((f) =>
    Math.log(goertzel(samples, at, f, rate) + 1e-12),
  ) as [number, number, number];
  const curve = below - 2 * own + above;
  if (curve < 0) return hz + (BESIDE_HZ * (below - above)) / (2 * curve);
  // On the flank of a tone: towards it.
  return hz + (above > below ? BESIDE_HZ : -BESIDE_HZ);
}

/** The tone of a group that is heard, and its power; undefined where what is heard is too far from it. */
function toneOf(
  samples: ArrayLike<number>,
  at: number,
  group: readonly number[],
  rate: number,
): { index: number; power: number } | undefined {
  const powers = group.map((hz) => goertzel(samples, at, hz, rate));
  const index = powers.indexOf(Math.max(...powers));
  const hz = group[index]!;
  // Again from what was found: near the top the reckoning is nearly exact.
  let heard: number = hz;
  for (let i = 0; i < 3; i++) heard = frequencyNear(samples, at, heard, rate);
  return Math.abs(heard - hz) <= OFF * hz ? { index, power: goertzel(samples, at, heard, rate) } : undefined;
}

/** Hears the keys pressed in sound that comes piece by piece. */
export class KeyReceiver {
  private rest = new Float32Array(0);
  private present = '';
  private lasted = 0;
  private gone: number;
  private taken = false;

  /**
   * @param pause steps of 10 ms for which a key must not be heard before it is pressed anew: more where the way loses packets
   */
  constructor(
    private readonly rate = RATE,
    private readonly pause = GONE,
  ) {
    this.gone = pause;
  }

  /** @param samples the next of them, full scale 1 @returns the keys that were recognised in them, in order */
  push(samples: ArrayLike<number>): string {
    const all = new Float32Array(this.rest.length + samples.length);
    all.set(this.rest);
    all.set(samples, this.rest.length);
    let keys = '';
    let at = 0;
    for (; at + WINDOW <= all.length; at += STEP) keys += this.step(keyAt(all, at, this.rate));
    this.rest = all.slice(at);
    return keys;
  }

  /** @returns the key, where it has now been heard for long enough */
  private step(key: string): string {
    if (key && key === this.present) this.lasted++;
    else if (key) {
      this.taken = this.gone < this.pause && this.taken && key === this.present;
      this.present = key;
      this.lasted = 1;
    }
    if (key) this.gone = 0;
    else if (++this.gone >= this.pause) {
      this.present = '';
      this.taken = false;
    }
    if (!key || this.lasted < LONG_ENOUGH || this.taken) return '';
    this.taken = true;
    return key;
  }
}

/** The keys pressed in a stretch of sound, in order. @param samples full scale 1 at 8 kHz */
export const keysIn = (samples: ArrayLike<number>, rate = RATE): string =>
  new KeyReceiver(rate).push(samples);

/**
 * Silences the keys in a stretch of sound, in place, with the edges that could still tell which they were.
 * @param samples full scale 1; what begins or ends within them is found as well
 * @returns how many stretches were silenced
 */
export function eraseKeys(samples: Float32Array, rate = RATE): number {
  let erased = 0;
  let [key, since] = ['', 0];
  const over = (at: number): void => {
    if (!key || (at - since) / STEP < LONG_ENOUGH) return;
    samples.fill(0, Math.max(0, since - WINDOW), at + 2 * WINDOW);
    erased++;
  };
  // All is listened to before anything is silenced.
  const heard: string[] = [];
  for (let at = 0; at + WINDOW <= samples.length; at += STEP) heard.push(keyAt(samples, at, rate));
  for (const [i, is] of [...heard, ''].entries())
    if (is !== key) {
      over(i * STEP);
      [key, since] = [is, i * STEP];
    }
  return erased;
}

function keyAt(samples: ArrayLike<number>, at: number, rate: number): string {
  let all = 0;
  for (let i = 0; i < WINDOW; i++) all += samples[at + i]! ** 2;
  all /= WINDOW;
  // The power of a sine of level a is a²/2.
  if (all < QUIETEST ** 2) return '';
  const low = toneOf(samples, at, LOW, rate);
  const high = low && toneOf(samples, at, HIGH, rate);
  if (!low || !high) return '';
  if (Math.min(low.power, high.power) < QUIETEST ** 2 / 2) return '';
  if (Math.abs(10 * Math.log10(high.power / low.power)) > TWIST_DB) return '';
  if (low.power + high.power < PURITY * all) return '';
  return KEYS[low.index]![high.index]!;
}
