/** Any sound as the telephone carries it: one channel, 8 kHz, its band, an even loudness, 16 bits and µ-law. */
import { filtered, highPass } from './biquad';
import { encodeUlaw, RATE } from './g711';
import { loudness } from './loudness';
import { resampled } from './resample';
import { withoutSilence } from './silence';

/** All recordings are brought to this loudness, in LUFS, so that none is louder than the next. Common practice, no source. */
export const LOUDNESS = -20;
/** No sample goes above this after that: -1 dBFS. */
const PEAK = 10 ** (-1 / 20);
/** Below this a telephone carries nothing; it is hum and rumble. Hz. Common practice, no source. */
const LOWEST_HZ = 200;
/** More is not taken: what is quieter than that is a microphone that was off. In dB. */
const MOST_GAIN = 40;

export interface TelephoneSound {
  /** 8 kHz, 16 bits. */
  pcm: Int16Array;
  /** The same as G.711 µ-law. */
  ulaw: Uint8Array;
  seconds: number;
  /** As it came, and as it is now, in LUFS. */
  loudnessBefore: number;
  loudness: number;
}

/** Why something is no sound that can be used, in words for whoever gave it. */
export class NoSound extends Error {}

/** What is being done, in this order. */
export type Stage = 'one channel' | '8 kHz' | 'even loudness' | 'telephone form';

/** The longest sound that is taken, in seconds: a message or a piece of music. */
const LONGEST_S = 600;
/** More channels than this is no sound a telephone has use for. */
const MOST_CHANNELS = 8;

/**
 * Brings sound into telephone form.
 * @param channels samples of each channel, full scale 1, all of one length
 * @param rate samples a second, 3,000 to 192,000
 * @param options `trim` takes silence off both ends; `onstage` is told what is being done
 * @throws NoSound with what is wrong, in words
 */
export function toTelephone(
  channels: readonly Float32Array[],
  rate: number,
  { trim = false, onstage }: { trim?: boolean; onstage?: (stage: Stage) => void } = {},
): TelephoneSound {
  const length = channels[0]?.length ?? 0;
  if (!length) throw new NoSound('There is no sound in it: it is 0 s long.');
  if (channels.length > MOST_CHANNELS)
    throw new NoSound(`It has ${channels.length} channels. At most ${MOST_CHANNELS} can be mixed into one.`);
  if (!(Number.isInteger(rate) && rate >= 3000 && rate <= 192_000))
    throw new NoSound(`A rate of ${rate} samples a second is not read.`);
  if (length / rate > LONGEST_S)
    throw new NoSound(`It is ${Math.round(length / rate)} s long. At most ${LONGEST_S} s are taken.`);
  onstage?.('one channel');
  const mono = mixed(channels);
  onstage?.('8 kHz');
  const narrow = filtered(resampled(mono, rate, RATE), highPass(LOWEST_HZ, RATE));
  const kept = trim ? withoutSilence(narrow, RATE) : narrow;
  onstage?.('even loudness');
  const before = loudness(kept, RATE);
  if (before === -Infinity) throw new NoSound('There is only silence in it.');
  const peak = kept.reduce((most, s) => Math.max(most, Math.abs(s)), 0);
  const gain = Math.min(10 ** (Math.min(LOUDNESS - before, MOST_GAIN) / 20), PEAK / peak);
  onstage?.('telephone form');
  const pcm = Int16Array.from(kept, (s) => Math.round(s * gain * 32_767));
  return {
    pcm,
    ulaw: encodeUlaw(pcm),
    seconds: pcm.length / RATE,
    loudnessBefore: before,
    loudness: before + 20 * Math.log10(gain),
  };
}

function mixed(channels: readonly Float32Array[]): Float64Array {
  const mono = new Float64Array(channels[0]!.length);
  for (const channel of channels)
    for (let i = 0; i < mono.length; i++) mono[i]! += (channel[i] ?? 0) / channels.length;
  // A sample that is no number would silence everything behind it in a filter.
  for (let i = 0; i < mono.length; i++) if (!Number.isFinite(mono[i])) mono[i] = 0;
  return mono;
}
