/** Another rate of samples, with what the new one cannot carry taken away: a windowed sinc. */

/** How far what would come back as something else is put down, in dB. */
const STOP_DB = 70;
/** Middle and width of the edge of what passes, as shares of the lower rate: at 8 kHz, 3.2 to 4 kHz. */
const EDGE = 0.45;
const WIDTH = 0.1;
/** Modified Bessel function of the first kind and order 0, by its series. */
function bessel(x: number): number {
  let [sum, term] = [1, 1];
  for (let k = 1; term > sum * 1e-12; k++) {
    term *= (x / (2 * k)) ** 2;
    sum += term;
  }
  return sum;
}

/**
 * Samples at another rate, as long as they were.
 * Kaiser's window and length: Oppenheim and Schafer, Discrete-Time Signal Processing, 7.6 (from memory).
 * @param from @param to samples a second, whole numbers
 */
export function resampled(samples: Float64Array, from: number, to: number): Float64Array {
  if (from === to) return samples;
  const lower = Math.min(from, to);
  const edge = (EDGE * lower) / from;
  const half = Math.ceil((STOP_DB - 8) / (2.285 * 2 * Math.PI * ((WIDTH * lower) / from)) / 2);
  const beta = 0.1102 * (STOP_DB - 8.7);
  const weight = (t: number): number => {
    if (Math.abs(t) >= half) return 0;
    const window = bessel(beta * Math.sqrt(1 - (t / half) ** 2)) / bessel(beta);
    return (t ? Math.sin(2 * Math.PI * edge * t) / (Math.PI * t) : 2 * edge) * window;
  };
  // Where a new sample falls between two old ones repeats after so many: the weights are worked out once for each place.
  const places = to / gcd(from, to);
  const weights: Float64Array[] = [];
  const out = new Float64Array(Math.round((samples.length * to) / from));
  for (let n = 0; n < out.length; n++) {
    const whole = Math.floor((n * from) / to);
    const first = whole - half + 1;
    const w = (weights[n % places] ??= Float64Array.from({ length: 2 * half }, (_, k) =>
      weight((n * from) / to - (first + k)),
    ));
    const begin = Math.max(0, -first);
    const end = Math.min(w.length, samples.length - first);
    let sum = 0;
    for (let k = begin; k < end; k++) sum += samples[first + k]! * w[k]!;
    out[n] = sum;
  }
  return out;
}

const gcd = (a: number, b: number): number => (b ? gcd(b, a % b) : a);
