/** WAV files of telephone sound, as 16-bit samples or as G.711 µ-law (format tag 7). */
import { WaveFile } from 'wavefile';
import { RATE } from './g711';

/** A WAV file of telephone samples. @param form how they are written */
export function writeWav(pcm: Int16Array, form: 'pcm' | 'ulaw' = 'pcm'): Uint8Array {
  const file = new WaveFile();
  file.fromScratch(1, RATE, '16', pcm);
  if (form === 'ulaw') file.toMuLaw();
  return file.toBuffer();
}

/** A WAV file of two channels of telephone samples, as long as the longer. */
export function writeStereo(left: Int16Array, right: Int16Array): Uint8Array {
  const length = Math.max(left.length, right.length);
  const whole = (pcm: Int16Array): Int16Array => {
    const all = new Int16Array(length);
    all.set(pcm);
    return all;
  };
  const file = new WaveFile();
  file.fromScratch(2, RATE, '16', [whole(left), whole(right)]);
  return file.toBuffer();
}
