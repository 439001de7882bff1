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
